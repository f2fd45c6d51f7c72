import { Outbox, drop, load, pause, put, save, waitingTraits, worthAgain } from '../src/bench/unsent.ts';
import { fromPhoto, type Point } from '../src/bench/photo.ts';
import { inInches, readLength } from '../src/bench/measure.ts';
import { scaleEnd, where } from '../src/bench/range.ts';
import { nextCount } from '../src/bench/basket.ts';
import { bandPaths, dayWords, nearSigns } from '../src/ground/bands.ts';
import { arc, bar, drawnNames, frame, plane, shapes, withFeature, withoutFeature } from '../src/ground/map.ts';
import { signDefaults, signOf } from '../src/ground/sign.ts';
import { heaps, upWords } from '../src/walk/outlook.ts';
import { listed, wayOf } from '../src/bench/ways.ts';
import { carriedShort } from '../src/bench/wear.ts';
import { together } from '../src/bench/together.ts';
import { idFor } from '../src/you/profile.ts';
import type { NewLine, S } from '../src/api/client.ts';
import { Kept } from './kept.ts';
import { expect, test } from './server.ts';

const line = (key: string, trait = 'ring'): NewLine => ({
  key,
  specimen: 's1',
  kind: 'answered',
  body: { answer: { trait, kind: 'absent' } },
});

test('a queue holds each line once, through a reload, and leaves alone what it can’t read', () => {
  const q = put(put(put([], line('a')), line('b')), line('a'));
  expect(q.map((l) => l.key)).toEqual(['a', 'b']);
  expect(drop(q, 'a').map((l) => l.key)).toEqual(['b']);
  expect([...waitingTraits(q, 's1')]).toEqual(['ring']);
  expect([...waitingTraits(q, 's2')]).toEqual([]);
  const kept = new Kept();
  expect(save(kept, 'f', 'page1', q)).toBe(true);
  expect(load(kept, 'another', 'page1')).toEqual([]);
  // A second page takes over what the first left, under a name of its own, and leaves nothing twice.
  expect(load(kept, 'f', 'page2')).toEqual(q);
  expect([...kept.map.keys()]).toEqual(['unsent f page2']);
  // Two pages at work do not write over each other.
  save(kept, 'f', 'page3', [line('c')]);
  save(kept, 'f', 'page2', []);
  expect(load(kept, 'f', 'page4').map((l) => l.key)).toEqual(['c']);
  for (const broken of ['{half', '[1, null, {"key": 3}]']) {
    const k = new Kept(false, new Map([['unsent f page0', broken]]));
    expect(load(k, 'f', 'page1')).toEqual([]);
    expect(k.map.get('unsent f page0')).toBe(broken); // left where it is
  }
  expect(save(new Kept(true), 'f', 'page1', q)).toBe(false);
});

test('what is tried again, and how long after', () => {
  expect([0, 500, 507, 503, 429].every(worthAgain)).toBe(true);
  expect([400, 404, 413, 422].some(worthAgain)).toBe(false);
  expect([1, 2, 3].map(pause)).toEqual([1000, 2000, 4000]);
  expect(pause(40)).toBe(15_000);
});

test('the outbox sends in order, once each; it waits while nothing answers, and goes on after a refusal', async () => {
  const kept = new Kept();
  const sent: string[] = [];
  let up = true;
  const later: (() => void)[] = [];
  const box = new Outbox(
    'f',
    kept,
    'page',
    async (l) => {
      await Promise.resolve();
      if (!up) throw { status: 0 };
      if (l.key === 'bad') throw { status: 422 };
      sent.push(l.key);
    },
    (run) => (later.push(run), 0 as unknown as ReturnType<typeof setTimeout>),
  );
  const quiet = () => expect.poll(() => box.state.sending).toBe(false);
  const done: string[] = [];
  box.add(line('1'), () => done.push('1'));
  await quiet();
  up = false;
  for (const k of ['2', 'bad', '3']) box.add(line(k), () => done.push(k));
  await quiet();
  expect(sent).toEqual(['1']);
  expect(box.state.problem).toEqual({ status: 0 });
  expect(JSON.parse(kept.getItem('unsent f page')!).map((l: NewLine) => l.key)).toEqual(['2', 'bad', '3']);
  box.takeBack('3');
  box.add(line('4'));
  up = true;
  later.at(-1)!();
  await quiet();
  expect(sent).toEqual(['1', '2', '4']);
  expect(done).toEqual(['1', '2']);
  expect(box.state).toMatchObject({ queue: [], problem: undefined });
  expect(kept.map.size).toBe(0);
});

