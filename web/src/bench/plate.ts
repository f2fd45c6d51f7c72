import type { Judgement, Trait } from '../api/client';
import { petals, round } from '../drawing/marks';

/** How far a part has been looked at; the plate draws each in its own way. */
export type Look = 'unlooked' | 'seen' | 'absent' | 'shaky' | 'lost';

/** An outline that is plain says nothing of form, so it may be inked; the others only show where the part is, and its button shows how it was seen. */
export type PlatePart = { part: string; label: string; d: string; at: [number, number]; plain?: boolean };

/** The plates are drawn on 320 × 420. `at` is where the part's button stands. */
const plant: PlatePart[] = [
  { part: 'flower', label: 'Flower', d: [...petals(160, 44, 30, 5, 0.5), round(160, 44, 5)].join(''), at: [228, 46] },
  { part: 'fruit', label: 'Fruit', d: 'M222 118a17 17 0 1 0 34 0a17 17 0 1 0 -34 0zM200 128q14-4 22-8M200 128q-20 6-38 10', at: [286, 104] },
  { part: 'seed', label: 'Seed', d: 'M266 164c8 2 12 10 6 18-8 2-14-6-12-14z', at: [290, 190] },
  { part: 'leaf', label: 'Leaf', d: 'M158 232C120 236 86 220 58 176c44-8 84 12 100 56zM162 262c34 0 62-10 88-46-40-10-76 10-88 46z', at: [44, 150] },
  { plain: true, part: 'stem', label: 'Stem', d: 'M156 322V70M164 322V70', at: [200, 196] },
  { plain: true, part: 'sap', label: 'Sap', d: 'M206 270c-8 12-8 20 0 20s8-8 0-20z', at: [248, 286] },
  { part: 'root-or-base', label: 'Root or base', d: 'M150 324c-2 20 4 44 10 76 6-32 12-56 10-76M154 348c-16 8-28 12-44 14M166 356c14 8 26 10 42 12', at: [236, 372] },
  { plain: true, part: 'habit', label: 'Habit', d: 'M40 322h240', at: [46, 290] },
  { plain: true, part: 'habitat', label: 'Place', d: 'M20 332q20-10 40 0t40 0M220 332q20-10 40 0t40 0', at: [46, 372] },
];

const fungus: PlatePart[] = [
  { part: 'cap', label: 'Cap', d: 'M52 138C56 44 264 44 268 138q-108 22-216 0z', at: [160, 26] },
  { part: 'underside', label: 'Underside', d: 'M60 142q100 44 200 0M84 152l40 16M108 156l24 14M160 162v12M212 156l-24 14M236 152l-40 16', at: [40, 172] },
  { part: 'ring', label: 'Ring', d: 'M130 214c16-18 44-18 60 0l-12 14-8-8-10 8-10-8-8 8z', at: [234, 214] },
  { plain: true, part: 'stem', label: 'Stem', d: 'M142 172v140M178 172v140', at: [104, 230] },
  { plain: true, part: 'flesh', label: 'Flesh', d: 'M160 180v126', at: [222, 268] },
  { part: 'volva', label: 'Volva', d: 'M118 312c-2 50 10 70 42 70s44-20 42-70l-12 14-10-12-10 12-10-12-10 12-10-12-10 12z', at: [240, 352] },
  { part: 'root-or-base', label: 'Base', d: 'M142 312c-6 30 0 52 18 52s24-22 18-52', at: [84, 352] },
  { plain: true, part: 'spore-print', label: 'Spore print', d: 'M246 246h56v56h-56zM274 246v56M256 274a18 18 0 1 0 36 0a18 18 0 1 0 -36 0', at: [284, 316] },
  { plain: true, part: 'sap', label: 'Milk', d: 'M272 172c-7 11-7 18 0 18s7-7 0-18z', at: [300, 196] },
  { plain: true, part: 'habit', label: 'Form and growth', d: 'M30 316h84M206 316h84', at: [40, 268] },
  { plain: true, part: 'habitat', label: 'Place', d: 'M14 398q20-10 40 0t40 0M226 398q20-10 40 0t40 0', at: [40, 398] },
];

/** The parts of a kingdom's plate. */
export const partsOf = (kingdom: string): PlatePart[] => (kingdom === 'fungus' ? fungus : plant);

/** The traits that are looked for on a part, in the order of the guide. */
export const traitsOfPart = (traits: Trait[], part: string, kingdom: string): Trait[] =>
  traits.filter((t) => t.part === part && (t.kingdom === kingdom || t.kingdom === 'unclear' || kingdom === 'unclear' || kingdom === ''));

/** How far the traits of a part were read, the best reading deciding. A part whose last sound reading is its absence is absent. */
export function lookOf(j: Judgement, part: string, absent: (trait: string, state: string) => boolean = () => false): Look {
  let best: Look = 'unlooked';
  for (const r of j.readings) {
    if (r.trait.part !== part || r.derived) continue;
    if (r.soundness === 'sound') best = absent(r.trait.id, r.states[0] ?? '') ? 'absent' : 'seen';
    else if (best === 'seen' || best === 'absent') continue;
    else if (r.soundness === 'shaky' || r.soundness === 'conflicting') best = 'shaky';
    else if (best === 'unlooked') best = 'lost';
  }
  return best;
}

/** The last sound reading of a part that has a state to draw. */
export function shownOf(j: Judgement, part: string): { trait: string; state: string; words: string } | undefined {
  const found = j.readings.filter((r) => r.trait.part === part && !r.derived && r.soundness !== 'mute' && r.states.length > 0);
  const r = found.filter((x) => x.soundness === 'sound').at(-1) ?? found.at(-1);
  return r && { trait: r.trait.id, state: r.states[0]!, words: `${r.trait.name}: ${r.words}` };
}

export const lookWords: Record<Look, string> = {
  unlooked: 'not looked at',
  seen: 'looked at',
  absent: 'examined and absent',
  shaky: 'read, but shaky',
  lost: 'could not be seen',
};
