import { useState } from 'react';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useNow } from '../bench/useNow';
import { span, waited } from '../bench/wait';
import { Button } from '../theme/bits';
import { routes, type Route } from './draft';

const List = styled.ol`
  margin: 0;
  padding-left: 26px;
  display: grid;
  gap: 8px;
  font-size: 1.15rem;
  line-height: 1.3;
  li::marker {
    font-family: var(--head);
    font-weight: 700;
  }
`;

/** What to do before and beside the call, by the way it got in. It treats nothing. */
export function FirstSteps({ aid, of }: { aid: S['FirstAid']['aid'] | undefined; of: Route[] }) {
  const ways: Route[] = of.length > 0 ? of : ['eaten'];
  return (
    <>
      {ways.map((w) => (
        <section key={w} aria-labelledby={`aid-${w}`} style={{ display: 'grid', gap: 8 }}>
          <h2 id={`aid-${w}`}>First, {routes.find((r) => r.id === w)?.label.toLowerCase()}</h2>
          {aid ? (
            <List>
              {(aid[w] ?? []).map((a) => (
                <li key={a.do}>
                  {a.do}
                  {a.minutes ? <Clock minutes={a.minutes} /> : null}
                </li>
              ))}
            </List>
          ) : (
            <p>The first steps were never fetched on this machine. Call.</p>
          )}
        </section>
      ))}
    </>
  );
}

function Clock({ minutes }: { minutes: number }) {
  const [began, setBegan] = useState<number>();
  const now = useNow(1000, began !== undefined);
  if (began === undefined)
    return (
      <>
        {' '}
        <Button onPress={() => setBegan(Date.now())}>Start {minutes} min</Button>
      </>
    );
  const w = waited(began, minutes, now);
  return (
    <>
      {' '}
      <b role="timer">{w.due ? `${minutes} min are over; have it seen to all the same` : `${span(w.left)} to go`}</b>
    </>
  );
}
