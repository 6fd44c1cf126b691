import { CROP_IDS, CROPS, isOwnCropId } from '../crops/index.js';
import {
  choice,
  crop,
  day,
  flag,
  idOf,
  list,
  map,
  moistureField,
  number,
  optional,
  ownId,
  record,
  text,
  whole,
} from './field.js';
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
    /** of one zone alone: it says nothing of the rest of the field */
    zoneId: optional(ownId()),
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

/** Why a part of a field is looked at by itself. */
export const ZONE_KINDS = ['wet', 'replanted', 'lodged', 'headland', 'strip', 'other'] as const;
export type ZoneKind = (typeof ZONE_KINDS)[number];
/** A corner of a boundary, in GeoJSON's order. */
export const CORNER = { lon: number(-180, 180, '°'), lat: number(-90, 90, '°') };

/** A part of a field that is read, cut or left by itself: a wet hole, what was planted again, headlands, a strip of a variety. */
export const FIELD_ZONE = settingKind(
  'fieldZone',
  'fields',
  'field_zones',
  'own',
  {
    fieldId: idOf('fields'),
    season: whole(1990, 2100),
    name: text(60, 1),
    kind: choice(ZONE_KINDS),
    acres: number(0.01, 50_000, 'ac'),
    /** around it, not closed; empty where nobody drew it */
    ring: list(record(CORNER), 0, 2000),
    variety: optional(text(60)),
    /** it stays standing until this day */
    leaveUntil: optional(day()),
    /** on this day somebody reads it again */
    retestOn: optional(day()),
    /** it is cut since this day */
    cutOn: optional(day()),
    why: text(200),
    /** taken out again: it was a mistake */
    gone: optional(flag()),
  },
  [{ name: 'ring_too_short', broken: ({ ring }) => (ring.length === 0 || ring.length >= 3 ? null : 'ring') }],
);
export type FieldZone = SettingOf<typeof FIELD_ZONE>;

/** What somebody has to know at a spot before he is there. */
export const PIN_KINDS = ['softSpot', 'rock', 'washout', 'lowWire', 'doublePlanted', 'other'] as const;
export type PinKind = (typeof PIN_KINDS)[number];

/** A spot of a field that the cab warns of. */
export const FIELD_PIN = logKind('fieldPin', 'fields', 'field_pins', {
  fieldId: idOf('fields'),
  kind: choice(PIN_KINDS),
  ...CORNER,
  /** how well the phone knew where it was */
  accuracy: optional(number(0, 100_000, 'm')),
  note: text(120),
  /** it is warned of from here on */
  warnWithin: number(5, 1000, 'm'),
});
export type FieldPin = LogOf<typeof FIELD_PIN>;

/** Rows that somebody counted standing from the cab. */
export const ROWS_LEFT = logKind('rowsLeft', 'fields', 'rows_left', {
  lotId: idOf('lots'),
  rows: whole(0, 20_000, 'rows'),
  rowSpacing: number(0.1, 3, 'm'),
  /** length of a row */
  passLength: number(10, 20_000, 'm'),
});
export type RowsLeft = LogOf<typeof ROWS_LEFT>;

/** The same grain read by a tester and by the buyer. */
export const TESTER_PAIR = logKind('testerPair', 'fields', 'tester_pairs', {
  tester: text(40, 1),
  testerMoisture: moistureField(),
  buyerMoisture: moistureField(),
  /** a meter reads each crop by its own curve */
  crop: optional(crop()),
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
    /** percent of weight taken for each point above the base */
    shrinkPerPoint: number(0, 5, '%'),
    /** $ a point and bushel above the base */
    dockPerPoint: number(0, 1, '$'),
    /** percent of the price taken for each point above the base */
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
  /** of a row, where most of them are as long */
  passLength: optional(number(10, 20_000, 'm')),
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

const plainCrop = (name: string): string => name.trim().toLowerCase();

/** A crop that the program does not have: popcorn like corn, rice like wheat. The rest of it is as of the crop that it is like. */
export const OWN_CROP = settingKind(
  'ownCrop',
  'fields',
  'own_crops',
  'ownCrops',
  {
    name: text(30, 1),
    /** what people say at the bin */
    short: text(20, 1),
    /** whose drying, keeping and airflow it has */
    like: choice(CROP_IDS),
    legalPounds: number(10, 100, 'lb/bu'),
    baseMoisture: number(0.03, 0.4, 'wb fraction'),
    testWeight: number(5, 100, 'lb/bu'),
    insuredMoisture: optional(number(0.03, 0.4, 'wb fraction')),
    kernelGrams: optional(number(0.0005, 5, 'g')),
    reposeDegrees: optional(number(10, 45, '°')),
    /** grown no more: it is offered nowhere */
    putAway: optional(flag()),
  },
  [
    {
      name: 'crop_is_there_already',
      broken: ({ name, short }) => {
        const taken = Object.values(CROPS).flatMap((one) => [one.name, one.short].map(plainCrop));
        return taken.includes(plainCrop(name)) ? 'name' : taken.includes(plainCrop(short)) ? 'short' : null;
      },
    },
  ],
);
export type OwnCropSetting = SettingOf<typeof OWN_CROP>;

/** The subject of a window: a crop, or a crop and a buyer. */
export function windowSubject(subject: string): { readonly crop: string; readonly buyerId: string | null } | null {
  const at = subject.indexOf('@');
  const crop = at < 0 ? subject : subject.slice(0, at);
  if (!(CROP_IDS as readonly string[]).includes(crop) && !isOwnCropId(crop)) return null;
  return { crop, buyerId: at < 0 ? null : subject.slice(at + 1) };
}
