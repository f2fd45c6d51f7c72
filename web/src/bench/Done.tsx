import styled from 'styled-components';
import type { Judgement } from '../api/client';
import { Button } from '../theme/bits';

const List = styled.ul`margin: 0; columns: 2; column-gap: 32px; @media (max-width: 600px) { columns: 1; }`;

/** Nothing is open: what was checked, and that the decision is the forager’s. */
export function Done({ judgement: j, onFurther }: { judgement: Judgement; onFurther: () => void }) {
  return (
    <section style={{ display: 'grid', gap: 14, justifyItems: 'start', width: '100%' }}>
      <h2>{j.word}</h2>
      <p>{j.says}</p>
      <h3>What was checked</h3>
      <List>{j.readings.filter((r) => r.soundness === 'sound' && !r.derived).map((r) => <li key={r.seq}>{r.trait.name}: {r.words}</li>)}</List>
      <Button onPress={onFurther}>Make a further check</Button>
    </section>
  );
}
