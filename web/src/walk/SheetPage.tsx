import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useOutlook } from '../api/hooks';
import { plain } from '../guide/words';
import { useAid } from '../incident/useAid';
import { Button, Page } from '../theme/bits';
import { heaps, toPack, upWords } from './outlook';

const Paper = styled.article`
  background: #fff;
  color: #000;
  border: 1px solid #000;
  padding: 12mm;
  max-width: 190mm;
  margin: 0 auto;
  font-size: 10.5pt;
  line-height: 1.3;
  display: grid;
  gap: 8px;
  h1 {
    font-size: 17pt;
  }
  h2 {
    font-size: 12pt;
    border-top: 1.5pt solid #000;
    padding-top: 4px;
  }
  ul {
    margin: 0;
    padding-left: 16px;
  }
  .cols {
    columns: 2;
    column-gap: 8mm;
  }
  li {
    break-inside: avoid;
  }
  .box::before {
    content: '';
    display: inline-block;
    width: 9px;
    height: 9px;
    border: 1.2pt solid #000;
    margin-right: 6px;
  }
  .box {
    list-style: none;
    margin-left: -16px;
  }
  footer {
    border-top: 1pt solid #000;
    font-size: 8.5pt;
    padding-top: 4px;
  }
  @media print {
    border: 0;
    padding: 0;
    max-width: none;
  }
`;
const Bar = styled.div`
  display: flex;
  gap: 8px;
  align-items: center;
  @media print {
    display: none;
  }
`;

/** A walk on paper, black on white. */
export function SheetPage() {
  const { id = '' } = useParams();
  const { data: o, error } = useOutlook(id);
  const numbers = useAid().data?.numbers ?? [];
  if (error)
    return (
      <Page>
        <h1>No such walk</h1>
        <p>{error.message}</p>
      </Page>
    );
  if (!o)
    return (
      <Page>
        <p role="status">Setting the sheet…</p>
      </Page>
    );
  const { named, up } = heaps(o.dangers);
  const line = (d: (typeof named)[number]) => (
    <li key={d.taxon.id}>
      <b>{d.taxon.common}</b> <i>{d.taxon.scientific}</i>, {d.gradeWord}
      {d.contact ? ', harmful on contact' : ''}; {upWords(d.p)}
      {d.named.length > 0 ? `; taken for ${d.named.map((n) => n.common).join(', ')}` : ''}
    </li>
  );
  return (
    <Page>
      <Bar>
        <Button onPress={() => window.print()}>Print</Button>
        <Link to={`/walks/${id}`}>Back to the walk</Link>
      </Bar>
      <Paper>
        <h1>{o.walk.title || 'A walk'}</h1>
        <p>
          {o.placeDetails?.name ?? 'no place chosen'}, {o.walk.day}
          {o.walk.from ? `, ${o.walk.from} to ${o.walk.to || '…'}` : ''}. {o.light}{' '}
          {o.walk.people?.length ? `With ${o.walk.people.join(', ')}.` : ''}
        </p>
        <h2>Dangers taken for what is hoped for</h2>
        {named.length === 0 ? (
          <p>None is named in the guide. That never means that there is none.</p>
        ) : (
          <ul>{named.map(line)}</ul>
        )}
        <h2>Other dangers on this ground, this week</h2>
        <ul className="cols">{up.slice(0, 24).map(line)}</ul>
        {up.length > 24 && <p>and {up.length - 24} more in the guide.</p>}
        <h2>Hoped for</h2>
        <ul>
          {o.hopes.map((h) => (
            <li key={h.taxon.id}>
              <b>{h.taxon.common}</b>: {upWords(h.p)}
              {h.stages.length > 0 ? ` (${h.stages.map(plain).join(', ')})` : ''}
            </li>
          ))}
        </ul>
        <h2>In the bag</h2>
        <ul className="cols">
          {toPack(o).map(({ line: k }) => (
            <li className="box" key={k.id}>
              {k.what}
            </li>
          ))}
        </ul>
        <h2>Rules and scene</h2>
        <ul>
          {[...o.rules, ...o.scene].map((r) => (
            <li key={r}>{r}</li>
          ))}
        </ul>
        <footer>
          {numbers.length > 0
            ? numbers.map((n) => `${n.label}: ${n.number}`).join(' · ')
            : 'Poison service: ______________________ · Emergency: ______________________'}{' '}
          · When in doubt, leave it. · Guide {o.guide}
        </footer>
      </Paper>
    </Page>
  );
}
