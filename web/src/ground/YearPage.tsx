import { memo, useCallback, useState } from 'react';
import { useSearchParams } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { usePlaces, useTaxa, useYear } from '../api/hooks';
import { Button, Chip, Chips, Field, Note, Page, Soft } from '../theme/bits';
import { bandPaths, months, stageWords, yearDays } from './bands';
import { Drawer } from '../bench/Drawer';
import { Reckoning } from './Reckoning';
import { Signs } from './Signs';

const Wide = styled(Page)`
  max-width: 1280px;
`;
const Tools = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 12px 20px;
  align-items: end;
  label {
    min-width: 220px;
  }
`;
const Chart = styled.div`
  position: relative;
  border-top: 2px solid var(--ink);
  .row {
    display: grid;
    grid-template-columns: 250px 1fr;
    align-items: center;
    border-bottom: 1px solid var(--line);
  }
  .row.first {
    border-top: 1.5px solid var(--ink-soft);
  }
  .row > button {
    border: 0;
    background: none;
    color: var(--ink);
    text-align: left;
    min-height: 30px;
    padding: 2px 8px 2px 0;
    cursor: pointer;
    line-height: 1.15;
  }
  .row > button[aria-pressed='true'] {
    background: var(--bramble-soft);
  }
  .row > svg {
    display: block;
    width: 100%;
    height: 26px;
    position: relative;
  }
  .row > svg path {
    fill: var(--ink);
  }
  .row > svg path.all {
    fill: none;
    stroke: var(--ink);
    stroke-dasharray: 4 4;
    vector-effect: non-scaling-stroke;
  }
  .row > button span {
    color: var(--ink-soft);
  }
  > svg.grid {
    position: absolute;
    left: 250px;
    width: calc(100% - 250px);
    top: 0;
    height: 100%;
    pointer-events: none;
  }
  .head {
    position: sticky;
    top: 0;
    background: var(--ground);
    z-index: 1;
  }
  .head span {
    font-size: 0.85rem;
  }
  .head > div {
    height: 22px;
  }
  .brief {
    display: none;
  }
  @media (max-width: 700px) {
    .brief {
      display: inline;
    }
    .long {
      display: none;
    }
    > svg.grid {
      left: 118px;
      width: calc(100% - 118px);
    }
    .row {
      grid-template-columns: 118px 1fr;
    }
    .row > button {
      font-size: 0.85rem;
    }
  }
