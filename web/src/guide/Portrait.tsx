import styled from 'styled-components';
import type { S } from '../api/client';
import { Glyph } from '../drawing/Glyph';
import { Likeness } from './Likeness';

const Strip = styled.div`
  display: flex;
  gap: 16px;
  padding: 12px 8px;
  background: var(--sheet);
  border-top: 3px solid var(--ink);
  border-bottom: 3px solid var(--ink);
  > svg {
    flex: none;
    width: 190px;
    height: 250px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    align-content: center;
  }
  li {
    display: grid;
    justify-items: center;
    gap: 2px;
    width: 96px;
    text-align: center;
    font-size: 0.85rem;
    line-height: 1.2;
  }
  @media (max-width: 599px) {
    gap: 6px;
    padding: 8px 0;
    > svg {
      width: 140px;
      height: 184px;
    }
    ul {
      gap: 6px 8px;
    }
    li {
      width: 84px;
    }
  }
`;

/** The entry at a glance: drawn whole from its usual states, and its key traits one by one. What it says nothing of is not drawn. */
export function Portrait({ taxon }: { taxon: S['TaxonPage'] }) {
  const drawn = taxon.cells.filter((c) => c.usual.length > 0 && c.usual[0] !== 'none' && c.usual[0] !== 'absent');
  const keys = drawn.filter((c) => c.key);
  const shown = (keys.length >= 4 ? keys : drawn).slice(0, 9);
  if (shown.length === 0) return null;
  return (
    <Strip>
      <Likeness kingdom={taxon.kingdom} usual={taxon.cells.map((c) => ({ trait: c.trait.id, states: c.usual }))} />
      <ul aria-label="As it usually looks">
        {shown.map((c) => {
          const word = c.variants.flatMap((v) => [...(v.by['always'] ?? []), ...(v.by['usually'] ?? [])])[0] ?? '';
          return (
            <li key={c.trait.id}>
              <Glyph trait={c.trait.id} state={c.usual[0]!} size={56} />
              <span>
                {c.trait.name}: {word}
              </span>
            </li>
          );
        })}
      </ul>
    </Strip>
  );
}
