import { useState } from 'react';
import { Link } from 'react-router';
import { usePeople, useSavePerson } from '../api/hooks';
import { Button, Chip, Chips, Field, Page } from '../theme/bits';
import { Refused } from '../theme/deed';
import { idFor, nobody } from './profile';
import { ProfileForm } from './ProfileForm';
import { RemovePerson } from './RemovePerson';
import { KeysSwitch } from './KeysSwitch';
import { SettingsForm } from './SettingsForm';

/** Everyone who uses this database, one at a time. */
export function YouPage() {
  const people = usePeople();
  const save = useSavePerson();
  const [at, setAt] = useState<string>();
  const [name, setName] = useState('');
  const all = people.data ?? [];
  const person = all.find((p) => p.id === at) ?? all[0];
  const problem = people.error ?? save.error;
  const add = () => {
    const id = idFor(
      name,
      all.map((p) => p.id),
    );
    save.mutate(
      { id, name: name.trim(), profile: nobody(), rev: 0 },
      {
        onSuccess: () => {
          setAt(id);
          setName('');
        },
      },
    );
  };
  return (
    <Page>
      <h1>You</h1>
      <p>
        What is known here decides which checks you are asked for, and what is refused to you whatever others may have.
        It stays in this database.
      </p>
      <Refused error={problem} />
      <Chips role="group" aria-label="Whose profile">
        {all.map((p) => (
          <Chip key={p.id} $on={p.id === person?.id} aria-pressed={p.id === person?.id} onPress={() => setAt(p.id)}>
            {p.name}
          </Chip>
        ))}
      </Chips>
      {person && <ProfileForm key={person.id} person={person} />}
      {person && <RemovePerson key={`out ${person.id}`} person={person} />}
      <form
        style={{ display: 'flex', gap: 8, alignItems: 'end', maxWidth: 520 }}
        onSubmit={(e) => {
          e.preventDefault();
          if (name.trim()) add();
        }}
      >
        <Field>
          Someone else who uses this
          <input value={name} maxLength={80} onChange={(e) => setName(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={!name.trim() || save.isPending}>
          Add them
        </Button>
      </form>
      <SettingsForm />
      <KeysSwitch />
      <p>
        <Link to="/data">Your data: backup, restore, check</Link>
      </p>
    </Page>
  );
}
