import { useState } from 'react';
import { Deed } from '../theme/deed';
import { moment } from '../kitchen/when';
import { Button, Field } from '../theme/bits';
import type { Incident } from './draft';

/** Who was called and what they said, with the time. */
export function Calls({ doc, onChange }: { doc: Incident; onChange: (f: (d: Incident) => Incident) => void }) {
  const [whom, setWhom] = useState('');
  const [said, setSaid] = useState('');
  return (
    <>
      <ul style={{ margin: 0 }}>
        {doc.calls.map((c, i) => (
          <li key={i}>
            {moment(c.atMs)}: <b>{c.whom}</b>: {c.said}
          </li>
        ))}
      </ul>
      <Deed
        aria-label="Add a call"
        onSubmit={(e) => {
          e.preventDefault();
          onChange((d) => ({ ...d, calls: [...d.calls, { atMs: Date.now(), whom: whom.trim(), said: said.trim() }] }));
          setWhom('');
          setSaid('');
        }}
      >
        <Field>
          Whom you called
          <input value={whom} maxLength={120} onChange={(e) => setWhom(e.target.value)} />
        </Field>
        <Field className="wide">
          What they said
          <input value={said} maxLength={1000} onChange={(e) => setSaid(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={!whom.trim()}>
          Add the call
        </Button>
      </Deed>
    </>
  );
}
