import { useState } from 'react';
import { useSearchParams } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { usePlaces, useTaxa, useYear } from '../api/hooks';
import { Button, Chip, Chips, Field, Note, Page, Soft } from '../theme/bits';
import { bandPaths, months, stageWords, yearDays } from './bands';
import { Reckoning } from './Reckoning';
import { Signs } from './Signs';

const Wide = styled(Page)`max-width: 1280px;`;
const Tools = styled.div`display: flex; flex-wrap: wrap; gap: 12px 20px; align-items: end; label { min-width: 220px; }`;
const Chart = styled.div`position: relative; border-top: 2px solid var(--ink);
  .row { display: grid; grid-template-columns: 250px 1fr; align-items: center; border-bottom: 1px solid var(--line); } .row.first { border-top: 1.5px solid var(--ink-soft); }
  .row > button { border: 0; background: none; color: var(--ink); text-align: left; min-height: 30px; padding: 2px 8px 2px 0; cursor: pointer; line-height: 1.15; } .row > button[aria-pressed='true'] { background: var(--bramble-soft); }
  svg { display: block; width: 100%; height: 26px; } .head { position: sticky; top: 0; background: var(--ground); z-index: 1; } .head span { font-size: 0.85rem; } .head svg { height: 22px; }
  @media (max-width: 700px) { .row { grid-template-columns: 118px 1fr; } .row > button { font-size: 0.85rem; } }`;

function Months() {
  return (
    <svg viewBox={`0 0 ${yearDays} 22`} preserveAspectRatio="none" aria-hidden="true">
      {months.map((m) => <path key={m.name} d={`M${m.at} 0V22`} stroke="var(--line)" vectorEffect="non-scaling-stroke" />)}
    </svg>
  );
}

function Row({ row, w, first, today, on, onOpen }: { row: S['YearRow']; w?: S['YearWindow']; first: boolean; today: number; on: boolean; onOpen: () => void }) {
  const stages = w ? stageWords(w.stages) : '';
  return (
    <div className={first ? 'row first' : 'row'}>
      <button type="button" aria-pressed={on} onClick={onOpen}>{first && <b>{row.taxon.common}</b>} <Soft>{w ? stages : 'the guide gives no months'}</Soft></button>
      <svg viewBox={`0 0 ${yearDays} 20`} preserveAspectRatio="none" role="img" aria-label={w ? `${row.taxon.common}, ${stages}: ${Math.round(w.now * 100)} in 100 that it is up on the day` : 'no window'}>
        {months.map((m) => <path key={m.at} d={`M${m.at} 0V20`} stroke="var(--line)" vectorEffect="non-scaling-stroke" />)}
        {w && bandPaths(w).map((d) => <path key={d} d={d} fill={w.allYear ? 'none' : 'var(--ink)'} stroke="var(--ink)" strokeDasharray={w.allYear ? '4 4' : undefined} vectorEffect="non-scaling-stroke" />)}
        <path d={`M${today - 0.5} 0V20`} stroke="var(--bramble)" strokeWidth="2.5" vectorEffect="non-scaling-stroke" />
      </svg>
    </div>
  );
}

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
  const rows = (year.data?.rows ?? []).filter((r) => all || taxa.length > 0 || r.windows.some((w) => !w.allYear && w.now >= 0.35));
  const one = rows.find((r) => r.taxon.id === open);
  return (
    <Wide>
      <h1>The year at a place</h1>
      <Tools>
        <Field>Place
          <select value={place} onChange={(e) => set({ place: e.target.value })}>
            <option value="">the guide’s own</option>
            {places.data?.map((p) => <option key={p.id} value={p.id}>{p.name}</option>)}
          </select>
        </Field>
        <Field>Entries you care about<input type="search" value={q} onChange={(e) => setQ(e.target.value)} /></Field>
        <Chip $on={all} aria-pressed={all} onPress={() => set({ all: !all })}>All entries</Chip>
      </Tools>
      {q.length > 1 && <Chips>{found.data?.slice(0, 6).map((h) => <Button key={h.id} onPress={() => { set({ taxa: [...new Set([...taxa, h.id])], all: false }); setQ(''); }}>Add {h.common}</Button>)}</Chips>}
      {taxa.length > 0 && <Chips role="group" aria-label="Entries shown">{rows.map((r) => taxa.includes(r.taxon.id) && <Button key={r.taxon.id} aria-label={`Take ${r.taxon.common} away`} onPress={() => set({ taxa: taxa.filter((t) => t !== r.taxon.id) })}>{r.taxon.common} ×</Button>)}</Chips>}
      <p><Soft>{year.data?.reckoned} {taxa.length === 0 && !all && 'Shown is what may be up now.'} A date never rules anything out: the chart says when to look, not what it is.</Soft></p>
      {year.error && <Note role="alert">{year.error.message}</Note>}
      {year.data && <Signs year={year.data} />}
      {one && year.data && <Reckoning key={`${one.taxon.id} ${place}`} row={one} year={year.data} onClose={() => setOpen(undefined)} />}
      <Chart role="group" aria-label="Windows through the year">
        <div className="row head"><span><b>{rows.length}</b> entries</span><div style={{ position: 'relative' }}><Months />{months.map((m) => <span key={m.name} style={{ position: 'absolute', left: `${(m.at / yearDays) * 100 + 0.4}%`, top: 0, fontSize: '0.78rem' }}>{m.name}</span>)}</div></div>
        {rows.map((r) => (r.windows.length === 0 ? [undefined] : r.windows).map((w, i) => <Row key={`${r.taxon.id} ${i}`} row={r} w={w} first={i === 0} today={year.data?.today ?? 1} on={open === r.taxon.id} onOpen={() => setOpen(open === r.taxon.id ? undefined : r.taxon.id)} />))}
      </Chart>
      {year.data && rows.length === 0 && <p>Nothing of the guide is likely to be up here now. Choose an entry, or show all.</p>}
    </Wide>
  );
}
