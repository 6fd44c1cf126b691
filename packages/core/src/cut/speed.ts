import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';

export const RATE = quantity('rate', 0, 1e6, 'kg/h');
export const WIDTH = quantity('cutting width', 0.3, 30, 'm');
export const YIELD = quantity('yield', 0, 40_000, 'kg/ha');
const SPEED = quantity('ground speed', 0, 8, 'm/s');
const EFFICIENCY = quantity('field efficiency', 0.05, 1, 'fraction');

export const GROUND_SPEED: Formula = {
  id: 'ground-speed',
  title: 'Speed, width, yield and rate',
  equation: 'rate = speed x width x yield;  bu/h = mph ft bu/ac / 8.25;  ac/h = mph ft efficiency / 8.25',
  standing: 'computed',
  source: 'Units (43,560/5,280 = 8.25); efficiencies ASAE D497 from memory: 65-80 %, typically 70',
  inputs: [RATE, WIDTH, YIELD, SPEED, EFFICIENCY],
};

/**
 * Width that a row head takes, m.
 * Range and source: {@link GROUND_SPEED}.
 * @param spacing between rows, m
 */
export function widthOfRows(rows: number, spacing: number): number {
  return requireInRange('rows', rows, 1, 40, '') * requireInRange('row spacing', spacing, 0.1, 1.5, 'm');
}

/**
 * kg/h through the machine while it cuts (no turns).
 * Range and source: {@link GROUND_SPEED}.
 */
export function rateAt(speed: number, width: number, yieldKgPerHa: number): number {
  return (within(SPEED, speed) * 3600 * within(WIDTH, width) * within(YIELD, yieldKgPerHa)) / 10_000;
}

/**
 * ha/h over the day: speed x width x field efficiency.
 * Range and source: {@link GROUND_SPEED}.
 */
export function areaRate(speed: number, width: number, efficiency: number): number {
  return (within(SPEED, speed) * 3600 * within(WIDTH, width) * within(EFFICIENCY, efficiency)) / 10_000;
}

/**
 * Share of the time in the field that was spent cutting.
 * Range and source: {@link GROUND_SPEED}.
 * @param cuttingHours and
 * @param fieldHours h
 */
export function fieldEfficiency(cuttingHours: number, fieldHours: number): number {
  return (
    requireInRange(
      'hours cutting',
      cuttingHours,
      0,
      requireInRange('hours in the field', fieldHours, 1e-6, 1e5, 'h'),
      'h',
    ) / fieldHours
  );
}

/** A reason not to drive faster: rough ground, the header's limit, what the operator set. */
export interface SpeedLimit {
  readonly name: string;
  /** m/s */
  readonly speed: number;
}

export type SpeedAdvice =
  | {
      readonly kind: 'speed';
      /** m/s to drive. */
      readonly speed: number;
      /** m/s that the rate alone would ask for. */
      readonly byRate: number;
      /** The limit that binds; null when the rate decides. */
      readonly limitedBy: string | null;
      /** kg/h at the speed to drive. */
      readonly rate: number;
    }
  | { readonly kind: 'none'; readonly because: 'head not confirmed today' | 'no crop' };

/**
 * Speed for a target rate. No suggestion without the head confirmed for the day: a 20-ft answer on a 30-ft head overloads the machine.
 * Range and source: {@link GROUND_SPEED}.
 * @param rate kg/h that the machine works well at; @param width m; @param yieldKgPerHa as it stands here
 * @example 30 ft, 4,100 bu/h: 4.8 mph in 235 bu/ac corn; in 150 the formula says 7.5 and a 6.5 limit decides, at 3,545 bu/h
 */
export function speedForRate(input: {
  readonly rate: number;
  readonly width: number;
  readonly yieldKgPerHa: number;
  readonly limits?: readonly SpeedLimit[];
  readonly headConfirmed: boolean;
}): SpeedAdvice {
  within(RATE, input.rate);
  within(WIDTH, input.width);
  within(YIELD, input.yieldKgPerHa);
  if (!input.headConfirmed) return { kind: 'none', because: 'head not confirmed today' };
  if (input.yieldKgPerHa === 0) return { kind: 'none', because: 'no crop' };
  const byRate = (input.rate * 10_000) / (3600 * input.width * input.yieldKgPerHa);
  for (const limit of input.limits ?? []) within({ ...SPEED, name: limit.name }, limit.speed);
  const binding = [...(input.limits ?? [])].sort((a, b) => a.speed - b.speed)[0];
  const limited = binding !== undefined && binding.speed < byRate;
  const speed = limited ? binding.speed : Math.min(byRate, SPEED.most);
  return {
    kind: 'speed',
    speed,
    byRate,
    limitedBy: limited ? binding.name : byRate > SPEED.most ? 'fastest that is believed' : null,
    rate: rateAt(speed, input.width, input.yieldKgPerHa),
  };
}

/** Seconds until a tank is full at a rate, and whether what is in it fits the cart. */
export function tankFill(input: {
  readonly inTankKg: number;
  readonly tankKg: number;
  readonly rate: number;
  readonly cartRoomKg?: number;
}): {
  secondsToFull: number | null;
  fitsCart: boolean | null;
  overCartKg: number;
} {
  requireInRange('grain in the tank', input.inTankKg, 0, 1e5, 'kg');
  requireInRange('tank', input.tankKg, 1, 1e5, 'kg');
  const left = Math.max(0, input.tankKg - input.inTankKg);
  const overCartKg =
    input.cartRoomKg === undefined
      ? 0
      : Math.max(0, input.inTankKg - requireInRange('room in the cart', input.cartRoomKg, 0, 1e5, 'kg'));
  return {
    secondsToFull: within(RATE, input.rate) > 0 ? (3600 * left) / input.rate : null,
    fitsCart: input.cartRoomKg === undefined ? null : overCartKg === 0,
    overCartKg,
  };
}
