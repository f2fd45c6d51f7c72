import { Specimen } from '../drawing/Specimen';
import { specimenPieces, standing } from '../drawing/specimen';

export type Usual = { trait: string; states: string[] }[];

/** An entry drawn whole from its usual states. What it says nothing of is not drawn; a fungus that is an egg when young is drawn as it opens. */
export function Likeness({ kingdom, usual }: { kingdom: string; usual: Usual }) {
  const states = new Map(
    usual.filter((u) => u.states.length > 0).map((u) => [u.trait, u.states.find((s) => s !== 'egg') ?? u.states[0]!]),
  );
  const pieces = specimenPieces(kingdom, (t) => states.get(t));
  return (
    <Specimen
      pieces={pieces}
      hand={(p) => (standing(p, (t) => states.has(t)) === 'guess' ? (p.plain ? 'pencil' : undefined) : 'ink')}
    />
  );
}
