import { useState } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { fitRing, readTrack, savePlace, type Problem, type S } from '../api/client';
import { useGround, usePlace } from '../api/hooks';
import { Button, Chip, Chips, Field, Next, Note, Page, Soft } from '../theme/bits';
import { LocalMap } from './LocalMap';
import { withFeature } from './map';
import { PlaceFields } from './PlaceFields';
import { useReceiver } from './useReceiver';
import { WeatherFile } from './WeatherFile';

const Two = styled.div`display: grid; grid-template-columns: 1.2fr 1fr; gap: 28px; align-items: start; > div { display: grid; gap: 14px; min-width: 0; } @media (max-width: 900px) { grid-template-columns: 1fr; }`;

/** One place: its map, its patches, its rules. */
export function PlacePage() {
  const { id = '' } = useParams();
  const { data, error } = usePlace(id);
  if (error) return <Page><h1>No such place</h1><p>{error.message}</p><p><Link to="/places">To the places</Link></p></Page>;
  if (!data) return <Page><p role="status">Fetching the place…</p></Page>;
  return <Place key={id} stored={data} />;
}

function Place({ stored }: { stored: S['Place'] }) {
  const [p, setP] = useState(stored);
  const save = useGround(savePlace);
  const [patch, setPatch] = useState(stored.patches?.[0]?.id);
  const [ring, setRing] = useState<S['RingOut']>();
  const [said, setSaid] = useState('');
  const [feature, setFeature] = useState('');
  const play = useReceiver();
  const one = p.patches?.find((x) => x.id === patch);
  const problem = save.error as Problem | null;
  const change = (next: S['Place']) => { setP(next); save.mutate(next); };
  const points = (list: S['Position'][]) => change({ ...p, patches: p.patches?.map((x) => (x.id === patch ? { ...x, points: list } : x)) });
  const today = new Date().toISOString().slice(0, 10);
  const track = async (file: File | undefined) => {
    if (!file || !one) return;
    try {
      const got = await readTrack(file);
      setSaid(`${got.read} positions read${got.problems.length > 0 ? `; ${got.problems.length} left out: ${got.problems.slice(0, 3).map((x) => `line ${x.line}, ${x.what}`).join('; ')}` : ''}.`);
      if (got.fixes.length > 0) points([...one.points, ...got.fixes.map((f) => ({ lat: f.lat, lon: f.lon, accuracy: f.accuracy, day: today }))].slice(0, 500));
    } catch (e) {
      setSaid((e as Error).message);
    }
  };
  const fit = async () => {
    if (!one) return;
    try {
      setRing(await fitRing(one.points));
      setSaid('');
    } catch (e) {
      setRing(undefined);
      setSaid([(e as Problem).message, ...((e as Problem).fields ?? [])].join(' '));
    }
  };
  return (
    <Page style={{ maxWidth: 1240 }}>
      <h1>{p.name}</h1>
      <p><Link to={`/year?place=${p.id}`}>The year here</Link> · <Link to={`/walks/new?place=${p.id}`}>Plan a walk here</Link> · <Link to="/places">All places</Link></p>
      {problem && <Note role="alert">{problem.message} {problem.fields.join('; ')}</Note>}
      <Two>
        <div>
          <LocalMap place={p} here={play.here} trail={play.trail} ring={ring} patch={patch} />
          <Chips>
            <Button onPress={play.running ? play.stop : play.play}>{play.running ? 'Stop the receiver' : 'Play the simulated receiver'}</Button>
            {play.here && one && <Button onPress={() => points([...one.points, { lat: play.here!.lat, lon: play.here!.lon, accuracy: play.here!.accuracy, day: today }])}>Mark a cap here</Button>}
            {play.trail.length > 1 && !play.running && <Button onPress={() => change({ ...p, map: withFeature(p.map, feature || 'path', play.trail) })}>Draw the track on the map</Button>}
            {play.here && <Button onPress={() => change({ ...p, map: withFeature(p.map, feature || 'mark', [play.here!]) })}>Draw this spot on the map</Button>}
            {one && <Button onPress={() => void fit()}>Fit a ring</Button>}
            {ring && <Button onPress={() => setRing(undefined)}>Hide the ring</Button>}
          </Chips>
          <p role="status">{play.here ? `Position ${play.here.lat.toFixed(5)}, ${play.here.lon.toFixed(5)}, good to ${play.here.accuracy.toFixed(0)} m. ` : ''}{ring?.words} {said} {play.error}</p>
          {play.here && <Field>What is drawn is called<input value={feature} maxLength={60} placeholder="path, gate, old oak" onChange={(e) => setFeature(e.target.value)} /></Field>}
          <h2>Patches</h2>
          <Chips role="group" aria-label="Patches">
            {p.patches?.map((x) => <Chip key={x.id} $on={x.id === patch} aria-pressed={x.id === patch} onPress={() => { setPatch(x.id); setRing(undefined); }}>{x.name}: {x.points.length}</Chip>)}
            <Button onPress={() => { const id = `p${(p.patches?.length ?? 0) + 1}`; change({ ...p, patches: [...(p.patches ?? []), { id, name: `P${(p.patches?.length ?? 0) + 1}`, points: [] }] }); setPatch(id); }}>Another patch</Button>
          </Chips>
          {one && (
            <>
              <Field>Its name<input value={one.name} maxLength={120} onChange={(e) => setP({ ...p, patches: p.patches?.map((x) => (x.id === patch ? { ...x, name: e.target.value } : x)) })} onBlur={() => save.mutate(p)} /></Field>
              <Field>Days to regrow before the next visit (0: no reminder)<input inputMode="numeric" value={one.every ?? 0} onChange={(e) => setP({ ...p, patches: p.patches?.map((x) => (x.id === patch ? { ...x, every: Math.max(0, Math.min(730, Number(e.target.value) || 0)) } : x)) })} onBlur={() => save.mutate(p)} /></Field>
              <Field>Bring positions, GPX or NMEA<input type="file" accept=".gpx,.nmea,.txt" onChange={(e) => { const f = e.target.files?.[0]; e.target.value = ''; void track(f); }} /></Field>
              {one.points.length > 0 && <details><summary>{one.points.length} places marked</summary><ul>{one.points.map((q, i) => <li key={i}>{q.lat.toFixed(5)}, {q.lon.toFixed(5)}{q.accuracy ? `, good to ${q.accuracy.toFixed(0)} m` : ''}{q.day ? `, ${q.day}` : ''} <Button aria-label={`Remove place ${i + 1}`} onPress={() => points(one.points.filter((_, k) => k !== i))}>Remove</Button></li>)}</ul></details>}
            </>
          )}
          <WeatherFile place={p.id} />
        </div>
        <form style={{ display: 'grid', gap: 14 }} onSubmit={(e) => { e.preventDefault(); save.mutate(p); }}>
          <PlaceFields place={p} onPlace={setP} />
          <Next type="submit" isDisabled={save.isPending}>Store the place</Next>
          <p role="status">{save.isSuccess ? 'Stored.' : ''}</p>
          <Soft>What you enter is only what the tool goes by. Local codes, owners and authorities come first.</Soft>
        </form>
      </Two>
    </Page>
  );
}
