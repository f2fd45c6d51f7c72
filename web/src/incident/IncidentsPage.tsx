import { Link } from 'react-router';
import { useIncidents } from '../api/hooks';
import { moment } from '../kitchen/when';
import { NextLink, Note, Page } from '../theme/bits';

/** What went wrong, all of it. */
export function IncidentsPage() {
  const { data, error } = useIncidents();
  return (
    <Page>
      <h1>Incidents</h1>
      <div>
        <NextLink to="/incident/new">Something is wrong now</NextLink>
      </div>
      {error && <Note role="alert">{error.message}</Note>}
      {data?.length === 0 && <p>None was taken down.</p>}
      <ul>
        {data?.map((x) => (
          <li key={x.id}>
            <Link to={`/incident/${x.id}`}>{moment(x.beganMs)}</Link>:{' '}
            {x.exposures.map((e) => e.lot || e.what || e.route).join(', ') || 'nothing said yet'}
          </li>
        ))}
      </ul>
    </Page>
  );
}
