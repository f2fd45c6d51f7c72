import { Link } from 'react-router';
import styled from 'styled-components';
import type { Judgement } from '../api/client';
import { Button, Note } from '../theme/bits';

const List = styled.ol`
  margin: 0;
  padding-left: 26px;
  display: grid;
  gap: 12px;
  li::marker {
    font-weight: 700;
  }
  button {
    margin-top: 4px;
  }
`;

type Props = {
  clear: boolean;
  onPlan: () => void;
  judgement: Judgement;
  onTrait: (id: string) => void;
  onPlace: () => void;
  onStage: () => void;
};

/** What is open, in the order that is best to do, each with its next action. */
export function Obligations({ clear, onPlan, judgement: j, onTrait, onPlace, onStage }: Props) {
  return (
    <>
      <p>{j.says}</p>
      {j.leaveWords.map((w) => (
        <Note key={w}>{w}</Note>
      ))}
      {j.named && (
        <p>
          <b>{j.named.name}</b>, {j.named.rank}
        </p>
      )}
      {clear && (
        <div>
          <Button onPress={onPlan}>What becomes of it: cut, leave, return</Button>
        </div>
      )}
      {j.obligations.length > 0 && <h3>Still open, best first</h3>}
      <List>
        {j.obligations.map((o, i) => (
          <li key={i}>
            <b>{o.words}</b>
            <br />
            {o.do}{' '}
            {o.trait && (
              <div>
                <Button onPress={() => onTrait(o.trait!.id)}>Do this check</Button>
              </div>
            )}
            {(o.leg === 'rules' || o.code === 'answer-ground') && (
              <div>
                <Button onPress={onPlace}>Answer it</Button>
              </div>
            )}
            {(o.code === 'state-stage' || o.code === 'stage-conflict') && (
              <div>
                <Button onPress={onStage}>State the stage</Button>
              </div>
            )}
            {(o.code === 'answer-health' || o.code === 'sign-off') && <Link to="/you">To your profile</Link>}
          </li>
        ))}
      </List>
      {j.refusals.length > 0 && (
        <>
          <h3>Refused</h3>
          <ul>
            {j.refusals.map((r, i) => (
              <li key={i}>
                <b>{r.words}</b> {r.do}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
