import { useState } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useLot } from '../api/hooks';
import { Button, Page } from '../theme/bits';
import { Vessel } from './Vessel';
import { dayOf } from './when';

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  @media print {
    display: none;
  }
`;
const Sheet = styled.div`
  display: grid;
  grid-template-columns: repeat(2, 90mm);
  gap: 6mm;
  justify-content: center;
  @media screen and (max-width: 800px) {
    grid-template-columns: 90mm;
  }
`;
const Tag = styled.article`
  background: #fff;
  color: #000;
  border: 1.2pt solid #000;
  padding: 4mm 5mm;
  width: 90mm;
  min-height: 52mm;
  font-size: 10pt;
  line-height: 1.25;
  display: grid;
  gap: 1.5mm;
  align-content: start;
  break-inside: avoid;
  h2 {
    font-size: 28pt;
    letter-spacing: 0.02em;
  }
  header {
    display: flex;
    gap: 4mm;
    align-items: center;
  }
  .foot {
    border-top: 0.8pt solid #000;
    padding-top: 1mm;
    font-size: 8.5pt;
  }
  .left {
    margin-left: auto;
    font-size: 13pt;
  }
`;

/** Two labels of a bag or batch, one for the bag and one for the raw sample; black on white. */
export function LabelPage() {
  const { id = '' } = useParams();
  const { data: t, error } = useLot(id);
  const [today] = useState(() => Date.now());
  if (error)
    return (
      <Page>
        <h1>No such bag or batch</h1>
        <p>{error.message}</p>
      </Page>
    );
  if (!t)
    return (
      <Page>
        <p role="status">Writing the label…</p>
      </Page>
    );
  const l = t.lot;
  const label = (sample: boolean) => (
    <Tag aria-label={sample ? 'Label of the raw sample' : 'Label'}>
      <header>
        <Vessel form={sample ? 'fresh' : l.form} size={44} />
        <h2>
          {l.id}
          {sample ? ' raw' : ''}
        </h2>
        <b className="left">{sample ? '' : l.left}</b>
      </header>
      <p>
        <b>{l.taxon?.common}</b> <i>{l.taxon?.scientific}</i>
      </p>
      <p>
        {l.part},{' '}
        {sample
          ? 'raw reference sample: keep cold, eat none of it'
          : `${l.form}${l.gross ? `; ${l.gross} gross, ${l.tare} the bag` : ''}`}
      </p>
      <p>
        Picked {dayOf(l.pickedMs)}, {l.place || 'place not said'}
      </p>
      {!sample && l.lookedBy && <p>Second look: {l.lookedBy}</p>}
      {!sample && (
        <p>
          {l.pieces > 0 ? `${l.checked} of ${l.pieces} looked at one by one` : 'pieces not counted'}
          {l.basket ? `; basket ${l.basket}` : ''}
          {l.parents.length > 0 ? `; from ${l.parents.join(', ')}` : ''}
        </p>
      )}
      {!sample && l.steps.length > 0 && (
        <p>
          First:{' '}
          {l.steps.map((s) => `${s.done ? '☑' : '☐'} ${s.do}${s.minutes ? `, ${s.minutes} min` : ''}`).join('; ')}
        </p>
      )}
      <p className="foot">
        {sample
          ? 'If anybody feels ill: this goes with them.'
          : `${{ held: 'HELD', open: 'Somebody here has tasted this kind:' }[l.state as string] ?? 'Not for eating yet,'} ${dayOf(today)}; look it up by its code.`}
        {!sample && l.keepByMs ? ` Keeps to ${dayOf(l.keepByMs)}.` : ''}
      </p>
    </Tag>
  );
  return (
    <Page>
      <Bar>
        <h1>Labels of {id}</h1>
        <Button onPress={() => window.print()}>Print</Button>
        <Link to={`/kitchen/${id}`}>Back to {id}</Link>
      </Bar>
      <Sheet>
        {label(false)}
        {label(true)}
      </Sheet>
    </Page>
  );
}
