import { Choice } from '../theme/Changed';
import { Button, Note, Soft } from '../theme/bits';
import type { DeskState } from './desk';
import { isBlank } from './draft';

/** Where what was put in stands: on this machine, stored, or changed elsewhere meanwhile. */
export function StoredLine({
  state: s,
  onAgain,
  onBoth,
  onYours,
}: {
  state: DeskState;
  onAgain: () => void;
  onBoth: () => void;
  onYours: () => void;
}) {
  if (s.theirs)
    return (
      <Note role="alert">
        <b>Written on two screens.</b> What you typed is still here.{' '}
        <Choice>
          <Button onPress={onBoth}>Put both together</Button>
          <Button onPress={onYours}>Take what was stored, drop what is here</Button>
        </Choice>
      </Note>
    );
  if (s.problem && s.problem.status !== 0 && s.problem.status < 500)
    return (
      <Note role="alert">
        Not stored: {s.problem.message} {s.problem.fields.join('; ')} What you typed stays here.
      </Note>
    );
  if (!s.keeps) return <Note role="alert">This browser keeps nothing. Write it on paper too.</Note>;
  if (isBlank(s.doc)) return <Soft role="status">Nothing is put in yet. Whatever you put in is kept at once.</Soft>;
  if (s.problem)
    return (
      <Note role="status">
        Kept on this machine, not stored yet: the program does not answer. It goes out by itself when it does.{' '}
        <Button onPress={onAgain}>Try now</Button>
      </Note>
    );
  return <Soft role="status">{s.stored ? 'Stored.' : 'Kept on this machine; storing…'}</Soft>;
}
