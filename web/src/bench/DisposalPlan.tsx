import { useState } from 'react';
import styled from 'styled-components';
import type { View } from '../api/client';
import { useGuide, useSetFacts } from '../api/hooks';
import { Field, Next, Note } from '../theme/bits';
import { Refused } from '../theme/deed';

const Days = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    display: grid;
    grid-template-columns: 118px 1fr;
    gap: 4px 16px;
    border-top: 1.5px solid var(--line);
    padding: 10px 0;
  }
  time {
    font-family: var(--head);
    font-weight: 700;
  }
  small {
    grid-column: 2;
    color: var(--ink-soft);
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 1fr;
    }
    small {
      grid-column: 1;
    }
  }
`;
const day = (iso: string) =>
  new Date(`${iso}T12:00`).toLocaleDateString(undefined, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  });

/** Where what is cut goes, and when: cut, leave, return. The hazard does not dry out. */
export function DisposalPlan({ view }: { view: View }) {
  const guide = useGuide();
  const save = useSetFacts(view.id);
  const was = view.facts.disposal;
  const [cut, setCut] = useState(was?.cut ?? view.day);
  const [weeks, setWeeks] = useState(String(was?.weeks ?? guide.data?.dryingWeeks ?? 8));
  const [place, setPlace] = useState(was?.place ?? '');
  const problem = save.error;
  const n = Number(weeks);
  const bad = !Number.isInteger(n) || n < 1 || n > 104;
  return (
    <div style={{ display: 'grid', gap: 14 }}>
      <Note>
        Gloves, long sleeves, eyes covered. Wash at once with soap. Never burn it. Dry or dead counts the same.
      </Note>
      <form
        style={{ display: 'grid', gap: 12 }}
        onSubmit={(e) => {
          e.preventDefault();
          if (!bad) save.mutate({ ...view.facts, disposal: { cut, weeks: n, place: place.trim() || undefined } });
        }}
      >
        <Field>
          Cut on
          <input type="date" required value={cut} onChange={(e) => setCut(e.target.value)} />
        </Field>
        <Field>
          Left to dry, in weeks
          <input inputMode="numeric" value={weeks} aria-invalid={bad} onChange={(e) => setWeeks(e.target.value)} />
        </Field>
        {bad && <Note role="alert">A whole number of weeks from 1 to 104, please.</Note>}
        <Field>
          Where it is left
          <input
            value={place}
            maxLength={160}
            placeholder="where nobody and no animal comes by"
            onChange={(e) => setPlace(e.target.value)}
          />
        </Field>
        <Refused error={problem} />
        <Next type="submit" isDisabled={save.isPending || bad}>
          {was ? 'Change the plan' : 'Make the plan'}
        </Next>
      </form>
      {view.plan && (
        <>
          <Days>
            {view.plan.days.map((d) => (
              <li key={d.day}>
                <time dateTime={d.day}>{day(d.day)}</time>
                <span>{d.what}</span>
                <small>{d.why}</small>
              </li>
            ))}
          </Days>
          <Note role="status">{view.plan.words} Local rules for such waste come first.</Note>
        </>
      )}
    </div>
  );
}
