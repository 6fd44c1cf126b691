import { type Formula, quantity, requireInRange, rootBetween, UnknownRefusal, within } from '../kernel/index.js';
import { type Crop } from '../crops/index.js';
import { fahrenheitToCelsius, MAX_MOISTURE, wetToDryBasis } from '../units/index.js';

/**
 * Two families of published tables use different temperature slopes below 60 °F. `B` (one slope at all temperatures) gives fewer
 * days in the cold and is the default; `A` (steeper below 60 °F) is what the day tables of some handbooks print.
 */
export type StorageLifeVariant = 'A' | 'B';

const M = quantity('moisture', 0.1, 0.35, 'wb fraction');
const T = quantity('temperature', -20, 50, '°C');
const DAMAGE = quantity('mechanical damage', 0, 50, '% by weight');
const LOSS = quantity('dry-matter loss', 0, 3, '%');
const HOURS = quantity('hours', 0, 1e6, 'h');

export const STORAGE_LIFE: Formula = {
  id: 'storage-life',
  title: 'Allowable storage time of shelled corn',
  standing: 'published, from memory',
  source: 'Steele, Saul & Hukill 1969; Thompson 1972; ASAE D535. High confidence',
  equation:
    'DML% = 0.0884 [exp(0.006 tr) - 1] + 0.00102 tr;  t = tr MM MT MD;  MM = 0.103 [exp(455/Md^1.53) - 0.00845 Md + 1.558];  MD = 2.08 exp(-0.0239 D)',
  inputs: [M, T, DAMAGE, LOSS],
  note: 'Genetic and fungicide multipliers are 1 unless given (values low confidence). Time is counted from harvest: a day in a hot truck counts. Losses add up in equivalent hours, never as loss upon loss.',
};

/**
 * Dry-matter loss (%) after equivalent hours at 25 %, 60 °F, 30 % damage.
 * Range and source: {@link STORAGE_LIFE}.
 * @param referenceHours 0 to 1e6
 */
export function dryMatterLoss(referenceHours: number): number {
  within(HOURS, referenceHours);
  return dryMatterLossUnchecked(referenceHours);
}

/** Unchecked: for inner loops. */
export function dryMatterLossUnchecked(tr: number): number {
  return 0.0884 * Math.expm1(0.006 * tr) + 0.00102 * tr;
}

/**
 * Equivalent hours at which so many percent of dry matter are gone: 230.77 for half a percent (the standard rounds to 230).
 * Range and source: {@link STORAGE_LIFE}.
 */
export function referenceHoursForLoss(percent: number): number {
  if (within(LOSS, percent) === 0) return 0;
  return rootBetween((tr) => dryMatterLossUnchecked(tr) - percent, 0, 5000, 1e-9);
}

/**
 * MM: how much longer drier corn keeps.
 * Range and source: {@link STORAGE_LIFE}.
 * @param moisture wet-basis fraction, 0.10 to 0.35
 */
export function moistureMultiplier(moisture: number): number {
  const md = 100 * wetToDryBasis(within(M, moisture));
  return 0.103 * (Math.exp(455 / Math.pow(md, 1.53)) - 0.00845 * md + 1.558);
}

/**
 * MT: how much longer cooler corn keeps.
 * Range and source: {@link STORAGE_LIFE}.
 * @param celsius -20 to 50 °C;
 * @param moisture matters above 60 °F only
 */
export function temperatureMultiplier(celsius: number, moisture: number, variant: StorageLifeVariant = 'B'): number {
  return temperatureMultiplierUnchecked(within(T, celsius), within(M, moisture), variant);
}

/** Unchecked: for grain that heats itself beyond the tables. */
function temperatureMultiplierUnchecked(celsius: number, moisture: number, variant: StorageLifeVariant): number {
  const f = 1.8 * celsius + 32;
  const points = 100 * moisture;
  if (f <= 60) return variant === 'A' ? 128.76 * Math.exp((-4.86 * f) / 60) : 32.3 * Math.exp((-3.48 * f) / 60);
  const wet = points <= 19 ? 0 : points <= 28 ? (points - 19) / 100 : 0.09;
  return 32.3 * Math.exp((-3.48 * f) / 60) + wet * Math.exp((0.61 * (f - 60)) / 60);
}

/**
 * MD: how much longer sounder corn keeps; 1.015 at the reference 30 %.
 * Range and source: {@link STORAGE_LIFE}.
 * @param percent mechanical damage by weight
 */
