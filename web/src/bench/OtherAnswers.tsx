import { MenuTrigger } from 'react-aria-components';
import type { Answer, Trait } from '../api/client';
import { Button } from '../theme/bits';
import { MenuList, MenuRow, MenuSheet } from '../theme/menu';
import { otherKinds } from './answer';

/** Everything that is an answer without being evidence, two taps away. */
export function OtherAnswers({
  trait,
  busy,
  onAnswer,
}: {
  trait: Trait;
  busy: boolean;
  onAnswer: (a: Answer) => void;
}) {
  return (
    <MenuTrigger>
      <Button isDisabled={busy}>Couldn’t see it…</Button>
      <MenuSheet placement="top start">
        <MenuList
          aria-label="Why it couldn’t be seen"
          onAction={(key) => {
            const k = otherKinds[Number(key)]!;
            onAnswer({ trait: trait.id, kind: k.kind, from: k.from });
          }}
        >
          {otherKinds.map((k, i) => (
            <MenuRow key={i} id={String(i)}>
              {k.label}
            </MenuRow>
          ))}
        </MenuList>
      </MenuSheet>
    </MenuTrigger>
  );
}
