import { Route, Routes } from 'react-router';
import { BenchPage } from './bench/BenchPage';
import { BeginPage } from './finds/BeginPage';
import { FindsPage } from './finds/FindsPage';
import { AuditPage } from './guide/AuditPage';
import { BesidePage } from './guide/BesidePage';
import { GuidePage } from './guide/GuidePage';
import { SayingsPage } from './guide/SayingsPage';
import { TermsPage } from './guide/TermsPage';
import { TaxonPage } from './guide/TaxonPage';
import { Shell } from './shell/Shell';
import { LostPage } from './shell/LostPage';
import { YouPage } from './you/YouPage';

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