export function damageMultiplier(percent: number): number {
  return 2.08 * Math.exp(-0.0239 * within(DAMAGE, percent));
}

export interface StorageLifeOptions {
  readonly variant?: StorageLifeVariant;
  /** Percent mechanical damage; left out: the multiplier is 1, as in the printed tables (combined corn is about 30 %). */
  readonly damage?: number;
  /** Other multipliers (hybrid, fungicide), each 0.2 to 5; 1 left out. */
  readonly other?: number;
  /** Dry-matter loss (%) at which corn counts as used up; 0.5 by default (about one US grade). */
  readonly limit?: number;
}

/** How many hours here age corn as one hour does at the reference. Shared by all that follows. */
function slowness(moisture: number, celsius: number, options: StorageLifeOptions): number {
  const damage = options.damage === undefined ? 1 : damageMultiplier(options.damage);
  return (
    moistureMultiplier(moisture) *
    temperatureMultiplier(celsius, moisture, options.variant) *
    damage *
    requireInRange('other multipliers', options.other ?? 1, 0.2, 5, '')
  );
}

/** Reference hours until the limit; the default of half a percent counts as the standard's 230. */
function referenceLife({ limit = 0.5 }: StorageLifeOptions): number {
  return limit === 0.5 ? 230 : referenceHoursForLoss(limit);
}

/**
 * Hours that corn keeps at a steady moisture and temperature until the limit is lost. The default limit counts as the standard's 230 h.
 * Range and source: {@link STORAGE_LIFE}.
 */
export function allowableHours(moisture: number, celsius: number, options: StorageLifeOptions = {}): number {
  return referenceLife(options) * slowness(moisture, celsius, options);
}

/** A stretch of time in which corn was about equally wet and warm. */
export interface Stretch {
  readonly hours: number;
  /** wet-basis fraction */
  readonly moisture: number;
  /** °C */
  readonly temperature: number;
}

export interface Aged {
  /** Equivalent hours at the reference. */
  readonly referenceHours: number;
  /** % of dry matter. */
  readonly dryMatterLoss: number;
  /** Of the allowable life to the limit; above 1 it is over. */
  readonly lifeUsed: number;
}

/**
 * Dry-matter loss over a varying history: equivalent hours add up, the loss follows from their sum.
 * Range and source: {@link STORAGE_LIFE}.
 */
export function age(history: readonly Stretch[], options: StorageLifeOptions = {}): Aged {
  let tr = 0;
  for (const { hours, moisture, temperature } of history)
    tr += within(HOURS, hours) / slowness(moisture, temperature, options);
  return {
    referenceHours: tr,
    dryMatterLoss: dryMatterLoss(tr),
    lifeUsed: tr / referenceLife(options),
  };
}

/** How the days of crops other than corn are found: by corn so many points wetter, or by their own germination formula. */
export type StorageLifeBasis =
  | { readonly kind: 'corn' }
  | { readonly kind: 'as corn'; readonly pointsWetter: number; readonly school: string }
  | { readonly kind: 'germination' };

/** Soybeans: one school reads corn three points wetter, another two. Both are in print; choose and say which. */
export const SOYBEAN_SHIFTS = { three: 3, two: 2 } as const;

export function storageLifeBasis(crop: Crop, soybeanShift: number = SOYBEAN_SHIFTS.three): StorageLifeBasis {
  switch (crop.like) {
    case 'corn':
      return { kind: 'corn' };
    case 'soybean':
      return {
        kind: 'as corn',
        pointsWetter: requireInRange('points that soybeans are read as wetter corn', soybeanShift, 0, 5, 'points'),
        school: `soybeans as corn ${soybeanShift} points wetter`,
      };
    case 'sorghum':
      return { kind: 'as corn', pointsWetter: 0, school: 'sorghum as corn of the same moisture' };
    case 'wheat':
    case 'softWheat':
    case 'barley':
    case 'oats':
      return { kind: 'germination' };
    default:
      throw new UnknownRefusal('crop with a keeping table', crop.id, [
        'corn',
        'soybean',
        'sorghum',
        'wheat',
        'softWheat',
        'barley',
        'oats',
      ]);
  }
}

const CEREAL_M = quantity('moisture', 0.12, 0.24, 'wb fraction');
const CEREAL_T = quantity('temperature', 0, 40, '°C');

