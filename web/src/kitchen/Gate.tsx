import styled from 'styled-components';
import { bars, type Lot } from './lots';

const Row = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 10px;
  li {
    display: grid;
    gap: 2px;
  }
  svg {
    width: 100%;
    height: 44px;
  }
  b {
    font-family: var(--head);
  }
  @media (max-width: 600px) {
    grid-template-columns: repeat(2, 1fr);
  }
`;

/** The four bars between a lot and a plate: one that is open lies down, one that is shut stands across. */
export const Gate = ({ lot }: { lot: Lot }) => (
  <Row aria-label="What stands between it and a plate">
    {bars(lot).map((b) => (
      <li key={b.id}>
        <svg viewBox="0 0 100 44" preserveAspectRatio="none" aria-hidden="true">
          <path
            d={b.open ? 'M4 42V4M96 42V4M6 41h88' : 'M4 42V4M96 42V4M4 12h92M4 26h92M10 8l20 22M40 8l20 22M70 8l20 22'}
            fill="none"
            stroke="currentColor"
            strokeWidth={b.open ? 2 : 3}
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        <b>
          {b.label}: {b.open ? 'open' : 'shut'}
        </b>
        <span>{b.says}</span>
      </li>
    ))}
  </Row>
);
