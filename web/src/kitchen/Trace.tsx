import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { Soft } from '../theme/bits';
import { Part } from '../theme/deed';
import type { Lot } from './lots';
import { Vessel } from './Vessel';
import { moment } from './when';

const Flow = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
  > li {
    display: flex;
    gap: 10px;
    align-items: center;
  }
  > li + li::before {
    content: '→' / '';
    font-weight: 700;
  }
  .many {
    display: grid;
    gap: 2px;
  }
`;

const Name = ({ lot: l }: { lot: Lot }) => (
  <span style={{ display: 'flex', alignItems: 'center', gap: 4 }}>
    <Vessel form={l.form} size={26} />
    <Link to={`/kitchen/${l.id}`}>{l.id}</Link>
    <Soft>
      {l.form}, {l.left} left{l.state === 'held' ? ', held' : ''}
    </Soft>
  </span>
);

/** From the jar back to the leaf-by-leaf check, and forward to everyone who ate. */
export function Trace({ trace: t }: { trace: S['TraceView'] }) {
  const touched = t.concerned.filter(
    (c) => !t.back.some((b) => b.id === c.id) && !t.forward.some((f) => f.id === c.id),
  );
  return (
    <Part id="trace-h" title="Trace">
      <Flow>
        <li>
          <div className="many">
            {t.finds.map((f) => (
              <span key={f.id}>
                <Link to={`/find/${f.id}`}>{f.title}</Link>, {f.day}: {f.word}
                {f.checked > 0 && `; ${f.checked} looked at one by one, ${f.failed} failed`}
              </span>
            ))}
          </div>
        </li>
        {t.back.length > 0 && (
          <li>
            <div className="many">
              {t.back.map((l) => (
                <Name key={l.id} lot={l} />
              ))}
            </div>
          </li>
        )}
        <li>
          <b style={{ display: 'flex', alignItems: 'center', gap: 4 }}>
            <Vessel form={t.lot.form} size={26} />
            {t.lot.id}, this one
          </b>
        </li>
        {t.forward.length > 0 && (
          <li>
            <div className="many">
              {t.forward.map((l) => (
                <Name key={l.id} lot={l} />
              ))}
            </div>
          </li>
        )}
        <li>
          <div className="many">
            {t.eaters.length === 0 ? (
              <Soft>nobody ate of it</Soft>
            ) : (
              t.eaters.map((e) => (
                <span key={e.seq}>
                  {e.name}: {e.amount} of {e.lot}, {moment(e.atMs)}
                </span>
              ))
            )}
          </div>
        </li>
      </Flow>
      {touched.length > 0 && (
        <p>
          A hold would also reach:{' '}
          {touched.map((l) => (
            <Link key={l.id} to={`/kitchen/${l.id}`}>
              {l.id}{' '}
            </Link>
          ))}
        </p>
      )}
      <details>
        <summary>The lines of the book that touched it ({t.lines.length})</summary>
        <ul>
          {t.lines.map((x) => (
            <li key={x.seq}>
              {moment(x.atMs)}: {x.what}
            </li>
          ))}
        </ul>
      </details>
    </Part>
  );
}
