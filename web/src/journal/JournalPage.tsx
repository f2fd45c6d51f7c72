import { useDeferredValue, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { useJournal } from '../api/hooks';
import { Button, Field, Note, Page, Soft } from '../theme/bits';
import { byYear } from './years';

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    display: grid;
    grid-template-columns: 120px 84px 1fr;
    gap: 2px 14px;
    border-top: 1.5px solid var(--line);
    padding: 8px 0;
  }
  time {
    font-family: var(--head);
    font-weight: 700;
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: auto 1fr;
    }
    li > :last-child {
      grid-column: 1 / -1;
    }
  }
`;
const Table = styled.table`
  border-collapse: collapse;
  th,
  td {
    text-align: left;
    padding: 6px 22px 6px 0;
    border-top: 1.5px solid var(--line);
  }
  thead th {
    border: 0;
  }
`;
const words: Record<string, string> = {
  find: 'a find',
  bag: 'bagged',
  batch: 'made',
  eaten: 'eaten',
  felt: 'felt',
  seen: 'first seen',
  patch: 'a patch',
  walk: 'a walk',
  incident: 'incident',
};

/** Finds, bags, meals, walks and what was left alone, day by day; every word of a search must stand in a line. */
export function JournalPage() {
  const [params, setParams] = useSearchParams();
  const q = params.get('q') ?? '';
  const [most, setMost] = useState(100);
  const { data: j, error } = useJournal(useDeferredValue(q), most);
  if (error)
    return (
      <Page>
        <h1>Journal</h1>
        <Note role="alert">{error.message}</Note>
      </Page>
    );
  if (!j)
    return (
      <Page>
        <p role="status">Turning the pages…</p>
      </Page>
    );
  return (
    <Page>
      <h1>Journal</h1>
      <Field style={{ maxWidth: 520 }}>
        Search all of it
        <input
          type="search"
          value={q}
          placeholder="a name, a place, a month: 2026-10"
          onChange={(e) => setParams(e.target.value ? { q: e.target.value } : {}, { replace: true })}
        />
      </Field>
      <Soft role="status">
        {j.lines.length} of {j.of} lines
      </Soft>
      {j.of === 0 && (
        <p>
          Nothing has happened yet. What you find, bag, eat and leave alone will stand here, with what was ruled out.
        </p>
      )}
      <List>
        {j.lines.map((l, i) => (
          <li key={i}>
            <time dateTime={l.day}>{l.day}</time>
            <span>{words[l.kind]}</span>
            <span>
              {l.link ? <Link to={l.link}>{l.title}</Link> : <b>{l.title}</b>}
              {l.place && `, ${l.place}`}
              <br />
              {l.what}
            </span>
          </li>
        ))}
      </List>
      {j.lines.length === most && (
        <div>
          <Button onPress={() => setMost(most * 5)}>Show more</Button>
        </div>
      )}
      {j.years.length > 0 && (
        <section aria-labelledby="years-h" style={{ display: 'grid', gap: 8, overflowX: 'auto' }}>
          <h2 id="years-h">What the years gave</h2>
          {byYear(j.years).map(([year, list]) => (
            <Table key={year}>
              <caption style={{ textAlign: 'left', fontFamily: 'var(--head)', fontWeight: 700 }}>{year}</caption>
              <thead>
                <tr>
                  <th scope="col">Kind</th>
                  <th scope="col">Weight</th>
                  <th scope="col">Bags</th>
                  <th scope="col">First</th>
                </tr>
              </thead>
              <tbody>
                {list.map((y) => (
                  <tr key={y.taxon.id}>
                    <td>
                      {y.taxon.common} <i>{y.taxon.scientific}</i>
                    </td>
                    <td>{y.weight}</td>
                    <td>{y.bags}</td>
                    <td>{y.first}</td>
                  </tr>
                ))}
              </tbody>
            </Table>
          ))}
        </section>
      )}
    </Page>
  );
}
