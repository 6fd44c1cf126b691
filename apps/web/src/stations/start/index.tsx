import { FIRST_STEPS, firstHour } from '@fanega/core';
import { Check } from 'lucide-react';
import { lazy, Suspense } from 'react';
import { Link, Route, Routes, useLocation } from 'react-router';
import { useFarm } from '../../data/farm';
import { Loading } from '../../ui';
import { FIRST_NAMES, startAddress } from '../../widgets/start-words';

const FieldsStep = lazy(() => import('./pages/fields-step'));
const MachinesStep = lazy(() => import('./pages/machines-step'));
const BinsStep = lazy(() => import('./pages/bins-step'));
const BuyersStep = lazy(() => import('./pages/buyers-step'));
const LoadStep = lazy(() => import('./pages/load-step'));

/** The first hour of a farm: what is on it, step by step. Each step can be left, and taken up where it was. */
export default function Start() {
  const farm = useFarm();
  const { pathname } = useLocation();
  const steps = firstHour(farm.data.lots, farm.data.places, farm.data.entries);
  const here = FIRST_STEPS.find((name) => startAddress(name) === pathname.replace(/\/$/, '')) ?? 'fields';
  const next = FIRST_STEPS[FIRST_STEPS.indexOf(here) + 1];
  return (
    <div>
      <div className="border-b border-ink px-5 py-2.5 lg:px-6">
        <h1 className="text-2xl">Set the farm up</h1>
        <nav aria-label="Steps" className="-mx-2 flex flex-wrap">
          {steps.map(({ name, count, done }) => (
            <Link
              key={name}
              to={startAddress(name)}
              aria-current={name === here ? 'page' : undefined}
              className="inline-flex min-h-11 items-center gap-1.5 border-b-4 border-transparent px-3 font-semibold whitespace-nowrap aria-[current=page]:border-clay"
            >
              {done && <Check size={16} aria-label="done" />}
              {FIRST_NAMES[name]}
              {count > 0 && name !== 'load' && <span className="font-normal text-muted">{count}</span>}
            </Link>
          ))}
        </nav>
      </div>
      <div className="px-5 py-5 lg:px-6">
        <Suspense fallback={<Loading what="Opening" />}>
          <Routes>
            <Route path="/" element={<FieldsStep farm={farm} />} />
            <Route path="/machines" element={<MachinesStep farm={farm} />} />
            <Route path="/bins" element={<BinsStep farm={farm} />} />
            <Route path="/buyers" element={<BuyersStep farm={farm} />} />
            <Route path="/load" element={<LoadStep farm={farm} />} />
          </Routes>
        </Suspense>
        {next && (
          <p className="mt-8 border-t border-rule pt-4">
            <Link
              to={startAddress(next)}
              className="inline-flex min-h-11 items-center text-lg font-semibold underline decoration-rule underline-offset-4"
            >
              Next: {FIRST_NAMES[next].toLowerCase()}
            </Link>{' '}
            <span className="text-muted">What is typed here stays until it is saved.</span>
          </p>
        )}
      </div>
    </div>
  );
}
