import { flag, day, choice, idOf, instant, list, map, number, optional, record, text, ulidField } from './field.js';
import { type LogOf, logKind, settingKind, type SettingOf } from './kind.js';

/** The links of a harvest day, from the field to where the grain stays. */
export const LINKS = [
  'field',
  'combine',
  'cart',
  'trucks',
  'line',
  'hours',
  'pit',
  'wet bin',
  'dryer',
  'bin room',
] as const;
export type ChainLink = (typeof LINKS)[number];

/** An empty weight of a combination of tractor and trailer: one for the whole truck, or 2 to 12 axles from the front. */
export const EMPTY_WEIGHT = logKind('emptyWeight', 'haul', 'empty_weights', {
  machineId: idOf('places'),
  /** tractor and trailer that stood on the scale */
  combination: text(60, 1),
  axlesKg: list(number(1, 60_000, 'kg'), 1, 12),
});
export type EmptyWeightRecord = LogOf<typeof EMPTY_WEIGHT>;

/** A link of the chain that stands, or will be late; the plan of the day is made again with it. */
export const DELAY = logKind('delay', 'haul', 'delays', {
  link: choice(LINKS),
  minutes: number(1, 1440, 'min'),
  machineId: optional(idOf('places')),
  reason: optional(text(200)),
});
export type Delay = LogOf<typeof DELAY>;

/** Somebody said that tank, cart and trucks were emptied before the next field, or that they were not. */
export const FIELD_CHANGE = logKind('fieldChange', 'haul', 'field_changes', {
  lotId: idOf('lots'),
  /** places that still held grain of the field before, and keep it */
  mixed: list(text(40, 1), 0, 60),
});
export type FieldChange = LogOf<typeof FIELD_CHANGE>;

/** How a load that machines saw by themselves stands in doubt. */
export const SEEN_KINDS = ['cut', 'dump', 'yard'] as const;
export type SeenKind = (typeof SEEN_KINDS)[number];
/** A load that machines saw and that is not sure: somebody is asked. Taken back once it is answered. */
export const SEEN_LOAD = logKind('seenLoad', 'haul', 'seen_loads', {
  /** whose scale or way shows it */
  machineId: idOf('places'),
  kind: choice(SEEN_KINDS),
  from: optional(idOf('places')),
  to: optional(idOf('places')),
  lotId: optional(idOf('lots')),
  kg: optional(number(0, 200_000, 'kg')),
  moisture: optional(number(0, 0.6, 'fraction')),
  emptied: flag(),
  why: text(40, 1),
});
export type SeenLoadRecord = LogOf<typeof SEEN_LOAD>;

/** What is photographed beside a load, where nothing is on a wire. */
export const DISPLAY_KINDS = ['scale', 'tester'] as const;
export type DisplayKind = (typeof DISPLAY_KINDS)[number];
/** A scale's or a tester's display photographed where it stood, to be typed by somebody at a desk. */
export const DISPLAY_PHOTO = logKind('displayPhoto', 'haul', 'display_photos', {
  photo: ulidField(),
  /** the machine that it was taken in */
  placeId: idOf('places'),
  shows: choice(DISPLAY_KINDS),
});
export type DisplayPhoto = LogOf<typeof DISPLAY_PHOTO>;
/** A photographed display was typed: the measurement or the reading that stands for it. */
export const DISPLAY_TYPED = logKind('displayTyped', 'haul', 'displays_typed', {
  displayId: ulidField(),
  /** its id in the book, or among the readings */
  as: text(40, 1),
});

/** A place where trucks are emptied, and how far around it they stand. */
export const TRUCK_YARD = {
  placeId: idOf('places'),
  lon: number(-180, 180, '°'),
  lat: number(-90, 90, '°'),
  radius: number(10, 2000, 'm'),
};
/** Whether loads that machines are sure of enter the book by themselves, and where trucks are emptied. */
export const SELF_RECORDING = settingKind('selfRecording', 'haul', 'self_recordings', 'farm', {
  on: flag(),
  yards: list(record(TRUCK_YARD), 0, 20),
});
export type SelfRecording = SettingOf<typeof SELF_RECORDING>;

/** How a machine goes on the road between fields: combine, cart with its tractor. */
export const RIG_ROAD = settingKind('rigRoad', 'haul', 'rig_roads', 'places', {
  /** as it goes there */
  width: number(1, 15, 'm'),
  speed: number(0.5, 30, 'm/s'),
  /** head off and on again, ladders, lights, folding */
  readyMin: number(0, 240, 'min'),
  /** the head comes off and follows on its cart */
  headOnCart: flag(),
  /** somebody drives ahead or behind */
  escort: flag(),
});
export type RigRoad = SettingOf<typeof RIG_ROAD>;

