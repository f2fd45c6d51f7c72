import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { useTaxon } from '../api/hooks';
import { Glyph } from '../drawing/Glyph';
import { Thorns } from '../drawing/Thorns';
import { Note, Page, Soft } from '../theme/bits';

const Cols = styled.div`display: grid; gap: 28px; grid-template-columns: minmax(0, 3fr) minmax(260px, 2fr); @media (max-width: 800px) { grid-template-columns: 1fr; }
  section { display: grid; gap: 10px; align-content: start; } h2 { font-size: 1.3rem; } h3 { font-size: 1.05rem; }`;
const Cells = styled.ul`list-style: none; margin: 0; padding: 0; li { display: grid; grid-template-columns: 56px 1fr; gap: 12px; border-top: 1px solid var(--line); padding: 8px 0; align-items: start; }`;
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

function variantWords(v: S['VariantLine']): string {
  if (v.kind === 'inapplicable') return 'the part is lacking';
  if (v.kind === 'unknown') return `unknown: ${v.why}`;
  if (v.range.length === 4) return `${v.range[1]}–${v.range[2]} ${v.unit}, at the extremes ${v.range[0]}–${v.range[3]}`;
  return ['always', 'usually', 'sometimes', 'rarely', 'never'].filter((f) => v.by[f]).map((f) => `${f} ${v.by[f]!.join(', ')}`).join('; ');
}

export function TaxonPage() {
  const { id = '' } = useParams();
  const { data: t, error } = useTaxon(id);
  if (error) return <Page><h1>No such entry</h1><p>{error.message}</p><p><Link to="/guide">To the guide</Link></p></Page>;
  if (!t) return <Page><p role="status">Fetching the entry…</p></Page>;
  const worst = Math.max(0, ...t.hazards.map((h) => h.grade));
  return (
    <Page>
      <header>
        <h1>{t.common}</h1>
        <p><i>{t.scientific}</i> · {t.family} · {t.rank}</p>
        <p><Soft>Other names: {t.names.slice(1).filter((n) => n.text !== t.common).map((n) => n.text).join(', ') || 'none noted'}</Soft></p>
      </header>
      <p>{t.summary}</p>
      <Cols>
        <section>
          <h2>First, what it is taken for</h2>
          {t.lookalikes.length === 0 && <p>No lookalike is named. That never means that there is none.</p>}
          {t.lookalikes.map((l) => (
            <article key={l.taxon.id}>
              <h3><Link to={`/guide/${l.taxon.id}`}>{l.taxon.common}</Link> <i>{l.taxon.scientific}</i></h3>
              <Thorns grade={l.hazard} left={l.hazard} cut={l.hazard === 0} width={64} />
              <p><b>Why people confuse them:</b> {l.why}</p>
              {l.tells.length > 0 && (
                <>
                  <p><b>What tells them apart:</b></p>
                  <ul>{l.tells.map((x) => <li key={x.trait.id}>{x.trait.name}: {x.this}; there {x.other || 'something else'}{x.decisive ? ' (decisive)' : ''}</li>)}</ul>
                </>
              )}
            </article>
          ))}
          {t.takenFor.length > 0 && <p>Others that are taken for it: {t.takenFor.map((l, i) => <span key={l.taxon.id}>{i > 0 && ', '}<Link to={`/guide/${l.taxon.id}`}>{l.taxon.common}</Link></span>)}</p>}
          <h2>How to tell it</h2>
          <Cells>
            {t.cells.filter((c) => c.variants.some((v) => v.kind !== 'inapplicable')).map((c) => (
              <li key={c.trait.id}>
                {c.usual[0] ? <Glyph trait={c.trait.id} state={c.usual[0]} /> : <span />}
                <div>
                  <b>{c.trait.name}</b> <Soft>{c.trait.part.replaceAll('-', ' ')}{c.key ? ' · key trait' : ''}</Soft>
                  {c.variants.map((v, i) => <p key={i}>{v.stages.length > 0 ? `${v.stages.join(', ')}: ` : ''}{variantWords(v)}{v.decisive.length > 0 ? ` (decisive against ${v.decisive.join(', ')}; ${v.source})` : ''}</p>)}
                </div>
              </li>
            ))}
          </Cells>
        </section>
        <section>
          <h2>Hazard</h2>
          <Thorns grade={worst} left={worst} cut={worst === 0} />
          <ul>
            {t.hazards.map((h, i) => (
              <li key={i}>
                <b>{h.word}</b>{h.contact ? ' on contact' : ''}{h.part || h.preparation ? ` (${[h.part, h.preparation].filter(Boolean).join(', ')})` : ''}: {h.why}.{h.onset ? ` First signs: ${h.onset}; call the poison service at once, whatever is felt.` : ''} <Soft>{h.source}</Soft>
              </li>
            ))}
          </ul>
          {t.uses.length === 0 ? <Note>No use is described here.</Note> : <p>Uses described: {t.uses.map((u) => `${u.part}, ${u.preparation} (at the stage: ${u.stages.join(', ')})`).join('; ')}</p>}
          {t.before.length > 0 && <p>Before eating: {t.before.join('; ')}.</p>}
          {t.protection && <p><b>Protection:</b> {t.protection}</p>}
          <h2>When</h2>
          <ul>{t.windows.map((w, i) => <li key={i}>{w.stages.join(', ')}: {w.months.map((m) => months[m - 1]).join(', ')}</li>)}</ul>
          <Soft>{t.place}. A date never rules anything out.</Soft>
          <h2>Where</h2>
          <p>{t.regions.join(', ')} · {t.habitats.join(', ').replaceAll('-', ' ')}</p>
          <h2>Sources</h2>
          <ul>{t.sources.map((s) => <li key={s}>{s}</li>)}</ul>
          <p>Confidence: {t.confidence}</p>
        </section>
      </Cols>
    </Page>
  );
}
