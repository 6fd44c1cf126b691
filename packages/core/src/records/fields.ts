import { CROP_IDS } from '../crops/index.js';
import { choice, idOf, list, map, moistureField, number, optional, record, text, whole } from './field.js';
import { type LogOf, logKind, settingKind, type SettingOf } from './kind.js';

/** Where a moisture was read; `bite` is teeth and a count of beans that crack. */
export const READING_SOURCES = ['hand', 'combine', 'elevator', 'bench', 'bite'] as const;
export type ReadingSource = (typeof READING_SOURCES)[number];

/** Moisture of a field, measured before or while it is cut. */
export const READING = logKind(
  'reading',
  'fields',
  'readings',
  {
    fieldId: idOf('fields'),
    /** wet-basis fraction; left out for a bite test */
    moisture: optional(moistureField()),
    source: choice(READING_SOURCES),
    /** of ten beans bitten, how many cracked */
    cracked: optional(whole(0, 10, 'of ten')),
    tester: optional(text(40)),
    /** where in the field */
    spot: optional(text(40)),
  },
  [
    {
      name: 'reading_without_figure',
      broken: (r) =>
        r.source === 'bite'
          ? r.cracked === undefined
            ? 'cracked'
            : null
          : r.moisture === undefined
            ? 'moisture'
            : null,
    },
  ],
);
export type Reading = LogOf<typeof READING>;

/** The same grain read by a tester and by the buyer. */
export const TESTER_PAIR = logKind('testerPair', 'fields', 'tester_pairs', {
  tester: text(40, 1),
  testerMoisture: moistureField(),
  buyerMoisture: moistureField(),
  /** a meter reads each crop by its own curve */
  crop: optional(choice(CROP_IDS)),
  buyerId: optional(idOf('places')),
});
export type TesterPair = LogOf<typeof TESTER_PAIR>;

/** The field that comes next, said to those whom it concerns before its first load. */
export const NEXT_FIELD_NOTICE = logKind('nextFieldNotice', 'fields', 'next_field_notices', {
  lotId: idOf('lots'),
  moisture: optional(moistureField()),
  /** points above the last loads */
  step: optional(number(-60, 60, 'points')),
  dryerBushelsPerHour: optional(number(0, 1e6, 'bu/h')),
  /** left out: the dryer keeps up */
  wetBinFullHours: optional(number(0, 10_000, 'h')),
});
export type NextFieldNotice = LogOf<typeof NEXT_FIELD_NOTICE>;

/** A farm's own limits for a crop, or a buyer's terms for it: between which moistures it is cut, what it pays, when grain is taken. */
export const CUTTING_WINDOW = settingKind(
  'cuttingWindow',
  'fields',
  'cutting_windows',
  'cropAndBuyer',
  {
    tooDryBelow: moistureField(),
    bestFrom: moistureField(),
    bestTo: moistureField(),
    refuseAbove: moistureField(),
    /** $/bu at base */
    price: number(0, 1000, '$/bu'),
    /** per cent of weight taken for each point above the base */
    shrinkPerPoint: number(0, 5, '%'),
    /** $ a point and bushel above the base */
    dockPerPoint: number(0, 1, '$'),
    /** per cent of the price taken for each point above the base */
    dockPercent: optional(number(0, 20, '%')),
    /** points of one step of the dock; each started one counts */
    dockStep: optional(number(0.05, 5, 'points')),
    /** hours of the day between which grain is taken */
    opensAt: optional(number(0, 24, 'h')),
    closesAt: optional(number(0, 24, 'h')),
    /** share lost at the header for each point below the window */
    shatterPerPoint: optional(number(0, 0.5, 'fraction')),
    /** share of its value that the crop loses standing until another day */
    standingRisk: optional(number(0, 1, 'fraction')),
  },
  [
    {
      name: 'limits_rise',
      broken: (w) =>
        w.tooDryBelow <= w.bestFrom && w.bestFrom <= w.bestTo && w.bestTo <= w.refuseAbove ? null : 'bestFrom',
    },
    { name: 'hours_rise', broken: (w) => ((w.opensAt ?? 0) < (w.closesAt ?? 24) ? null : 'closesAt') },
  ],
);
export type CuttingWindow = SettingOf<typeof CUTTING_WINDOW>;

/** A field's part in "which field next". */
export const FIELD_STANDING = {
  /** 0 sound to 3 going down */
  standability: whole(0, 3),
  distance: number(0, 200_000, 'm'),
  /** 0 still filling, 1 just mature, 2 ripe, 3 ripe for long */
  maturity: optional(whole(0, 3)),
  /** expected */
  yieldKgPerHa: optional(number(1, 40_000, 'kg/ha')),
  /** points a day that it loses standing, where somebody knows better than its readings */
  pointsPerDay: optional(number(0, 5, 'points/day')),
};

/** How "which field next" is weighed here, and what the dryer keeper permits. */
export const NEXT_FIELD_PLAN = settingKind('nextFieldPlan', 'fields', 'next_field_plans', 'farm', {
  school: text(20),
  weights: map(number(0, 5, '')),
  ownOrder: list(text(40), 0, 500),
  facts: map(record(FIELD_STANDING)),
  /** points that the dryer keeper lets the moisture jump */
  mostStep: number(0, 20, 'points'),
  bushelPointsPerHour: number(0, 1e6, 'bu·points/h'),
  dryTo: moistureField(),
  /** left out: by the combines' profiles */
  combineBushelsPerHour: optional(number(0, 100_000, 'bu/h')),
});
export type NextFieldPlan = SettingOf<typeof NEXT_FIELD_PLAN>;

/** The subject of a window: a crop, or a crop and a buyer. */
export function windowSubject(subject: string): { readonly crop: string; readonly buyerId: string | null } | null {
  const at = subject.indexOf('@');
  const crop = at < 0 ? subject : subject.slice(0, at);
  if (!(CROP_IDS as readonly string[]).includes(crop)) return null;
  return { crop, buyerId: at < 0 ? null : subject.slice(at + 1) };
}
