import { useState } from 'react';
import styled from 'styled-components';
import type { S } from '../api/client';
import { Button, Chip, Chips, Field, Soft } from '../theme/bits';
import { plain } from '../guide/words';

const Set = styled.fieldset`
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 8px;
  min-width: 0;
  legend {
    font-family: var(--head);
    font-weight: 700;
    padding: 0;
    margin-bottom: 4px;
  }
  .three {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 10px;
  }
  .limit {
    display: grid;
    grid-template-columns: 1.4fr 0.8fr 1fr 1.2fr;
    gap: 6px;
    border-top: 1px solid var(--line);
    padding: 6px 0;
  }
  @media (max-width: 600px) {
    .limit {
      grid-template-columns: 1fr 1fr;
    }
  }
`;

const habitats = [
  'damp-wood',
  'dry-wood',
  'conifer-wood',
  'wood-edge',
  'meadow',
  'pasture',
  'dry-grass',
  'heath',
  'water',
  'waste',
  'field',
  'garden',
  'mountain',
  'burnt',
];
const scene = ['wet ground', 'rocks', 'traffic', 'ticks', 'thorns', 'stock', 'dogs'];
const yesNo: [NonNullable<S['Place']['permission']>, string][] = [
  ['yes', 'Yes'],
  ['no', 'No'],
  ['unanswered', 'Not known yet'],
];
const flip = (list: string[] | undefined, v: string) =>
  (list ?? []).includes(v) ? (list ?? []).filter((x) => x !== v) : [...(list ?? []), v];

