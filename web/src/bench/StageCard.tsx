import { useState } from 'react';
import styled from 'styled-components';
import { Chip, Chips, Next } from '../theme/bits';
import { stagesOf } from './answer';

const Card = styled.section`
  display: grid;
  gap: 14px;
  align-content: start;
  h2 {
    font-size: 1.5rem;
  }
`;

/** The stage is asked first: what can be judged, and how, depends on it. */
export function StageCard({
  kingdom,
  now,
  onDone,
}: {
  kingdom: string;
  now: string[];
  onDone: (stages: string[]) => void;
}) {
  const [on, setOn] = useState<string[]>(now);
  const toggle = (s: string) => setOn((was) => (was.includes(s) ? was.filter((x) => x !== s) : [...was, s]));
  return (
    <Card aria-labelledby="stage-q">
      <h2 id="stage-q">Which stage is it in?</h2>
      <p>Features change with age. Choose more than one if it is in both, such as flower and fruit.</p>
      <Chips role="group" aria-labelledby="stage-q">
        {stagesOf(kingdom).map(([id, label]) => (
          <Chip key={id} $on={on.includes(id)} aria-pressed={on.includes(id)} onPress={() => toggle(id)}>
            {label}
          </Chip>
        ))}
      </Chips>
      <Next isDisabled={on.length === 0} onPress={() => onDone(on)}>
        This is the stage
      </Next>
    </Card>
  );
}
