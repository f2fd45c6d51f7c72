import styled from 'styled-components';
import type { Judgement, Trait } from '../api/client';
import { partsOf, traitsOfPart } from './plate';

const List = styled.ul`
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 6px;
  button {
    width: 100%;
    text-align: left;
    min-height: 48px;
    padding: 6px 12px;
    border: 1.5px solid var(--ink-soft);
    border-radius: 6px;
    background: var(--sheet);
    cursor: pointer;
    display: flex;
    justify-content: space-between;
    gap: 12px;
    align-items: center;
    color: var(--ink);
  }
  button:hover {
    background: var(--sunk);
  }
  span {
    color: var(--ink-soft);
    text-align: right;
  }
`;

type Props = { judgement: Judgement; traits: Trait[]; part: string; kingdom: string; onTrait: (id: string) => void };

/** The checks of one part, with what was said of each. */
export function PartList({ judgement, traits, part, kingdom, onTrait }: Props) {
  const label = partsOf(kingdom).find((p) => p.part === part)?.label ?? part;
  return (
    <section aria-labelledby="part-h">
      <h2 id="part-h" style={{ fontSize: '1.5rem', marginBottom: 12 }}>
        {label}
      </h2>
      <List>
        {traitsOfPart(traits, part, kingdom).map((t) => {
          const r = judgement.readings.find((x) => x.trait.id === t.id && !x.derived);
          const offStage = judgement.stages.length > 0 && !t.stages.some((s) => judgement.stages.includes(s));
          return (
            <li key={t.id}>
              <button type="button" onClick={() => onTrait(t.id)}>
                <b>{t.name}</b>
                <span>
                  {r ? `${r.words} (${r.soundness})` : offStage ? 'not to be judged at this stage' : 'not looked at'}
                </span>
              </button>
            </li>
          );
        })}
      </List>
    </section>
  );
}
