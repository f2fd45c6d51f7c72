import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { S, View } from '../api/client';
import { useCook, useKitchen } from '../api/hooks';
import { Button, Field, Next, Note, Soft } from '../theme/bits';
import { Deed, Part, Refused, Tick } from '../theme/deed';
import { nextCode } from './lots';

/** One kind, one find, one bag, with its code, weights and the count of what was looked at one by one. */
export function Bagging({ view: v, how: h }: { view: View; how: S['HowMuch'] }) {
  const kitchen = useKitchen();
  const cook = useCook();
  const go = useNavigate();
  const lots = kitchen.data?.lots ?? [];
  const [code, setCode] = useState('');
  const kept = h.bands.filter((b) => b.what !== 'leave').reduce((n, b) => n + b.count, 0);
  const [d, setD] = useState({ gross: '', tare: '', pieces: '', basket: '', each: false });
  const id = code || nextCode(kitchen.data?.codes ?? [], 'B');
  const pieces = d.pieces || (kept > 0 ? String(kept) : '');
  const checked = v.patch.passed + v.patch.failed;
  const bags = lots.filter((l) => l.find === v.id && l.bag);
  const put = (x: Partial<typeof d>) => setD({ ...d, ...x });
  const send = () =>
    cook.mutate(
      {
        kind: 'bagged',
        lot: id,
        find: v.id,
        gross: d.gross,
        tare: d.tare,
        unit: (kitchen.data?.unit ?? 'g') as 'g',
        pieces: Number(pieces) || 0,
        checked: Number(pieces) ? Math.min(checked, Number(pieces)) : 0,
        each: !Number(pieces) && d.each,
        basket: d.basket.trim(),
      },
      { onSuccess: () => void go(`/kitchen/${id}`) },
    );
  const Go = h.takeable ? Next : Button;
  return (
    <Part id="bag-h" title="Bag it">
      {bags.length > 0 && (
        <p>
          Bagged already:{' '}
          {bags.map((b) => (
            <Link key={b.id} to={`/kitchen/${b.id}`}>
              {b.id} ({b.made}){' '}
            </Link>
          ))}
        </p>
      )}
      <Deed
        onSubmit={(e) => {
          e.preventDefault();
          send();
        }}
      >
        <Field>
          Code on the bag
          <input value={id} maxLength={20} onChange={(e) => setCode(e.target.value.toUpperCase())} />
        </Field>
        <Field>
          Full bag, {kitchen.data?.unit ?? 'g'}
          <input inputMode="decimal" value={d.gross} onChange={(e) => put({ gross: e.target.value })} />
        </Field>
        <Field>
          Empty bag, {kitchen.data?.unit ?? 'g'}
          <input inputMode="decimal" value={d.tare} onChange={(e) => put({ tare: e.target.value })} />
        </Field>
        <Field>
          Pieces in it
          <input inputMode="numeric" value={pieces} onChange={(e) => put({ pieces: e.target.value })} />
        </Field>
        {!Number(pieces) && (
          <Tick>
            <input type="checkbox" checked={d.each} onChange={(e) => put({ each: e.target.checked })} /> not counted,
            but each one was looked at by itself
          </Tick>
        )}
        <Field>
          Basket it lay in
          <input value={d.basket} maxLength={40} onChange={(e) => put({ basket: e.target.value })} />
        </Field>
        <Go type="submit" isDisabled={!kitchen.data || !d.gross || !v.target || cook.isPending}>
          Bag it as {id}
        </Go>
      </Deed>
      {Number(pieces) > checked && (
        <Note role="status">
          <b>
            {Number(pieces) - checked} of {pieces} pieces were not looked at one by one.
          </b>{' '}
          The kitchen holds the bag for them, and whatever is made of it, until each was looked at or thrown away.
        </Note>
      )}
      {!Number(pieces) && !d.each && (
        <Note role="status">Without a count the bag is held until somebody says that each piece was looked at.</Note>
      )}
      <Soft>
        {checked} looked at one by one go with the bag. Bags of one basket touched each other: if one fails, all are
        held.
        {!h.takeable &&
          ' What is bagged before its checks are complete is held where the find says so, and waits in any case.'}
      </Soft>
      <Refused error={cook.error} />
    </Part>
  );
}
