import { saveSettings, type S } from '../api/client';
import { useSettings } from '../api/hooks';
import { useRevised } from '../api/revised';
import { Changed } from '../theme/Changed';
import { Deed, Refused } from '../theme/deed';
import { Button, Field, Soft } from '../theme/bits';
import { after } from '../api/queries';

/** Numbers to call, the wait after a first taste, and the unit of weights: for all who use this database. */
export function SettingsForm() {
  const { data } = useSettings();
  return data ? <Form settings={data} /> : <p role="status">Fetching the settings…</p>;
}

function Form({ settings }: { settings: S['Settings'] }) {
  const {
    doc: s,
    setDoc: setS,
    save,
    now,
    mine,
    theirs,
  } = useRevised('settings', settings, saveSettings, after.settings);
  const number = (i: number, x: Partial<S['Number']>) =>
    setS({ ...s, numbers: s.numbers.map((n, k) => (k === i ? { ...n, ...x } : n)) });
  return (
    <section
      aria-labelledby="set-h"
      style={{ display: 'grid', gap: 12, borderTop: '2px solid var(--line)', paddingTop: 14 }}
    >
      <h2 id="set-h">For everyone here</h2>
      <p>
        The numbers to call stand first on the page for when something is wrong. None is filled in: look them up where
        you live and where you walk, and put them in before you need them.
      </p>
      <Deed
        onSubmit={(e) => {
          e.preventDefault();
          save.mutate(s, { onSuccess: setS });
        }}
      >
        {s.numbers.map((n, i) => (
          <div key={i} style={{ display: 'flex', gap: 8, alignItems: 'end', flexBasis: '100%' }}>
            <Field>
              Who it is
              <input
                value={n.label}
                maxLength={80}
                placeholder="Poison service"
                onChange={(e) => number(i, { label: e.target.value })}
              />
            </Field>
            <Field>
              Number
              <input
                type="tel"
                value={n.number}
                maxLength={40}
                onChange={(e) => number(i, { number: e.target.value })}
              />
            </Field>
            <Button
              aria-label={`Take ${n.label || 'this number'} out`}
              onPress={() => setS({ ...s, numbers: s.numbers.filter((_, k) => k !== i) })}
            >
              Take out
            </Button>
          </div>
        ))}
        {s.numbers.length < 8 && (
          <div style={{ flexBasis: '100%' }}>
            <Button onPress={() => setS({ ...s, numbers: [...s.numbers, { label: '', number: '' }] })}>
              Add a number
            </Button>
          </div>
        )}
        <Field>
          Wait after a first taste, hours
          <input
            type="number"
            min={24}
            max={336}
            value={s.waitHours}
            onChange={(e) => setS({ ...s, waitHours: Number(e.target.value) })}
          />
        </Field>
        <Field>
          First taste at most, g
          <input inputMode="decimal" value={s.tasteMost} onChange={(e) => setS({ ...s, tasteMost: e.target.value })} />
        </Field>
        <Field>
          Weights in
          <select value={s.unit} onChange={(e) => setS({ ...s, unit: e.target.value as 'g' })}>
            {['g', 'kg', 'oz', 'lb'].map((u) => (
              <option key={u}>{u}</option>
            ))}
          </select>
        </Field>
        <Field>
          Tunnelled share that is trimmed
          <input inputMode="decimal" value={s.trimmed} onChange={(e) => setS({ ...s, trimmed: e.target.value })} />
        </Field>
        <Button type="submit" isDisabled={save.isPending}>
          Keep these
        </Button>
      </Deed>
      <p role="status">{save.isSuccess ? 'Kept.' : ''}</p>
      <Soft>The wait can be longer than a day, never shorter; the portion smaller than the default, never larger.</Soft>
      {now ? <Changed mine={s} theirs={now} onMine={mine} onTheirs={theirs} /> : <Refused error={save.error} />}
    </section>
  );
}
