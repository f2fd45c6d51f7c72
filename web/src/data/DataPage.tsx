import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import { backupUrl, beginBackup, bringBackup, checkData, restoreBackup, type S } from '../api/client';
import { useData } from '../api/hooks';
import { useNow } from '../bench/useNow';
import { moment } from '../kitchen/when';
import { Button, Next, Note, Page, Soft } from '../theme/bits';
import { Part, Refused } from '../theme/deed';
import { ago, size } from './size';
import { askAgain } from '../api/queries';

const Rows = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: center;
    background: var(--sheet);
    padding: 8px 14px;
    border-left: 6px solid var(--bramble);
  }
  li > span {
    flex: 1 1 260px;
    overflow-wrap: anywhere;
  }
`;

/** Where everything lies, when it was last backed up, and how to make a copy, put one back, or look through it. */
export function DataPage() {
  const [busy, setBusy] = useState(false);
  const { data: d, error } = useData(busy);
  const now = useNow(60_000, true);
  const client = useQueryClient();
  const put = (now: S['Data']) => {
    client.setQueryData(['data'], now);
    setBusy(now.running);
  };
  const backup = useMutation({ mutationFn: beginBackup, networkMode: 'always', onSuccess: put });
  const check = useMutation({ mutationFn: checkData, networkMode: 'always', onSuccess: put });
  const bring = useMutation({
    mutationFn: bringBackup,
    networkMode: 'always',
    onSuccess: () => askAgain(client, 'data'),
  });
  if (busy && d && !d.running) setBusy(false);
  if (error)
    return (
      <Page>
        <h1>Your data</h1>
        <Note role="alert">{error.message}</Note>
      </Page>
    );
  if (!d)
    return (
      <Page>
        <p role="status">Looking at the database…</p>
      </Page>
    );
  return (
    <Page>
      <h1>Your data</h1>
      <p>
        Everything you entered lies in one file on this machine,{' '}
        <code style={{ overflowWrap: 'anywhere' }}>{d.path}</code>, {size(d.bytes)}: {d.counts.finds} finds,{' '}
        {d.counts.events} answers, {d.counts.photos} pictures, {d.counts.kitchen} lines of the kitchen. Copying that
        file while the program runs is no backup: what was entered last lies beside it.
      </p>
      <Part id="backup-h" title="Backup">
        <p>
          <b>
            {d.lastMs
              ? `The last backup was made ${ago(d.lastMs, now)} (${moment(d.lastMs)}).`
              : 'No backup was made yet, as far as is known here.'}
          </b>
          {d.lastTo && (
            <>
              {' '}
              <Soft>{d.lastTo}</Soft>
            </>
          )}
        </p>
        <div>
          <Next isDisabled={d.running || backup.isPending} onPress={() => backup.mutate()}>
            Make a backup now
          </Next>
        </div>
        {d.running && (
          <p role="status">
            Writing… <progress max={1} value={d.share} aria-label="How much of the backup is written" />{' '}
            {Math.round(100 * d.share)} %. You can go on working.
          </p>
        )}
        {!d.running && d.done && <p role="status">Written and read through once: {d.done}.</p>}
        {d.problem && <Note role="alert">{d.problem}</Note>}
        <Refused error={backup.error} />
        <Soft>
          Backups lie in {d.folder}. Copy one of them to another machine or a stick: a backup beside the original is
          lost with it.
        </Soft>
      </Part>
      <Part id="restore-h" title="Put a backup back">
        <p>
          It takes the place of everything that is here now. What is here is kept beside it, under a name with today’s
          date; nothing is overwritten.
        </p>
        {d.backups.length === 0 && <p>There is no backup in the folder yet.</p>}
        <Rows>
          {d.backups.map((b) => (
            <Backup key={b.name} backup={b} />
          ))}
        </Rows>
        <label>
          Bring a backup from elsewhere{' '}
          <input
            type="file"
            accept=".db"
            onChange={(e) => {
              const f = e.target.files?.[0];
              if (f) bring.mutate(f);
              e.target.value = '';
            }}
          />
        </label>
        {bring.isPending && <p role="status">Reading it through…</p>}
        {bring.data && <p role="status">{bring.data} holds together and is in the list.</p>}
        <Refused error={bring.error} />
      </Part>
      <Part id="check-h" title="Is everything there?">
        <div>
          <Button isDisabled={check.isPending} onPress={() => check.mutate()}>
            Look through all of it
          </Button>
        </div>
        {check.isPending && <p role="status">Looking through it…</p>}
        {d.check && <Found check={d.check} />}
        <Refused error={check.error} />
      </Part>
    </Page>
  );
}

function Backup({ backup: b }: { backup: S['BackupInfo'] }) {
  const client = useQueryClient();
  const [sure, setSure] = useState(false);
  const restore = useMutation({
    mutationFn: () => restoreBackup(b.name),
    networkMode: 'always',
    onSuccess: () => {
      setSure(false);
      return client.invalidateQueries();
    },
  });
  return (
    <li>
      <span>
        <b>{b.name}</b>
        <br />
        <Soft>
          {moment(b.atMs)}, {size(b.bytes)}
        </Soft>
      </span>
      <a href={backupUrl(b.name)} download={b.name}>
        Save a copy
      </a>
      {sure ? (
        <>
          <b>Everything as it was then?</b>{' '}
          <Button isDisabled={restore.isPending} onPress={() => restore.mutate()}>
            Yes, put it back
          </Button>{' '}
          <Button onPress={() => setSure(false)}>No</Button>
        </>
      ) : (
        <Button onPress={() => setSure(true)}>Put this back…</Button>
      )}
      {restore.isPending && <span role="status">Putting it back…</span>}
      {restore.data && <span role="status">It is back. What was here before is kept at {restore.data.kept}.</span>}
      <Refused error={restore.error} />
    </li>
  );
}

function Found({ check: c }: { check: S['Findings'] }) {
  return (
    <>
      <p role="status">
        <b>{c.whole ? 'Everything can be read.' : 'Not everything can be read; the rest works.'}</b> {c.finds} finds and{' '}
        {c.lines} lines of the kitchen hold together. <Soft>Looked through {moment(c.atMs)}.</Soft>
      </p>
      {c.faults.length > 0 && (
        <>
          <h3>The file</h3>
          <ul>
            {c.faults.map((f) => (
              <li key={f}>{f}</li>
            ))}
          </ul>
        </>
      )}
      {c.aside.length > 0 && (
        <>
          <h3>Set aside</h3>
          <ul>
            {c.aside.map((a, i) => (
              <li key={i}>
                <b>
                  {a.what} {a.id}
                </b>
                : {a.why} {a.said && <Soft>It says: {a.said}</Soft>}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
