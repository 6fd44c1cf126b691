import { Suspense } from 'react';
import { Route, Routes } from 'react-router';
import {
  useDevices,
  useFarm,
  useFields,
  useHaul,
  useHaulWithTickets,
  useNotebook,
  useWeather,
  useWeighed,
} from '../../data/farm';
import { useRecorder } from '../../widgets/record';
import { Button, Empty, Loading } from '../../ui';
import { QueryBoundaries } from '../../ui/query-boundary';
import { VesselPage } from '../../widgets/vessel-page';
import { LastLoadPage } from './pages/last-load';
import { OnWheels } from './pages/on-wheels';
import { Below } from '../../ui/below';
import { Page } from '../../ui/page';
import { lazily } from '../../ui/lazily';

const HowManyTrucks = lazily(() => import('./pages/how-many-trucks'), '/haul/trucks');
const Scales = lazily(() => import('./pages/scales'), '/haul/scales');
const Legal = lazily(() => import('./pages/legal'), '/haul/legal');
const Photographed = lazily(() => import('./pages/photographed'), '/haul/weights');
const Weights = lazily(() => import('./pages/scale-comparison'), '/haul/weights');
const Moves = lazily(() => import('./pages/moves'), '/haul/moves');

const PAGES = [
  { path: '', name: 'On wheels' },
  { path: 'last-load', name: 'Last load' },
  { path: 'moves', name: 'Moves' },
  { path: 'trucks', name: 'How many trucks?' },
  { path: 'scales', name: 'Scales' },
  { path: 'legal', name: 'Legal' },
  { path: 'weights', name: 'Weights' },
] as const;

const opening = <Loading what="Opening" />;

function OnWheelsPage() {
  const farm = useFarm();
  const answers = { notebook: useNotebook(), rows: useFields(), haul: useHaul() };
  return (
    <>
      <QueryBoundaries answers={answers} tall what="Working out what stops first">
        {(data) => <OnWheels farm={farm} {...data} />}
      </QueryBoundaries>
      <Below>
        <VesselPage question="On wheels now" kinds={['truck', 'cart']} types="move" />
      </Below>
    </>
  );
}

function LastLoad() {
  const farm = useFarm();
  const weather = useWeather(0, 1);
  return (
    <QueryBoundaries answers={{ notebook: useNotebook(), rows: useFields() }} what="Working out the last load">
      {(data) => <LastLoadPage farm={farm} {...data} weather={weather.data ?? []} />}
    </QueryBoundaries>
  );
}

function MovesPage() {
  const farm = useFarm();
  return (
    <QueryBoundaries answers={{ notebook: useNotebook(), rows: useFields() }} what="Planning the moves">
      {({ notebook }) => (
        <Suspense fallback={opening}>
          <Moves farm={farm} notebook={notebook} />
        </Suspense>
      )}
    </QueryBoundaries>
  );
}

function TrucksPage() {
  const farm = useFarm();
  const answers = { notebook: useNotebook(), haul: useHaul(), rows: useFields() };
  return (
    <QueryBoundaries answers={answers} what="Setting up the day">
      {(data) => (
        <Suspense fallback={opening}>
          <HowManyTrucks farm={farm} {...data} />
        </Suspense>
      )}
    </QueryBoundaries>
  );
}

function ScalesPage() {
  const farm = useFarm();
  const answers = { notebook: useNotebook(), haul: useHaulWithTickets(), devices: useDevices() };
  return (
    <QueryBoundaries answers={answers} what="Reading the scales">
      {(data) => (
        <Suspense fallback={opening}>
          <Scales farm={farm} {...data} />
        </Suspense>
      )}
    </QueryBoundaries>
  );
}

function LegalPage() {
  const farm = useFarm();
  return (
    <QueryBoundaries answers={{ notebook: useNotebook(), devices: useDevices() }} what="Looking up the truck">
      {(data) => (
        <Suspense fallback={opening}>
          <Legal farm={farm} {...data} />
        </Suspense>
      )}
    </QueryBoundaries>
  );
}

function WeightsPage() {
  const farm = useFarm();
  return (
    <QueryBoundaries answers={{ notebook: useNotebook(), weighed: useWeighed() }} what="Comparing the scales">
      {({ notebook, weighed }) => (
        <Suspense fallback={opening}>
          <Photographed farm={farm} notebook={notebook} />
          <Weights farm={farm} notebook={notebook} haul={weighed} />
        </Suspense>
      )}
    </QueryBoundaries>
  );
}

/** Loads on wheels, the last one that still gets in, and how many trucks the day wants. */
export default function Haul() {
  const recorder = useRecorder();
  return (
    <Page
      title="Haul"
      base="/haul"
      pages={PAGES}
      actions={
        <Button className="max-sm:hidden" onClick={() => recorder.open({ kind: 'move' })}>
          Record a load
        </Button>
      }
    >
      <Routes>
        <Route index element={<OnWheelsPage />} />
        <Route path="last-load" element={<LastLoad />} />
        <Route path="moves" element={<MovesPage />} />
        <Route path="trucks" element={<TrucksPage />} />
        <Route path="scales" element={<ScalesPage />} />
        <Route path="legal" element={<LegalPage />} />
        <Route path="weights" element={<WeightsPage />} />
        <Route path="*" element={<Empty title="There is no such page in Haul." />} />
      </Routes>
    </Page>
  );
}
