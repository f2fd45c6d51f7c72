import styled from 'styled-components';
import type { S, Trait } from '../api/client';
import { Button } from '../theme/bits';
import { useNow } from './useNow';
import { span, waited } from './wait';

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
`;

type Props = { trait: Trait; wait?: S['Wait']; busy: boolean; onStart: () => void; onEnd: () => void };

/** Starts the wait of a timed check, and shows how far it is. It runs on in the database, not in the page. */
export function WaitLine({ trait, wait, busy, onStart, onEnd }: Props) {
  const now = useNow(1000, wait !== undefined);
  if (!wait)
    return (
      <Line>
        <Button isDisabled={busy} onPress={onStart}>
          Start the wait of {span(trait.wait!)}
        </Button>
      </Line>
    );
  const w = waited(wait.startedMs, wait.minutes, now);
  return (
    <Line>
      <b>{w.due ? `Due: ${span(w.gone)} have gone by.` : `${span(w.left)} still to wait. A reading now is shaky.`}</b>
      <Button isDisabled={busy} onPress={onEnd}>
        Give the wait up
      </Button>
    </Line>
  );
}
