import type { GetPath } from '../data/api';
import { askForFarm } from '../data/early';
import { lazily } from '../ui/lazily';

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
};
type Station = keyof typeof STATIONS;

const of = <const T extends string>(...names: T[]) => names.map((name) => `/api/farms/{farmId}/${name}` as const);
const BAR = of('shed/records', 'store/records', 'motors');
const NOTEBOOK = of('fields/records', 'cut/records', 'haul/records', 'dry/records');
/** What a station's pages open with; a hint to ask early, and no more. */
const ANSWERS: Readonly<Record<Station, readonly GetPath[]>> = {
  today: [...BAR, ...NOTEBOOK, ...of('wet', 'haul', 'fuel', 'sell/records', 'deliveries')],
  fields: [...of('lots'), ...NOTEBOOK, ...BAR],
  field: [...of('lots'), ...NOTEBOOK, ...BAR],
  nextField: [...of('lots'), ...NOTEBOOK, ...BAR],
  cab: [...NOTEBOOK, ...of('haul', 'lots')],
  cut: [...of('lots'), ...NOTEBOOK, ...BAR],
  dry: [...NOTEBOOK, ...BAR, ...of('wet')],
  haul: [...of('haul', 'lots'), ...NOTEBOOK, ...BAR],
  store: BAR,
  sell: [...of('deliveries', 'sell/records'), ...BAR],
  shed: BAR,
  trace: [...of('lots', 'deliveries'), ...BAR],
};

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

function stationOf(pathname: string): Station | undefined {
  const [station = '', page] = pathname.split('/').filter((part) => part !== '');
  const name =
    station === ''
      ? 'today'
      : station !== 'fields' || page === undefined
        ? station
        : page === 'next'
          ? 'nextField'
          : 'field';
  return Object.hasOwn(STATIONS, name) ? (name as Station) : undefined;
}

/** Asks for the page of an address, for the farm, and for what the page opens with, all at the same time. */
export function preloadStation(pathname: string): void {
  const station = stationOf(pathname);
  if (station === undefined) return;
  void STATIONS[station].begin();
  void BEHIND[pathname]?.();
  askForFarm(ANSWERS[station]);
}
