import { useCallback, useState } from 'react';
import { newKey, type Answer, type NewLine } from '../api/client';
import { useAddLine, useFind, useGuide, usePeople } from '../api/hooks';
import { useUnsent } from './useUnsent';
import { waitingTraits } from './unsent';

/** Everything the bench does: one find, one specimen in the hand, one check before the eyes. */
export function useBench(id: string) {
  const [specimen, setSpecimen] = useState('s1');
  const find = useFind(id, specimen);
  const guide = useGuide();
  const people = usePeople();
  const { mutateAsync } = useAddLine(id);
  const send = useCallback((line: NewLine) => mutateAsync(line), [mutateAsync]);
  const unsent = useUnsent(id, send);
  const [picked, setPicked] = useState<{ trait?: string; part?: string }>({});
  const [said, setSaid] = useState(0);

  const judgement = find.data?.patch.judgements.find((j) => j.specimen === specimen) ?? find.data?.patch.judgements[0];
  const waiting = waitingTraits(unsent.queue, judgement?.specimen ?? specimen);
  const stuck = unsent.problem !== undefined;
  // While an answer can't be stored, the next of the offers takes its place.
  const free = (t: string) => !stuck || !waiting.has(t);
  const next = judgement?.next;
  const offered = next && [next, ...judgement.others].find((c) => free(c.trait.id));
  const chosen = picked.trait !== undefined && free(picked.trait) ? picked.trait : undefined;
  const traitId = chosen ?? (picked.part ? undefined : offered?.trait.id);
  const trait = guide.data?.traits.find((t) => t.id === traitId);

  const add = (kind: NewLine['kind'], body: NewLine['body'], then?: () => void) =>
    unsent.add({ key: newKey(), specimen: judgement?.specimen ?? specimen, kind, body }, then);
  const answer = (a: Answer) => {
    const done = () => setPicked({});
    setSaid((n) => n + 1);
    add('answered', { answer: a }, done);
    if (stuck) done();
  };
  const lastUndoable = find.data?.log.filter((l) => l.undoable && l.specimen === specimen).at(-1);

  return {
    find,
    guide,
    person: people.data?.find((p) => p.id === find.data?.person),
    judgement,
    trait,
    specimen,
    part: picked.part,
    chosen: chosen !== undefined,
    /** Sending now, and nothing is stuck: one tap at a time. */
    busy: (unsent.sending && !stuck) || find.isPlaceholderData,
    unsent,
    waiting,
    /** Answers given on this visit: after the first, the question takes the focus that its answer had. */
    said,
    offered: traitId !== undefined && traitId === offered?.trait.id,
    offer: offered,
    setSpecimen,
    chooseTrait: (t: string) => setPicked({ trait: t }),
    choosePart: (part: string) => setPicked((was) => (was.part === part ? {} : { part })),
    takeNext: () => setPicked({}),
    answer,
    add,
    undo: (seq?: number) => {
      const last = unsent.queue.at(-1);
      if (seq === undefined && last && stuck) return unsent.takeBack(last.key); // it never was stored
      const target = seq ?? lastUndoable?.seq;
      if (target !== undefined && !unsent.sending) add('undone', { undoes: target });
    },
    canUndo: lastUndoable !== undefined || (stuck && unsent.queue.length > 0),
  };
}

export type Bench = ReturnType<typeof useBench>;
