import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';

const Block = styled.section`
  background: var(--ink);
  color: var(--sheet);
  padding: 18px 22px;
  display: grid;
  gap: 12px;
  h1 {
    font-size: 2.2rem;
  }
  a {
    color: inherit;
  }
  ul {
    margin: 0;
    padding-left: 20px;
    font-size: 1.1rem;
  }
  .numbers {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
  }
  .numbers a {
    border: 2px solid currentColor;
    border-radius: 8px;
    padding: 10px 18px;
    text-decoration: none;
    font-family: var(--head);
    font-size: 1.25rem;
    font-weight: 700;
    min-height: 56px;
    display: grid;
    align-content: center;
  }
  .numbers small {
    font-family: var(--text);
    font-weight: 500;
  }
  @media (max-width: 600px) {
    padding: 14px;
    h1 {
      font-size: 1.7rem;
    }
  }
`;

/** The first line: call, with the numbers that were set; and what to say. */
export const CallFirst = ({ numbers, say }: { numbers: S['Number'][]; say: string[] }) => (
  <Block aria-labelledby="call-h">
    <h1 id="call-h">Call now. Write afterwards.</h1>
    {numbers.length > 0 ? (
      <div className="numbers">
        {numbers.map((n) => (
          <a key={n.label + n.number} href={`tel:${n.number.replace(/[^\d+]/g, '')}`}>
            <small>{n.label}</small>
            {n.number}
          </a>
        ))}
      </div>
    ) : (
      <p>
        No number is set here. Dial the emergency number of the country you are in; they put you through to the poison
        service. (Numbers are set under <Link to="/you">You</Link>.)
      </p>
    )}
    <p>Don’t wait for signs, and don’t wait for this page.</p>
    {say.length > 0 && (
      <>
        <b>To say on the telephone</b>
        <ul>
          {say.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      </>
    )}
  </Block>
);
