import { useDeferredValue, useState } from 'react';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useTaxa } from '../api/hooks';
import { Button, Field, Soft } from '../theme/bits';

const List = styled.ul`
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 4px;
  max-height: 300px;
  overflow-y: auto;
  button {
    width: 100%;
    min-height: 48px;
    text-align: left;
    border: 1.5px solid var(--line);
    border-radius: 6px;
    background: var(--sheet);
    padding: 6px 12px;
    cursor: pointer;
    color: var(--ink);
  }
  button:hover {
    background: var(--sunk);
  }
`;
const Chosen = styled.p`
  display: flex;
  gap: 12px;
  align-items: center;
  border-left: 6px solid var(--bramble);
  background: var(--sheet);
  padding: 10px 14px;
`;

/** What they hope it is: any name, old or new, typing mistakes forgiven. */
export function TargetField({ value, onPick }: { value?: S['Hit']; onPick: (t?: S['Hit']) => void }) {
  const [q, setQ] = useState('');
  const asked = useDeferredValue(q);
  const hits = useTaxa(asked);
  if (value)
    return (
      <Chosen>
        <span>
          <b>{value.common}</b> <i>{value.scientific}</i>
        </span>
        <Button onPress={() => onPick(undefined)}>Something else</Button>
      </Chosen>
    );
  return (
    <div>
      <Field>
        What do you hope it is?
        <input
          type="search"
          value={q}
          onChange={(e) => setQ(e.target.value)}
          placeholder="common, scientific or old name"
          autoComplete="off"
        />
      </Field>
      <Soft>Leave it empty if you don’t know; then nothing can be harvested yet.</Soft>
      {asked.trim() !== '' && (
        <List aria-label="Entries found">
          {hits.data?.slice(0, 8).map((h) => (
            <li key={h.id}>
              <button type="button" onClick={() => onPick(h)}>
                <b>{h.common}</b> <i>{h.scientific}</i>
                {h.met !== h.common && h.met !== h.scientific && (
                  <Soft>
                    {' '}
                    · found as {h.metKind === 'synonym' ? 'the old name ' : ''}
                    {h.met}
                  </Soft>
                )}
              </button>
            </li>
          ))}
          {hits.data?.length === 0 && <li>No entry has a name like this. Choose nothing, or try another name.</li>}
        </List>
      )}
    </div>
  );
}
