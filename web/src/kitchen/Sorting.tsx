import { useRef, useState, useSyncExternalStore } from 'react';
import styled from 'styled-components';
import { Problem, sortInto, type S } from '../api/client';
import { useKitchenChange } from '../api/hooks';
import { useKeys } from '../bench/useKeys';
import { Button, Soft } from '../theme/bits';
import { Part, Refused } from '../theme/deed';
import { Tally, type Counts } from './tally';

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 10px;
  @media (max-width: 600px) {
    grid-template-columns: 1fr 1fr;
  }
  button {
    min-height: 92px;
    display: grid;
    gap: 2px;
    align-content: center;
    justify-content: start;
    justify-items: start;
    text-align: left;
    padding: 8px 12px;
  }
  button.leave {
    border-style: dashed;
  }
  kbd {
    font-family: var(--head);
    border: 1.5px solid currentColor;
    border-radius: 4px;
    padding: 0 6px;
  }
  b {
    font-size: 1.5rem;
    font-family: var(--head);
  }
`;
const words = { keep: 'take', trim: 'take and trim', leave: 'leave' } as const;

/** Sorts piece by piece, a key each. What is left in the wood is counted too. */
export function Sorting({ find, how: h }: { find: string; how: S['HowMuch'] }) {
  const rev = useRef(h.sortedRev);
  const save = useKitchenChange(async (counts: Counts) => {
    try {
      const got = await sortInto(find, counts, rev.current);
      rev.current = got.sortedRev;
      return got;
    } catch (e) {
      // Sorted on another screen: the next press is counted over what is stored there.
      if (e instanceof Problem && e.now) rev.current = (e.now as { rev?: number }).rev ?? rev.current;
      throw e;
    }
  });
  const [tally] = useState(() => new Tally(Object.fromEntries(h.bands.map((b) => [b.id, b.count])), save.mutateAsync));
  const { counts, past, problem } = useSyncExternalStore(tally.subscribe, () => tally.state);
  const { add, undo } = tally;
  useKeys({ ...Object.fromEntries(h.bands.map((b) => [b.key, () => add(b.id)])), Backspace: undo });
  if (h.bands.length === 0) return null;
  return (
    <Part id="sort-h" title="Which">
      <Grid role="group" aria-labelledby="sort-h">
        {h.bands.map((b) => (
          <Button
            key={b.id}
            className={b.what}
            onPress={() => add(b.id)}
            aria-label={`${b.label}: ${words[b.what]}, ${counts[b.id] ?? 0} so far`}
          >
            <span>
              <kbd>{b.key}</kbd> {words[b.what]}
            </span>
            <b>{counts[b.id] ?? 0}</b>
            <span>
              {b.label}
              {b.tunnelled ? ` (to ${Math.round(b.tunnelled * 100)} in 100 of the section)` : ''}
            </span>
          </Button>
        ))}
      </Grid>
      <p role="status">{h.words}</p>
      <div>
        <Button isDisabled={past.length === 0} onPress={undo}>
          Undo the last
        </Button>
      </div>
      <Soft>Sorting judges quality, never what it is: a piece that looks different goes back to the bench.</Soft>
      <Refused error={problem} />
    </Part>
  );
}
