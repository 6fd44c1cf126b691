import { calendarDay, machinesOf } from '@fanega/core';
import { type Farm, useShed } from '../data/farm';

/** How the machines stand, the same answer as in the shed: a list done, no service overdue, nothing broken. */
export default function ShedFigure({ farm }: { farm: Farm }) {
  const shed = useShed().data;
  const own = shed ? machinesOf(shed, calendarDay(farm.data.now, farm.data.farm.timeZone)) : [];
  const waiting = own.filter(({ ready }) => !ready).length;
  return own.length === 0 ? 'machines' : waiting === 0 ? 'all ready' : `${waiting} not ready`;
}
