import { lazy } from 'react';
import { Route, Routes } from 'react-router';
import { BenchPage } from './bench/BenchPage';
import { BeginPage } from './finds/BeginPage';
import { FindsPage } from './finds/FindsPage';
import { IncidentPage } from './incident/IncidentPage';
import { NewIncident } from './incident/NewIncident';
import { Shell } from './shell/Shell';
import { LostPage } from './shell/LostPage';

// What is read at a table is fetched when it is asked for; the way from the finds
// to the bench, and what is needed when something is wrong, comes in one piece.
const AuditPage = lazy(async () => ({ default: (await import('./guide/AuditPage')).AuditPage }));
const BesidePage = lazy(async () => ({ default: (await import('./guide/BesidePage')).BesidePage }));
const GuidePage = lazy(async () => ({ default: (await import('./guide/GuidePage')).GuidePage }));
const SayingsPage = lazy(async () => ({ default: (await import('./guide/SayingsPage')).SayingsPage }));
const TermsPage = lazy(async () => ({ default: (await import('./guide/TermsPage')).TermsPage }));
const TaxonPage = lazy(async () => ({ default: (await import('./guide/TaxonPage')).TaxonPage }));
const TodayPage = lazy(async () => ({ default: (await import('./ground/TodayPage')).TodayPage }));
const YearPage = lazy(async () => ({ default: (await import('./ground/YearPage')).YearPage }));
const PlacesPage = lazy(async () => ({ default: (await import('./ground/PlacesPage')).PlacesPage }));
const PlacePage = lazy(async () => ({ default: (await import('./ground/PlacePage')).PlacePage }));
const WalksPage = lazy(async () => ({ default: (await import('./walk/WalksPage')).WalksPage }));
const WalkPage = lazy(async () => ({ default: (await import('./walk/WalkPage')).WalkPage }));
const SheetPage = lazy(async () => ({ default: (await import('./walk/SheetPage')).SheetPage }));
const CardsPage = lazy(async () => ({ default: (await import('./walk/CardsPage')).CardsPage }));
const KitchenPage = lazy(async () => ({ default: (await import('./kitchen/KitchenPage')).KitchenPage }));
const LotPage = lazy(async () => ({ default: (await import('./kitchen/LotPage')).LotPage }));
const LabelPage = lazy(async () => ({ default: (await import('./kitchen/LabelPage')).LabelPage }));
const SumsPage = lazy(async () => ({ default: (await import('./kitchen/SumsPage')).SumsPage }));
const SecondPage = lazy(async () => ({ default: (await import('./kitchen/SecondPage')).SecondPage }));
const HarvestPage = lazy(async () => ({ default: (await import('./kitchen/HarvestPage')).HarvestPage }));
const JournalPage = lazy(async () => ({ default: (await import('./journal/JournalPage')).JournalPage }));
const IncidentsPage = lazy(async () => ({ default: (await import('./incident/IncidentsPage')).IncidentsPage }));
const HandoverPage = lazy(async () => ({ default: (await import('./incident/HandoverPage')).HandoverPage }));
const DataPage = lazy(async () => ({ default: (await import('./data/DataPage')).DataPage }));
const YouPage = lazy(async () => ({ default: (await import('./you/YouPage')).YouPage }));

export function App() {
  return (
    <Routes>
      <Route element={<Shell />}>
        <Route index element={<FindsPage />} />
        <Route path="today" element={<TodayPage />} />
        <Route path="year" element={<YearPage />} />
        <Route path="places" element={<PlacesPage />} />
        <Route path="places/:id" element={<PlacePage />} />
        <Route path="walks" element={<WalksPage />} />
        <Route path="walks/:id" element={<WalkPage />} />
        <Route path="walks/:id/sheet" element={<SheetPage />} />
        <Route path="walks/:id/cards" element={<CardsPage />} />
        <Route path="begin" element={<BeginPage />} />
        <Route path="find/:id" element={<BenchPage />} />
        <Route path="find/:id/second" element={<SecondPage />} />
        <Route path="find/:id/harvest" element={<HarvestPage />} />
        <Route path="kitchen" element={<KitchenPage />} />
        <Route path="kitchen/sums" element={<SumsPage />} />
        <Route path="kitchen/:id" element={<LotPage />} />
        <Route path="kitchen/:id/label" element={<LabelPage />} />
        <Route path="journal" element={<JournalPage />} />
        <Route path="incident" element={<IncidentsPage />} />
        <Route path="incident/new" element={<NewIncident />} />
        <Route path="incident/:id" element={<IncidentPage />} />
        <Route path="incident/:id/sheet" element={<HandoverPage />} />
        <Route path="guide" element={<GuidePage />} />
        <Route path="audit" element={<AuditPage />} />
        <Route path="guide/:id" element={<TaxonPage />} />
        <Route path="guide/:id/beside" element={<BesidePage />} />
        <Route path="terms" element={<TermsPage />} />
        <Route path="sayings" element={<SayingsPage />} />
        <Route path="you" element={<YouPage />} />
        <Route path="data" element={<DataPage />} />
        <Route path="*" element={<LostPage />} />
      </Route>
    </Routes>
  );
}
