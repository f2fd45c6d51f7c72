import styled from 'styled-components';
import type { Trait, View } from '../api/client';
import { Button } from '../theme/bits';
import { useNow } from './useNow';
import { span, waited } from './wait';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    border: 1.5px dashed var(--ink);
    border-radius: 8px;
    padding: 4px 4px 4px 12px;
  }
  li.due {
    border: 2.5px solid var(--ink);
    background: var(--lemon);
    color: var(--lemon-ink);
  }
  li > span {
    flex: 1 1 200px;
  }
  li.due button {
    color: var(--lemon-ink);
    border-color: var(--lemon-ink);
  }
`;

/** The tests that take time, running; a notice when one is due. */
export function Waits({
  view,
  traits,
  onRead,
}: {
  view: View;
  traits: Trait[];
  onRead: (specimen: string, trait: string) => void;
}) {
  const now = useNow(1000, view.waits.length > 0);
  if (view.waits.length === 0) return null;
  const lines = view.waits.map((w) => {
    const trait = traits.find((t) => t.id === w.trait);
    const number = view.specimens.findIndex((s) => s.id === w.specimen) + 1;
    return {
      ...w,
      ...waited(w.startedMs, w.minutes, now),
      name: `${trait?.name ?? w.trait}${view.specimens.length > 1 ? `, specimen ${number}` : ''}`,
    };
  });
  return (
    <>
      <List aria-label="Tests that take time">
        {lines.map((w) => (
          <li key={`${w.specimen} ${w.trait}`} className={w.due ? 'due' : undefined}>
            <span>
              <b>{w.name}:</b> {w.due ? `due, after ${span(w.gone)}` : `${span(w.left)} to wait`}
            </span>
            <Button onPress={() => onRead(w.specimen, w.trait)}>{w.due ? 'Read it now' : 'Read it early'}</Button>
          </li>
        ))}
      </List>
      <span className="sr" role="status">
        {lines
          .filter((w) => w.due)
          .map((w) => `${w.name} is due.`)
          .join(' ')}
      </span>
    </>
  );
}
