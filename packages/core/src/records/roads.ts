import type { SettingsOf } from './farm-records.js';
import type { HaulTimes } from './haul.js';

type Roads = { readonly settings: Partial<SettingsOf<'buyerRoads'>> } | undefined;

/** Hauling times as they are from a field: where that field has a road of its own to a buyer, or home, it stands before the usual one. */
export function timesFrom(times: HaulTimes, records: Roads, fieldId: string | null | undefined): HaulTimes {
  const own = Object.entries(records?.settings.buyerRoads ?? {}).flatMap(([to, { value }]) => {
    const leg = value.legs.find(({ from }) => from === fieldId);
    return leg ? [[to, leg.minutes] as const] : [];
  });
  return own.length === 0 ? times : { ...times, roadMin: { ...times.roadMin, ...Object.fromEntries(own) } };
}

/** Kilometers of the road to a buyer, or `home`, one way: from the field where it has its own, else from the yard; null where nobody said it. */
export function roadKm(records: Roads, to: string, fieldId: string | null | undefined): number | null {
  const roads = records?.settings.buyerRoads?.[to]?.value;
  return roads?.legs.find(({ from }) => from === fieldId)?.km ?? roads?.km ?? null;
}
