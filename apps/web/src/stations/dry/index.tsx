import { Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { useFarm } from '../../data/farm';
import { useRecorder } from '../../widgets/record';
import { Below } from '../../ui/below';
import { Button, Empty, Loading } from '../../ui';
import { Page } from '../../ui/page';
import { VesselPage } from '../../widgets/vessel-page';
import { NextNote } from '../../widgets/next-note';
import { DeadlineLine } from '../../widgets/deadline-line';
import { lazily } from '../../ui/lazily';

const TheDryer = lazily(() => import('./pages/dryer').then((page) => ({ default: page.TheDryer })), '/dry');
const Deadlines = lazily(() => import('./pages/deadlines'), '/dry/deadlines');
const Cost = lazily(() => import('./pages/cost'), '/dry/cost');
const DryerDown = lazily(() => import('./pages/down'), '/dry/down');
const InBin = lazily(() => import('./pages/in-bin'), '/dry/bin');
const Keeps = lazily(() => import('./pages/keeps'), '/dry/keeps');

const PAGES = [
  { path: '', name: 'The dryer' },
  { path: 'deadlines', name: 'Deadlines' },
  { path: 'cost', name: 'Dry or sell wet' },
  { path: 'bin', name: 'In the bin' },
  { path: 'down', name: 'Dryer down' },
  { path: 'keeps', name: 'How long it keeps' },
] as const;

/** What is wet and until when, whether the dryer keeps up, how far to dry, and what to do when it stands. */
export default function Dry() {
  const recorder = useRecorder();
  const farm = useFarm();
  const dryers = farm.data.places.filter((place) => place.kind === 'dryer');
  return (
    <Page
      title="Dry"
      base="/dry"
      pages={PAGES}
      actions={<Button onClick={() => recorder.open({ kind: 'condition' })}>Record a dryer run</Button>}
    >
      <Suspense fallback={<Loading what="Opening" />}>
        <Routes>
          <Route
            index
            element={
              <>
                <NextNote />
                <DeadlineLine
                  farm={farm}
                  link
                  className="border-b border-ink px-5 py-3 text-lg font-semibold lg:px-6"
                />
                {dryers.map((dryer) => (
                  <TheDryer key={dryer.id} farm={farm} dryer={dryer} />
                ))}
                <Below>
                  <VesselPage question="Wet, and in the dryer" kinds={['wetBin', 'dryer']} types="move,condition" />
                </Below>
              </>
            }
          />
          <Route path="deadlines" element={<Deadlines farm={farm} />} />
          <Route path="cost" element={<Cost farm={farm} />} />
          <Route path="bin" element={<InBin farm={farm} />} />
          <Route path="down" element={<DryerDown farm={farm} />} />
          <Route path="keeps" element={<Keeps farm={farm} />} />
          <Route path="*" element={<Empty title="There is no such page in Dry." />} />
        </Routes>
      </Suspense>
    </Page>
  );
}
