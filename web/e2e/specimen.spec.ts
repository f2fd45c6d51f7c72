import { drawnFrom, firmOf, seenOf, strokeOf } from '../src/bench/plate.ts';
import { bladeOutline, leafFeet } from '../src/drawing/specimen/leaf.ts';
import { specimenPieces, standing, type Piece } from '../src/drawing/specimen/index.ts';
import { clusterSpots, stemSection } from '../src/drawing/specimen/plant.ts';
import { capOutline, stemWidths } from '../src/drawing/specimen/fungus.ts';
import type { Judgement, Trait } from '../src/api/client.ts';
import { expect, test } from './server.ts';

/** The corners of a path made of straight lines. */
const corners = (d: string): number => d.split('M').filter(Boolean)[0]!.split('L').length;
const seeing =
  (states: Record<string, string>) =>
  (trait: string): string | undefined =>
    states[trait];
const of = (pieces: Piece[], form: string): Piece | undefined => pieces.find((p) => p.form[0] === form);

test('a stem is cut as it was seen: four corners, three, or none, and hollow or solid within', () => {
  expect(corners(stemSection(0, 0, 20, 'square')[0]!.d)).toBe(4);
  expect(corners(stemSection(0, 0, 20, 'three-edged')[0]!.d)).toBe(3);
  expect(stemSection(0, 0, 20, 'round')[0]!.d).not.toContain('L');
  expect(stemSection(0, 0, 20, 'round', 'solid').map((m) => m.as)).toContain('hatch');
  expect(stemSection(0, 0, 20, 'round', 'hollow')).toHaveLength(2);
  expect(stemSection(0, 0, 20, 'round')).toHaveLength(1); // an inside nobody cut is left blank
});

test('pairs stand level on both sides, turns alternate, a whorl has more than two, a rosette shares the ground', () => {
  const rows = (a: string) => {
    const by = new Map<number, { x: number; angle: number }[]>();
    for (const f of leafFeet(a, 150, 100, 300)) by.set(f.y, [...(by.get(f.y) ?? []), f]);
    return by;
  };
  for (const pair of rows('opposite').values())
    expect(pair.map((f) => Math.cos((f.angle * Math.PI) / 180) < 0).sort()).toEqual([false, true]);
  for (const one of rows('alternate').values()) expect(one).toHaveLength(1);
  const turns = leafFeet('alternate', 150, 100, 300).map((f) => f.angle);
  expect(turns[0]).not.toBe(turns[1]);
  for (const whorl of rows('whorled').values()) expect(whorl.length).toBeGreaterThanOrEqual(3);
  expect([...rows('basal').keys()]).toEqual([300]);
});

test('a blade is mirrored along its midrib, and a toothed edge leaves the smooth one', () => {
  const across = (pts: [number, number][]) => pts.slice(0, 25).map((p, i) => p[1] + pts[49 - i]![1]);
  for (const sum of across(bladeOutline(0, 0, 100, 0, 'lance'))) expect(Math.abs(sum)).toBeLessThan(0.2);
  const width = (shape: string) => Math.max(...bladeOutline(0, 0, 100, 0, shape).map((p) => p[1]));
  expect(width('needle')).toBeLessThan(width('strap'));
  expect(width('strap')).toBeLessThan(width('lance'));
  expect(width('lance')).toBeLessThan(width('oval'));
  expect(width('oval')).toBeLessThan(width('kidney'));
  expect(bladeOutline(0, 0, 100, 0, 'oval', 'toothed')).not.toEqual(bladeOutline(0, 0, 100, 0, 'oval', 'entire'));
});

test('an umbel springs from one point and a flat cluster is level', () => {
  const starts = [...clusterSpots('umbel').branches.matchAll(/M([\d.]+ [\d.]+)L/g)].map((m) => m[1]);
  expect(starts.length).toBeGreaterThan(4);
  expect(new Set(starts).size).toBe(1);
  expect(new Set(clusterSpots('flat-branched').at.map((p) => p[1])).size).toBe(1);
  const sides = clusterSpots('spike').at.map(([x]) => x > 150);
  expect(new Set(sides).size).toBe(2);
});

test('what was examined and is not there is not drawn', () => {
  const bare = specimenPieces('fungus', seeing({ ring: 'none', volva: 'none' }));
  expect(of(bare, 'ring')).toBeUndefined();
  expect(of(bare, 'volva')).toBeUndefined();
  const unlooked = specimenPieces('fungus', seeing({}));
  expect(of(unlooked, 'ring')).toBeDefined();
  expect(of(specimenPieces('plant', seeing({ 'stem-kind': 'none' })), 'stem-kind')).toBeUndefined();
});

