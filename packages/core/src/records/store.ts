import { choice, crop, flag, idOf, instant, list, number, optional, ownId, record, text, whole } from './field.js';
import { type LogOf, logKind, settingKind, type SettingOf } from './kind.js';

export const BIN_FLOORS = ['full perforated', 'partly perforated', 'ducts', 'solid'] as const;

/** A bin: its geometry, its floor, what it is kept for. Its capacity follows from the geometry; one typed by hand stands over it, visibly. */
export const BIN_SETUP = settingKind(
  'binSetup',
  'store',
  'bin_setups',
  'places',
  {
    diameter: number(1.5, 50, 'm'),
    /** wall above the floor; 0 for a pile */
    eave: number(0, 40, 'm'),
    /** of the roof; left out: not known */
    roofDegrees: optional(number(5, 60, '°')),
    /** depth of the hopper bottom; 0 for a flat floor */
    hopper: number(0, 20, 'm'),
    floor: optional(choice(BIN_FLOORS)),
    /** the crop that it is kept for */
    crop: optional(crop()),
    /** packed over loose density: a measured factor of the farm's own bin beats every table */
    packFactor: optional(number(0.9, 1.4, '')),
    /** a spout in its wall lets the upper grain out */
    sideDraw: optional(flag()),
    /** of that spout above the floor, or above the tip of a hopper */
    sideDrawAt: optional(number(0.3, 40, 'm')),
    /** an auger sweeps its floor */
    sweep: optional(flag()),
    /** of its gate or auger */
    unloadPerHour: optional(number(1, 60_000, 'bu/h')),
    note: optional(text(200)),
  },
  [
    { name: 'hopper_deeper_than_wide', broken: ({ hopper, diameter }) => (hopper <= 1.5 * diameter ? null : 'hopper') },
    {
      name: 'side_draw_not_in_the_wall',
      broken: ({ sideDrawAt, eave, hopper }) =>
        sideDrawAt === undefined || (sideDrawAt > hopper && sideDrawAt < hopper + eave) ? null : 'sideDrawAt',
    },
  ],
);
export type BinSetup = SettingOf<typeof BIN_SETUP>;

/** Which table of storage life counts: the cautious one that is shorter in heat, or the standard's formula. */
export const KEEPING_TABLES = ['cautious', 'standard'] as const;
export type KeepingTable = (typeof KEEPING_TABLES)[number];
/** Slope of the standard's formula below 60 °F: one slope at all temperatures, or the steeper one of some day tables. */
export const COLD_SLOPES = ['B', 'A'] as const;

/** By which tables the farm reckons how long grain keeps. */
export const KEEPING_RULES = settingKind('keepingRules', 'store', 'keeping_rules', 'farm', {
  /** above 75 °F */
  warm: choice(KEEPING_TABLES),
  /** at 75 °F and below */
  cool: choice(KEEPING_TABLES),
  /** of the standard's formula */
  slope: choice(COLD_SLOPES),
  /** points that soybeans are read as wetter corn */
  soybeanShift: number(0, 5, 'points'),
});
export type KeepingRules = SettingOf<typeof KEEPING_RULES>;

/** What is to be known of a place before anybody fills or empties it: out of service from and until, and what is odd about it. */
export const PLACE_STATE = settingKind(
  'placeState',
  'store',
  'place_states',
  'places',
  {
    /** out of service from here on; left out: it serves */
    outFrom: optional(instant()),
    /** left out: until somebody says so */
    outUntil: optional(instant()),
    why: optional(text(120)),
    /** what whoever pulls from it should see: "motor sketchy", "fines in the center" */
    note: optional(text(200)),
  },
  [
    {
      name: 'ends_before_it_begins',
      broken: ({ outFrom, outUntil }) =>
        outUntil === undefined || (outFrom !== undefined && Date.parse(outUntil) > Date.parse(outFrom))
          ? null
          : 'outUntil',
    },
    {
      name: 'out_without_reason',
      broken: ({ outFrom, why }) => (outFrom === undefined || (why ?? '').trim() !== '' ? null : 'why'),
    },
  ],
);
export type PlaceState = SettingOf<typeof PLACE_STATE>;

