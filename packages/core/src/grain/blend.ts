import { type Formula, type Quantity, quantity, requireInRange, splitWhole, within } from '../kernel/index.js';
import { MASS, MOISTURE } from '../units/index.js';
import { mixParcels } from './mix.js';

/** Grain to be blended. What is not known is left out and then not known of the blend either. */
export interface BlendPart {
  readonly wetKg: number;
  /** wet-basis fraction */
  readonly moisture: number;
  /** lb/bu */
  readonly testWeight?: number;
  /** fraction of weight */
  readonly foreignMaterial?: number;
}

const TEST_WEIGHT = quantity('test weight', 5, 100, 'lb/bu');
const FOREIGN = quantity('foreign material', 0, 1, 'fraction of weight');

export const BLEND: Formula = {
  id: 'blend',
  title: 'Blending',
  equation:
    'M = sum(w M)/sum(w); share of the first of two = (wanted - second)/(first - second), by weight; test weight = sum(w)/sum(w/TW)',
  standing: 'computed',
  source: 'Balance of water and dry matter',
  inputs: [MASS, MOISTURE, TEST_WEIGHT, FOREIGN],
  note: 'By weight, never by bushels of space. Always from the latest readings.',
};

/**
 * What any number of parcels make together. Water, dry matter and foreign material add by weight; test weight by space, because each
 * parcel fills wetKg / testWeight of it (loose grain that does not settle into itself: common practice).
 * Range and source: {@link BLEND}.
 * @throws RangeRefusal for an empty blend or impossible figures
 */
export function blend(parts: readonly BlendPart[]): Required<Omit<BlendPart, 'testWeight' | 'foreignMaterial'>> & {
  dryKg: number;
  testWeight?: number;
  foreignMaterial?: number;
} {
  let space: number | undefined = 0;
  let foreign: number | undefined = 0;
  for (const part of parts) {
    within(MASS, part.wetKg);
    space =
      space === undefined || part.testWeight === undefined
        ? undefined
        : space + part.wetKg / within(TEST_WEIGHT, part.testWeight);
    foreign =
      foreign === undefined || part.foreignMaterial === undefined
        ? undefined
        : foreign + part.wetKg * within(FOREIGN, part.foreignMaterial);
  }
  const { wetKg, dryKg, moisture } = mixParcels(parts);
  requireInRange('mass of the blend', wetKg, 1e-9, MASS.most, 'kg');
  return {
    wetKg,
    dryKg,
    moisture,
    ...(space === undefined ? {} : { testWeight: wetKg / space }),
    ...(foreign === undefined ? {} : { foreignMaterial: foreign / wetKg }),
  };
}

export type TwoBinBlend =
  | {
      readonly kind: 'blend';
      /** Fraction of the weight from each. */
      readonly firstShare: number;
      readonly secondShare: number;
      readonly firstKg: number;
      readonly secondKg: number;
      /** Whole bushels that sum to the load's whole bushels. */
      readonly firstBu: number;
      readonly secondBu: number;
      /** Seconds each gate stays open, where its rate is known. */
      readonly firstSeconds: number | null;
      readonly secondSeconds: number | null;
      /** Bin that runs out before the load is full, and the load it can carry. */
      readonly limit: { readonly by: 'first' | 'second'; readonly largestLoadKg: number } | null;
    }
  /** No mix has the reading wanted: both are wetter (higher) or both drier (lower); `nearest` is what comes next to it. */
  | { readonly kind: 'out_of_reach'; readonly nearest: number; readonly side: 'both_wetter' | 'both_drier' };

export interface BlendBin {
  /** wet-basis fraction, as last tested */
  readonly moisture: number;
  /** What is in it; undefined when it does not matter. */
  readonly availableKg?: number;
  /** Rate of its gate or auger, kg/s. */
  readonly rateKgPerSecond?: number;
}

/** What a blend is made for. */
export const BLEND_FOR = ['moisture', 'testWeight', 'foreignMaterial'] as const;
export type BlendFor = (typeof BLEND_FOR)[number];

const READS: Readonly<Record<BlendFor, Quantity>> = {
  moisture: MOISTURE,
  testWeight: TEST_WEIGHT,
  foreignMaterial: FOREIGN,
};

/** A bin by its reading of what the blend is made for: wet-basis fraction, lb/bu, or fraction of weight. */
export interface ReadBin extends Omit<BlendBin, 'moisture'> {
  readonly reading: number;
}

