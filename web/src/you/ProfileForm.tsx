import { useState } from 'react';
import styled from 'styled-components';
import type { Problem, S } from '../api/client';
import { useGuide, useSavePerson } from '../api/hooks';
import { Chip, Chips, Field, Next, Note, Soft } from '../theme/bits';

const Form = styled.form`display: grid; gap: 22px; max-width: 760px; border-left: 6px solid var(--bramble); padding-left: 20px;
  fieldset { border: 0; padding: 0; margin: 0; display: grid; gap: 8px; } legend { font-family: var(--head); font-weight: 700; font-size: 1.15rem; padding: 0; margin-bottom: 6px; }
  .group { display: grid; gap: 4px; border-top: 1px solid var(--line); padding: 8px 0; }`;

const topics: Record<string, string> = { allergies: 'Allergies', illnesses: 'Illnesses', medicines: 'Medicines', pregnancy: 'Pregnancy or nursing', diet: 'Limits of diet' };
const facts: [string, string][] = [['pregnant', 'pregnant or nursing'], ['kidney-stones', 'kidney stones'], ['blood-thinner', 'blood-thinning medicine'], ['liver-illness', 'illness of the liver'], ['latex-fruit-allergy', 'allergy to nuts, latex or fruit'], ['carrot-family-allergy', 'allergy to the carrot family']];

export function ProfileForm({ person }: { person: S['Person'] }) {
  const [name, setName] = useState(person.name);
  const [p, setP] = useState(person.profile);
  const guide = useGuide();
  const save = useSavePerson();
  const problem = save.error as Problem | null;
  const flip = (list: string[], v: string) => (list.includes(v) ? list.filter((x) => x !== v) : [...list, v]);
  const sign = (group: string, by: string) => setP({ ...p, signOffs: [...p.signOffs.filter((s) => s.group !== group), ...(by ? [{ group, by }] : [])] });
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate({ id: person.id, name, profile: p });
      }}
    >
      <Field>Name<input value={name} maxLength={80} required onChange={(e) => setName(e.target.value)} /></Field>
      <fieldset>
        <legend>Eyes and nose</legend>
        <Chips>
          <Chip $on={p.colourDiffers} aria-pressed={p.colourDiffers} onPress={() => setP({ ...p, colourDiffers: !p.colourDiffers })}>I see colours differently</Chip>
          <Chip $on={p.smellWeak} aria-pressed={p.smellWeak} onPress={() => setP({ ...p, smellWeak: !p.smellWeak })}>I smell little, or have a cold</Chip>
        </Chips>
        <Soft>Then checks of form are offered instead.</Soft>
      </fieldset>
      <fieldset>
        <legend>Health: which of these have you thought through?</legend>
        <Chips>{(guide.data?.health ?? []).map((t) => <Chip key={t} $on={p.answered.includes(t)} aria-pressed={p.answered.includes(t)} onPress={() => setP({ ...p, answered: flip(p.answered, t) })}>{topics[t] ?? t}: answered</Chip>)}</Chips>
        <Soft>And which of these are true of you?</Soft>
        <Chips>{facts.map(([v, l]) => <Chip key={v} $on={p.facts.includes(v)} aria-pressed={p.facts.includes(v)} onPress={() => setP({ ...p, facts: flip(p.facts, v) })}>{l}</Chip>)}</Chips>
      </fieldset>
      <fieldset>
        <legend>Taught in person</legend>
        {guide.data?.hardGroups.map((g) => (
          <div className="group" key={g.id}>
            <Field>
              {g.name}: who taught you?
              <input value={p.signOffs.find((s) => s.group === g.id)?.by ?? ''} maxLength={120} onChange={(e) => sign(g.id, e.target.value)} />
            </Field>
            <Soft>{g.why} It should have covered: {g.covers.join('; ')}.</Soft>
          </div>
        ))}
      </fieldset>
      {problem && <Note role="alert">{problem.message} {problem.fields.join('; ')}</Note>}
      <Next type="submit" isDisabled={save.isPending}>Store this</Next>
      <p role="status">{save.isSuccess ? 'Stored.' : ''}</p>
    </Form>
  );
}
