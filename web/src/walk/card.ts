import type { S } from '../api/client';

export type Apart = {
  taxon: S['BesideTaxon'];
  lines: { trait: string; id: string; here: string; there: string; hereState?: string; thereState?: string }[];
};

/** For each dangerous neighbour, what tells it apart: the weightiest lines first, at most so many. */
export function apart(b: S['Beside'], most = 3): Apart[] {
  const order = ['strong', 'fair', 'slight', 'reverse'];
  return b.taxa
    .map((taxon, i) => ({ taxon, i }))
    .filter(({ taxon, i }) => i > 0 && taxon.hazard > 0)
    .map(({ taxon, i }) => ({
      taxon,
      lines: b.rows
        .filter((r) => r.class !== 'circumstance' && order.includes(r.cells[i]?.worth ?? ''))
        .sort(
          (x, y) =>
            order.indexOf(x.cells[i]!.worth) - order.indexOf(y.cells[i]!.worth) ||
            Number(y.class === 'structural') - Number(x.class === 'structural'),
        )
        .slice(0, most)
        .map((r) => ({
          trait: r.trait.name,
          id: r.trait.id,
          here: short(r.cells[0]!.words),
          there: short(r.cells[i]!.words),
          hereState: r.cells[0]!.usual[0],
          thereState: r.cells[i]!.usual[0],
        })),
    }))
    .sort((x, y) => y.taxon.hazard - x.taxon.hazard);
}

/** What is usual, without what is seen beside it: a card has room for one. */
export const short = (words: string): string => words.replace(/ \(also: [^)]*\)/, '');

/** The key traits of a stage. */
export const keysOf = (entry: S['TaxonPage'], stage: string): S['TraitRef'][] =>
  (entry.keys.find((k) => k.stages.includes(stage)) ?? entry.keys.find((k) => k.stages.length === 0) ?? entry.keys[0])
    ?.traits ?? [];

/** The stage a card is made for: one at which it is gathered and may be up; failing that, one at which it is gathered. */
export function stageFor(entry: S['TaxonPage'], up: string[]): string {
  const gathered = entry.uses.flatMap((u) => u.stages);
  return gathered.find((s) => up.includes(s)) ?? gathered[0] ?? up[0] ?? '';
}
