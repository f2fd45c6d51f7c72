import { lazy, type ComponentType, type ReactNode } from 'react';
import { FindsPage } from './finds/FindsPage';
import { IncidentPage } from './incident/IncidentPage';
import { NewIncident } from './incident/NewIncident';
import { LostPage } from './shell/LostPage';

/** A page: where it is, what it is called in the browser's bar and history, and what it shows. */
export type Route = { path: string; title: string; element: ReactNode };

const fetched: (() => Promise<unknown>)[] = [];

/** A page that comes when it is asked for. `soon` fetches it once the first one stands, so that it is there without a network. */
function later<K extends string>(load: () => Promise<Record<K, ComponentType>>, name: K, soon = false): ReactNode {
  if (soon) fetched.push(load);
  const Page = lazy<ComponentType>(async () => ({ default: (await load())[name] }));
  return <Page />;
}

/** Fetches what is used away from a table: the way from the finds to the bench, and the kitchen. */
export function fetchSoon() {
  for (const load of fetched) load().catch(() => undefined); // it is fetched again when it is asked for
}

// What is needed when something is wrong comes with the first page, whichever that is.
export const routes: Route[] = [
  { path: '/', title: 'Your finds', element: <FindsPage /> },
  { path: '/incident/new', title: 'Something is wrong', element: <NewIncident /> },
  { path: '/incident/:id', title: 'Something is wrong', element: <IncidentPage /> },
  {
    path: '/incident',
    title: 'Incidents',
    element: later(() => import('./incident/IncidentsPage'), 'IncidentsPage', true),
  },
  {
    path: '/incident/:id/sheet',
    title: 'Handover sheet',
    element: later(() => import('./incident/HandoverPage'), 'HandoverPage', true),
  },
  { path: '/begin', title: 'Begin a find', element: later(() => import('./finds/BeginPage'), 'BeginPage', true) },
  { path: '/find/:id', title: 'A find', element: later(() => import('./bench/BenchPage'), 'BenchPage', true) },
  {
    path: '/find/:id/second',
    title: 'Second look',
    element: later(() => import('./kitchen/SecondPage'), 'SecondPage'),
  },
  {
    path: '/find/:id/harvest',
    title: 'How much, and bag it',
    element: later(() => import('./kitchen/HarvestPage'), 'HarvestPage', true),
  },
  { path: '/today', title: 'Today', element: later(() => import('./ground/TodayPage'), 'TodayPage', true) },
  { path: '/year', title: 'The year', element: later(() => import('./ground/YearPage'), 'YearPage') },
  { path: '/places', title: 'Places', element: later(() => import('./ground/PlacesPage'), 'PlacesPage') },
  { path: '/places/:id', title: 'A place', element: later(() => import('./ground/PlacePage'), 'PlacePage') },
  { path: '/walks', title: 'Walks', element: later(() => import('./walk/WalksPage'), 'WalksPage') },
  { path: '/walks/new', title: 'Plan a walk', element: later(() => import('./walk/WalkPage'), 'WalkPage') },
  { path: '/walks/:id', title: 'A walk', element: later(() => import('./walk/WalkPage'), 'WalkPage') },
  { path: '/walks/:id/sheet', title: 'Walk sheet', element: later(() => import('./walk/SheetPage'), 'SheetPage') },
  { path: '/walks/:id/cards', title: 'Pocket cards', element: later(() => import('./walk/CardsPage'), 'CardsPage') },
  { path: '/kitchen', title: 'Kitchen', element: later(() => import('./kitchen/KitchenPage'), 'KitchenPage') },
  { path: '/kitchen/sums', title: 'Recipe arithmetic', element: later(() => import('./kitchen/SumsPage'), 'SumsPage') },
  { path: '/kitchen/:id', title: 'A bag or batch', element: later(() => import('./kitchen/LotPage'), 'LotPage') },
  { path: '/kitchen/:id/label', title: 'Label', element: later(() => import('./kitchen/LabelPage'), 'LabelPage') },
  { path: '/journal', title: 'Journal', element: later(() => import('./journal/JournalPage'), 'JournalPage') },
  { path: '/guide', title: 'Guide', element: later(() => import('./guide/GuidePage'), 'GuidePage') },
  {
    path: '/guide/:id',
    title: 'An entry of the guide',
    element: later(() => import('./guide/TaxonPage'), 'TaxonPage', true),
  },
  {
    path: '/guide/:id/beside',
    title: 'Side by side',
    element: later(() => import('./guide/BesidePage'), 'BesidePage'),
  },
  { path: '/audit', title: 'Audit of the guide', element: later(() => import('./guide/AuditPage'), 'AuditPage') },
  { path: '/terms', title: 'Terms', element: later(() => import('./guide/TermsPage'), 'TermsPage') },
  { path: '/sayings', title: 'Sayings', element: later(() => import('./guide/SayingsPage'), 'SayingsPage') },
  { path: '/you', title: 'You', element: later(() => import('./you/YouPage'), 'YouPage') },
  { path: '/data', title: 'Your data', element: later(() => import('./data/DataPage'), 'DataPage') },
  { path: '*', title: 'Nothing here', element: <LostPage /> },
];
