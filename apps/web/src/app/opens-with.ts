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
  dry: [...NOTEBOOK, ...BAR, ...of('wet')],
  haul: [...of('haul', 'lots', 'wet'), ...NOTEBOOK, ...BAR],
  store: BAR,
  sell: [...of('deliveries', 'sell/records'), ...BAR],
  shed: BAR,
  trace: [...of('lots', 'deliveries'), ...BAR],
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