/** Everything that is known of a place beside its map. */
export function PlaceFields({ place: p, onPlace }: { place: S['Place']; onPlace: (p: S['Place']) => void }) {
  const [geo, setGeo] = useState('');
  const num = (text: string): number | undefined =>
    text.trim() === '' || Number.isNaN(Number(text)) ? undefined : Number(text);
  const limit = (i: number, change: Partial<S['Limit']>) =>
    onPlace({ ...p, limits: p.limits?.map((l, k) => (k === i ? { ...l, ...change } : l)) });
  return (
    <>
      <Field>
        Name
        <input value={p.name} required maxLength={120} onChange={(e) => onPlace({ ...p, name: e.target.value })} />
      </Field>
      <Set>
        <legend>Where it lies</legend>
        <div className="three">
          <Field>
            Degrees north
            <input
              inputMode="decimal"
              defaultValue={p.lat ?? ''}
              onChange={(e) => onPlace({ ...p, lat: num(e.target.value) })}
            />
          </Field>
          <Field>
            Degrees east
            <input
              inputMode="decimal"
              defaultValue={p.lon ?? ''}
              onChange={(e) => onPlace({ ...p, lon: num(e.target.value) })}
            />
          </Field>
          <Field>
            Metres high
            <input
              inputMode="decimal"
              defaultValue={p.alt ?? 0}
              onChange={(e) => onPlace({ ...p, alt: num(e.target.value) ?? 0 })}
            />
          </Field>
        </div>
        <Chips role="group" aria-label="Part of the world">
          {(
            [
              ['EU', 'Europe'],
              ['ENA', 'Eastern North America'],
              ['WNA', 'Western North America'],
            ] as const
          ).map(([v, l]) => (
            <Chip
              key={v}
              $on={p.region === v}
              aria-pressed={p.region === v}
              onPress={() => onPlace({ ...p, region: p.region === v ? '' : v })}
            >
              {l}
            </Chip>
          ))}
        </Chips>
      </Set>
      <Set>
        <legend>The ground</legend>
        <Chips role="group" aria-label="Habitats">
          {habitats.map((h) => (
            <Chip
              key={h}
              $on={p.habitats?.includes(h)}
              aria-pressed={p.habitats?.includes(h) ?? false}
              onPress={() => onPlace({ ...p, habitats: flip(p.habitats, h) })}
            >
              {plain(h)}
            </Chip>
          ))}
        </Chips>
        <Field>
          Trees that stand there
          <input
            defaultValue={p.hosts?.join(', ') ?? ''}
            placeholder="oak, birch"
            onChange={(e) =>
              onPlace({
                ...p,
                hosts: e.target.value
                  .split(',')
                  .map((x) => x.trim())
                  .filter(Boolean),
              })
            }
          />
        </Field>
        <Chips role="group" aria-label="State of the ground">
          {(['clean', 'sprayed', 'roadside', 'fouled', 'industrial'] as const).map((g) => (
            <Chip
              key={g}
              $on={p.ground === g}
              aria-pressed={p.ground === g}
              onPress={() => onPlace({ ...p, ground: p.ground === g ? '' : g })}
            >
              {g}
            </Chip>
          ))}
        </Chips>
        <Chips role="group" aria-label="Hazards of the scene">
          {scene.map((h) => (
            <Chip
              key={h}
              $on={p.hazards?.includes(h)}
              aria-pressed={p.hazards?.includes(h) ?? false}
              onPress={() => onPlace({ ...p, hazards: flip(p.hazards, h) })}
            >
              {h}
            </Chip>
          ))}
        </Chips>
        <Field>
          When it burnt last, if it did
          <input
            type="date"
            value={p.burnt ?? ''}
            onChange={(e) => onPlace({ ...p, burnt: e.target.value || undefined })}
          />
        </Field>
      </Set>
      <Set>
        <legend>Owner, permission, protection</legend>
        <Field>
          Owner
          <input value={p.owner ?? ''} maxLength={120} onChange={(e) => onPlace({ ...p, owner: e.target.value })} />
        </Field>
        <Chips role="group" aria-label="May you pick here?">
          {yesNo.map(([v, l]) => (
            <Chip
              key={v}
              $on={(p.permission || 'unanswered') === v}
              aria-pressed={(p.permission || 'unanswered') === v}
              onPress={() => onPlace({ ...p, permission: v })}
            >
              May pick: {l.toLowerCase()}
            </Chip>
          ))}
        </Chips>
        <Field>
          Until
          <input
            type="date"
            value={p.until ?? ''}
            onChange={(e) => onPlace({ ...p, until: e.target.value || undefined })}
          />
        </Field>
        <Chips role="group" aria-label="Is it protected?">
          {yesNo.map(([v, l]) => (
            <Chip
              key={v}
              $on={(p.protected || 'unanswered') === v}
              aria-pressed={(p.protected || 'unanswered') === v}
              onPress={() => onPlace({ ...p, protected: v })}
            >
              Protected: {l.toLowerCase()}
            </Chip>
          ))}
        </Chips>
      </Set>
      <Set>
        <legend>Limits</legend>
        <Soft>A limit without a unit is asked about, never guessed.</Soft>
        {p.limits?.map((l, i) => (
          <div className="limit" key={i}>
            <Field>
              Of what
              <input value={l.kind} maxLength={80} onChange={(e) => limit(i, { kind: e.target.value })} />
            </Field>
            <Field>
              How much
              <input inputMode="decimal" value={l.amount} onChange={(e) => limit(i, { amount: e.target.value })} />
            </Field>
            <Field>
              Unit
              <select value={l.unit} onChange={(e) => limit(i, { unit: e.target.value as S['Limit']['unit'] })}>
                <option value="">which?</option>
                {['kg', 'g', 'l', 'pieces'].map((u) => (
                  <option key={u}>{u}</option>
                ))}
              </select>
            </Field>
            <Field>
              For
              <select value={l.per} onChange={(e) => limit(i, { per: e.target.value as S['Limit']['per'] })}>
                <option value="person-day">a person and day</option>
                <option value="day">a day in all</option>
                <option value="person-year">a person and year</option>
                <option value="year">a year in all</option>
              </select>
            </Field>
            <Field>
              From whom
              <input value={l.source} maxLength={160} onChange={(e) => limit(i, { source: e.target.value })} />
            </Field>
            <Button onPress={() => onPlace({ ...p, limits: p.limits?.filter((_, k) => k !== i) })}>Remove</Button>
          </div>
        ))}
        <div>
          <Button
            onPress={() =>
              onPlace({
                ...p,
                limits: [...(p.limits ?? []), { kind: '', amount: '', unit: '', per: 'person-day', source: '' }],
              })
            }
          >
            Add a limit
          </Button>
        </div>
      </Set>
      <Set>
        <legend>Zones: clear or keep</legend>
        {p.zones?.map((z, i) => (
          <div key={i} style={{ display: 'flex', gap: 6, alignItems: 'end' }}>
            <Field>
              Zone
              <input
                value={z.name}
                maxLength={80}
                onChange={(e) =>
                  onPlace({ ...p, zones: p.zones?.map((x, k) => (k === i ? { ...x, name: e.target.value } : x)) })
                }
              />
            </Field>
            {(['clear', 'keep'] as const).map((r) => (
              <Chip
                key={r}
                $on={z.rule === r}
                aria-pressed={z.rule === r}
                onPress={() => onPlace({ ...p, zones: p.zones?.map((x, k) => (k === i ? { ...x, rule: r } : x)) })}
              >
                {r}
              </Chip>
            ))}
            <Button onPress={() => onPlace({ ...p, zones: p.zones?.filter((_, k) => k !== i) })}>Remove</Button>
          </div>
        ))}
        <div>
          <Button onPress={() => onPlace({ ...p, zones: [...(p.zones ?? []), { name: '', rule: 'keep' }] })}>
            Add a zone
          </Button>
        </div>
      </Set>
      <Set>
        <legend>The map’s ground</legend>
        <Field>
          Bring GeoJSON
          <input
            type="file"
            accept=".geojson,.json"
            onChange={(e) => {
              const f = e.target.files?.[0];
              e.target.value = '';
              if (f)
                void f.text().then((text) => {
                  onPlace({ ...p, map: text });
                  setGeo(`${f.name}: stored with the place.`);
                });
            }}
          />
        </Field>
        <p role="status">{geo}</p>
      </Set>
    </>
  );
}
