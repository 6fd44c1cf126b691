import { type Farm, useDevices, useHaulWithTickets, useNotebook } from '../../../data/farm';
import { useLive } from '../../../data/live';
import { QueryBoundary } from '../../../ui/query-boundary';
import { useStayAwake } from '../../../ui/stay-awake';
import { useTicking } from '../../../ui/use-ticking';
import { WeighStation } from '../../../widgets/weigh/truck-scale';
import { say } from '../../../words';
import { CabHead } from './cab-head';
import JobCard from '../../../widgets/job-card';

/** Whoever stands at the farm's own truck scale: weigh it in, weigh it out, hand over the ticket. */
export function AtGate({
  farm,
  name,
  offline,
  onLeave,
}: {
  farm: Farm;
  name: string;
  offline: boolean;
  onLeave: () => void;
}) {
  useTicking();
  useStayAwake();
  const live = useLive();
  const notebook = useNotebook();
  const haul = useHaulWithTickets();
  const bridges = (useDevices().data ?? []).filter(({ kind, revoked }) => kind === 'truckScale' && !revoked);
  return (
    <>
      <CabHead farm={farm} title={say('atGate')} name={name} offline={offline} onLeave={onLeave} />
      <main className="p-4">
        <h1 className="sr-only">{say('atGate')}</h1>
        <QueryBoundary answer={notebook} what={say('atGate')}>
          {(book) => (
            <QueryBoundary answer={haul} what={say('atGate')}>
              {(answer) => <WeighStation farm={farm} notebook={book} haul={answer} bridges={bridges} live={live} />}
            </QueryBoundary>
          )}
        </QueryBoundary>
        <JobCard job="scale" open={false} />
      </main>
    </>
  );
}
