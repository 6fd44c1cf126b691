import type { Me } from '@fanega/contract';
import { useOutbox } from '../data/outbox';
import { say, useLanguage } from '../words';

/** The phone was paired for a job that is over; what it has not sent waits for the next link. */
export default function JobOver({ over }: { over: NonNullable<Me['jobOver']> }) {
  const spoken = useLanguage();
  const waiting = useOutbox().waiting.length;
  return (
    <div role="status" lang={spoken} className="border-b-4 border-ink bg-sand px-5 py-4 text-lg">
      <p className="text-2xl font-bold">{say(over.cutOff ? 'jobCutOff' : 'jobEnded', { label: over.label })}</p>
      <p>{waiting > 0 ? say('jobWaits', { n: waiting }) : say('jobLinkAsk')}</p>
    </div>
  );
}
