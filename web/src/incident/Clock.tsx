import { useState } from 'react';
import styled from 'styled-components';
import type { S } from '../api/client';
import { Deed } from '../theme/deed';
import { length, moment } from '../kitchen/when';
import { Thorns } from '../drawing/Thorns';
import { Button, Field, Note, Soft } from '../theme/bits';
import { routes } from './draft';
import { Windows } from './Windows';

const Box = styled.article`
  background: var(--sheet);
  padding: 12px 16px;
  display: grid;
  gap: 10px;
  border-left: 6px solid var(--ink);
  h3 {
    font-size: 1.2rem;
  }
  .late {
    font-size: 1.1rem;
  }
`;

type Props = {
  clock: S['ClockView'];
  nowMs: number;
  closings: S['Closing'][];
  onClose?: (by: string, advice: string) => void;
};

/** The clock of one exposure: time since, delay to the first sign, what has such a delay, and the warning that no clock ends. */
export function Clock({ clock: c, nowMs, closings, onClose }: Props) {
  const [by, setBy] = useState('');
  const [advice, setAdvice] = useState('');
  const [all, setAll] = useState(false);
  const x = c.exposure;
  const mine = closings.filter((k) => k.exposure === x.id);
  const shown = all ? c.lines : c.lines.slice(0, 6);
  const worst = c.lines[0];
  return (
    <Box>
      <h3>
        {routes.find((r) => r.id === x.route)?.label}: {x.lot || x.what || 'not said what'}, {moment(x.atMs)}
        {c.fromBook && ', a meal in reach by the book of the kitchen'}
      </h3>
      {c.oddTime && (
        <p>
          <b>A clock was wrong:</b> its time does not agree with the order in which things were entered. It is in reach
          all the same. Ask when it was eaten.
        </p>
      )}
      <p>
        <b role="timer">{length(nowMs - x.atMs)} since.</b>{' '}
        {c.delayMs >= 0
          ? `${length(c.delayMs)} from it to the first sign.`
          : 'No sign was taken down. That says nothing about what is still to come.'}
      </p>
      {c.warning && worst && (
        <Note className="late">
          <Thorns grade={worst.grade} left={worst.grade} cut={false} width={56} /> <b>{c.lateWords}</b>
        </Note>
      )}
      {mine.map((k) => (
        <p key={k.atMs}>
          Warning closed by {k.by}, {moment(k.atMs)}, on the advice of: {k.advice}
        </p>
      ))}
      <Windows lines={shown} sinceMs={nowMs - x.atMs} delayMs={c.delayMs} />
      {c.lines.length > shown.length && (
        <div>
          <Button onPress={() => setAll(true)}>All {c.lines.length}; none is ruled out</Button>
        </div>
      )}
      {c.warning && onClose && (
        <details>
          <summary>Close this warning, on somebody’s advice</summary>
          <Deed
            onSubmit={(e) => {
              e.preventDefault();
              onClose(by.trim(), advice.trim());
            }}
          >
            <Field>
              Who closes it
              <input value={by} maxLength={80} onChange={(e) => setBy(e.target.value)} />
            </Field>
            <Field className="wide">
              On whose advice, and what they said
              <input value={advice} maxLength={500} onChange={(e) => setAdvice(e.target.value)} />
            </Field>
            <Button type="submit" isDisabled={!by.trim() || !advice.trim()}>
              Close the warning
            </Button>
          </Deed>
          <Soft>It is never closed by a clock, and a closing can’t be taken back; a new one can be added.</Soft>
        </details>
      )}
    </Box>
  );
}
