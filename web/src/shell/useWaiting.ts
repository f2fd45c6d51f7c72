import { useIsFetching } from '@tanstack/react-query';
import { useEffect } from 'react';

/** Says on the root element that a first answer is on its way: the pointer shows it, and nothing that is looked at then is the whole page. */
export function useWaiting(): void {
  const asked = useIsFetching({ predicate: (q) => q.state.data === undefined });
  useEffect(() => {
    document.documentElement.toggleAttribute('data-waiting', asked > 0);
  }, [asked]);
}
