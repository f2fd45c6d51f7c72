import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useGuide, useTaxon } from '../api/hooks';
import { Thorns } from '../drawing/Thorns';
import { LinkButton, Note, Page, Soft } from '../theme/bits';
import { Cells } from './Cells';
import { Lookalikes } from './Lookalikes';
import { Portrait } from './Portrait';
import { grades, originWords, plain, spans } from './words';

const Cols = styled.div`
  display: grid;
  gap: 28px;
  grid-template-columns: minmax(0, 3fr) minmax(260px, 2fr);
  @media (max-width: 800px) {
    grid-template-columns: minmax(0, 1fr);
  }
  > section {
    display: grid;
    gap: 12px;
    align-content: start;
  }
  h2 {
    font-size: 1.3rem;
    margin-top: 6px;
  }
  ul {
    margin: 0;
    padding-left: 20px;
  }
`;
const Own = styled.p`
  border-left: 5px solid var(--bramble);
  background: var(--bramble-soft);
  padding: 8px 14px;
`;

const list = (title: string, items: string[], note?: string) =>
  items.length > 0 && (
    <p>
      <b>{title}:</b> {items.join('; ')}. {note && <Soft>{note}</Soft>}
    </p>
  );

/** An entry: first what it is taken for, then how to tell, then hazard, use and season. */
export function TaxonPage() {
  const { id = '' } = useParams();
  const { data: t, error } = useTaxon(id);
  const groups = useGuide().data?.hardGroups ?? [];
  if (error)
    return (
      <Page>
        <h1>No such entry</h1>
        <p>{error.message}</p>
        <p>
          <Link to="/guide">To the guide</Link>
        </p>
      </Page>
    );
  if (!t)
    return (
      <Page>
        <p role="status">Fetching the entry…</p>
      </Page>
    );
  const worst = Math.max(0, ...t.hazards.map((h) => h.grade));
  return (
    <Page>
      <header>
        <h1>{t.common}</h1>
        <p>
          <i>{t.scientific}</i> · {t.family} · {t.rank}
        </p>
        <p>
          <Soft>
            Other names:{' '}
            {t.names
              .slice(1)
              .filter((n) => n.text !== t.common)
              .map((n) => (n.kind === 'synonym' ? `${n.text} (old or in part)` : n.text))
              .join(', ') || 'none noted'}
          </Soft>
        </p>
      </header>
      {t.origin && (
        <Own>
          <b>{originWords(t.origin)}</b>, read from {t.file}. What is not yours is as shipped.
        </Own>
      )}
      <p>{t.summary}</p>
      <Portrait taxon={t} />
      <Cols>
        <section>
          <Lookalikes taxon={t} />
          <h2>How to tell it</h2>
          {t.beforePick.length > 0 && (
            <Note>
              <b>Before you pick:</b> {t.beforePick.join('; ')}.
            </Note>
          )}
          {t.keys.length > 0 && (
            <ul>
              {t.keys.map((k, i) => (
                <li key={i}>
                  <b>Must fit, {k.stages.map(plain).join(', ')}:</b>{' '}
                  {k.traits.map((x) => x.name.toLowerCase()).join(', ')}
                </li>
              ))}
            </ul>
          )}
          <Cells taxon={t} />
        </section>
        <section>
          <h2>Hazard</h2>
          <Thorns grade={worst} left={worst} cut={worst === 0} />
          <ul>
            {t.hazards.map((h, i) => (
              <li key={i}>
                <b>{grades[h.grade]}</b>
                {h.contact ? ' on contact' : ''}
                {h.part || h.preparation ? ` (${[h.part, h.preparation].filter(Boolean).join(', ')})` : ''}:{' '}
                {h.why.replace(/\.$/, '')}.
                {h.onset && <> First signs: {h.onset}; a later or earlier start excludes nothing.</>}
                {h.help && <> {h.help}</>} <Soft>{h.source}</Soft>
              </li>
            ))}
          </ul>
          {t.hardGroups.length > 0 && (
            <Note>
              Asks for a sign-off in person:{' '}
              {t.hardGroups.map((g) => groups.find((x) => x.id === g)?.name.toLowerCase() ?? plain(g)).join(', ')}.
            </Note>
          )}
          <h2>Use</h2>
          {t.uses.length === 0 && <Note>No use is described here.</Note>}
          <ul>
            {t.uses.map((u, i) => (
              <li key={i}>
                <b>
                  {u.part}, {u.preparation}
                </b>
                , {u.stages.map(plain).join(', ')}
                {u.regions.length > 0 ? `, in ${u.regions.join(' and ')} only` : ''}; named as far as the {u.rank}.
                {u.quality.length > 0 && <> Worth taking: {u.quality.join(', ')}.</>}
                {u.harvest.length > 0 && <> How, least damage first: {u.harvest.join('; ')}.</>}
                {u.left.map((l) => (
                  <p key={l.stage + l.continent}>
                    <b>
                      Left by the rules, {plain(l.stage)} ({l.continent}):
                    </b>{' '}
                    nothing tells it from <Link to={`/guide/${l.taxon.id}`}>{l.taxon.common}</Link> with the certainty
                    that is asked.
                  </p>
                ))}
              </li>
            ))}
          </ul>
          {t.notGathered.length > 0 && (
            <ul>
              {t.notGathered.map((n, i) => (
                <li key={i}>
                  <b>
                    Not gathered, {n.stages.map(plain).join(', ')}
                    {n.regions.length > 0 ? ` (${n.regions.join(', ')})` : ''}:
                  </b>{' '}
                  {n.why}
                </li>
              ))}
            </ul>
          )}
          {list('Before eating', t.before)}
          {t.cautions.length > 0 && (
            <ul>
              {t.cautions.map((c) => (
                <li key={c.who}>
                  <b>{plain(c.who.replace(':', ': '))}</b>
                  {c.refuse ? ' (refused)' : ''}: {c.why}
                </li>
              ))}
            </ul>
          )}
          {list('As a remedy', t.remedy, 'No dose is given here; licensed practice decides.')}
          {t.protection && (
            <p>
              <b>Protection:</b> {t.protection} Local codes come first.
            </p>
          )}
          <h2>When and where</h2>
          <ul>
            {t.windows.map((w, i) => (
              <li key={i}>
                {w.stages.map(plain).join(', ')}: {spans(w.months)}
              </li>
            ))}
          </ul>
          <Soft>{t.place}. A date never rules anything out.</Soft>
          <p>
            {t.regions.join(', ')} · {t.habitats.map(plain).join(', ')}
          </p>
          {list('With', t.hosts)}
          {list('Beside it', t.companions)}
          {list('What leads to it', t.cues, 'Search cues are never evidence.')}
          {t.disputed.length > 0 && (
            <>
              <h2>Disputed</h2>
              <ul>
                {t.disputed.map((d, i) => (
                  <li key={i}>
                    <b>{d.question}:</b> {d.schools.join(' / ')}. Here: {d.here}
                  </li>
                ))}
              </ul>
            </>
          )}
          <h2>Sources</h2>
          <ul>
            {t.sources.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </ul>
          <p>Confidence: {t.confidence}</p>
          <p>
            <LinkButton to={`/guide/${t.id}/beside`}>Put it beside its lookalikes</LinkButton>
          </p>
        </section>
      </Cols>
    </Page>
  );
}