/** What whether the rest fits is reckoned with; what is left out follows from combines, trucks and buyers. */
export const REST_RULES = settingKind('restRules', 'store', 'rest_rules', 'farm', {
  /** until all should be in */
  days: optional(whole(1, 200, 'days')),
  /** that a stored bushel brings more than one sold now, after what keeping it costs */
  storedWorth: number(-5, 10, '$/bu'),
  dryerHoursPerDay: number(0, 24, 'h'),
  truckHoursPerDay: number(0, 24, 'h'),
});
export type RestRules = SettingOf<typeof REST_RULES>;

/** One temperature cable of a bin: how far from the middle it hangs, and the heights of its sensors. */
export const CABLE = {
  name: text(20, 1),
  fromCenter: number(0, 30, 'm'),
  /** of the lowest sensor above the floor */
  lowest: number(0, 10, 'm'),
  spacing: number(0.2, 5, 'm'),
  sensors: whole(1, 40),
};

/** The cables that hang in a bin, in the order in which its device counts them. */
export const BIN_CABLES = settingKind('binCables', 'store', 'bin_cables', 'places', {
  cables: list(record(CABLE), 1, 20),
});
export type BinCables = SettingOf<typeof BIN_CABLES>;

/** When the fan of stored grain runs: schools of the trade, a setting. */
export const AERATION_MODES = ['always', 'window', 'off'] as const;

/** How a bin is aerated. */
export const AERATION = settingKind('aeration', 'store', 'aerations', 'places', {
  mode: choice(AERATION_MODES),
  /** the air, after the fan's heat, is at least so much cooler than the grain */
  coolBy: number(0, 20, 'K'),
  /** points above its own moisture to which the air may bring the grain */
  mostRewet: number(-5, 10, 'points'),
  /** never cooled below */
  leastCelsius: number(-20, 30, '°C'),
});
export type Aeration = SettingOf<typeof AERATION>;

/** A fan switched on or off: its hours follow. */
export const FAN_SWITCH = logKind('fanSwitch', 'store', 'fan_switches', {
  placeId: idOf('places'),
  on: flag(),
});
export type FanSwitch = LogOf<typeof FAN_SWITCH>;

export const SITE_MACHINE_KINDS = ['pit', 'leg', 'distributor', 'conveyor', 'auger', 'gate'] as const;

/** A machine of the bin site that moves grain. */
export const SITE_MACHINE = {
  id: ownId(),
  name: text(40, 1),
  kind: choice(SITE_MACHINE_KINDS),
  rate: optional(number(1, 100_000, 'bu/h')),
  /** it has a motor */
  driven: flag(),
};

/** The bin site's machines, and which feeds which: a machine or a place on either side. */
export const SITE_EQUIPMENT = settingKind(
  'siteEquipment',
  'store',
  'site_equipment',
  'farm',
  {
    machines: list(record(SITE_MACHINE), 0, 60),
    links: list(record({ from: text(40, 1), to: text(40, 1) }), 0, 200),
  },
  [
    {
      name: 'machine_twice',
      broken: ({ machines }) => (new Set(machines.map(({ id }) => id)).size === machines.length ? null : 'machines'),
    },
    { name: 'feeds_itself', broken: ({ links }) => (links.some(({ from, to }) => from === to) ? 'links' : null) },
  ],
);
export type SiteEquipment = SettingOf<typeof SITE_EQUIPMENT>;

/** Gates and spouts as somebody set them: from a feeder over these to where grain falls; empty: closed. */
export const ROUTE_SET = logKind('routeSet', 'store', 'routes_set', {
  from: text(40, 1),
  path: list(text(40, 1), 0, 14),
});
export type RouteSet = LogOf<typeof ROUTE_SET>;

/** Somebody climbs a bin while another watches by name, or is down again. */
export const CLIMB = logKind('climb', 'store', 'climbs', {
  placeId: idOf('places'),
  who: text(60, 1),
  second: text(60, 1),
  down: flag(),
});
export type Climb = LogOf<typeof CLIMB>;

export const PILE_BASES = ['ground', 'gravel', 'asphalt', 'concrete'] as const;
export const PILE_COVERS = ['none', 'tarp'] as const;

/** What a pile lies on and under: it decides how long it may lie there and what it loses. */
export const PILE_SETUP = settingKind('pileSetup', 'store', 'pile_setups', 'places', {
  base: choice(PILE_BASES),
  cover: choice(PILE_COVERS),
  /** fans draw air through it */
  aired: flag(),
  /** of the strip that it may lie on; left out: round */
  width: optional(number(1, 300, 'm')),
  note: optional(text(200)),
});
export type PileSetup = SettingOf<typeof PILE_SETUP>;
