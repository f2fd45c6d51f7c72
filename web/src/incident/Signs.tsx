import { useState } from 'react';
import { useNow } from '../bench/useNow';
import { Deed } from '../theme/deed';
import { fromLocal, moment, toLocal } from '../kitchen/when';
import { Button, Field } from '../theme/bits';
import type { Incident } from './draft';

/** What somebody feels or shows, each with its time: the first one sets the clocks. */
export function Signs({ doc, onChange }: { doc: Incident; onChange: (f: (d: Incident) => Incident) => void }) {
  const [who, setWho] = useState('');
  const [what, setWhat] = useState('');
  const [at, setAt] = useState('');
  const now = useNow(15_000, true);
  const add = () => {
    onChange((d) => ({
      ...d,
      beganMs: d.beganMs || Date.now(),
      symptoms: [...d.symptoms, { atMs: fromLocal(at) || Date.now(), person: who.trim(), what: what.trim() }],
    }));
    setWhat('');
    setAt('');
  };
  return (
    <>
      <ul style={{ margin: 0 }}>
        {doc.symptoms.map((s, i) => (
          <li key={i}>
            <b>{s.what}</b>, {s.person || 'not said who'}, {moment(s.atMs)}
          </li>
        ))}
      </ul>
      <Deed
        aria-label="Add a sign"
        onSubmit={(e) => {
          e.preventDefault();
          if (what.trim()) add();
        }}
      >
        <Field>
          Who
          <input value={who} maxLength={80} onChange={(e) => setWho(e.target.value)} />
        </Field>
        <Field>
          Feels or shows
          <input
            value={what}
            maxLength={300}
            placeholder="nausea, rash, drowsy …"
            onChange={(e) => setWhat(e.target.value)}
          />
        </Field>
        <Field>
          Since, about
          <input type="datetime-local" value={at || toLocal(now)} onChange={(e) => setAt(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={!what.trim()}>
          Add it
        </Button>
      </Deed>
    </>
  );
}
