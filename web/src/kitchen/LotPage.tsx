import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useLot } from '../api/hooks';
import { LinkButton, Note, Page, Soft } from '../theme/bits';
import { Part } from '../theme/deed';
import { Eat } from './Eat';
import { Gate } from './Gate';
import { Held } from './Held';
import { yieldWords } from './lots';
import { Make } from './Make';
import { SecondStep } from './SecondStep';
import { Steps } from './Steps';
import { Trace } from './Trace';
import { Upkeep } from './Upkeep';
import { Vessel } from './Vessel';
import { dayOf } from './when';

const Head = styled.header`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  h1 {
    font-size: 1.9rem;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-left: auto;
  }
  @media (max-width: 600px) {
    .acts {
      margin-left: 0;
    }
  }
`;

/** One page a lot: what was typed into one is not carried to another. */
export function LotPage() {
  const { id = '' } = useParams();
  return <LotDesk key={id} id={id} />;
}

/** A bag or batch: what it is, what stands between it and a plate, where it came from and where it went. */
function LotDesk({ id }: { id: string }) {
  const { data: t, error } = useLot(id);
  if (error)
    return (
      <Page>
        <h1>No such bag or batch</h1>
        <p>{error.message}</p>
        <p>
          <Link to="/kitchen">To the kitchen</Link>
        </p>
      </Page>
    );
  if (!t)
    return (
      <Page>
        <p role="status">Fetching {id}…</p>
      </Page>
    );
  const l = t.lot;
  return (
    <Page>
      <Head>
        <Vessel form={l.form} size={56} />
        <div>
          <h1>
            {l.id} · {l.taxon?.common}
          </h1>
          <p>
            <i>{l.taxon?.scientific}</i> · {l.part}, {l.form} · <b>{l.left}</b> left of {l.made}
            {l.gross ? ` (${l.gross} gross, ${l.tare} the bag)` : ''}
          </p>
          <p>
            Picked {dayOf(l.pickedMs)}, {l.place || 'place not said'}, from{' '}
            <Link to={`/find/${l.find}`}>{l.findTitle || 'its find'}</Link>
            {l.pieces > 0
              ? `; ${l.checked} of ${l.pieces} pieces looked at one by one`
              : l.each
                ? '; each piece looked at by itself, uncounted'
                : ''}
            {l.basket && `; in the basket “${l.basket}”`}
          </p>
          {l.keepByMs && l.state !== 'empty' && (
            <p>
              {l.late ? <b>Its time to keep ended {dayOf(l.keepByMs)}. </b> : `Keeps to ${dayOf(l.keepByMs)}. `}
              <Soft>Common practice, no source; smell and look at it first all the same.</Soft>
            </p>
          )}
        </div>
        <div className="acts">
          <LinkButton to={`/kitchen/${l.id}/label`}>Label</LinkButton>
          <LinkButton to={`/incident/new?lot=${l.id}`}>Somebody feels ill</LinkButton>
        </div>
      </Head>
      {l.state === 'empty' ? (
        <Note>{l.what} It stays here for the trace.</Note>
      ) : (
        <>
          <Gate lot={l} />
          <Note role="status">
            <b>{l.what}</b> {l.hint}
          </Note>
          {l.state === 'held' && <Held trace={t} />}
          {l.state === 'second-look' && <SecondStep trace={t} />}
          {l.steps.length > 0 && <Steps lot={l} />}
          <Eat trace={t} />
          {l.state !== 'held' && <Make lot={l} />}
          <Upkeep lot={l} />
        </>
      )}
      <Trace trace={t} />
      {l.yields.length > 0 && (
        <Part id="yield-h" title="What becomes of it, by your own record">
          <ul>
            {l.yields.map((y) => (
              <li key={y.form}>{yieldWords(y)}</li>
            ))}
          </ul>
        </Part>
      )}
    </Page>
  );
}
