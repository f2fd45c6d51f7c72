import type { S, Trait } from '../api/client';
import { Note } from '../theme/bits';
import type { Look } from './answer';

/** Whether this smell test still counts, made with what it would be made with. */
export function WearNote({ trait, wear, look }: { trait: Trait; wear: S['Wear']; look: Look }) {
  const test = wear.tests.find((t) => t.trait.id === trait.id && t.with === (look.with ?? 'hands'));
  if (!test) return null;
  return (
    <Note role="status">
      <b>This test is worn.</b> {wear.words} An answer of {test.words} would be shaky. {wear.do}
    </Note>
  );
}