export const GERMINATION_LIFE: Formula = {
  id: 'germination-life',
  title: 'Days of cereals to a 5 % drop in germination',
  equation: 'log10 d = 6.234 - .2118 M - .0527 T (12-19 %); 4.129 - .0997 M - .0576 T (19-24 %)',
  standing: 'published, from memory',
  source: 'Fraser & Muir 1981; medium confidence',
  inputs: [CEREAL_M, CEREAL_T],
  note: 'The two pieces meet at 19 % with a small step (48.2 against 45.6 days at 10 °C). Drier than 12 % counts as 12, cooler than 0 °C as 0.',
};

/**
 * Days of wheat, barley and oats; drier and cooler than the formula's range count as its edge, so the answer errs to the short side.
 * Range and source: {@link GERMINATION_LIFE}.
 */
export function germinationDays(moisture: number, celsius: number): number {
  const points = 100 * within({ ...CEREAL_M, least: 0.05 }, moisture);
  const held = Math.max(12, points);
  const degrees = Math.max(0, within({ ...CEREAL_T, least: -40 }, celsius));
  return 10 ** (held <= 19 ? 6.234 - 0.2118 * held - 0.0527 * degrees : 4.129 - 0.0997 * held - 0.0576 * degrees);
}

/**
 * Days to about half a percent of dry matter, by moisture (% wb) at 30, 40 … 80 °F; 300 stands for "over 300". Much shorter than the
 * standard's formula above 75 °F.
 */
const CAUTIOUS_DAYS: readonly (readonly [number, readonly number[]])[] = [
  [14, [300, 300, 300, 300, 200, 140]],
  [15, [300, 300, 300, 240, 125, 70]],
  [16, [300, 300, 230, 120, 70, 40]],
  [17, [300, 280, 130, 75, 45, 20]],
  [18, [300, 200, 90, 50, 30, 15]],
  [19, [300, 140, 70, 35, 20, 10]],
  [20, [300, 90, 50, 25, 14, 7]],
  [22, [190, 60, 30, 15, 8, 3]],
  [24, [130, 40, 15, 10, 6, 2]],
  [26, [90, 35, 12, 8, 5, 2]],
  [28, [70, 30, 10, 7, 4, 2]],
  [30, [60, 25, 5, 5, 3, 1]],
];
const OVER = 300;
const CAUTIOUS_M = quantity('moisture', 0.14, 0.3, 'wb fraction');
const CAUTIOUS_T = quantity('temperature', fahrenheitToCelsius(30), fahrenheitToCelsius(80), '°C');

export const CAUTIOUS_LIFE: Formula = {
  id: 'cautious-storage-life',
  title: 'Days that aired grain keeps, the cautious table',
  equation: 'days by moisture and temperature; between the rows by interpolation of the logarithm',
  standing: 'published, from memory',
  source: 'A northern plains extension table for cereal grains; its 80 °F column from two independent recollections',
  inputs: [CAUTIOUS_M, CAUTIOUS_T],
  note: 'For aired grain: still grain heats itself. “Over 300” counts as 300. Outside of its rows it says nothing.',
};

/**
 * Days by the cautious table; `atLeast` where a row of "over 300" is in it.
 * Range and source: {@link CAUTIOUS_LIFE}.
 * @throws RangeRefusal outside of the table: it is not read beyond its edges
 */
export function cautiousDays(moisture: number, celsius: number): { readonly days: number; readonly atLeast: boolean } {
  const points = 100 * within(CAUTIOUS_M, moisture);
  const column = (1.8 * within(CAUTIOUS_T, celsius) + 32 - 30) / 10;
  const rows = CAUTIOUS_DAYS;
  const lower = Math.min(
    rows.length - 2,
    rows.findLastIndex(([m]) => m <= points + 1e-9),
  );
  const left = Math.min(4, Math.max(0, Math.floor(column + 1e-9)));
  const [down, along] = [
    (points - rows[lower]![0]) / (rows[lower + 1]![0] - rows[lower]![0]),
    Math.max(0, column - left),
  ];
  let [log, atLeast] = [0, false];
  for (const [row, weightOfRow] of [
    [lower, 1 - down],
    [lower + 1, down],
  ] as const)
    for (const [at, weight] of [
      [left, 1 - along],
      [left + 1, along],
    ] as const) {
      const part = weightOfRow * weight;
      const days = rows[row]![1][at]!;
      if (part > 1e-9 && days === OVER) atLeast = true;
      log += part * Math.log(days);
    }
  return { days: Math.exp(log), atLeast };
}