test('a refused line is said and does not hold up the others', async () => {
  const box = new Outbox<{ status: number }>('f', new Kept(), 'page', (l) =>
    l.key === 'bad' ? Promise.reject({ status: 422 }) : Promise.resolve(),
  );
  box.add(line('bad'));
  await expect.poll(() => box.state.sending).toBe(false);
  expect(box.state.refused).toEqual({ status: 422 });
  expect(box.state.queue).toEqual([]);
});

test('a hand measures once it is measured, and to a tenth', () => {
  const hand = { palm: 8, span: 20 };
  expect(readLength('2 palms', 'cm', hand)).toEqual({ value: 16, error: 1.6 });
  expect(readLength('half a span', 'mm', hand)?.value).toBeCloseTo(100, 9);
  expect(readLength('a palm', 'cm', hand)?.value).toBe(8);
  expect(readLength('1 finger', 'cm', hand)).toBeUndefined(); // never measured
  expect(readLength('2 palms', 'cm')).toBeUndefined();
  expect(readLength('half', 'cm', hand)).toBeUndefined();
  expect(readLength('2 palms', 'count', hand)).toBeUndefined();
  // 1 in = 25.4 mm, 1 ft = 304.8 mm exactly (NIST SP 811, appendix B).
  expect(inInches(25.4, 'mm')).toBe('1.0 in');
  expect(inInches(91.44, 'cm')).toBe('3.0 ft');
});

/** Where a pinhole camera at a distance sees a point of the world: similar triangles, as in any textbook of projective geometry. */
const seen = (x: number, y: number, z: number, away: number): Point => ({
  x: (1000 * x) / (away + z),
  y: (1000 * y) / (away + z),
});

test('a length in a picture: the ratio in one plane, too short by the cosine when it leans', () => {
  const away = 400; // far off against its size, so that nearness hardly counts
  const ruler: [Point, Point] = [seen(0, 0, 0, away), seen(2.5, 0, 0, away)];
  const flat = fromPhoto(ruler, [seen(1, 1, 0, away), seen(1, 7, 0, away)], 2.5, 0)!;
  expect(flat.value).toBeCloseTo(6, 9);
  for (const lean of [5, 10, 15]) {
    const a = (lean * Math.PI) / 180;
    // A part of 6 that leans about its middle.
    const part: [Point, Point] = [
      seen(1, -3 * Math.cos(a), -3 * Math.sin(a), away),
      seen(1, 3 * Math.cos(a), 3 * Math.sin(a), away),
    ];
    const r = fromPhoto(ruler, part, 2.5, 0)!;
    expect(r.value).toBeCloseTo(6 * Math.cos(a), 3);
    expect(r.low).toBeLessThanOrEqual(6);
    expect(r.high).toBeGreaterThanOrEqual(6 - 1e-3); // the true length is within what is said
    const leaning: [Point, Point] = [
      seen(-1.25 * Math.cos(a), 0, -1.25 * Math.sin(a), away),
      seen(1.25 * Math.cos(a), 0, 1.25 * Math.sin(a), away),
    ];
    const over = fromPhoto(leaning, [seen(1, 1, 0, away), seen(1, 7, 0, away)], 2.5, 0)!;
    expect(over.value).toBeGreaterThan(6);
    expect(over.low).toBeLessThanOrEqual(6 + 1e-3);
  }
  expect(
    fromPhoto(
      [
        { x: 1, y: 1 },
        { x: 1, y: 1 },
      ],
      ruler,
      2.5,
      0,
    ),
  ).toBeUndefined();
  expect(fromPhoto(ruler, ruler, 0, 0)).toBeUndefined();
});