`;

function Grid({ today }: { today: number }) {
  return (
    <svg className="grid" viewBox={`0 0 ${yearDays} 100`} preserveAspectRatio="none" aria-hidden="true">
      {months.map((m) => (
        <path key={m.name} d={`M${m.at} 0V100`} stroke="var(--line)" vectorEffect="non-scaling-stroke" />
      ))}
      <path d={`M${today - 0.5} 0V100`} stroke="var(--bramble)" strokeWidth="2.5" vectorEffect="non-scaling-stroke" />
    </svg>
  );
}

/** Rows are many: each is one button and one path; months and the day are drawn once, behind them all. */
const Row = memo(function Row({
  row,
  w,
  first,
  on,
  onOpen,
}: {
  row: S['YearRow'];
  w?: S['YearWindow'];
  first: boolean;
  on: boolean;
  onOpen: (id: string) => void;
}) {
  const stages = w ? stageWords(w.stages) : 'the guide gives no months';
  return (
    <div className={first ? 'row first' : 'row'}>
      <button type="button" aria-pressed={on} onClick={() => onOpen(row.taxon.id)}>
        {first && <b>{row.taxon.common}</b>} <span>{stages}</span>
      </button>
      <svg
        viewBox={`0 0 ${yearDays} 20`}
        preserveAspectRatio="none"
        role="img"
        aria-label={
          w ? `${row.taxon.common}, ${stages}: ${Math.round(w.now * 100)} in 100 that it is up on the day` : 'no window'
        }
      >
        {w && <path d={bandPaths(w).join('')} className={w.allYear ? 'all' : undefined} />}
      </svg>
    </div>
  );
});

/** The year at a place, stage by stage, with soft edges and a line for the day. A date rules nothing out. */
export function YearPage() {
  const places = usePlaces();
  const [params, setParams] = useSearchParams();
  const place = params.get('place') ?? places.data?.[0]?.id ?? '';
  const taxa = params.getAll('taxon');
  const all = params.get('all') === 'yes';
  const [q, setQ] = useState('');
  const [open, setOpen] = useState<string>();
  const found = useTaxa(q);
  const year = useYear({ place, taxon: all || taxa.length === 0 ? undefined : taxa });
  const set = (next: { place?: string; taxa?: string[]; all?: boolean }) => {
    const p = new URLSearchParams();
    const at = next.place ?? place;
    if (at) p.set('place', at);
    (next.taxa ?? taxa).forEach((t) => p.append('taxon', t));
    if (next.all ?? all) p.set('all', 'yes');
    setParams(p, { replace: true });
  };
  const rows = (year.data?.rows ?? []).filter(
    (r) => all || taxa.length > 0 || r.windows.some((w) => !w.allYear && w.now >= 0.35),
  );
  const toggle = useCallback((id: string) => setOpen((was) => (was === id ? undefined : id)), []);
  const one = rows.find((r) => r.taxon.id === open);
  return (
    <Wide>
      <h1>The year at a place</h1>
      <Tools>
        <Field>
          Place
          <select value={place} onChange={(e) => set({ place: e.target.value })}>
            <option value="">the guide’s own</option>
            {places.data?.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </Field>
        <Field>
          Entries you care about
          <input type="search" value={q} onChange={(e) => setQ(e.target.value)} />
        </Field>
        <Chip $on={all} aria-pressed={all} onPress={() => set({ all: !all })}>
          All entries
        </Chip>
      </Tools>
      {q.length > 1 && (
        <Chips>
          {found.data?.slice(0, 6).map((h) => (
            <Button
              key={h.id}
              onPress={() => {
                set({ taxa: [...new Set([...taxa, h.id])], all: false });
                setQ('');
              }}
            >
              Add {h.common}
            </Button>
          ))}
        </Chips>
      )}
      {taxa.length > 0 && (
        <Chips role="group" aria-label="Entries shown">
          {rows.map(
            (r) =>
              taxa.includes(r.taxon.id) && (
                <Button
                  key={r.taxon.id}
                  aria-label={`Take ${r.taxon.common} away`}
                  onPress={() => set({ taxa: taxa.filter((t) => t !== r.taxon.id) })}
                >
                  {r.taxon.common} ×
                </Button>
              ),
          )}
        </Chips>
      )}
      <p>
        <Soft>
          {year.data?.reckoned} {taxa.length === 0 && !all && 'Shown is what may be up now.'} A date never rules
          anything out: the chart says when to look, not what it is.
        </Soft>
      </p>
      {year.error && <Note role="alert">{year.error.message}</Note>}
      <Chart role="group" aria-label="Windows through the year">
        <div className="row head">
          <span>
            <b>{rows.length}</b> entries
          </span>
          <div style={{ position: 'relative' }}>
            {months.map((m) => (
              <span
                key={m.name}
                style={{ position: 'absolute', left: `${(m.at / yearDays) * 100 + 0.4}%`, top: 0, fontSize: '0.78rem' }}
              >
                <span aria-hidden="true" className="brief">
                  {m.name[0]}
                </span>
                <span className="long">{m.name}</span>
              </span>
            ))}
          </div>
        </div>
        <Grid today={year.data?.today ?? 1} />
        {rows.map((r) =>
          (r.windows.length === 0 ? [undefined] : r.windows).map((w, i) => (
            <Row key={`${r.taxon.id} ${i}`} row={r} w={w} first={i === 0} on={open === r.taxon.id} onOpen={toggle} />
          )),
        )}
      </Chart>
      {year.data && <Signs year={year.data} />}
      <Drawer title={one?.taxon.common ?? ''} open={one !== undefined} onClose={() => setOpen(undefined)}>
        {one && year.data && <Reckoning key={`${one.taxon.id} ${place}`} row={one} year={year.data} />}
      </Drawer>
      {year.data && rows.length === 0 && (
        <p>Nothing of the guide is likely to be up here now. Choose an entry, or show all.</p>
      )}
    </Wide>
  );
}
