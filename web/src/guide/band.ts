import type { S } from '../api/client';

/** The bands of a side by side, from what weighs most to what is no evidence. */
export const bands = [
  'Strong evidence',
  'Fair evidence',
  'Slight evidence',
  'Not said of all of them',
  'Shared: worth nothing between these',
  'Where and when: never evidence',
] as const;

/** The band a row stands in: what tells apart, what may, what is worth nothing. */
export function band(row: S['BesideRow']): (typeof bands)[number] {
  const ws = row.cells.slice(1).map((c) => c.worth);
  if (row.class === 'circumstance') return 'Where and when: never evidence';
  if (ws.includes('strong')) return 'Strong evidence';
  if (ws.includes('fair')) return 'Fair evidence';
  if (ws.includes('slight') || ws.includes('reverse')) return 'Slight evidence';
  if (ws.includes('silent')) return 'Not said of all of them';
  return 'Shared: worth nothing between these';
}
