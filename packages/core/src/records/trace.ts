import { choice, crop, day, flag, idOf, list, moistureField, number, optional, record, text, whole } from './field.js';
import { type LogOf, logKind, settingKind, type SettingOf } from './kind.js';

/** A harvest that is done with: what is written down later for a day before it was closed needs a reason. */
export const SEASON_STATE = settingKind('seasonState', 'trace', 'season_states', 'own', {
  season: whole(1990, 2100),
  closed: flag(),
  /** the last day of it: entries dated until then are closed */
  through: day(),
  note: optional(text(200)),
});
export type SeasonState = SettingOf<typeof SEASON_STATE>;

const descends = <T>(rows: readonly T[], of: (row: T) => number): number => rows.findIndex((row, i) => i > 0 && of(row) <= of(rows[i - 1]!)); // prettier-ignore

/**
 * A crop's policy of a season, with the tables that stand in it: moisture and test weight are counted by the policy's own factors, never by the
 * buyer's shrink.
 */
export const INSURANCE_POLICY = settingKind(
  'insurancePolicy',
  'trace',
  'insurance_policies',
  'own',
  {
    number: text(40, 1),
    crop: crop(),
    season: whole(1990, 2100),
    /** of the guarantee */
    coverage: number(0.1, 1, ''),
    price: number(0, 1000, '$/bu'),
    /** moisture up to which nothing is taken off */
    base: moistureField(),
    /** per tenth of a point above it, where no table is entered */
    perTenth: optional(number(0, 0.02, '')),
    /** the policy's own table */
    moistureFactors: optional(list(record({ moisture: moistureField(), factor: number(0.1, 1.2, '') }), 1, 300)),
    testWeightFactors: optional(list(record({ testWeight: number(20, 80, 'lb/bu'), factor: number(0.1, 1.2, '') }), 1, 100)), // prettier-ignore
    /** days after a loss is seen, and after the end of harvest or of the period, in which the insurer is told */
    noticeDays: whole(0, 365, 'days'),
    noticeAfterEnd: whole(0, 365, 'days'),
    periodEnds: day(),
    agent: optional(text(80)),
    phone: optional(text(40)),
  },
  [
    {
      name: 'rows_in_order',
      broken: ({ moistureFactors = [] }) => {
        const wrong = descends(moistureFactors, ({ moisture }) => moisture);
        return wrong < 0 ? null : `moistureFactors.${wrong}.moisture`;
      },
    },
    {
      name: 'rows_in_order',
      broken: ({ testWeightFactors = [] }) => {
        const wrong = descends(testWeightFactors, ({ testWeight }) => testWeight);
        return wrong < 0 ? null : `testWeightFactors.${wrong}.testWeight`;
      },
    },
  ],
);
export type InsurancePolicy = SettingOf<typeof INSURANCE_POLICY>;

export const UNIT_KINDS = ['optional', 'basic', 'enterprise'] as const;

/** A unit of a policy: the fields that are insured together. */
export const INSURANCE_UNIT = settingKind(
  'insuranceUnit',
  'trace',
  'insurance_units',
  'own',
  {
    policy: text(40, 1),
    number: text(40, 1),
    kind: choice(UNIT_KINDS),
    lots: list(text(40, 1), 1, 300),
    /** of the crop that is the insured's */
    share: number(0.01, 1, ''),
    /** left out: those of its fields */
    acres: optional(number(0.01, 1e6, 'ac')),
    approvedYield: number(0.1, 2000, 'bu/ac'),
    /** by the adjuster's table or by price; left out: 1 */
    quality: optional(number(0, 1, '')),
  },
  [
    {
      name: 'twice_in_list',
      broken: ({ lots }) => {
        const wrong = lots.findIndex((lot, i) => lots.indexOf(lot) < i);
        return wrong < 0 ? null : `lots.${wrong}`;
      },
    },
  ],
);
export type InsuranceUnit = SettingOf<typeof INSURANCE_UNIT>;

export const APPRAISED = ['unharvested', 'uninsured cause'] as const;

/** Production that was appraised in the field: acres that were not cut, or what was lost by a cause that is not insured. */
export const APPRAISAL = logKind('appraisal', 'trace', 'appraisals', {
  unit: text(40, 1),
  why: choice(APPRAISED),
  acres: number(0.01, 1e6, 'ac'),
  perAcre: number(0, 2000, 'bu/ac'),
  note: optional(text(200)),
});
export type Appraisal = LogOf<typeof APPRAISAL>;

/** A loss that was seen, from which the policy's days run. */
export const LOSS_NOTICE = logKind(
  'lossNotice',
  'trace',
  'loss_notices',
  {
    policy: text(40, 1),
    cause: text(80, 1),
    seenOn: day(),
    /** when the insurer was told */
    toldOn: optional(day()),
  },
  [{ name: 'ends_before_it_begins', broken: ({ seenOn, toldOn }) => (toldOn === undefined || toldOn >= seenOn ? null : 'toldOn') }], // prettier-ignore
);
export type LossNotice = LogOf<typeof LOSS_NOTICE>;

/** A bin measured for the insurer: level grain by tape, with a sample of it. */
export const BIN_MEASUREMENT = logKind('binMeasurement', 'trace', 'bin_measurements', {
  placeId: idOf('places'),
  cropYear: whole(1990, 2100),
  /** around the bin, by tape */
  circumference: number(3, 200, 'm'),
  /** of the level grain, to a tenth of a foot */
  depth: number(0, 60, 'm'),
  /** of the sample */
  moisture: moistureField(),
  testWeight: number(20, 80, 'lb/bu'),
  note: optional(text(200)),
});
export type BinMeasurement = LogOf<typeof BIN_MEASUREMENT>;

/** Where a field lies: rings of polygons as GeoJSON has them, the first ring of a part around it, the others holes in it. */
export const FIELD_BOUNDARY = settingKind('fieldBoundary', 'trace', 'field_boundaries', 'own', {
  field: idOf('fields'),
  points: list(
    record({ part: whole(0, 100), ring: whole(0, 100), lon: number(-180, 180, '°'), lat: number(-90, 90, '°') }),
    4,
    5000,
  ),
});
export type FieldBoundary = SettingOf<typeof FIELD_BOUNDARY>;

/** Columns of a file of loads that are understood. */
export const LOAD_COLUMNS = ['field', 'at', 'weight', 'moisture', 'to', 'ticket', 'crop'] as const;
export type LoadColumn = (typeof LOAD_COLUMNS)[number];
/** Columns of a file of fields that are understood. */
export const FIELD_COLUMNS = ['field', 'acres', 'crop', 'variety', 'tag', 'owner', 'share'] as const;
export type FieldColumn = (typeof FIELD_COLUMNS)[number];

/** Which column of a file is which, by its head, as somebody matched them once for files of that kind. */
export const FILE_MATCH = settingKind('fileMatch', 'trace', 'file_matches', 'own', {
  /** columns by the names that the import of that kind has for them */
  heads: list(record({ column: text(12, 1), head: text(80, 1) }), 0, 20),
  /** of weights */
  unit: optional(choice(['kilograms', 'pounds', 'tonnes', 'bushels'])),
  /** of temperatures and of the wind */
  degrees: optional(choice(['F', 'C'])),
  wind: optional(choice(['miles', 'kilometers', 'meters', 'knots'])),
  /** day before month in dates */
  dayFirst: optional(flag()),
});
export type FileMatch = SettingOf<typeof FILE_MATCH>;
