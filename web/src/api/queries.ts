import type { QueryClient } from '@tanstack/react-query';

/**
 * What is fetched, by what it belongs to: a query's key begins with one of these, and whoever
 * changes something names those that hang on it.
 */
export type Domain =
  | 'audit'
  | 'beside'
  | 'cues'
  | 'data'
  | 'exclusion'
  | 'find'
  | 'finds'
  | 'guide'
  | 'incidents'
  | 'journal'
  | 'kitchen'
  | 'people'
  | 'places'
  | 'rejudged'
  | 'settings'
  | 'sum'
  | 'taxa'
  | 'taxon'
  | 'today'
  | 'walks'
  | 'way'
  | 'year';

/** The key of a query: its domain, and what else tells it from its neighbours. */
export const key = (domain: Domain, ...of: readonly unknown[]): readonly unknown[] => [domain, ...of];

/** Asks again for everything of some domains that is on the screen, and for the rest when it is shown. */
export const askAgain = (client: QueryClient, ...domains: readonly Domain[]): Promise<unknown> =>
  Promise.all(domains.map((d) => client.invalidateQueries({ queryKey: [d] })));

/** What hangs on a change. */
export const after = {
  ground: ['places', 'walks', 'year', 'today'],
  place: ['places', 'walks', 'year', 'today', 'find', 'finds'],
  walk: ['walks', 'year', 'today'],
  kitchen: ['kitchen', 'today', 'journal'],
  settings: ['kitchen', 'settings', 'journal', 'today', 'people'],
  person: ['people', 'finds', 'find', 'today', 'kitchen', 'guide'],
  facts: ['find', 'finds'],
  judged: ['finds', 'today', 'kitchen'],
} as const satisfies Record<string, readonly Domain[]>;
