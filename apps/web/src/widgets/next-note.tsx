import { living } from '@fanega/core';
import { Megaphone } from 'lucide-react';
import { useFarm, useNotebook } from '../data/farm';
import { grainRate, number, percent } from '../quantity/quantity';
import { DAY_MS, clock } from '../quantity/time';

/** "Pecan Turn comes next": for the dryer keeper, until its first load is in the book. */
export function NextNote() {
  const farm = useFarm();
  const { data } = useNotebook();
  const note = data && living(data.logs.nextFieldNotice)[0];
  if (!note) return null;
  const { lotId, at, moisture, step, dryerBushelsPerHour, wetBinFullHours } = note.body;
  const since = Date.parse(at);
  const begun = farm.data.tape.some(
    ({ entry, voided }) => !voided && entry.type === 'harvest' && entry.lot === lotId && Date.parse(entry.at) > since,
  );
  if (begun || farm.data.now - since > DAY_MS || since > farm.data.now + DAY_MS) return null;
  return (
    <p
      role="status"
      aria-label="Next field"
      className="flex items-start gap-3 border-b border-ink bg-sand px-5 py-3 lg:px-6"
    >
      <Megaphone size={20} className="mt-0.5 shrink-0" aria-hidden="true" />
      <span>
        <b>
          {farm.lot(lotId)?.fieldName ?? lotId} comes next
          {moisture === undefined ? '' : ` at ${percent(moisture)}`}.
        </b>{' '}
        {step !== undefined &&
          `${Math.abs(step) < 0.05 ? 'As wet as' : `${number(Math.abs(step), 1)} points ${step > 0 ? 'wetter' : 'drier'} than`} the last loads. `}
        {dryerBushelsPerHour !== undefined &&
          `The dryer then does ${grainRate(dryerBushelsPerHour, farm.kgPerBu(farm.lot(lotId)?.crop))}. `}
        {wetBinFullHours !== undefined && `Wet bin full after ${number(wetBinFullHours, 1)} h. `}
        <span className="text-muted">
          Said by {note.by} at {clock(at, farm.data.farm.timeZone)}.
        </span>
      </span>
    </p>
  );
}