test('marks that are off by a little are counted in', () => {
  // Marks moved at random by up to the slack, each way: every reading holds the truth.
  let state = 7;
  const chance = () => ((state = (state * 48271) % 2147483647) / 2147483647) * 2 - 1;
  let held = 0;
  for (let i = 0; i < 500; i++) {
    const near = (x: number, y: number): Point => ({ x: x + 2.1 * chance(), y: y + 2.1 * chance() });
    const r = fromPhoto([near(0, 0), near(100, 0)], [near(50, 20), near(50, 260)], 2, 3, 0)!;
    if (r.low <= 4.8 && r.high >= 4.8) held++;
  }
  expect(held).toBe(500);
});

test('a reading lies in a range by its error too, and the scale holds all of it', () => {
  const r = [2, 4, 8, 12] as const;
  expect(where(r, 6, 0)).toBe('typical');
  expect(where(r, 9, 0.5)).toBe('extreme');
  expect(where(r, 8.2, 0.5)).toBe('typical'); // it may still be 8
  expect(where(r, 12.4, 0.5)).toBe('extreme');
  expect(where(r, 13, 0.5)).toBe('outside');
  expect(where(r, 1, 0.5)).toBe('outside');
  for (const most of [0.3, 1, 9.9, 12, 149, 3000]) expect(scaleEnd([1e-3, most])).toBeGreaterThan(most);
  expect(scaleEnd([])).toBe(1);
});

test('one press an item: the basket grows, and what differs goes aside', () => {
  const v = (
    picked: number,
    count: number,
    asideCount: number,
    patch: { passed: number; failed: number; unchecked: number },
  ) => ({
    specimens: [{ id: 's1', count }, ...(asideCount ? [{ id: 'aside', count: asideCount }] : [])],
    facts: { picked },
    patch,
  });
  expect(nextCount(v(0, 0, 0, { passed: 0, failed: 0, unchecked: 1 }), 's1', 'fits')).toEqual({
    specimen: 's1',
    was: 0,
    count: 2,
    picked: 2,
  });
  expect(nextCount(v(27, 4, 0, { passed: 4, failed: 0, unchecked: 23 }), 's1', 'fits')).toEqual({
    specimen: 's1',
    was: 4,
    count: 5,
  });
  expect(nextCount(v(27, 4, 1, { passed: 4, failed: 1, unchecked: 22 }), 's1', 'differs')).toEqual({
    specimen: 'aside',
    was: 1,
    count: 2,
  });
  expect(nextCount(v(5, 5, 0, { passed: 5, failed: 0, unchecked: 0 }), 's1', 'differs')).toEqual({
    specimen: 'aside',
    was: 0,
    count: 1,
    picked: 6,
  });
  expect(nextCount(v(5, 5, 0, { passed: 5, failed: 0, unchecked: 0 }), 's1', 'unchecked')).toEqual({
    specimen: 's1',
    was: 5,
    count: 5,
    picked: 6,
  });
  expect(nextCount(v(5, 5, 1, { passed: 5, failed: 1, unchecked: 0 }), 'aside', 'fits').specimen).toBe('s1');
});

test('a checklist begins with what can’t be had later', () => {
  const tick = (id: string, key: boolean, first: boolean, state: S['Tick']['state']): S['Tick'] => ({
    trait: { id, name: id, part: 'leaf' },
    key,
    first,
    want: [],
    wantWords: '',
    range: [],
    state,
    words: '',
    parts: [],
    shared: [],
  });
  const groups = listed([
    tick('a', true, false, 'open'),
    tick('b', true, true, 'open'),
    tick('c', true, true, 'fits'),
    tick('d', false, false, 'open'),
    tick('e', false, true, 'no-reading'),
  ]);
  expect(groups.map((g) => [g.head, g.ticks.map((t) => t.trait.id).join('')])).toEqual([
    ['Before you pick', 'be'],
    ['Has to fit', 'ac'],
    ['Tells it from a named danger', 'd'],
  ]);
  expect(wayOf('key')).toBe('key');
  expect(wayOf('nonsense')).toBe('offered');
  expect(wayOf(null)).toBe('offered');
});

