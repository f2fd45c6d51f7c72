import { useState } from 'react';
import { useCook, useKitchen } from '../api/hooks';
import { Button, Field } from '../theme/bits';
import { Deed, Refused } from '../theme/deed';
import type { Lot } from './lots';

/** Throwing away, weighing again, holding. */
export function Upkeep({ lot: l }: { lot: Lot }) {
  const kitchen = useKitchen();
  const cook = useCook();
  const unit = (kitchen.data?.unit ?? 'g') as 'g';
  const [threw, setThrew] = useState('');
  const [why, setWhy] = useState('');
  const [pieces, setPieces] = useState('');
  const [weight, setWeight] = useState('');
  const [because, setBecause] = useState('');
  const [hold, setHold] = useState('');
  const seen = { [l.id]: l.rev };
  return (
    <details>
      <summary>
        <b>Throw away, weigh again, hold</b>
      </summary>
      <Deed
        aria-label="Throw away"
        onSubmit={(e) => {
          e.preventDefault();
          cook.mutate(
            { kind: 'threw', lot: l.id, amount: threw, unit, pieces: Number(pieces) || 0, why, seen },
            {
              onSuccess: () => {
                setThrew('');
                setWhy('');
                setPieces('');
              },
            },
          );
        }}
      >
        <Field>
          Thrown away, {unit}
          <input inputMode="decimal" value={threw} onChange={(e) => setThrew(e.target.value)} />
        </Field>
        <Button onPress={() => setThrew('all')}>All of it</Button>
        {l.bag && l.pieces > 0 && (
          <Field>
            How many pieces
            <input inputMode="numeric" value={pieces} onChange={(e) => setPieces(e.target.value)} />
          </Field>
        )}
        <Field className="wide">
          Why
          <input value={why} maxLength={500} onChange={(e) => setWhy(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={!threw || cook.isPending}>
          Throw it away
        </Button>
      </Deed>
      <Deed
        aria-label="Weigh again"
        onSubmit={(e) => {
          e.preventDefault();
          cook.mutate(
            { kind: 'corrected', lot: l.id, amount: weight, unit, why: because, seen },
            {
              onSuccess: () => {
                setWeight('');
                setBecause('');
              },
            },
          );
        }}
      >
        <Field>
          Weighed again, {unit}
          <input inputMode="decimal" value={weight} onChange={(e) => setWeight(e.target.value)} />
        </Field>
        <Field className="wide">
          Why it differs
          <input value={because} maxLength={500} onChange={(e) => setBecause(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={!weight || !because.trim() || cook.isPending}>
          Set it right
        </Button>
      </Deed>
      <Deed
        aria-label="Hold"
        onSubmit={(e) => {
          e.preventDefault();
          cook.mutate({ kind: 'held', lot: l.id, why: hold, seen }, { onSuccess: () => setHold('') });
        }}
      >
        <Field className="wide">
          A doubt about it
          <input value={hold} maxLength={500} onChange={(e) => setHold(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={!hold.trim() || cook.isPending}>
          Hold it, and all it touched
        </Button>
      </Deed>
      <Refused error={cook.error} />
    </details>
  );
}
