import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { begin, newKey, type S } from '../api/client';
import { usePeople, usePlaces } from '../api/hooks';
import { Chip, Chips, Field, Next, Note, Page } from '../theme/bits';
import { Refused } from '../theme/deed';
import { localDay } from '../theme/day';
import { TargetField } from './TargetField';

const Form = styled.form`
  display: grid;
  gap: 22px;
  max-width: 720px;
  fieldset {
    border: 0;
    padding: 0;
    margin: 0;
  }
  legend {
    font-weight: 600;
    padding: 0;
    margin-bottom: 6px;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 14px;
    @media (max-width: 600px) {
      grid-template-columns: 1fr;
    }
  }
`;

const intents: [S['Facts']['intent'], string][] = [
  ['eat', 'To eat'],
  ['remedy', 'As a remedy'],
  ['clear', 'To clear or handle'],
  ['keep', 'To keep and protect'],
  ['record', 'For the record'],
];
const regions: [NonNullable<S['Facts']['region']>, string][] = [
  ['EU', 'Europe'],
  ['ENA', 'Eastern North America'],
  ['WNA', 'Western North America'],
];
const habitats: [string, string][] = [
  ['damp-wood', 'damp wood'],
  ['dry-wood', 'dry wood'],
  ['conifer-wood', 'conifer wood'],
  ['wood-edge', 'wood edge, hedge'],
  ['meadow', 'meadow'],
  ['pasture', 'pasture'],
  ['water', 'bank or ditch'],
  ['waste', 'waste ground'],
  ['garden', 'garden or park'],
];

export function BeginPage() {
  const go = useNavigate();
  const [id] = useState(newKey);
  const [intent, setIntent] = useState<S['Facts']['intent']>('eat');
  const [target, setTarget] = useState<S['Hit']>();
  const [use, setUse] = useState(0);
  const [kingdom, setKingdom] = useState<'plant' | 'fungus'>('plant');
  const [region, setRegion] = useState<S['Facts']['region']>('EU');
  const [where, setWhere] = useState<string[]>([]);
  const people = usePeople();
  const [person, setPerson] = useState<string>();
  const [title, setTitle] = useState('');
  const [place, setPlace] = useState('');
  const places = usePlaces();
  const [day, setDay] = useState(() => localDay());
  const send = useMutation({ mutationFn: begin, networkMode: 'always', onSuccess: (v) => void go(`/find/${v.id}`) });
  const problem = send.error;
  const harvest = intent === 'eat' || intent === 'remedy';
  const chosen = target?.uses[use];
  return (
    <Page>
      <h1>Begin a find</h1>
      <Form
        onSubmit={(e) => {
          e.preventDefault();
          const facts: S['Facts'] = { intent, kingdom, region, habitats: where };
          if (target) facts.target = target.id;
          if (target && harvest && chosen) Object.assign(facts, { part: chosen.part, preparation: chosen.preparation });
          send.mutate({ id, title, place, day, person: person ?? people.data?.[0]?.id, facts });
        }}
      >
        {(people.data?.length ?? 0) > 1 && (
          <fieldset>
            <legend>Who looks at it?</legend>
            <Chips>
              {people.data?.map((p, i) => {
                const on = (person ?? people.data?.[0]?.id) === p.id;
                return (
                  <Chip key={p.id} $on={on} aria-pressed={on} onPress={() => setPerson(p.id)}>
                    {p.name || `Person ${i + 1}`}
                  </Chip>
                );
              })}
            </Chips>
          </fieldset>
        )}
        <fieldset>
          <legend>What is it for?</legend>
          <Chips>
            {intents.map(([v, l]) => (
              <Chip key={v} $on={intent === v} aria-pressed={intent === v} onPress={() => setIntent(v)}>
                {l}
              </Chip>
            ))}
          </Chips>
        </fieldset>
        <TargetField
          value={target}
          onPick={(t) => {
            setTarget(t);
            setUse(0);
          }}
        />
        {target && harvest && target.uses.length > 0 && (
          <fieldset>
            <legend>Which use?</legend>
            <Chips>
              {target.uses.map((u, i) => (
                <Chip key={i} $on={use === i} aria-pressed={use === i} onPress={() => setUse(i)}>
                  {u.part}, {u.preparation}
                </Chip>
              ))}
            </Chips>
          </fieldset>
        )}
        {target && harvest && target.uses.length === 0 && (
          <Note>The guide describes no such use of {target.common}. The verdict will be to leave it.</Note>
        )}
        {!target && (
          <fieldset>
            <legend>Is it a plant or a fungus?</legend>
            <Chips>
              {(['plant', 'fungus'] as const).map((k) => (
                <Chip key={k} $on={kingdom === k} aria-pressed={kingdom === k} onPress={() => setKingdom(k)}>
                  {k}
                </Chip>
              ))}
            </Chips>
          </fieldset>
        )}
        <div className="two">
          <Field>
            Place
            <input value={place} maxLength={120} list="places" onChange={(e) => setPlace(e.target.value)} />
            <datalist id="places">
              {places.data?.map((p) => (
                <option key={p.id} value={p.name} />
              ))}
            </datalist>
          </Field>
          <Field>
            Day
            <input type="date" required value={day} onChange={(e) => setDay(e.target.value)} />
          </Field>
        </div>
        <fieldset>
          <legend>Which part of the world?</legend>
          <Chips>
            {regions.map(([v, l]) => (
              <Chip key={v} $on={region === v} aria-pressed={region === v} onPress={() => setRegion(v)}>
                {l}
              </Chip>
            ))}
          </Chips>
        </fieldset>
        <fieldset>
          <legend>What kind of place? (it never rules anything out)</legend>
          <Chips>
            {habitats.map(([v, l]) => (
              <Chip
                key={v}
                $on={where.includes(v)}
                aria-pressed={where.includes(v)}
                onPress={() => setWhere(where.includes(v) ? where.filter((x) => x !== v) : [...where, v])}
              >
                {l}
              </Chip>
            ))}
          </Chips>
        </fieldset>
        <Field>
          A name for this find, if you like
          <input value={title} maxLength={120} onChange={(e) => setTitle(e.target.value)} />
        </Field>
        <Refused error={problem} />
        <Next type="submit" isDisabled={send.isPending}>
          Begin, with the stage first
        </Next>
      </Form>
    </Page>
  );
}
