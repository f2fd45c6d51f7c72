import { Keys } from '../src/api/keys.ts';
import type { S } from '../src/api/client.ts';
import { Desk } from '../src/incident/desk.ts';
import {
  blank,
  isBlank,
  ofLot,
  ownIds,
  read,
  rebased,
  together,
  unstored,
  withExposure,
  type Incident,
} from '../src/incident/draft.ts';
import { along, callLines } from '../src/incident/windows.ts';
import { byYear } from '../src/journal/years.ts';
import { bars, expected, grouped, nextCode, type Lot } from '../src/kitchen/lots.ts';
import { Tally } from '../src/kitchen/tally.ts';
import { fromLocal, length, toLocal } from '../src/kitchen/when.ts';
import { Kept } from './kept.ts';
import { expect, test } from './server.ts';

const lot = (x: Partial<Lot>): Lot => ({ id: 'B1', state: 'open', steps: [], yields: [], ...x }) as Lot;
const step = (done: boolean) => ({ id: 's', do: 'boil', minutes: 2, done, source: '' });

test('the bars in front of a plate', () => {
  const open = (l: Lot) =>
    bars(l)
      .map((b) => (b.open ? b.id : '-'))
      .join(' ');
  expect(open(lot({}))).toBe('hold look steps taste');
  expect(open(lot({ state: 'second-look' }))).toBe('hold - steps -');
  expect(open(lot({ state: 'first-steps', steps: [step(true), step(false)] }))).toBe('hold look - -');
  expect(open(lot({ state: 'first-taste', steps: [step(true)] }))).toBe('hold look steps -');
  // A hold shuts the last one too, whoever has tasted before.
  expect(open(lot({ state: 'held', lookedBy: 'Rue' }))).toBe('- look steps -');
  expect(open(lot({ state: 'held' }))).toBe('- - steps -');
});

test('codes, groups and what is to be expected', () => {
  expect(nextCode([], 'B')).toBe('B1');
  expect(nextCode(['B2', 'B10', 'D40', 'BX', 'B'], 'B')).toBe('B11');
  expect(grouped([lot({ id: 'A' }), lot({ id: 'B', state: 'held' })]).map((g) => g.lots[0]!.id)).toEqual(['B', 'A']);
  const l = lot({ yields: [{ form: 'dried', ratio: '0.12', makings: 2 }] });
  expect(expected(l, 'dried', '250')).toBe('30.0');
  expect(expected(l, 'dried', '2,5')).toBe('0.3');
  expect(expected(l, 'frozen', '250')).toBeUndefined();
  expect(expected(l, 'dried', 'all')).toBeUndefined();
});

test('pieces are counted as fast as keys are pressed; one request at a time, the newest last', async () => {
  const sent: number[] = [];
  let up = true;
  const t = new Tally({ ripe: 2 }, async (c) => {
    await Promise.resolve();
    if (!up) throw new Error('away');
    sent.push(c['ripe'] ?? 0);
  });
  for (let i = 0; i < 5; i++) t.add('ripe');
  t.undo();
  await expect.poll(() => t.state.sending).toBe(false);
  expect([t.state.counts['ripe'], sent.at(-1)]).toEqual([6, 6]);
  expect(sent.length).toBeLessThan(6);
  up = false;
  t.add('ripe');
  await expect.poll(() => t.state.problem).toBeTruthy();
  up = true;
  t.add('ripe');
  await expect.poll(() => t.state.sending).toBe(false);
  expect([t.state.counts['ripe'], sent.at(-1), t.state.problem]).toEqual([8, 8, undefined]);
});

test('one key for one content, until it is stored', () => {
  let n = 0;
  const k = new Keys(() => `k${++n}`);
  expect([k.of({ a: 1 }), k.of({ a: 1 }), k.of({ a: 2 })]).toEqual(['k1', 'k1', 'k2']);
  k.done({ a: 1 });
  expect([k.of({ a: 2 }), k.of({ a: 1 })]).toEqual(['k2', 'k3']);
});

test('times', () => {
  const at = new Date(2026, 1, 3, 4, 5).getTime();
  expect(toLocal(at)).toBe('2026-02-03T04:05');
  expect(fromLocal(toLocal(at))).toBe(at);
  expect([fromLocal(''), fromLocal('soon')]).toEqual([0, 0]);
  expect([0, 59, 60, 212, 47 * 60 + 59, 48 * 60, 49 * 60].map((m) => length(m * 60_000))).toEqual([
    '0 min',
    '59 min',
    '1 h',
    '3 h 32 min',
    '47 h 59 min',
    '2 d',
    '2 d 1 h',
  ]);
  expect(length(-5)).toBe('0 min');
});

