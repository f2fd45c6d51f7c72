import { useState } from 'react';
import { Link } from 'react-router';
import type { S } from '../api/client';
import { useCook } from '../api/hooks';
import { Field, Next, NextLink, Soft } from '../theme/bits';
import { Deed, Part, Refused } from '../theme/deed';

/** The second look at home: where it stands for each find behind the lot, and the mark once it is made. */
export function SecondStep({ trace: { lot: l, finds, back } }: { trace: S['TraceView'] }) {
  const cook = useCook();
  const [by, setBy] = useState('');
  const bags = back.filter((b) => b.bag && b.state === 'second-look');
  return (
    <Part id="second-h" title="Second look at home">
      {finds.map((f) => (
        <div key={f.id} style={{ display: 'grid', gap: 8, justifyItems: 'start' }}>
          <p>
            <b>{f.title}</b>, {f.day}: {f.word}. {f.second.words}
          </p>
          {!f.second.ready && (
            <NextLink to={`/find/${f.id}/second`}>
              {f.second.home ? 'Go on with the second look' : 'Begin the second look'}
            </NextLink>
          )}
          {f.second.ready && l.bag && (
            <Deed
              onSubmit={(e) => {
                e.preventDefault();
                cook.mutate({ kind: 'looked', lot: l.id, by, seen: { [l.id]: l.rev } });
              }}
            >
              <Field>
                Who looked at what is in this bag
                <input value={by} maxLength={80} onChange={(e) => setBy(e.target.value)} />
              </Field>
              <Next type="submit" isDisabled={!by.trim() || cook.isPending}>
                The second look of this bag is made
              </Next>
              {f.second.same && (
                <Soft>
                  Field and table were looked at by the same person. A second pair of eyes is better where there is one.
                </Soft>
              )}
            </Deed>
          )}
        </div>
      ))}
      {bags.length > 0 && (
        <p>
          Open still:{' '}
          {bags.map((b) => (
            <Link key={b.id} to={`/kitchen/${b.id}`}>
              {b.id}{' '}
            </Link>
          ))}
        </p>
      )}
      <Refused error={cook.error} />
    </Part>
  );
}
