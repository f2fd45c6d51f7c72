import { useState } from 'react';
import styled from 'styled-components';
import type { Answer, Trait } from '../api/client';
import { Field, Next } from '../theme/bits';
import { measured, readLength, type Look } from './answer';

const Form = styled.form`display: flex; flex-wrap: wrap; gap: 10px; align-items: end; label { max-width: 180px; }`;

export function MeasureForm({ trait, busy, look, onAnswer }: { trait: Trait; busy: boolean; look: Look; onAnswer: (a: Answer) => void }) {
  const [text, setText] = useState('');
  const [error, setError] = useState('');
  const count = trait.unit === 'count';
  const value = readLength(text, trait.unit ?? 'cm');
  const err = readLength(error || '0', trait.unit ?? 'cm');
  const bad = text !== '' && (value === undefined || value < (trait.min ?? 0) || value > (trait.max ?? Infinity));
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        if (value !== undefined && !bad && err !== undefined) onAnswer(measured(trait, value, err, look));
      }}
    >
      <Field>
        {count ? 'How many' : 'Reading (cm, mm or in)'}
        <input value={text} onChange={(e) => setText(e.target.value)} inputMode="decimal" aria-invalid={bad} aria-describedby="measure-note" />
      </Field>
      <Field>
        Give or take
        <input value={error} onChange={(e) => setError(e.target.value)} inputMode="decimal" placeholder="0" />
      </Field>
      <Next type="submit" isDisabled={busy || value === undefined || bad || err === undefined}>
        Store it
      </Next>
      <p id="measure-note" role="status">
        {bad ? `That can’t be: between ${trait.min} and ${trait.max} ${count ? '' : trait.unit}.` : value !== undefined && !count ? `${value.toFixed(1)} ${trait.unit}` : ''}
      </p>
    </Form>
  );
}
