import { Link } from 'react-router';
import styled from 'styled-components';
import { useToday } from '../api/hooks';
import { Judging } from '../shell/Judging';
import { LinkButton, Note, Page, Soft } from '../theme/bits';
import { plain } from '../guide/words';
import { stageWords, together } from './bands';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    display: grid;
    grid-template-columns: 128px 1fr;
    gap: 2px 16px;
    border-top: 1.5px solid var(--line);
    padding: 10px 0;
  }
  time {
    font-family: var(--head);
    font-weight: 700;
  }
  li.late {
    border-left: 6px solid var(--ink);
    padding-left: 12px;
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 1fr;
    }
  }
`;
const day = (iso: string) =>
  new Date(`${iso}T12:00`).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' });

/** What the day asks for. */
export function TodayPage() {
  const { data, error } = useToday();
  if (error)
    return (
      <Page>
        <h1>Today</h1>
        <Note role="alert">{error.message}</Note>
      </Page>
    );
  if (!data)
    return (
      <Page>
        <p role="status">Looking what is due…</p>
      </Page>
    );
  return (
    <Page>
      <h1>Today, {day(data.day)}</h1>
      <section aria-labelledby="due-h" style={{ display: 'grid', gap: 8 }}>
        <h2 id="due-h">Due</h2>
        {data.due.length === 0 ? (
          <p>
            Nothing is due. A wait that is begun, a plan for what was cut, a patch with days to regrow or a walk will
            stand here.
          </p>
        ) : (
          <List>
            {data.due.map((d) => (
              <li key={d.id} className={d.late ? 'late' : undefined}>
                <time dateTime={d.day}>
                  {day(d.day)}
                  {d.late && (
                    <>
                      <br />
                      <Soft>{d.day === data.day ? 'today' : 'past its day'}</Soft>
                    </>
                  )}
                </time>
                <span>
                  <Link to={d.link}>
                    {d.find ? `${d.find}: ` : ''}
                    {d.what}
                  </Link>
                </span>
              </li>
            ))}
          </List>
        )}
        {data.due.length > 0 && (
          <p>
            <a href="/api/reminders" download>
              Reminders for your calendar (iCalendar)
            </a>
          </p>
        )}
      </section>
      <section aria-labelledby="up-h" style={{ display: 'grid', gap: 8 }}>
        <h2 id="up-h">Up at your places this week</h2>
        {data.coming.length === 0 && data.signs.length === 0 ? (
          <p>
            Nothing that you look for is likely to be up. <Link to="/year">The year at a place</Link> shows the rest.
          </p>
        ) : (
          <ul>
            {together(data.coming).map(({ one, stages, p, opens }) => (
              <li key={`${one.place} ${one.taxon.id}`}>
                <Link to={`/year?place=${one.place}&taxon=${one.taxon.id}`}>{one.taxon.common}</Link> (
                {stageWords(stages)}): {opens ? 'opening' : 'up'}, {Math.round(p * 100)} in 100, at{' '}
                <Link to={`/places/${one.place}`}>{one.name}</Link>
              </li>
            ))}
            {data.signs.map((s, i) => (
              <li key={`s${i}`}>
                <b>{s.taxon.common}</b>: a sign of {s.of} says {s.from} to {s.to}, give or take {s.sign.sd} days
              </li>
            ))}
          </ul>
        )}
        <Soft>A date says when to look. It rules nothing out.</Soft>
      </section>
      <Judging progress={data.judging} />
      {data.second.length > 0 && (
        <section>
          <h2>Waiting for the second look at home</h2>
          <ul>
            {data.second.map((s) => (
              <li key={s.find}>
                <Link to={`/find/${s.find}/second`}>{s.title}</Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      {data.moved.length > 0 && (
        <section>
          <h2>Judged otherwise under today’s guide</h2>
          <ul>
            {data.moved.map((m) => (
              <li key={`${m.find} ${m.specimen}`}>
                <Link to={`/find/${m.find}`}>{m.title || m.find}</Link>: {plain(m.was)}, now {plain(m.now)}
              </li>
            ))}
          </ul>
        </section>
      )}
      <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        <LinkButton to="/walks/new">Plan a walk</LinkButton>
        <LinkButton to="/begin">Begin a find</LinkButton>
      </div>
    </Page>
  );
}
