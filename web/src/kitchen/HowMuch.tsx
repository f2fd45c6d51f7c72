import { useState } from 'react';
import styled from 'styled-components';
import { saveStand, type S } from '../api/client';
import { useKitchenChange, useSettings } from '../api/hooks';
import { Button, Field, Next, Soft } from '../theme/bits';
import { Deed, Part, Refused, Tick } from '../theme/deed';

const Ladder = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    display: grid;
    grid-template-columns: minmax(2px, var(--w)) auto 1fr;
    gap: 10px;
    align-items: center;
    padding: 3px 0;
  }
  li > i {
    height: 16px;
    background: var(--bramble);
  }
  li > b {
    min-width: 40px;
    font-family: var(--head);
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 48px 1fr;
    }
    li > i {
      display: none;
    }
  }
`;
const Big = styled.p`
  font-family: var(--head);
  font-weight: 800;
  font-size: 1.7rem;
  line-height: 1.15;
`;

type Stand = S['HereNow'];
const blank = (s?: Stand) => ({
  here: String(s?.here ?? ''),
  within: String(s?.within ?? ''),
  others: String(s?.others ?? ''),
  need: String(s?.need ?? ''),
  people: String(s?.people || 1),
  each: s?.each ?? '',
  share: s?.share ?? '',
  estimated: s?.estimated ?? false,
});

/** What is here, what stays, what the rules leave: one amount, with its reasons. */
export function HowMuch({ find, how: h }: { find: string; how: S['HowMuch'] }) {
  const settings = useSettings();
  const save = useKitchenChange((s: Stand) => saveStand(find, s));
  const [d, setD] = useState(() => blank(h.stand));
  const [more, setMore] = useState(Boolean(h.stand && (h.stand.each || h.stand.others || h.stand.share)));
  const unit = h.stand?.unit || settings.data?.unit || 'g';
  const n = (t: string) => Math.max(0, Math.round(Number(t) || 0));
  const number = (
    key: Exclude<keyof typeof d, 'estimated'>,
    label: string,
    mode: 'numeric' | 'decimal' = 'numeric',
  ) => (
    <Field>
      {label}
      <input inputMode={mode} value={d[key]} onChange={(e) => setD({ ...d, [key]: e.target.value })} />
    </Field>
  );
  const most = Math.max(1, ...h.steps.map((s) => s.pieces));
  return (
    <Part id="much-h" title="How much">
      <Deed
        onSubmit={(e) => {
          e.preventDefault();
          save.mutate({
            here: n(d.here),
            estimated: d.estimated,
            within: n(d.within),
            others: n(d.others),
            need: n(d.need),
            people: n(d.people),
            each: d.each,
            share: d.share,
            unit: unit,
            rev: h.stand?.rev,
          });
        }}
      >
        {number('here', 'Pieces here')}
        <Tick>
          <input type="checkbox" checked={d.estimated} onChange={(e) => setD({ ...d, estimated: e.target.checked })} />{' '}
          an estimate
        </Tick>
        {d.estimated && number('within', 'may be off by')}
        {number('need', 'You need, pieces')}
        {more && (
          <>
            {number('others', 'Stay for bees, birds, caterpillars')}
            {number('each', `One weighs, ${unit}`, 'decimal')}
            {number('people', 'People who pick')}
            {number('share', `Your share (else ${h.share})`, 'decimal')}
          </>
        )}
        <Next type="submit" isDisabled={!d.here || save.isPending}>
          How much may I take?
        </Next>
        {!more && <Button onPress={() => setMore(true)}>More to say…</Button>}
      </Deed>
      <Refused error={save.error} />
      {h.stand && (
        <div role="status" style={{ display: 'grid', gap: 8 }}>
          <Big>
            {h.pieces === 0 ? 'Take none.' : `Take ${h.pieces} at most${h.weight ? `, about ${h.weight}` : ''}.`}
          </Big>
          <Ladder>
            {h.steps.map((s, i) => (
              <li key={i} style={{ ['--w' as string]: `${(s.pieces / most) * 220}px` }}>
                <i aria-hidden="true" />
                <b>{s.pieces}</b>
                <span>{s.why}</span>
              </li>
            ))}
          </Ladder>
          {h.open.length > 0 && (
            <ul>
              {h.open.map((o) => (
                <li key={o}>{o}</li>
              ))}
            </ul>
          )}
        </div>
      )}
      <Soft>
        At most {Math.round(Number(h.share) * 100)} in 100 of this part by default: {h.why}. Common practice, no source.
        A limit of the place comes first.
      </Soft>
    </Part>
  );
}
