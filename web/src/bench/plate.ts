import type { Judgement, Trait } from '../api/client';
import { standing, type Piece, type Seen } from '../drawing/specimen/index';

/** How far a part has been looked at; the plate marks each in its own way. */
export type Look = 'unlooked' | 'seen' | 'absent' | 'shaky' | 'damaged' | 'spoilt' | 'season' | 'hidden' | 'lost';

export type PlatePart = { part: string; label: string; at: [number, number] };

/** The plates are drawn on 320 × 420. `at` is where the part's button stands. */
const plant: PlatePart[] = [
  { part: 'flower', label: 'Flower', at: [284, 34] },
  { part: 'fruit', label: 'Fruit', at: [284, 102] },
  { part: 'seed', label: 'Seed', at: [286, 166] },
  { part: 'leaf', label: 'Leaf', at: [36, 150] },
  { part: 'stem', label: 'Stem', at: [288, 238] },
  { part: 'sap', label: 'Sap', at: [288, 302] },
  { part: 'root-or-base', label: 'Root or base', at: [236, 380] },
  { part: 'habit', label: 'Habit', at: [34, 84] },
  { part: 'habitat', label: 'Place', at: [30, 394] },
];

const fungus: PlatePart[] = [
  { part: 'cap', label: 'Cap', at: [44, 44] },
  { part: 'underside', label: 'Underside', at: [36, 186] },
  { part: 'ring', label: 'Ring', at: [214, 214] },
  { part: 'stem', label: 'Stem', at: [90, 230] },
  { part: 'flesh', label: 'Flesh', at: [286, 262] },
  { part: 'volva', label: 'Volva', at: [226, 372] },
  { part: 'root-or-base', label: 'Base', at: [84, 362] },
  { part: 'spore-print', label: 'Spore print', at: [284, 372] },
  { part: 'sap', label: 'Milk', at: [290, 190] },
  { part: 'habit', label: 'Form', at: [32, 250] },
  { part: 'habitat', label: 'Place', at: [36, 400] },
];

/** The parts of a kingdom's plate. */
export const partsOf = (kingdom: string): PlatePart[] => (kingdom === 'fungus' ? fungus : plant);

/** The traits that are looked for on a part, in the order of the guide. */
export const traitsOfPart = (traits: Trait[], part: string, kingdom: string): Trait[] =>
  traits.filter(
    (t) =>
      t.part === part && (t.kingdom === kingdom || t.kingdom === 'unclear' || kingdom === 'unclear' || kingdom === ''),
  );

const gone: Record<string, Look> = { damaged: 'damaged', spoilt: 'spoilt', 'not-now': 'season', 'not-here': 'hidden' };

/** How far the traits of a part were read, the best reading deciding. A part whose last sound reading is its absence is absent. */
export function lookOf(
  j: Judgement,
  part: string,
  absent: (trait: string, state: string) => boolean = () => false,
): Look {
  let best: Look = 'unlooked';
  for (const r of j.readings) {
    if (r.trait.part !== part || r.derived) continue;
    if (r.soundness === 'sound') best = absent(r.trait.id, r.states[0] ?? '') ? 'absent' : 'seen';
    else if (best === 'seen' || best === 'absent') continue;
    else if (r.soundness === 'shaky' || r.soundness === 'conflicting') best = 'shaky';
    else if (best === 'unlooked' || best === 'lost') best = gone[r.kind] ?? 'lost';
  }
  return best;
}

/** The state each trait was last read in, soundly rather than shakily; a trait read against itself has none. */
export function seenOf(j: Judgement): Seen {
  const states = new Map<string, string>();
  const firm = new Set<string>();
  for (const r of j.readings) {
    const state = r.states[0];
    if (
      !state ||
      r.soundness === 'mute' ||
      r.soundness === 'conflicting' ||
      (firm.has(r.trait.id) && r.soundness !== 'sound')
    )
      continue;
    states.set(r.trait.id, state);
    if (r.soundness === 'sound') firm.add(r.trait.id);
  }
  return (trait) => states.get(trait);
}

/** Which traits were read soundly: only these ink a line. */
export function firmOf(j: Judgement): (trait: string) => boolean {
  const firm = new Set(j.readings.filter((r) => r.soundness === 'sound').map((r) => r.trait.id));
  return (trait) => firm.has(trait);
}

/**
 * The states that a specimen is drawn from. An absence that was not read soundly
 * takes nothing away: the part is still drawn, as it would be if nothing were known.
 */
export function drawnFrom(
  seen: Seen,
  firm: (trait: string) => boolean,
  absent: (trait: string) => string | undefined,
): Seen {
  return (trait) => {
    const state = seen(trait);
    return state !== undefined && !firm(trait) && state === absent(trait) ? undefined : state;
  };
}

/** How a piece is drawn: inked, pencilled, broken because it rests on a shaky reading, or dotted as a guess. */
export function strokeOf(
  piece: Piece,
  seen: Seen,
  firm: (trait: string) => boolean,
  part: Look,
): 'ink' | 'pencil' | 'shaky' | 'guess' {
  const read = standing(piece, (t) => seen(t) !== undefined);
  if (read === 'guess') return piece.plain && part === 'seen' ? 'ink' : 'guess';
  return piece.form.some((t) => seen(t) !== undefined && !firm(t)) ? 'shaky' : read;
}

/** The last sound reading of a part that has a state to draw. */
export function shownOf(j: Judgement, part: string): { trait: string; state: string; words: string } | undefined {
  const found = j.readings.filter(
    (r) => r.trait.part === part && !r.derived && r.soundness !== 'mute' && r.states.length > 0,
  );
  const r = found.filter((x) => x.soundness === 'sound').at(-1) ?? found.at(-1);
  return r && { trait: r.trait.id, state: r.states[0]!, words: `${r.trait.name}: ${r.words}` };
}

export const lookWords: Record<Look, string> = {
  unlooked: 'not looked at',
  seen: 'looked at',
  absent: 'examined and absent',
  shaky: 'read, but shaky',
  damaged: 'damaged',
  spoilt: 'spoilt',
  season: 'out of season',
  hidden: 'out of reach',
  lost: 'could not be told',
};
