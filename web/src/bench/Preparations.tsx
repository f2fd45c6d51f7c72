import { Menu, MenuItem, MenuTrigger, Popover } from 'react-aria-components';
import styled from 'styled-components';
import type { S, Trait } from '../api/client';
import { Button } from '../theme/bits';
import type { Bench } from './useBench';
import { carriedShort } from './wear';

const Row = styled.div`display: flex; flex-wrap: wrap; gap: 6px; button { min-height: 44px; padding: 0 9px; font-size: 0.86rem; }`;
const Sheet = styled(Popover)`background: var(--sheet); border: 2px solid var(--ink); border-radius: 8px; padding: 6px; max-height: 70vh; overflow-y: auto; max-width: min(460px, 94vw);`;
const Item = styled(MenuItem)`min-height: 44px; display: flex; align-items: center; padding: 6px 12px; border-radius: 6px; cursor: pointer; outline: none;
  &[data-focused] { background: var(--sunk); box-shadow: inset 0 0 0 2px var(--focus); }`;

/** What was done, stated when it is done. */
export function Preparations({ bench, traits, sayings, carried, onPick, onWear, onPhotos }: { bench: Bench; traits: Trait[]; sayings: S['Saying'][]; carried: S['Carried'][]; onPick: () => void; onWear: () => void; onPhotos: () => void }) {
  const prep = (kind: string) => traits.find((t) => t.prepares === kind);
  const base = prep('base');
  const condition = prep('condition');
  return (
    <Row role="group" aria-label="What you have done">
      {base && <Button onPress={() => bench.chooseTrait(base.id)}>Base dug out</Button>}
      <Button isDisabled={bench.busy} onPress={() => bench.add('clean-hands', {})}>Hands cleaned</Button>
      {condition && <Button onPress={() => bench.chooseTrait(condition.id)}>State of it</Button>}
      <Button onPress={onWear}>{carriedShort(carried)}</Button>
      <MenuTrigger>
        <Button isDisabled={bench.busy}>Heard or read…</Button>
        <Sheet>
          <Menu
            aria-label="What was heard or read; it is noted and weighs nothing"
            onAction={(k) => bench.add('noted', String(k) === 'hearsay' || String(k) === 'search-cue' ? { note: String(k) } : { note: 'folk-rule', saying: String(k) })}
          >
            <Item id="hearsay">Someone says what it is</Item>
            <Item id="search-cue">A sign led me here (old stalks, humps, green grass)</Item>
            {sayings.map((s) => <Item key={s.id} id={s.id}>{s.saying}</Item>)}
          </Menu>
        </Sheet>
      </MenuTrigger>
      <Button onPress={onPhotos}>Pictures</Button>
      <Button isDisabled={bench.busy} onPress={onPick}>Picked…</Button>
    </Row>
  );
}
