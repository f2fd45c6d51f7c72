import { useState } from 'react';
import { useTaxa } from '../api/hooks';
import { Button, Field } from '../theme/bits';

export type Entry = { id: string; common: string };

/** One entry of the guide, by any name. */
export function EntryField({ label, value, onPick }: { label: string; value?: Entry; onPick: (t?: Entry) => void }) {
  const [q, setQ] = useState('');
  const found = useTaxa(q);
  if (value)
    return (
      <Button aria-label={`${label}: ${value.common}; choose another`} onPress={() => onPick(undefined)}>
        {value.common} ✕
      </Button>
    );
  return (
    <>
      <Field>
        {label}
        <input type="search" value={q} placeholder="any name" onChange={(e) => setQ(e.target.value)} />
      </Field>
      {q.length > 1 &&
        found.data?.slice(0, 4).map((h) => (
          <Button
            key={h.id}
            onPress={() => {
              onPick({ id: h.id, common: h.common });
              setQ('');
            }}
          >
            {h.common}
          </Button>
        ))}
    </>
  );
}
