import { lazy, Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { useFarm } from '../../data/farm';
import { Loading } from '../../ui';
import { Page } from '../../ui/page';

const People = lazy(() => import('./pages/people'));
const FarmSettings = lazy(() => import('./pages/farm'));
const Prices = lazy(() => import('./pages/prices'));
const Account = lazy(() => import('./pages/account'));
const Programs = lazy(() => import('./pages/programs'));
const Changes = lazy(() => import('./pages/changes'));

const PAGES = [
  { path: '', name: 'People' },
  { path: 'farm', name: 'The farm' },
  { path: 'prices', name: 'Prices' },
  { path: 'account', name: 'My account' },
  { path: 'programs', name: 'Programs' },
  { path: 'changes', name: 'Who changed what' },
] as const;

/** Who works here, how the farm is read, and who changed what of it. */
export default function Settings() {
  const farm = useFarm();
  return (
    <Page title="Settings" base="/settings" pages={PAGES}>
      <Suspense fallback={<Loading what="Opening" />}>
        <Routes>
          <Route path="/" element={<People farm={farm} />} />
          <Route path="/farm" element={<FarmSettings farm={farm} />} />
          <Route path="/prices" element={<Prices farm={farm} />} />
          <Route path="/account" element={<Account farm={farm} />} />
          <Route path="/programs" element={<Programs farm={farm} />} />
          <Route path="/changes" element={<Changes farm={farm} />} />
        </Routes>
      </Suspense>
    </Page>
  );
}
