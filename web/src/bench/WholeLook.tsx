import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { S, View } from '../api/client';
import { useLikenesses, useSetFacts } from '../api/hooks';
import { Thorns } from '../drawing/Thorns';
import { Likeness } from '../guide/Likeness';
import { Button, Note, Soft } from '../theme/bits';
import type { Bench } from './useBench';

const Rail = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px;
  button {
    border: 1.5px solid var(--ink-soft);
    border-radius: 8px;
    background: var(--sheet);
    color: var(--ink);
    cursor: pointer;
    padding: 6px;
    display: grid;
    justify-items: center;
    gap: 2px;
    text-align: center;
    align-content: start;
    line-height: 1.15;
  }
  button[aria-pressed='true'] {
    border: 3px solid var(--bramble);
    padding: 4.5px;
  }
  svg.base {
    width: 132px;
    height: 173px;
    margin: -6px 0 -10px;
  }
  small {
    color: var(--ink-soft);
  }
  @media (max-width: 600px) {
    grid-template-columns: repeat(3, 1fr);
    gap: 6px;
    svg.base {
      width: 84px;
      height: 110px;
    }
    font-size: 0.88rem;
  }
`;
const Beside = styled.section`
  border-top: 2px solid var(--ink);
  padding-top: 12px;
  display: grid;
  gap: 8px;
  ul {
    margin: 0;
  }
  .do {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
  }
`;

function Points({ head, list }: { head: string; list: string[] }) {
  if (list.length === 0) return null;
  return (
    <>
      <h4>{head}</h4>
      <ul>
        {list.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
    </>
  );
}

/** The whole first, by comparing drawings. A hunch, which is then taken apart into looks. */
export function WholeLook({
  bench,
  view,
  stand,
  onTrait,
}: {
  bench: Bench;
  view: View;
  stand: string;
  onTrait: (id: string) => void;
}) {
  const specimen = bench.judgement!.specimen;
  const { data, error } = useLikenesses(view.id, specimen, stand);
  const [at, setAt] = useState<string>();
  const facts = useSetFacts(view.id);
  if (error) return <Note role="alert">{error.message}</Note>;
  if (!data) return <p role="status">Drawing what stands…</p>;
  const kingdom = view.facts.kingdom || 'plant';
  const one = data.find((l) => l.taxon.id === at);
  const words = (l: S['Likeness']) => (l.target ? 'your target' : l.open ? `${l.gradeWord}, open` : l.gradeWord);
  return (
    <section aria-labelledby="whole-h" style={{ display: 'grid', gap: 12 }}>
      <h2 id="whole-h" style={{ fontSize: '1.5rem' }}>
        Which drawing is most like it?
      </h2>
      <Soft>
        Hold it beside them as a whole. A first impression is a hunch: it weighs nothing until it is taken apart. The
        dangerous ones named for your target are always among them.
      </Soft>
      <Rail role="group" aria-label="Drawings to compare">
        {data.map((l) => (
          <button
            type="button"
            key={l.taxon.id}
            aria-pressed={l.taxon.id === at}
            onClick={() => setAt(l.taxon.id === at ? undefined : l.taxon.id)}
          >
            <Likeness kingdom={kingdom} usual={l.usual} />
            <b>{l.taxon.common}</b>
            {l.grade > 0 && <Thorns grade={l.grade} left={l.grade} cut={false} width={52} />}
            <small>{words(l)}</small>
          </button>
        ))}
      </Rail>
      {one && (
        <Beside aria-live="polite" aria-label={`Compared with ${one.taxon.common}`}>
          <h3>
            {one.taxon.common} <i>{one.taxon.scientific}</i>
          </h3>
          <Points head="What you saw speaks against it" list={one.differs} />
          <Points head="Alike so far" list={one.alike} />
          <Points head="Seen, and it may be either" list={one.silent} />
          {one.unlooked.length > 0 && <h4>Not looked at, and would tell it from the others</h4>}
          <div className="do">
            {one.unlooked.map((t) => (
              <Button key={t.id} onPress={() => onTrait(t.id)}>
                {t.name}
              </Button>
            ))}
          </div>
          <div className="do">
            {!one.target && one.grade === 0 && (
              <Button
                isDisabled={facts.isPending}
                onPress={() =>
                  facts.mutate({ ...view.facts, target: one.taxon.id, part: undefined, preparation: undefined })
                }
              >
                Take it as what I believe it is
              </Button>
            )}
            <Link to={`/guide/${one.taxon.id}`}>Read its entry</Link>
          </div>
        </Beside>
      )}
    </section>
  );
}
