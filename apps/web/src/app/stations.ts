import { lazily } from '../ui/lazily';
import { type Station, stationOf } from './opens-with';

/** One chunk a station: the cab's phone loads only what it opens. */
export const STATIONS = {
  today: lazily(() => import('../stations/today')),
  fields: lazily(() => import('../stations/fields')),
  field: lazily(() => import('../stations/fields/pages/field-page')),
  nextField: lazily(() => import('../stations/fields/pages/next-field')),
  cab: lazily(() => import('../stations/cab')),
  cut: lazily(() => import('../stations/cut')),
  dry: lazily(() => import('../stations/dry')),
  haul: lazily(() => import('../stations/haul')),
  store: lazily(() => import('../stations/store')),
  sell: lazily(() => import('../stations/sell')),
  shed: lazily(() => import('../stations/shed')),
  trace: lazily(() => import('../stations/trace')),
} satisfies Record<Station, unknown>;

/** What a page draws behind its station's frame, begun with it and not only once the frame is drawn; a hint, and no more. */
const BEHIND: Readonly<Record<string, () => Promise<unknown>>> = {
  '/': () =>
    Promise.all([
      import('../widgets/alarm-list'),
      import('../widgets/seen-questions'),
      import('../stations/today/gaps'),
    ]),
  '/dry': () => import('../stations/dry/pages/dryer'),
  '/dry/deadlines': () => import('../stations/dry/pages/deadlines'),
  '/dry/bin': () => import('../stations/dry/pages/in-bin'),
  '/haul/weights': () => import('../stations/haul/pages/scale-comparison'),
  '/sell/next': () => import('../stations/sell/pages/next-load'),
  '/sell/where': () => import('../stations/sell/pages/where'),
  '/sell/position': () => import('../stations/sell/pages/position'),
  '/store/air': () => import('../stations/store/pages/air'),
  '/store/routes': () => import('../stations/store/pages/routes'),
};

/** Asks for the files of the page of an address, all at the same time; the farm was asked for already (`ask-early.ts`). */
export async function preloadStation(pathname: string): Promise<void> {
  const station = stationOf(pathname);
  if (station !== undefined)
    await Promise.all([STATIONS[station].begin(), BEHIND[pathname]?.()]).catch(() => undefined);
}
