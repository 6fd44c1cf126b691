import {
  byCrop,
  choice,
  crop,
  type Field,
  idOf,
  list,
  map,
  moistureField,
  number,
  optional,
  record,
  text,
  ulidField,
  whole,
} from './field.js';
import { type LogOf, logKind, settingKind, type SettingOf } from './kind.js';
import { SETTING_NAMES, SETTINGS, SYMPTOM_NAMES } from './settings.js';

/** How a machine was set, and why it was changed. The whole entry each time, so that any of them can be gone back to. */
export const SETTINGS_ENTRY = logKind(
  'settingsEntry',
  'cut',
  'settings_entries',
  {
    machineId: idOf('places'),
    lotId: idOf('lots'),
    /** by setting: rpm, mm, m/s */
    values: map(number(0, 2000, ''), SETTING_NAMES),
    concaveType: optional(text(60)),
    why: text(200),
    moisture: optional(moistureField()),
    /** look of the tank, 1 clean to 5 */
    dirt: optional(whole(1, 5)),
    /** the entry that this one goes back to */
    undoes: optional(ulidField()),
  },
  [
    {
      name: 'setting_out_of_range',
      broken: ({ values }) =>
        Object.entries(values).every(
          ([name, value]) =>
            value! >= SETTINGS[name as keyof typeof SETTINGS].least &&
            value! <= SETTINGS[name as keyof typeof SETTINGS].most,
        )
          ? null
          : 'values',
    },
  ],
);
export type SettingsEntry = LogOf<typeof SETTINGS_ENTRY>;

const FRAME = { kernels: whole(0, 100_000), area: number(0.01, 200, 'm²') };

/** Kernels counted behind a machine; what they come to is worked out whenever it is shown. */
export const LOSS_CHECK = logKind('lossCheck', 'cut', 'loss_checks', {
  machineId: idOf('places'),
  lotId: idOf('lots'),
  behind: list(record(FRAME), 1, 50),
  before: list(record(FRAME), 0, 50),
  atHeader: list(record(FRAME), 0, 50),
  /** share of those behind that is still on cobs, heads or in pods */
  unthreshed: optional(number(0, 1, 'fraction')),
  kernelGrams: number(0.0001, 10, 'g'),
  pricePerBu: number(0, 1000, '$/bu'),
  /** acres of this crop that were still to cut */
  acresLeft: optional(number(0, 1_000_000, 'ac')),
  spreadWidth: optional(number(0.5, 30, 'm')),
  headWidth: optional(number(0.5, 30, 'm')),
  symptom: optional(choice(SYMPTOM_NAMES)),
  /** the settings entry in use */
  settingsId: optional(ulidField()),
});
export type LossCount = LogOf<typeof LOSS_CHECK>;
export type LossFrame = LossCount['behind'][number];

/** Alternating strips: new minus old of each pair, kg/ha. */
export const STRIP_TRIAL = logKind('stripTrial', 'cut', 'strip_trials', {
  lotId: idOf('lots'),
  what: text(120, 1),
  differences: list(number(-40_000, 40_000, 'kg/ha'), 2, 100),
});
export type StripTrial = LogOf<typeof STRIP_TRIAL>;

/** A head that a combine can carry. */
export const COMBINE_HEAD = { name: text(40, 1), width: number(0.3, 30, 'm'), rows: optional(whole(1, 40)) };

/** A load that a display and a scale both had, known without the book: "270 on the screen, 250 on the ticket". */
export const DISPLAY_CHECK = logKind('displayCheck', 'cut', 'display_checks', {
  machineId: idOf('places'),
  crop: crop(),
  displayKg: number(1, 1_000_000, 'kg'),
  scaleKg: number(1, 1_000_000, 'kg'),
  /** of the display while it was cut */
  flow: optional(number(0, 100, 'kg/s')),
  /** where the figures come from */
  note: optional(text(120)),
});
export type DisplayCheck = LogOf<typeof DISPLAY_CHECK>;

