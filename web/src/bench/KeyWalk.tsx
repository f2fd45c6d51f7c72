import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useKeyWalk } from '../api/hooks';
import { Thorns } from '../drawing/Thorns';
import { Note, Soft } from '../theme/bits';
import { CheckCard } from './CheckCard';
import type { Bench } from './useBench';

const Steps = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0 0 0 14px;
  border-left: 3px solid var(--ink);
  display: grid;
  gap: 2px;
  li {
    position: relative;
    padding: 4px 0;
    display: flex;
    flex-wrap: wrap;
    gap: 4px 10px;
    align-items: baseline;
  }
  li::before {
    content: '';
    position: absolute;
    left: -14px;
    top: 15px;
    width: 10px;
    border-top: 3px solid var(--ink);
  }
  li.both::after {
    content: '';
    position: absolute;
    left: -14px;
    top: 21px;
    width: 10px;
    border-top: 3px solid var(--ink);
  }
  li > button {
    flex: 1;
    text-align: left;
    min-height: 32px;
    border: 0;
    background: none;
    color: var(--ink);
    cursor: pointer;
    padding: 0;
  }
  details {
    flex-basis: 100%;
  }
`;
const Left = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 4px 14px;
  li {
    display: grid;
    grid-template-columns: 52px 1fr;
    gap: 8px;
    align-items: center;
    min-height: 40px;
  }
  small {
    color: var(--ink-soft);
  }
`;

function Remaining({ left }: { left: S['KeyLeft'][] }) {
  return (
    <Left>
      {left.map((t) => (
        <li key={t.id}>
          <Thorns grade={t.grade} left={t.grade} cut={false} width={52} />
          <span>
            <Link to={`/guide/${t.id}`}>{t.common}</Link>
            <br />
            <small>{t.gradeWord}</small>
          </span>
        </li>
      ))}
    </Left>
  );
}

/** A key walked couplet by couplet: each asks one thing; who can’t tell keeps both ways. */
export function KeyWalk({
  bench,
  find,
  stand,
  onTrait,
}: {
  bench: Bench;
  find: string;
  stand: string;
  onTrait: (id: string) => void;
}) {
  const specimen = bench.judgement!.specimen;
  const { data, error } = useKeyWalk(find, specimen, stand);
  if (error) return <Note role="alert">{error.message}</Note>;
  if (!data) return <p role="status">Finding the next couplet…</p>;
  const trait = bench.guide.data?.traits.find((t) => t.id === data.next?.trait.id);
  const few = data.left.length <= 12;
  return (
    <section aria-label="Key" style={{ display: 'grid', gap: 14 }}>
      {trait && data.next && (
        <CheckCard
          key={`${specimen} ${trait.id} ${stand}`}
          take={bench.said > 0}
          trait={trait}
          judgement={bench.judgement!}
          offered={false}
          about={`Couplet ${data.steps.length + 1} · ${data.words}`}
          leads={data.next.leads}
          busy={bench.busy}
          onWait={() => onTrait(trait.id)}
          onAnswer={bench.answer}
          onUndo={bench.undo}
        />
      )}
      {!data.next && <Note>{data.words}</Note>}
      {data.steps.length > 0 && (
        <>
          <h3>The way so far</h3>
          <Steps>
            {data.steps.map((s, i) => (
              <li key={s.seq} className={s.both ? 'both' : undefined}>
                <button type="button" onClick={() => onTrait(s.trait.id)}>
                  {i + 1}. {s.trait.name}: <b>{s.words}</b>{' '}
                  <Soft>{s.both ? `both ways kept, ${s.left} left` : `${s.fell.length} fell, ${s.left} left`}</Soft>
                </button>
                {s.fell.length > 0 && (
                  <details>
                    <summary>What fell</summary>
                    {s.fell.map((t) => t.common).join(', ')}
                  </details>
                )}
              </li>
            ))}
          </Steps>
        </>
      )}
      <h3>Left: {data.left.length}</h3>
      {few ? (
        <Remaining left={data.left} />
      ) : (
        <details>
          <summary>Show all that are left</summary>
          <Remaining left={data.left} />
        </details>
      )}
    </section>
  );
}
