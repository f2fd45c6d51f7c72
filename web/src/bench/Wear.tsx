import styled from 'styled-components';
import type { View } from '../api/client';
import { Button, Soft } from '../theme/bits';
import { smells } from './wear';
import type { Bench } from './useBench';

const Row = styled.section`
  border-top: 1.5px solid var(--line);
  padding: 12px 0;
  display: grid;
  gap: 8px;
  h3 {
    font-size: 1.05rem;
  }
  .do {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
  }
  select {
    min-height: 44px;
    border: 1.5px solid var(--ink-soft);
    border-radius: 6px;
    background: var(--sheet);
    padding: 0 10px;
  }
`;

const carriers = [
  { on: 'hands', name: 'Hands', clean: 'Hands cleaned' },
  { on: 'gloves', name: 'Gloves', clean: 'Fresh gloves on' },
  { on: 'blade', name: 'Blade', clean: 'Blade wiped clean' },
] as const;

/** What hands, gloves and blade carry today, which smell tests that wears out, and what mends it. */
export function Wear({ bench, view }: { bench: Bench; view: View }) {
  const { wear } = view;
  const worn = [...new Set(wear.tests.filter((t) => t.with === 'hands').map((t) => t.trait.name))];
  return (
    <div style={{ display: 'grid', gap: 4 }}>
      <p>
        <b>{wear.words}</b> {wear.do}
      </p>
      {carriers.map(({ on, name, clean }) => {
        const carried = wear.carried.filter((c) => c.on === on);
        return (
          <Row key={on} aria-label={name}>
            <h3>
              {name}: {carried.length > 0 ? [...new Set(carried.map((c) => c.smell))].join(', ') : 'nothing known'}
            </h3>
            <div className="do">
              <Button onPress={() => bench.add('clean-hands', { on })}>{clean}</Button>
              <label>
                <Soft>took on </Soft>
                <select
                  aria-label={`A smell that the ${on} took on`}
                  value=""
                  onChange={(e) => e.target.value && bench.add('handled', { smell: e.target.value, on })}
                >
                  <option value="">a smell…</option>
                  {smells.map((s) => (
                    <option key={s}>{s}</option>
                  ))}
                </select>
              </label>
            </div>
          </Row>
        );
      })}
      <h3>Smell tests that are worn for bare hands</h3>
      {worn.length === 0 ? (
        <p>None: the first smell counts.</p>
      ) : (
        <ul>
          {worn.map((w) => (
            <li key={w}>
              {w}: {wear.tests.find((t) => t.with === 'hands' && t.trait.name === w)!.words} would be shaky
            </li>
          ))}
        </ul>
      )}
      <Soft>
        What was handled stays handled until it is cleaned, also by a test itself, and from one find of the day to the
        next.
      </Soft>
    </div>
  );
}
