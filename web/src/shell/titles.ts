import { matchPath } from 'react-router';

/** What a page is called in the browser’s bar and history. */
const titles: [string, string][] = [
  ['/', 'Your finds'], ['/today', 'Today'], ['/year', 'The year'], ['/places', 'Places'], ['/places/:id', 'A place'], ['/walks', 'Walks'], ['/walks/new', 'Plan a walk'], ['/walks/:id', 'A walk'],
  ['/walks/:id/sheet', 'Walk sheet'], ['/walks/:id/cards', 'Pocket cards'], ['/begin', 'Begin a find'], ['/find/:id', 'A find'], ['/find/:id/second', 'Second look'], ['/find/:id/harvest', 'How much, and bag it'],
  ['/kitchen', 'Kitchen'], ['/kitchen/sums', 'Recipe arithmetic'], ['/kitchen/:id', 'A bag or batch'], ['/kitchen/:id/label', 'Label'], ['/journal', 'Journal'], ['/incident', 'Incidents'],
  ['/incident/new', 'Something is wrong'], ['/incident/:id', 'Something is wrong'], ['/incident/:id/sheet', 'Handover sheet'], ['/guide', 'Guide'], ['/audit', 'Audit of the guide'], ['/guide/:id', 'An entry of the guide'],
  ['/guide/:id/beside', 'Side by side'], ['/terms', 'Terms'], ['/sayings', 'Sayings'], ['/you', 'You'], ['/data', 'Your data'],
];

/** The title of a page: the longest pattern that fits, and the name of the program. */
export function titleOf(path: string): string {
  const fits = titles.filter(([pattern]) => matchPath(pattern, path)).sort(([a], [b]) => b.replace(/:[a-z]+/g, ':').length - a.replace(/:[a-z]+/g, ':').length)[0];
  return fits ? `${fits[1]} · Zesty Thicket` : 'Zesty Thicket';
}

/** With a name in front, where a page knows what it is about. */
export const named = (name: string | undefined, path: string): string => (name ? `${name} · ${titleOf(path)}` : titleOf(path));
