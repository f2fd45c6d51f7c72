import { Link } from 'react-router';
import type { Judgement, View } from '../api/client';
import { Soft } from '../theme/bits';

/** A second look at home: what it asks, and what the field saw that can’t be seen here. */
export function AtHome({ view, judgement }: { view: View; judgement: Judgement }) {
  const taken = judgement.readings.filter((r) => r.taken && !r.derived);
  return (
    <div>
      <Soft>
        A second look at home asks only what can be seen on what was carried.{' '}
        <Link to={`/find/${view.facts.secondOf}/second`}>Both side by side</Link>
      </Soft>
      {taken.length > 0 && (
        <details>
          <summary>Taken over from the field: {taken.length} that only the ground shows</summary>
          <ul style={{ margin: 0 }}>
            {taken.map((r) => (
              <li key={r.trait.id}>
                {r.trait.name}: {r.words}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
