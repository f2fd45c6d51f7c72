import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { savePlace } from '../api/client';
import { useGround, usePlaces } from '../api/hooks';
import { Button, Field, Page, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';
import { plain } from '../guide/words';
import { idFor } from '../you/profile';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    border-top: 1.5px solid var(--line);
    padding: 12px 0;
    display: grid;
    gap: 2px;
  }
  a {
    font-family: var(--head);
    font-weight: 700;
    font-size: 1.15rem;
    color: var(--ink);
  }
`;

/** The ground that is gone back to. */
export function PlacesPage() {
  const places = usePlaces();
  const save = useGround(savePlace);
  const go = useNavigate();
  const [name, setName] = useState('');
  const problem = places.error ?? save.error;
  const add = () => {
    const id = idFor(
      name,
      (places.data ?? []).map((p) => p.id),
    );
    save.mutate({ id, name: name.trim() }, { onSuccess: () => void go(`/places/${id}`) });
  };
  return (
    <Page>
      <h1>Places</h1>
      <p>
        Where you go, what stands there, and what you may do. The rules are as you enter them; owners and authorities
        come first.
      </p>
      <Refused error={problem} />
      <List>
        {places.data?.map((p) => (
          <li key={p.id}>
            <Link to={`/places/${p.id}`}>{p.name}</Link>
            <Soft>
              {p.habitats?.map(plain).join(', ') || 'ground not described'} ·{' '}
              {p.permission === 'yes'
                ? `may pick${p.until ? ` until ${p.until}` : ''}`
                : p.permission === 'no'
                  ? 'may not pick'
                  : 'permission not answered'}{' '}
              · {p.patches?.length === 1 ? '1 patch' : `${p.patches?.length ?? 0} patches`}
              {p.lat === undefined ? ' · no position yet' : ''}
            </Soft>
          </li>
        ))}
      </List>
      {places.data?.length === 0 && <p>No place yet. Begin with the one you go to most.</p>}
      <form
        style={{ display: 'flex', gap: 8, alignItems: 'end', maxWidth: 520 }}
        onSubmit={(e) => {
          e.preventDefault();
          if (name.trim()) add();
        }}
      >
        <Field>
          A new place
          <input value={name} maxLength={120} onChange={(e) => setName(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={!name.trim() || save.isPending}>
          Add it
        </Button>
      </form>
    </Page>
  );
}
