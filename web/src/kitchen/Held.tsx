import { useState } from 'react';
import { Link } from 'react-router';
import type { S } from '../api/client';
import { useCook } from '../api/hooks';
import { Button, Field, Note, Soft } from '../theme/bits';
import { Deed, Part, Refused, Tick } from '../theme/deed';
import { moment } from './when';

/** Why it is held, and the two ways on: look at every piece again, or take the hold off by name and reason. */
export function Held({ trace: { lot: l } }: { trace: S['TraceView'] }) {
  const cook = useCook();
  const [by, setBy] = useState('');
  const [why, setWhy] = useState('');
  const [pieces, setPieces] = useState(l.pieces ? String(l.pieces) : '');
  const [checked, setChecked] = useState('');
  const seen = { [l.id]: l.rev };
  const [each, setEach] = useState(false);
  const own = l.holds.some((h) => h.lot === l.id && !h.unlooked);
  const unlooked = l.holds.filter((h) => h.unlooked);
  const elsewhere = [...new Set(unlooked.map((h) => h.lot))].filter((x) => x !== l.id);
  return (
    <Part id="held-h" title="Held">
      <ul>
        {l.holds.map((h) => (
          <li key={`${h.lot} ${h.atMs} ${h.why}`}>
            {h.why}
            {h.lot !== l.id && `, laid on ${h.lot}`} <Soft>({moment(h.atMs)})</Soft>
          </li>
        ))}
      </ul>
      {unlooked.length > 0 && (
        <Note>
          <b>What nobody looked at is not eaten.</b> Look at each piece by itself now and write down how many, or throw
          away what is left and say how many pieces that was. No word takes this hold off.
          {elsewhere.length > 0 && (
            <>
              {' '}
              It lies on{' '}
              {elsewhere.map((x) => (
                <Link key={x} to={`/kitchen/${x}`}>
                  {x}{' '}
                </Link>
              ))}
            </>
          )}
        </Note>
      )}
      {l.bag && (
        <Deed
          aria-label="Every piece looked at again"
          onSubmit={(e) => {
            e.preventDefault();
            cook.mutate({
              kind: 'rechecked',
              lot: l.id,
              pieces: each ? 0 : Number(pieces),
              checked: each ? 0 : Number(checked),
              each,
              seen,
            });
          }}
        >
          <Field>
            Pieces in the bag now
            <input inputMode="numeric" value={pieces} onChange={(e) => setPieces(e.target.value)} />
          </Field>
          <Field>
            Looked at, one by one
            <input inputMode="numeric" value={checked} onChange={(e) => setChecked(e.target.value)} />
          </Field>
          {!Number(pieces) && (
            <Tick>
              <input type="checkbox" checked={each} onChange={(e) => setEach(e.target.checked)} /> not counted, but each
              one was looked at by itself
            </Tick>
          )}
          <Button type="submit" isDisabled={(!each && (!Number(pieces) || checked === '')) || cook.isPending}>
            Write it down
          </Button>
          <Soft>A mixed bag is sorted when every single piece was looked at again after it was found mixed.</Soft>
        </Deed>
      )}
      {own ? (
        <Deed
          aria-label="Take the hold off"
          onSubmit={(e) => {
            e.preventDefault();
            cook.mutate({ kind: 'freed', lot: l.id, by, why, seen });
          }}
        >
          <Field>
            Who takes the hold off
            <input value={by} maxLength={80} onChange={(e) => setBy(e.target.value)} />
          </Field>
          <Field className="wide">
            Why, and on whose word
            <input value={why} maxLength={500} onChange={(e) => setWhy(e.target.value)} />
          </Field>
          <Button type="submit" isDisabled={!by.trim() || !why.trim() || cook.isPending}>
            Take it off
          </Button>
          <Soft>What follows from the find itself (mixed, to be left) comes back until the find says otherwise.</Soft>
        </Deed>
      ) : (
        unlooked.length < l.holds.length && (
          <Soft>It is held with the lot on which the hold was laid; take it off there.</Soft>
        )
      )}
      <Refused error={cook.error} />
    </Part>
  );
}
