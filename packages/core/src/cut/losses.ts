import { type Formula, quantity, requireInRange, standardError, tOf95, within } from '../kernel/index.js';
import { kgPerHaToBushelsPerAcre, M2_PER_ACRE, PRICE } from '../units/index.js';

/** Kernels counted in one frame. */
export interface FrameCount {
  readonly kernels: number;
  /** m2 */
  readonly area: number;
}

const KERNELS = quantity('kernels counted', 0, 1e6, '');
const FRAME = quantity('area of a frame', 0.01, 200, 'm²');

const KERNEL_MASS = quantity('kernel mass', 0.0001, 10, 'g');

export const LOSS_COUNT: Formula = {
  id: 'loss-count',
  title: 'Machine loss from kernels on the ground',
  equation:
    'kg/ha = 10 x kernels/m² x kernel mass in g;  machine = (behind - before harvest), corrected for the width of the spread',
  standing: 'published, from memory',
  source: 'Extension loss sheets: 2 corn kernels, 4 soybeans, 19-20 wheat on a square foot are 1 bu/ac',
  inputs: [KERNELS, FRAME, KERNEL_MASS],
  note: 'What fell before the header lies everywhere; only what leaves the back is spread over the discharge width, so only that is scaled. Sunflower rules in print contradict the kernel mass: count a thousand.',
};

/**
 * Mean kernels on a square meter over all frames.
 * Range and source: {@link LOSS_COUNT}.
 */
export function kernelsPerSquareMetre(frames: readonly FrameCount[]): number {
  requireInRange('number of frames', frames.length, 1, 1000, '');
  let kernels = 0;
  let area = 0;
  for (const frame of frames) {
    kernels += within(KERNELS, frame.kernels);
    area += within(FRAME, frame.area);
  }
  return kernels / area;
}

/**
 * Standard error of that mean: from the frames' own scatter, or with a single frame from counting alone (square root of the count).
 * Range and source: {@link LOSS_COUNT}.
 */
export function countError(frames: readonly FrameCount[]): number {
  const rates = frames.map((frame) => within(KERNELS, frame.kernels) / within(FRAME, frame.area));
  if (frames.length >= 2) return standardError(rates);
  return Math.sqrt(Math.max(1, frames[0]!.kernels)) / frames[0]!.area;
}

export interface LossCheckInput {
  /** Behind the machine, inside the discharge. */
  readonly behind: readonly FrameCount[];
  /** In the standing crop before the header touched it; a number is kernels on a m2. */
  readonly before: readonly FrameCount[] | number;
  /** Where the machine stopped and backed up: between the standing crop and its wheels. Left out: header and rear are not told apart. */
  readonly atHeader?: readonly FrameCount[];
  /** Of those behind, kernels still on cobs, heads or in pods; a share of the count. */
  readonly unthreshedShare?: number;
  /** Width that the spreader covers and the header's, m. Left out: spread over the whole header width. */
  readonly spread?: { readonly discharge: number; readonly header: number };
  /** Whole ears or heads left: kg of kernels found on an area. */
  readonly ears?: { readonly kernelKg: number; readonly area: number };
  readonly kernelGrams: number;
  readonly legalPounds: number;
  readonly pricePerBu: number;
  /** ha/h, for money an hour; ha left, for money that is still to be saved. */
  readonly areaRate?: number;
  readonly areaLeft?: number;
}

export type LossPart = 'before' | 'header' | 'ears' | 'threshing' | 'separation' | 'machine';

export interface Loss {
  readonly kernelsPerM2: number;
  readonly kgPerHa: number;
  readonly bushelsPerAcre: number;
  readonly moneyPerAcre: number;
}

/** What counts on the ground contradict or leave open. */
export type LossWarning =
  | 'fewerAtHeaderThanBefore'
  | 'fewerBehindThanBefore'
  | 'fewerBehindThanAtHeader'
  | 'headerScaledWithSpread'
  | 'nothingBefore';

export interface LossCheck {
  readonly parts: Readonly<Record<LossPart, Loss | null>>;
  /** 95 % half-width of the machine loss, bu/ac. */
  readonly uncertainty: number;
  readonly bushelsPerHour: number | null;
  readonly moneyPerHour: number | null;
  /** On what is left to cut. */
  readonly moneyLeft: number | null;
  /** What the counts contradict or leave open. */
  readonly warnings: readonly LossWarning[];
  /** Why nothing can be concluded from it: counts that cannot be, or a single frame. */
  readonly noResult: 'counts contradict' | 'one frame' | null;
}

const CONTRADICT = new Set<LossWarning>([
  'fewerAtHeaderThanBefore',
  'fewerBehindThanBefore',
  'fewerBehindThanAtHeader',
]);

/**
 * Machine loss and where it comes from. Nothing is ever negative: counts that contradict each other are set to zero and said so.
 * Range and source: {@link LOSS_COUNT}.
 * @throws RangeRefusal at the count that cannot be
 * @example corn, 3.0 behind and 0.4 before on a square foot at 2 kernels for 1 bu/ac: 1.3 bu/ac
 */
