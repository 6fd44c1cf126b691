import { forgetEarly, get, type GetPath } from './api';
import { ROUTES } from './api-routes';
import { everyPage, type RecordsPath } from './record-pages';
import { WEATHER } from './opening-paths';
import { weatherHours } from './weather-hours';

/** Answers that a page opens with and that need nothing but the farm to be asked for. */
const OF_FARM = Object.keys(ROUTES).filter((route) => ROUTES[route]!.keep && !/\{(?!farmId\})/.test(route));

/** A browser has six connections for an address; the page needs some of them. */
const AT_ONCE = 3;

/** Is it one of those that {@link keepAnswers} asks for? */
export const isOpening = (route: string): boolean => OF_FARM.includes(route);

/**
 * Asks once for everything that a page opens with, for the worker to keep: on a first visit the answers came before it had the page, and a
 * phone that goes out of reach after that would find nothing. A few at a time, beside what the page itself asks for.
 */
export async function keepAnswers(farmId: string, nowMs: number): Promise<void> {
  forgetEarly();
  const waiting = [...OF_FARM];
  const ask = async (route: string): Promise<void> => {
    const asked = route.endsWith('/records')
      ? everyPage(route as RecordsPath, farmId)
      : get(
          route as GetPath,
          { path: { farmId }, ...(route === WEATHER ? { query: weatherHours(nowMs, 3, 3) } : {}) } as never,
        );
    // What cannot be had now is kept when its page is opened.
    await asked.catch(() => undefined);
  };
  const lane = async (): Promise<void> => {
    for (let route = waiting.shift(); route !== undefined; route = waiting.shift()) await ask(route);
  };
  await Promise.all(Array.from({ length: AT_ONCE }, lane));
}
