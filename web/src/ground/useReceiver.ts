import { useEffect, useState } from 'react';
import { receiver, type S } from '../api/client';

/** Plays the simulated receiver: its positions come one by one, as from a real one. */
export function useReceiver(every = 250) {
  const [all, setAll] = useState<S['TrackPoint'][]>([]);
  const [at, setAt] = useState(-1);
  const [error, setError] = useState<string>();
  const running = at >= 0 && at < all.length - 1;
  useEffect(() => {
    if (!running) return;
    const t = setTimeout(() => setAt(at + 1), every);
    return () => clearTimeout(t);
  }, [running, at, every]);
  const play = async () => {
    try {
      const got = await receiver();
      setAll(got);
      setAt(0);
      setError(undefined);
    } catch (e) {
      setError((e as Error).message);
    }
  };
  return {
    here: at >= 0 ? all[at] : undefined,
    trail: at >= 0 ? all.slice(0, at + 1) : [],
    running,
    play: () => void play(),
    stop: () => setAt(-1),
    error,
  };
}
