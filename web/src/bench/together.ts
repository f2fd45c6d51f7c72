import type { S } from '../api/client';

export type Row = { trait: S['TraitRef']; cells: (S['Reading'] | undefined)[]; differs: boolean };

/** The readings of several specimens, trait by trait; rows in which sound readings share no state come first. */
export function together(judgements: { readings: S['Reading'][] }[]): Row[] {
  const traits = new Map<string, S['TraitRef']>();
  for (const j of judgements) for (const r of j.readings) if (!r.derived) traits.set(r.trait.id, r.trait);
  const rows = [...traits.values()].map((trait): Row => {
    const cells = judgements.map((j) => j.readings.find((r) => r.trait.id === trait.id && !r.derived));
    const sound = cells.filter((r) => r !== undefined && r.soundness === 'sound' && r.states.length > 0);
    const differs = sound.some((a, i) => sound.slice(0, i).some((b) => !a!.states.some((s) => b!.states.includes(s))));
    return { trait, cells, differs };
  });
  return [...rows.filter((r) => r.differs), ...rows.filter((r) => !r.differs)];
}
