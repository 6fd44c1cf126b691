import { useMemo } from 'react';
import { calendarDay, machinesOf } from '@fanega/core';
import { type Farm, useShed } from '../data/farm';
import { useInSlices } from '../ui/use-soon';

/** How the machines stand, the same answer as in the shed: a list done, no service overdue, nothing broken. */
export default function ShedFigure({ farm }: { farm: Farm }) {
  const shed = useShed().data;
  const today = calendarDay(farm.data.now, farm.data.farm.timeZone);
  // Not before the page that it stands over: each list of each machine is read for it.
  const asked = useInSlices(shed !== undefined);
  const own = useMemo(() => (shed && asked ? machinesOf(shed, today) : []), [shed, asked, today]);
  const waiting = own.filter(({ ready }) => !ready).length;
  return own.length === 0 ? 'machines' : waiting === 0 ? 'all ready' : `${waiting} not ready`;
}
