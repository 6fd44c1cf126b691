import { JOB_CARDS, type JobCardId, type ShedRecords } from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import { Button } from '../../../ui';
import { Section } from '../../../ui/page';
import { JobCardForm } from '../forms/job-card-form';

const NAMES: Readonly<Record<JobCardId, string>> = {
  combine: 'Combine',
  cart: 'Grain cart',
  truck: 'Truck',
  dryer: 'Dryer',
  bins: 'Bins',
  scale: 'Truck scale',
};

/** A card for each job, for who is new here: shown in the cab of that job. */
export function JobCards({ farm, shed }: { farm: Farm; shed: ShedRecords }) {
  const [open, setOpen] = useState<JobCardId | null>(null);
  const kept = shed.settings.jobCard;
  return (
    <Section label="Job cards" className="border-t border-ink px-5 py-5 lg:px-6">
      <h2 className="text-xl">How each job is done here</h2>
      <ul className="mt-2 max-w-3xl divide-y divide-rule">
        {JOB_CARDS.map((job) => {
          const steps = kept[job]?.value.steps ?? [];
          const pictures = steps.filter(({ photo }) => photo !== undefined).length;
          return (
            <li key={job} className="flex flex-wrap items-center gap-x-4 py-1.5">
              <span className="min-w-48 flex-1">
                <b>{NAMES[job]}</b>
                {steps.length > 0 &&
                  `: ${steps.length === 1 ? 'one step' : `${steps.length} steps`}${pictures === 0 ? '' : pictures === 1 ? ', one picture' : `, ${pictures} pictures`}`}
              </span>
              <Button look="quiet" className="!px-0" onClick={() => setOpen(job)}>
                {steps.length === 0 ? 'Write the card' : 'Change'}
              </Button>
            </li>
          );
        })}
      </ul>
      {open !== null && (
        <JobCardForm farm={farm} job={open} name={NAMES[open]} kept={kept[open]} onClose={() => setOpen(null)} />
      )}
    </Section>
  );
}
