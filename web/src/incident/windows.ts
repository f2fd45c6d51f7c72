import type { S } from '../api/client';
import { length, moment } from '../kitchen/when';
import type { Incident } from './draft';

const least = 0.25;
const most = 24 * 21;

/** Where so many hours stand on a strip from a quarter of an hour to three weeks, 0 to 100; each step is a multiple. */
export const along = (hours: number): number =>
  (Math.log(Math.min(most, Math.max(least, hours)) / least) / Math.log(most / least)) * 100;

export const marks: [number, string][] = [
  [1, '1 h'],
  [6, '6 h'],
  [24, '1 day'],
  [72, '3 days'],
  [336, '2 weeks'],
];

/** What the delay says of a window. It takes none off the list. */
export const fitWords: Record<S['SyndromeLine']['fit'], string> = {
  'no-sign': '',
  inside: 'the first sign lies in its window',
  earlier: 'the first sign came earlier; it stays on the list',
  later: 'the first sign came later; it stays on the list',
};

const routeWords = { eaten: 'Eaten', skin: 'On the skin', eye: 'In the eye', smoke: 'Smoke of' };

/** What to say on the telephone, line by line, from what was taken down. */
export function callLines(d: Incident, nowMs: number, name: (lot: string) => string): string[] {
  const out: string[] = [];
  for (const x of d.exposures) {
    const what = x.lot ? `${name(x.lot)}${x.what ? `, taken for ${x.what}` : ''}` : x.what || 'not said yet what';
    const more = [x.part, x.stage, x.amount, x.prep].filter((t) => t && !what.includes(t)).join(', ');
    out.push(
      `${routeWords[x.route]}: ${what}${more ? `, ${more}` : ''}; ${moment(x.atMs)}, ${length(nowMs - x.atMs)} ago${x.people?.length ? `; ${x.people.join(', ')}` : ''}.`,
    );
  }
  for (const s of d.symptoms) out.push(`${s.person || 'Somebody'}: ${s.what}, since ${moment(s.atMs)}.`);
  if (d.sample) out.push(`Kept: ${d.sample}.`);
  return out;
}
