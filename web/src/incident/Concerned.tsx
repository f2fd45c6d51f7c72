import { Link } from 'react-router';
import type { S } from '../api/client';
import { Part } from '../theme/deed';
import { moment } from '../kitchen/when';

/** Who else shared it, what is held, and the finds behind it. */
export const Concerned = ({ view: v }: { view: S['IncidentView'] }) => (
  <Part id="who-h" title="Who else, and what is held">
    {v.shared.length === 0 ? (
      <p>Nobody else is in the book of the kitchen. Ask all the same: who ate of it, who was given some?</p>
    ) : (
      <>
        <p>Each of these ate of something concerned. Tell them, now, whether they feel well or not.</p>
        <ul style={{ margin: 0 }}>
          {v.shared.map((e) => (
            <li key={e.seq}>
              <b>{e.name}</b>: {e.amount} of {e.lot}, {moment(e.atMs)}
              {e.felt === 'reaction' ? ', felt something' : ''}
            </li>
          ))}
        </ul>
      </>
    )}
    {v.held.length > 0 && (
      <p>
        Held, in every form:{' '}
        {v.held.map((id) => (
          <Link key={id} to={`/kitchen/${id}`}>
            {id}{' '}
          </Link>
        ))}
      </p>
    )}
    {v.finds.length > 0 && (
      <ul style={{ margin: 0 }}>
        {v.finds.map((f) => (
          <li key={f.id}>
            <Link to={`/find/${f.id}`}>{f.title}</Link>, {f.day}: {f.word} under today’s guide
          </li>
        ))}
      </ul>
    )}
  </Part>
);
