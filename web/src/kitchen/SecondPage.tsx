import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { beginSecond, newKey } from '../api/client';
import { useFind, useKitchen, useKitchenChange, usePeople, useSecond } from '../api/hooks';
import { plain } from '../guide/words';
import { Field, LinkButton, Next, NextLink, Note, Page, Soft } from '../theme/bits';
import { Deed, Part, Refused } from '../theme/deed';

const Pairs = styled.table`
  border-collapse: collapse;
  width: 100%;
  th,
  td {
    text-align: left;
    padding: 8px 12px 8px 0;
    border-top: 1.5px solid var(--line);
    vertical-align: top;
  }
  thead th {
    border: 0;
  }
  tr.sound th::before {
    content: '≠ ';
    font-family: var(--head);
  }
`;

/** The second look at home beside the first: begun here, made on the bench, compared here. */
export function SecondPage() {
  const { id = '' } = useParams();
  const go = useNavigate();
  const find = useFind(id);
  const { data: s, error } = useSecond(id);
  const people = usePeople();
  const kitchen = useKitchen();
  const [who, setWho] = useState<string>();
  const first = find.data?.person;
  // Another person first, when there is one.
  const person = who ?? people.data?.find((p) => p.id !== first)?.id ?? first;
  const begin = useKitchenChange(() => beginSecond(id, `home-${newKey().slice(0, 18)}`, person));
  if (error)
    return (
      <Page>
        <h1>No such find</h1>
        <p>{error.message}</p>
      </Page>
    );
  if (!s || !find.data || !people.data)
    return (
      <Page>
        <p role="status">Laying both looks side by side…</p>
      </Page>
    );
  const v = find.data;
  const bags = kitchen.data?.lots.filter((l) => l.find === id && l.bag) ?? [];
  return (
    <Page>
      <div>
        <h1>Second look at home</h1>
        <p>
          {v.title || v.target?.common}, {v.day}, {v.place || 'no place given'}
        </p>
      </div>
      <Note role="status">
        <b>{s.words}</b>
      </Note>
      {!s.home ? (
        <>
          <p>
            Under good light: what can be seen on what was carried, and what the field could not give: the cut section,
            the spore print on half dark, half light paper, the smell of a clean hand. What only the ground shows is
            taken over from the field and named as such. What disagrees is shown here.
          </p>
          <Deed
            onSubmit={(e) => {
              e.preventDefault();
              begin.mutate(undefined, { onSuccess: (view) => void go(`/find/${view.id}`) });
            }}
          >
            <Field>
              Who looks
              <select value={person ?? ''} onChange={(e) => setWho(e.target.value)}>
                {people.data.map((p) => (
                  <option key={p.id} value={p.id}>
                    {p.name}
                    {p.id === first ? ' (looked in the field)' : ''}
                  </option>
                ))}
              </select>
            </Field>
            <Next type="submit" isDisabled={begin.isPending}>
              Begin the second look
            </Next>
          </Deed>
          {person === first && (
            <Soft>The same eyes see the same thing twice. If somebody else is there, let them look.</Soft>
          )}
          <Refused error={begin.error} />
        </>
      ) : (
        <>
          <div>
            {s.ready ? (
              <LinkButton to={`/find/${s.home}`}>Look at it again on the bench</LinkButton>
            ) : (
              <NextLink to={`/find/${s.home}`}>Go on with it on the bench</NextLink>
            )}
          </div>
          {s.asked.length > 0 && (
            <Part id="asked-h" title="What a second look adds">
              <ul>
                {s.asked.map((a) => (
                  <li key={a.do}>
                    {a.done ? <b>Done: </b> : <b>Open: </b>}
                    {a.do}
                    {!a.done && (
                      <>
                        {' '}
                        (in the <Link to={`/find/${s.home}?way=list`}>checklist</Link>:{' '}
                        {a.traits.map(plain).join(' or ')})
                      </>
                    )}
                  </li>
                ))}
              </ul>
            </Part>
          )}
          <Part id="differs-h" title="What disagrees">
            {s.differs.length === 0 ? (
              <p>Nothing so far.</p>
            ) : (
              <Pairs>
                <thead>
                  <tr>
                    <th scope="col">Check</th>
                    <th scope="col">In the field</th>
                    <th scope="col">At home</th>
                    <th scope="col" />
                  </tr>
                </thead>
                <tbody>
                  {s.differs.map((d) => (
                    <tr key={d.trait.id} className={d.sound ? 'sound' : undefined}>
                      <th scope="row">{d.trait.name}</th>
                      <td>{d.field}</td>
                      <td>{d.home}</td>
                      <td>{d.sound ? 'both were sound: it holds the bag' : 'one of them was shaky'}</td>
                    </tr>
                  ))}
                </tbody>
              </Pairs>
            )}
          </Part>
          <Part id="also-h" title="What was added, what is missing">
            <p>Only at home: {s.added.join(', ') || 'nothing'}.</p>
            <p>Seen in the field and not looked at again: {s.missing.join(', ') || 'nothing'}.</p>
          </Part>
        </>
      )}
      {bags.length > 0 && (
        <Part id="bags-h" title="Bags of this find">
          <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
            {bags.map((b) => {
              const Go = s.ready && b.state === 'second-look' ? NextLink : LinkButton;
              return (
                <Go key={b.id} to={`/kitchen/${b.id}`}>
                  {b.id}, {b.left}: {s.ready && b.state === 'second-look' ? 'mark it' : b.what}
                </Go>
              );
            })}
          </div>
        </Part>
      )}
    </Page>
  );
}
