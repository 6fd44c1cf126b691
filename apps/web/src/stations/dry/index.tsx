import { useRecorder } from '../../widgets/record';
import { Button } from '../../ui';
import { NextNote } from '../../widgets/next-note';
import { VesselPage } from '../../widgets/vessel-page';

/** What is wet and what is in the dryer, and what comes next to it. */
export default function Dry() {
  const recorder = useRecorder();
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink px-5 py-3 lg:px-6">
        <h1 className="text-2xl">Dry</h1>
        <Button onClick={() => recorder.open({ kind: 'condition' })}>Record a dryer run</Button>
      </div>
      <NextNote />
      <VesselPage question="Wet, and in the dryer" kinds={['wetBin', 'dryer']} types="move,condition" />
    </div>
  );
}
