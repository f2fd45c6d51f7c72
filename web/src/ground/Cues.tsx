import { Link } from 'react-router';
import type { S } from '../api/client';
import { useCues } from '../api/hooks';
import { plain } from '../guide/words';
import { Soft } from '../theme/bits';

/** What leads the eye on this ground now: search cues, dangers first, never evidence. */
export function Cues({ place }: { place: S['Place'] }) {
  const { data } = useCues(place.id, `${place.region} ${place.habitats?.join()}`);
  if (!data) return null;
  const item = (c: S['Cue'], i: number) => (
    <li key={i}>
      {c.cue}: <Link to={`/guide/${c.taxon.id}`}>{c.taxon.common}</Link>
      {c.grade > 1 ? `, ${c.gradeWord}` : ''} <Soft>{c.habitats.map(plain).join(', ')}</Soft>
    </li>
  );
  return (
    <details>
      <summary>Search cues for this ground today: {data.length}</summary>
      <p>They lead the eye and prove nothing. What stands there is checked from the beginning.</p>
      {data.length === 0 ? (
        <p>Say which habitats are here, on the right; then cues can be offered.</p>
      ) : (
        <ul>{data.map(item)}</ul>
      )}
    </details>
  );
}
