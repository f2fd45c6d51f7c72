import styled from 'styled-components';
import type { S } from '../api/client';
import { Glyph } from '../drawing/Glyph';

const Strip = styled.ul`list-style: none; margin: 0; padding: 12px 8px; display: flex; flex-wrap: wrap; gap: 8px 18px; background: var(--sheet); border-top: 3px solid var(--ink); border-bottom: 3px solid var(--ink);
  li { display: grid; justify-items: center; gap: 2px; width: 96px; text-align: center; font-size: 0.85rem; line-height: 1.2; }`;

/** The entry at a glance: its key traits as it usually shows them, or its first ones. */
export function Portrait({ taxon }: { taxon: S['TaxonPage'] }) {
  const drawn = taxon.cells.filter((c) => c.usual.length > 0 && c.usual[0] !== 'none' && c.usual[0] !== 'absent');
  const keys = drawn.filter((c) => c.key);
  const shown = (keys.length >= 4 ? keys : drawn).slice(0, 9);
  if (shown.length === 0) return null;
  return (
    <Strip aria-label="As it usually looks">
      {shown.map((c) => {
        const word = c.variants.flatMap((v) => [...(v.by['always'] ?? []), ...(v.by['usually'] ?? [])])[0] ?? '';
        return <li key={c.trait.id}><Glyph trait={c.trait.id} state={c.usual[0]!} size={56} /><span>{c.trait.name}: {word}</span></li>;
      })}
    </Strip>
  );
}
