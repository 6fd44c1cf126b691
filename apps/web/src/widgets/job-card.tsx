import type { JobCardId } from '@fanega/core';
import { useShed } from '../data/farm';
import { say } from '../words';
import { Photo } from './photo-box';

/** How the job of this cab is done here, step by step; open at once for who is new. Nothing where nobody wrote it down. */
export default function JobCard({ job, open }: { job: JobCardId; open: boolean }) {
  const steps = useShed().data?.settings.jobCard[job]?.value.steps ?? [];
  if (steps.length === 0) return null;
  return (
    <details open={open} className="border-y border-rule">
      <summary className="min-h-14 cursor-pointer py-3 text-xl font-semibold">{say('howItIsDone')}</summary>
      <ol className="list-decimal space-y-3 pb-4 pl-8 text-xl">
        {steps.map(({ text, photo }, i) => (
          <li key={i}>
            <p>{text}</p>
            {photo !== undefined && <Photo photoId={photo} alt={text} size={160} />}
          </li>
        ))}
      </ol>
    </details>
  );
}
