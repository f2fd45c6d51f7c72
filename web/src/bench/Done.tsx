import styled from 'styled-components';
import type { Judgement, View } from '../api/client';
import { Button, Chips, LinkButton, NextLink } from '../theme/bits';

const List = styled.ul`
  margin: 0;
  columns: 2;
  column-gap: 32px;
  @media (max-width: 600px) {
    columns: 1;
  }
`;

/** Nothing is open: what was checked, and that the decision is the forager’s. */
export function Done({
  view: v,
  judgement: j,
  onFurther,
}: {
  view: View;
  judgement: Judgement;
  onFurther: () => void;
}) {
  const home = v.facts.secondOf;
  return (
    <section style={{ display: 'grid', gap: 14, justifyItems: 'start', width: '100%' }}>
      <h2>{j.word}</h2>
      <p>{j.says}</p>
      <h3>What was checked</h3>
      <List>
        {j.readings
          .filter((r) => r.soundness === 'sound' && !r.derived)
          .map((r) => (
            <li key={r.seq}>
              {r.trait.name}: {r.words}
            </li>
          ))}
      </List>
      {v.facts.intent !== 'clear' && (
        <Chips>
          {home ? (
            <NextLink to={`/find/${home}/second`}>Lay it beside the first look</NextLink>
          ) : (
            <NextLink to={`/find/${v.id}/harvest`}>How much, and bag it</NextLink>
          )}
          {!home && <LinkButton to={`/find/${v.id}/second`}>Second look at home</LinkButton>}
        </Chips>
      )}
      <Button onPress={onFurther}>Make a further check</Button>
    </section>
  );
}