test('the strip of windows runs from a quarter of an hour to three weeks, by multiples', () => {
  expect([0, 0.25, 504, 90_000].map(along)).toEqual([0, 0, 100, 100]);
  expect(along(2) - along(1)).toBeCloseTo(along(200) - along(100), 9);
});

test('what to say on the telephone', () => {
  const at = new Date(2026, 9, 16, 19, 0).getTime();
  const d: Incident = {
    ...withExposure(blank('x'), 'eaten', at, ofLot('D1', [])),
    symptoms: [{ atMs: at + 12_600_000, person: '', what: 'nausea' }],
    sample: 'two caps',
  };
  d.exposures[0]!.people = ['Rue, 41'];
  d.exposures[0]!.part = 'cap';
  expect(callLines(d, at + 12_720_000, (l) => `a bolete, cap, ${l}`)).toEqual(
    [
      'Eaten: a bolete, cap, D1; Fri, 16 Oct, 19:00, 3 h 32 min ago; Rue, 41.',
      'Somebody: nausea, since Fri, 16 Oct, 22:30.',
      'Kept: two caps.',
    ].map((l) => l.replace('Fri, 16', 'Fri 16')),
  );
});

test('what the book knows of a meal goes into the incident', () => {
  const eaten = [
    { atMs: 50, name: 'Rue', amount: '12 g' },
    { atMs: 20, name: 'Sorrel', amount: '9 g' },
  ] as Lot['eaten'];
  expect(ofLot('D1', [lot({ id: 'D1', eaten })])).toEqual({
    lot: 'D1',
    atMs: 20,
    people: ['Rue', 'Sorrel'],
    amount: 'Rue: 12 g; Sorrel: 9 g',
  });
  expect(ofLot('D2', [lot({ id: 'D2', eaten: [] })])).toEqual({ lot: 'D2' });
});

test('two screens of one incident are put together without losing a word', () => {
  const c = (by: string, atMs: number) => ({ exposure: 'e', by, advice: 'a', atMs });
  const sign = (what: string) => ({ atMs: 5, person: 'Rue', what });
  const mine: Incident = {
    ...blank('x'),
    beganMs: 9,
    rev: 1,
    note: 'mine',
    closings: [c('A', 1)],
    symptoms: [sign('tired')],
    exposures: [
      { id: 'a', route: 'eaten', atMs: 3, what: 'caps' },
      { id: 'b', route: 'skin', atMs: 4 },
    ],
  };
  const theirs: Incident = {
    ...blank('x'),
    beganMs: 7,
    rev: 4,
    note: 'theirs',
    sample: 'two caps',
    closings: [c('A', 1), c('C', 3)],
    symptoms: [sign('sick')],
    calls: [{ atMs: 6, whom: 'service', said: 'wait' }],
    exposures: [{ id: 'a', route: 'eaten', atMs: 3, what: 'leaves' }],
  };
  const both = together(mine, theirs);
  expect(both).toMatchObject({
    rev: 4,
    beganMs: 7,
    note: 'mine / theirs',
    sample: 'two caps',
    closings: [c('A', 1), c('C', 3)],
    symptoms: [sign('sick'), sign('tired')],
    calls: theirs.calls,
  });
  // One exposure described in two ways stands twice, each with an id of its own.
  expect(both.exposures.map((x) => x.what)).toEqual(['leaves', 'caps', undefined]);
  expect(new Set(both.exposures.map((x) => x.id)).size).toBe(3);
});

test('what comes back with an answer stays under what was typed meanwhile', () => {
  const sign = (what: string) => ({ atMs: 5, person: 'Rue', what });
  const sent: Incident = { ...blank('x'), rev: 1, symptoms: [sign('tired')] };
  const now: Incident = { ...sent, symptoms: [sign('tired and cold')], note: 'more' };
  const back: Incident = {
    ...sent,
    rev: 3,
    symptoms: [sign('sick'), sign('tired')],
    exposures: [{ id: 'a', route: 'eye', atMs: 2 }],
  };
  expect(rebased(now, sent, back)).toMatchObject({
    rev: 3,
    note: 'more',
    symptoms: [sign('tired and cold'), sign('sick')],
    exposures: [{ id: 'a' }],
  });
});

