import type { GetPath } from '../data/api';

export type Station =
  'today' | 'fields' | 'field' | 'nextField' | 'cab' | 'cut' | 'dry' | 'haul' | 'store' | 'sell' | 'shed' | 'trace';

const of = <const T extends string>(...names: T[]) => names.map((name) => `/api/farms/{farmId}/${name}` as const);
const BAR = of('shed/records', 'store/records', 'motors');
const NOTEBOOK = of('fields/records', 'cut/records', 'haul/records', 'dry/records');
/** What a station's pages open with; a hint to ask early, and no more. */
export const OPENS_WITH: Readonly<Record<Station, readonly GetPath[]>> = {
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
export const PAGE_OPENS_WITH: Readonly<Record<string, readonly GetPath[]>> = {
  '/haul/weights': of('haul/weighed'),
  '/haul/scales': of('weigh-tickets', 'devices'),
};

/** Days of weather back and ahead that a station's pages open with. */
export const WEATHER_WITH: Readonly<Partial<Record<Station, readonly (readonly [back: number, ahead: number])[]>>> = {
  today: [[1, 0], [1, 1]], // prettier-ignore
  fields: [[1, 2]],
  field: [[3, 3]],
  nextField: [[0, 3]],
  dry: [[1, 0]],
  haul: [[1, 0]],
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
