import { useFarm, useTapePage } from '../../data/farm';
import { useRecorder } from '../../record';
import type { RecordKind } from '../../record';
import { Button } from '../../ui';
import { Answered } from '../../ui/answer';
import { EntryLog } from '../../widgets/entry-log';
import { NextNote } from '../../widgets/next-note';
import { Vessels } from '../../widgets/vessels';

type Station = 'haul' | 'dry';

interface Plan {
  readonly title: string;
  readonly question: string;
  readonly kinds: readonly string[];
  readonly record: RecordKind;
  readonly button: string;
  /** What is listed: entries of these types at its own vessels. */
  readonly types: string;
}

const PLANS: Record<Station, Plan> = {
  haul: {
    title: 'Haul',
    question: 'On wheels now',
    kinds: ['truck', 'cart'],
    record: 'move',
    button: 'Record a load',
    types: 'move',
  },
  dry: {
    title: 'Dry',
    question: 'Wet, and in the dryer',
    kinds: ['wetBin', 'dryer'],
    record: 'condition',
    button: 'Record a dryer run',
    types: 'move,condition',
  },
};

/** The vessels of a part of the way, how full they are and with what; and the last entries made there. */
export default function Work({ station }: { station: Station }) {
  const farm = useFarm();
  const recorder = useRecorder();
  const plan = PLANS[station];
  const vessels = farm.data.places.filter((place) => plan.kinds.includes(place.kind));
  const page = useTapePage(
    120,
    plan.types,
    vessels.map((place) => place.id),
  );
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink px-5 py-3 lg:px-6">
        <h1 className="text-2xl">{plan.title}</h1>
        <Button onClick={() => recorder.open({ kind: plan.record })}>{plan.button}</Button>
      </div>
      {station === 'dry' && <NextNote />}
      <section aria-label={plan.question} className="border-b border-ink px-5 py-5 lg:px-6">
        <h2 className="text-sm text-muted">{plan.question}</h2>
        {vessels.length === 0 && <p className="mt-2 text-muted">The farm has none of these yet; places are added in Store.</p>}
        <Vessels farm={farm} vessels={vessels} />
      </section>
      <Answered answer={page} what="Reading the book">
        {(lines) => <EntryLog farm={farm} lines={lines} />}
      </Answered>
    </div>
  );
}
