import { useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { newKey, saveWalk, type S } from '../api/client';
import { useGround, useOutlook } from '../api/hooks';
import { Page } from '../theme/bits';
import { Refused } from '../theme/deed';
import { Outlook } from './Outlook';
import { WalkForm } from './WalkForm';

/** One walk: what it is, and what is to be known before it. */
export function WalkPage() {
  const { id = 'new' } = useParams();
  return id === 'new' ? <NewWalk /> : <Walk key={id} id={id} />;
}

function NewWalk() {
  const [params] = useSearchParams();
  const go = useNavigate();
  const save = useGround(saveWalk);
  const [w, setW] = useState<S['Walk']>(() => ({ id: newKey(), day: new Date().toISOString().slice(0, 10), place: params.get('place') ?? undefined, hopes: [], offset: -new Date().getTimezoneOffset() }));
  const problem = save.error;
  return (
    <Page>
      <h1>Plan a walk</h1>
      <Refused error={problem} />
      <WalkForm walk={w} onWalk={setW} busy={save.isPending} submit="Look ahead" onSubmit={() => save.mutate(w, { onSuccess: () => void go(`/walks/${w.id}`) })} />
    </Page>
  );
}

function Walk({ id }: { id: string }) {
  const { data, error } = useOutlook(id);
  const save = useGround(saveWalk);
  const [edit, setEdit] = useState<S['Walk']>();
  const problem = save.error;
  if (error) return <Page><h1>No such walk</h1><p>{error.message}</p></Page>;
  if (!data) return <Page><p role="status">Looking ahead…</p></Page>;
  return (
    <Page style={{ maxWidth: 1180 }}>
      <Refused error={problem} />
      {edit ? (
        <>
          <h1>Change the walk</h1>
          <WalkForm walk={edit} onWalk={setEdit} busy={save.isPending} submit="Look ahead" onSubmit={() => save.mutate(edit, { onSuccess: () => setEdit(undefined) })} />
        </>
      ) : (
        <Outlook outlook={data} onEdit={() => setEdit(data.walk)} onWalk={(w) => save.mutate(w)} />
      )}
    </Page>
  );
}
