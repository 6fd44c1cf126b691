import { type Formula, inOrder, quantity, requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';
import { type FieldForDryer, fieldsForDryer } from '../dry/index.js';

/** Why a field should come sooner; each school weighs them differently, and a farm may weigh them itself. */
export const CRITERIA = {
  dryer: 'a steady dryer',
  dryness: 'dry enough to sell',
  standing: 'stalks that may go down',
  near: 'a short way',
  rain: 'rain before it is done',
  size: 'long rows while help is there',
  room: 'what the wet bin can take',
  maturity: 'ripe for longest',
  hours: 'before the buyer closes',
} as const;
export type Criterion = keyof typeof CRITERIA;
export type Weights = Readonly<Record<Criterion, number>>;

const weights = (
  dryer: number,
  dryness: number,
  standing: number,
  near: number,
  rain: number,
  size: number,
  room: number,
  maturity: number,
  hours: number,
): Weights => ({
  dryer,
  dryness,
  standing,
  near,
  rain,
  size,
  room,
  maturity,
  hours,
});

/** The schools of practice as visible presets, 0 to 5; never a hidden rule. Common practice, no source. */
export const SCHOOLS = {
  steady: { name: 'Keep the dryer steady', weights: weights(5, 1, 2, 1, 2, 1, 4, 1, 0) },
  early: { name: 'Start early, dry it at home', weights: weights(3, 0, 5, 1, 3, 2, 3, 3, 0) },
  dryCorn: { name: 'Wait for dry grain', weights: weights(1, 5, 1, 1, 1, 1, 1, 3, 1) },
  elevator: { name: 'Straight to the elevator', weights: weights(0, 5, 2, 2, 3, 2, 0, 2, 5) },
  showers: { name: 'Close by, between showers', weights: weights(1, 1, 2, 5, 5, 0, 1, 1, 1) },
  help: { name: 'Long rows while help is here', weights: weights(1, 1, 2, 2, 1, 5, 1, 1, 1) },
} as const satisfies Record<string, { name: string; weights: Weights }>;
export type School = keyof typeof SCHOOLS;

export interface FieldToCut {
  readonly id: string;
  /** wet-basis fraction; null: nobody has read it */
  readonly moisture: number | null;
  readonly pointsPerDay?: number;
  /** What the buyer or bin takes without drying. */
  readonly base: number;
  /** 0 sound to 3 going down. */
  readonly standability: number;
  /** 0 still filling, 1 just mature, 2 ripe, 3 ripe for long; left out: nobody looked. */
  readonly maturity?: number;
  /** Hours until the buyer of what needs no drying closes, 0 when he is closed; null or left out: no closing time. */
  readonly closesIn?: number | null;
  /** Metres from where the combine stands. */
  readonly distance: number;
  /** ha left, and hours to cut it. */
  readonly area: number;
  readonly hours: number;
}

/** What a criterion found, with its figure: a code, worded where it is shown. */
export interface Why {
  readonly code: WhyCode;
  /** h, km, points or a class, as the code says. */
  readonly value?: number;
}
export type WhyCode =
  | 'ripenessUnknown'
  | 'ripeness'
  | 'noClosing'
  | 'goesHome'
  | 'buyerClosed'
  | 'closesInHours'
  | 'pastDryer'
  | 'stepPoints'
  | 'noReadingForDryer'
  | 'neverRead'
  | 'atBase'
  | 'pointsAboveBase'
  | 'standing'
  | 'kilometersAway'
  | 'noRain'
  | 'doneBeforeRain'
  | 'rainHoursTooEarly'
  | 'hoursOfCutting'
  | 'fillsNoWetBin'
  | 'dryerKeepsUp'
  | 'wetBinFullAfterHours'
  | 'noDryer';
const why = (code: WhyCode, value?: number): Why => (value === undefined ? { code } : { code, value });

export interface RankedField {
  readonly id: string;
  /** 0 to 100. */
  readonly score: number;
  /** What each criterion gave (0 to 1), by weight: shown, not hidden. */
  readonly parts: readonly {
    readonly criterion: Criterion;
    readonly value: number;
    readonly weight: number;
    readonly why: Why;
  }[];
  /** The one or two that count most for it. */
  readonly reasons: readonly Why[];
  /** What counts most against it. */
  readonly against: Why | null;
  readonly dryer: FieldForDryer | null;
  /** Points of a step that the dryer keeper does not permit; null where nothing speaks against it. */
  readonly blocked: number | null;
}

const WEIGHT = quantity('weight', 0, 5, '');
const RIPENESS = quantity('maturity', 0, 3, '');
const STANDABILITY = quantity('standability', 0, 3, '');
const DISTANCE = quantity('distance', 0, 200_000, 'm');

export const NEXT_FIELD: Formula = {
  id: 'next-field',
  title: 'Which field next',
  equation: 'score = 100 sum(weight x value) / sum(weight); the user’s own order stands above it',
  standing: 'common practice',
  source: 'No printed source; the schools disagree and are presets',
  inputs: [WEIGHT, STANDABILITY, DISTANCE],
};

const share = (value: number): number => Math.min(1, Math.max(0, value));

/**
 * Fields in the order that the weights give, each with its reasons. A field that the dryer keeper's step refuses is ranked but blocked.
 * Range and source: {@link NEXT_FIELD}.
 * @param rainIn hours until rain is likely; null without
 * @param ownOrder ids that the user put first, in that order: they stay above the ranking
 */
export function rankFields(input: {
  readonly fields: readonly FieldToCut[];
  readonly weights: Weights;
  readonly dryer: {
    readonly bushelPointsPerHour: number;
    readonly dryTo: number;
    readonly combineBushelsPerHour: number;
    readonly roomBushels: number;
    readonly lastMoisture: number;
    readonly mostStep: number;
  } | null;
  readonly rainIn: number | null;
  readonly ownOrder?: readonly string[];
}): RankedField[] {
  const total = (Object.keys(CRITERIA) as Criterion[]).reduce(
    (sum, name) => sum + within(WEIGHT, input.weights[name]),
    0,
  );
  requireInRange('sum of the weights', total, 1e-9, 1000, '');
  const rain = input.rainIn === null ? null : requireInRange('hours until rain', input.rainIn, 0, 1000, 'h');
  const ranked = input.fields.map((field): RankedField => {
    const { moisture } = field;
    if (moisture !== null) within(MOISTURE, moisture);
    within(MOISTURE, field.base);
    requireInRange('area left', field.area, 0, 1e5, 'ha');
    const dryer =
      input.dryer && moisture !== null
        ? fieldsForDryer({
            ...input.dryer,
            fields: [
              {
                id: field.id,
                moisture,
                ...(field.pointsPerDay === undefined ? {} : { pointsPerDay: field.pointsPerDay }),
              },
            ],
          })[0]!
        : null;
    const over = moisture === null ? null : 100 * (moisture - field.base);
    const km = within(DISTANCE, field.distance) / 1000;
    const hours = requireInRange('hours to cut', field.hours, 0, 10_000, 'h');
    const standing = within(STANDABILITY, field.standability) / 3;
    const ripe = field.maturity === undefined ? null : within(RIPENESS, field.maturity);
    const open =
      field.closesIn === undefined || field.closesIn === null
        ? null
        : requireInRange('hours until the buyer closes', field.closesIn, 0, 1000, 'h');
    // Grain that goes home through the dryer asks for no buyer's hours.
    const goesHome = over !== null && over > 0 && input.dryer !== null;
    const value: Record<Criterion, readonly [number, Why]> = {
      maturity: ripe === null ? [0.5, why('ripenessUnknown')] : [ripe / 3, why('ripeness', Math.round(ripe))],
      hours:
        open === null
          ? [0.5, why('noClosing')]
          : goesHome
            ? [0.5, why('goesHome')]
            : open === 0
              ? [0, why('buyerClosed')]
              : [share(open / Math.max(1, Math.min(hours, 6))), why('closesInHours', open)],
      dryer:
        dryer?.dryerBushelsPerHour === null
          ? [0.5, why('pastDryer')]
          : dryer && input.dryer
            ? [
                share(1 - Math.abs(dryer.step) / (2 * Math.max(0.5, input.dryer.mostStep))),
                why('stepPoints', dryer.step),
              ]
            : [0.5, why('noReadingForDryer')],
      dryness:
        over === null
          ? [0.3, why('neverRead')]
          : [share(1 - over / 6), over <= 0 ? why('atBase') : why('pointsAboveBase', over)],
      standing: [standing, why('standing', Math.round(field.standability))],
      near: [share(1 - km / 20), why('kilometersAway', km)],
      rain:
        rain === null
          ? [0.5, why('noRain')]
          : [
              hours <= rain ? 1 : share(rain / hours),
              hours <= rain ? why('doneBeforeRain', hours) : why('rainHoursTooEarly', hours - rain),
            ],
      size: [share(hours / 12), why('hoursOfCutting', hours)],
      room: dryer
        ? [
            dryer.wetBinFullHours === null ? 1 : share(dryer.wetBinFullHours / 8),
            dryer.dryerBushelsPerHour === null
              ? why('fillsNoWetBin')
              : dryer.wetBinFullHours === null
                ? why('dryerKeepsUp')
                : why('wetBinFullAfterHours', dryer.wetBinFullHours),
          ]
        : [0.5, why('noDryer')],
    };
    const parts = (Object.keys(CRITERIA) as Criterion[]).map((criterion) => ({
      criterion,
      value: value[criterion][0],
      weight: input.weights[criterion],
      why: value[criterion][1],
    }));
    const counting = parts.filter((part) => part.weight > 0);
    const best = [...counting].sort((a, b) => b.weight * b.value - a.weight * a.value).slice(0, 2);
    const worst = [...counting]
      .sort((a, b) => b.weight * (1 - b.value) - a.weight * (1 - a.value))
      .find((part) => part.value < 0.4 && !best.includes(part));
    // Grain that needs no drying asks nothing of the dryer's setting.
    const blocked = dryer && !dryer.allowed && dryer.dryerBushelsPerHour !== null ? dryer.step : null;
    return {
      id: field.id,
      score: (100 * parts.reduce((sum, part) => sum + part.weight * part.value, 0)) / total,
      parts,
      reasons: best.map((part) => part.why),
      against: worst?.why ?? null,
      dryer,
      blocked,
    };
  });
  const own = new Map((input.ownOrder ?? []).map((id, i) => [id, i]));
  const place = (id: string): number => own.get(id) ?? own.size;
  return ranked.sort(
    (a, b) =>
      place(a.id) - place(b.id) ||
      Number(a.blocked !== null) - Number(b.blocked !== null) ||
      b.score - a.score ||
      inOrder(a.id, b.id),
  );
}
