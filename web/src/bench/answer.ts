import type { Answer, S, Trait } from '../api/client';

/** What the observer said about how they looked, beside the state itself. */
export type Look = {
  count?: number;
  minutes?: number;
  paper?: 'white' | 'dark' | 'half';
  unsure?: boolean;
  colour?: 'poor' | 'coloured' | 'soil' | 'rain' | 'frost';
  detached?: boolean;
  method?: string;
  with?: 'gloves' | 'blade';
};

/** The method of a look that was made as the guide describes it. */
export const byTheGuide = 'by-the-guide';

/** The states of a trait that get a tile and a number key. Absence has neither: it is a deliberate act of its own. */
export const tilesOf = (t: Trait): S['State'][] => t.states.filter((s) => s.id !== t.absent);

/** At most six tiles at once: the likeliest, in the order of the guide; the rest on demand. */
export const mostTiles = 6;
export function firstTiles(t: Trait, likely: Map<string, number>): S['State'][] {
  const all = tilesOf(t);
  if (all.length <= mostTiles) return all;
  const top = [...all].sort((a, b) => (likely.get(b.id) ?? 0) - (likely.get(a.id) ?? 0)).slice(0, mostTiles);
  return all.filter((s) => top.includes(s));
}

/** The tiles of a couplet, the first way in front. */
export const inLeads = (t: Trait, leads: S['Lead'][]): S['State'][] =>
  leads.flatMap((l) => tilesOf(t).filter((s) => l.states.includes(s.id)));

/** The answer for states that were tapped. */
export function seen(t: Trait, states: string[], look: Look, both = false): Answer {
  const kind = states.length === 1 ? 'seen' : both ? 'all-of' : 'any-of';
  return { trait: t.id, kind, states, ...dress(look) };
}

export const absent = (t: Trait, look: Look): Answer => ({ trait: t.id, kind: 'absent', ...dress(look) });

export const measured = (t: Trait, value: number, error: number, look: Look): Answer => ({
  trait: t.id,
  kind: 'measured',
  value,
  error,
  ...dress(look),
});

function dress(l: Look): Partial<Answer> {
  const out: Partial<Answer> = {};
  if (l.count) out.count = l.count;
  if (l.minutes) out.minutes = l.minutes;
  if (l.paper) out.paper = l.paper;
  if (l.unsure) out.unsure = true;
  if (l.detached) out.detached = true;
  if (l.method) out.method = l.method;
  if (l.with) out.with = l.with;
  if (l.colour === 'poor' || l.colour === 'coloured') out.light = l.colour;
  else if (l.colour) out.surface = l.colour;
  return out;
}

/** The other kinds of answer, all of which rule nothing out. */
export const otherKinds: { kind: Answer['kind']; label: string; from?: Answer['from'] }[] = [
  { kind: 'not-now', label: 'Can’t be seen now: season or stage' },
  { kind: 'not-here', label: 'Can’t be seen here: buried, hidden, out of reach' },
  { kind: 'damaged', label: 'Damaged or lost' },
  { kind: 'spoilt', label: 'The test is spoilt' },
  { kind: 'cant-tell', label: 'I looked and can’t tell' },
  { kind: 'reported', label: 'Only seen on a neighbour', from: 'neighbour' },
  { kind: 'reported', label: 'Only told by someone', from: 'person' },
  { kind: 'not-safe-to-test', label: 'I won’t test this' },
  { kind: 'not-inspected', label: 'Not looked at after all' },
];

/** The stages of a kingdom with their words. */
export const stagesOf = (kingdom: string): [string, string][] =>
  kingdom === 'fungus'
    ? [
        ['egg', 'Egg or button'],
        ['young', 'Young, veil closed'],
        ['mature', 'Mature, gills free'],
        ['old', 'Old'],
      ]
    : [
        ['seedling', 'Seedling'],
        ['winter-twig', 'Winter twig'],
        ['shoot', 'Shoot'],
        ['leaf', 'In leaf'],
        ['flower', 'In flower'],
        ['fruit', 'In fruit'],
        ['dry-stalk', 'Dry stalk'],
      ];
