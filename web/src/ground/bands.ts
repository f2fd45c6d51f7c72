import type { S } from '../api/client';

/** Days of the ring of the year. */
export const yearDays = 365;
const starts = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334];
const names = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** The months with the day each begins on, 0 to 364. */
export const months = starts.map((at, i) => ({ at, name: names[i]! }));

/** A day of the ring in words: 4 May. */
export function dayWords(ordinal: number): string {
  const o = ((((Math.round(ordinal) - 1) % yearDays) + yearDays) % yearDays) + 1;
  let m = 11;
  while (starts[m]! >= o) m--;
  return `${o - starts[m]!} ${names[m]}`;
}

/**
 * A window drawn on 365 × 20: full height where it is all but sure, tapering over two
 * standard deviations at either edge, so that nobody reads a bare date off it. What
 * runs over New Year is drawn on both sides.
 */
export function bandPaths(w: Pick<S['YearWindow'], 'open' | 'openSd' | 'close' | 'closeSd' | 'allYear'>): string[] {
  if (w.allYear) return [`M0 3H${yearDays}V17H0z`];
  const length = (((w.close - w.open) % yearDays) + yearDays) % yearDays;
  const from = w.open - 2 * w.openSd;
  const to = w.open + length + 2 * w.closeSd;
  let a = w.open + 2 * w.openSd;
  let b = w.open + length - 2 * w.closeSd;
  // Edges that run into one another meet at a point in the middle.
  if (a > b) a = b = (w.openSd * b + w.closeSd * a) / Math.max(1e-9, w.openSd + w.closeSd);
  const r = (x: number) => Math.round(x * 10) / 10;
  const path = (shift: number) =>
    `M${r(from + shift)} 10L${r(a + shift)} 3H${r(b + shift)}L${r(to + shift)} 10L${r(b + shift)} 17H${r(a + shift)}z`;
  return [-yearDays, 0, yearDays].filter((s) => to + s > 0 && from + s < yearDays).map(path);
}

/** How sure an edge is, in words. */
export const edgeWords = (at: number, sd: number): string => `${dayWords(at)}, give or take ${Math.round(sd)} days`;

/** Stages in a few words; all four of a fungus are any. */
export const stageWords = (stages: string[]): string =>
  stages.length >= 4 && stages.includes('mature') ? 'any stage' : stages.map((s) => s.replaceAll('-', ' ')).join(', ');

/** Signs that speak of a time about a day, within so many days; the others are of this year too. */
export function nearSigns<T extends { from: string; to: string }>(
  signs: T[],
  day: string,
  within = 21,
): { near: T[]; far: T[] } {
  const at = (iso: string) => Date.parse(`${iso}T12:00Z`) / 86_400_000;
  const isNear = (s: T) => at(s.from) - within <= at(day) && at(s.to) + within >= at(day);
  return { near: signs.filter(isNear), far: signs.filter((s) => !isNear(s)) };
}

/** What is coming up, an entry a line: its stages together, the likeliest of them deciding. */
export function together<T extends { place: string; taxon: { id: string }; stage: string; p: number; opens: boolean }>(
  list: T[],
): { one: T; stages: string[]; p: number; opens: boolean }[] {
  const by = new Map<string, T[]>();
  for (const c of list) by.set(`${c.place} ${c.taxon.id}`, [...(by.get(`${c.place} ${c.taxon.id}`) ?? []), c]);
  return [...by.values()].map((all) => ({
    one: all[0]!,
    stages: all.map((c) => c.stage),
    p: Math.max(...all.map((c) => c.p)),
    opens: all.some((c) => c.opens),
  }));
}
