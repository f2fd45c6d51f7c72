import { Button, Note } from '../theme/bits';
import type { Bench } from './useBench';

/** What is not stored is said at once, and goes out by itself when the program answers again. */
export function Unsent({ unsent }: { unsent: Bench['unsent'] }) {
  const n = unsent.queue.length;
  return (
    <>
      {unsent.problem && n > 0 && (
        <Note role="alert">
          <b>{n === 1 ? 'The last answer was not stored.' : `The last ${n} answers are not stored.`}</b>{' '}
          {unsent.problem.message}{' '}
          {n === 1 ? 'It is kept here and goes out, once,' : 'They are kept here and go out in order, once each,'} as
          soon as that can be done.{' '}
          <Button onPress={unsent.again}>{n === 1 ? 'Send it again' : 'Send them again'}</Button>
        </Note>
      )}
      {unsent.refused && (
        <Note role="alert">
          <b>An answer was refused and is not stored.</b> {unsent.refused.message} {unsent.refused.fields.join('; ')}{' '}
          <Button onPress={unsent.forget}>I have read this</Button>
        </Note>
      )}
    </>
  );
}
