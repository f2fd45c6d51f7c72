import type { S } from '../api/client';

/** The ways of looking over one store of evidence; the plate is there in all of them. */
export const ways = ['offered', 'list', 'key', 'whole'] as const;
export type Way = (typeof ways)[number];
export const wayWords: Record<Way, string> = {
  offered: 'Offered check',
  list: 'Checklist',
  key: 'Key',
  whole: 'Whole look',
};
export const wayShort: Record<Way, string> = { offered: 'Offered', list: 'List', key: 'Key', whole: 'Whole' };
export const wayOf = (text: string | null): Way => ways.find((w) => w === text) ?? 'offered';

/** A mark for each stand of a line, told by shape: ring, tick, cross, wave, question. Drawn on 20 × 20. */
export const tickMarks: Record<S['Tick']['state'], { d: string; dash?: string; word: string }> = {
  open: { d: 'M10 3a7 7 0 1 0 .01 0z', dash: '1.500 3', word: 'not looked at' },
  fits: { d: 'M3 10l5 6L17 4', word: 'seen, and fits' },
  rare: { d: 'M6 7q0-4 4-4t4 4q0 3-4 4v2M10 16.500v.5', word: 'seen, but not as it usually is: look again' },
  against: { d: 'M3 3l14 14M17 3L3 17', word: 'speaks against it' },
  shaky: { d: 'M2 10q2-5 4 0t4 0 4 0 4 0', word: 'shaky' },
  conflicting: { d: 'M3 7h9l-3-4M17 13H8l3 4', word: 'two readings differ: look again and say how' },
  'no-reading': { d: 'M4 10h12', word: 'could not be read' },
};

/** Key traits and what stands apart, in the order of a walk round the specimen: what can't be had later comes first. */
export function listed(ticks: S['Tick'][]): { head: string; ticks: S['Tick'][] }[] {
  const open = (t: S['Tick']) => t.state === 'open' || t.state === 'no-reading';
  return [
    { head: 'Before you pick', ticks: ticks.filter((t) => t.first && open(t)) },
    { head: 'Has to fit', ticks: ticks.filter((t) => t.key && !(t.first && open(t))) },
    { head: 'Tells it from a named danger', ticks: ticks.filter((t) => !t.key && !(t.first && open(t))) },
  ].filter((g) => g.ticks.length > 0);
}