/**
 * How much from each of two bins for a load of a wanted reading, where a third may give a fixed amount. Moisture and foreign material add by
 * weight; test weight by space, so that its inverse adds by weight. Always from the readings handed in: after a retest call it again.
 * Range and source: {@link BLEND}.
 * @param third kg that it gives, and its reading
 */
export function blendToTarget(input: {
  readonly by: BlendFor;
  readonly first: ReadBin;
  readonly second: ReadBin;
  readonly third?: { readonly reading: number; readonly kg: number };
  readonly wanted: number;
  readonly loadKg: number;
  readonly kgPerBu: number;
}): TwoBinBlend {
  const { by, first, second, third, kgPerBu } = input;
  const of = (reading: number, name: string): number =>
    within({ ...READS[by], name: `${READS[by].name}, ${name}` }, reading);
  const adds = (reading: number): number => (by === 'testWeight' ? 1 / reading : reading);
  const readings = [of(first.reading, 'first'), of(second.reading, 'second')];
  const wanted = of(input.wanted, 'wanted');
  const whole = within(MASS, input.loadKg);
  const given = third === undefined ? 0 : requireInRange('what the third gives', third.kg, 0, whole, 'kg');
  const ofThird = third === undefined ? 0 : adds(of(third.reading, 'third'));
  requireInRange('bushel weight', kgPerBu, 0.5, 100, 'kg');
  const loadKg = whole - given;
  const [a, b] = readings.map(adds) as [number, number];
  // What the two must make together, so that all three make what is wanted.
  const x = loadKg > 0 ? (whole * adds(wanted) - given * ofThird) / loadKg : adds(wanted);
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  // A rounding of the last digit is no way out of reach.
  const slack = 1e-12 * Math.max(1e-3, high);
  if (x > high + slack || x < low - slack) {
    const nearest = whole > 0 ? (loadKg * (x > high ? high : low) + given * ofThird) / whole : x > high ? high : low;
    const reached = by === 'testWeight' ? 1 / nearest : nearest;
    return { kind: 'out_of_reach', nearest: reached, side: reached > wanted ? 'both_wetter' : 'both_drier' };
  }
  // Two bins of the wanted reading: any ratio does, so half and half.
  const firstShare = high === low ? 0.5 : Math.min(1, Math.max(0, (x - b) / (a - b)));
  const secondShare = 1 - firstShare;
  const [firstBu, secondBu] =
    loadKg > 0 ? (splitWhole(Math.round(loadKg / kgPerBu), [firstShare, secondShare]) as [number, number]) : [0, 0];
  const seconds = (kg: number, bin: ReadBin): number | null =>
    bin.rateKgPerSecond === undefined ? null : kg / requireInRange('gate rate', bin.rateKgPerSecond, 1e-6, 1e5, 'kg/s');
  const most = (bin: ReadBin, share: number): number =>
    bin.availableKg === undefined || share === 0 ? Infinity : within(MASS, bin.availableKg) / share;
  const [ofFirst, ofSecond] = [most(first, firstShare), most(second, secondShare)];
  const largest = Math.min(ofFirst, ofSecond);
  return {
    kind: 'blend',
    firstShare,
    secondShare,
    firstKg: loadKg * firstShare,
    secondKg: loadKg * secondShare,
    firstBu,
    secondBu,
    firstSeconds: seconds(loadKg * firstShare, first),
    secondSeconds: seconds(loadKg * secondShare, second),
    limit: largest < loadKg ? { by: ofFirst <= ofSecond ? 'first' : 'second', largestLoadKg: largest } : null,
  };
}

/**
 * How much from each of two bins for a load of a wanted moisture: share of the first = (wanted - second) / (first - second), by weight.
 * Always from the moistures handed in: after a retest call it again, an old ratio is no answer.
 * Range and source: {@link BLEND}.
 * @param wanted wet-basis fraction; @param loadKg kg; @param kgPerBu legal bushel, kg
 * @example bins at 14.2 and 10.6, wanted 12.9, 950 bu of beans: 63.9 %, 607 and 343 bu
 */
export function blendTwoBins(input: {
  readonly first: BlendBin;
  readonly second: BlendBin;
  readonly wanted: number;
  readonly loadKg: number;
  readonly kgPerBu: number;
}): TwoBinBlend {
  const read = ({ moisture, ...bin }: BlendBin): ReadBin => ({ ...bin, reading: moisture });
  return blendToTarget({ ...input, by: 'moisture', first: read(input.first), second: read(input.second) });
}
