import { lazy, Suspense, useDeferredValue, useEffect } from 'react';
import { Route, Routes, useLocation } from 'react-router';
import { Toaster } from '../ui/toast';
import { keepLastFarm, lastFarm } from '../data/early';
import { afterFirstPicture } from '../data/program';
import { FarmProvider, useFarmState, useMe } from '../data/farm';
import { RecordProvider } from '../widgets/record';
import { setFarmSystem, system, useReadersSystem } from '../quantity/system';
import { clockStyle, setFarmClock, useReadersClock } from '../quantity/time';
import { keepZone } from '../quantity/zone';
import { Button, Failure, Loading } from '../ui';
import { Below } from '../ui/below';
import { ErrorBoundary } from '../ui/error-boundary';
import { Shell } from './shell';
import { STATIONS } from './stations';
import { lazily } from '../ui/lazily';

const SignIn = lazy(() => import('./sign-in'));
const SharedOrigin = lazy(() => import('./shared-origin'));
const Join = lazy(() => import('./join'));
const SharedGrain = lazy(() => import('./shared-grain'));
const TakeJob = lazy(() => import('./take-job'));
const JobOver = lazy(() => import('./job-over'));
const Settings = lazy(() => import('../stations/settings'));
const Start = lazy(() => import('../stations/start'));
const {
  today: Today,
  fields: Fields,
  field: FieldPage,
  nextField: NextField,
  cab: Cab,
  cut: Cut,
  dry: Dry,
  haul: Haul,
  store: Store,
  sell: Sell,
  shed: Shed,
  trace: Trace,
} = STATIONS;

/** Pages for whoever has a link, by the first word of their address. */
const DOORS = { origin: SharedOrigin, grain: SharedGrain, join: Join, job: TakeJob } as const;

export function App() {
  const { pathname } = useLocation();
  const [, door, secret] = /^\/(origin|grain|join|job)\/([\w-]+)\/?$/.exec(pathname) ?? [];
  // For whoever has the link, signed in or not.
  if (secret !== undefined) {
    const Door = DOORS[door as keyof typeof DOORS];
    return (
      <Suspense fallback={<Loading what="Opening" />}>
        <Door secret={secret} />
      </Suspense>
    );
  }
  return <Signed pathname={pathname} />;
}

function Signed({ pathname }: { pathname: string }) {
  const me = useMe();
  if (!me.data) {
    return me.error ? (
      <Failure message={me.error.message} unreachable={me.error.unreachable} onRetry={() => void me.mutate()} />
    ) : (
      <Loading what="Opening the book" />
    );
  }
  const { job } = me.data;
  if (job)
    return (
      <>
        <FarmPages farmId={job.farmId} job />
        <Said inCab />
      </>
    );
  const farm = me.data.farms.find(({ id }) => id === lastFarm()) ?? me.data.farms[0];
  if (!me.data.user)
    return (
      <Suspense fallback={<Loading what="Opening" />}>
        {me.data.jobOver && <JobOver over={me.data.jobOver} />}
        <SignIn me={me.data} onDone={() => void me.mutate()} />
      </Suspense>
    );
  if (!farm) return <Failure message="You are signed in, but not a member of any farm. Ask the owner to add you." />;
  return (
    <>
      <FarmPages farmId={farm.id} />
      <Said inCab={pathname.startsWith('/cab')} />
    </>
  );
}

function Said({ inCab }: { inCab: boolean }) {
  return (
    <Below>
      <Suspense fallback={null}>
        <Toaster
          // In the cab what was just recorded, and its undo, stand below.
          position={inCab ? 'top-center' : 'bottom-left'}
          toastOptions={{
            style: {
              background: 'var(--foot)',
              color: 'var(--on-foot)',
              border: 'none',
              borderRadius: 3,
              fontFamily: 'var(--font-sans)',
              fontSize: 16,
            },
          }}
        />
      </Suspense>
    </Below>
  );
}

