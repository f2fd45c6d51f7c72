import { useState } from 'react';
import { useCook, useKitchen } from '../api/hooks';
import { Button, Field, Soft } from '../theme/bits';
import { Deed, Part, Refused } from '../theme/deed';
import { expected, nextCode, type Lot } from './lots';

type Line = { lot: string; amount: string };
type Into = { lot: string; amount: string; form: string };
const forms = ['cooked', 'dried', 'frozen', 'pickled', 'ground', 'extract', 'fresh'];

/** Makes batches of lots: what goes in, what comes out, and what was added or thrown away; the rest is loss. */
export function Make({ lot: l }: { lot: Lot }) {
  const kitchen = useKitchen();
  const cook = useCook();
  const lots = kitchen.data?.lots ?? [];
  const unit = kitchen.data?.unit ?? 'g';
  const codes = kitchen.data?.codes ?? [];
  const [from, setFrom] = useState<Line[]>([{ lot: l.id, amount: '' }]);
  const [to, setTo] = useState<Into[]>([{ lot: '', amount: '', form: 'cooked' }]);
  const [added, setAdded] = useState('');
  const [discard, setDiscard] = useState('');
  // The same kind only; what is held is not mixed in.
  const mates = lots.filter(
    (x) => x.taxon?.id === l.taxon?.id && x.part === l.part && x.state !== 'held' && x.state !== 'empty',
  );
  const codeOf = (i: number) =>
    to[i]!.lot ||
    nextCode(
      [...codes, ...to.slice(0, i).map((_, k) => to[k]!.lot || `D${Number(nextCode(codes, 'D').slice(1)) + k}`)],
      'D',
    );
  const set = <T,>(list: T[], i: number, x: Partial<T>) => list.map((y, k) => (k === i ? { ...y, ...x } : y));
  const send = () =>
    cook.mutate(
      {
        kind: 'made',
        unit: unit as 'g',
        from,
        to: to.map((t, i) => ({ ...t, lot: codeOf(i) })),
        added,
        discard,
        loss: 'rest',
        seen: Object.fromEntries(from.map((f) => [f.lot, lots.find((x) => x.id === f.lot)?.rev ?? 0])),
      },
      {
        onSuccess: () => {
          setFrom([{ lot: l.id, amount: '' }]);
          setTo([{ lot: '', amount: '', form: 'cooked' }]);
          setAdded('');
          setDiscard('');
        },
      },
    );
  const hint = from.length === 1 ? expected(l, to[0]!.form, from[0]!.amount) : undefined;
  return (
    <Part id="make-h" title="Clean, split, mix, dry, freeze, cook">
      {from.map((f, i) => (
        <Deed as="div" key={i}>
          <Field>
            {i === 0 ? 'Of' : 'and of'}
            <select value={f.lot} onChange={(e) => setFrom(set(from, i, { lot: e.target.value }))}>
              {mates.map((m) => (
                <option key={m.id} value={m.id}>
                  {m.id} ({m.form}, {m.left})
                </option>
              ))}
            </select>
          </Field>
          <Field>
            Goes in, {unit}
            <input
              inputMode="decimal"
              value={f.amount}
              onChange={(e) => setFrom(set(from, i, { amount: e.target.value }))}
            />
          </Field>
          <Button onPress={() => setFrom(set(from, i, { amount: 'all' }))}>All that is left</Button>
          {i === from.length - 1 && mates.length > from.length && (
            <Button
              onPress={() =>
                setFrom([...from, { lot: mates.find((m) => !from.some((x) => x.lot === m.id))!.id, amount: '' }])
              }
            >
              Mix in another
            </Button>
          )}
        </Deed>
      ))}
      {to.map((t, i) => (
        <Deed as="div" key={i}>
          <Field>
            {i === 0 ? 'Becomes' : 'and'}
            <select value={t.form} onChange={(e) => setTo(set(to, i, { form: e.target.value }))}>
              {forms.map((f) => (
                <option key={f}>{f}</option>
              ))}
            </select>
          </Field>
          <Field>
            Comes out, {unit}
            <input
              inputMode="decimal"
              value={t.amount}
              onChange={(e) => setTo(set(to, i, { amount: e.target.value }))}
            />
          </Field>
          <Field>
            Code
            <input
              value={codeOf(i)}
              maxLength={20}
              onChange={(e) => setTo(set(to, i, { lot: e.target.value.toUpperCase() }))}
            />
          </Field>
          {i === to.length - 1 && to.length < 6 && (
            <Button onPress={() => setTo([...to, { lot: '', amount: '', form: t.form }])}>Split into one more</Button>
          )}
        </Deed>
      ))}
      <Deed
        onSubmit={(e) => {
          e.preventDefault();
          send();
        }}
      >
        <Field>
          Added (water, salt), {unit}
          <input inputMode="decimal" value={added} onChange={(e) => setAdded(e.target.value)} />
        </Field>
        <Field>
          Thrown away, {unit}
          <input inputMode="decimal" value={discard} onChange={(e) => setDiscard(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={cook.isPending || from.some((f) => !f.amount) || to.some((t) => !t.amount)}>
          Write it down
        </Button>
      </Deed>
      <Soft>
        What is missing after that went off as water or dirt and is kept as loss.{' '}
        {hint && `By your own record about ${hint} ${unit} would come out.`}
      </Soft>
      {cook.isSuccess && <p role="status">Written down.</p>}
      <Refused error={cook.error} />
    </Part>
  );
}
