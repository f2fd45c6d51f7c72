import { useState } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useOutlook } from '../api/hooks';
import { Button, Chip, Page } from '../theme/bits';
import { PocketCard } from './PocketCard';

const Bar = styled.div`
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
  @media print {
    display: none;
  }
`;
const Sheet = styled.div<{ $letter: boolean }>`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0;
  background: #fff;
  color: #000;
  width: ${(p) => (p.$letter ? '203mm' : '198mm')};
  max-width: 100%;
  margin: 0 auto;
  @media (max-width: 700px) {
    grid-template-columns: 1fr;
  }
  @media print {
    width: auto;
    grid-template-columns: 1fr 1fr;
  }
`;

/** Pocket cards for what is hoped for, four to a page. */
export function CardsPage() {
  const { id = '' } = useParams();
  const { data: o, error } = useOutlook(id);
  const [letter, setLetter] = useState(false);
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
        <p role="status">Setting the cards…</p>
      </Page>
    );
  return (
    <Page style={{ maxWidth: 900 }}>
      <Bar>
        <h1>Pocket cards</h1>
        <Chip $on={!letter} aria-pressed={!letter} onPress={() => setLetter(false)}>
          A4
        </Chip>
        <Chip $on={letter} aria-pressed={letter} onPress={() => setLetter(true)}>
          Letter
        </Chip>
        <Button onPress={() => window.print()}>Print</Button>
        <Link to={`/walks/${id}`}>Back to the walk</Link>
      </Bar>
      <Sheet $letter={letter}>
        {o.hopes.map((h) => (
          <PocketCard key={h.taxon.id} id={h.taxon.id} up={h.stages} guide={o.guide} letter={letter} />
        ))}
      </Sheet>
    </Page>
  );
}
