import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useCook, useKitchen } from '../api/hooks';
import { Button, Field, Next, Note, Soft } from '../theme/bits';
import { Deed, Part, Refused, Tick } from '../theme/deed';
import { Felt } from './Felt';
import { fromLocal } from './when';

const Table = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    display: grid;
    grid-template-columns: 130px 1fr;
    gap: 4px 14px;
    padding: 6px 0;
    border-top: 1px solid var(--line);
  }
`;

/** Who may eat of it and how, then the plate itself; and how each first taste was. */
export function Eat({ trace }: { trace: S['TraceView'] }) {
  const { lot: l, people, eaters } = trace;
  const kitchen = useKitchen();
  const cook = useCook();
  const [who, setWho] = useState('');
  const [amount, setAmount] = useState('');
  const [at, setAt] = useState('');
  const [meal, setMeal] = useState('');
  const [dry, setDry] = useState(false);
  const may = people.filter((p) => p.may);
  const person = may.find((p) => p.person === who);
  const here = eaters.filter((e) => e.lot === l.id || l.children.includes(e.lot));
  const eat = () =>
    cook.mutate(
      {
        kind: 'ate',
        lot: l.id,
        person: who,
        amount,
        ...(meal.trim() ? { meal: meal.trim() } : {}),
        ...(at ? { atMs: fromLocal(at) } : {}),
        unit: (kitchen.data?.unit ?? 'g') as 'g',
        first: person?.first ?? false,
        noAlcohol: dry,
        seen: { [l.id]: l.rev },
      },
      {
        onSuccess: () => {
          setWho('');
          setAmount('');
          setAt('');
          setDry(false);
        },
      },
    );
  return (
    <Part id="eat-h" title="Who may eat of it">
      <Table>
        {people.map((p) => (
          <li key={p.person}>
            <b>{p.name}</b>
            <span>
              {!p.may ? (
                <>Not now. {p.why}</>
              ) : p.first ? (
                'A first taste of their own: a little, cooked, no alcohol, then a wait.'
              ) : (
                'Has tasted this kind; no reaction was put down.'
              )}
            </span>
          </li>
        ))}
      </Table>
      {people.length === 0 && (
        <p>
          Nobody is known here yet. <Link to="/you">Add whoever eats</Link>: what is refused to one may be open to
          another.
        </p>
      )}
      {may.length > 0 && (
        <>
          {may.some((p) => p.first) && l.form !== 'cooked' && (
            <Note>A first taste is cooked; this is {l.form}. Cook a little of it below.</Note>
          )}
          {may.some((p) => p.first) && !l.sampled && (
            <Note>
              Before a first taste: put some of it by, raw, labelled, cold.{' '}
              <Button isDisabled={cook.isPending} onPress={() => cook.mutate({ kind: 'sampled', lot: l.id })}>
                A raw sample is put by
              </Button>
            </Note>
          )}
          <Deed
            aria-label="A plate"
            onSubmit={(e) => {
              e.preventDefault();
              eat();
            }}
          >
            <Field>
              Who eats
              <select value={who} onChange={(e) => setWho(e.target.value)}>
                <option value="">…</option>
                {may.map((p) => (
                  <option key={p.person} value={p.person}>
                    {p.name}
                    {p.first ? ' (first taste)' : ''}
                  </option>
                ))}
              </select>
            </Field>
            <Field>
              How much, {kitchen.data?.unit ?? 'g'}
              <input inputMode="decimal" value={amount} onChange={(e) => setAmount(e.target.value)} />
            </Field>
            <Field>
              When, if not now
              <input type="datetime-local" value={at} onChange={(e) => setAt(e.target.value)} />
            </Field>
            {!person?.first && (
              <Field>
                Part of a meal
                <input
                  value={meal}
                  maxLength={60}
                  placeholder="Sunday’s soup"
                  onChange={(e) => setMeal(e.target.value)}
                />
              </Field>
            )}
            {person?.first && (
              <Tick>
                <input type="checkbox" checked={dry} onChange={(e) => setDry(e.target.checked)} /> No alcohol,
                yesterday, today and tomorrow
              </Tick>
            )}
            {person?.first ? (
              <Next type="submit" isDisabled={!amount || !dry || cook.isPending}>
                Eat a first taste, at most {kitchen.data?.most} g
              </Next>
            ) : (
              <Button type="submit" isDisabled={!person || !amount || cook.isPending}>
                They ate it
              </Button>
            )}
          </Deed>
          <Soft>
            A first taste: one new kind at a time, one person first. Then {kitchen.data?.wait} hours in which nobody
            else is served; the clock alone opens nothing.
          </Soft>
        </>
      )}
      <Refused error={cook.error} />
      {here.length > 0 && <Felt eaters={here} />}
    </Part>
  );
}
