import { lazy, Suspense } from 'react';
import { NavLink, Route, Routes } from 'react-router';
import { useDevices, useFarm, useFields, useHaul, useNotebook, useWeather } from '../../data/farm';
import { useRecorder } from '../../record';
import { Button, Empty, Loading } from '../../ui';
import { Answered } from '../../ui/answer';
import { VesselPage } from '../../widgets/vessel-page';
import { LastLoadPage } from './last-load';
import { OnWheels } from './on-wheels';

const HowManyTrucks = lazy(() => import('./how-many-trucks'));
const Scales = lazy(() => import('./scales'));
const Legal = lazy(() => import('./legal'));
const Weights = lazy(() => import('./weights'));

const PAGES = [
  { path: '', name: 'On wheels' },
  { path: 'last-load', name: 'Last load' },
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
    <div>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-ink px-5 py-2 lg:px-6">
        <h1 className="text-2xl">Haul</h1>
        <nav aria-label="Haul" className="-mx-2 flex max-w-full min-w-0 flex-wrap">
          {PAGES.map(({ path, name }) => (
            <NavLink
              key={path}
              to={path === '' ? '/haul' : `/haul/${path}`}
              end
              className="inline-flex min-h-11 items-center border-b-4 border-transparent px-3 font-semibold whitespace-nowrap aria-[current=page]:border-clay"
            >
              {name}
            </NavLink>
          ))}
        </nav>
        <Button className="ml-auto max-sm:hidden" onClick={() => recorder.open({ kind: 'move' })}>
          Record a load
        </Button>
      </div>
      <Routes>
        <Route
          index
          element={
            <>
              <Answered answer={notebook} what="Looking down the chain">
                {(book) => (
                  <Answered answer={fields} what="Looking down the chain">
                    {(rows) => (
                      <Answered answer={haul} what="Looking down the chain">
                        {(answer) => <OnWheels farm={farm} notebook={book} haul={answer} rows={rows} />}
                      </Answered>
                    )}
                  </Answered>
                )}
              </Answered>
              <VesselPage question="On wheels now" kinds={['truck', 'cart']} types="move" />
            </>
          }
        />
        <Route
          path="last-load"
          element={
            <Answered answer={notebook} what="Looking at the clock">
              {(book) => (
                <Answered answer={fields} what="Looking at the clock">
                  {(rows) => <LastLoadPage farm={farm} notebook={book} rows={rows} weather={weather.data ?? []} />}
                </Answered>
              )}
            </Answered>
          }
        />
        <Route
          path="trucks"
          element={
            <Answered answer={notebook} what="Setting up the day">
              {(book) => (
                <Answered answer={haul} what="Setting up the day">
                  {(answer) => (
                    <Answered answer={fields} what="Setting up the day">
                      {(rows) => (
                        <Suspense fallback={<Loading what="Opening" />}>
                          <HowManyTrucks farm={farm} notebook={book} haul={answer} rows={rows} />
                        </Suspense>
                      )}
                    </Answered>
                  )}
                </Answered>
              )}
            </Answered>
          }
        />
        <Route
          path="scales"
          element={
            <Answered answer={notebook} what="Listening to the scales">
              {(book) => (
                <Answered answer={haul} what="Listening to the scales">
                  {(answer) => (
                    <Answered answer={devices} what="Listening to the scales">
                      {(list) => (
                        <Suspense fallback={<Loading what="Opening" />}>
                          <Scales farm={farm} notebook={book} haul={answer} devices={list} />
                        </Suspense>
                      )}
                    </Answered>
                  )}
                </Answered>
              )}
            </Answered>
          }
        />
        <Route
          path="legal"
          element={
            <Answered answer={notebook} what="Looking up the truck">
              {(book) => (
                <Answered answer={haul} what="Looking up the truck">
                  {() => (
                    <Answered answer={devices} what="Looking up the truck">
                      {(list) => (
                        <Suspense fallback={<Loading what="Opening" />}>
                          <Legal farm={farm} notebook={book} devices={list} />
                        </Suspense>
                      )}
                    </Answered>
                  )}
                </Answered>
              )}
            </Answered>
          }
        />
        <Route
          path="weights"
          element={
            <Answered answer={notebook} what="Comparing the scales">
              {(book) => (
                <Answered answer={haul} what="Comparing the scales">
                  {(answer) => (
                    <Answered answer={devices} what="Comparing the scales">
                      {() => (
                        <Suspense fallback={<Loading what="Opening" />}>
                          <Weights farm={farm} notebook={book} haul={answer} />
                        </Suspense>
                      )}
                    </Answered>
                  )}
                </Answered>
              )}
            </Answered>
          }
        />
        <Route path="*" element={<Empty title="There is no such page in Haul." />} />
      </Routes>
    </div>
  );
}
