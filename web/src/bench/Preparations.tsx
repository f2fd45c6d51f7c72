import { MenuTrigger } from 'react-aria-components';
import styled from 'styled-components';
import type { S, Trait } from '../api/client';
import { Button } from '../theme/bits';
import { MenuList, MenuRow, MenuSheet } from '../theme/menu';
import type { Bench } from './useBench';
import { carriedShort } from './wear';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  button {
    min-height: 44px;
    padding: 0 9px;
    font-size: 0.86rem;
  }
`;

/** What was done, stated when it is done. */
export function Preparations({
  bench,
  traits,
  sayings,
  carried,
  onPick,
  onWear,
  onPhotos,
}: {
  bench: Bench;
  traits: Trait[];
  sayings: S['Saying'][];
  carried: S['Carried'][];
  onPick: () => void;
  onWear: () => void;
  onPhotos: () => void;
}) {
  const prep = (kind: string) => traits.find((t) => t.prepares === kind);
  const base = prep('base');
  const condition = prep('condition');
  return (
    <Row role="group" aria-label="What you have done">
      {base && <Button onPress={() => bench.chooseTrait(base.id)}>Base dug out</Button>}
      <Button isDisabled={bench.busy} onPress={() => bench.add('clean-hands', {})}>
        Hands cleaned
      </Button>
      {condition && <Button onPress={() => bench.chooseTrait(condition.id)}>State of it</Button>}
      <Button onPress={onWear}>{carriedShort(carried)}</Button>
      <MenuTrigger>
        <Button isDisabled={bench.busy}>Heard or read…</Button>
        <MenuSheet>
          <MenuList
            aria-label="What was heard or read; it is noted and weighs nothing"
            onAction={(k) =>
              bench.add(
                'noted',
                String(k) === 'hearsay' || String(k) === 'search-cue'
                  ? { note: String(k) }
                  : { note: 'folk-rule', saying: String(k) },
              )
            }
          >
            <MenuRow id="hearsay">Someone says what it is</MenuRow>
            <MenuRow id="search-cue">A sign led me here (old stalks, humps, green grass)</MenuRow>
            {sayings.map((s) => (
              <MenuRow key={s.id} id={s.id}>
                {s.saying}
              </MenuRow>
            ))}
          </MenuList>
        </MenuSheet>
      </MenuTrigger>
      <Button onPress={onPhotos}>Pictures</Button>
      <Button isDisabled={bench.busy} onPress={onPick}>
        Picked…
      </Button>
    </Row>
  );
}
