import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import type { Problem, View } from '../api/client';
import { useCountSpecimen } from '../api/hooks';
import { Note, Soft } from '../theme/bits';
import { aside, nextCount, type Hand } from './basket';
import { useKeyPress } from './useKeys';

const Keys = styled.div`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  button {
    min-height: 112px;
    border: 2.5px solid var(--ink);
    border-radius: 12px;
    background: var(--sheet);
    color: var(--ink);
    cursor: pointer;
    display: grid;
    justify-items: center;
    align-content: center;
    gap: 4px;
    font-weight: 700;
    font-size: 1.05rem;
  }
  button:hover {
    background: var(--sunk);
  }
  kbd {
    font: inherit;
    font-weight: 400;
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
  button.open {
    border-style: dotted;
  }
`;

const hands: { id: Hand; key: string; word: string; d: string }[] = [
  { id: 'fits', key: '1', word: 'Fits in every answer', d: 'M3 10l5 6L17 4' },
  { id: 'differs', key: '2', word: 'Differs: aside', d: 'M3 3l14 14M17 3L3 17' },
  { id: 'unchecked', key: '3', word: 'Not checked', d: 'M10 3a7 7 0 1 0 .01 0z' },
];

/** Leaf by leaf, cap by cap: one key an item. What differs is set aside and holds the basket at once. */
export function ItemPass({ view, specimen }: { view: View; specimen: string }) {
  const count = useCountSpecimen(view.id);
  const [last, setLast] = useState('');
  const fast = view.patch.fastPass;
  const [failed, setFailed] = useState<Problem>();
  // Presses come faster than they are stored: each waits its turn, none is lost.
  const line = useRef({ waiting: [] as Hand[], running: false, view });
  useEffect(() => {
    if (!line.current.running) line.current.view = view;
  });
  const press = async (hand: Hand) => {
    const l = line.current;
    l.waiting.push(hand);
    if (l.running) return;
    l.running = true;
    setFailed(undefined);
    try {
      for (let next = l.waiting[0]; next; next = l.waiting[0]) {
        l.view = await count.mutateAsync(nextCount(l.view, specimen, next));
        l.waiting.shift();
        setLast(hands.find((h) => h.id === next)!.word);
      }
    } catch (e) {
      setFailed(e as Problem);
      l.waiting = [];
    }
    l.running = false;
  };
  useKeyPress((key) => {
    const h = hands.find((x) => x.key === key);
    if (h) void press(h.id);
    return h !== undefined;
  }, true);
  return (
    <section aria-labelledby="item-h" style={{ display: 'grid', gap: 10 }}>
      <h3 id="item-h">Item by item</h3>
      <Soft>
        {fast.exists && fast.ready
          ? `For each: ${fast.checks.map((c) => c.name.toLowerCase()).join(', ')}. `
          : 'For each item every check that was made on the specimen on the plate. '}
        One press an item.
      </Soft>
      <Keys role="group" aria-labelledby="item-h">
        {hands.map((h) => (
          <button
            key={h.id}
            type="button"
            className={h.id === 'unchecked' ? 'open' : undefined}
            onClick={() => void press(h.id)}
          >
            <svg viewBox="0 0 20 20" width="34" height="34" aria-hidden="true">
              <path
                d={h.d}
                fill="none"
                stroke="currentColor"
                strokeWidth="2.4"
                strokeDasharray={h.id === 'unchecked' ? '1.5 3' : undefined}
                strokeLinecap="round"
                strokeLinejoin="round"
              />
            </svg>
            {h.word}
            <kbd>key {h.key}</kbd>
          </button>
        ))}
      </Keys>
      <p role="status">
        {last && `Last one: ${last.toLowerCase()}.`}{' '}
        {aside(view) > 0 &&
          `${aside(view)} set aside. Keep them apart from the rest; what touched them is held with them.`}
      </p>
      {failed && (
        <Note role="alert">
          <b>Not counted:</b> the last press and any after it. {failed.message} {failed.fields.join('; ')}
        </Note>
      )}
    </section>
  );
}
