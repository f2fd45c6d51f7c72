import styled from 'styled-components';
import { differences } from '../api/changed';
import { Button, Note } from './bits';

/** Two ways on, side by side or one below the other. */
export const Choice = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
`;

/** Another screen changed what is edited here. Both states, and the choice between them; nothing is lost by waiting. */
export function Changed({
  mine,
  theirs,
  onMine,
  onTheirs,
}: {
  mine: object;
  theirs: object;
  onMine: () => void;
  onTheirs: () => void;
}) {
  const list = differences(mine, theirs);
  return (
    <Note role="alert">
      <b>Changed on another screen.</b> What you typed is still here, and nothing was overwritten.
      {list.length > 0 && (
        <table style={{ margin: '8px 0' }}>
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Here</th>
              <th scope="col">Stored</th>
            </tr>
          </thead>
          <tbody>
            {list.map((d) => (
              <tr key={d.field}>
                <th scope="row">{d.field}</th>
                <td>{d.mine}</td>
                <td>{d.theirs}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Choice>
        <Button onPress={onMine}>Store what stands here</Button>
        <Button onPress={onTheirs}>Take what is stored</Button>
      </Choice>
    </Note>
  );
}
