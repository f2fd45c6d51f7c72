import styled from 'styled-components';
import { originWords } from './words';

const Mark = styled.span`
  color: var(--bramble);
  font-weight: 600;
  &::before {
    content: '✎ ';
  }
`;

/** Marks what is the reader's own; nothing for what ships. */
export function Own({ origin }: { origin: string | undefined }) {
  return origin ? <Mark>{originWords(origin)}</Mark> : null;
}
