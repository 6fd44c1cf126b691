import { Megaphone } from 'lucide-react';
import { useFarm, useNotebook } from '../data/farm';
import { grainRate, number, percent } from '../quantity/quantity';
import { clock } from '../quantity/time';
import { say } from '../words';
import { openNotice } from './open-notice';

/** "Pecan Turn comes next": for the dryer keeper, until its first load is in the book. */
export function NextNote() {
  const farm = useFarm();
  const { data } = useNotebook();
  const note = data && openNotice(farm, data);
  if (!note) return null;
  const { lotId, at, moisture, step, dryerBushelsPerHour, wetBinFullHours } = note.body;
  return (
    <p
      role="status"
      aria-label={say('nextField')}
      className="flex items-start gap-3 border-b border-ink bg-sand px-5 py-3 lg:px-6"
    >
      <Megaphone size={20} className="mt-0.5 shrink-0" aria-hidden="true" />
      <span>
        <b>
          {say(moisture === undefined ? 'comesNext' : 'comesNextAt', {
            field: farm.lot(lotId)?.fieldName ?? lotId,
            at: percent(moisture ?? 0),
          })}
        </b>{' '}
        {step !== undefined &&
          `${say(Math.abs(step) < 0.05 ? 'asWet' : step > 0 ? 'pointsWetter' : 'pointsDrier', { n: number(Math.abs(step), 1) })} `}
        {dryerBushelsPerHour !== undefined &&
          `${say('dryerDoes', { rate: grainRate(dryerBushelsPerHour, farm.kgPerBu(farm.lot(lotId)?.crop)).text })} `}
        {wetBinFullHours !== undefined && `${say('wetBinFull', { n: number(wetBinFullHours, 1) })} `}
        <span className="text-muted">{say('saidBy', { name: note.by, time: clock(at, farm.data.farm.timeZone) })}</span>
      </span>
    </p>
  );
}