/** By which tables grain keeps. */
export interface KeepingSchool {
  /** above 75 °F */
  readonly warm: 'cautious' | 'standard';
  /** at 75 °F and below */
  readonly cool: 'cautious' | 'standard';
  /** slope of the standard's formula below 60 °F */
  readonly slope: StorageLifeVariant;
}

/** The cautious table in heat, the standard's formula with one slope below. */
export const USUAL_KEEPING: KeepingSchool = { warm: 'cautious', cool: 'standard', slope: 'B' };
/** Above it the tables part: 75 °F. */
export const WARM_FROM = fahrenheitToCelsius(75);

export interface KeptDays {
  readonly days: number;
  /** Beyond the rows of a table only a bound is known. */
  readonly bound: 'about' | 'at least' | 'at most';
  readonly table: 'cautious' | 'standard';
}

/**
 * Days that corn keeps at a steady moisture and temperature, by the table that counts there.
 * Range and source: {@link CAUTIOUS_LIFE} and {@link STORAGE_LIFE}.
 * @throws RangeRefusal wetter than either table
 */
export function keptDays(
  moisture: number,
  celsius: number,
  school: KeepingSchool = USUAL_KEEPING,
  options: StorageLifeOptions = {},
): KeptDays {
  const standard = allowableHours(Math.max(M.least, moisture), celsius, { variant: school.slope, ...options }) / 24;
  const wanted = celsius > WARM_FROM ? school.warm : school.cool;
  // Drier or colder than the cautious table nothing is short: the formula has it.
  if (wanted === 'standard' || moisture < CAUTIOUS_M.least || celsius < CAUTIOUS_T.least)
    return { days: standard, bound: 'about', table: 'standard' };
  // 80 °F typed in one way or the other is 80 °F.
  const beyond = celsius > CAUTIOUS_T.most + 1e-9 || moisture > CAUTIOUS_M.most + 1e-12;
  const { days, atLeast } = cautiousDays(Math.min(CAUTIOUS_M.most, moisture), Math.min(CAUTIOUS_T.most, celsius));
  if (beyond) return { days: Math.min(days, standard), bound: 'at most', table: 'cautious' };
  return { days, bound: atLeast ? 'at least' : 'about', table: 'cautious' };
}

export const SELF_HEATING: Formula = {
  id: 'self-heating',
  title: 'Still grain that heats itself',
  equation:
    'dT/dt = (1 - M) dDML/dt H / c, H = 15.66 MJ/kg (2.82 MJ for a mole of glucose of 0.180 kg); DML by its own rate at T',
  standing: 'computed',
  source: 'Heat of combustion of glucose; rate after ASAE D535; no heat escapes',
  inputs: [M, T],
  note: 'The middle of a pile or a truck, not its skin. Air through it, or turn it, and this does not happen.',
};
/** kJ of a kg of dry matter that is breathed away. */
const RESPIRATION = 2820 / 0.18;

/**
 * How long still corn lasts when no heat escapes: days until half a percent of dry matter is gone, and how warm it is then, °C.
 * Range and source: {@link SELF_HEATING}.
 */
export function selfHeating(
  moisture: number,
  celsius: number,
  limit = 0.5,
): { readonly days: number; readonly celsius: number } {
  within(M, moisture);
  within(T, celsius);
  const gone = referenceHoursForLoss(limit);
  const specific = 1.465 + 3.56 * moisture;
  const mm = moistureMultiplier(moisture);
  let [tr, warm, hours] = [0, celsius, 0];
  // Steps of a part of the life, not of time: cold grain takes years, hot grain hours.
  const step = gone / 500;
  while (tr < gone - 1e-9) {
    hours += step * mm * temperatureMultiplierUnchecked(warm, moisture, 'B');
    const lost = dryMatterLossUnchecked(tr + step) - dryMatterLossUnchecked(tr);
    warm += ((1 - moisture) * (lost / 100) * RESPIRATION) / specific;
    tr += step;
  }
  return { days: hours / 24, celsius: warm };
}

export interface SafeDays {
  /** Days left at today's moisture and temperature. */
  readonly days: number;
  readonly bound: KeptDays['bound'];
  /** Of its life that is used; 0 where no history was given. */
  readonly lifeUsed: number;
  /** What the days mean: 0.5 % of dry matter, or germination. */
  readonly measure: string;
  /** By which table or formula. */
  readonly basis: string;
  readonly table: KeptDays['table'] | 'germination';
  /** The crop's own research, or read from another crop's table. */
  readonly borrowed: boolean;
}

