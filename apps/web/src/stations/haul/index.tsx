import { lazy, Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { useDevices, useFarm, useFields, useHaul, useNotebook, useWeather } from '../../data/farm';
import { useRecorder } from '../../widgets/record';
import { Button, Empty, Loading } from '../../ui';
import { QueryBoundary } from '../../ui/query-boundary';
import { VesselPage } from '../../widgets/vessel-page';
import { LastLoadPage } from './pages/last-load';
import { OnWheels } from './pages/on-wheels';
import { Page } from '../../ui/page';

const HowManyTrucks = lazy(() => import('./pages/how-many-trucks'));
const Scales = lazy(() => import('./pages/scales'));
const Legal = lazy(() => import('./pages/legal'));
const Photographed = lazy(() => import('./pages/photographed'));
const Weights = lazy(() => import('./pages/scale-comparison'));
const Moves = lazy(() => import('./pages/moves'));

const PAGES = [
  { path: '', name: 'On wheels' },
  { path: 'last-load', name: 'Last load' },
  { path: 'moves', name: 'Moves' },
  { path: 'trucks', name: 'How many trucks?' },
  { path: 'scales', name: 'Scales' },
  { path: 'legal', name: 'Legal' },
  { path: 'weights', name: 'Weights' },
] as const;

/** Loads on wheels, the last one that still gets in, and how many trucks the day wants. */
export default function Haul() {
  const farm = useFarm();
  const recorder = useRecorder();
  const notebook = useNotebook();
  const fields = useFields();
  const weather = useWeather(0, 1);
  const haul = useHaul();
  const devices = useDevices();
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
        <Route
          index
          element={
            <>
              <QueryBoundary answer={notebook} tall what="Working out what stops first">
                {(book) => (
                  <QueryBoundary answer={fields} tall what="Working out what stops first">
                    {(rows) => (
                      <QueryBoundary answer={haul} tall what="Working out what stops first">
                        {(answer) => <OnWheels farm={farm} notebook={book} haul={answer} rows={rows} />}
                      </QueryBoundary>
                    )}
                  </QueryBoundary>
                )}
              </QueryBoundary>
              <VesselPage question="On wheels now" kinds={['truck', 'cart']} types="move" />
            </>
          }
        />
        <Route
          path="last-load"
          element={
            <QueryBoundary answer={notebook} what="Working out the last load">
              {(book) => (
                <QueryBoundary answer={fields} what="Working out the last load">
                  {(rows) => <LastLoadPage farm={farm} notebook={book} rows={rows} weather={weather.data ?? []} />}
                </QueryBoundary>
              )}
            </QueryBoundary>
          }
        />
        <Route
          path="moves"
          element={
            <QueryBoundary answer={notebook} what="Planning the moves">
              {(book) => (
                <QueryBoundary answer={fields} what="Planning the moves">
                  {() => (
                    <Suspense fallback={<Loading what="Opening" />}>
                      <Moves farm={farm} notebook={book} />
                    </Suspense>
                  )}
                </QueryBoundary>
              )}
            </QueryBoundary>
          }
        />
        <Route
          path="trucks"
          element={
            <QueryBoundary answer={notebook} what="Setting up the day">
              {(book) => (
                <QueryBoundary answer={haul} what="Setting up the day">
                  {(answer) => (
                    <QueryBoundary answer={fields} what="Setting up the day">
                      {(rows) => (
                        <Suspense fallback={<Loading what="Opening" />}>
                          <HowManyTrucks farm={farm} notebook={book} haul={answer} rows={rows} />
                        </Suspense>
                      )}
                    </QueryBoundary>
                  )}
                </QueryBoundary>
              )}
            </QueryBoundary>
          }
        />
        <Route
          path="scales"
          element={
            <QueryBoundary answer={notebook} what="Reading the scales">
              {(book) => (
                <QueryBoundary answer={haul} what="Reading the scales">
                  {(answer) => (
                    <QueryBoundary answer={devices} what="Reading the scales">
                      {(list) => (
                        <Suspense fallback={<Loading what="Opening" />}>
                          <Scales farm={farm} notebook={book} haul={answer} devices={list} />
                        </Suspense>
                      )}
                    </QueryBoundary>
                  )}
                </QueryBoundary>
              )}
            </QueryBoundary>
          }
        />
        <Route
          path="legal"
          element={
            <QueryBoundary answer={notebook} what="Looking up the truck">
              {(book) => (
                <QueryBoundary answer={haul} what="Looking up the truck">
                  {() => (
                    <QueryBoundary answer={devices} what="Looking up the truck">
                      {(list) => (
                        <Suspense fallback={<Loading what="Opening" />}>
                          <Legal farm={farm} notebook={book} devices={list} />
                        </Suspense>
                      )}
                    </QueryBoundary>
                  )}
                </QueryBoundary>
              )}
            </QueryBoundary>
          }
        />
        <Route
          path="weights"
          element={
            <QueryBoundary answer={notebook} what="Comparing the scales">
              {(book) => (
                <QueryBoundary answer={haul} what="Comparing the scales">
                  {(answer) => (
                    <QueryBoundary answer={devices} what="Comparing the scales">
                      {() => (
                        <Suspense fallback={<Loading what="Opening" />}>
                          <Photographed farm={farm} notebook={book} />
                          <Weights farm={farm} notebook={book} haul={answer} />
                        </Suspense>
                      )}
                    </QueryBoundary>
                  )}
                </QueryBoundary>
              )}
            </QueryBoundary>
          }
        />
        <Route path="*" element={<Empty title="There is no such page in Haul." />} />
      </Routes>
    </Page>
  );
}
