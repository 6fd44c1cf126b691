import { Suspense } from 'react';
import { Route, Routes, useSearchParams } from 'react-router';
import { type Farm, useFarm, useFields, useNotebook } from '../../data/farm';
import { useRecorder } from '../../widgets/record';
import { Below } from '../../ui/below';
import { Button, Empty, Loading, SelectBox } from '../../ui';
import { QueryBoundary } from '../../ui/query-boundary';
import { EntryLog } from '../../widgets/entry-log';
import { Vessels } from '../../widgets/vessels';
import { LossChecks } from './pages/loss';
import { SettingsLog } from './pages/settings';
import { Speed } from './pages/speed';
import { Strips } from './pages/strips';
import type { CutGiven } from './words';
import { Page } from '../../ui/page';
import { StartLink } from '../../widgets/start-link';
import { lazily } from '../../ui/lazily';

// The chart library comes only with the page that draws with it.
const Monitor = lazily(() => import('./pages/monitor'), '/cut/monitor');
const ChangePlan = lazily(() => import('./pages/change-plan'), '/cut/switch');
const WearPartPage = lazily(() => import('./pages/wear'), '/cut/wear');
const Heads = lazily(() => import('./pages/heads'), '/cut/heads');

const PAGES = [
  { path: '', name: 'Speed, tank' },
  { path: 'settings', name: 'Settings' },
  { path: 'loss', name: 'Loss check' },
  { path: 'monitor', name: 'Monitor' },
  { path: 'strips', name: 'Strips' },
  { path: 'wear', name: 'Wear part' },
  { path: 'heads', name: 'Heads' },
  { path: 'switch', name: 'Stay or switch' },
  { path: 'loads', name: 'Loads' },
] as const;

/** How the machine is set, what it leaves behind, and what its display is worth. */
export default function Cut() {
  const farm = useFarm();
  const notebook = useNotebook();
  const fields = useFields();
  const [search, setSearch] = useSearchParams();
  const combines = farm.data.places.filter((place) => place.kind === 'combine');
  const machineId = combines.find((place) => place.id === search.get('machine'))?.id ?? combines[0]?.id;
  return (
    <Page
      title="Cut"
      base="/cut"
      pages={PAGES}
      search={search.toString()}
      beside={
        combines.length > 1 && (
          <div className="w-44">
            <SelectBox
              label="Machine"
              value={machineId}
              onChange={(event) => setSearch({ machine: event.target.value }, { replace: true })}
            >
              {combines.map((place) => (
                <option key={place.id} value={place.id}>
                  {place.name}
                </option>
              ))}
            </SelectBox>
          </div>
        )
      }
    >
      {machineId === undefined ? (
        <Empty title="No combine yet.">
          <p>Once it is there, its settings, checks and calibration stand here.</p>
          <StartLink step="machines">Add the combine</StartLink>
        </Empty>
      ) : (
        <QueryBoundary answer={notebook} what="Opening the notebook">
          {(book) => (
            <QueryBoundary answer={fields} what="Opening the notebook">
              {(rows) => <Pages given={{ farm, notebook: book, rows, machineId }} />}
            </QueryBoundary>
          )}
        </QueryBoundary>
      )}
    </Page>
  );
}

function Pages({ given }: { given: CutGiven }) {
  const key = given.machineId;
  return (
    <Suspense fallback={<Loading what="Opening" />}>
      <Routes>
        <Route index element={<Speed key={key} {...given} />} />
        <Route path="settings" element={<SettingsLog key={key} {...given} />} />
        <Route path="loss" element={<LossChecks key={key} {...given} />} />
        <Route path="monitor" element={<Monitor key={key} {...given} />} />
        <Route path="strips" element={<Strips key={key} {...given} />} />
        <Route path="wear" element={<WearPartPage key={key} {...given} />} />
        <Route path="heads" element={<Heads key={key} {...given} />} />
        <Route path="switch" element={<ChangePlan key={key} {...given} />} />
        <Route path="loads" element={<Loads farm={given.farm} />} />
        <Route path="*" element={<Empty title="There is no such page in Cut." />} />
      </Routes>
    </Suspense>
  );
}

function Loads({ farm }: { farm: Farm }) {
  const recorder = useRecorder();
  return (
    <div>
      <section aria-label="In the tanks and carts" className="border-b border-ink px-5 py-5 lg:px-6">
        <div className="flex flex-wrap items-center justify-between gap-3">
          <h2 className="text-sm text-muted">In the tanks and carts</h2>
          <Button onClick={() => recorder.open({ kind: 'harvest' })}>Record grain off the field</Button>
        </div>
        <Vessels
          farm={farm}
          vessels={farm.data.places.filter((place) => place.kind === 'combine' || place.kind === 'cart')}
        />
      </section>
      <Below>
        <EntryLog farm={farm} types="harvest" places={null} />
      </Below>
    </div>
  );
}
