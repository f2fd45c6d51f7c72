import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { Thorns } from '../drawing/Thorns';
import { Soft } from '../theme/bits';
import { grades } from './words';

const One = styled.article`
  display: grid;
  gap: 4px;
  border-top: 1.5px solid var(--line);
  padding-top: 10px;
  h3 {
    font-size: 1.1rem;
    display: flex;
    gap: 10px;
    align-items: center;
    flex-wrap: wrap;
  }
  ul {
    margin: 0;
    padding-left: 20px;
  }
`;

/** What an entry is taken for, why people confuse them, and what tells them apart. */
export function Lookalikes({ taxon }: { taxon: S['TaxonPage'] }) {
  return (
    <>
      <h2>First, what it is taken for</h2>
      {taxon.lookalikes.length === 0 && <p>No lookalike is named. That never means that there is none.</p>}
      {taxon.lookalikes.map((l) => (
        <One key={l.taxon.id}>
          <h3>
            <Thorns grade={l.hazard} left={l.hazard} cut={l.hazard === 0} width={58} />
            <span>
              <Link to={`/guide/${l.taxon.id}`}>{l.taxon.common}</Link> <i>{l.taxon.scientific}</i>{' '}
              <Soft>{grades[l.hazard]}</Soft>
            </span>
          </h3>
          <p>
            <b>Why people confuse them:</b> {l.why}
          </p>
          {l.tells.length > 0 ? (
            <ul>
              {l.tells.map((x) => (
                <li key={x.trait.id}>
                  <b>{x.trait.name}:</b> {x.this}; there {x.other}
                  {` (${x.worth})`}
                </li>
              ))}
            </ul>
          ) : (
            <p>
              No single look is more than slight between these two: only many of them together tell them apart, if any.
            </p>
          )}
        </One>
      ))}
      {taxon.lookalikes.length > 0 && (
        <p>
          <Link to={`/guide/${taxon.id}/beside`}>All of them side by side, trait by trait</Link>
        </p>
      )}
      {taxon.takenFor.length > 0 && (
        <p>
          Others that are taken for it:{' '}
          {taxon.takenFor.map((l, i) => (
            <span key={l.taxon.id}>
              {i > 0 && ', '}
              <Link to={`/guide/${l.taxon.id}`}>{l.taxon.common}</Link>
            </span>
          ))}
        </p>
      )}
    </>
  );
}
