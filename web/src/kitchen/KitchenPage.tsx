import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useKitchen } from '../api/hooks';
import { plain } from '../guide/words';
import { Judging } from '../shell/Judging';
import { Button, Field, LinkButton, Note, Page, Soft } from '../theme/bits';
import { grouped, type Lot } from './lots';
import { Vessel } from './Vessel';
import { dayOf } from './when';

const Top = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  justify-content: space-between;
  align-items: center;
  h1 {
    font-size: 2rem;
  }
`;
const Shelf = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0 0 6px;
  border-bottom: 5px solid var(--ink);
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 4px 18px;
`;
const Spot = styled.li`
  display: flex;
  gap: 10px;
  align-items: end;
  padding: 8px 4px;
  color: var(--ink);
  a {
    color: var(--ink);
    font-family: var(--head);
    font-weight: 700;
    min-height: 32px;
  }
  p {
    line-height: 1.25;
  }
  b.code {
    font-family: var(--head);
    font-size: 1.3rem;
  }
`;

/** How many that are used up are shown at first. */
const few = 30;

/** Everything that was bagged and made, by what stands between it and a plate. */
export function KitchenPage() {
  const [q, setQ] = useState('');
  const [most, setMost] = useState(few);
  const { data: k, error } = useKitchen(useDeferredValue(q), most);
  if (error)
    return (
      <Page>
        <h1>Kitchen</h1>
        <Note role="alert">{error.message}</Note>
      </Page>
    );
  if (!k)
    return (
      <Page>
        <p role="status">Looking at the shelves…</p>
      </Page>
    );
  return (
    <Page>
      <Top>
        <h1>Kitchen</h1>
        <LinkButton to="/kitchen/sums">Recipe arithmetic</LinkButton>
      </Top>
      {k.recalls.map((r) => (
        <Note key={r.find} role="alert">
          <b>
            <Link to={`/find/${r.find}`}>{r.title}</Link> no longer passes under today’s guide
          </b>{' '}
          ({plain(r.was)}, now {plain(r.now)}). Of it:{' '}
          {r.lots.map((l) => (
            <Link key={l} to={`/kitchen/${l}`}>
              {l}{' '}
            </Link>
          ))}
          {r.eaters.length > 0 && <>; eaten by {[...new Set(r.eaters.map((e) => e.name))].join(', ')}: tell them</>}.
        </Note>
      ))}
      {k.aside.length > 0 && (
        <Note role="alert">
          <b>
            {k.aside.length === 1
              ? 'One line of this book can’t be used'
              : `${k.aside.length} lines of this book can’t be used`}
          </b>{' '}
          and {k.aside.length === 1 ? 'is' : 'are'} set aside as {k.aside.length === 1 ? 'it is' : 'they are'}.
          Everything else counts. Weigh again what {k.aside.length === 1 ? 'it' : 'they'} touched.
          <ul>
            {k.aside.map((a) => (
              <li key={a.id + a.why}>
                line {a.id || '?'}: {a.why} <Soft>{a.said}</Soft>
              </li>
            ))}
          </ul>
          <Link to="/data">Your data</Link>
        </Note>
      )}
      <Judging progress={k.judging} />
      {k.codes.length > few && (
        <Field style={{ maxWidth: 520 }}>
          Search bags and batches
          <input type="search" value={q} placeholder="a name, a code, a form" onChange={(e) => setQ(e.target.value)} />
        </Field>
      )}
      {q !== '' && k.lots.length === 0 && <p role="status">No bag or batch says all of that.</p>}
      {k.codes.length === 0 && (
        <p>
          Nothing is bagged yet. When the checks of a find are complete, open it and choose <b>How much, and bag it</b>:
          one kind, one find, one bag.
        </p>
      )}
      {grouped(k.lots).map((g) =>
        g.state === 'empty' ? (
          <details key={g.state}>
            <summary>
              <b>{g.title}</b> ({k.emptied}): {g.line}
            </summary>
            <Shelf>
              {g.lots.map((l) => (
                <OnShelf key={l.id} lot={l} />
              ))}
            </Shelf>
            {k.emptied > g.lots.length && <Button onPress={() => setMost(most * 4)}>Show more that are used up</Button>}
          </details>
        ) : (
          <section key={g.state} aria-labelledby={`k-${g.state}`} style={{ display: 'grid', gap: 6 }}>
            <h2 id={`k-${g.state}`}>{g.title}</h2>
            <Soft>{g.line}</Soft>
            <Shelf>
              {g.lots.map((l) => (
                <OnShelf key={l.id} lot={l} />
              ))}
            </Shelf>
          </section>
        ),
      )}
      {k.balance !== '0' && <Soft>What came in less what went out and what is left: {k.balance} g.</Soft>}
    </Page>
  );
}

const OnShelf = ({ lot: l }: { lot: Lot }) => (
  <Spot>
    <Vessel form={l.form} size={46} />
    <p>
      <Link to={`/kitchen/${l.id}`}>
        <b className="code">{l.id}</b> {l.taxon?.common ?? 'unnamed'}
      </Link>
      <br />
      {l.part}, {l.form}, {l.left}
      <br />
      <Soft>
        {l.late ? (
          <b>its time to keep is over</b>
        ) : l.keepByMs && l.state !== 'empty' ? (
          `keeps to ${dayOf(l.keepByMs)}`
        ) : (
          `picked ${dayOf(l.pickedMs)}`
        )}
      </Soft>
    </p>
  </Spot>
);
