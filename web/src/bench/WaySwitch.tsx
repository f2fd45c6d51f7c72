import styled from 'styled-components';
import { ways, wayShort, wayWords, type Way } from './ways';

const Rail = styled.div`
  display: inline-grid;
  grid-auto-flow: column;
  border: 1.5px solid var(--ink);
  border-radius: 8px;
  overflow: hidden;
  button {
    min-height: 44px;
    padding: 0 12px;
    border: 0;
    border-left: 1.5px solid var(--ink);
    background: transparent;
    color: var(--ink);
    font-weight: 600;
    font-size: 0.92rem;
    cursor: pointer;
  }
  button:first-child {
    border-left: 0;
  }
  button[aria-pressed='true'] {
    background: var(--ink);
    color: var(--sheet);
  }
  button:focus-visible {
    outline-offset: -4px;
    outline-color: var(--lemon);
  }
  .short {
    display: none;
  }
  @media (max-width: 600px) {
    width: 100%;
    grid-auto-columns: 1fr;
    button {
      padding: 0 4px;
    }
    .long {
      display: none;
    }
    .short {
      display: inline;
    }
  }
`;

/** How to go about it. The evidence is one and the same, whichever way. */
export function WaySwitch({ way, onWay }: { way: Way; onWay: (w: Way) => void }) {
  return (
    <Rail role="group" aria-label="Way of looking">
      {ways.map((w) => (
        <button type="button" key={w} aria-pressed={w === way} aria-label={wayWords[w]} onClick={() => onWay(w)}>
          <span className="long" aria-hidden="true">
            {wayWords[w]}
          </span>
          <span className="short" aria-hidden="true">
            {wayShort[w]}
          </span>
        </button>
      ))}
    </Rail>
  );
}
