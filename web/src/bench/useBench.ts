import { useCallback, useState } from 'react';
import { newKey, type Answer, type NewLine, type Problem } from '../api/client';
import { useAddLine, useFind, useGuide } from '../api/hooks';

/** Everything the bench does: one find, one specimen in the hand, one check before the eyes. */
export function useBench(id: string) {
  const find = useFind(id);
  const guide = useGuide();
  const line = useAddLine(id);
  const [specimen, setSpecimen] = useState('s1');
  const [picked, setPicked] = useState<{ trait?: string; part?: string }>({});
  const [unsent, setUnsent] = useState<NewLine>();

  const judgement = find.data?.patch.judgements.find((j) => j.specimen === specimen) ?? find.data?.patch.judgements[0];
  const traitId = picked.trait ?? (picked.part ? undefined : judgement?.next?.trait.id);
  const trait = guide.data?.traits.find((t) => t.id === traitId);

  const { mutate } = line;
  const send = useCallback(
    (entry: NewLine, then?: () => void) =>
      mutate(entry, {
        onSuccess: () => {
          setUnsent(undefined);
          then?.();
        },
        // Kept with its key, so that sending it again stores it once.
        onError: () => setUnsent(entry),
      }),
    [mutate],
  );
  const add = (kind: NewLine['kind'], body: NewLine['body'], then?: () => void) => send({ key: newKey(), specimen, kind, body }, then);
  const answer = (a: Answer) => add('answered', { answer: a }, () => setPicked({}));
  const lastUndoable = find.data?.log.filter((l) => l.undoable && l.specimen === specimen).at(-1);

  return {
    find,
    guide,
    judgement,
    trait,
    specimen,
    part: picked.part,
    busy: line.isPending,
    problem: unsent ? (line.error as Problem | null) : null,
    unsent,
    offered: traitId !== undefined && traitId === judgement?.next?.trait.id,
    setSpecimen,
    chooseTrait: (t: string) => setPicked({ trait: t }),
    choosePart: (part: string) => setPicked((was) => (was.part === part ? {} : { part })),
    takeNext: () => setPicked({}),
    answer,
    add,
    retry: () => unsent && send(unsent, () => setPicked({})),
    undo: (seq?: number) => {
      const target = seq ?? lastUndoable?.seq;
      if (target !== undefined && !line.isPending) add('undone', { undoes: target });
    },
    canUndo: lastUndoable !== undefined,
  };
}

export type Bench = ReturnType<typeof useBench>;
