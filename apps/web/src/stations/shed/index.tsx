import { Route, Routes, useParams } from 'react-router';
import { useFarm, useShed } from '../../data/farm';
import { Empty } from '../../ui';
import { QueryBoundary } from '../../ui/query-boundary';
import { AssetPage } from './pages/asset-page';
import { Breakdowns } from './pages/breakdowns';
import { ChangeoverPage } from './pages/changeover';
import { CrewPage } from './pages/crew';
import { Devices } from './pages/devices';
import { Overview } from './pages/overview';
import { machinesOf } from '@fanega/core';
import { farmDay } from './words';
import { Page } from '../../ui/page';

const PAGES = [
  { path: '', name: 'Ready?' },
  { path: 'breakdowns', name: 'Breakdowns' },
  { path: 'crew', name: 'Crew' },
  { path: 'devices', name: 'Devices' },
] as const;

/** Machines, what they wait for, and what broke. */
export default function ShedStation() {
  const farm = useFarm();
  const shed = useShed();
  return (
    <Page title="Shed" base="/shed" pages={PAGES}>
      <QueryBoundary answer={shed} what="Opening the shed">
        {(data) => {
          const assets = machinesOf(data, farmDay(farm));
          return (
            <Routes>
              <Route index element={<Overview farm={farm} shed={data} assets={assets} />} />
              <Route path="breakdowns" element={<Breakdowns farm={farm} shed={data} />} />
              <Route path="crew" element={<CrewPage farm={farm} shed={data} />} />
              <Route path="devices" element={<Devices farm={farm} />} />
              <Route
                path=":assetId"
                element={
                  <One>{(id) => <AssetPage key={id} farm={farm} shed={data} assets={assets} assetId={id} />}</One>
                }
              />
              <Route
                path=":assetId/changeover"
                element={<One>{(id) => <ChangeoverPage key={id} farm={farm} shed={data} assetId={id} />}</One>}
              />
              <Route path="*" element={<Empty title="There is no such page in the shed." />} />
            </Routes>
          );
        }}
      </QueryBoundary>
    </Page>
  );
}

function One({ children }: { children: (assetId: string) => React.ReactNode }) {
  const { assetId = '' } = useParams();
  return children(assetId);
}
