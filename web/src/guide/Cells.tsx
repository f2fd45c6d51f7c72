import { useState } from 'react';
import styled from 'styled-components';
import type { S } from '../api/client';
import { Glyph } from '../drawing/Glyph';
import { Button, Soft } from '../theme/bits';
import { plain, variantWords } from './words';

const List = styled.ul`
  && {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    display: grid;
    grid-template-columns: 56px minmax(0, 1fr);
    gap: 12px;
    border-top: 1px solid var(--line);
    padding: 8px 0;
    align-items: start;
  }
  .own {
    color: var(--bramble);
    font-weight: 600;
  }
`;
const few = 14;

/** All that the guide says of an entry, key traits first; what it lacks is left to the end. */
export function Cells({ taxon }: { taxon: S['TaxonPage'] }) {
  const [all, setAll] = useState(false);
  const said = taxon.cells.filter((c) => c.variants.some((v) => v.kind !== 'inapplicable'));
  const order = [...said.filter((c) => c.key), ...said.filter((c) => !c.key)];
  const shown = all ? order : order.slice(0, few);
  const lacks = taxon.cells.length - said.length;
  return (
    <>
      <List>
        {shown.map((c) => (
          <li key={c.trait.id}>
            {c.usual[0] ? <Glyph trait={c.trait.id} state={c.usual[0]} /> : <span />}
            <div>
              <b>{c.trait.name}</b>{' '}
              <Soft>
                {plain(c.trait.part)}
                {c.key ? ' · key trait' : ''}
                {c.readers > 1 ? ` · ${c.agree} of ${c.readers} readers agree` : ' · read once'}
                {c.from && c.from !== 'yours' ? ` · as all ${c.from.toLowerCase()}` : ''}
              </Soft>
              {c.from === 'yours' && <span className="own"> · corrected by you</span>}
              {c.variants.map((v, i) => (
                <p key={i}>
                  {v.stages.length > 0 ? `${v.stages.map(plain).join(', ')}: ` : ''}
                  {variantWords(v)}
                  {v.decisive.length > 0 ? ` (decisive against ${v.decisive.join(', ')}; ${v.source})` : ''}
                </p>
              ))}
            </div>
          </li>
        ))}
      </List>
      {order.length > few && (
        <Button onPress={() => setAll(!all)} aria-expanded={all}>
          {all ? 'Only the first' : `All ${order.length} traits`}
        </Button>
      )}
      {all && lacks > 0 && <Soft>{lacks} more are about parts that it lacks.</Soft>}
    </>
  );
}
