import { type Formula, quantity, requireInRange, rootBetween, UnknownRefusal, within } from '../kernel/index.js';
import { type Crop } from '../crops/index.js';
import { MAX_MOISTURE, wetToDryBasis } from '../units/index.js';

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
 * Equivalent hours at which so many per cent of dry matter are gone: 230.77 for half a per cent (the standard rounds to 230).
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
  const f = 1.8 * within(T, celsius) + 32;
  const points = 100 * within(M, moisture);
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
  /** Per cent mechanical damage; left out: the multiplier is 1, as in the printed tables (combined corn is about 30 %). */
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

/** Reference hours until the limit; the default of half a per cent counts as the standard's 230. */
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

export interface SafeDays {
  /** Days left at today's moisture and temperature. */
  readonly days: number;
  /** Of its life that is used; 0 where no history was given. */
  readonly lifeUsed: number;
  /** What the days mean: 0.5 % of dry matter, or germination. */
  readonly measure: string;
  /** By which table or formula. */
  readonly basis: string;
  /** The crop's own research, or read from another crop's table. */
  readonly borrowed: boolean;
}

/**
 * Safe days left at today's moisture and temperature, after what the grain has been through.
 * Range and source: {@link STORAGE_LIFE} and {@link GERMINATION_LIFE}.
 * @param now wet-basis fraction and °C; @param history since harvest, oldest first
 * @throws UnknownRefusal for sunflower and canola: no table was remembered for them
 */
export function safeDaysLeft(
  crop: Crop,
  now: { readonly moisture: number; readonly temperature: number },
  history: readonly Stretch[] = [],
  options: StorageLifeOptions & { readonly soybeanShift?: number } = {},
): SafeDays {
  const basis = storageLifeBasis(crop, options.soybeanShift);
  if (basis.kind === 'germination') {
    let used = 0;
    for (const stretch of history)
      used += within(HOURS, stretch.hours) / 24 / germinationDays(stretch.moisture, stretch.temperature);
    const days = germinationDays(now.moisture, now.temperature) * Math.max(0, 1 - used);
    return {
      days,
      lifeUsed: used,
      measure: '5 % drop in germination',
      basis: 'Fraser & Muir 1981 (wheat)',
      borrowed: crop.like !== 'wheat',
    };
  }
  const shift = basis.kind === 'as corn' ? basis.pointsWetter / 100 : 0;
  const asCorn = (m: number): number =>
    Math.min(M.most, Math.max(M.least, requireInRange('moisture', m, 0.03, MAX_MOISTURE, 'wb fraction') + shift));
  const used = age(
    history.map((stretch) => ({ ...stretch, moisture: asCorn(stretch.moisture) })),
    options,
  ).lifeUsed;
  const days = (allowableHours(asCorn(now.moisture), now.temperature, options) / 24) * Math.max(0, 1 - used);
  return {
    days,
    lifeUsed: used,
    measure: `${options.limit ?? 0.5} % of dry matter lost`,
    basis: `shelled corn, variant ${options.variant ?? 'B'}${basis.kind === 'as corn' ? `; ${basis.school}` : ''}`,
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
