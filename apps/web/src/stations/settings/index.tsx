import { Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { useFarm } from '../../data/farm';
import { Loading } from '../../ui';
import { Page } from '../../ui/page';
import { lazily } from '../../ui/lazily';

const People = lazily(() => import('./pages/people'), '/settings');
const FarmSettings = lazily(() => import('./pages/farm'), '/settings/farm');
const Prices = lazily(() => import('./pages/prices'), '/settings/prices');
const Account = lazily(() => import('./pages/account'), '/settings/account');
const Programs = lazily(() => import('./pages/programs'), '/settings/programs');
const Changes = lazily(() => import('./pages/changes'), '/settings/changes');

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
