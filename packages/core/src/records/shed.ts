import {
  byCrop,
  choice,
  crop,
  day,
  flag,
  idOf,
  list,
  map,
  nullable,
  number,
  optional,
  ownId,
  record,
  text,
  ulidField,
  whole,
} from './field.js';
import { type LogOf, logKind, settingKind, type SettingOf } from './kind.js';
import { CARD_NAMES, CAUSE_NAMES, MACHINE_KIND_NAMES } from './shed-names.js';

/** A part that an item waits for. */
export const READINESS_PART = {
  name: text(80, 1),
  onHand: flag(),
  leadDays: number(0, 730, 'days'),
  orderedOn: nullable(day()),
};

/** One line of a readiness list. */
export const READINESS_ITEM = {
  id: ownId(),
  what: text(160, 1),
  owner: text(60),
  due: nullable(day()),
  doneOn: nullable(day()),
  /** why it was left out this year */
  skipped: nullable(text(200, 1)),
  /** the machine cannot work without it */
  needed: flag(),
  part: nullable(record(READINESS_PART)),
  card: optional(choice(CARD_NAMES)),
};
export const MACHINE_SERVICE = {
  id: ownId(),
  what: text(120, 1),
  by: choice(['engine', 'separator']),
  everyHours: number(1, 10_000, 'h'),
  lastAt: number(0, 100_000, 'h'),
  skipped: whole(0, 1000),
};
export const MACHINE_WEAR = {
  id: ownId(),
  name: text(80, 1),
  position: text(80),
  hoursAtFit: number(0, 100_000, 'h'),
  acresAtFit: number(0, 1_000_000, 'ac'),
  lastsHours: nullable(number(1, 100_000, 'h')),
  lastsAcres: nullable(number(1, 1_000_000, 'ac')),
  /** newest last */
  photos: list(ulidField(), 0, 40),
};

/** A machine with its vessel where it has one, its list, its services and what wears on it. */
export const MACHINE = settingKind('machine', 'shed', 'machines', 'own', {
  kind: choice(MACHINE_KIND_NAMES),
  name: text(60, 1),
  /** its vessel in the book, where it holds grain: tank, box, column */
  placeId: optional(idOf('places')),
  /** crops that it works in; left out: all of them */
  crops: optional(list(crop(), 0, 20)),
  retired: flag(),
  engineHours: number(0, 100_000, 'h'),
  separatorHours: number(0, 100_000, 'h'),
  acres: number(0, 1_000_000, 'ac'),
  items: list(record(READINESS_ITEM), 0, 100),
  services: list(record(MACHINE_SERVICE), 0, 40),
  wear: list(record(MACHINE_WEAR), 0, 40),
});
export type Machine = SettingOf<typeof MACHINE>;
export type MachineItem = Machine['items'][number];
export type MachineService = Machine['services'][number];
export type MachineWear = Machine['wear'][number];

/** One line of a list by kind of machine. */
export const READINESS_LINE = {
  what: text(160, 1),
  needed: flag(),
  daysBefore: number(0, 365, 'days'),
  card: optional(choice(CARD_NAMES)),
};

/** The farm's own list for a kind of machine. */
export const READINESS_TEMPLATE = settingKind('readinessTemplate', 'shed', 'readiness_templates', 'machineKind', {
  lines: list(record(READINESS_LINE), 0, 60),
});
export type ReadinessTemplate = SettingOf<typeof READINESS_TEMPLATE>;

/** When each crop's harvest is expected to begin, and which cards must be acknowledged before their step. */
export const SEASON_PLAN = settingKind('seasonPlan', 'shed', 'season_plans', 'farm', {
  firstDays: byCrop(day()),
  acknowledge: list(choice(CARD_NAMES), 0, 40),
  /** fire index at which harvest stops here: the local authority's limit */
  fireStopAt: optional(number(5, 100, '')),
});
export type SeasonPlan = SettingOf<typeof SEASON_PLAN>;

/** What the farm itself adds to the usual caution of a hazard: its own lockout, its own number to call. It stands behind the caution, never in its place. */
export const SAFETY_WORDS = settingKind('safetyWords', 'shed', 'safety_words', 'farm', {
  words: map(text(300, 1), CARD_NAMES),
});
export type SafetyWords = SettingOf<typeof SAFETY_WORDS>;

/** Jobs that a farm writes a card for. */
export const JOB_CARDS = ['combine', 'cart', 'truck', 'dryer', 'bins', 'scale'] as const;
export type JobCardId = (typeof JOB_CARDS)[number];
export const JOB_STEP = {
  text: text(200, 1),
  /** taken on this farm */
  photo: optional(ulidField()),
};
/** How a job is done on this farm, step by step with pictures: for who is new, and for who comes back after a year. By the job's name. */
export const JOB_CARD = settingKind('jobCard', 'shed', 'job_cards', 'own', { steps: list(record(JOB_STEP), 1, 30) });
export type JobCard = SettingOf<typeof JOB_CARD>;

/** A machine's fuel tank; a cart's is that of the tractor before it. */
export const FUEL_TANK = settingKind('fuelTank', 'shed', 'fuel_tanks', 'places', {
  gallons: number(5, 5000, 'gal'),
  /** until the farm's own fills say it */
  burnPerHour: optional(number(0.2, 100, 'gal/h')),
  /** of the tank, which is not to be burned */
  reserve: number(0, 0.5, 'fraction'),
  /** the road home, which is still to be driven */
  homeMin: optional(number(0, 240, 'min')),
});
export type FuelTank = SettingOf<typeof FUEL_TANK>;

