import styled from 'styled-components';
import { useBeside, useTaxon } from '../api/hooks';
import { Glyph } from '../drawing/Glyph';
import { Likeness } from '../guide/Likeness';
import { plain } from '../guide/words';
import { apart, keysOf, short, stageFor } from './card';

const Card = styled.article<{ $letter: boolean; $dense?: boolean }>`
  --ink: #000;
  --tint: 0;
  border: 0.6pt dashed #777;
  padding: 5mm;
  height: ${(p) => (p.$letter ? '130mm' : '139mm')};
  overflow: hidden;
  font-size: ${(p) => (p.$dense ? '7.2pt' : '7.6pt')};
  line-height: ${(p) => (p.$dense ? 1.12 : 1.18)};
  color: #000;
  display: grid;
  grid-template-columns: 30mm 1fr;
  grid-template-rows: auto auto 1fr auto;
  gap: 1.5mm 4mm;
  break-inside: avoid;
  align-content: start;
  header {
    grid-column: 1 / -1;
    border-bottom: 1.2pt solid #000;
  }
  h2 {
    font-size: 13pt;
    margin: 0;
  }
  h3 {
    font-size: 8.2pt;
    margin: 1mm 0 0.5mm;
  }
  svg.base {
    width: 30mm;
    height: 39mm;
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  .keys {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 1mm 2mm;
  }
  .keys li {
    display: flex;
    gap: 1.5mm;
    align-items: center;
  }
  .keys svg {
    width: 6.5mm;
    height: 6.5mm;
    flex: none;
  }
  .foes {
    grid-column: 1 / -1;
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 1mm 4mm;
    align-content: start;
  }
  footer {
    grid-column: 1 / -1;
    border-top: 0.8pt solid #000;
    font-size: 6.5pt;
  }
`;

const marks = ['', '▲', '▲▲', '▲▲▲'];

/** One target on a card for the pocket: how it looks, what has to fit, each dangerous neighbour with what tells it apart. */
export function PocketCard({ id, up, guide, letter }: { id: string; up: string[]; guide: string; letter: boolean }) {
  const entry = useTaxon(id);
  const stage = entry.data ? stageFor(entry.data, up) : '';
  const foes = entry.data?.lookalikes.map((l) => l.taxon.id) ?? [];
  // A long list of what has to fit leaves room for fewer neighbours.
  const most = entry.data && keysOf(entry.data, stage).length > 7 ? 4 : 5;
  const beside = useBeside({ target: id, with: foes.slice(0, most), stage: stage ? [stage] : [], month: 0 });
  if (!entry.data || !beside.data || beside.data.taxa[0]?.id !== id)
    return (
      <Card $letter={letter}>
        <p role="status">Setting…</p>
      </Card>
    );
  const e = entry.data;
  const rows = beside.data.rows;
  return (
    <Card $letter={letter} $dense={foes.length > 4} aria-label={`Card: ${e.common}`}>
      <header>
        <h2>{e.common}</h2>
        <i>{e.scientific}</i>
        {stage ? `, ${plain(stage)}` : ''}
      </header>
      <Likeness kingdom={e.kingdom} usual={rows.map((r) => ({ trait: r.trait.id, states: r.cells[0]?.usual ?? [] }))} />
      <div>
        <h3>Has to fit, each seen on this very one</h3>
        <ul className="keys">
          {keysOf(e, stage).map((k) => {
            const row = rows.find((r) => r.trait.id === k.id);
            const state = row?.cells[0]?.usual[0];
            return (
              <li key={k.id}>
                {state && <Glyph trait={k.id} state={state} size={24} />}
                <span>
                  <b>{k.name}</b>
                  {row ? `: ${short(row.cells[0]?.words ?? '')}` : ''}
                </span>
              </li>
            );
          })}
        </ul>
        {e.beforePick.length > 0 && (
          <>
            <h3>Before you pick</h3>
            <ul>
              {e.beforePick.map((b) => (
                <li key={b}>□ {b}</li>
              ))}
            </ul>
          </>
        )}
      </div>
      <ul className="foes">
        {apart(beside.data, beside.data.taxa.length > 4 ? 2 : 3).map((f) => (
          <li key={f.taxon.id}>
            <b>
              {marks[f.taxon.hazard]} {f.taxon.common}
            </b>{' '}
            <i>{f.taxon.scientific}</i>
            <ul>
              {f.lines.map((l) => (
                <li key={l.id}>
                  {l.trait}: {l.there}; here: {l.here}
                </li>
              ))}
            </ul>
            {f.lines.length === 0 && <span>Nothing tells it apart at this stage: leave it.</span>}
          </li>
        ))}
      </ul>
      <footer>
        ▲ one, ▲▲ poisonous or harmful to touch, ▲▲▲ deadly. A card reminds; it does not identify.{' '}
        {foes.length > most ? `${foes.length - most} more lookalikes are in the guide. ` : ''}When in doubt, leave it.
        Guide {guide}
      </footer>
    </Card>
  );
}
