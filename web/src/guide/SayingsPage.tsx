import { useState } from 'react';
import styled from 'styled-components';
import { useGuide } from '../api/hooks';
import { Field, Page } from '../theme/bits';

const List = styled.div`
  display: grid;
  gap: 18px;
  grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
  article {
    background: var(--sheet);
    border-top: 4px double var(--ink);
    padding: 14px 16px;
    display: grid;
    gap: 6px;
    align-content: start;
  }
  h2 {
    font-size: 1.1rem;
    &::before {
      content: 'Refused: ';
      color: var(--danger);
    }
  }
`;

/** Folk rules that go round, each with why it fails and what to do instead. */
export function SayingsPage() {
  const guide = useGuide();
  const [q, setQ] = useState('');
  const words = q.toLowerCase().split(/\s+/).filter(Boolean);
  const found =
    guide.data?.sayings.filter((s) =>
      words.every((w) => `${s.saying} ${s.why} ${s.instead}`.toLowerCase().includes(w)),
    ) ?? [];
  return (
    <Page>
      <h1>Sayings to refuse</h1>
      <p>They go round. None of them is evidence here.</p>
      <Field>
        Look a saying up
        <input type="search" value={q} onChange={(e) => setQ(e.target.value)} />
      </Field>
      <p role="status">
        {found.length} of {guide.data?.sayings.length ?? 0}
      </p>
      {guide.data && found.length === 0 && (
        <p>
          This one is not here yet. A rule that needs one feature only, or none of the plant itself, is refused all the
          same.
        </p>
      )}
      <List>
        {found.map((s) => (
          <article key={s.id}>
            <h2>{s.saying}</h2>
            <p>
              <b>Why it fails:</b> {s.why}
            </p>
            <p>
              <b>Instead:</b> {s.instead}
            </p>
          </article>
        ))}
      </List>
    </Page>
  );
}
