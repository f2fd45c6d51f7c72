import type { Judgement, Trait } from '../api/client';

/** A check that can't be had once the find is picked, and how it stands. */
export type PickCheck = { trait: Trait; stand: 'read' | 'given-up' | 'open'; words: string };

/** What must be looked at before picking, at the stages of the specimen; open checks first. */
export function beforePick(traits: Trait[], j: Judgement, kingdom: string): PickCheck[] {
  const order = { open: 0, 'given-up': 1, read: 2 };
  return traits
    .filter(
      (t) =>
        t.beforePick &&
        (t.kingdom === kingdom || t.kingdom === 'unclear') &&
        (j.stages.length === 0 || j.stages.some((s) => t.stages.includes(s))),
    )
    .map((trait): PickCheck => {
      const r = j.readings.find((x) => x.trait.id === trait.id && !x.derived);
      if (!r) return { trait, stand: 'open', words: '' };
      return {
        trait,
        stand: r.soundness === 'mute' ? 'given-up' : 'read',
        words: r.words + (r.soundness === 'shaky' ? ' (shaky)' : ''),
      };
    })
    .sort((a, b) => order[a.stand] - order[b.stand]);
}
