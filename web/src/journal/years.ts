import type { S } from '../api/client';

/** What each year gave, in the order in which the years stand. */
export function byYear(all: readonly S['YearSum'][]): [number, S['YearSum'][]][] {
  const out = new Map<number, S['YearSum'][]>();
  for (const y of all) out.set(y.year, [...(out.get(y.year) ?? []), y]);
  return [...out];
}
