import styled from 'styled-components';
import type { S } from '../api/client';
import { setFacts } from '../api/client';
import { useRevised } from '../api/revised';
import { Changed } from '../theme/Changed';
import { Chip, Chips, Field, Next } from '../theme/bits';
import { Refused } from '../theme/deed';
import { after } from '../api/queries';

const Group = styled.fieldset`
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 6px;
  legend {
    font-weight: 600;
    padding: 0;
    margin-bottom: 4px;
  }
`;

type Key = 'ground' | 'permission' | 'protected' | 'intent' | 'region';
const choices: [Key, string, [string, string][]][] = [
  [
    'intent',
    'What is it for?',
    [
      ['eat', 'To eat'],
      ['remedy', 'As a remedy'],
      ['clear', 'To clear or handle'],
      ['keep', 'To keep and protect'],
      ['record', 'For the record'],
    ],
  ],
  [
    'ground',
    'The ground',
    [
      ['clean', 'Clean as far as I know'],
      ['sprayed', 'Sprayed'],
      ['roadside', 'Roadside'],
      ['fouled', 'Fouled by dogs or stock'],
      ['industrial', 'Industrial'],
    ],
  ],
  [
    'permission',
    'May you pick here?',
    [
      ['yes', 'Yes'],
      ['no', 'No'],
      ['unanswered', 'Not known yet'],
    ],
  ],
  [
    'protected',
    'Is it protected here?',
    [
      ['no', 'No'],
      ['yes', 'Yes'],
      ['unanswered', 'Not known yet'],
    ],
  ],
];

/** The place and its rules, as the user knows them. Local codes come first. */
export function PlaceForm({ id, facts, onDone }: { id: string; facts: S['Facts']; onDone: () => void }) {
  const {
    doc: f,
    setDoc: setF,
    save,
    now,
    mine,
    theirs,
  } = useRevised(`facts ${id}`, facts, async (x) => (await setFacts(id, x)).facts, after.facts);
  return (
    <form
      style={{ display: 'grid', gap: 18 }}
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate(f, { onSuccess: onDone });
      }}
    >
      <p>Local codes, owners and authorities come first. What you enter here is only what the tool goes by.</p>
      {choices.map(([key, legend, list]) => (
        <Group key={key}>
          <legend>{legend}</legend>
          <Chips>
            {list.map(([v, label]) => (
              <Chip
                key={v}
                $on={(f[key] ?? (key === 'ground' ? '' : 'unanswered')) === v}
                aria-pressed={f[key] === v}
                onPress={() => setF({ ...f, [key]: v })}
              >
                {label}
              </Chip>
            ))}
          </Chips>
        </Group>
      ))}
      <Field>
        Limit here, and who says so (“none known” is an answer)
        <input value={f.limit ?? ''} maxLength={200} onChange={(e) => setF({ ...f, limit: e.target.value })} />
      </Field>
      <Field>
        Items in the basket
        <input
          type="number"
          min={0}
          max={100000}
          value={f.picked ?? 0}
          onChange={(e) => setF({ ...f, picked: Number(e.target.value) })}
        />
      </Field>
      {now ? <Changed mine={f} theirs={now} onMine={mine} onTheirs={theirs} /> : <Refused error={save.error} />}
      <Next type="submit" isDisabled={save.isPending}>
        Store the place and its rules
      </Next>
    </form>
  );
}
