import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useKitchen } from '../api/hooks';
import { length, moment } from '../kitchen/when';
import { Button, Page } from '../theme/bits';
import { useAid } from './useAid';
import { useDesk } from './useDesk';
import { callLines } from './windows';

const Bar = styled.div`
  display: flex;
  gap: 8px;
  align-items: center;
  @media print {
    display: none;
  }
`;
const Paper = styled.article`
  background: #fff;
  color: #000;
  border: 1px solid #000;
  padding: 12mm;
  max-width: 190mm;
  margin: 0 auto;
  font-size: 10pt;
  line-height: 1.28;
  display: grid;
  gap: 6px;
  h1 {
    font-size: 16pt;
  }
  h2 {
    font-size: 11pt;
    border-top: 1.2pt solid #000;
    padding-top: 3px;
  }
  ul {
    margin: 0;
    padding-left: 16px;
  }
  table {
    border-collapse: collapse;
    width: 100%;
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 1.5px 8px 1.5px 0;
    border-top: 0.6pt solid #888;
  }
  footer {
    border-top: 1pt solid #000;
    font-size: 8.5pt;
  }
  @media print {
    border: 0;
    padding: 0;
    max-width: none;
  }
`;

/** One page for whoever takes over: facts and times first, then what was not ruled out. */
export function HandoverPage() {
  const { id = '' } = useParams();
  return <Sheet key={id} id={id} />;
}

function Sheet({ id }: { id: string }) {
  const { doc, view } = useDesk(id);
  const aid = useAid();
  const kitchen = useKitchen();
  const nowMs = view?.nowMs ?? doc.beganMs;
  const name = (l: string) => {
    const x = kitchen.data?.lots.find((y) => y.id === l);
    return x ? `${x.taxon?.common} (${x.taxon?.scientific}), ${x.part}, ${x.form}, ${l}` : l;
  };
  const numbers = view?.numbers ?? aid.data?.numbers ?? [];
  return (
    <Page>
      <Bar>
        <Button onPress={() => window.print()}>Print</Button>
        <Link to={`/incident/${id}`}>Back to the incident</Link>
      </Bar>
      <Paper>
        <h1>
          Handover: something wild was{' '}
          {doc.exposures[0]?.route === 'eaten' || doc.exposures.length === 0 ? 'eaten' : 'in contact'}
        </h1>
        <p>
          {numbers.length > 0
            ? numbers.map((n) => `${n.label}: ${n.number}`).join(' · ')
            : 'Poison service: ______________ · Emergency: ______________'}
        </p>
        <h2>What, when, how much</h2>
        <ul>
          {callLines({ ...doc, symptoms: [], sample: undefined }, nowMs, name).map((l) => (
            <li key={l}>{l}</li>
          ))}
        </ul>
        <h2>Signs, in their order</h2>
        {doc.symptoms.length === 0 ? (
          <p>None taken down by {moment(nowMs)}. Late signs are still to be reckoned with.</p>
        ) : (
          <ul>
            {[...doc.symptoms]
              .sort((a, b) => a.atMs - b.atMs)
              .map((s, i) => (
                <li key={i}>
                  {moment(s.atMs)}: {s.person || 'somebody'}: {s.what}
                </li>
              ))}
          </ul>
        )}
        {view?.clocks.slice(0, 2).map((c) => (
          <section key={c.exposure.id + c.exposure.atMs}>
            <h2>
              {c.exposure.lot || c.exposure.what || c.exposure.route}: {length(c.sinceMs)} since
              {c.delayMs >= 0 ? `, ${length(c.delayMs)} to the first sign` : ''}. Not ruled out by the records:
            </h2>
            <table>
              <thead>
                <tr>
                  <th>Way of poisoning</th>
                  <th>Signs begin</th>
                  <th>By the records</th>
                </tr>
              </thead>
              <tbody>
                {c.lines.slice(0, 8).map((l) => (
                  <tr key={l.id}>
                    <td>
                      {l.name} ({l.gradeWord})
                    </td>
                    <td>{l.onset}</td>
                    <td>{l.suspected ? 'leads to it' : ''}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {c.lines.length > 8 && <p>and {c.lines.length - 8} more.</p>}
          </section>
        ))}
        <h2>Who else</h2>
        <p>
          {view && view.shared.length > 0
            ? view.shared.map((e) => `${e.name}: ${e.amount} of ${e.lot}, ${moment(e.atMs)}`).join('; ')
            : 'nobody by the book of the kitchen'}
          .
        </p>
        {view && view.finds.length > 0 && (
          <>
            <h2>How it was identified</h2>
            <ul>
              {view.finds.map((f) => (
                <li key={f.id}>
                  {f.title}, {f.day}: {f.word} under today’s guide; second look: {f.second.words}
                </li>
              ))}
            </ul>
          </>
        )}
        {view && view.review.length > 0 && (
          <p>
            Not looked at, or not ruled out: {view.review.slice(0, 8).join('; ')}
            {view.review.length > 8 ? `; and ${view.review.length - 8} more` : ''}.
          </p>
        )}
        <h2>Kept; calls</h2>
        <p>
          Kept: {doc.sample || 'nothing said'}. Photos: {doc.photos || 'nothing said'}. Held:{' '}
          {view?.held.join(', ') || 'nothing'}.
        </p>
        <ul>
          {doc.calls.map((c, i) => (
            <li key={i}>
              {moment(c.atMs)}: {c.whom}: {c.said}
            </li>
          ))}
        </ul>
        {doc.note && <p>{doc.note}</p>}
        <footer>
          Taken down by a lay person with an identification guide; nothing here is a diagnosis. As of {moment(nowMs)}.
        </footer>
      </Paper>
    </Page>
  );
}
