import type { FuelInfo } from '@fanega/contract';
import type { Farm } from '../data/farm';
import { gaugeText, number } from '../quantity/quantity';
import { clock } from '../quantity/time';
import { say } from '../words';

/** A shift's length: what lasts longer is nothing to think of now, hours. */
const FAR = 14;

/** Until when a machine's fuel lasts, in one line with what it follows from; nothing where it lasts the day. */
export function fuelWords(farm: Farm, { state }: FuelInfo): { readonly line: string; readonly more: string } | null {
  if (state === null) return { line: say('fuelUnknown'), more: '' };
  if (state.hoursLeft > FAR) return null;
  const more = say('fuelLeft', { much: gaugeText(state.leftGallons), hours: number(Math.max(0, state.hoursLeft), 1) }); // prettier-ignore
  return state.hoursLeft <= 0
    ? { line: say('fuelNow'), more }
    : { line: say('fuelBy', { time: clock(state.fillByMs, farm.data.farm.timeZone) }), more };
}
