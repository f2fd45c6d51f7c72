import { useState } from 'react';
import styled from 'styled-components';
import type { S } from '../api/client';
import { usePeople, usePlaces, useTaxa } from '../api/hooks';
import { Button, Chip, Chips, Field, Next, Soft } from '../theme/bits';

const Form = styled.form`
  display: grid;
  gap: 18px;
  max-width: 760px;
  .three {
    display: grid;
    grid-template-columns: 1.4fr 1fr 1fr;
    gap: 12px;
  }
  @media (max-width: 600px) {
    .three {
      grid-template-columns: 1fr;
    }
  }
`;

type Props = { walk: S['Walk']; busy: boolean; submit: string; onWalk: (w: S['Walk']) => void; onSubmit: () => void };

/** Place, day, hours, company, and what is hoped for. */
export function WalkForm({ walk: w, busy, submit, onWalk, onSubmit }: Props) {
  const places = usePlaces();
  const people = usePeople();
  const [q, setQ] = useState('');
  const [names, setNames] = useState<Record<string, string>>({});
  const found = useTaxa(q);
  const hopes = w.hopes ?? [];
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        onSubmit();
      }}
    >
      <Field>
        A name for it
        <input value={w.title ?? ''} maxLength={120} onChange={(e) => onWalk({ ...w, title: e.target.value })} />
      </Field>
      <Field>
        Place
        <select value={w.place ?? ''} onChange={(e) => onWalk({ ...w, place: e.target.value || undefined })}>
          <option value="">not chosen</option>
          {places.data?.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
      </Field>
      <div className="three">
        <Field>
          Day
          <input type="date" required value={w.day} onChange={(e) => onWalk({ ...w, day: e.target.value })} />
        </Field>
        <Field>
          From
          <input type="time" value={w.from ?? ''} onChange={(e) => onWalk({ ...w, from: e.target.value })} />
        </Field>
        <Field>
          To
          <input type="time" value={w.to ?? ''} onChange={(e) => onWalk({ ...w, to: e.target.value })} />
        </Field>
      </div>
      <Chips role="group" aria-label="Who comes">
        {people.data?.map((p) => {
          const on = w.people?.includes(p.name) ?? false;
          return (
            <Chip
              key={p.id}
              $on={on}
              aria-pressed={on}
              onPress={() =>
                onWalk({ ...w, people: on ? w.people?.filter((x) => x !== p.name) : [...(w.people ?? []), p.name] })
              }
            >
              {p.name}
            </Chip>
          );
        })}
      </Chips>
      <Field>
        What do you hope for?
        <input type="search" value={q} onChange={(e) => setQ(e.target.value)} />
      </Field>
      {q.length > 1 && (
        <Chips>
          {found.data?.slice(0, 6).map((h) => (
            <Button
              key={h.id}
              onPress={() => {
                setNames({ ...names, [h.id]: h.common });
                onWalk({ ...w, hopes: [...new Set([...hopes, h.id])] });
                setQ('');
              }}
            >
              Add {h.common}
            </Button>
          ))}
        </Chips>
      )}
      {hopes.length > 0 && (
        <Chips role="group" aria-label="Hoped for">
          {hopes.map((h) => (
            <Button
              key={h}
              aria-label={`Take ${names[h] ?? h} away`}
              onPress={() => onWalk({ ...w, hopes: hopes.filter((x) => x !== h) })}
            >
              {names[h] ?? h.replaceAll('-', ' ')} ×
            </Button>
          ))}
        </Chips>
      )}
      <Next type="submit" isDisabled={busy}>
        {submit}
      </Next>
      <Soft>What comes back begins with the dangers that share the ground and the week.</Soft>
    </Form>
  );
}
