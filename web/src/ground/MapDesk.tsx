import { localDay } from '../theme/day';
import { useState } from 'react';
import { fitRing, patterns, type Problem, type S } from '../api/client';
import { Button, Chip, Chips, Field } from '../theme/bits';
import { LocalMap } from './LocalMap';
import { drawnNames, withFeature, withoutFeature, type Form } from './map';
import { useReceiver } from './useReceiver';

const forms: [Form, string][] = [
  ['line', 'Draw a line'],
  ['area', 'Draw an area'],
  ['point', 'Draw a spot'],
];
type LatLon = { lat: number; lon: number };

/** The map with what is done on it: the receiver, the pen, and how the places of a patch lie. */
export function MapDesk({
  place: p,
  patch,
  onPlace,
  onPoints,
}: {
  place: S['Place'];
  patch?: S['PatchOfGround'];
  onPlace: (p: S['Place']) => void;
  onPoints: (list: S['Position'][]) => void;
}) {
  const play = useReceiver();
  const [found, setFound] = useState<{ of?: string; ring?: S['RingOut']; lie?: S['PatternsOut'] }>({});
  const [said, setSaid] = useState('');
  const [name, setName] = useState('');
  const [form, setForm] = useState<Form>();
  const [draft, setDraft] = useState<LatLon[]>([]);
  const drawn = drawnNames(p.map);
  const { ring, lie } = found.of === patch?.id ? found : {}; // it was worked out for one patch
  const clear = () => {
    setFound({});
    setSaid('');
  };
  const keep = (at: LatLon[], how: Form) => {
    onPlace({ ...p, map: withFeature(p.map, name || (how === 'point' ? 'mark' : how), at, how) });
    setDraft([]);
    setForm(undefined);
    setName('');
  };
  const ask = async (send: () => Promise<{ ring?: S['RingOut']; lie?: S['PatternsOut'] }>) => {
    clear();
    try {
      setFound({ of: patch?.id, ...(await send()) });
    } catch (e) {
      setSaid([(e as Problem).message, ...((e as Problem).fields ?? [])].join(' '));
    }
  };
  const add = (q: LatLon) => {
    if (form === 'point') keep([q], 'point');
    else setDraft([...draft, q]);
  };
  return (
    <>
      <LocalMap
        place={p}
        here={play.here}
        trail={play.trail}
        ring={ring}
        patterns={lie}
        patch={patch?.id}
        draft={draft}
        onPoint={form && add}
      />
      <Chips role="group" aria-label="Where you are">
        <Button onPress={play.running ? play.stop : play.play}>
          {play.running ? 'Stop the receiver' : 'Play the simulated receiver'}
        </Button>
        {play.here && patch && (
          <Button
            onPress={() =>
              onPoints([
                ...patch.points,
                { lat: play.here!.lat, lon: play.here!.lon, accuracy: play.here!.accuracy, day: localDay() },
              ])
            }
          >
            Mark a cap here
          </Button>
        )}
        {play.trail.length > 1 && !play.running && (
          <Button onPress={() => keep(play.trail, 'line')}>Draw the track on the map</Button>
        )}
        {play.here && <Button onPress={() => keep([play.here!], 'point')}>Draw this spot on the map</Button>}
      </Chips>
      {patch && patch.points.length > 0 && (
        <Chips role="group" aria-label={`How the places of ${patch.name} lie`}>
          <Button onPress={() => void ask(async () => ({ ring: await fitRing(patch.points) }))}>Fit a ring</Button>
          <Button onPress={() => void ask(async () => ({ lie: await patterns(patch.points) }))}>Line or colony?</Button>
          {(ring || lie) && <Button onPress={clear}>Hide it</Button>}
        </Chips>
      )}
      <p role="status">
        {play.here
          ? `Position ${play.here.lat.toFixed(5)}, ${play.here.lon.toFixed(5)}, good to ${play.here.accuracy.toFixed(0)} m. `
          : ''}
        {ring?.words} {lie?.line?.words ?? lie?.why} {lie?.colony.words} {said} {play.error}
      </p>
      <Chips role="group" aria-label="Draw on the map">
        {forms.map(([f, label]) => (
          <Chip
            key={f}
            $on={form === f}
            aria-pressed={form === f}
            onPress={() => {
              setForm(form === f ? undefined : f);
              setDraft([]);
            }}
          >
            {label}
          </Chip>
        ))}
        {draft.length > 1 && form && <Button onPress={() => keep(draft, form)}>Keep what is drawn</Button>}
        {draft.length > 0 && <Button onPress={() => setDraft(draft.slice(0, -1))}>Take the last point back</Button>}
      </Chips>
      {form && (
        <p>
          {p.lat === undefined
            ? 'Give the place a position first, on the right; then draw.'
            : `Tap the map, or move the pen with the arrow keys and press Enter. ${draft.length} points so far.`}
        </p>
      )}
      {(form || play.here) && (
        <Field>
          What is drawn is called
          <input
            value={name}
            maxLength={60}
            placeholder="path, gate, old oak"
            onChange={(e) => setName(e.target.value)}
          />
        </Field>
      )}
      {drawn.length > 0 && (
        <details>
          <summary>{drawn.length} drawn</summary>
          <ul>
            {drawn.map((n, i) => (
              <li key={i}>
                {n}{' '}
                <Button aria-label={`Rub out ${n}`} onPress={() => onPlace({ ...p, map: withoutFeature(p.map, i) })}>
                  Rub out
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
