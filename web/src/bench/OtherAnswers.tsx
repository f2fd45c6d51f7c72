import { Menu, MenuItem, MenuTrigger, Popover } from 'react-aria-components';
import styled from 'styled-components';
import type { Answer, Trait } from '../api/client';
import { Button } from '../theme/bits';
import { otherKinds } from './answer';

const Sheet = styled(Popover)`background: var(--sheet); border: 2px solid var(--ink); border-radius: 8px; padding: 6px; max-width: min(440px, 94vw);`;
const List = styled(Menu)`outline: none; display: grid;`;
const Item = styled(MenuItem)`min-height: 44px; display: flex; align-items: center; padding: 6px 12px; border-radius: 6px; cursor: pointer; outline: none;
  &[data-focused] { background: var(--sunk); box-shadow: inset 0 0 0 2px var(--focus); }`;

/** Everything that is an answer without being evidence, two taps away. */
export function OtherAnswers({ trait, busy, onAnswer }: { trait: Trait; busy: boolean; onAnswer: (a: Answer) => void }) {
  return (
    <MenuTrigger>
      <Button isDisabled={busy}>Couldn’t see it…</Button>
      <Sheet placement="top start">
        <List
          aria-label="Why it couldn’t be seen"
          onAction={(key) => {
            const k = otherKinds[Number(key)]!;
            onAnswer({ trait: trait.id, kind: k.kind, from: k.from });
          }}
        >
          {otherKinds.map((k, i) => (
            <Item key={i} id={String(i)}>
              {k.label}
            </Item>
          ))}
        </List>
      </Sheet>
    </MenuTrigger>
  );
}
