import type { FarmHeaderAnswer, FarmNow } from '@fanega/contract';
import { askEarly, type GetPath } from './api';
import { HEADER, LAYERS, ME, NOW, WEATHER } from './opening-paths';
import { LOG_AT_FIRST, tapeQuery } from './tape-page';
import { weatherHours } from './weather-hours';

const LAST = 'fanega.farm';

/** The farm that this device is on, for the next time that the program is opened. */
export const keepLastFarm = (farmId: string): void => localStorage.setItem(LAST, farmId);

export const lastFarm = (): string | null => localStorage.getItem(LAST);

/** What a page of a farm asks for, besides the farm itself: routes of the farm, and days of weather back and ahead. */
export interface OpensWith {
  readonly routes: readonly GetPath[];
  readonly weather: readonly (readonly [back: number, ahead: number])[];
  /** Logs of entries: of some types, of the places of some kinds or of all. */
  readonly logs: readonly {
    readonly types: string;
    readonly kinds: readonly string[] | null;
    readonly limit?: number;
  }[];
}

/** Those questions one by one, as a page asks them at a moment of the farm's clock, by the farm's places. */
export const questionsOf = (
  { routes, weather, logs }: OpensWith,
  farmId: string,
  nowMs: number,
  places: FarmHeaderAnswer['places'],
) => [
  ...routes.map((route) => ({ route, params: { path: { farmId } } })),
  ...weather.map(([back, ahead]) => ({
    route: WEATHER,
    params: { path: { farmId }, query: weatherHours(nowMs, back, ahead) },
  })),
  ...logs.map(({ types, kinds, limit = LOG_AT_FIRST }) => ({
    route: '/api/farms/{farmId}/entries' as const,
    params: {
      path: { farmId },
      query: tapeQuery(limit, types, kinds && places.filter(({ kind }) => kinds.includes(kind)).map(({ id }) => id)),
    },
  })),
];

/**
 * Asks for the farm, and behind its present for what a page opens with, while the program is still being made: most often the farm is
 * the same as last time. The page's own answers are of the same moment of the book as its present, or of a later one.
 */
export function askForFarm(opensWith: OpensWith): void {
  const farmId = lastFarm();
  if (farmId === null) return;
  const params = { path: { farmId } };
  const me = askEarly(ME, {});
  const header = askEarly(HEADER, params);
  void askEarly(LAYERS, params);
  // Who asks and how the farm stands say which of the answers that this device keeps still hold.
  void Promise.all([askEarly(NOW, params), header, me]).then(([now, names]) => {
    if (now === undefined || names === undefined) return;
    const { places } = names as FarmHeaderAnswer;
    for (const { route, params: asked } of questionsOf(opensWith, farmId, (now as FarmNow).now, places))
      // The first page of records is asked for as the first of several.
      void askEarly(route, (route.endsWith('/records') ? { ...asked, query: {} } : asked) as never);
  });
}
