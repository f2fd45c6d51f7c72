import type { S } from '../api/client';

/** A length as it was written: in the trait's unit, and what the way of measuring leaves open. */
export type Length = { value: number; error: number };

const cm: Record<string, number> = { cm: 1, mm: 0.1, m: 100, in: 2.54, '"': 2.54, inch: 2.54, inches: 2.54, ft: 30.48 };

/** A hand laid against a thing reads to about a tenth of what it reads; our own default, no source. */
export const handError = 0.1;

/** The parts of a hand that can measure, with their words. */
export const handParts = [
  { id: 'palm', word: 'palm', about: 'breadth over the knuckles, thumb left out' },
  { id: 'finger', word: 'finger', about: 'length of the forefinger from its fold' },
  { id: 'span', word: 'span', about: 'thumb to little finger, spread' },
] as const;

/** Reads 12, 12.5 cm, 30 mm, 5 in, 2 palms or half a finger into the unit; undefined when it can’t be read. */
export function readLength(text: string, unit: string, hand?: S['Hand']): Length | undefined {
  const m = /^\s*(\d+(?:[.,]\d+)?|half an?|a|one)\s*(cm|mm|m|inches|inch|in|"|ft|palms?|fingers?|spans?)?\s*$/i.exec(
    text,
  );
  if (!m) return undefined;
  const said = m[1]!.toLowerCase();
  const n = said.startsWith('half') ? 0.5 : said === 'a' || said === 'one' ? 1 : Number(said.replace(',', '.'));
  const given = m[2]?.toLowerCase();
  if (said.match(/^[a-z]/) && !given) return undefined;
  if (unit === 'count') return given ? undefined : { value: n, error: 0 };
  const perUnit = cm[unit] ?? 1;
  if (!given) return { value: n, error: 0 };
  const part = handParts.find((p) => given.startsWith(p.id));
  if (!part) return { value: (n * cm[given]!) / perUnit, error: 0 };
  const length = hand?.[part.id];
  if (!length) return undefined;
  const value = (n * length) / perUnit;
  return { value, error: value * handError };
}

/** In the other system too, so that both are read: 12 cm is 4.7 in. */
export function inInches(value: number, unit: string): string {
  const inches = (value * (cm[unit] ?? 1)) / 2.54;
  return inches >= 24 ? `${(inches / 12).toFixed(1)} ft` : `${inches.toFixed(inches < 1 ? 2 : 1)} in`;
}
