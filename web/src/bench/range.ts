/** A described range: extreme low, typical low, typical high, extreme high. */
export type Range = readonly [number, number, number, number];

/** Where a reading lies against a range, its error taken in. */
export function where(range: Range, value: number, error: number): 'typical' | 'extreme' | 'outside' {
  if (value + error < range[0] || value - error > range[3]) return 'outside';
  if (value + error < range[1] || value - error > range[2]) return 'extreme';
  return 'typical';
}

export const whereWords = {
  typical: 'within what is usual',
  extreme: 'only among the extremes',
  outside: 'outside even the extremes',
};

/** The end of the scale: a round number that holds everything drawn. */
export function scaleEnd(values: number[]): number {
  const most = Math.max(...values, 0);
  if (most <= 0) return 1;
  const ten = 10 ** Math.floor(Math.log10(most));
  return [1, 1.5, 2, 3, 4, 5, 6, 8, 10].map((k) => k * ten).find((v) => v >= most * 1.02) ?? 20 * ten;
}
