import styled from 'styled-components';
import type { S } from '../api/client';
import { fromLocal, toLocal } from '../kitchen/when';
import { Button, Field } from '../theme/bits';
import { ofLot, routes, type Exposure } from './draft';

const Box = styled.fieldset`
  border: 1.5px solid var(--ink-soft);
  border-radius: 6px;
  padding: 10px 14px 14px;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 10px;
  align-items: end;
  legend {
    font-family: var(--head);
    font-weight: 700;
    padding: 0 6px;
  }
`;
const kingdoms: [string, string][] = [
  ['unclear', 'not clear'],
  ['fungus', 'a mushroom'],
  ['plant', 'a plant'],
];

/** One meal, touch, splash or smoke: what, when, how much, which part, how prepared, who. */
export function ExposureForm({
  x,
  lots,
  onChange,
  onRemove,
}: {
  x: Exposure;
  lots: S['LotView'][];
  onChange: (x: Partial<Exposure>) => void;
  onRemove?: () => void;
}) {
  const ask = routes.find((r) => r.id === x.route)!;
  const text = (key: 'what' | 'part' | 'stage' | 'amount' | 'prep', label: string, most: number) => (
    <Field>
      {label}
      <input value={x[key] ?? ''} maxLength={most} onChange={(e) => onChange({ [key]: e.target.value })} />
    </Field>
  );
  return (
    <Box>
      <legend>{ask.label}</legend>
      {x.route === 'eaten' && lots.length > 0 && (
        <Field>
          Bag or batch
          <select
            value={x.lot ?? ''}
            onChange={(e) => onChange(e.target.value ? ofLot(e.target.value, lots) : { lot: undefined })}
          >
            <option value="">not from the kitchen here</option>
            {x.lot && !lots.some((l) => l.id === x.lot) && <option value={x.lot}>{x.lot}</option>}
            {lots.map((l) => (
              <option key={l.id} value={l.id}>
                {l.id} {l.taxon?.common}, {l.form}
              </option>
            ))}
          </select>
        </Field>
      )}
      {text('what', x.lot ? 'Taken for' : ask.ask, 200)}
      {!x.lot && (
        <Field>
          It is
          <select
            value={x.kingdom || 'unclear'}
            onChange={(e) => onChange({ kingdom: e.target.value as Exposure['kingdom'] })}
          >
            {kingdoms.map(([k, l]) => (
              <option key={k} value={k}>
                {l}
              </option>
            ))}
          </select>
        </Field>
      )}
      <Field>
        When, about
        <input
          type="datetime-local"
          value={toLocal(x.atMs)}
          onChange={(e) => onChange({ atMs: fromLocal(e.target.value) || x.atMs })}
        />
      </Field>
      {text('amount', x.route === 'eaten' ? 'How much' : 'How much of it', 120)}
      {text('part', 'Which part', 80)}
      {text('stage', 'How old', 80)}
      {x.route === 'eaten' && text('prep', 'Raw, or cooked how and how long', 200)}
      <Field>
        Who, with age (commas)
        <input
          defaultValue={(x.people ?? []).join(', ')}
          onChange={(e) =>
            onChange({
              people: e.target.value
                .split(',')
                .map((p) => p.trim())
                .filter(Boolean),
            })
          }
        />
      </Field>
      {onRemove && <Button onPress={onRemove}>Take this out</Button>}
    </Box>
  );
}
