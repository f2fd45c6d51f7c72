import { useEffect, useState } from 'react';

/** The time, renewed every so many milliseconds while it is wanted. */
export function useNow(every: number, wanted: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!wanted) return;
    const tick = setInterval(() => setNow(Date.now()), every);
    return () => clearInterval(tick);
  }, [every, wanted]);
  return now;
}
