import styled from 'styled-components';
import type { View } from '../api/client';
import { useAddSpecimen, useFind } from '../api/hooks';
import { Glyph } from '../drawing/Glyph';
import { Button, Note, Soft } from '../theme/bits';
import { asideId } from './basket';
import { together } from './together';

const Scroll = styled.div`
  overflow-x: auto;
`;
const Table = styled.table`
  border-collapse: collapse;
  min-width: 100%;
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 8px 10px;
    border-top: 1px solid var(--line);
    min-width: 110px;
  }
  thead th {
    border-top: 0;
    border-bottom: 2px solid var(--ink);
  }
  tr.differs th,
  tr.differs td {
    border-top: 2.5px solid var(--ink);
    background: var(--sunk);
  }
  small {
    color: var(--ink-soft);
    display: block;
  }
`;

/** The specimens of one patch side by side. Nothing goes from one to another, except along what is physically joined. */
export function SideBySide({ view: held, onSpecimen }: { view: View; onSpecimen: (id: string) => void }) {
  const add = useAddSpecimen(held.id);
  const all = useFind(held.id);
  const view = all.data ?? held;
  const specimens = view.specimens.filter((s) => s.id !== asideId);
  const judgements = specimens.map((s) => view.patch.judgements.find((j) => j.specimen === s.id) ?? { readings: [] });
  const word = (id: string) => view.patch.briefs.find((b) => b.specimen === id)?.word;
  const name = (id: string) => `Specimen ${view.specimens.findIndex((s) => s.id === id) + 1}`;
  const rows = together(judgements);
  const differ = rows.filter((r) => r.differs).length;
  const next = `s${view.specimens.length + 1}`;
  const begin = (joinedTo?: string) => add.mutate({ id: next, joinedTo }, { onSuccess: () => onSpecimen(next) });
  return (
    <>
      <p>
        Each individual has answers of its own: one leaf with its stalk, one cap, one twig.{' '}
        {differ > 0 &&
          (differ === 1 ? 'One trait differs: it stands first.' : `${differ} traits differ: they stand first.`)}
      </p>
      {all.isPending && <p role="status">Fetching what was seen of each…</p>}
      {all.error && <Note role="alert">{all.error.message}</Note>}
      <Scroll role="region" aria-label="The specimens side by side" tabIndex={0}>
        <Table>
          <thead>
            <tr>
              <th scope="col">Trait</th>
              {specimens.map((s) => (
                <th scope="col" key={s.id}>
                  <Button onPress={() => onSpecimen(s.id)}>{name(s.id)}</Button>
                  <small>
                    {word(s.id)}
                    {s.joinedTo ? `, joined to ${name(s.joinedTo).toLowerCase()}` : ''}
                  </small>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.trait.id} className={r.differs ? 'differs' : undefined}>
                <th scope="row">
                  {r.trait.name}
                  {r.differs && <small>differs</small>}
                </th>
                {r.cells.map((c, i) => (
                  <td key={specimens[i]!.id}>
                    {c ? (
                      <>
                        {c.states[0] && <Glyph trait={r.trait.id} state={c.states[0]} size={40} />}
                        {c.words}
                        <small>
                          {c.from
                            ? `read on ${name(c.from).toLowerCase()}, joined to it`
                            : c.soundness === 'sound'
                              ? ''
                              : c.soundness}
                        </small>
                      </>
                    ) : (
                      <Soft>not looked at</Soft>
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      </Scroll>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8 }}>
        <Button isDisabled={add.isPending} onPress={() => begin()}>
          Another individual
        </Button>
        {specimens.map((s) => (
          <Button key={s.id} isDisabled={add.isPending} onPress={() => begin(s.id)}>
            Another part of {name(s.id).toLowerCase()}
          </Button>
        ))}
      </div>
      <Note>
        A part of the same one only if you have traced it: along one stem, to one clump base, one rootstock, one foot of
        a tuft. What stands close, or looks alike, is another individual.
      </Note>
    </>
  );
}
