import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Keys } from './keys';
import { after, askAgain, key } from './queries';
import * as api from './client';

export const useGuide = () => useQuery({ queryKey: key('guide'), queryFn: api.guide, staleTime: Infinity });
export const useTaxa = (q: string) => useSearch({ q });
export const useSearch = (search: api.Search) =>
  useQuery({
    queryKey: key('taxa', search),
    queryFn: () => api.taxa(search),
    staleTime: Infinity,
    placeholderData: (was) => was,
  });
export const useBeside = (query: api.BesideQuery) =>
  useQuery({
    queryKey: key('beside', query),
    queryFn: () => api.beside(query),
    staleTime: Infinity,
    placeholderData: (was) => was,
  });
export const useAuditOf = (id: string, open: boolean) =>
  useQuery({ queryKey: key('audit', id), queryFn: () => api.auditOf(id), staleTime: Infinity, enabled: open });
export const useAudit = () => useQuery({ queryKey: key('audit'), queryFn: api.audit, staleTime: Infinity });
export const useTaxon = (id: string) =>
  useQuery({ queryKey: key('taxon', id), queryFn: () => api.taxon(id), staleTime: Infinity, enabled: id !== '' });
/** How many finds are shown at first. */
export const firstFinds = 100;
export const findsKey = (q: string, most: number) => key('finds', q, most);
export const useFinds = (q: string, most: number) =>
  useQuery({ queryKey: findsKey(q, most), queryFn: () => api.finds(q, most), placeholderData: (was) => was });
export const useRejudged = () => useQuery({ queryKey: key('rejudged'), queryFn: api.rejudged });
/** A find, with one specimen in the hand or with all of them. */
export const useFind = (id: string, specimen = '') =>
  useQuery({
    queryKey: key('find', id, specimen),
    queryFn: () => api.find(id, specimen),
    placeholderData: (was) => was,
  });
export const useExclusion = (id: string, specimen: string, taxon: string, stand: string, open: boolean) =>
  useQuery({
    queryKey: key('exclusion', id, specimen, taxon, stand),
    queryFn: () => api.exclusionOf(id, specimen, taxon),
    enabled: open,
    placeholderData: (was) => was,
  });
export const usePeople = () => useQuery({ queryKey: key('people'), queryFn: api.people });

/** Sends a change of a find; the answer is the find as it now stands. */
function useFindChange<T>(id: string, send: (body: T) => Promise<api.View>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    networkMode: 'always',
    onSuccess: (view) => {
      // The answer has one specimen in full; what else was fetched of the find is asked again.
      const hand = view.patch.judgements[0]?.specimen ?? '';
      client.setQueryData(key('find', id, hand), view);
      void client.invalidateQueries({ queryKey: key('find', id), predicate: (q) => q.queryKey[2] !== hand });
      void client.invalidateQueries({ queryKey: key('finds') });
    },
    // Changed on another screen: what is shown is asked again.
    onError: (e) => {
      if (e instanceof api.Problem && e.status === 409) void client.invalidateQueries({ queryKey: key('find', id) });
    },
  });
}

export const useAddLine = (id: string) => useFindChange<api.NewLine>(id, (body) => api.addLine(id, body));
export const useSetFacts = (id: string) => useFindChange<api.S['Facts']>(id, (body) => api.setFacts(id, body));
export const useAddSpecimen = (id: string) => useFindChange<api.S['Specimen']>(id, (body) => api.addSpecimen(id, body));
export const useCountSpecimen = (id: string) =>
  useFindChange<{ specimen: string; was: number; count: number; picked?: number }>(
    id,
    ({ specimen, was, count, picked }) => api.countSpecimen(id, specimen, was, count, picked),
  );
export const useWait = (id: string) =>
  useFindChange<{ specimen: string; trait: string; on: boolean }>(id, (w) =>
    (w.on ? api.startWait : api.endWait)(id, w.specimen, w.trait),
  );

/** One of the other ways of looking; asked again whenever the log has grown or the facts have changed. */
const useWay = <T>(
  name: string,
  id: string,
  specimen: string,
  stand: string,
  ask: (id: string, specimen: string) => Promise<T>,
) =>
  useQuery({
    queryKey: key('way', name, id, specimen, stand),
    queryFn: () => ask(id, specimen),
    placeholderData: (was) => was,
  });