/**
 * Safe days left at today's moisture and temperature, after what the grain has been through.
 * Range and source: {@link STORAGE_LIFE}, {@link CAUTIOUS_LIFE} and {@link GERMINATION_LIFE}.
 * @param now wet-basis fraction and °C; @param history since harvest, oldest first
 * @throws UnknownRefusal for sunflower and canola: no table was remembered for them
 * @throws RangeRefusal wetter than 35 %, read as corn: no table goes there
 */
export function safeDaysLeft(
  crop: Crop,
  now: { readonly moisture: number; readonly temperature: number },
  history: readonly Stretch[] = [],
  options: StorageLifeOptions & { readonly soybeanShift?: number; readonly school?: KeepingSchool } = {},
): SafeDays {
  const basis = storageLifeBasis(crop, options.soybeanShift);
  if (basis.kind === 'germination') {
    let used = 0;
    for (const stretch of history)
      used += within(HOURS, stretch.hours) / 24 / germinationDays(stretch.moisture, stretch.temperature);
    const days = germinationDays(now.moisture, now.temperature) * Math.max(0, 1 - used);
    return {
      days,
      bound: 'about',
      lifeUsed: used,
      measure: '5 % drop in germination',
      basis: 'Fraser & Muir 1981 (wheat)',
      table: 'germination',
      borrowed: crop.like !== 'wheat',
    };
  }
  const { school = USUAL_KEEPING, soybeanShift: _, ...life } = options;
  const shift = basis.kind === 'as corn' ? basis.pointsWetter / 100 : 0;
  const asCorn = (m: number): number =>
    Math.max(M.least, requireInRange('moisture', m, 0.03, MAX_MOISTURE, 'wb fraction') + shift);
  const kept = (one: { readonly moisture: number; readonly temperature: number }): KeptDays =>
    keptDays(asCorn(one.moisture), one.temperature, school, life);
  let used = 0;
  for (const stretch of history) used += within(HOURS, stretch.hours) / 24 / kept(stretch).days;
  const here = kept(now);
  return {
    days: here.days * Math.max(0, 1 - used),
    bound: here.bound,
    lifeUsed: used,
    measure: `${options.limit ?? 0.5} % of dry matter lost`,
    basis: `${here.table === 'cautious' ? 'the cautious table' : `shelled corn, variant ${options.variant ?? school.slope}`}${basis.kind === 'as corn' ? `; ${basis.school}` : ''}`,
    table: here.table,
    borrowed: basis.kind !== 'corn',
  };
}

/** How fast grain uses itself up; for simulations that ask every hour of every layer. */
export interface AgeingRate {
  /** Of the allowable life, in one hour. Moisture (wet basis) and °C outside the tables count as their edge. Unchecked. */
  perHour(moisture: number, celsius: number): number;
  /** % of dry matter lost at this much life; null where the measure is germination. */
  lossAt: ((lifeUsed: number) => number) | null;
  readonly basis: string;
}

/**
 * The ageing rate of a crop, or null for one without a keeping table.
 * Range and source: {@link STORAGE_LIFE} and {@link GERMINATION_LIFE}.
 */
export function ageingRate(
  crop: Crop,
  options: StorageLifeOptions & { readonly soybeanShift?: number } = {},
): AgeingRate | null {
  if (crop.like === 'sunflower' || crop.like === 'canola') return null;
  const basis = storageLifeBasis(crop, options.soybeanShift);
  if (basis.kind === 'germination') {
    return {
      perHour: (moisture, celsius) =>
        1 /
        24 /
        germinationDays(
          Math.min(CEREAL_M.most, Math.max(0.05, moisture)),
          Math.min(CEREAL_T.most, Math.max(CEREAL_T.least, celsius)),
        ),
      lossAt: null,
      basis: GERMINATION_LIFE.source,
    };
  }
  const shift = basis.kind === 'as corn' ? basis.pointsWetter / 100 : 0;
  const hours = referenceLife(options);
  return {
    perHour: (moisture, celsius) =>
      1 /
      (hours *
        slowness(
          Math.min(M.most, Math.max(M.least, moisture + shift)),
          Math.min(T.most, Math.max(T.least, celsius)),
          options,
        )),
    lossAt: (life) => dryMatterLossUnchecked(life * hours),
    basis: basis.kind === 'corn' ? 'shelled corn' : basis.school,
  };
}
