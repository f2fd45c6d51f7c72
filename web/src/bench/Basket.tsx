import { useState } from 'react';
import styled from 'styled-components';
import type { View } from '../api/client';
import { useCountSpecimen, useSetFacts } from '../api/hooks';
import { Button, Field, Note, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';
import { asideId, tray, type Item } from './basket';
import { ItemPass } from './ItemPass';

const Tray = styled.svg`
  width: 100%;
  background: var(--sunk);
  border-radius: 8px;
`;
const Figures = styled.dl`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  margin: 0;
  div {
    border-top: 3px solid var(--ink);
    padding-top: 6px;
  }
  dd {
    margin: 0;
    font-family: var(--head);
    font-size: 1.9rem;
    line-height: 1;
  }
`;
const One = styled.section`
  border-top: 1.5px solid var(--line);
  padding: 12px 0;
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 10px;
  align-items: center;
  h3 {
    font-size: 1rem;
    margin: 0;
  }
  button {
    min-width: 64px;
    min-height: 64px;
    font-size: 1.5rem;
  }
`;

const marks: Record<Item, { d: string; width: number; dash?: string }> = {
  passed: { d: 'M3 10l5 6L17 4', width: 2.6 },
  failed: { d: 'M3 3l14 14M17 3L3 17', width: 2.6 },
  unchecked: { d: 'M10 3a7 7 0 1 0 .01 0z', width: 1.4, dash: '1.5 3' },
};

/** What of the basket was looked at, item by item, and what that leaves unseen. */
export function Basket({ view, specimen }: { view: View; specimen: string }) {
  const p = view.patch;
  const [total, setTotal] = useState(String(view.facts.picked ?? 0));
  const facts = useSetFacts(view.id);
  const count = useCountSpecimen(view.id);
  const problem = facts.error ?? count.error;
  const { items, each } = tray(p.passed, p.failed, p.unchecked);
  const n = Number(total);
  const bad = !Number.isInteger(n) || n < 0 || n > 100000;
  return (
    <div style={{ display: 'grid', gap: 16 }}>
      <Figures>
        <div>
          <dt>passed</dt>
          <dd>{p.passed}</dd>
        </div>
        <div>
          <dt>failed</dt>
          <dd>{p.failed}</dd>
        </div>
        <div>
          <dt>not checked</dt>
          <dd>{p.unchecked}</dd>
        </div>
      </Figures>
      <Tray viewBox={`0 0 264 ${Math.ceil(items.length / 12) * 22 + 4}`} aria-hidden="true">
        {items.map((item, i) => (
          <path
            key={i}
            d={marks[item].d}
            transform={`translate(${(i % 12) * 22 + 2} ${Math.floor(i / 12) * 22 + 2})`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={marks[item].width}
            strokeDasharray={marks[item].dash}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ))}
      </Tray>
      {each > 1 && <Soft>Each mark stands for up to {each}.</Soft>}
      <Note role="status">{p.mixed ? <b>{p.words}</b> : p.words}</Note>
      {p.spot && <p>{p.spot.words}</p>}
      <p>{p.fastPass.words}</p>
      <ItemPass view={view} specimen={specimen} />
      <h2>Looked at one by one</h2>
      <p>
        Count an item to a specimen only when it was looked at by itself and every answer fits it. Whatever differs
        becomes a specimen of its own: nothing is carried from one to another.
      </p>
      {view.specimens.map((s, i) => {
        const now = s.count ?? 0;
        const name = s.id === asideId ? 'Set aside' : `Specimen ${i + 1}`;
        const set = (to: number) => count.mutate({ specimen: s.id, was: now, count: to });
        return (
          <One key={s.id} aria-label={name}>
            <h3>
              {name}
              {s.id === specimen ? ' (on the plate)' : ''}
              <br />
              <Soft>
                {s.id === asideId
                  ? `${now} looked at, and not the same`
                  : now === 0
                    ? 'this one alone'
                    : `${now} looked at`}
                {s.joinedTo ? ', joined to another' : ''}
              </Soft>
            </h3>
            <Button
              aria-label={`One less of ${name.toLowerCase()}`}
              aria-disabled={now === 0}
              onPress={() => now > 0 && set(now - 1)}
            >
              −
            </Button>
            <Button
              aria-label={`One more of ${name.toLowerCase()}`}
              onPress={() => set((s.id === asideId ? now : Math.max(1, now)) + 1)}
            >
              +
            </Button>
          </One>
        );
      })}
      <Field>
        Items in the basket
        <input
          inputMode="numeric"
          value={total}
          aria-invalid={bad}
          onChange={(e) => setTotal(e.target.value)}
          onBlur={() => !bad && n !== (view.facts.picked ?? 0) && facts.mutate({ ...view.facts, picked: n })}
        />
      </Field>
      {bad && <Note role="alert">A whole number from 0 to 100000, please.</Note>}
      <Refused error={problem} />
    </div>
  );
}
