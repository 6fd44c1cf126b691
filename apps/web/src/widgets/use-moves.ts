import {
  calendarDay,
  cuttingHours,
  movesView,
  type MovesView,
  nextFields,
  type Point,
  RangeRefusal,
  ringsOf,
  USUAL_NEXT_FIELD,
} from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useFields, useNotebook, useShed, useTraceRecords, useWeather } from '../data/farm';
import { useChain } from './use-chain';

/** Mean of the corners of a field's first part: near enough to its middle for a road. */
function middleOf(points: readonly (readonly [number, number])[]): Point | null {
  const corners = points.slice(0, -1);
  if (corners.length === 0) return null;
  const mean = (k: 0 | 1): number => corners.reduce((sum, corner) => sum + corner[k], 0) / corners.length;
  return [mean(0), mean(1)];
}

/** Fields in the order of Which field next; none where its weights rank nothing. */
function orderOf(ranked: () => readonly { readonly id: string }[]): string[] {
  try {
    return ranked().map(({ id }) => id);
  } catch (problem) {
    if (!(problem instanceof RangeRefusal)) throw problem;
    return [];
  }
}

/** Today's moves from field to field; null while something of them is on its way. */
export function useMoves(farm: Farm): MovesView | null {
  const notebook = useNotebook().data;
  const rows = useFields().data;
  const crew = useShed().data?.settings.crew.farm?.value;
  const boundaries = useTraceRecords().data?.settings.fieldBoundary;
  const weather = useWeather(0, 3).data;
  // What holds the combines back in Haul holds up the moves.
  const cutting = useChain(farm, cuttingHours);
  return useMemo(() => {
    if (!notebook || !rows) return null;
    const today = calendarDay(farm.data.now, farm.data.farm.timeZone);
    const plan = notebook.settings.nextFieldPlan.farm?.value ?? USUAL_NEXT_FIELD;
    const spots = new Map(
      Object.values(boundaries ?? {}).map(({ value }) => [value.field, middleOf(ringsOf(value)[0]?.[0] ?? [])]),
    );
    return movesView(farm, notebook, rows, crew, {
      today,
      nowMs: farm.data.now,
      order: orderOf(() => nextFields(farm, notebook, rows, plan, { today, weather: weather ?? [] }).ranked),
      spotOf: (fieldId) => spots.get(fieldId) ?? null,
      ...(cutting ? { cutting } : {}),
    });
  }, [farm, notebook, rows, crew, boundaries, weather, cutting]);
}
