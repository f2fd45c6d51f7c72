import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type S = components['schemas'];
export type View = S['View'];
export type Judgement = S['Judgement'];
export type Trait = S['Trait'];
export type Answer = S['Answer'];
export type NewLine = S['NewLine'];

const api = createClient<paths>({ baseUrl: '/' });

/** What went wrong, in words that can be shown, with the fields concerned. */
export class Problem extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly fields: string[] = [],
    /** Of a conflict: what is stored now. */
    readonly now?: unknown,
  ) {
    super(message);
  }
}

type Reply<T> = { data?: T; error?: S['ErrorModel']; response: Response };

async function open<T>(reply: Promise<Reply<T>>): Promise<T> {
  let r: Reply<T>;
  try {
    r = await reply;
  } catch {
    throw new Problem('The program on this machine does not answer. What you entered last is not stored yet.', 0);
  }
  if (r.data !== undefined) return r.data;
  const e = r.error;
  throw new Problem(
    e?.detail ?? e?.title ?? 'That did not work.',
    r.response.status,
    (e?.errors ?? []).map((x) =>
      x.message?.startsWith('expected') ? `${x.location?.split('.').at(-1) ?? ''}: ${x.message}` : (x.message ?? ''),
    ),
    r.response.status === 409 ? e?.errors?.find((x) => x.location === 'now')?.value : undefined,
  );
}

export const guide = () => open(api.GET('/api/guide'));
export const audit = () => open(api.GET('/api/audit'));
export type Search = NonNullable<paths['/api/taxa']['get']['parameters']['query']>;
export type BesideQuery = paths['/api/beside']['get']['parameters']['query'];
export const auditOf = (id: string) => open(api.GET('/api/audit/{id}', { params: { path: { id } } }));
export const taxa = (query: Search) => open(api.GET('/api/taxa', { params: { query } }));
export const beside = (query: BesideQuery) => open(api.GET('/api/beside', { params: { query } }));
export const taxon = (id: string) => open(api.GET('/api/taxa/{id}', { params: { path: { id } } }));
export const finds = (q: string, most: number) => open(api.GET('/api/finds', { params: { query: { q, most } } }));
export const rejudged = () => open(api.GET('/api/rejudged'));
/** A find: with a specimen in the hand as the bench shows it, without one with everything about each. */
export const find = (id: string, specimen?: string) =>
  open(api.GET('/api/finds/{id}', { params: { path: { id }, query: specimen ? { specimen } : {} } }));
export const begin = (body: S['Begin']) => open(api.POST('/api/finds', { body }));
export const addLine = (id: string, body: NewLine) =>
  open(api.POST('/api/finds/{id}/log', { params: { path: { id } }, body }));
export const setFacts = (id: string, body: S['Facts']) =>
  open(api.PUT('/api/finds/{id}/facts', { params: { path: { id } }, body }));
export const addSpecimen = (id: string, body: S['Specimen']) =>
  open(api.POST('/api/finds/{id}/specimens', { params: { path: { id } }, body }));
export const countSpecimen = (id: string, specimen: string, was: number, count: number, picked?: number) =>
  open(
    api.PUT('/api/finds/{id}/specimens/{specimen}/count', {
      params: { path: { id, specimen } },
      body: { was, count, picked },
    }),
  );
const waitPath = (id: string, specimen: string, trait: string) => ({ params: { path: { id, specimen, trait } } });
export const startWait = (id: string, specimen: string, trait: string) =>
  open(api.PUT('/api/finds/{id}/specimens/{specimen}/waits/{trait}', waitPath(id, specimen, trait)));
export const endWait = (id: string, specimen: string, trait: string) =>
  open(api.DELETE('/api/finds/{id}/specimens/{specimen}/waits/{trait}', waitPath(id, specimen, trait)));
const specimenPath = (id: string, specimen: string) => ({ params: { path: { id, specimen } } });
export const keyOf = (id: string, specimen: string) =>
  open(api.GET('/api/finds/{id}/specimens/{specimen}/key', specimenPath(id, specimen)));
export const checklistOf = (id: string, specimen: string) =>
  open(api.GET('/api/finds/{id}/specimens/{specimen}/checklist', specimenPath(id, specimen)));
export const likenessesOf = (id: string, specimen: string) =>
  open(api.GET('/api/finds/{id}/specimens/{specimen}/likenesses', specimenPath(id, specimen)));
export const exclusionOf = (id: string, specimen: string, taxon: string) =>
  open(
    api.GET('/api/finds/{id}/specimens/{specimen}/exclusions/{taxon}', { params: { path: { id, specimen, taxon } } }),
  );
export const historyOf = (id: string, specimen: string) =>
  open(api.GET('/api/finds/{id}/specimens/{specimen}/history', specimenPath(id, specimen)));
export const photoUrl = (id: string, photo: string) => `/api/finds/${id}/photos/${photo}`;
export const removePhoto = (id: string, photo: string) =>
  open(api.DELETE('/api/finds/{id}/photos/{photo}', { params: { path: { id, photo } } }));
/** A picture as it is; what it may hold is checked on the other side, by its content. */
export const addPhoto = (id: string, photo: string, specimen: string, part: string, file: Blob) =>
  open(
    api.PUT('/api/finds/{id}/photos/{photo}', {
      params: { path: { id, photo }, query: { specimen, part } },
      headers: { 'content-type': 'application/octet-stream' },
      body: file as unknown as never,
      bodySerializer: (b: unknown) => b as Blob,
    }),
  );
