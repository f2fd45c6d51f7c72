/** Smells that stay on what touched them, as the guide names them. */
export const smells = ['garlic', 'parsley', 'mouse', 'rank', 'aniseed', 'ink', 'meal', 'apricot', 'radish', 'honey'];

/** What hands, gloves and blade carry, in a few words for a button. */
export function carriedShort(carried: { on: string; smell: string }[]): string {
  const kinds = [...new Set(carried.map((c) => c.smell))];
  if (kinds.length === 0) return 'Hands and tools';
  return `Carries ${kinds.slice(0, 2).join(', ')}${kinds.length > 2 ? '…' : ''}`;
}
