import styled from 'styled-components';
import type { S } from '../api/client';
import { Note } from '../theme/bits';

const Own = styled.section`
  border-left: 5px solid var(--bramble);
  background: var(--bramble-soft);
  padding: 10px 14px;
  display: grid;
  gap: 6px;
  code {
    overflow-wrap: anywhere;
  }
  ul {
    margin: 0;
    padding-left: 20px;
  }
  h2 {
    font-size: 1.05rem;
  }
`;

/** What is the reader's own in this guide, and which of their files were left out, and why. */
export function OverlayNote({ overlay }: { overlay: S['Overlay'] }) {
  if (overlay.entries === 0 && overlay.problems.length === 0) return null;
  return (
    <Own>
      <h2>Your own entries</h2>
      <p>
        {overlay.entries} {overlay.entries === 1 ? 'entry is' : 'entries are'} yours or corrected by you, from{' '}
        <code>{overlay.dir}</code>.
      </p>
      {overlay.problems.length > 0 && (
        <>
          <Note role="alert">Left out until they are mended; everything else is loaded:</Note>
          <ul>
            {overlay.problems.map((p, i) => (
              <li key={i}>
                <code>
                  {p.file}:{p.line}:{p.col}
                </code>{' '}
                {p.what}
                {p.hint ? ` (${p.hint})` : ''}
              </li>
            ))}
          </ul>
        </>
      )}
    </Own>
  );
}
