import styled from 'styled-components';
import type { S } from '../api/client';
import { useChecklist } from '../api/hooks';
import { Glyph } from '../drawing/Glyph';
import { Note, Soft } from '../theme/bits';
import { listed, tickMarks } from './ways';

const List = styled.ul`
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 6px;
  button {
    width: 100%;
    text-align: left;
    min-height: 56px;
    padding: 6px 12px;
    border: 1.5px solid var(--ink-soft);
    border-radius: 6px;
    background: var(--sheet);
    color: var(--ink);
    cursor: pointer;
    display: grid;
    grid-template-columns: 24px 44px 1fr;
    gap: 12px;
    align-items: center;
  }
  button:hover {
    background: var(--sunk);
  }
  button.against {
    border: 2.5px solid var(--ink);
  }
  small {
    font-size: 0.86rem;
    color: var(--ink-soft);
  }
`;

const names = (list: S['TaxonRef'][]) => list.map((t) => t.common).join(', ');

function Line({ tick, onTrait }: { tick: S['Tick']; onTrait: (id: string) => void }) {
  const mark = tickMarks[tick.state];
  return (
    <li>
      <button type="button" className={tick.state} onClick={() => onTrait(tick.trait.id)}>
        <svg viewBox="0 0 20 20" width="24" height="24" aria-hidden="true">
          <path
            d={mark.d}
            fill="none"
            stroke="currentColor"
            strokeWidth="2.2"
            strokeDasharray={mark.dash}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        </svg>
        {tick.want[0] ? <Glyph trait={tick.trait.id} state={tick.want[0]} size={44} /> : <span />}
        <span>
          <b>{tick.trait.name}:</b> {tick.wantWords || 'the guide does not say'}
          <br />
          <small>
            {mark.word}
            {tick.state !== 'open' && tick.state !== 'fits' && `: ${tick.words}`}
            {tick.parts.length > 0 && ` · tells it from ${names(tick.parts)}`}
            {tick.shared.length > 0 && ` · worth nothing against ${names(tick.shared)}`}
          </small>
        </span>
      </button>
    </li>
  );
}

/** What has to fit for the target, and what each line does and does not tell it from. */
export function Checklist({
  find,
  specimen,
  stand,
  onTrait,
}: {
  find: string;
  specimen: string;
  stand: string;
  onTrait: (id: string) => void;
}) {
  const { data, error } = useChecklist(find, specimen, stand);
  if (error) return <Note role="alert">{error.message}</Note>;
  if (!data) return <p role="status">Writing the list…</p>;
  return (
    <section aria-labelledby="list-h" style={{ display: 'grid', gap: 12 }}>
      <h2 id="list-h" style={{ fontSize: '1.5rem' }}>
        {data.target ? `Has to fit: ${data.target.common}` : 'No target yet'}
      </h2>
      <Soft>{data.words}</Soft>
      {listed(data.ticks).map((g) => (
        <section key={g.head} style={{ display: 'grid', gap: 6 }}>
          <h3>{g.head}</h3>
          <List>
            {g.ticks.map((t) => (
              <Line key={t.trait.id} tick={t} onTrait={onTrait} />
            ))}
          </List>
        </section>
      ))}
    </section>
  );
}
