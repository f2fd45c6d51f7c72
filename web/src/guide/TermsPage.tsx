import { useState } from 'react';
import { useSearchParams } from 'react-router';
import styled from 'styled-components';
import type { Trait } from '../api/client';
import { useGuide } from '../api/hooks';
import { Glyph } from '../drawing/Glyph';
import { Field, Page, Soft } from '../theme/bits';
import { plain } from './words';

const Wide = styled(Page)`
  max-width: 1240px;
`;
const Part = styled.section`
  h2 {
    font-size: 1.4rem;
    border-top: 3px solid var(--ink);
    padding-top: 8px;
  }
`;
const Traits = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(340px, 1fr));
  gap: 6px 32px;
`;
const One = styled.article`
  border-top: 1.5px solid var(--line);
  padding: 10px 0;
  display: grid;
  gap: 4px;
  align-content: start;
  h3 {
    font-size: 1rem;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 6px 10px;
  }
  li {
    width: 76px;
    display: grid;
    justify-items: center;
    text-align: center;
    font-size: 0.8rem;
    line-height: 1.15;
    gap: 2px;
  }
`;

function Term({ trait, words }: { trait: Trait; words: boolean }) {
  return (
    <One id={trait.id}>
      <h3>
        {trait.name}{' '}
        <Soft>
          {trait.class === 'structural' ? '' : trait.class === 'sensory' ? 'supports only' : 'never evidence'}
        </Soft>
      </h3>
      {words && trait.terms && <p>{trait.terms}</p>}
      {words && (
        <p>
          <Soft>
            {trait.how}
            {trait.count ? ` Look at ${trait.count}.` : ''}
            {trait.wait ? ` Wait ${trait.wait} min.` : ''}
          </Soft>
        </p>
      )}
      {trait.states.length > 0 ? (
        <ul>
          {trait.states.map((s) => (
            <li key={s.id}>
              <Glyph trait={trait.id} state={s.id} />
              {words && <span>{s.label}</span>}
            </li>
          ))}
        </ul>
      ) : (
        <p>
          Measured in {trait.unit === 'count' ? 'whole numbers' : trait.unit}, {trait.min ?? 0} to {trait.max}.
        </p>
      )}
    </One>
  );
}

/** Every term as a drawing, with what it means and how to look. */
export function TermsPage() {
  const guide = useGuide();
  const [params] = useSearchParams();
  const [q, setQ] = useState('');
  const words = params.get('words') !== 'no';
  const traits = (guide.data?.traits ?? []).filter(
    (t) =>
      !t.prepares &&
      `${t.name} ${t.part} ${t.terms ?? ''} ${t.states.map((s) => s.label).join(' ')}`
        .toLowerCase()
        .includes(q.toLowerCase()),
  );
  const parts = [...new Set(traits.map((t) => t.part))];
  return (
    <Wide>
      <h1>Terms, by drawing</h1>
      <p>
        Words mislead more than eyes. Each state is a drawing first; the word beside it is the flora’s or the
        mycologist’s.
      </p>
      <Field>
        Find a term
        <input type="search" value={q} onChange={(e) => setQ(e.target.value)} />
      </Field>
      {guide.data && traits.length === 0 && <p>No term answers to this.</p>}
      {parts.map((p) => (
        <Part key={p}>
          <h2>{plain(p)}</h2>
          <Traits>
            {traits
              .filter((t) => t.part === p)
              .map((t) => (
                <Term key={t.id} trait={t} words={words} />
              ))}
          </Traits>
        </Part>
      ))}
    </Wide>
  );
}
