import { useState } from 'react';
import styled from 'styled-components';
import { newKey, saveSign, type S } from '../api/client';
import { useGround } from '../api/hooks';
import { EntryField, type Entry } from '../guide/EntryField';
import { Button, Field, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';
import { signOf, signDefaults, type SignDraft } from './sign';

const Form = styled.form`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  label {
    max-width: 170px;
  }
`;
const kinds: [S['Sign']['kind'], string][] = [
  ['rain', 'after rain'],
  ['frost', 'after the first frost'],
  ['fire', 'after the place burnt'],
  ['flower', 'when another has flowered'],
  ['feast', 'about a feast day'],
];

/** A sign and its amounts: how much rain, how cold, how many days after, how sure. */
export function SignForm({ place }: { place: string }) {
  const save = useGround(saveSign);
  const [taxon, setTaxon] = useState<Entry>();
  const [other, setOther] = useState<Entry>();
  const [d, setD] = useState<SignDraft>(signDefaults);
  const problem = save.error;
  const number = (key: 'from' | 'to' | 'sd' | 'rain' | 'within' | 'below', label: string) => (
    <Field key={key}>
      {label}
      <input inputMode="decimal" value={d[key]} onChange={(e) => setD({ ...d, [key]: e.target.value })} />
    </Field>
  );
  return (
    <>
      <Form
        onSubmit={(e) => {
          e.preventDefault();
          if (taxon)
            save.mutate(signOf(d, newKey(), taxon.id, place, other?.id), { onSuccess: () => setTaxon(undefined) });
        }}
      >
        <EntryField label="For which entry?" value={taxon} onPick={setTaxon} />
        <Field>
          Sign
          <select value={d.kind} onChange={(e) => setD({ ...d, kind: e.target.value as S['Sign']['kind'] })}>
            {kinds.map(([k, l]) => (
              <option key={k} value={k}>
                {l}
              </option>
            ))}
          </select>
        </Field>
        {d.kind === 'rain' && [number('rain', 'Millimetres of rain'), number('within', 'within so many days')]}
        {d.kind === 'frost' && number('below', 'Frost is below, °C')}
        {d.kind === 'flower' && <EntryField label="Which other flowers?" value={other} onPick={setOther} />}
        {d.kind === 'feast' && (
          <Field>
            Feast day
            <input type="date" value={d.feast} onChange={(e) => setD({ ...d, feast: e.target.value })} />
          </Field>
        )}
        {number('from', 'From, days after')}
        {number('to', 'To, days after')}
        {number('sd', 'Give or take, days')}
        <Button type="submit" isDisabled={!taxon || save.isPending}>
          Keep the sign
        </Button>
      </Form>
      <p role="status">{save.isSuccess ? 'Kept.' : ''}</p>
      <Soft>The amounts that stand here at first are our own defaults; put in what you have seen.</Soft>
      <Refused error={problem} />
    </>
  );
}
