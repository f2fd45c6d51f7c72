import { absent, firstTiles, seen, tilesOf } from '../src/bench/answer.ts';
import { readLength } from '../src/bench/measure.ts';
import { lookOf, partsOf, shownOf } from '../src/bench/plate.ts';
import { beforePick } from '../src/bench/pick.ts';
import { tray } from '../src/bench/basket.ts';
import { span, tenths, waited } from '../src/bench/wait.ts';
import { band } from '../src/guide/band';
import { spans } from '../src/guide/words';
import { groupAudit } from '../src/guide/audit.ts';
import { glyph, hasGlyph } from '../src/drawing/glyphs.ts';
import { petals, polygon } from '../src/drawing/marks.ts';
import type { Judgement, Trait } from '../src/api/client.ts';
import { expect, test } from './server.ts';

const trait = (states: string[], more: Partial<Trait> = {}): Trait => ({
  id: 'ring',
  name: 'Ring',
  ask: '',
  how: '',
  part: 'ring',
  class: 'structural',
  kind: 'states',
  kingdom: 'fungus',
  group: '',
  handling: 'look',
  stages: [],
  exclusive: true,
  better: [],
  states: states.map((id) => ({ id, label: id })),
  ...more,
});
const reading = (part: string, soundness: 'sound' | 'shaky' | 'mute' | 'conflicting', states: string[]) => ({
  trait: { id: `${part}-t`, name: part, part },
  seq: 1,
  kind: 'seen',
  states,
  words: states.join(),
  soundness,
  fixes: [],
});
const judged = (...readings: ReturnType<typeof reading>[]) => ({ readings }) as unknown as Judgement;

test('lengths are read in either system, and anything else is refused', () => {
  expect(readLength('12', 'cm')?.value).toBe(12);
  expect(readLength('5 in', 'cm')?.value).toBeCloseTo(12.7, 9); // 1 in = 2.54 cm exactly (NIST SP 811)
  expect(readLength('30mm', 'cm')?.value).toBeCloseTo(3, 9);
  expect(readLength('1 ft', 'cm')?.value).toBeCloseTo(30.48, 9);
  expect(readLength('2,5', 'cm')?.value).toBe(2.5);
  expect(readLength('7', 'count')?.value).toBe(7);
  for (const bad of ['', 'five', '5 kg', '-3', '7 cm of']) expect(readLength(bad, 'cm')).toBeUndefined();
  expect(readLength('7 cm', 'count')).toBeUndefined();
});

test('absence has no tile; several states are any-of unless all are shown', () => {
  const t = trait(['skirt', 'thin', 'none'], { absent: 'none' });
  expect(tilesOf(t).map((s) => s.id)).toEqual(['skirt', 'thin']);
  expect(absent(t, { unsure: true })).toEqual({ trait: 'ring', kind: 'absent', unsure: true });
  expect(seen(t, ['skirt'], { count: 2 })).toEqual({ trait: 'ring', kind: 'seen', states: ['skirt'], count: 2 });
  expect(seen(t, ['skirt', 'thin'], {}).kind).toBe('any-of');
  expect(seen(t, ['skirt', 'thin'], {}, true).kind).toBe('all-of');
  expect(seen(t, ['skirt'], { colour: 'poor' }).light).toBe('poor');
  expect(seen(t, ['skirt'], { colour: 'rain' }).surface).toBe('rain');
});

test('at most six tiles, the likeliest, in the order of the guide', () => {
  const t = trait(['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h']);
  expect(
    firstTiles(
      t,
      new Map([
        ['h', 0.9],
        ['a', 0.001],
        ['b', 0],
      ]),
    ).map((s) => s.id),
  ).toContain('h');
  expect(firstTiles(t, new Map([['h', 0.9]]))).toHaveLength(6);
  expect(firstTiles(trait(['a', 'b']), new Map())).toHaveLength(2);
});

test('a part is inked by its best reading', () => {
  expect(lookOf(judged(), 'cap')).toBe('unlooked');
  expect(lookOf(judged(reading('cap', 'mute', [])), 'cap')).toBe('lost');
  expect(lookOf(judged(reading('cap', 'mute', []), reading('cap', 'shaky', ['x'])), 'cap')).toBe('shaky');
  expect(lookOf(judged(reading('cap', 'shaky', ['x']), reading('cap', 'sound', ['y'])), 'cap')).toBe('seen');
  // What was examined and is not there is never drawn.
  expect(lookOf(judged(reading('volva', 'sound', ['none'])), 'volva', (_, s) => s === 'none')).toBe('absent');
  expect(lookOf(judged(reading('volva', 'shaky', ['none'])), 'volva', (_, s) => s === 'none')).toBe('shaky');
  const lost = (kind: string) => lookOf(judged({ ...reading('cap', 'mute', []), kind }), 'cap');
  expect(['damaged', 'spoilt', 'not-now', 'not-here', 'cant-tell'].map(lost)).toEqual([
    'damaged',
    'spoilt',
    'season',
    'hidden',
    'lost',
  ]);
  expect(shownOf(judged(reading('cap', 'shaky', ['x']), reading('cap', 'sound', ['y'])), 'cap')?.state).toBe('y');
  expect(shownOf(judged(reading('stem', 'sound', ['y'])), 'cap')).toBeUndefined();
});

test('drawings count right', () => {
  expect(petals(24, 24, 18, 5)).toHaveLength(5);
  expect(polygon(24, 24, 18, 6).split('L')).toHaveLength(6);
});

