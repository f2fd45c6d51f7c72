import { Link, useLocation, useParams, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { useKitchen } from '../api/hooks';
import { useNow } from '../bench/useNow';
import { Part } from '../theme/deed';
import { Chip, Chips, Field, LinkButton, Page, Soft } from '../theme/bits';
import { Calls } from './Calls';
import { CallFirst } from './CallFirst';
import { Clock } from './Clock';
import { Concerned } from './Concerned';
import { changed, isBlank, ofLot, routes, unstored, withExposure, type Incident, type Route } from './draft';
import { ExposureForm } from './ExposureForm';
import { FirstSteps } from './FirstSteps';
import { Signs } from './Signs';
import { StoredLine } from './StoredLine';
import { useAid } from './useAid';
import { useDesk } from './useDesk';
import { callLines } from './windows';
import { Windows } from './Windows';

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
  align-items: start;
  > div {
    display: grid;
    gap: 16px;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** Something is wrong: call first; then take down what is known, with or without network. */
export function IncidentPage() {
  const { id = '' } = useParams();
  return <Taken key={id} id={id} />;
}

function Taken({ id }: { id: string }) {
  const [params] = useSearchParams();
  const fresh = (useLocation().state as { fresh?: boolean } | null)?.fresh === true;
  const desk = useDesk(id, fresh);
  const aid = useAid();
  const kitchen = useKitchen();
  const now = useNow(15_000, true);
  const { doc, view, change } = desk;
  const lots = kitchen.data?.lots ?? [];
  const others = unstored(localStorage).filter((x) => x !== id);
  const lot = params.get('lot');
  const ways = [...new Set(doc.exposures.map((x) => x.route))];
  const add = (r: Route) =>
    change((d) =>
      withExposure(d, r, Date.now(), r === 'eaten' && d.exposures.length === 0 && lot ? ofLot(lot, lots) : {}),
    );
  const text = (key: 'sample' | 'photos' | 'note' | 'missing', label: string, most: number) => (
    <Field>
      {label}
      <input
        value={doc[key] ?? ''}
        maxLength={most}
        onChange={(e) => change((d) => ({ ...d, [key]: e.target.value }))}
      />
    </Field>
  );
  const name = (l: string) => {
    const x = lots.find((y) => y.id === l);
    return x ? `${x.taxon?.common} (${x.taxon?.scientific}), ${x.part}, ${x.form}, ${l}` : l;
  };
  return (
    <Page>
      <CallFirst numbers={view?.numbers ?? aid.data?.numbers ?? []} say={callLines(doc, now, name)} />
      <StoredLine state={desk} onAgain={() => void desk.pump()} onBoth={desk.both} onYours={desk.yours} />
      {others.length > 0 && (
        <p>
          Taken down here before and not stored yet:{' '}
          {others.map((x) => (
            <Link key={x} to={`/incident/${x}`}>
              {x}{' '}
            </Link>
          ))}
        </p>
      )}
      <Chips role="group" aria-label="How it got in">
        {routes.map((r) => (
          <Chip key={r.id} $on={ways.includes(r.id)} onPress={() => add(r.id)}>
            {r.label}
            {ways.includes(r.id) ? ', one more' : ''}
          </Chip>
        ))}
      </Chips>
      <Two>
        <div>
          <FirstSteps aid={view?.aid ?? aid.data?.aid} of={ways} />
        </div>
        <div>
          <Part id="what-h" title="What, when, how much">
            {doc.exposures.length === 0 && <p>Press above how it got in. Half an answer is better than none.</p>}
            {doc.exposures.map((x, i) => (
              <ExposureForm
                key={`${x.id} ${x.lot}`}
                x={x}
                lots={lots}
                onChange={(y) => change((d) => ({ ...d, exposures: changed(d.exposures, i, y) }))}
                onRemove={
                  doc.closings.some((c) => c.exposure === x.id)
                    ? undefined
                    : () => change((d) => ({ ...d, exposures: d.exposures.filter((_, k) => k !== i) }))
                }
              />
            ))}
          </Part>
          <Part id="signs-h" title="Signs">
            <Signs doc={doc} onChange={change} />
          </Part>
        </div>
      </Two>
      <Part id="clocks-h" title="Clocks and windows">
        <Soft>
          The most dangerous first. A delay that fits one takes none of the others off. Dashed: now. Triangle: the first
          sign.
        </Soft>
        {view && view.clocks.length > 0
          ? view.clocks.map((c) => (
              <Clock
                key={`${c.exposure.id} ${c.exposure.atMs}`}
                clock={c}
                nowMs={now}
                closings={doc.closings}
                onClose={
                  c.fromBook
                    ? undefined
                    : (by, advice) =>
                        change((d): Incident => ({
                          ...d,
                          closings: [...d.closings, { exposure: c.exposure.id, by, advice, atMs: Date.now() }],
                        }))
                }
              />
            ))
          : doc.exposures.map((x) => (
              <Windows key={x.id} lines={aid.data?.windows[x.route] ?? []} sinceMs={now - x.atMs} delayMs={-1} />
            ))}
        {doc.exposures.length === 0 && <p>They begin with what was taken down above.</p>}
      </Part>
      {view && <Concerned view={view} />}
      <Part id="calls-h" title="Calls">
        <Calls doc={doc} onChange={change} />
      </Part>
      <Part id="kept-h" title="What is kept">
        {text('sample', 'Raw pieces, leftovers, what was vomited: where', 300)}
        {text('photos', 'Photos: where', 300)}
        {text('note', 'Anything else', 4000)}
      </Part>
      <Part id="after-h" title="Afterwards: which check was missing">
        {view && view.review.length > 0 && (
          <ul style={{ margin: 0 }}>
            {view.review.slice(0, 30).map((r) => (
              <li key={r}>{r}</li>
            ))}
          </ul>
        )}
        {text('missing', 'What would have caught it', 2000)}
      </Part>
      {!isBlank(doc) && (
        <div>
          <LinkButton to={`/incident/${id}/sheet`}>Handover sheet to print</LinkButton>
        </div>
      )}
    </Page>
  );
}