/** Comes after the page, and stands over all of them. */
const SiteAlarm = lazily(() => import('../widgets/site-alarm'), true);

/** @param job a paired phone sees its cab, wherever it goes */
function FarmPages({ farmId, job = false }: { farmId: string; job?: boolean }) {
  useReadersSystem();
  useReadersClock();
  useEffect(() => keepLastFarm(farmId), [farmId]);
  const { farm, error, offline, retry } = useFarmState(farmId);
  const timeZone = farm?.data.farm.timeZone;
  useEffect(() => {
    if (timeZone !== undefined) afterFirstPicture(() => void keepZone(timeZone));
  }, [timeZone]);
  // The first drawing of a page is the longest: in slices, between which the browser answers.
  const begun = useDeferredValue(farm !== undefined);
  const { pathname } = useLocation();
  const inCab = job || pathname.startsWith('/cab');
  if (!farm || !begun) {
    if (!error) return <Loading what="Opening the book" />;
    return <Failure message={error.message} unreachable={error.unreachable} onRetry={retry} />;
  }
  // Before anything of it is said; a page says everything again when units or clock have changed.
  setFarmSystem(farm.data.farm.units);
  setFarmClock(farm.data.farm.clock);
  return (
    <FarmProvider key={`${system()} ${clockStyle()}`} farm={farm}>
      <RecordProvider>
        <ErrorBoundary place="alarms">
          <Suspense fallback={null}>
            <SiteAlarm />
          </Suspense>
        </ErrorBoundary>
        {inCab ? (
          <ErrorBoundary place={pathname}>
            <Suspense fallback={<Loading what="Opening the cab" />}>
              <Cab offline={offline} />
            </Suspense>
          </ErrorBoundary>
        ) : (
          <Shell offline={offline}>
            <ErrorBoundary place={pathname}>
              <Suspense fallback={<Loading what="Opening" />}>
                <Routes>
                  <Route path="/" element={<Today />} />
                  <Route path="/fields" element={<Fields />} />
                  <Route path="/fields/next" element={<NextField />} />
                  <Route path="/fields/:lotId" element={<FieldPage />} />
                  <Route path="/cut/*" element={<Cut />} />
                  <Route path="/haul/*" element={<Haul />} />
                  <Route path="/dry/*" element={<Dry />} />
                  <Route path="/store" element={<Store />} />
                  <Route path="/store/:placeId" element={<Store />} />
                  <Route path="/sell/*" element={<Sell />} />
                  <Route path="/trace" element={<Trace />} />
                  <Route path="/trace/day" element={<Trace page="day" />} />
                  <Route path="/trace/year" element={<Trace page="year" />} />
                  <Route path="/trace/years" element={<Trace page="years" />} />
                  <Route path="/trace/owners" element={<Trace page="owners" />} />
                  <Route path="/trace/insurance" element={<Trace page="insurance" />} />
                  <Route path="/trace/data" element={<Trace page="data" />} />
                  <Route path="/trace/book" element={<Trace page="book" />} />
                  <Route path="/trace/lot/:lotId" element={<Trace />} />
                  <Route path="/trace/delivery/:entryId" element={<Trace />} />
                  <Route path="/trace/place/:placeId" element={<Trace />} />
                  <Route path="/shed/*" element={<Shed />} />
                  <Route path="/settings/*" element={<Settings />} />
                  <Route path="/start/*" element={<Start />} />
                  <Route path="*" element={<NotFound />} />
                </Routes>
              </Suspense>
            </ErrorBoundary>
          </Shell>
        )}
      </RecordProvider>
    </FarmProvider>
  );
}

function NotFound() {
  return (
    <div className="p-6">
      <h1 className="text-2xl">There is no such page</h1>
      <Button className="mt-4" onClick={() => window.location.assign('/')}>
        Go to Today
      </Button>
    </div>
  );
}
