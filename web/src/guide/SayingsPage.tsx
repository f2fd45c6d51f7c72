import styled from 'styled-components';
import { useGuide } from '../api/hooks';
import { Page } from '../theme/bits';

const List = styled.div`display: grid; gap: 18px; grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
  article { background: var(--sheet); border-top: 4px double var(--ink); padding: 14px 16px; display: grid; gap: 6px; align-content: start; }
  h2 { font-size: 1.1rem; &::before { content: 'Refused: '; color: var(--danger); } }`;

export function SayingsPage() {
  const guide = useGuide();
  return (
    <Page>
      <h1>Sayings to refuse</h1>
      <p>They go round. None of them is evidence here.</p>
      <List>
        {guide.data?.sayings.map((s) => (
          <article key={s.id}>
            <h2>{s.saying}</h2>
            <p><b>Why it fails:</b> {s.why}</p>
            <p><b>Instead:</b> {s.instead}</p>
          </article>
        ))}
      </List>
    </Page>
  );
}