export function lossCheck(input: LossCheckInput): LossCheck {
  within(KERNEL_MASS, input.kernelGrams);
  within(PRICE, input.pricePerBu);
  const warnings: LossWarning[] = [];
  const positive = (value: number, what: LossWarning): number => {
    if (value < 0) warnings.push(what);
    return Math.max(0, value);
  };
  const ratio = input.spread
    ? requireInRange('discharge width', input.spread.discharge, 0.5, 30, 'm') /
      requireInRange('header width', input.spread.header, 0.5, 30, 'm')
    : 1;
  const behind = kernelsPerSquareMetre(input.behind);
  const before =
    typeof input.before === 'number'
      ? requireInRange('kernels down before harvest', input.before, 0, 1e5, '1/m²')
      : kernelsPerSquareMetre(input.before);
  const atHeader = input.atHeader ? kernelsPerSquareMetre(input.atHeader) : null;
  const header = atHeader === null ? null : positive(atHeader - before, 'fewerAtHeaderThanBefore');
  const rear =
    ratio *
    positive(behind - (atHeader ?? before), atHeader === null ? 'fewerBehindThanBefore' : 'fewerBehindThanAtHeader');
  const unthreshed = requireInRange('share still unthreshed', input.unthreshedShare ?? 0, 0, 1, 'fraction');
  if (atHeader === null && ratio !== 1) warnings.push('headerScaledWithSpread');
  if (input.before === 0) warnings.push('nothingBefore');
  const loss = (perM2: number, kgPerHa = 10 * perM2 * input.kernelGrams): Loss => {
    const bushelsPerAcre = kgPerHaToBushelsPerAcre(kgPerHa, input.legalPounds);
    return { kernelsPerM2: perM2, kgPerHa, bushelsPerAcre, moneyPerAcre: bushelsPerAcre * input.pricePerBu };
  };
  const ears = input.ears
    ? loss(
        0,
        (requireInRange('kernels on lost ears', input.ears.kernelKg, 0, 1000, 'kg') * 10_000) /
          requireInRange('area walked for ears', input.ears.area, 0.1, 1e5, 'm²'),
      )
    : null;
  const kernels = loss((header ?? 0) + rear);
  const machine = ears ? { ...kernels, ...loss(kernels.kernelsPerM2, kernels.kgPerHa + ears.kgPerHa) } : kernels;
  const error = ratio * countError(input.behind);
  const acres = (ha: number): number => (ha * 10_000) / M2_PER_ACRE;
  const acresPerHour =
    input.areaRate === undefined ? null : acres(requireInRange('area rate', input.areaRate, 0, 100, 'ha/h'));
  // One frame has no scatter of its own: its error is that of counting, and that is known without degrees of freedom.
  const t = input.behind.length >= 2 ? tOf95(input.behind.length - 1) : 1.96;
  return {
    parts: {
      before: loss(before),
      header: header === null ? null : loss(header),
      ears,
      threshing: input.unthreshedShare === undefined ? null : loss(rear * unthreshed),
      separation: loss(rear * (1 - unthreshed)),
      machine,
    },
    uncertainty: loss(t * error).bushelsPerAcre,
    bushelsPerHour: acresPerHour === null ? null : machine.bushelsPerAcre * acresPerHour,
    moneyPerHour: acresPerHour === null ? null : machine.moneyPerAcre * acresPerHour,
    moneyLeft:
      input.areaLeft === undefined
        ? null
        : machine.moneyPerAcre * acres(requireInRange('area left', input.areaLeft, 0, 1e6, 'ha')),
    warnings,
    noResult: warnings.some((warning) => CONTRADICT.has(warning))
      ? 'counts contradict'
      : input.behind.length < 2
        ? 'one frame'
        : null,
  };
}

/**
 * kg of kernels on ears: whole ears count full, halves half.
 * Range and source: {@link LOSS_COUNT}.
 * @param earKg usual weight of an ear's kernels (0.34 kg, 3/4 lb)
 */
export function kernelsOnEars(ears: number, halves = 0, earKg = 0.3402): number {
  return (
    (requireInRange('ears', ears, 0, 10_000, '') + requireInRange('half ears', halves, 0, 10_000, '') / 2) *
    requireInRange('kernels of an ear', earKg, 0.01, 1, 'kg')
  );
}

/**
 * Share of broken kernels by weight in a sample.
 * Range and source: {@link LOSS_COUNT}.
 */
export function brokenShare(brokenGrams: number, sampleGrams: number): number {
  return (
    requireInRange('broken kernels', brokenGrams, 0, requireInRange('sample', sampleGrams, 1, 1e5, 'g'), 'g') /
    sampleGrams
  );
}

export interface ChangeResult {
  /** bu/ac saved by the change; negative is worse. */
  readonly gain: number;
  /** $ on what is left to cut. */
  readonly money: number;
  /** 95 % half-width of the gain, bu/ac. */
  readonly uncertainty: number;
  /** `worse` and `not shown`: go back to the setting before; `no result`: one of the counts says nothing, count again. */
  readonly verdict: 'better' | 'not shown' | 'worse' | 'no result';
}

/**
 * Did the change help? From two loss checks of the same field.
 * Range and source: {@link LOSS_COUNT}.
 */
export function compareLoss(
  before: LossCheck,
  after: LossCheck,
  input: { readonly pricePerBu: number; readonly areaLeft: number },
): ChangeResult {
  const gain = before.parts.machine!.bushelsPerAcre - after.parts.machine!.bushelsPerAcre;
  const uncertainty = Math.hypot(before.uncertainty, after.uncertainty);
  return {
    gain,
    money:
      (gain * within(PRICE, input.pricePerBu) * requireInRange('area left', input.areaLeft, 0, 1e6, 'ha') * 10_000) /
      M2_PER_ACRE,
    uncertainty,
    verdict:
      before.noResult !== null || after.noResult !== null
        ? 'no result'
        : gain > uncertainty
          ? 'better'
          : gain < -uncertainty
            ? 'worse'
            : 'not shown',
  };
}
