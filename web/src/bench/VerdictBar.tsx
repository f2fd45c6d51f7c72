import styled from 'styled-components';
import type { Judgement } from '../api/client';
import { Thorns } from '../drawing/Thorns';
import { Button, Next } from '../theme/bits';
import { gradeOf, weightOf } from './ledgerWords';

const Bar = styled.section`
  border-top: 2px solid var(--ink);
  background: var(--sheet);
  display: grid;
  grid-template-columns: minmax(220px, 1.1fr) minmax(200px, 1fr) minmax(260px, 1.4fr) auto;
  gap: 18px;
  align-items: center;
  padding: 10px 20px;
  min-height: 84px;
  h2 {
    font-size: 1.45rem;
  }
  p {
    line-height: 1.25;
  }
  .near {
    display: flex;
    gap: 10px;
    align-items: center;
  }
  .acts {
    display: flex;
    gap: 8px;
  }
  @media (max-width: 900px) {
    grid-template-columns: 1fr;
    gap: 4px;
    padding: 8px 12px;
    .do {
      display: none;
    }
    .near {
      font-size: 0.92rem;
    }
    .acts {
      display: none;
    }
    h2 {
      font-size: 1.2rem;
      display: inline;
    }
    .word p {
      display: inline;
    }
  }
`;

type Props = { judgement: Judgement; held: boolean; onOpen: () => void; onDangers: () => void; onWhy: () => void };

/** The verdict's word, how much is open, the nearest danger and the next action, always in sight. */
export function VerdictBar({ judgement: j, held, onOpen, onDangers, onWhy }: Props) {
  const near = j.ledger.find((e) => !e.ruledOut);
  const first = j.obligations[0];
  return (
    <Bar aria-label="Verdict" aria-live="polite">
      <div className="word">
        <h2>{held ? 'Basket held' : j.word}</h2>{' '}
        <p>
          {held ? 'Mixed patch. ' : ''}
          {j.leaveWords.length > 0
            ? j.leaveWords[0]
            : j.deadEnds.length > 0
              ? `${j.deadEnds[0]?.taxon.common} can’t be ruled out on this one`
              : j.obligations.length === 0
                ? 'Nothing is open.'
                : `${j.obligations.length} still open`}
        </p>
      </div>
      <div className="near">
        {near ? (
          <>
            <Thorns
              key={near.taxon.id}
              grade={near.grade}
              of={3}
              left={near.thorns}
              nick={near.nick}
              cut={false}
              width={64}
            />
            <p>
              Nearest danger: <b>{near.taxon.common}</b>
              <br />
              {gradeOf(near)}, evidence against it {weightOf(near)}
            </p>
          </>
        ) : (
          <p>No dangerous entry of this guide is open.</p>
        )}
      </div>
      <p className="do">
        {j.next && first ? (
          <>
            <b>Next check:</b> {j.next.ask} {j.next.how}
          </>
        ) : first ? (
          <>
            <b>{first.words}</b> {first.do}
          </>
        ) : (
          j.says
        )}
      </p>
      <div className="acts">
        {j.obligations.length > 0 ? (
          <Next onPress={onOpen}>What is open</Next>
        ) : (
          <Button onPress={onOpen}>What is open</Button>
        )}
        <Button onPress={onDangers}>Dangers</Button>
        <Button onPress={onWhy}>Why</Button>
      </div>
    </Bar>
  );
}
