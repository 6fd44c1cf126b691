import { NavLink, Route, Routes, useParams } from 'react-router';
import { useFarm, useShed } from '../../data/farm';
import { Empty } from '../../ui';
import { QueryBoundary } from '../../ui/query-boundary';
import { AssetPage } from './pages/asset-page';
import { Breakdowns } from './pages/breakdowns';
import { ChangeoverPage } from './pages/changeover';
import { Devices } from './pages/devices';
import { Overview } from './pages/overview';
import { machinesOf } from '@fanega/core';
import { farmDay } from './words';

const PAGES = [
  { path: '', name: 'Ready?' },
  { path: 'breakdowns', name: 'Breakdowns' },
  { path: 'devices', name: 'Devices' },
] as const;

/** Machines, what they wait for, and what broke. */
export default function ShedStation() {
  const farm = useFarm();
  const shed = useShed();
  return (
    <div>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-ink px-5 py-2 lg:px-6">
        <h1 className="text-2xl">Shed</h1>
        <nav aria-label="Shed" className="-mx-2 flex">
          {PAGES.map(({ path, name }) => (
            <NavLink
              key={path}
              to={`/shed/${path}`}
              end
              className="inline-flex min-h-11 items-center border-b-4 border-transparent px-3 font-semibold whitespace-nowrap aria-[current=page]:border-clay"
            >
              {name}
            </NavLink>
          ))}
        </nav>
      </div>
      <QueryBoundary answer={shed} what="Opening the shed">
        {(data) => {
          const assets = machinesOf(data, farmDay(farm));
          return (
            <Routes>
              <Route index element={<Overview farm={farm} shed={data} assets={assets} />} />
              <Route path="breakdowns" element={<Breakdowns farm={farm} shed={data} />} />
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
    </div>
  );
}

function One({ children }: { children: (assetId: string) => React.ReactNode }) {
  const { assetId = '' } = useParams();
  return children(assetId);
}
