import type { S } from '../api/client';

export type Incident = S['Incident'];
export type Exposure = S['Exposure'];
export type Route = Exposure['route'];

export const routes: { id: Route; label: string; ask: string }[] = [
  { id: 'eaten', label: 'Eaten', ask: 'What was eaten?' },
  { id: 'skin', label: 'On the skin', ask: 'What touched the skin?' },
  { id: 'eye', label: 'In the eye', ask: 'What got into the eye?' },
  { id: 'smoke', label: 'Smoke breathed in', ask: 'What was burnt?' },
];

/** An incident of which nothing is known yet. */
export const blank = (id: string): Incident => ({
  id,
  beganMs: 0,
  exposures: [],
  symptoms: [],
  calls: [],
  closings: [],
  rev: 0,
});

/** Nothing was put in: there is nothing to keep. */
export const isBlank = (d: Incident): boolean =>
  d.exposures.length + d.symptoms.length + d.calls.length + d.closings.length === 0 &&
  !d.note &&
  !d.sample &&
  !d.photos &&
  !d.missing;

/** An id that no other exposure has had, also after one was taken out. */
export const freshId = (route: Route): string => `${route}-${crypto.randomUUID().slice(0, 13)}`;

export const withExposure = (d: Incident, route: Route, nowMs: number, known: Partial<Exposure> = {}): Incident => ({
  ...d,
  beganMs: d.beganMs || nowMs,
  exposures: [...d.exposures, { id: freshId(route), route, atMs: nowMs, ...known }],
});

/** What the book of the kitchen knows of a meal: when it was eaten first, by whom, how much. It can be put right by hand. */
export function ofLot(id: string, lots: readonly S['LotView'][]): Partial<Exposure> {
  const eaten = lots.find((l) => l.id === id)?.eaten ?? [];
  if (eaten.length === 0) return { lot: id };
  return {
    lot: id,
    atMs: Math.min(...eaten.map((e) => e.atMs)),
    people: [...new Set(eaten.map((e) => e.name))],
    amount: eaten.map((e) => `${e.name}: ${e.amount}`).join('; '),
  };
}

export const changed = <T>(list: readonly T[], i: number, x: Partial<T>): T[] =>
  list.map((y, k) => (k === i ? { ...y, ...x } : y));

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
const joined = <T>(first: readonly T[], then: readonly T[]): T[] => [
  ...first,
  ...then.filter((x) => !first.some((y) => same(x, y))),
];
const bothTexts = (a?: string, b?: string) => (!b || a === b ? a : !a ? b : `${a} / ${b}`);

/**
 * Two states of one incident put together without losing a word: lists hold what either
 * holds, texts that differ stand behind one another, and one exposure that was
 * described in two ways stands twice.
 */
export function together(mine: Incident, theirs: Incident): Incident {
  const twice = mine.exposures
    .filter((x) => theirs.exposures.some((t) => t.id === x.id && !same(t, x)))
    .map((x) => ({ ...x, id: freshId(x.route) }));
  const fresh = mine.exposures.filter((x) => !theirs.exposures.some((t) => t.id === x.id));
  return {
    ...mine,
    rev: theirs.rev,
    beganMs: Math.min(...[mine.beganMs, theirs.beganMs].filter((x) => x > 0), mine.beganMs || theirs.beganMs),
    exposures: [...theirs.exposures, ...twice, ...fresh],
    symptoms: joined(theirs.symptoms, mine.symptoms),
    calls: joined(theirs.calls, mine.calls),
    closings: joined(theirs.closings, mine.closings),
    sample: bothTexts(mine.sample, theirs.sample),
    photos: bothTexts(mine.photos, theirs.photos),
    note: bothTexts(mine.note, theirs.note),
    missing: bothTexts(mine.missing, theirs.missing),
  };
}

/** What was put in while an earlier state was on its way, on top of what came back: entries of others that came with the answer stay. */
export function rebased(now: Incident, sent: Incident, back: Incident): Incident {
  const others = <T>(list: (d: Incident) => readonly T[]): T[] => [
    ...list(now),
    ...list(back).filter((x) => !list(sent).some((y) => same(x, y)) && !list(now).some((y) => same(x, y))),
  ];
  const exposures = [
    ...now.exposures,
    ...back.exposures.filter(
      (x) => !sent.exposures.some((y) => y.id === x.id) && !now.exposures.some((y) => y.id === x.id),
    ),
  ];
  // Closings are only added, behind those that were stored first.
  const closings = [...back.closings, ...now.closings.filter((x) => !back.closings.some((y) => same(x, y)))];
  return {
    ...now,
    rev: back.rev,
    beganMs: back.beganMs,
    exposures,
    closings,
    symptoms: others((d) => d.symptoms),
    calls: others((d) => d.calls),
  };
}

/** Every exposure with an id of its own; an earlier form could give two the same. */
export function ownIds(d: Incident): Incident {
  const seen = new Set<string>();
  const exposures = d.exposures.map((x) => {
    const id = seen.has(x.id) ? freshId(x.route) : x.id;
    seen.add(id);
    return id === x.id ? x : { ...x, id };
  });
  return exposures.every((x, i) => x === d.exposures[i]) ? d : { ...d, exposures };
}

export type Entry = { doc: Incident; stored: boolean; view?: S['IncidentView'] };
type Keep = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;
const prefix = 'incident ';

/** What this machine keeps of an incident; nothing where it keeps none or none that can be read. */
export function read(keep: Keep, id: string): Entry | undefined {
  try {
    const e = JSON.parse(keep.getItem(prefix + id) ?? 'null') as Entry | null;
    return e && e.doc?.id === id && Array.isArray(e.doc.exposures) ? { ...e, doc: ownIds(e.doc) } : undefined;
  } catch {
    return undefined;
  }
}

/** Keeps it; false when the browser keeps nothing. */
export function write(keep: Keep, e: Entry): boolean {
  try {
    keep.setItem(prefix + e.doc.id, JSON.stringify(e));
    return true;
  } catch {
    return false;
  }
}

/** Which incidents are kept here and not stored yet. */
export function unstored(keep: Keep): string[] {
  const ids = Array.from({ length: keep.length }, (_, i) => keep.key(i) ?? '')
    .filter((k) => k.startsWith(prefix))
    .map((k) => k.slice(prefix.length));
  return ids.filter((id) => {
    const e = read(keep, id);
    return e && !e.stored && !isBlank(e.doc);
  });
}
