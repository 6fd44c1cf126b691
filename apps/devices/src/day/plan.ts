import type { DeviceKind, DeviceNames } from '@fanega/contract';

/** A field that is cut on the day, in this order. */
export interface FieldPlan {
  readonly tag: string;
  /** Bushels that still stand on it, as they are. */
  readonly bushels: number;
  /** wet-basis fraction in the morning */
  readonly moisture: number;
  /** bu/ac */
  readonly yieldBu: number;
}

export interface BuyerPlan {
  readonly name: string;
  readonly roadMin: number;
  /** Minutes of the farm's day. */
  readonly opens: number;
  readonly closes: number;
  /** Wetter is turned away. */
  readonly mostMoisture: number;
  readonly pricePerBu: number;
  /** Mean minutes in line. */
  readonly lineMin: number;
  readonly firstTicket: number;
}

/** A harvest day of a farm: what is cut, where it goes, and how fast everything is. */
export interface DayPlan {
  readonly legalPounds: number;
  readonly fields: readonly FieldPlan[];
  /** The nearest first. */
  readonly buyers: readonly BuyerPlan[];
  /** Minutes of the farm's day. */
  readonly begins: number;
  readonly cutFrom: number;
  readonly cutUntil: number;
  readonly ends: number;
  /** bu/h of each combine while it cuts, in the order of the farm's places. */
  readonly combines: readonly number[];
  /** Cutting widths of the combines, m. */
  readonly widths: readonly number[];
  readonly truckBu: number;
  readonly dryTo: number;
  readonly bushelPointsPerHour: number;
  /** Bins that take dried corn, by name, in this order. */
  readonly bins: readonly string[];
  readonly tareKg: number;
  /** Minutes of the farm's day between which it rains, forecast since the morning. */
  readonly shower: { readonly from: number; readonly to: number; readonly chance: number };
  /** A combine by its place in the row stands for fuel from a minute of the day on. */
  readonly fuel: readonly {
    readonly combine: number;
    readonly at: number;
    readonly minutes: number;
    readonly gallons: number;
  }[];
  /** A bearing runs hot: read with an infrared thermometer by minutes of the day; at the last one it is stopped, cooled and greased. */
  readonly bearing: {
    readonly combine: number;
    readonly part: string;
    readonly airCelsius: number;
    readonly read: readonly { readonly at: number; readonly celsius: number }[];
    readonly minutes: number;
    readonly after: number;
  };
  /** Ids of pit and leg in the list of the site. */
  readonly motors: readonly [pit: string, leg: string];
  /** A bin with cables: how high grain lies, how warm and how long ago it was put in, and the spot that heats. */
  readonly cables: {
    readonly name: string;
    readonly levelM: number;
    readonly celsius: number;
    readonly days: number;
    readonly spot: { readonly height: number; readonly days: number; readonly perDay: number };
  };
}

/** The day after the one in which the made-up farm stands. */
export const KESTREL_DAY: DayPlan = {
  legalPounds: 56,
  fields: [
    { tag: 'LG', bushels: 4900, moisture: 0.139, yieldBu: 178 },
    { tag: 'BE', bushels: 13_200, moisture: 0.205, yieldBu: 205 },
  ],
  buyers: [
    {
      name: 'Redbud Elevator',
      roadMin: 24,
      opens: 9 * 60,
      closes: 19 * 60,
      mostMoisture: 0.18,
      pricePerBu: 4.42,
      lineMin: 9,
      firstTicket: 40_160,
    },
    {
      name: 'Whistling Duck Feed Mill',
      roadMin: 33,
      opens: 9 * 60,
      closes: 18 * 60,
      mostMoisture: 0.24,
      pricePerBu: 4.31,
      lineMin: 6,
      firstTicket: 7_311,
    },
  ],
  begins: 8 * 60,
  cutFrom: 10 * 60 + 10,
  cutUntil: 19 * 60 + 15,
  ends: 20 * 60 + 30,
  combines: [1620, 1260],
  widths: [9.14, 6.1],
  truckBu: 910,
  dryTo: 0.15,
  bushelPointsPerHour: 2600,
  bins: ['Bin C', 'Bin A'],
  tareKg: 12_150,
  shower: { from: 19 * 60 + 40, to: 21 * 60, chance: 0.8 },
  fuel: [
    { combine: 0, at: 15 * 60, minutes: 12, gallons: 148 },
    { combine: 1, at: 12 * 60 + 40, minutes: 10, gallons: 121 },
  ],
  bearing: {
    combine: 1,
    part: 'Beater bearing, left',
    airCelsius: 27,
    read: [
      { at: 11 * 60 + 30, celsius: 58 },
      { at: 15 * 60 + 5, celsius: 76 },
      { at: 16 * 60, celsius: 97 },
    ],
    minutes: 25,
    after: 61,
  },
  motors: ['pit', 'leg-1'],
  cables: { name: 'Bin B', levelM: 5.7, celsius: 31, days: 41, spot: { height: 2.8, days: 10, perDay: 0.62 } },
};

export interface Wire {
  readonly key: string;
  readonly name: string;
  readonly kind: DeviceKind;
  /** The place that it belongs to: a cart, a combine. */
  readonly placeId?: string;
}

const KINDS: Readonly<Record<string, { readonly key: string; readonly kind: DeviceKind; readonly ending: string }>> = {
  cart: { key: 'scale', kind: 'cartScale', ending: 'scale' },
  combine: { key: 'display', kind: 'monitor', ending: 'display' },
  buyer: { key: 'desk', kind: 'elevator', ending: 'desk' },
  truck: { key: 'tracker', kind: 'tracker', ending: 'tracker' },
};

/** The devices that the day needs: one scale a cart, one display a combine, one desk a buyer, one tracker a truck, and one of each that the yard has. */
export function wiresOf(
  places: readonly { readonly id: string; readonly name: string; readonly kind: string }[],
  plan: DayPlan,
): Wire[] {
  const wanted = places.filter(
    (place) => place.kind !== 'buyer' || plan.buyers.some(({ name }) => name === place.name),
  );
  const own = wanted.flatMap((place): Wire[] => {
    const kind = KINDS[place.kind];
    return kind
      ? [
          {
            key: `${kind.key}:${place.id}`,
            name: `${place.name} ${kind.ending}`,
            kind: kind.kind,
            ...(place.kind === 'buyer' ? {} : { placeId: place.id }),
          },
        ]
      : [];
  });
  return [
    ...own,
    { key: 'bridge', name: 'Own bridge', kind: 'truckScale' },
    { key: 'tester', name: 'Handheld 2', kind: 'tester' },
    { key: 'dryer', name: 'Dryer', kind: 'dryer' },
    { key: 'motors', name: 'Leg and pit motors', kind: 'motors' },
    { key: 'cables', name: 'Bin cables', kind: 'binCables' },
    { key: 'weather', name: 'Roof station', kind: 'weather' },
  ];
}

/** Places of a kind, in the farm's own order. */
export const placesOf = (names: DeviceNames, kind: string): DeviceNames['places'][number][] =>
  names.places.filter((place) => place.kind === kind);
