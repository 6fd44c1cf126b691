import type { FarmNow } from '@fanega/contract';
import { askEarly, type GetPath } from './api';
import { weatherHours } from './weather-hours';

const LAST = 'fanega.farm';

/** The farm that this device is on, for the next time that the program is opened. */
export const keepLastFarm = (farmId: string): void => localStorage.setItem(LAST, farmId);

export const lastFarm = (): string | null => localStorage.getItem(LAST);

/**
 * Asks for the farm, and behind its present for what a page opens with, while the program is still being made: most often the farm is
 * the same as last time. The page's own answers are of the same moment of the book as its present, or of a later one.
 */
export function askForFarm(routes: readonly GetPath[], weather: readonly (readonly [number, number])[]): void {
  const farmId = lastFarm();
  if (farmId === null) return;
  const params = { path: { farmId } };
  void askEarly('/api/auth/me', {});
  void askEarly('/api/farms/{farmId}/header', params);
  void askEarly('/api/farms/{farmId}/layers', params);
  void askEarly('/api/farms/{farmId}/now', params).then((now) => {
    if (now === undefined) return;
    for (const route of routes)
      void askEarly(route, { ...params, ...(route.endsWith('/records') ? { query: {} } : {}) } as never);
    for (const [back, ahead] of weather) {
      const query = weatherHours((now as FarmNow).now, back, ahead);
      void askEarly('/api/farms/{farmId}/weather', { ...params, query } as never);
    }
  });
}
