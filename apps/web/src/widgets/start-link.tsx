import type { FirstStepName } from '@fanega/core';
import { Link } from 'react-router';
import { useRole } from '../data/farm';
import { startAddress } from './start-words';

/** Out of an empty page: to the step of the first hour that fills it. Who may not add anything is told who can. */
export function StartLink({ step, children }: { step: FirstStepName; children: string }) {
  const role = useRole();
  if (role !== 'manager' && role !== 'owner') return <p>A manager of the farm adds it.</p>;
  return (
    <p>
      <Link
        to={startAddress(step)}
        className="inline-flex min-h-11 items-center rounded-[3px] border border-ink px-4 font-semibold text-ink hover:bg-sand"
      >
        {children}
      </Link>
    </p>
  );
}
