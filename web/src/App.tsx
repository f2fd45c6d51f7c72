import { lazy } from 'react';
import { Route, Routes } from 'react-router';
import { BenchPage } from './bench/BenchPage';
import { BeginPage } from './finds/BeginPage';
import { FindsPage } from './finds/FindsPage';
import { Shell } from './shell/Shell';
import { LostPage } from './shell/LostPage';

// What is read at a table is fetched when it is asked for; the way from the finds
// to the bench comes in one piece.
const AuditPage = lazy(async () => ({ default: (await import('./guide/AuditPage')).AuditPage }));
const BesidePage = lazy(async () => ({ default: (await import('./guide/BesidePage')).BesidePage }));
const GuidePage = lazy(async () => ({ default: (await import('./guide/GuidePage')).GuidePage }));
const SayingsPage = lazy(async () => ({ default: (await import('./guide/SayingsPage')).SayingsPage }));
const TermsPage = lazy(async () => ({ default: (await import('./guide/TermsPage')).TermsPage }));
const TaxonPage = lazy(async () => ({ default: (await import('./guide/TaxonPage')).TaxonPage }));
const YouPage = lazy(async () => ({ default: (await import('./you/YouPage')).YouPage }));

export function App() {
  return (
    <Routes>
      <Route element={<Shell />}>
        <Route index element={<FindsPage />} />
        <Route path="begin" element={<BeginPage />} />
        <Route path="find/:id" element={<BenchPage />} />
        <Route path="guide" element={<GuidePage />} />
        <Route path="audit" element={<AuditPage />} />
        <Route path="guide/:id" element={<TaxonPage />} />
        <Route path="guide/:id/beside" element={<BesidePage />} />
        <Route path="terms" element={<TermsPage />} />
        <Route path="sayings" element={<SayingsPage />} />
        <Route path="you" element={<YouPage />} />
        <Route path="*" element={<LostPage />} />
      </Route>
    </Routes>
  );
}
