import { useQuery } from '@tanstack/react-query';
import { firstAid, type S } from '../api/client';
import { key } from '../api/queries';

const name = 'first aid';

function kept(): S['FirstAid'] | undefined {
  try {
    return (JSON.parse(localStorage.getItem(name) ?? 'null') as S['FirstAid'] | null) ?? undefined;
  } catch {
    return undefined;
  }
}

async function fetchAid() {
  const aid = await firstAid();
  try {
    localStorage.setItem(name, JSON.stringify(aid));
  } catch {
    // Without room to keep it, it is there as long as the page is.
  }
  return aid;
}

/** Numbers, first steps and windows. Every page fetches them, so that they are at hand before anything goes wrong. */
export const useAid = () =>
  useQuery({ queryKey: key('settings', 'aid'), queryFn: fetchAid, placeholderData: kept, staleTime: 300_000 });
