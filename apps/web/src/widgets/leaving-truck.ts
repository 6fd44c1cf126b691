import { type FieldRecords, type HaulView, trucksNow, type TruckNow, USUAL_HAUL_TIMES } from '@fanega/core';
import type { Farm } from '../data/farm';

/** A loaded truck that has to leave by an hour to be in line at its buyer's closing; null while it is empty or nobody knows the hour. */
export function leavingTruck(
  farm: Farm,
  notebook: FieldRecords,
  haul: HaulView,
  truckId: string,
): (TruckNow & { readonly leaveByMs: number }) | null {
  const crop = farm.cropOf(farm.held(truckId).lots);
  const times = notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES;
  const truck = crop === undefined ? undefined : trucksNow(farm, notebook, haul, times, crop).find(({ id }) => id === truckId); // prettier-ignore
  if (!truck || truck.leaveByMs === null || truck.bushels < 1 || truck.state === 'unloading') return null;
  return { ...truck, leaveByMs: truck.leaveByMs };
}