export const today = () => open(api.GET('/api/today'));
export const places = () => open(api.GET('/api/places'));
export const place = (id: string) => open(api.GET('/api/places/{id}', { params: { path: { id } } }));
export const savePlace = (p: S['Place']) =>
  open(api.PUT('/api/places/{id}', { params: { path: { id: p.id } }, body: p }));
export const walks = () => open(api.GET('/api/walks'));
export const outlook = (id: string) => open(api.GET('/api/walks/{id}', { params: { path: { id } } }));
export const saveWalk = (w: S['Walk']) => open(api.PUT('/api/walks/{id}', { params: { path: { id: w.id } }, body: w }));
export const receiver = () => open(api.GET('/api/receiver'));
export const fitRing = (points: S['Position'][]) => open(api.POST('/api/ring', { body: { points } }));
export const patterns = (points: S['Position'][]) => open(api.POST('/api/patterns', { body: { points } }));
export const cues = (id: string) => open(api.GET('/api/places/{id}/cues', { params: { path: { id } } }));
export type YearQuery = NonNullable<paths['/api/year']['get']['parameters']['query']>;
export const year = (query: YearQuery) => open(api.GET('/api/year', { params: { query } }));
const kept = <B>(id: string, body: B) => ({ params: { path: { id } }, body });
export const saveSeen = (x: S['Seen']) => open(api.PUT('/api/seen/{id}', kept(x.id, x)));
export const saveFixed = (x: S['Fixed']) => open(api.PUT('/api/fixed/{id}', kept(x.id, x)));
export const saveSign = (x: S['Sign']) => open(api.PUT('/api/signs/{id}', kept(x.id, x)));
export const forget = (kind: 'seen' | 'fixed' | 'signs', id: string) =>
  open(api.DELETE(`/api/${kind}/{id}`, { params: { path: { id } } }));
const raw = (file: Blob) => ({
  headers: { 'content-type': 'application/octet-stream' },
  body: file as unknown as never,
  bodySerializer: (b: unknown) => b as Blob,
});
export const readTrack = (file: Blob) => open(api.POST('/api/tracks', raw(file)));
export const importWeather = (id: string, file: Blob, partly: boolean) =>
  open(api.PUT('/api/places/{id}/weather', { params: { path: { id }, query: { partly } }, ...raw(file) }));
export const people = () => open(api.GET('/api/people'));
export const savePerson = (p: S['Person']) =>
  open(
    api.PUT('/api/people/{id}', {
      params: { path: { id: p.id } },
      body: { name: p.name, profile: p.profile, rev: p.rev },
    }),
  );
export const removePerson = (id: string) => open(api.DELETE('/api/people/{id}', { params: { path: { id } } }));
export const kitchen = (q: string, most: number) => open(api.GET('/api/kitchen', { params: { query: { q, most } } }));
export const cook = (body: S['KitchenAct']) => open(api.POST('/api/kitchen', { body }));
export const lot = (id: string) => open(api.GET('/api/lots/{id}', { params: { path: { id } } }));
export type SumQuery = paths['/api/arithmetic']['get']['parameters']['query'];
export const sum = (query: SumQuery) => open(api.GET('/api/arithmetic', { params: { query } }));
export const second = (id: string) => open(api.GET('/api/finds/{id}/second', { params: { path: { id } } }));
export const beginSecond = (id: string, home: string, person?: string) =>
  open(api.POST('/api/finds/{id}/second', kept(id, { id: home, person })));
export const amount = (id: string) => open(api.GET('/api/finds/{id}/amount', { params: { path: { id } } }));
export const saveStand = (id: string, body: S['HereNow']) => open(api.PUT('/api/finds/{id}/amount', kept(id, body)));
export const sortInto = (id: string, counts: Readonly<Record<string, number>>, rev: number) =>
  open(api.PUT('/api/finds/{id}/sorted', kept(id, { counts, rev })));
export const settings = () => open(api.GET('/api/settings'));
export const saveSettings = (body: S['Settings']) => open(api.PUT('/api/settings', { body }));
export const data = () => open(api.GET('/api/data'));
export const checkData = () => open(api.POST('/api/data/check'));
export const beginBackup = () => open(api.POST('/api/data/backups'));
export const restoreBackup = (name: string) =>
  open(api.POST('/api/data/backups/{name}/restore', { params: { path: { name } } }));
export const backupUrl = (name: string) => `/api/data/backups/${name}`;
/** A backup file from elsewhere: it is checked on the other side before it is kept. */
export async function bringBackup(file: Blob): Promise<string> {
  let r: Response;
  try {
    r = await fetch('/api/data/backup', {
      method: 'PUT',
      body: file,
      headers: { 'content-type': 'application/octet-stream' },
    });
  } catch {
    throw new Problem('The program on this machine does not answer.', 0);
  }
  const got = (await r.json()) as { id?: string; detail?: string };
  if (!r.ok || !got.id) throw new Problem(got.detail ?? 'That did not work.', r.status);
  return got.id;
}
export const journal = (q: string, most: number) => open(api.GET('/api/journal', { params: { query: { q, most } } }));
export const incidents = () => open(api.GET('/api/incidents'));
export const incident = (id: string) => open(api.GET('/api/incidents/{id}', { params: { path: { id } } }));
export const saveIncident = (x: S['Incident']) => open(api.PUT('/api/incidents/{id}', kept(x.id, x)));
export const firstAid = () => open(api.GET('/api/aid'));

/** A key that makes a retried request be stored once. */
export const newKey = (): string => crypto.randomUUID();
