import { Link } from 'react-router';
import styled from 'styled-components';
import { usePlaces, useWalks } from '../api/hooks';
import { NextLink, Note, Page, Soft } from '../theme/bits';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    border-top: 1.5px solid var(--line);
    padding: 12px 0;
  }
  a {
    font-family: var(--head);
    font-weight: 700;
    font-size: 1.15rem;
    color: var(--ink);
  }
`;

/** Walks, the next in front. */
export function WalksPage() {
  const { data, error } = useWalks();
  const places = usePlaces();
  const name = (id?: string) => places.data?.find((p) => p.id === id)?.name ?? 'no place';
  return (
    <Page>
      <h1>Walks</h1>
      <p>
        The careful part begins at the table: the dangerous neighbours first, then what is hoped for, the bag, and the
        rules.
      </p>
      <div>
        <NextLink to="/walks/new">Plan a walk</NextLink>
      </div>
      {error && <Note role="alert">{error.message}</Note>}
      <List>
        {[...(data ?? [])]
          .sort((a, b) => b.day.localeCompare(a.day))
          .map((w) => (
            <li key={w.id}>
              <Link to={`/walks/${w.id}`}>{w.title || 'A walk'}</Link>
              <br />
              <Soft>
                {w.day} · {name(w.place)}
              </Soft>
            </li>
          ))}
      </List>
    </Page>
  );
}
