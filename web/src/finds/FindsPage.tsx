import { useDeferredValue, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { hoped } from '../bench/hoped';
import { firstFinds, useFinds, useRejudged } from '../api/hooks';
import { Judging } from '../shell/Judging';
import { Button, Field, NextLink, Note, Page, Soft } from '../theme/bits';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 12px;
`;
const Item = styled.li`
  border-left: 6px solid var(--bramble);
  background: var(--sheet);
  padding: 14px 18px;
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 16px;
  a {
    font-family: var(--head);
    font-weight: 700;
    font-size: 1.2rem;
    color: var(--ink);
    min-height: 32px;
  }
  .word {
    font-family: var(--head);
    font-weight: 700;
  }
  .word,
  .still {
    text-align: right;
  }
  @media (max-width: 600px) {
    grid-template-columns: 1fr;
    .word,
    .still {
      text-align: left;
    }
  }
`;
const Top = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  justify-content: space-between;
  align-items: center;
  h1 {
    font-size: 2rem;
  }
`;

/** How many are shown at first and more at a time, and from how many on a search is offered. */
const step = firstFinds;
const few = 12;

export function FindsPage() {
  const [params, setParams] = useSearchParams();
  const q = params.get('q') ?? '';
  const [most, setMost] = useState(step);
  const finds = useFinds(useDeferredValue(q), most);
  const list = finds.data;
  const changed = useRejudged();
  return (
    <Page>
      <Top>
        <h1>Your finds</h1>
        <NextLink to="/begin">Begin a find</NextLink>
      </Top>
      {changed.data
        ?.filter((r) => r.noLongerPasses)
        .map((r) => (
          <Note key={r.find + r.specimen} role="alert">
            <b>{r.title || r.find}</b> was “{r.was.replaceAll('-', ' ')}” under an earlier guide and is “
            {r.now.replaceAll('-', ' ')}” under today’s. <Link to={`/find/${r.find}`}>Look at it again</Link>
          </Note>
        ))}
      {finds.error && <Note role="alert">{finds.error.message}</Note>}
      {list && list.of === 0 && q === '' && (
        <p>
          Nothing here yet. Kneel down beside one plant or one mushroom, leave it where it grows, and begin a find: the
          first questions are about what can’t be seen once it is picked.
        </p>
      )}
      {(q !== '' || (list && list.of > few)) && (
        <Field style={{ maxWidth: 520 }}>
          Search your finds
          <input
            type="search"
            value={q}
            placeholder="a name, a place, a month: 2026-10"
            onChange={(e) => setParams(e.target.value ? { q: e.target.value } : {}, { replace: true })}
          />
        </Field>
      )}
      {list && (q !== '' || list.of > list.lines.length) && (
        <Soft role="status">
          {list.of === 0 ? 'No find says all of that.' : `${Math.min(list.lines.length, list.of)} of ${list.of} finds`}
        </Soft>
      )}
      <Judging progress={list?.judging} />
      <List>
        {list?.lines.map((f) =>
          f.aside ? (
            <Item key={`aside ${f.id}`}>
              <b>A find that can’t be read</b>
              <span className="word">Set aside</span>
              <Soft>{f.title}</Soft>
              <Soft>
                {f.aside} · <Link to="/data">Your data</Link>
              </Soft>
            </Item>
          ) : (
            <Item key={f.id}>
              <Link to={`/find/${f.id}`}>{f.title || (f.target ? `${f.target.common}?` : 'A find')}</Link>
              <span className="word">{f.held ? 'Basket held' : f.word}</span>
              <Soft>
                {f.target ? (
                  <>
                    {hoped(f.intent)} {f.target.common}, <i>{f.target.scientific}</i>
                  </>
                ) : (
                  'no target yet'
                )}{' '}
                · to {f.intent} · {f.place || 'no place'} · {f.day}
              </Soft>
              <Soft className="still">
                {f.open > 0 ? `${f.open} still open` : 'nothing open'}
                {f.count > 1 ? ` · ${f.count} specimens` : ''}
              </Soft>
            </Item>
          ),
        )}
      </List>
      {list && list.of > most && (
        <div>
          <Button onPress={() => setMost(most + step)}>Show {Math.min(step, list.of - most)} more</Button>
        </div>
      )}
    </Page>
  );
}
