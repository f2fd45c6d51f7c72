import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useBeside, useTaxa, useTaxon } from '../api/hooks';
import { Glyph } from '../drawing/Glyph';
import { Thorns } from '../drawing/Thorns';
import { Button, Chip, Chips, Field, Note, Page, Soft } from '../theme/bits';
import { band, bands as allBands } from './band';
import { Likeness } from './Likeness';
import { Own } from './Own';
import { grades, monthNames, plain, worths } from './words';

const Choose = styled.section`
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
  align-items: end;
  justify-content: space-between;
  label {
    min-width: 180px;
  }
`;
const Wide = styled(Page)`
  max-width: 1240px;
`;
const Scroll = styled.div`
  overflow-x: auto;
  max-width: 100%;
`;
const Table = styled.table`
  border-collapse: collapse;
  min-width: 100%;
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 10px 12px;
    border-top: 1px solid var(--line);
    min-width: 168px;
  }
  thead th {
    border-top: 0;
    vertical-align: top;
    font-weight: 400;
  }
  thead th:first-child {
    vertical-align: bottom;
  }
  thead svg.base {
    display: block;
    width: 132px;
    height: 173px;
    margin-bottom: 4px;
  }
  thead a {
    color: var(--ink);
    font-weight: 700;
  }
  tbody th {
    font-weight: 600;
    position: sticky;
    left: 0;
    background: var(--ground);
    min-width: 150px;
    max-width: 190px;
  }
  td.target {
    background: var(--sheet);
  }
  td > div {
    display: grid;
    grid-template-columns: 48px 1fr;
    gap: 10px;
  }
  tr.worthless td,
  tr.worthless th {
    color: var(--ink-soft);
  }
  tr.worthless svg {
    opacity: 0.55;
  }
  tr.first th,
  tr.first td {
    border-top: 3px solid var(--ink);
    padding-top: 26px;
    position: relative;
  }
  tr.first th::before {
    content: attr(data-head);
    position: absolute;
    top: 4px;
    left: 12px;
    font-family: var(--head);
    font-size: 0.85rem;
    white-space: nowrap;
  }
  @media (max-width: 600px) {
    .why {
      display: none;
    }
    th,
    td {
      min-width: 132px;
      padding: 8px;
    }
    tbody th {
      min-width: 104px;
      max-width: 110px;
    }
    td > div {
      grid-template-columns: 1fr;
      gap: 2px;
    }
  }
`;
const Worth = styled.span<{ $strong: boolean }>`
  display: inline-block;
  font-size: 0.85rem;
  font-weight: ${(p) => (p.$strong ? 700 : 400)};
  border: ${(p) => (p.$strong ? '1.5px solid currentColor' : '0')};
  border-radius: 3px;
  padding: ${(p) => (p.$strong ? '0 6px' : '0')};
  margin-top: 4px;
`;

function Cell({ row, cell, target }: { row: S['BesideRow']; cell: S['BesideCell']; target: boolean }) {
  const w = worths[cell.worth];
  return (
    <td className={target ? 'target' : undefined}>
      <div>
        {cell.usual[0] ? <Glyph trait={row.trait.id} state={cell.usual[0]} /> : <span />}
        <span>
          {cell.words}
          {!target && w && (
            <>
              <br />
              <Worth $strong={cell.worth === 'strong' || cell.worth === 'fair'}>
                <span aria-hidden="true">{w.mark} </span>
                {row.class === 'circumstance' ? 'never evidence' : w.word}
                {w.weighs ? `, ${Math.round(cell.weight)}` : ''}
              </Worth>
            </>
          )}
        </span>
      </div>
    </td>
  );
}

