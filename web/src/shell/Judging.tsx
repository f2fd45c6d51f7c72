import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { S } from '../api/client';
import { after, askAgain } from '../api/queries';
import { Note } from '../theme/bits';

/** After the guide has changed each find is judged anew: until that is done, lists wait for the rest. */
export function Judging({ progress }: { progress?: S['Progress'] }) {
  const client = useQueryClient();
  const on = progress !== undefined && progress.of > 0;
  const done = progress?.done;
  useEffect(() => {
    if (!on) return;
    const again = setTimeout(() => void askAgain(client, ...after.judged), 1500);
    return () => clearTimeout(again);
  }, [on, done, client]);
  return on ? (
    <Note role="status">
      <b>The guide has changed.</b> Your finds are being judged anew: {progress.done} of {progress.of}. Those still to
      come are not listed yet.
    </Note>
  ) : null;
}
