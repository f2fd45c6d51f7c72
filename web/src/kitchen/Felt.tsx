import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useCook } from '../api/hooks';
import { useNow } from '../bench/useNow';
import { Button, Field, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';
import { length, moment } from './when';

const List = styled.ul`list-style: none; margin: 0; padding: 0; display: grid; gap: 8px; li { background: var(--sheet); padding: 10px 14px; border-left: 6px solid var(--bramble); display: grid; gap: 8px; } .acts { display: flex; flex-wrap: wrap; gap: 8px; align-items: end; }`;
const said: Record<string, string> = { nothing: 'nothing was felt', dislike: 'did not like it', reaction: 'a reaction' };

/** What was eaten, the wait after each first taste, and how it was. Dislikes and reactions are kept apart. */
export function Felt({ eaters }: { eaters: S['EaterView'][] }) {
  const cook = useCook();
  const now = useNow(30_000, eaters.some((e) => e.dueMs));
  const [why, setWhy] = useState('');
  return (
    <>
      <h3>What was eaten</h3>
      <List>
        {eaters.map((e) => (
          <li key={e.seq}>
            <span><b>{e.name}</b>, {moment(e.atMs)}: {e.amount} of {e.lot}{e.meal && ` in ${e.meal}`}{e.first && ', a first taste'}. {e.felt ? <b>{said[e.felt]}</b> : e.dueMs ? <b role="timer">{e.dueMs > now ? `${length(e.dueMs - now)} of the wait to go` : 'The wait is over. How was it?'}</b> : ''}</span>
            {!e.felt && e.first && (
              <div className="acts">
                <Button isDisabled={cook.isPending || (e.dueMs ?? 0) > now} onPress={() => cook.mutate({ kind: 'felt', lot: e.lot, person: e.person, outcome: 'nothing' })}>Nothing was felt</Button>
                <Button isDisabled={cook.isPending || (e.dueMs ?? 0) > now} onPress={() => cook.mutate({ kind: 'felt', lot: e.lot, person: e.person, outcome: 'dislike' })}>Did not like it</Button>
                <Field>What was felt<input value={why} maxLength={500} onChange={(x) => setWhy(x.target.value)} /></Field>
                <Button isDisabled={cook.isPending || !why.trim()} onPress={() => cook.mutate({ kind: 'felt', lot: e.lot, person: e.person, outcome: 'reaction', why })}>A reaction</Button>
                <Link to={`/incident/new?lot=${e.lot}`}>Call, and take it down</Link>
              </div>
            )}
          </li>
        ))}
      </List>
      <Soft>A reaction can be put down at any time. It holds every bag and batch concerned.</Soft>
      <Refused error={cook.error} />
    </>
  );
}
