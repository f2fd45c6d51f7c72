import { localDay } from '../theme/day';
import { useState } from 'react';
import { readTrack, type S } from '../api/client';
import { useTaxon } from '../api/hooks';
import { EntryField } from '../guide/EntryField';
import { Button, Chip, Chips, Field } from '../theme/bits';
import { plain } from '../guide/words';

type Patch = S['PatchOfGround'];

/** The patches of a place: what stands there, when to go back, and where it was found. `later` is kept when a field is left. */
export function Patches({
  place: p,
  chosen,
  onChoose,
  onNow,
  onLater,
  onStore,
}: {
  place: S['Place'];
  chosen?: string;
  onChoose: (id: string) => void;
  onNow: (p: S['Place']) => void;
  onLater: (p: S['Place']) => void;
  onStore: () => void;
}) {
  const [said, setSaid] = useState('');
  const one = p.patches?.find((x) => x.id === chosen);
  const entry = useTaxon(one?.taxon ?? '');
  const withPatch = (change: Partial<Patch>): S['Place'] => ({
    ...p,
    patches: p.patches?.map((x) => (x.id === chosen ? { ...x, ...change } : x)),
  });
  const track = async (file: File | undefined) => {
    if (!file || !one) return;
    try {
      const got = await readTrack(file);
      setSaid(
        `${got.read} positions read${
          got.problems.length > 0
            ? `; ${got.problems.length} left out: ${got.problems
                .slice(0, 3)
                .map((x) => `line ${x.line}, ${x.what}`)
                .join('; ')}`
            : ''
        }.`,
      );
      const day = localDay();
      if (got.fixes.length > 0)
        onNow(
          withPatch({
            points: [
              ...one.points,
              ...got.fixes.map((f) => ({ lat: f.lat, lon: f.lon, accuracy: f.accuracy, day })),
            ].slice(0, 500),
          }),
        );
    } catch (e) {
      setSaid((e as Error).message);
    }
  };
  const next = `p${(p.patches?.length ?? 0) + 1}`;
  return (
    <>
      <h2>Patches</h2>
      <Chips role="group" aria-label="Patches">
        {p.patches?.map((x) => (
          <Chip key={x.id} $on={x.id === chosen} aria-pressed={x.id === chosen} onPress={() => onChoose(x.id)}>
            {x.name}: {x.points.length}
          </Chip>
        ))}
        <Button
          onPress={() => {
            onNow({ ...p, patches: [...(p.patches ?? []), { id: next, name: next.toUpperCase(), points: [] }] });
            onChoose(next);
          }}
        >
          Another patch
        </Button>
      </Chips>
      {one && (
        <>
          <Field>
            Its name
            <input
              value={one.name}
              maxLength={120}
              onChange={(e) => onLater(withPatch({ name: e.target.value }))}
              onBlur={onStore}
            />
          </Field>
          <Chips>
            <EntryField
              label="What stands there"
              value={one.taxon ? { id: one.taxon, common: entry.data?.common ?? one.taxon } : undefined}
              onPick={(t) => onNow(withPatch({ taxon: t?.id, stage: undefined }))}
            />
          </Chips>
          {one.taxon && (
            <Field>
              Go back for its
              <select
                value={one.stage ?? ''}
                onChange={(e) => onNow(withPatch({ stage: e.target.value || undefined }))}
              >
                <option value="">any stage, by the days below</option>
                {entry.data?.stages.map((s) => (
                  <option key={s} value={s}>
                    {plain(s)}
                  </option>
                ))}
              </select>
            </Field>
          )}
          <Field>
            Days to regrow before the next visit (0: none)
            <input
              inputMode="numeric"
              value={one.every ?? 0}
              onChange={(e) => onLater(withPatch({ every: Math.max(0, Math.min(730, Number(e.target.value) || 0)) }))}
              onBlur={onStore}
            />
          </Field>
          <Field>
            Bring positions, GPX or NMEA
            <input
              type="file"
              accept=".gpx,.nmea,.txt"
              onChange={(e) => {
                const f = e.target.files?.[0];
                e.target.value = '';
                void track(f);
              }}
            />
          </Field>
          <p role="status">{said}</p>
          {one.points.length > 0 && (
            <details>
              <summary>{one.points.length} places marked</summary>
              <ul>
                {one.points.map((q, i) => (
                  <li key={i}>
                    {q.lat.toFixed(5)}, {q.lon.toFixed(5)}
                    {q.accuracy ? `, good to ${q.accuracy.toFixed(0)} m` : ''}
                    {q.day ? `, ${q.day}` : ''}{' '}
                    <Button
                      aria-label={`Remove place ${i + 1}`}
                      onPress={() => onNow(withPatch({ points: one.points.filter((_, k) => k !== i) }))}
                    >
                      Remove
                    </Button>
                  </li>
                ))}
              </ul>
            </details>
          )}
        </>
      )}
    </>
  );
}