test('every state of the guide has a drawing, every part a place on the plate', async ({ server }) => {
  const guide = (await (await fetch(`${server.address}/api/guide`)).json()) as { traits: Trait[] };
  const missing = guide.traits.flatMap((t) =>
    t.states.filter((s) => !hasGlyph(t.id, s.id)).map((s) => `${t.id}/${s.id}`),
  );
  expect(missing).toEqual([]);
  for (const t of guide.traits) {
    for (const k of t.kingdom === 'unclear' ? ['plant', 'fungus'] : [t.kingdom])
      expect(partsOf(k).map((p) => p.part)).toContain(t.part);
  }
});

test('audit lines of one entry stand together', () => {
  const line = (taxon: string, part: string, stage: string, refused = false) => ({
    taxon: { id: taxon, common: taxon, scientific: '' },
    part,
    preparation: 'cooked',
    stage,
    continent: 'EU',
    refused,
    holds: part !== 'cap',
    taught: true,
    words: '',
    entries: [],
  });
  const groups = groupAudit([
    line('a', 'leaf', 'leaf'),
    line('b', 'cap', 'mature'),
    line('a', 'leaf', 'flower', true),
    line('a', 'fruit', 'fruit'),
  ]);
  expect(groups.map((g) => [g.id, g.lines.length, g.open, g.left, g.refused])).toEqual([
    ['a', 3, 2, 0, 1],
    ['b', 1, 0, 1, 0],
  ]);
  expect(groupAudit([])).toEqual([]);
});

test('no kind of item disappears from the tray by being few', () => {
  expect(tray(2, 1, 3).items).toEqual(['failed', 'passed', 'passed', 'unchecked', 'unchecked', 'unchecked']);
  const big = tray(5000, 1, 0);
  expect(big.items.length).toBeLessThanOrEqual(62);
  expect(big.items[0]).toBe('failed');
  expect(big.each * big.items.length).toBeGreaterThanOrEqual(5001);
  expect(tray(0, 0, 0)).toEqual({ items: [], each: 1 });
});

test('before picking: only what stands at this stage, what is open first, what was given up known as such', () => {
  const at = (id: string, stages: string[], kingdom = 'plant', beforePick = true) =>
    ({ ...trait([], { stages, kingdom, beforePick }), id, name: id }) as Trait;
  const traits = [
    at('read', ['leaf']),
    at('lost', ['leaf']),
    at('open', ['leaf', 'fruit']),
    at('fruit', ['fruit']),
    at('fungus', ['mature'], 'fungus'),
    at('any', ['leaf'], 'unclear'),
    at('later', ['leaf'], 'plant', false),
  ];
  const reading = (id: string, soundness: string, words: string) => ({
    trait: { id, name: id, part: 'leaf' },
    seq: 1,
    kind: 'seen',
    states: [],
    words,
    soundness,
    fixes: [],
  });
  const j = {
    stages: ['leaf'],
    readings: [reading('read', 'shaky', 'in pairs'), reading('lost', 'mute', 'out of reach')],
  } as unknown as Judgement;
  expect(beforePick(traits, j, 'plant').map((c) => [c.trait.id, c.stand, c.words])).toEqual([
    ['open', 'open', ''],
    ['any', 'open', ''],
    ['lost', 'given-up', 'out of reach'],
    ['read', 'read', 'in pairs (shaky)'],
  ]);
});

test('a wait runs from its start, whatever the page did meanwhile', () => {
  const start = Date.UTC(2026, 9, 1, 10);
  expect(waited(start, 15, start + 5 * 60_000)).toEqual({ gone: 5, left: 10, due: false });
  expect(waited(start, 15, start + 15 * 60_000)).toEqual({ gone: 15, left: 0, due: true });
  expect(waited(start, 15, start - 60_000)).toEqual({ gone: 0, left: 15, due: false }); // a clock that was put back
  expect([0.5, 1, 14.2, 60, 185, 240].map(span)).toEqual(['30 s', '1 min', '15 min', '1 h', '3 h 5 min', '4 h']);
  expect([0, 14.99, 15].map(tenths)).toEqual([0.1, 14.9, 15]); // never rounded up to a wait that was not kept
});

test('months are told as spans, over New Year too', () => {
  expect(spans([3, 4, 5])).toBe('Mar–May');
  expect(spans([11, 12, 1, 2])).toBe('Nov–Feb');
  expect(spans([4, 9, 10])).toBe('Apr, Sep–Oct');
  expect(spans([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12])).toBe('all year');
  expect(spans([])).toBe('');
});

test('a row stands in the band of its best worth; circumstance is never evidence', () => {
  const row = (cls: string, ...worth: string[]) =>
    ({
      trait: { id: 'x', name: 'X', part: 'leaf' },
      class: cls,
      handling: 'look',
      beforePick: false,
      key: false,
      cells: ['', ...worth].map((w) => ({ words: '', usual: [], range: [], worth: w })),
    }) as unknown as Parameters<typeof band>[0];
  expect(band(row('structural', 'shared', 'strong'))).toBe('Strong evidence');
  expect(band(row('sensory', 'fair', 'shared'))).toBe('Fair evidence');
  expect(band(row('structural', 'shared', 'shared'))).toBe('Shared: worth nothing between these');
  expect(band(row('circumstance', 'fair'))).toBe('Where and when: never evidence');
});

test('two states of one trait are never drawn alike', async ({ server }) => {
  const guide = (await (await fetch(`${server.address}/api/guide`)).json()) as { traits: Trait[] };
  const alike = guide.traits.flatMap((t) => {
    const seen = new Map<string, string>();
    return t.states.flatMap((s) => {
      const d = JSON.stringify(glyph(t.id, s.id));
      const twin = seen.get(d);
      seen.set(d, s.id);
      return twin ? [`${t.id}: ${twin} and ${s.id}`] : [];
    });
  });
  expect(alike).toEqual([]);
});
