import { lazy, Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { useFarm } from '../../data/farm';
import { useRecorder } from '../../widgets/record';
import { Button, Empty, Loading } from '../../ui';
import { Page } from '../../ui/page';
import { NextNote } from '../../widgets/next-note';
import { VesselPage } from '../../widgets/vessel-page';

const Keeps = lazy(() => import('./pages/keeps'));

const PAGES = [
  { path: '', name: 'Wet grain' },
  { path: 'keeps', name: 'How long it keeps' },
] as const;

/** What is wet and what is in the dryer, what comes next to it, and how long it keeps. */
export default function Dry() {
  const recorder = useRecorder();
  const farm = useFarm();
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
                <VesselPage question="Wet, and in the dryer" kinds={['wetBin', 'dryer']} types="move,condition" />
              </>
            }
          />
          <Route path="keeps" element={<Keeps farm={farm} />} />
          <Route path="*" element={<Empty title="There is no such page in Dry." />} />
        </Routes>
      </Suspense>
    </Page>
  );
}
