import { useMemo } from 'react';
import {
  type Gates,
  gatesNow,
  type ClimbNote,
  climbingNow,
  type Climbing,
  living,
  type LogEntry,
  type MotorAlarm,
  motorAlarms,
  type MotorNow,
  routesNow,
  type RunningRoute,
  type SiteEquipment,
  type StoreRecords,
} from '@fanega/core';
import { type Farm, useBinSetups, useMotors } from '../data/farm';

export interface Site {
  readonly equipment: SiteEquipment;
  readonly revision: number;
  readonly routes: readonly RunningRoute[];
  readonly motors: readonly MotorNow[];
  readonly alarms: readonly MotorAlarm[];
  readonly climbing: readonly Climbing[];
  /** A machine or a place by its name. */
  readonly nameOf: (id: string) => string;
}

const NOTHING: SiteEquipment = { machines: [], links: [] };

/** The bin site as it runs now; null while the farm is asked. */
export function useSite(farm: Farm): Site | null {
  const store = useBinSetups().data;
  const kept = store?.settings.siteEquipment.farm;
  const equipment = kept?.value ?? NOTHING;
  const motors = useMotors(equipment.machines.length > 0).data ?? [];
  if (!store) return null;
  const routes = routesNow(equipment, setOf(store.logs.routeSet));
  const notes = living<'climb'>(store.logs.climb).map(({ body }): ClimbNote => ({
    ...body,
    atMs: Date.parse(body.at),
  }));
  const names = new Map(equipment.machines.map(({ id, name }) => [id, name]));
  return {
    equipment,
    revision: kept?.revision ?? 0,
    routes,
    motors,
    alarms: motorAlarms(routes, motors),
    climbing: climbingNow(notes, farm.clock()),
    nameOf: (id) => names.get(id) ?? farm.placeName(id),
  };
}

/** Where the dump pit's gates lead; null where nothing is set, or nothing is known yet. */
export function gatesOf(store: Pick<StoreRecords, 'logs' | 'settings'> | undefined): Gates | null {
  const equipment = store?.settings.siteEquipment.farm?.value;
  return store === undefined || equipment === undefined
    ? null
    : gatesNow(equipment, routesNow(equipment, setOf(store.logs.routeSet)));
}
export function useGates(): Gates | null {
  const store = useBinSetups().data;
  return useMemo(() => gatesOf(store), [store]);
}

const setOf = (logs: readonly LogEntry<'routeSet'>[]) =>
  living<'routeSet'>(logs).map(({ body }) => ({ atMs: Date.parse(body.at), from: body.from, path: body.path }));
