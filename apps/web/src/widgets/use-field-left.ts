import { calendarDay, type FieldLeft, fieldLeft } from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useFields, useNotebook } from '../data/farm';

/** What is left of the field that a combine cuts; null while nobody knows its profile or the field. */
export function useFieldLeft(farm: Farm, machineId: string, lotId: string | undefined, inTankKg: number): FieldLeft | null {
  const rows = useFields().data;
  const notebook = useNotebook().data;
  const today = calendarDay(farm.data.now, farm.data.farm.timeZone);
  return useMemo(
    () => (rows && notebook && lotId ? fieldLeft(farm, notebook, rows, { machineId, lotId, today, inTankKg }) : null),
    [farm, rows, notebook, machineId, lotId, today, inTankKg],
  );
} // prettier-ignore
