import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Problem } from './client';
import { askAgain, type Domain } from './queries';

type Revised = { rev?: number };

/**
 * A record that is edited as a whole. What is sent carries the revision that is known,
 * one save after the other, so that a screen never overtakes itself. Where another
 * screen has changed it, nothing is overwritten: `now` is what is stored, what was
 * typed stays, and a person chooses.
 */
export function useRevised<T extends Revised>(
  name: string,
  stored: T,
  send: (doc: T) => Promise<T>,
  asked: readonly Domain[],
) {
  const client = useQueryClient();
  const [doc, setDoc] = useState(stored);
  const rev = useRef(stored.rev ?? 0);
  const save = useMutation({
    mutationFn: async (d: T) => {
      const got = await send({ ...d, rev: rev.current });
      rev.current = got.rev ?? 0;
      return got;
    },
    networkMode: 'always',
    scope: { id: name },
    onSuccess: () => askAgain(client, ...asked),
  });
  const now = save.error instanceof Problem ? (save.error.now as T | undefined) : undefined;
  return {
    doc,
    setDoc,
    save,
    now,
    /** What is typed here goes over what is stored, now that it was seen. */
    mine: () => {
      if (!now) return;
      rev.current = now.rev ?? 0;
      save.mutate(doc);
    },
    /** What is stored takes the place of what is typed here. */
    theirs: () => {
      if (!now) return;
      rev.current = now.rev ?? 0;
      setDoc(now);
      save.reset();
    },
  };
}