test('names become ids of their own', () => {
  expect(idFor('Élodie Brun', [])).toBe('elodie-brun');
  expect(idFor('Rowan', ['rowan', 'rowan-2'])).toBe('rowan-3');
  expect(idFor('…', [])).toBe('someone');
  expect(carriedShort([])).toBe('Hands and tools');
  expect(
    carriedShort([
      { on: 'hands', smell: 'garlic' },
      { on: 'gloves', smell: 'garlic' },
    ]),
  ).toBe('Carries garlic');
});

test('side by side: what differs soundly stands first; a shaky look differs from nothing', () => {
  const r = (id: string, states: string[], soundness: S['Reading']['soundness'] = 'sound'): S['Reading'] => ({
    trait: { id, name: id, part: 'leaf' },
    seq: 1,
    kind: 'seen',
    states,
    words: '',
    soundness,
    fixes: [],
  });
  const rows = together([
    { readings: [r('a', ['x']), r('b', ['x']), r('c', ['x'])] },
    { readings: [r('a', ['x', 'y']), r('b', ['y'], 'shaky'), r('c', ['y']), r('d', ['z'])] },
  ]);
  expect(rows.map((x) => [x.trait.id, x.differs, x.cells.map((c) => c?.states.join(''))])).toEqual([
    ['c', true, ['x', 'y']],
    ['a', false, ['x', 'xy']],
    ['b', false, ['x', 'y']],
    ['d', false, [undefined, 'z']],
  ]);
});

test('a window is drawn with tapering edges, on both sides of New Year where it runs over', () => {
  const plain = { open: 100, openSd: 10, close: 160, closeSd: 10, allYear: false };
  expect(bandPaths(plain)).toEqual(['M80 10L120 3H140L180 10L140 17H120z']);
  expect(bandPaths({ ...plain, close: 110 })[0]).toMatch(/^M80 10L105 3H105L130 10/); // edges that meet
  expect(bandPaths({ ...plain, open: 340, close: 40 })).toHaveLength(2);
  expect(bandPaths({ ...plain, allYear: true })).toEqual(['M0 3H365V17H0z']);
  expect([1, 31, 32, 365, 366, 0, -30].map(dayWords)).toEqual([
    '1 Jan',
    '31 Jan',
    '1 Feb',
    '31 Dec',
    '1 Jan',
    '31 Dec',
    '1 Dec',
  ]);
  const { near, far } = nearSigns(
    [
      { from: '2026-11-27', to: '2026-12-13' },
      { from: '2026-03-01', to: '2026-03-10' },
    ],
    '2026-11-25',
  );
  expect([near.length, far.length]).toEqual([1, 1]);
});

