import { Link, useParams } from 'react-router';
import { useAmount, useFind } from '../api/hooks';
import { Note, Page, Soft } from '../theme/bits';
import { Bagging } from './Bagging';
import { Part } from '../theme/deed';
import { HowMuch } from './HowMuch';
import { Sorting } from './Sorting';

const damage = ['no harm', 'little harm', 'some harm', 'much harm', 'the plant is lost, or nearly'];

/** How much, which and how, and the bag: the minutes between a verdict and the way home. */
export function HarvestPage() {
  const { id = '' } = useParams();
  const find = useFind(id);
  const { data: h, error } = useAmount(id);
  if (error)
    return (
      <Page>
        <h1>No such find</h1>
        <p>{error.message}</p>
      </Page>
    );
  if (!h || !find.data)
    return (
      <Page>
        <p role="status">Reckoning…</p>
      </Page>
    );
  const v = find.data;
  return (
    <Page>
      <div>
        <h1>How much, which, and the bag</h1>
        <p>
          <Link to={`/find/${id}`}>{v.title || v.target?.common || 'The find'}</Link>
          {v.target && (
            <>
              , {v.facts.part} of {v.target.common} <i>{v.target.scientific}</i>
            </>
          )}
          , {v.place || 'no place given'}
        </p>
      </div>
      {!h.takeable && (
        <Note role="status">
          <b>The checks of this find are not complete: nothing is taken.</b> What you count here is kept.{' '}
          <Link to={`/find/${id}`}>Back to the checks</Link>
        </Note>
      )}
      <HowMuch find={id} how={h} />
      <Part id="methods-h" title="How, least damage first">
        <ol>
          {h.methods.map((m, i) => (
            <li key={i}>
              {m.do}
              {m.damage > 0 && <Soft> ({damage[m.damage]})</Soft>}
            </li>
          ))}
        </ol>
        {h.quality.length > 0 && <p>Worth taking: {h.quality.join('; ')}.</p>}
      </Part>
      <Sorting find={id} how={h} />
      <Bagging view={v} how={h} />
    </Page>
  );
}