test('gills meet the stem as they were seen to, and until then stop short of it', () => {
  const inner = (join?: string) => {
    const see = seeing({ underside: 'gills', ...(join ? { 'gill-attachment': join } : {}) });
    const d = of(specimenPieces('fungus', see), 'underside')!.marks[0]!.d;
    return Math.min(...[...d.matchAll(/M([\d.]+) /g)].map((m) => Math.abs(Number(m[1]) - 150)));
  };
  const [stemHalf] = stemWidths(undefined, undefined);
  expect(inner('free')).toBeGreaterThan(stemHalf + 8);
  expect(inner('broad')).toBeLessThan(stemHalf + 8);
  expect(inner()).toBeGreaterThan(inner('free'));
  const [top, foot] = stemWidths('slender', 'bulb');
  expect(foot).toBeGreaterThan(top);
  expect(capOutline('cylinder').half).toBeLessThan(capOutline('flat').half);
});

const judged = (...rs: [trait: string, state: string, soundness: string][]) =>
  ({
    readings: rs.map(([id, state, soundness], i) => ({
      trait: { id, name: id, part: 'leaf' },
      seq: i + 1,
      kind: 'seen',
      states: state ? [state] : [],
      words: state,
      soundness,
      fixes: [],
    })),
  }) as unknown as Judgement;

test('a piece is dotted, pencilled, broken or inked by the readings that give its form', () => {
  const leaf: Piece = { part: 'leaf', form: ['leaf-arrangement', 'leaf-shape'], marks: [] };
  const stroke = (j: Judgement) => strokeOf(leaf, seenOf(j), firmOf(j), 'seen');
  expect(stroke(judged())).toBe('guess');
  expect(stroke(judged(['leaf-shape', 'oval', 'sound']))).toBe('pencil');
  expect(stroke(judged(['leaf-shape', 'oval', 'sound'], ['leaf-arrangement', 'opposite', 'sound']))).toBe('ink');
  expect(stroke(judged(['leaf-shape', 'oval', 'sound'], ['leaf-arrangement', 'opposite', 'shaky']))).toBe('shaky');
  expect(stroke(judged(['leaf-shape', '', 'mute']))).toBe('guess');
  // Two readings against each other give no form; a shaky one never displaces a sound one.
  expect(seenOf(judged(['leaf-shape', 'oval', 'conflicting']))('leaf-shape')).toBeUndefined();
  expect(seenOf(judged(['leaf-shape', 'oval', 'sound'], ['leaf-shape', 'lance', 'shaky']))('leaf-shape')).toBe('oval');
  expect(strokeOf({ ...leaf, plain: true }, seenOf(judged()), firmOf(judged()), 'seen')).toBe('ink');
  expect(standing(leaf, () => true)).toBe('ink');
});

test('an absence that was not read soundly is still drawn, broken', () => {
  const pieces = (soundness: string) => {
    const j = judged(['volva', 'none', soundness]);
    const of = specimenPieces(
      'fungus',
      drawnFrom(seenOf(j), firmOf(j), () => 'none'),
    ).filter((p) => p.form[0] === 'volva');
    return of.map((p) => strokeOf(p, seenOf(j), firmOf(j), 'shaky'));
  };
  expect(pieces('sound')).toEqual([]);
  expect(pieces('shaky')).toEqual(['shaky']);
  expect(pieces('mute')).toEqual(['guess']);
});

/** Traits that give a whole plate its form: each of their states must draw another specimen. */
const forming = [
  'stem-section',
  'stem-inside',
  'leaf-arrangement',
  'leaf-division',
  'leaf-shape',
  'leaf-margin',
  'flower-cluster',
  'flower-plan',
  'fruit-kind',
  'seed-shape',
  'root-form',
  'cap-shape',
  'underside',
  'gill-attachment',
  'ring',
  'volva',
  'stem-base',
  'stem-flesh',
  'fungus-form',
  'spore-print',
];

test('every state of a trait that gives form draws a specimen of its own, without a broken number', async ({
  server,
}) => {
  const guide = (await (await fetch(`${server.address}/api/guide`)).json()) as { traits: Trait[] };
  const alike: string[] = [];
  for (const id of forming) {
    const trait = guide.traits.find((t) => t.id === id)!;
    const drawn = new Map<string, string>();
    for (const s of trait.states) {
      const base: Record<string, string> =
        id === 'gill-attachment'
          ? { underside: 'gills' }
          : id === 'leaf-margin' || id === 'leaf-shape'
            ? { 'leaf-division': 'simple' }
            : {};
      const text = JSON.stringify(specimenPieces(trait.kingdom, seeing({ ...base, [id]: s.id })));
      expect(text).not.toMatch(/NaN|undefined|Infinity/);
      const twin = drawn.get(text);
      if (twin) alike.push(`${id}: ${twin} and ${s.id}`);
      drawn.set(text, s.id);
    }
  }
  expect(alike).toEqual([]);
});
