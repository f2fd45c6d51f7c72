import { useState } from 'react';
import styled from 'styled-components';
import { forget, newKey, saveSign, type Problem, type S } from '../api/client';
import { useGround, useTaxa } from '../api/hooks';
import { Button, Field, Note, Soft } from '../theme/bits';
import { nearSigns } from './bands';

const Form = styled.form`display: flex; flex-wrap: wrap; gap: 10px; align-items: end; label { max-width: 190px; }`;
const kinds: [S['Sign']['kind'], string][] = [['rain', 'after rain'], ['frost', 'after the first frost'], ['fire', 'after the place burnt'], ['flower', 'when another has flowered'], ['feast', 'about a feast day']];
const since: Record<S['Sign']['kind'], string> = { rain: 'after the rain up to', frost: 'after the first frost, on', fire: 'after the fire of', flower: 'after another was first in flower, on', feast: 'about' };

const Line = ({ s, onForget }: { s: S['Stretch']; onForget: (id: string) => void }) => <li><b>{s.taxon.common}</b>: {s.from} to {s.to}, give or take {s.sign.sd} days, {since[s.sign.kind]} {s.of} <Button onPress={() => onForget(s.sign.id)}>Forget this sign</Button></li>;

/** Signs other than dates: each a rule with a spread, fed from weather and from what was seen. */
export function Signs({ year }: { year: S['Year'] }) {
  const save = useGround(saveSign);
  const away = useGround((id: string) => forget('signs', id));
  const [q, setQ] = useState('');
  const [taxon, setTaxon] = useState<{ id: string; common: string }>();
  const [kind, setKind] = useState<S['Sign']['kind']>('rain');
  const [from, setFrom] = useState('7');
  const [to, setTo] = useState('21');
  const [other, setOther] = useState('');
  const [feast, setFeast] = useState('2026-04-23');
  const found = useTaxa(q);
  const { near, far } = nearSigns(year.signs, year.day);
  const problem = (save.error ?? away.error) as Problem | null;
  const forgetOne = (id: string) => away.mutate(id);
  const store = () => taxon && save.mutate({ id: newKey(), taxon: taxon.id, place: year.place || undefined, kind, from: Number(from) || 0, to: Number(to) || 0, sd: 4, ...(kind === 'rain' ? { rain: 20, within: 7 } : {}), ...(kind === 'frost' ? { below: 0 } : {}), ...(kind === 'flower' ? { of: other } : {}), ...(kind === 'feast' ? { feast: feast.slice(5) } : {}) });
  return (
    <section style={{ display: 'grid', gap: 8 }} aria-labelledby="signs-h">
      <h2 id="signs-h">Signs other than dates</h2>
      {year.signs.length === 0 && <p>No sign speaks here yet. Signs after rain and frost need a weather file of the place.</p>}
      {near.length > 0 && <ul style={{ margin: 0 }}>{near.map((s, i) => <Line key={i} s={s} onForget={forgetOne} />)}</ul>}
      {far.length > 0 && <details><summary>{far.length} more this year</summary><ul>{far.map((s, i) => <Line key={i} s={s} onForget={forgetOne} />)}</ul></details>}
      <details>
        <summary>Add a sign</summary>
        <Form onSubmit={(e) => { e.preventDefault(); store(); }}>
          <Field>For which entry?<input type="search" value={taxon ? taxon.common : q} onChange={(e) => { setTaxon(undefined); setQ(e.target.value); }} /></Field>
          {!taxon && q.length > 1 && found.data?.slice(0, 4).map((h) => <Button key={h.id} onPress={() => setTaxon(h)}>{h.common}</Button>)}
          <Field>Sign<select value={kind} onChange={(e) => setKind(e.target.value as S['Sign']['kind'])}>{kinds.map(([k, l]) => <option key={k} value={k}>{l}</option>)}</select></Field>
          {kind === 'flower' && <Field>Which other? (its id in the guide)<input value={other} onChange={(e) => setOther(e.target.value)} /></Field>}
          {kind === 'feast' && <Field>Feast day<input type="date" value={feast} onChange={(e) => setFeast(e.target.value)} /></Field>}
          <Field>From, days after<input inputMode="numeric" value={from} onChange={(e) => setFrom(e.target.value)} /></Field>
          <Field>To, days after<input inputMode="numeric" value={to} onChange={(e) => setTo(e.target.value)} /></Field>
          <Button type="submit" isDisabled={!taxon || save.isPending}>Keep the sign</Button>
        </Form>
        <Soft>Rain counts as 20 mm within 7 days; every sign is good to four days either way. These are our own defaults.</Soft>
      </details>
      {problem && <Note role="alert">{problem.message} {problem.fields.join('; ')}</Note>}
    </section>
  );
}
