import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Answer, S, Trait } from '../api/client';
import { Field, Next, Soft } from '../theme/bits';
import { measured, type Look } from './answer';
import { handParts, inInches, readLength } from './measure';

const Form = styled.form`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  label {
    max-width: 210px;
  }
  p {
    flex-basis: 100%;
  }
`;

type Props = {
  trait: Trait;
  busy: boolean;
  look: Look;
  hand?: S['Hand'];
  taken?: { value: number; error: number };
  onAnswer: (a: Answer) => void;
};

/** A length or a number, with what the way of measuring leaves open. */
export function MeasureForm({ trait, busy, look, hand, taken, onAnswer }: Props) {
  const unit = trait.unit ?? 'cm';
  const round = (v: number) => String(Math.round(v * 100) / 100);
  const [text, setText] = useState(taken ? `${round(taken.value)} ${unit}` : '');
  const [error, setError] = useState(taken ? `${round(taken.error)} ${unit}` : '');
  const count = unit === 'count';
  const read = readLength(text, unit, hand);
  const slack = error === '' ? read?.error : readLength(error, unit, hand)?.value;
  const bad =
    text !== '' && (read === undefined || read.value < (trait.min ?? 0) || read.value > (trait.max ?? Infinity));
  const own = handParts.filter((p) => hand?.[p.id]);
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        if (read && !bad && slack !== undefined) onAnswer(measured(trait, read.value, slack, look));
      }}
    >
      <Field>
        {count ? 'How many' : 'Reading (cm, mm or in)'}
        <input
          value={text}
          onChange={(e) => setText(e.target.value)}
          inputMode={count ? 'numeric' : 'text'}
          aria-invalid={bad}
          aria-describedby="measure-note"
          autoComplete="off"
        />
      </Field>
      <Field>
        Give or take
        <input
          value={error}
          onChange={(e) => setError(e.target.value)}
          placeholder={read?.error ? round(read.error) : '0'}
          autoComplete="off"
        />
      </Field>
      <Next type="submit" isDisabled={busy || read === undefined || bad || slack === undefined}>
        Store it
      </Next>
      <p id="measure-note" role="status">
        {bad && read === undefined
          ? `That can’t be read. Write a number${count ? '' : ', with cm, mm, in or ft; or with palms, fingers or spans once your hand is measured'}.`
          : bad
            ? `That can’t be: between ${trait.min} and ${trait.max}${count ? '' : ` ${unit}`}.`
            : read && !count
              ? `${read.value.toFixed(1)} ${unit}, ${inInches(read.value, unit)}${slack ? `, give or take ${round(slack)} ${unit}` : ''}`
              : ''}
      </p>
      {!count && (
        <Soft>
          {own.length > 0 ? (
            <>
              Your own hand measures too: {own.map((p) => `${p.word} ${hand?.[p.id]} cm`).join(', ')}. Write “2{' '}
              {own[0]!.word}s”.
            </>
          ) : (
            <>
              Your own hand can measure: <Link to="/you">measure it once</Link>.
            </>
          )}
        </Soft>
      )}
    </Form>
  );
}
