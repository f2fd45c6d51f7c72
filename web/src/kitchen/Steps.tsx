import styled from 'styled-components';
import { useCook } from '../api/hooks';
import { span, waited } from '../bench/wait';
import { useNow } from '../bench/useNow';
import { Button, Next, Soft } from '../theme/bits';
import { Part, Refused } from '../theme/deed';
import type { Lot } from './lots';

const List = styled.ol`
  margin: 0;
  padding-left: 24px;
  display: grid;
  gap: 10px;
  li > div {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: center;
  }
  progress {
    width: 160px;
    height: 14px;
    accent-color: var(--bramble);
  }
`;

/** What has to be done first, each with its time. Clocks run on the other side: they outlive this page. */
export function Steps({ lot: l }: { lot: Lot }) {
  const cook = useCook();
  const running = l.steps.some((s) => s.beganMs);
  const now = useNow(1000, running);
  const act = (kind: 'began' | 'did', step: string) => cook.mutate({ kind, lot: l.id, step });
  const first = l.steps.find((s) => !s.done);
  return (
    <Part id="steps-h" title="What has to be done first">
      <List>
        {l.steps.map((s) => {
          const w = s.beganMs ? waited(s.beganMs, s.minutes, now) : undefined;
          const Go = s === first ? Next : Button;
          return (
            <li key={s.id}>
              <div>
                <span>
                  {s.done ? <b>Done: </b> : ''}
                  {s.do}
                  {s.minutes > 0 && <b>, {s.minutes} min</b>} <Soft>({s.source})</Soft>
                </span>
                {w && !s.done && (
                  <>
                    <progress max={s.minutes} value={w.gone} aria-label={s.do} />
                    <b role="timer">
                      {w.due ? 'the time is over: look, then say it is done' : `${span(w.left)} to go`}
                    </b>
                  </>
                )}
                {!s.done && s.minutes > 0 && !w && (
                  <Go isDisabled={cook.isPending} onPress={() => act('began', s.id)}>
                    It boils: start the clock
                  </Go>
                )}
                {!s.done && (s.minutes === 0 || w) && (
                  <Go isDisabled={cook.isPending || Boolean(w && !w.due)} onPress={() => act('did', s.id)}>
                    Done, to all of it
                  </Go>
                )}
                {!s.done && s.minutes > 0 && !w && (
                  <Button isDisabled={cook.isPending} onPress={() => act('did', s.id)}>
                    It was done, for its whole time
                  </Button>
                )}
              </div>
            </li>
          );
        })}
      </List>
      <Refused error={cook.error} />
    </Part>
  );
}
