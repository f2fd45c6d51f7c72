import styled from 'styled-components';
import type { S } from '../api/client';
import { Chip, Chips, Field, Soft } from '../theme/bits';
import { flip } from './profile';

const Group = styled.div`
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding: 10px 0;
  .two {
    display: grid;
    grid-template-columns: 2fr 1fr;
    gap: 12px;
  }
  @media (max-width: 600px) {
    .two {
      grid-template-columns: 1fr;
    }
  }
`;

/** Who taught which hard group, when, and what was covered. */
export function SignOffs({
  groups,
  signOffs,
  onChange,
}: {
  groups: S['HardGroup'][];
  signOffs: S['SignOff'][];
  onChange: (s: S['SignOff'][]) => void;
}) {
  const set = (group: string, change: Partial<S['SignOff']>) => {
    const was = signOffs.find((s) => s.group === group) ?? { group, by: '' };
    const now = { ...was, ...change };
    onChange([
      ...signOffs.filter((s) => s.group !== group),
      ...(now.by || now.when || now.covered?.length ? [now] : []),
    ]);
  };
  return (
    <fieldset>
      <legend>Taught in person</legend>
      <Soft>For groups in which a mistake kills. Books and pictures do not count, nor does this tool.</Soft>
      {groups.map((g) => {
        const s = signOffs.find((x) => x.group === g.id);
        const covered = s?.covered ?? [];
        return (
          <Group key={g.id}>
            <div className="two">
              <Field>
                {g.name}: who taught you?
                <input value={s?.by ?? ''} maxLength={120} onChange={(e) => set(g.id, { by: e.target.value })} />
              </Field>
              <Field>
                When?
                <input
                  value={s?.when ?? ''}
                  maxLength={40}
                  placeholder="autumn 2024"
                  onChange={(e) => set(g.id, { when: e.target.value })}
                />
              </Field>
            </div>
            <Soft>{g.why}</Soft>
            <Chips role="group" aria-label={`What was covered of ${g.name}`}>
              {g.covers.map((c) => (
                <Chip
                  key={c}
                  $on={covered.includes(c)}
                  aria-pressed={covered.includes(c)}
                  onPress={() =>
                    set(g.id, { covered: covered.includes(c) ? covered.filter((x) => x !== c) : [...covered, c] })
                  }
                >
                  {c}
                </Chip>
              ))}
            </Chips>
            {s?.by && g.dangers.length > 0 && (
              <>
                <Soft>Which of these were you shown? Your looks are then weighed as those of who knows them.</Soft>
                <Chips role="group" aria-label={`Which dangers of ${g.name} you were shown`}>
                  {g.dangers.map((d) => (
                    <Chip
                      key={d.id}
                      $on={s.dangers?.includes(d.id) ?? false}
                      aria-pressed={s.dangers?.includes(d.id) ?? false}
                      onPress={() => set(g.id, { dangers: flip(s.dangers ?? [], d.id) })}
                    >
                      {d.common}
                    </Chip>
                  ))}
                </Chips>
              </>
            )}
            {s && !s.by.trim() && <Soft>Without the name of who taught you it does not count, and is not stored.</Soft>}
            {s?.by && covered.length < g.covers.length && (
              <Soft>Not covered yet: {g.covers.filter((c) => !covered.includes(c)).join('; ')}.</Soft>
            )}
          </Group>
        );
      })}
    </fieldset>
  );
}
