import styled from 'styled-components';
import type { Search, Trait } from '../api/client';
import { Button, Field } from '../theme/bits';
import { monthNames, plain } from './words';

const Row = styled.fieldset`
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  align-items: end;
  legend {
    font-weight: 700;
    padding: 0;
    margin-bottom: 6px;
  }
`;
const uses = ['leaf', 'shoot', 'flower', 'fruit', 'seed', 'root', 'cap', 'whole'];
const parts = (traits: Trait[]) => [...new Set(traits.map((t) => t.part))];

/** What the entries found must have; everything chosen must hold. */
export function Filters({
  search,
  onChange,
  traits,
}: {
  search: Search;
  onChange: (s: Search) => void;
  traits: Trait[];
}) {
  const set = (change: Partial<Search>) => onChange({ ...search, ...change });
  const answerable = traits.filter(
    (t) =>
      t.states.length > 0 &&
      !t.prepares &&
      (!search.kingdom || t.kingdom === 'unclear' || t.kingdom === search.kingdom),
  );
  const trait = answerable.find((t) => t.id === search.trait);
  return (
    <Row>
      <legend>Only those</legend>
      <Field>
        Kingdom
        <select
          value={search.kingdom ?? ''}
          onChange={(e) => set({ kingdom: e.target.value as Search['kingdom'], trait: undefined, state: undefined })}
        >
          <option value="">both</option>
          <option value="plant">plants</option>
          <option value="fungus">fungi</option>
        </select>
      </Field>
      <Field>
        Hazard at least
        <select value={search.hazard ?? 0} onChange={(e) => set({ hazard: Number(e.target.value) })}>
          <option value={0}>any</option>
          <option value={1}>unpleasant</option>
          <option value={2}>poisonous</option>
          <option value={3}>deadly</option>
        </select>
      </Field>
      <Field>
        Region
        <select value={search.region ?? ''} onChange={(e) => set({ region: e.target.value as Search['region'] })}>
          <option value="">any</option>
          <option value="EU">Europe</option>
          <option value="ENA">eastern North America</option>
          <option value="WNA">western North America</option>
        </select>
      </Field>
      <Field>
        Up in
        <select value={search.month ?? 0} onChange={(e) => set({ month: Number(e.target.value) })}>
          <option value={0}>any month</option>
          {monthNames.map((m, i) => (
            <option key={m} value={i + 1}>
              {m}
            </option>
          ))}
        </select>
      </Field>
      <Field>
        Gathered for
        <select value={search.use ?? ''} onChange={(e) => set({ use: e.target.value })}>
          <option value="">anything or nothing</option>
          {uses.map((u) => (
            <option key={u} value={u}>
              {u}
            </option>
          ))}
        </select>
      </Field>
      <Field>
        Part and trait
        <select
          value={search.trait ?? ''}
          onChange={(e) =>
            set({
              trait: e.target.value || undefined,
              state: answerable.find((t) => t.id === e.target.value)?.states[0]?.id,
            })
          }
        >
          <option value="">any</option>
          {parts(answerable).map((p) => (
            <optgroup key={p} label={plain(p)}>
              {answerable
                .filter((t) => t.part === p)
                .map((t) => (
                  <option key={t.id} value={t.id}>
                    {t.name}
                  </option>
                ))}
            </optgroup>
          ))}
        </select>
      </Field>
      {trait && (
        <Field>
          that may be
          <select value={search.state} onChange={(e) => set({ state: e.target.value })}>
            {trait.states.map((s) => (
              <option key={s.id} value={s.id}>
                {s.label}
              </option>
            ))}
          </select>
        </Field>
      )}
      {Object.entries(search).some(([k, v]) => k !== 'q' && v) && (
        <Button onPress={() => onChange({ q: search.q })}>Clear these</Button>
      )}
    </Row>
  );
}