test('no exposure ever has the id of another', () => {
  let d = withExposure(withExposure(blank('x'), 'eaten', 1), 'eaten', 2);
  d = withExposure({ ...d, exposures: d.exposures.slice(1) }, 'eaten', 3);
  expect(new Set(d.exposures.map((x) => x.id)).size).toBe(2);
  // Of an earlier form, kept on this machine with one id twice.
  const twice = ownIds({
    ...blank('x'),
    exposures: [
      { id: 'eaten-2', route: 'eaten', atMs: 1 },
      { id: 'eaten-2', route: 'eaten', atMs: 2 },
    ],
  });
  expect(new Set(twice.exposures.map((x) => x.id)).size).toBe(2);
  expect(twice.exposures[0]!.id).toBe('eaten-2');
});

test('years in the order in which they stand', () => {
  const y = (year: number, id: string) => ({ year, taxon: { id } }) as S['YearSum'];
  expect(byYear([y(2026, 'a'), y(2026, 'b'), y(2025, 'a')]).map(([n, l]) => [n, l.length])).toEqual([
    [2026, 2],
    [2025, 1],
  ]);
});

/** The other side: keeps one incident, refuses an old revision, and can be away. */
class Other {
  up = true;
  doc?: Incident;
  puts = 0;
  send = async (d: Incident): Promise<S['IncidentView']> => {
    await Promise.resolve();
    if (!this.up) throw { status: 0, message: '', fields: [] };
    this.puts++;
    if (this.doc && this.doc.rev > d.rev) throw { status: 409, message: 'changed', fields: [] };
    this.doc = { ...d, rev: d.rev + 1 };
    return { incident: this.doc } as S['IncidentView'];
  };
  fetch = async (): Promise<S['IncidentView']> => {
    await Promise.resolve();
    if (!this.up) throw { status: 0 };
    if (!this.doc) throw { status: 404 };
    return { incident: this.doc } as S['IncidentView'];
  };
}

test('what is taken down is kept at once, sent when something answers, and never lost', async () => {
  const kept = new Kept();
  const there = new Other();
  const later: (() => void)[] = [];
  const begin = () =>
    new Desk(
      'inc-000001',
      kept,
      there.send,
      there.fetch,
      (run) => (later.push(run), 0 as unknown as ReturnType<typeof setTimeout>),
    );
  const quiet = (d: Desk) => expect.poll(() => d.state.sending).toBe(false);
  const desk = begin();
  await desk.open();
  expect(isBlank(desk.state.doc)).toBe(true);
  expect([kept.map.size, there.puts]).toEqual([0, 0]); // looking at the page stores nothing
  there.up = false;
  desk.change((d) => withExposure(d, 'skin', 1000));
  expect(unstored(kept)).toEqual(['inc-000001']);
  await desk.pump();
  await quiet(desk);
  expect(desk.state).toMatchObject({ stored: false, problem: { status: 0 } });
  // The page is closed and opened again, and then something answers.
  const again = begin();
  expect(again.state.doc.exposures).toHaveLength(1);
  there.up = true;
  await again.open();
  await quiet(again);
  expect(again.state).toMatchObject({ stored: true, doc: { rev: 1 } });
  expect(unstored(kept)).toEqual([]);
  // A change while it is being sent goes out after it, under the new revision.
  again.change((d) => ({ ...d, note: 'one' }));
  const sending = again.pump();
  again.change((d) => ({ ...d, note: 'two' }));
  await sending;
  await quiet(again);
  expect([again.state.stored, there.doc?.note, there.doc?.rev]).toEqual([true, 'two', 3]);
  // Another screen was quicker: both are kept until somebody says which.
  there.doc = {
    ...there.doc!,
    note: 'theirs',
    rev: 9,
    closings: [{ exposure: 'skin-1', by: 'A', advice: 'b', atMs: 5 }],
  };
  again.change((d) => ({ ...d, note: 'mine' }));
  await again.pump();
  await expect.poll(() => again.state.theirs?.note).toBe('theirs');
  expect(again.state.doc.note).toBe('mine');
  again.both();
  await again.pump();
  await quiet(again);
  expect([there.doc?.note, there.doc?.closings.length, again.state.stored]).toEqual(['mine / theirs', 1, true]);
  expect(read(kept, 'inc-000001')?.doc.note).toBe('mine / theirs');
  expect(read(new Kept(false, new Map([['incident x', '{broken']])), 'x')).toBeUndefined();
  // A browser that keeps nothing says so.
  const full = new Desk(
    'inc-000002',
    new Kept(true),
    there.send,
    there.fetch,
    () => 0 as unknown as ReturnType<typeof setTimeout>,
  );
  full.change((d) => withExposure(d, 'eye', 1));
  expect(full.state.keeps).toBe(false);
});