/** A machine moved to another field; `at` is when it was there. */
export const RIG_MOVE = logKind(
  'rigMove',
  'haul',
  'rig_moves',
  {
    placeId: idOf('places'),
    /** left out: from the yard */
    fromLot: optional(idOf('lots')),
    toLot: idOf('lots'),
    leftAt: instant(),
    /** pickups that went along, as the crew calls them */
    along: list(text(40, 1), 0, 10),
  },
  [
    {
      name: 'ends_before_it_begins',
      broken: ({ at, leftAt }) => (Date.parse(leftAt) <= Date.parse(at) ? null : 'leftAt'),
    },
  ],
);
export type RigMove = LogOf<typeof RIG_MOVE>;

/** The road from a field, one way. */
export const ROAD_LEG = {
  from: idOf('fields'),
  minutes: number(0, 600, 'min'),
  km: optional(number(0, 1000, 'km')),
};
/** The road to a buyer, or `home`: how far it is from the yard, and each field that is nearer or farther. By the buyer's id. */
export const BUYER_ROADS = settingKind(
  'buyerRoads',
  'haul',
  'buyer_roads',
  'own',
  {
    /** from the yard, one way; its minutes stand with the farm's times */
    km: optional(number(0, 1000, 'km')),
    legs: list(record(ROAD_LEG), 0, 300),
  },
  [
    {
      name: 'field_twice',
      broken: ({ legs }) => {
        const twice = legs.findIndex(({ from }, i) => legs.findIndex((leg) => leg.from === from) !== i);
        return twice < 0 ? null : `legs.${twice}.from`;
      },
    },
  ],
);
export type BuyerRoads = SettingOf<typeof BUYER_ROADS>;

/** How grain that stands out is covered. */
export const COVER_KINDS = ['tarp', 'lid', 'door', 'sheet'] as const;
/** What is closed over a place before it rains, and how full it may be for that. */
export const COVER = settingKind('cover', 'haul', 'covers', 'places', {
  kind: choice(COVER_KINDS),
  /** bushels above which it does not close */
  closesUpTo: optional(number(0, 10_000_000, 'bu')),
  /** that closing it takes */
  minutes: number(0, 600, 'min'),
  /** who closes it, where that is always the same */
  who: text(60),
});
export type Cover = SettingOf<typeof COVER>;

/** A cover was closed or opened. */
export const COVER_MOVED = logKind('coverMoved', 'haul', 'covers_moved', { placeId: idOf('places'), closed: flag() });
export type CoverMoved = LogOf<typeof COVER_MOVED>;

/** Somebody sees to an alarm: it is quiet for all. */
export const ALARM_HEARD = logKind('alarmHeard', 'haul', 'alarms_heard', {
  /** which one, as the list of alarms names it */
  key: text(120, 1),
  what: text(200),
});
export type AlarmHeard = LogOf<typeof ALARM_HEARD>;

export const TRUCK_PERMIT = {
  name: text(80, 1),
  percentAxles: number(0, 50, '%'),
  percentGross: number(0, 50, '%'),
  from: day(),
  until: day(),
};
export const TRUCK_AXLE = {
  /** behind the first axle */
  at: number(0, 60, 'm'),
  /** of the load that comes down on it */
  share: number(0, 1, 'fraction'),
};

/** How a truck is emptied: what a buyer's pit must be made for. */
export const TRUCK_BODIES = ['hopper', 'endDump', 'sideDump', 'liveFloor', 'wagon'] as const;
export type TruckBody = (typeof TRUCK_BODIES)[number];

/** A truck on the road: its combination, its axles and what may be on them. */
export const TRUCK_SETUP = settingKind(
  'truckSetup',
  'haul',
  'truck_setups',
  'places',
  {
    combination: text(60, 1),
    /** left out: not known */
    body: optional(choice(TRUCK_BODIES)),
    axles: list(record(TRUCK_AXLE), 2, 12),
    singleLb: number(1000, 100_000, 'lb'),
    tandemLb: number(1000, 200_000, 'lb'),
    grossLb: number(1000, 400_000, 'lb'),
    permit: optional(record(TRUCK_PERMIT)),
    /** buyers to whose road the permit holds; left out: it names no roads */
    permitRoads: optional(list(text(40, 1), 0, 60)),
  },
  [
    {
      name: 'axles_in_order',
      broken: ({ axles }) =>
        axles.every(({ at }, i) => (i === 0 ? at === 0 : at >= axles[i - 1]!.at + 0.5)) ? null : 'axles',
    },
    {
      name: 'shares_whole',
      broken: ({ axles }) => (Math.abs(axles.reduce((sum, { share }) => sum + share, 0) - 1) <= 0.001 ? null : 'share'),
    },
    { name: 'permit_ends_first', broken: ({ permit }) => (permit && permit.from > permit.until ? 'until' : null) },
  ],
);
export type TruckSetup = SettingOf<typeof TRUCK_SETUP>;