export const useKeyWalk = (id: string, specimen: string, stand: string) =>
  useWay('key', id, specimen, stand, api.keyOf);
export const useChecklist = (id: string, specimen: string, stand: string) =>
  useWay('checklist', id, specimen, stand, api.checklistOf);
export const useLikenesses = (id: string, specimen: string, stand: string) =>
  useWay('likenesses', id, specimen, stand, api.likenessesOf);
export const useHistory = (id: string, specimen: string, stand: string) =>
  useWay('history', id, specimen, stand, api.historyOf);

export const useAddPhoto = (id: string) =>
  useFindChange<{ photo: string; specimen: string; part: string; file: Blob }>(id, (p) =>
    api.addPhoto(id, p.photo, p.specimen, p.part, p.file),
  );
export const useRemovePhoto = (id: string) => useFindChange<string>(id, (photo) => api.removePhoto(id, photo));

export function useSavePerson() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: api.savePerson,
    networkMode: 'always',
    onSuccess: () => client.invalidateQueries(),
  });
}

export const useToday = () => useQuery({ queryKey: key('today'), queryFn: api.today });
export const usePlaces = () => useQuery({ queryKey: key('places'), queryFn: api.places });
export const usePlace = (id: string) =>
  useQuery({ queryKey: key('places', id), queryFn: () => api.place(id), enabled: id !== '' });
export const useCues = (id: string, stand: string) =>
  useQuery({ queryKey: key('cues', id, stand), queryFn: () => api.cues(id), placeholderData: (was) => was });
export const useWalks = () => useQuery({ queryKey: key('walks'), queryFn: api.walks });
export const useOutlook = (id: string) =>
  useQuery({ queryKey: key('walks', id), queryFn: () => api.outlook(id), retry: false });
export const useYear = (query: api.YearQuery) =>
  useQuery({ queryKey: key('year', query), queryFn: () => api.year(query), placeholderData: (was) => was });

/** Sends something that places, walks and the year hang on; what was fetched of them is asked again. */
export function useGround<T, R>(send: (body: T) => Promise<R>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    networkMode: 'always',
    onSuccess: () => askAgain(client, ...after.ground),
  });
}

export const useKitchen = (q = '', most = 30) =>
  useQuery({
    queryKey: key('kitchen', 'all', q, most),
    queryFn: () => api.kitchen(q, most),
    placeholderData: (was) => was,
  });
export const useLot = (id: string) =>
  useQuery({ queryKey: key('kitchen', id), queryFn: () => api.lot(id), retry: false });
export const useSecond = (id: string) =>
  useQuery({ queryKey: key('kitchen', 'second', id), queryFn: () => api.second(id) });
export const useAmount = (id: string) =>
  useQuery({ queryKey: key('kitchen', 'amount', id), queryFn: () => api.amount(id) });
export const useSettings = () => useQuery({ queryKey: key('settings'), queryFn: api.settings });
export const useData = (often: boolean) =>
  useQuery({
    queryKey: key('data'),
    queryFn: api.data,
    refetchInterval: often ? 700 : false,
    staleTime: often ? 0 : 300_000,
  });
export const useJournal = (q: string, most: number) =>
  useQuery({ queryKey: key('journal', q, most), queryFn: () => api.journal(q, most), placeholderData: (was) => was });
export const useIncidents = () => useQuery({ queryKey: key('incidents'), queryFn: api.incidents });

/** A line for the book of the kitchen, without its key. */
export type Act = Omit<api.S['KitchenAct'], 'key'>;

/** Writes a line into the book of the kitchen: once, however often it is sent. */
export function useCook() {
  const client = useQueryClient();
  const [keys] = useState(() => new Keys(api.newKey));
  return useMutation({
    mutationFn: (act: Act) => api.cook({ ...act, key: keys.of(act) }),
    networkMode: 'always',
    onSuccess: (_, act) => {
      keys.done(act);
      return askAgain(client, ...after.kitchen);
    },
  });
}

/** Sends something else that the kitchen hangs on. */
export function useKitchenChange<T, R>(send: (body: T) => Promise<R>) {
  const client = useQueryClient();
  const again = () => askAgain(client, ...after.settings);
  return useMutation({
    mutationFn: send,
    networkMode: 'always',
    onSuccess: again,
    onError: (e) => {
      if (e instanceof api.Problem && e.status === 409) void again();
    },
  });
}
