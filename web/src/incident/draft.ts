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
export const blank = (id: string): Incident => ({ id, beganMs: 0, exposures: [], symptoms: [], calls: [], closings: [], rev: 0 });

/** Nothing was put in: there is nothing to keep. */
export const isBlank = (d: Incident): boolean => d.exposures.length + d.symptoms.length + d.calls.length + d.closings.length === 0 && !d.note && !d.sample && !d.photos && !d.missing;

export const withExposure = (d: Incident, route: Route, nowMs: number, known: Partial<Exposure> = {}): Incident => ({
  ...d,
  beganMs: d.beganMs || nowMs,
  exposures: [...d.exposures, { id: `${route}-${d.exposures.length + 1}`, route, atMs: nowMs, ...known }],
});

/** What the book of the kitchen knows of a meal: when it was eaten first, by whom, how much. It can be put right by hand. */
export function ofLot(id: string, lots: readonly S['LotView'][]): Partial<Exposure> {
  const eaten = lots.find((l) => l.id === id)?.eaten ?? [];
  if (eaten.length === 0) return { lot: id };
  return { lot: id, atMs: Math.min(...eaten.map((e) => e.atMs)), people: [...new Set(eaten.map((e) => e.name))], amount: eaten.map((e) => `${e.name}: ${e.amount}`).join('; ') };
}

export const changed = <T,>(list: readonly T[], i: number, x: Partial<T>): T[] => list.map((y, k) => (k === i ? { ...y, ...x } : y));

/** What came later than the last closing stays: closings are only added. */
export const mergedClosings = (theirs: Incident, mine: Incident): Incident['closings'] => [...theirs.closings, ...mine.closings.filter((c) => !theirs.closings.some((t) => t.exposure === c.exposure && t.atMs === c.atMs && t.by === c.by))];

export type Entry = { doc: Incident; stored: boolean; view?: S['IncidentView'] };
type Keep = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;
const prefix = 'incident ';

/** What this machine keeps of an incident; nothing where it keeps none or none that can be read. */
export function read(keep: Keep, id: string): Entry | undefined {
  try {
    const e = JSON.parse(keep.getItem(prefix + id) ?? 'null') as Entry | null;
    return e && e.doc?.id === id && Array.isArray(e.doc.exposures) ? e : undefined;
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
  const ids = Array.from({ length: keep.length }, (_, i) => keep.key(i) ?? '').filter((k) => k.startsWith(prefix)).map((k) => k.slice(prefix.length));
  return ids.filter((id) => { const e = read(keep, id); return e && !e.stored && !isBlank(e.doc); });
}
