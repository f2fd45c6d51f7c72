import { forget, type S } from '../api/client';
import { useGround } from '../api/hooks';
import { Button } from '../theme/bits';
import { Refused } from '../theme/deed';
import { nearSigns } from './bands';
import { SignForm } from './SignForm';

const since: Record<S['Sign']['kind'], string> = {
  rain: 'after the rain up to',
  frost: 'after the first frost, on',
  fire: 'after the fire of',
  flower: 'after another was first in flower, on',
  feast: 'about',
};

const Line = ({ s, onForget }: { s: S['Stretch']; onForget: (id: string) => void }) => (
  <li>
    <b>{s.taxon.common}</b>: {s.from} to {s.to}, give or take {s.sign.sd} days, {since[s.sign.kind]} {s.of}{' '}
    <Button onPress={() => onForget(s.sign.id)}>Forget this sign</Button>
  </li>
);

/** Signs other than dates: each a rule with a spread, fed from weather and from what was seen. */
export function Signs({ year }: { year: S['Year'] }) {
  const away = useGround((id: string) => forget('signs', id));
  const { near, far } = nearSigns(year.signs, year.day);
  const problem = away.error;
  const forgetOne = (id: string) => away.mutate(id);
  return (
    <section style={{ display: 'grid', gap: 8 }} aria-labelledby="signs-h">
      <h2 id="signs-h">Signs other than dates</h2>
      {year.signs.length === 0 && (
        <p>No sign speaks here yet. Signs after rain and frost need a weather file of the place.</p>
      )}
      {near.length > 0 && (
        <ul style={{ margin: 0 }}>
          {near.map((s, i) => (
            <Line key={i} s={s} onForget={forgetOne} />
          ))}
        </ul>
      )}
      {far.length > 0 && (
        <details>
          <summary>{far.length} more this year</summary>
          <ul>
            {far.map((s, i) => (
              <Line key={i} s={s} onForget={forgetOne} />
            ))}
          </ul>
        </details>
      )}
      <details>
        <summary>Add a sign</summary>
        <SignForm place={year.place} />
      </details>
      <Refused error={problem} />
    </section>
  );
}
