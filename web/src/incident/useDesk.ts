import { useEffect, useState, useSyncExternalStore } from 'react';
import { incident, saveIncident } from '../api/client';
import { Desk } from './desk';
import { isBlank } from './draft';

/** One incident, kept here and stored when something answers; of a fresh one nobody else knows yet. */
export function useDesk(id: string, fresh = false) {
  const [desk] = useState(() => new Desk(id, localStorage, saveIncident, incident));
  const state = useSyncExternalStore(desk.subscribe, () => desk.state);
  useEffect(() => {
    const now = () => void desk.open();
    window.addEventListener('online', now);
    if (!fresh || !isBlank(desk.state.doc)) now();
    return () => window.removeEventListener('online', now);
  }, [desk, fresh]);
  return { ...state, change: desk.change, pump: desk.pump, both: desk.both, yours: desk.yours };
}