/** A scale: where it stands, its zero, and when its weight is still. */
export const SCALE_SETUP = settingKind('scaleSetup', 'haul', 'scale_setups', 'devices', {
  /** the cart that it carries, the combine whose display it is */
  placeId: optional(idOf('places')),
  /** taken from every figure */
  zeroKg: number(-20_000, 60_000, 'kg'),
  zeroedAt: optional(instant()),
  withinKg: number(0.1, 2000, 'kg'),
  forSeconds: number(0.5, 60, 's'),
});
export type ScaleSetup = SettingOf<typeof SCALE_SETUP>;

/** How the farm judges its weights. */
export const WEIGHT_RULES = settingKind('weightRules', 'haul', 'weight_rules', 'farm', {
  /** beyond which two scales disagree */
  tolerance: number(0.0005, 0.1, 'fraction'),
  /** after which an empty weight is old */
  tareOldDays: number(1, 400, 'days'),
  /** by which an empty weight may drift */
  tareTolerance: number(0.001, 0.2, 'fraction'),
});
export type WeightRulesSetting = SettingOf<typeof WEIGHT_RULES>;

/** How the farm hauls: minutes of each part, as people know them. */
export const HAUL_TIMES = settingKind('haulTimes', 'haul', 'haul_times', 'farm', {
  /** one way, by buyer, and `home` */
  roadMin: map(number(0, 600, 'min')),
  /** cart onto truck */
  loadMin: number(0, 240, 'min'),
  tarpMin: number(0, 240, 'min'),
  /** on the scale and over the pit */
  unloadMin: number(0, 600, 'min'),
  /** trucks of others that come in an hour */
  othersPerHour: number(0, 200, ''),
  /** most in a combine tank at which its lids still close */
  lidsCloseBu: number(0, 2000, 'bu'),
  /** an hour of a truck with its driver */
  truckCostPerHour: optional(number(0, 2000, '$/h')),
  /** fuel, tires and wear of a truck on the road; left out: they are in its hour */
  truckCostPerKm: optional(number(0, 50, '$/km')),
  /** an hour of a combine with its driver and its part of the cart */
  combineCostPerHour: optional(number(0, 5000, '$/h')),
});
export type HaulTimes = SettingOf<typeof HAUL_TIMES>;

/** Where the loads go, until somebody says otherwise. */
export const HAUL_PLAN = settingKind('haulPlan', 'haul', 'haul_plans', 'farm', {
  /** left out: home, the wet bin */
  buyerId: optional(idOf('places')),
  /** that a truck waits for others there */
  lineMin: number(0, 600, 'min'),
});
export type HaulPlan = SettingOf<typeof HAUL_PLAN>;

export const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

/** What is known of a buyer's yard: when it takes grain, who answers the phone, what may drive over its scale. */
export const BUYER_FACTS = settingKind(
  'buyerFacts',
  'haul',
  'buyer_facts',
  'places',
  {
    /** name and number */
    call: optional(text(80)),
    /** how he tests moisture */
    tester: optional(text(80)),
    /** most on his road or his scale */
    grossLimitLb: optional(number(1000, 400_000, 'lb')),
    /** the only trucks that his pit takes; left out: any */
    takes: optional(list(choice(TRUCK_BODIES), 1, 5)),
    /** hours of the day between which grain is taken; a day that is left out is as his window says */
    hours: map(record({ closed: flag(), opens: number(0, 24, 'h'), closes: number(0, 24, 'h') }), WEEKDAYS),
    /** days that are otherwise */
    exceptions: list(
      record({
        on: day(),
        closed: flag(),
        opens: number(0, 24, 'h'),
        closes: number(0, 24, 'h'),
        note: optional(text(80)),
      }),
      0,
      60,
    ),
  },
  [
    {
      name: 'hours_rise',
      broken: ({ hours }) => {
        const wrong = WEEKDAYS.find(
          (name) => hours[name] && !hours[name].closed && hours[name].opens >= hours[name].closes,
        );
        return wrong === undefined ? null : `hours.${wrong}.closes`;
      },
    },
    {
      name: 'hours_rise',
      broken: ({ exceptions }) => {
        const wrong = exceptions.findIndex(({ closed, opens, closes }) => !closed && opens >= closes);
        return wrong < 0 ? null : `exceptions.${wrong}.closes`;
      },
    },
  ],
);
export type BuyerFacts = SettingOf<typeof BUYER_FACTS>;
