import type { GetPath } from '../data/api';
import type { OpensWith } from '../data/early';

export type Station =
  'today' | 'fields' | 'field' | 'nextField' | 'cab' | 'cut' | 'dry' | 'haul' | 'store' | 'sell' | 'shed' | 'trace';

const of = <const T extends string>(...names: T[]) => names.map((name) => `/api/farms/{farmId}/${name}` as const);
const BAR = of('shed/records', 'store/records', 'motors');
const NOTEBOOK = of('fields/records', 'cut/records', 'haul/records', 'dry/records');
/** What a station's pages open with; a hint to ask early, and no more. */
const OPENS_WITH: Readonly<Record<Station, readonly GetPath[]>> = {
  today: [...BAR, ...NOTEBOOK, ...of('wet', 'haul', 'fuel', 'sell/records', 'deliveries')],
  fields: [...of('lots'), ...NOTEBOOK, ...BAR],
  field: [...of('lots'), ...NOTEBOOK, ...BAR],
  nextField: [...of('lots'), ...NOTEBOOK, ...BAR],
  cab: [...NOTEBOOK, ...of('haul', 'lots')],
  cut: [...of('lots'), ...NOTEBOOK, ...BAR],
  dry: [...NOTEBOOK, ...of('wet', 'lots', 'haul'), ...BAR],
  haul: [...of('haul', 'lots', 'wet'), ...NOTEBOOK, ...BAR],
  store: BAR,
  sell: [...of('deliveries', 'sell/records'), ...BAR],
  shed: BAR,
  trace: [...of('lots', 'deliveries'), ...BAR],
};

/** And a page of its own beside what its station opens with. */
const PAGE_OPENS_WITH: Readonly<Record<string, readonly GetPath[]>> = {
  '/haul/weights': of('haul/weighed'),
  '/haul/scales': of('weigh-tickets', 'devices'),
};

/** Days of weather back and ahead that a station's pages open with. */
const WEATHER_WITH: Readonly<Partial<Record<Station, readonly (readonly [back: number, ahead: number])[]>>> = {
  today: [[1, 0], [1, 1]], // prettier-ignore
  fields: [[1, 2]],
  field: [[3, 3]],
  nextField: [[0, 3]],
  dry: [[1, 0]],
  haul: [[1, 0]],
};

/** Logs of entries that a page shows. */
const LOGS_WITH: Readonly<Record<string, OpensWith['logs']>> = {
  '/haul': [{ types: 'move', kinds: ['truck', 'cart'] }],
  '/cut/loads': [{ types: 'harvest', kinds: null }],
  '/dry': [
    { types: 'move,condition', kinds: ['wetBin', 'dryer'] },
    { types: 'move,condition', kinds: ['dryer'], limit: 400 },
  ],
};

/** Whose page an address is. */
export function stationOf(pathname: string): Station | undefined {
  const [station = '', page] = pathname.split('/').filter((part) => part !== '');
  const name =
    station === ''
      ? 'today'
      : station !== 'fields' || page === undefined
        ? station
        : page === 'next'
          ? 'nextField'
          : 'field';
  return Object.hasOwn(OPENS_WITH, name) ? (name as Station) : undefined;
}

/** What the page at an address opens with; undefined where it is no station's. */
export function opensWith(pathname: string): OpensWith | undefined {
  const station = stationOf(pathname);
  return (
    station && {
      routes: [...OPENS_WITH[station], ...(PAGE_OPENS_WITH[pathname] ?? [])],
      weather: WEATHER_WITH[station] ?? [],
      logs: LOGS_WITH[pathname] ?? [],
    }
  );
}
