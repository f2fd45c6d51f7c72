import styled from 'styled-components';
import type { Judgement, Trait } from '../api/client';
import { Glyph } from '../drawing/Glyph';
import { Button, Next, Note } from '../theme/bits';
import { beforePick } from './pick';
import type { Bench } from './useBench';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    border-top: 1.5px solid var(--line);
    padding: 10px 0;
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
  }
  li > span {
    flex: 1 1 180px;
  }
  svg {
    flex: none;
  }
  @media (max-width: 600px) {
    li > span {
      flex-basis: calc(100% - 56px);
    }
    li button {
      flex: 1;
    }
  }
`;
const stands = { open: 'not looked at', 'given-up': 'given up', read: '' };

/** The last look while it stands: what can't be had once it is picked, each done or given up on purpose. */
export function BeforePick({
  bench,
  judgement,
  traits,
  kingdom,
  onTrait,
  onDone,
}: {
  bench: Bench;
  judgement: Judgement;
  traits: Trait[];
  kingdom: string;
  onTrait: (id: string) => void;
  onDone: () => void;
}) {
  const list = beforePick(traits, judgement, kingdom);
  const open = list.filter((c) => c.stand === 'open').length;
  return (
    <>
      <p>
        These can’t be had once it is out of the ground or off the twig. A check that was given up counts nothing, and
        is remembered as such.
      </p>
      <List>
        {list.map(({ trait, stand, words }) => {
          const r = judgement.readings.find((x) => x.trait.id === trait.id);
          return (
            <li key={trait.id}>
              {r?.states[0] && <Glyph trait={trait.id} state={r.states[0]} size={40} />}
              <span>
                <b>{trait.name}</b>
                <br />
                {[stands[stand], words].filter(Boolean).join(': ')}
              </span>
              {stand !== 'read' && <Button onPress={() => onTrait(trait.id)}>Do this check</Button>}
              {stand === 'open' && (
                <Button
                  aria-label={`Give up: ${trait.name}`}
                  onPress={() => bench.add('answered', { answer: { trait: trait.id, kind: 'not-here' } })}
                >
                  Give it up
                </Button>
              )}
            </li>
          );
        })}
      </List>
      {open > 0 && (
        <Note role="status">
          {open} not looked at yet. After picking, an answer to {open === 1 ? 'it' : 'them'} is shaky at best.
        </Note>
      )}
      <Next isDisabled={bench.busy} onPress={() => bench.add('picked', {}, onDone)}>
        {open > 0 ? `It is picked, ${open} never looked at` : 'It is picked'}
      </Next>
    </>
  );
}