/** Where a sample of grain was taken and looked through. */
export const SAMPLE_PLACES = ['tank', 'screen', 'tester'] as const;
export type SamplePlace = (typeof SAMPLE_PLACES)[number];
/** A sample of grain, sieved and picked: percent by weight. */
export const GRAIN_SAMPLE = logKind(
  'grainSample',
  'cut',
  'grain_samples',
  {
    machineId: idOf('places'),
    lotId: idOf('lots'),
    takenAt: choice(SAMPLE_PLACES),
    /** through the sieve: meal, chips, dust */
    fines: optional(number(0, 50, '%')),
    /** split, cracked or chipped kernels */
    cracked: optional(number(0, 100, '%')),
    /** cobs, pods, straw, weed seed */
    foreign: optional(number(0, 50, '%')),
    note: optional(text(120)),
  },
  [
    {
      name: 'sample_without_figure',
      broken: ({ fines, cracked, foreign }) =>
        fines === undefined && cracked === undefined && foreign === undefined ? 'fines' : null,
    },
  ],
);
export type GrainSample = LogOf<typeof GRAIN_SAMPLE>;

/** One sheet of a neighbor's file: what was set, and how it turned out there. */
export const NEIGHBOR_SHEET = {
  /** what it was set on, as he calls it */
  machine: text(60),
  crop: crop(),
  variety: text(60),
  moisture: optional(moistureField()),
  /** lost, at the crop's legal weight */
  lossBu: optional(number(0, 200, 'bu/ac')),
  fines: optional(number(0, 50, '%')),
  cracked: optional(number(0, 100, '%')),
  foreign: optional(number(0, 50, '%')),
  note: text(200),
  ...(Object.fromEntries(
    SETTING_NAMES.map((name) => [
      name,
      optional(number(SETTINGS[name].least, SETTINGS[name].most, SETTINGS[name].unit)),
    ]),
  ) as Record<(typeof SETTING_NAMES)[number], Field<number | undefined>>),
};
/** Settings of somebody else's combine, out of a file that he gave: looked up beside the own ones, never counted as them. */
export const NEIGHBOR_SHEETS = logKind('neighborSheets', 'cut', 'neighbor_sheets', {
  /** whose */
  from: text(60, 1),
  file: text(120, 1),
  sheets: list(record(NEIGHBOR_SHEET), 1, 300),
});
export type NeighborSheets = LogOf<typeof NEIGHBOR_SHEETS>;
export type NeighborSheet = NeighborSheets['sheets'][number];

/** kg/ha of a crop. */
export const ACCEPTED_LOSS = number(0, 5000, 'kg/ha');

/** What a combine is and can do. */
export const COMBINE_PROFILE = settingKind(
  'combineProfile',
  'cut',
  'combine_profiles',
  'places',
  {
    kind: choice(['rotary', 'conventional']),
    /** of the head that is on */
    headWidth: number(0.3, 30, 'm'),
    /** day (farm time) on which somebody confirmed the head; empty: nobody did */
    headConfirmed: text(10),
    /** at which it does good work */
    goodRate: number(0, 1e6, 'kg/h'),
    /** on rough ground */
    speedLimit: number(0.1, 8, 'm/s'),
    tankBu: number(1, 2000, 'bu'),
    /** most that the tank may weigh, by the machine's book */
    ratedKg: optional(number(100, 60_000, 'kg')),
    /** share of the time in the field spent cutting */
    fieldEfficiency: number(0.05, 1, 'fraction'),
    /** least and most by setting */
    ranges: map(list(number(0, 2000, ''), 2, 2), SETTING_NAMES),
    /** loss that the farm accepts, by crop */
    acceptedLoss: optional(byCrop(ACCEPTED_LOSS)),
    heads: optional(list(record(COMBINE_HEAD), 0, 12)),
    headOn: optional(text(40)),
    concaves: optional(list(text(40), 0, 20)),
    sieves: optional(list(text(40), 0, 20)),
  },
  [
    {
      name: 'range_falls',
      broken: ({ ranges }) => (Object.values(ranges).every((range) => range![0]! <= range![1]!) ? null : 'ranges'),
    },
  ],
);
export type CombineProfile = SettingOf<typeof COMBINE_PROFILE>;
