import { useRecorder } from '../../widgets/record';
import { Button } from '../../ui';
import { Page } from '../../ui/page';
import { NextNote } from '../../widgets/next-note';
import { VesselPage } from '../../widgets/vessel-page';

/** What is wet and what is in the dryer, and what comes next to it. */
export default function Dry() {
  const recorder = useRecorder();
  return (
    <Page
      title="Dry"
      actions={<Button onClick={() => recorder.open({ kind: 'condition' })}>Record a dryer run</Button>}
    >
      <NextNote />
      <VesselPage question="Wet, and in the dryer" kinds={['wetBin', 'dryer']} types="move,condition" />
    </Page>
  );
}
