import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useCook } from '../api/hooks';
import { useNow } from '../bench/useNow';
import { Button, Field, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';
import { length, moment } from './when';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
  li {
    background: var(--sheet);
    padding: 10px 14px;
    border-left: 6px solid var(--bramble);
    display: grid;
    gap: 8px;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: end;
  }
`;
const said: Record<string, string> = {
  nothing: 'nothing was felt',
  dislike: 'did not like it',
  reaction: 'a reaction',
};

/** What was eaten, the wait after each first taste, and how it was. Dislikes and reactions are kept apart. */
export function Felt({ eaters }: { eaters: S['EaterView'][] }) {
  const now = useNow(
    30_000,
    eaters.some((e) => e.dueMs),
  );
  return (
    <>
      <h3>What was eaten</h3>
      <List>
        {eaters.map((e) => (
          <Eaten key={e.seq} eater={e} now={now} />
        ))}
      </List>
      <Soft>A reaction can be put down at any time. It holds every bag and batch concerned.</Soft>
    </>
  );
}

/** One eating, with a field of its own: what is typed for one person is nobody else’s. */
function Eaten({ eater: e, now }: { eater: S['EaterView']; now: number }) {
  const cook = useCook();
  const [why, setWhy] = useState('');
  const say = (outcome: 'nothing' | 'dislike' | 'reaction') =>
    cook.mutate(
      { kind: 'felt', lot: e.lot, person: e.person, outcome, ...(outcome === 'reaction' ? { why } : {}) },
      { onSuccess: () => setWhy('') },
    );
  const early = (e.dueMs ?? 0) > now;
  return (
    <li>
      <span>
        <b>{e.name}</b>, {moment(e.atMs)}: {e.amount} of {e.lot}
        {e.meal && ` in ${e.meal}`}
        {e.first && ', a first taste'}.{' '}
        {e.felt ? (
          <b>{said[e.felt]}</b>
        ) : e.dueMs ? (
          <b role="timer">
            {e.dueMs > now ? `${length(e.dueMs - now)} of the wait to go` : 'The wait is over. How was it?'}
          </b>
        ) : (
          ''
        )}
      </span>
      {!e.felt && e.first && (
        <div className="acts" role="group" aria-label={`How it was for ${e.name}`}>
          <Button isDisabled={cook.isPending || early} onPress={() => say('nothing')}>
            Nothing was felt
          </Button>
          <Button isDisabled={cook.isPending || early} onPress={() => say('dislike')}>
            Did not like it
          </Button>
          <Field>
            What {e.name} felt
            <input value={why} maxLength={500} onChange={(x) => setWhy(x.target.value)} />
          </Field>
          <Button isDisabled={cook.isPending || !why.trim()} onPress={() => say('reaction')}>
            A reaction
          </Button>
          <Link to={`/incident/new?lot=${e.lot}`}>Call, and take it down</Link>
        </div>
      )}
      <Refused error={cook.error} />
    </li>
  );
}
