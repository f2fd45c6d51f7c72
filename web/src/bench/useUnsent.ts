import { useEffect, useState, useSyncExternalStore } from 'react';
import { newKey, type NewLine, type Problem } from '../api/client';
import { Outbox } from './unsent';

/** The outbox of a find: sends by itself, again when the network comes back. */
export function useUnsent(find: string, send: (line: NewLine) => Promise<unknown>) {
  const [box] = useState(() => new Outbox<Problem>(find, localStorage, newKey(), send));
  const state = useSyncExternalStore(box.subscribe, () => box.state);
  useEffect(() => {
    const now = () => void box.pump();
    window.addEventListener('online', now);
    now();
    return () => window.removeEventListener('online', now);
  }, [box]);
  return { ...state, add: box.add, again: () => void box.pump(), takeBack: box.takeBack, forget: box.forget };
}
