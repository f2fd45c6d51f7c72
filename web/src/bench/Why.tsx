import styled from 'styled-components';
import type { Judgement, Trait, View } from '../api/client';
import { Button, Note, Soft } from '../theme/bits';
import { Own } from '../guide/Own';
import { lineWords } from './log';

const Bars = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
  li {
    display: grid;
    grid-template-columns: 1fr 64px;
    gap: 2px 10px;
    align-items: baseline;
  }
  b {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
`;
const Bar = styled.span`
  grid-column: 1 / -1;
  height: 8px;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  overflow: hidden;
  display: block;
  span {
    display: block;
    height: 100%;
    background: var(--ink);
  }
`;
const Log = styled.ol`
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 4px;
  li {
    display: flex;
    gap: 10px;
    justify-content: space-between;
    align-items: center;
    border-top: 1px solid var(--line);
    padding: 4px 0;
    min-height: 44px;
  }
  s {
    color: var(--ink-soft);
  }
`;

const percent = (p: number) =>
  p >= 0.995 ? '> 99 %' : p < 0.001 ? '< 0.1 %' : `${(100 * p).toFixed(p < 0.1 ? 1 : 0)} %`;

function Line({ name, p }: { name: React.ReactNode; p: number }) {
  return (
    <li>
      <span>{name}</span>
      <b>{percent(p)}</b>
      <Bar aria-hidden="true">
        <span style={{ width: `${Math.max(1, 100 * p)}%` }} />
      </Bar>
    </li>
  );
}

/** Standing, legs and the log: why the verdict is what it is. */
export function Why({
  view,
  judgement,
  traits,
  onUndo,
  onBack,
}: {
  view: View;
  judgement: Judgement;
  traits: Map<string, Trait>;
  onUndo: (seq: number) => void;
  onBack: () => void;
}) {
  const s = judgement.standing;
  return (
    <>
      <Note>Likelihood is guidance only. It never rules a danger out.</Note>
      <h3>Standing: {s.words}</h3>
      <Bars>
        {s.top
          .filter((t) => t.p >= 0.001)
          .map((t) => (
            <Line
              key={t.taxon.id}
              name={
                <>
                  {t.taxon.common} <i>{t.taxon.scientific}</i> <Own origin={t.taxon.origin} />
                </>
              }
              p={t.p}
            />
          ))}
        <Line name={<b>Something that is not in this guide</b>} p={s.notInGuide} />
      </Bars>
      {s.movers.length > 0 && (
        <details>
          <summary>What moved it most</summary>
          <ul>
            {s.movers.map((m, i) => (
              <li key={i}>
                {m.taxon.common}: {m.trait.name}, {m.words}
              </li>
            ))}
          </ul>
        </details>
      )}
      {judgement.legs.length > 0 && (
        <>
          <h3>The five things that must hold</h3>
          <ul>
            {judgement.legs.map((l) => (
              <li key={l.name}>
                {l.holds ? 'Holds' : 'Open'}: {l.words}
              </li>
            ))}
          </ul>
        </>
      )}
      <p>{view.patch.words}</p>
      <p>{view.patch.fastPass.words}</p>
      <div>
        <Button onPress={onBack}>Look back: what changed the verdict</Button>
      </div>
      <h3>{view.specimens.length > 1 ? 'What was said of this specimen, in order' : 'What was said, in order'}</h3>
      <Log>
        {view.log.map((l) => (
          <li key={l.seq}>
            {l.undone ? <s>{lineWords(l, traits)}</s> : <span>{lineWords(l, traits)}</span>}
            {l.undoable ? (
              <Button onPress={() => onUndo(l.seq)}>Undo</Button>
            ) : (
              <Soft>{l.undone ? 'taken back' : l.kind === 'undone' ? '' : 'stays'}</Soft>
            )}
          </li>
        ))}
      </Log>
      <Soft>Guide {judgement.guide}</Soft>
    </>
  );
}