test('a local map: metres, shapes, a frame, a scale bar, an arc', () => {
  const { to } = plane(54, -3);
  expect(to(54.001, -3).y).toBeCloseTo(111.195, 2); // a degree of latitude on the mean sphere
  expect(to(54, -2.999).x).toBeCloseTo(111.195 * Math.cos((54 * Math.PI) / 180), 2);
  const text = withFeature(
    withFeature(undefined, 'path', [
      { lat: 54, lon: -3 },
      { lat: 54.001, lon: -3 },
    ]),
    'gate',
    [{ lat: 54, lon: -3 }],
  );
  expect(shapes(text, to).map((s) => [s.kind, s.name, s.d])).toEqual([
    ['line', 'path', 'M0 0L0 -111.2'],
    ['point', 'gate', ''],
  ]);
  expect(shapes('{half', to)).toEqual([]);
  expect(shapes(withFeature('{"type":"Point","coordinates":[-3,54]}', 'x', [{ lat: 54, lon: -3 }]), to)).toHaveLength(
    2,
  );
  const [x, y, w, h] = frame([
    { x: 0, y: 0 },
    { x: 200, y: 50 },
  ]);
  expect(x).toBeLessThan(0);
  expect(y).toBeLessThan(-50);
  expect(x + w).toBeGreaterThan(200);
  expect(y + h).toBeGreaterThan(0);
  expect([18, 90, 400].map(bar)).toEqual([2, 20, 100]);
  expect(arc({ x: 0, y: 0 }, 10, 0, 90)).toBe('M0 -10A10 10 0 0 1 10 0');
  expect(arc({ x: 0, y: 0 }, 10, 90, 0)).toContain(' 1 1 ');
});

test('drawing on the map: there and back in degrees, an area closes, a drawing goes by its place', () => {
  const p = plane(-41.2, 179.9995);
  for (const q of [
    { lat: -41.2, lon: 179.9995 },
    { lat: -41.21, lon: -179.9999 },
  ]) {
    const back = p.from(p.to(q.lat, q.lon));
    expect(back.lat).toBeCloseTo(q.lat, 9);
    expect(back.lon).toBeCloseTo(q.lon, 9);
  }
  const corner = [
    { lat: 1, lon: 2 },
    { lat: 1, lon: 3 },
    { lat: 2, lon: 3 },
  ];
  const area = withFeature(undefined, 'bed', corner, 'area');
  expect(
    (JSON.parse(area) as { features: { geometry: { coordinates: unknown[][] } }[] }).features[0]!.geometry
      .coordinates[0],
  ).toEqual([
    [2, 1],
    [3, 1],
    [3, 2],
    [2, 1],
  ]);
  const two = withFeature(area, '', corner.slice(0, 2), 'area'); // two corners enclose nothing
  expect(two).toContain('LineString');
  expect(drawnNames(two)).toEqual(['bed', 'without a name']);
  expect(drawnNames(withoutFeature(two, 0))).toEqual(['without a name']);
  expect(drawnNames('not json')).toEqual([]);
});

test('a sign carries the amounts of its kind, and no others', () => {
  expect(signOf({ ...signDefaults, rain: '12,5', within: '3' }, 'k', 't', 'p')).toEqual({
    id: 'k',
    taxon: 't',
    place: 'p',
    kind: 'rain',
    from: 7,
    to: 21,
    sd: 4,
    rain: 12.5,
    within: 3,
  });
  expect(signOf({ ...signDefaults, kind: 'frost', below: '−2' }, 'k', 't', '').below).toBe(-2);
  expect(signOf({ ...signDefaults, kind: 'feast', feast: '2027-05-01' }, 'k', 't', '')).toMatchObject({
    feast: '05-01',
    place: undefined,
  });
  expect(signOf({ ...signDefaults, kind: 'fire' }, 'k', 't', '')).not.toHaveProperty('rain');
  expect(signOf({ ...signDefaults, rain: 'much' }, 'k', 't', '').rain).toBe(0); // asked about on the other side
});

test('no danger is left out of the heaps; what is not known is said', () => {
  const d = (id: string, p: number, named: number) =>
    ({ taxon: { id }, p, named: Array.from({ length: named }) }) as unknown as S['DangerLine'];
  const all = [d('a', 0.01, 1), d('b', 0.5, 0), d('c', -1, 0), d('e', 0.01, 0)];
  const h = heaps(all);
  expect([h.named, h.up, h.rest].map((l) => l.map((x) => x.taxon.id).join(''))).toEqual(['a', 'bc', 'e']);
  expect(upWords(-1)).toBe('no months in the guide');
  expect([0.9, 0.5, 0.2, 0.001].map(upWords)).toEqual(['up', 'likely up', 'may be up', 'hardly up']);
});
