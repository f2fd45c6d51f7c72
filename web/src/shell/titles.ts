import { matchPath } from 'react-router';

export type Titled = { path: string; title: string };

/** The title of a page: that of the longest pattern that fits, and the name of the program. */
export function titleOf(path: string, pages: readonly Titled[]): string {
  const fits = pages
    .filter((p) => p.path !== '*' && matchPath(p.path, path))
    .sort((a, b) => b.path.replace(/:[a-z]+/g, ':').length - a.path.replace(/:[a-z]+/g, ':').length)[0];
  return fits ? `${fits.title} · Zesty Thicket` : 'Zesty Thicket';
}

/** With a name in front, where a page knows what it is about. */
export const named = (name: string | undefined, path: string, pages: readonly Titled[]): string =>
  name ? `${name} · ${titleOf(path, pages)}` : titleOf(path, pages);
