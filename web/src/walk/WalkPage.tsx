import { useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { newKey, saveWalk, type S } from '../api/client';
import { useGround, useOutlook } from '../api/hooks';
import { useRevised } from '../api/revised';
import { Changed } from '../theme/Changed';
import { localDay } from '../theme/day';
import { Page } from '../theme/bits';
import { Refused } from '../theme/deed';
import { Outlook } from './Outlook';
import { WalkForm } from './WalkForm';
import { after } from '../api/queries';

/** One walk: what it is, and what is to be known before it. */
export function WalkPage() {
  const { id = 'new' } = useParams();
  return id === 'new' ? <NewWalk /> : <Walk key={id} id={id} />;
}

function NewWalk() {
  const [params] = useSearchParams();
  const go = useNavigate();
  const save = useGround(saveWalk);
  const [w, setW] = useState<S['Walk']>(() => ({
    id: newKey(),
    day: localDay(),
    place: params.get('place') ?? undefined,
    hopes: [],
    offset: -new Date().getTimezoneOffset(),
  }));
  const problem = save.error;
  return (
    <Page>
      <h1>Plan a walk</h1>
      <Refused error={problem} />
      <WalkForm
        walk={w}
        onWalk={setW}
        busy={save.isPending}
        submit="Look ahead"
        onSubmit={() => save.mutate(w, { onSuccess: () => void go(`/walks/${w.id}`) })}
      />
    </Page>
  );
}

function Walk({ id }: { id: string }) {
  const { data, error } = useOutlook(id);
  if (error)
    return (
      <Page>
        <h1>No such walk</h1>
        <p>{error.message}</p>
      </Page>
    );
  if (!data)
    return (
      <Page>
        <p role="status">Looking ahead…</p>
      </Page>
    );
  return <Stored id={id} data={data} />;
}

function Stored({ id, data }: { id: string; data: S['Outlook'] }) {
  const { doc, setDoc, save, now, mine, theirs } = useRevised(
    `walk ${id}`,
    data.walk,
    async (w) => (await saveWalk(w)).walk,
    after.walk,
  );
  const [edit, setEdit] = useState(false);
  return (
    <Page style={{ maxWidth: 1180 }}>
      {now ? <Changed mine={doc} theirs={now} onMine={mine} onTheirs={theirs} /> : <Refused error={save.error} />}
      {edit ? (
        <>
          <h1>Change the walk</h1>
          <WalkForm
            walk={doc}
            onWalk={setDoc}
            busy={save.isPending}
            submit="Look ahead"
            onSubmit={() => save.mutate(doc, { onSuccess: () => setEdit(false) })}
          />
        </>
      ) : (
        <Outlook
          outlook={data}
          onEdit={() => {
            setDoc(data.walk);
            setEdit(true);
          }}
          onWalk={(w) => {
            setDoc(w);
            save.mutate(w);
          }}
        />
      )}
    </Page>
  );
}
