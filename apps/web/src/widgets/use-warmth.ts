import { type FieldRecords, type GrainWarmth, living } from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useWeather } from '../data/farm';

/** A measured temperature counts for so long; then the air says more. */
const MEASURED_MS = 48 * 3_600_000;
/** Where there is neither a measurement nor weather: a warm day of harvest. */
const USUAL_CELSIUS = 24;

export interface Warmth {
  readonly of: (placeId: string) => GrainWarmth;
  /** The weather was told, or cannot be: before that it is a usual day's, and another in a moment. */
  readonly isKnown: boolean;
}

/** How warm the grain of each place is: as it was measured last, else as the air was in the last day. */
export function useWarmth(farm: Farm, notebook: FieldRecords | undefined): Warmth {
  const { data: weather, error } = useWeather(1, 0);
  const isKnown = weather !== undefined || error !== undefined;
  return useMemo(() => {
    const lately = (weather ?? []).filter((hour) => Date.parse(hour.at) <= farm.data.now);
    const air =
      lately.length === 0 ? USUAL_CELSIUS : lately.reduce((sum, hour) => sum + hour.temperature, 0) / lately.length;
    const measured = living(notebook?.logs.grainTemperature ?? []);
    const of = (placeId: string): GrainWarmth => {
      const found = measured.find(
        ({ body }) => body.placeId === placeId && farm.data.now - Date.parse(body.at) < MEASURED_MS,
      );
      return found
        ? { celsius: found.body.celsius, measuredMs: Date.parse(found.body.at) }
        : { celsius: air, measuredMs: null };
    };
    return { of, isKnown };
  }, [weather, isKnown, notebook, farm.data.now]);
}