/** A target beside its lookalikes, trait by trait, the weightiest rows first. */
export function BesidePage() {
  const { id = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const [adding, setAdding] = useState('');
  const taxon = useTaxon(id);
  const query = {
    target: id,
    with: params.getAll('with'),
    stage: params.getAll('stage'),
    month: Number(params.get('month') ?? 0),
  };
  const { data, error } = useBeside(query);
  const found = useTaxa(adding);
  const set = (name: string, values: string[]) => {
    const next = new URLSearchParams(params);
    next.delete(name);
    values.forEach((v) => next.append(name, v));
    setParams(next, { replace: true });
  };
  if (error || taxon.error)
    return (
      <Page>
        <h1>Nothing to put beside</h1>
        <p>{(error ?? taxon.error)?.message}</p>
        <p>
          <Link to="/guide">To the guide</Link>
        </p>
      </Page>
    );
  if (!data || !taxon.data)
    return (
      <Page>
        <p role="status">Putting them side by side…</p>
      </Page>
    );
  const others = data.taxa.slice(1);
  const bands = data.rows.map(band);
  const rows = allBands.flatMap((b) =>
    data.rows
      .filter((_, i) => bands[i] === b)
      .map((row, i) => ({ row, head: i === 0 ? b : '', shared: b.startsWith('Shared') || b.startsWith('Where') })),
  );
  return (
    <Wide>
      <h1>{taxon.data.common} beside its lookalikes</h1>
      <p>
        <Link to={`/guide/${id}`}>To the entry</Link>{' '}
        <Soft>
          Ticked is not separated: what two of them share is worth nothing between those two, however surely it was
          seen.
        </Soft>
      </p>
      <Choose>
        <Chips role="group" aria-label="Only what can be seen at the stage">
          <Chip $on={query.stage.length === 0} aria-pressed={query.stage.length === 0} onPress={() => set('stage', [])}>
            every stage
          </Chip>
          {taxon.data.stages.map((s) => (
            <Chip
              key={s}
              $on={query.stage.includes(s)}
              aria-pressed={query.stage.includes(s)}
              onPress={() => set('stage', query.stage.includes(s) ? query.stage.filter((x) => x !== s) : [s])}
            >
              {plain(s)}
            </Chip>
          ))}
        </Chips>
        <Field>
          In the month of
          <select value={query.month} onChange={(e) => set('month', e.target.value === '0' ? [] : [e.target.value])}>
            <option value={0}>any</option>
            {monthNames.map((m, i) => (
              <option key={m} value={i + 1}>
                {m}
              </option>
            ))}
          </select>
        </Field>
      </Choose>
      {data.stages.length === 0 && (
        <Note>
          At the guide’s reference place no such stage is up in that month. A date never rules anything out: look at
          another stage.
        </Note>
      )}
      {others.length === 0 && <p>No lookalike is named. That never means that there is none; add one below.</p>}
      <Scroll role="region" aria-label="Side by side" tabIndex={0}>
        <Table>
          <thead>
            <tr>
              <th scope="col">Trait</th>
              {data.taxa.map((t, i) => (
                <th scope="col" key={t.id}>
                  <Likeness
                    kingdom={taxon.data.kingdom}
                    usual={data.rows.map((r) => ({ trait: r.trait.id, states: r.cells[i]?.usual ?? [] }))}
                  />
                  <Thorns grade={t.hazard} left={t.hazard} cut={t.hazard === 0} width={64} />
                  <Link to={`/guide/${t.id}`}>{t.common}</Link>
                  <br />
                  <i>{t.scientific}</i>
                  <br />
                  <Soft>{i === 0 ? 'the target' : grades[t.hazard]}</Soft> <Own origin={t.origin} />
                  {i > 0 && (
                    <>
                      <br />
                      <Soft className="why">{t.why}</Soft>
                      <br />
                      <Button
                        aria-label={`Take ${t.common} away`}
                        onPress={() =>
                          set(
                            'with',
                            others.filter((o) => o.id !== t.id).map((o) => o.id),
                          )
                        }
                      >
                        Take away
                      </Button>
                    </>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ row, head, shared }) => (
              <tr key={row.trait.id} className={[head ? 'first' : '', shared ? 'worthless' : ''].join(' ')}>
                <th scope="row" data-head={head}>
                  {head && <span className="sr">{head}. </span>}
                  {row.trait.name}
                  <br />
                  <Soft>
                    {plain(row.trait.part)}
                    {row.class === 'sensory' ? ', supports only' : ''}
                    {row.beforePick ? ', before you pick' : ''}
                  </Soft>
                </th>
                {row.cells.map((c, i) => (
                  <Cell key={data.taxa[i]!.id} row={row} cell={c} target={i === 0} />
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      </Scroll>
      <Field>
        Put another beside it
        <input type="search" value={adding} onChange={(e) => setAdding(e.target.value)} />
      </Field>
      {adding.length > 1 && (
        <Chips>
          {found.data
            ?.slice(0, 6)
            .filter((h) => h.id !== id && !others.some((o) => o.id === h.id))
            .map((h) => (
              <Button
                key={h.id}
                isDisabled={others.length >= 5}
                onPress={() => {
                  set('with', [...others.map((o) => o.id), h.id]);
                  setAdding('');
                }}
              >
                Add {h.common}
              </Button>
            ))}
        </Chips>
      )}
    </Wide>
  );
}