/** Fuel that went into a machine. */
export const FUEL_FILL = logKind('fuelFill', 'shed', 'fuel_fills', {
  placeId: idOf('places'),
  gallons: number(0.5, 5000, 'gal'),
  /** up to the brim: from there on it is known what is left */
  full: flag(),
});
export type FuelFill = LogOf<typeof FUEL_FILL>;

/** How hot a part was, by hand or by an infrared thermometer. */
export const PART_FEELS = ['cool', 'warm', 'tooHotToHold'] as const;
export const PART_HEAT = logKind(
  'partHeat',
  'shed',
  'part_heats',
  {
    placeId: idOf('places'),
    part: text(80, 1),
    celsius: optional(number(-40, 800, '°C')),
    /** of the air around */
    airCelsius: optional(number(-40, 60, '°C')),
    feels: optional(choice(PART_FEELS)),
    /** a squeak, a smell, chaff on it */
    noticed: text(120),
    /** it was greased now */
    greased: flag(),
  },
  [
    {
      name: 'heat_without_figure',
      broken: (heat) => (heat.celsius === undefined && heat.feels === undefined ? 'celsius' : null),
    },
  ],
);
export type PartHeat = LogOf<typeof PART_HEAT>;

export const HANGING_PART = { part: text(80, 1), on: text(80, 1) };
/** Which part of a machine hangs on which: a belt on its shaft, the shaft on its bearing. */
export const PART_TREE = settingKind('partTree', 'shed', 'part_trees', 'places', {
  hangs: list(record(HANGING_PART), 0, 100),
});
export type PartTree = SettingOf<typeof PART_TREE>;

/** A person of the crew: a trainee sees one step at a time, with more room. */
export const CREW_MEMBER = {
  name: text(60, 1),
  phone: text(40),
  trainee: flag(),
  /** the pickup that he comes with, as it is called here */
  vehicle: optional(text(40)),
};
/** Who works here, who is called, how long one sits at a wheel, and when alarms that can wait are quiet. */
export const CREW = settingKind('crew', 'shed', 'crews', 'farm', {
  people: list(record(CREW_MEMBER), 0, 60),
  /** who is called for help */
  call: text(60),
  /** after which a rest is thought of */
  mostHours: number(1, 24, 'h'),
  /** hours of the day */
  quietFrom: optional(number(0, 24, 'h')),
  quietTo: optional(number(0, 24, 'h')),
  /** wind at which the farm stops what blows away */
  windLine: optional(number(1, 60, 'm/s')),
  /** relative humidity at which straw is too tough to cut */
  dewLine: optional(number(0.3, 1, 'fraction')),
});
export type Crew = SettingOf<typeof CREW>;
export type CrewMember = Crew['people'][number];

/** One who leaves a machine tells the next. */
export const HANDOVER = logKind('handover', 'shed', 'handovers', {
  placeId: idOf('places'),
  from: text(60),
  to: text(60),
  /** what is wrong with the machine, what to watch */
  machine: text(300),
  /** what was promised to whom */
  promised: text(300),
});
export type Handover = LogOf<typeof HANDOVER>;

/** A machine on its way from one crop to another. */
export const CHANGEOVER = settingKind('changeover', 'shed', 'changeovers', 'machines', {
  from: nullable(crop()),
  to: crop(),
  done: list(
    record({ step: ownId(), at: text(40), by: text(60), photo: optional(ulidField()), noPhoto: optional(text(120)) }),
    0,
    60,
  ),
});
export type Changeover = SettingOf<typeof CHANGEOVER>;
export type DoneStep = Changeover['done'][number];

/** A dealer's parts counter: hours of the day at which it opens and closes, left out where it is shut. */
export const PARTS_COUNTER = {
  name: text(60, 1),
  phone: text(40),
  /** one way */
  roadMin: number(0, 600, 'min'),
  opens: optional(number(0, 24, 'h')),
  closes: optional(number(0, 24, 'h')),
  saturdayOpens: optional(number(0, 24, 'h')),
  saturdayCloses: optional(number(0, 24, 'h')),
  sundayOpens: optional(number(0, 24, 'h')),
  sundayCloses: optional(number(0, 24, 'h')),
};

/** Where parts are fetched, and until when. */
export const PARTS_COUNTERS = settingKind('partsCounters', 'shed', 'parts_counters', 'farm', {
  counters: list(record(PARTS_COUNTER), 0, 20),
});
export type PartsCounters = SettingOf<typeof PARTS_COUNTERS>;
export type PartsCounter = PartsCounters['counters'][number];

/** Something broke. */
export const BREAKDOWN = logKind('breakdown', 'shed', 'breakdowns', {
  assetId: idOf('machines'),
  what: text(200, 1),
  cause: choice(CAUSE_NAMES),
  /** for parts and hands */
  cost: number(0, 10_000_000, '$'),
  hoursLost: number(0, 10_000, 'h'),
  acresLost: number(0, 1_000_000, 'ac'),
  /** the spare that was not there; empty when none was wanted */
  missingSpare: text(80),
  /** it runs again */
  mended: flag(),
});
export type BreakdownRecord = LogOf<typeof BREAKDOWN>;

/** Somebody read a card before the step that it belongs to. */
export const ACKNOWLEDGEMENT = logKind('acknowledgement', 'shed', 'acknowledgements', {
  card: choice(CARD_NAMES),
  before: text(120),
});
export type Acknowledgement = LogOf<typeof ACKNOWLEDGEMENT>;
