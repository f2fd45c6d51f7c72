import type { S } from '../api/client';

/** The bands of a side by side, from what decides to what is no evidence. */
export const bands = [
  'Decides',
  'Tells apart',
  'May tell apart',
  'Not said of all of them',
  'Shared: worth nothing between these',
  'Where and when: never evidence',
] as const;

/** The band a row stands in: what tells apart, what may, what is worth nothing. */
export function band(row: S['BesideRow']): (typeof bands)[number] {
  const ws = row.cells.slice(1).map((c) => c.worth);
  if (row.class === 'circumstance') return 'Where and when: never evidence';
  if (ws.includes('decisive')) return 'Decides';
  if (ws.includes('apart') || ws.includes('reverse')) return 'Tells apart';
  if (ws.includes('perhaps')) return 'May tell apart';
  if (ws.includes('silent')) return 'Not said of all of them';
  return 'Shared: worth nothing between these';
}
