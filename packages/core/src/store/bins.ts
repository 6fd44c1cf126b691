import { type Formula, groupBy, quantity, requireInRange, rootBetween, within } from '../kernel/index.js';
import { type VolumeBushels, volumeBushels } from '../units/index.js';

const DIAMETER = quantity('diameter', 0.5, 60, 'm');
const HEIGHT = quantity('height', 0, 60, 'm');
const ANGLE = quantity('angle', 0, 70, 'degrees');
const tan = (degrees: number): number => Math.tan((within(ANGLE, degrees) * Math.PI) / 180);

export const BIN_VOLUME: Formula = {
  id: 'bin-volume',
  title: 'Space in bins and piles',
  equation:
    'cylinder pi D² H/4; cone pi D³ tan(angle)/24; readings: integral of 2 pi r h(r), straight between radii; 1 m³ = 28.3776 bu',
  standing: 'published, from memory',
  source: 'Geometry; ASAE EP413 defines full bins',
  inputs: [DIAMETER, HEIGHT, ANGLE],
};

/** A round bin. Heights count from the floor, or from the tip of the hopper. */
export interface RoundBin {
  readonly kind: 'round';
  /** m */
  readonly diameter: number;
  /** Wall from floor (or hopper's upper edge) to eave, m. */
  readonly eave: number;
  /** Steepness of a hopper bottom; left out: a flat floor. */
  readonly hopperDegrees?: number;
  /** Pitch of the roof; grain cannot be piled steeper. */
  readonly roofDegrees?: number;
}

/** A flat storage: rectangular floor, walls of one height. */
export interface FlatStorage {
  readonly kind: 'flat';
  readonly length: number;
  readonly width: number;
  readonly wall: number;
}

export type Storage = RoundBin | FlatStorage;

/** How far below the eave the grain lies at a distance from the middle, m. */
export interface DepthReading {
  readonly fromCenter: number;
  readonly belowEave: number;
}

/** What the surface looks like. Levels are heights of grain at the wall above the floor (above the tip of a hopper). */
export type Surface =
  | { readonly kind: 'level'; readonly height: number }
  | { readonly kind: 'peaked'; readonly atWall: number; readonly degrees: number }
  /** The core was drawn: a funnel from the wall down to the middle. */
  | { readonly kind: 'cored'; readonly atWall: number; readonly degrees: number }
  | { readonly kind: 'readings'; readonly readings: readonly DepthReading[] };

export interface Fill {
  /** m3 */
  readonly cubicMetres: number;
  readonly bushels: VolumeBushels;
  /** Height of the same grain leveled, m. */
  readonly leveled: number;
  /** Highest point, m above the floor. */
  readonly highest: number;
}

const area = (bin: Storage): number =>
  bin.kind === 'round'
    ? (Math.PI * within(DIAMETER, bin.diameter) ** 2) / 4
    : requireInRange('length', bin.length, 0.5, 500, 'm') * requireInRange('width', bin.width, 0.5, 200, 'm');

const hopperHeight = (bin: Storage): number =>
  bin.kind === 'round' && bin.hopperDegrees !== undefined
    ? (within(DIAMETER, bin.diameter) / 2) * tan(bin.hopperDegrees)
    : 0;
/** Height of the eave above floor or hopper tip, m. */
export const eaveHeight = (bin: Storage): number =>
  hopperHeight(bin) + within(HEIGHT, bin.kind === 'round' ? bin.eave : bin.wall);

/** Space below a level surface, m3; a hopper narrows to its tip. */
function below(bin: Storage, height: number): number {
  const hopper = hopperHeight(bin);
  if (height >= hopper) return area(bin) * (height - hopper + hopper / 3);
  const radius = ((height / hopper) * (bin as RoundBin).diameter) / 2;
  return (Math.PI * radius * radius * height) / 3;
}

/** Space of the heap on a level surface that slopes up from the walls, m3. */
function heap(bin: Storage, degrees: number): { volume: number; height: number } {
  if (bin.kind === 'round')
    return { volume: (Math.PI * bin.diameter ** 3 * tan(degrees)) / 24, height: (bin.diameter / 2) * tan(degrees) };
  const [long, short] = [Math.max(bin.length, bin.width), Math.min(bin.length, bin.width)];
  const height = (short / 2) * tan(degrees);
  // A ridge over the middle and two half-pyramids at the ends.
  return { volume: ((long - short) * short * height) / 2 + (short * short * height) / 3, height };
}

/**
 * Space of the grain around a drawn core, m3: the funnel slopes down from the wall until it meets the floor or the hopper, and what
 * stands outside of it is there, be it only a ring along the wall.
 */
function aroundCore(bin: Storage, atWall: number, degrees: number): number {
  const slope = tan(degrees);
  if (bin.kind === 'round') {
    const radius = bin.diameter / 2;
    // Grain above floor or hopper at a distance r from the middle: inMiddle + rise * r.
    const inMiddle = atWall - radius * slope;
    const rise = slope - hopperHeight(bin) / radius;
    const bare = inMiddle < 0 ? Math.min(radius, -inMiddle / rise) : 0;
    return Math.PI * inMiddle * (radius ** 2 - bare ** 2) + ((2 * Math.PI) / 3) * rise * (radius ** 3 - bare ** 3);
  }
  const [long, short] = [Math.max(bin.length, bin.width), Math.min(bin.length, bin.width)];
  if (atWall >= (short / 2) * slope) return area(bin) * atWall - heap(bin, degrees).volume;
  // A rim along four walls, as wide as its height and slope make it.
  return ((long + short) * atWall ** 2) / slope - (4 * atWall ** 3) / (3 * slope ** 2);
}

/**
 * Integral of 2 pi r h(r) for heights by distance from the middle: readings at one distance are averaged, between distances the
 * surface is straight, inside the innermost and outside the outermost it is flat.
 */
function fromReadings(bin: RoundBin, readings: readonly DepthReading[]): { volume: number; highest: number } {
  requireInRange('number of depth readings', readings.length, 1, 1000, '');
  const radius = bin.diameter / 2;
  const eave = eaveHeight(bin);
  const read = readings.map(({ fromCenter, belowEave }) => ({
    r: requireInRange('distance from the middle', fromCenter, 0, radius * 1.0001, 'm'),
    // Above the eave (a peak into the roof) reads negative.
    h: eave - requireInRange('depth below the eave', belowEave, -radius, eave, 'm'),
  }));
  const points = [...groupBy(read, ({ r }) => r)]
    .map(([r, ring]) => ({ r, h: ring.reduce((sum, { h }) => sum + h, 0) / ring.length }))
    .sort((a, b) => a.r - b.r);
  const all = [{ r: 0, h: points[0]!.h }, ...points, { r: radius, h: points.at(-1)!.h }];
  let volume = 0;
  for (let i = 1; i < all.length; i++) {
    const [a, b] = [all[i - 1]!, all[i]!];
    if (b.r <= a.r) continue;
    const slope = (b.h - a.h) / (b.r - a.r);
    const at0 = a.h - slope * a.r;
    volume += Math.PI * at0 * (b.r ** 2 - a.r ** 2) + ((2 * Math.PI) / 3) * slope * (b.r ** 3 - a.r ** 3);
  }
  // Heights count from the hopper's tip; the hopper's own wall takes two thirds of its height.
  volume -= (area(bin) * hopperHeight(bin) * 2) / 3;
  return { volume, highest: Math.max(...all.map((p) => p.h)) };
}

/**
 * Space that the grain fills, from what its surface looks like.
 * Range and source: {@link BIN_VOLUME}.
 * @throws RangeRefusal for readings outside the bin; a heap on a surface inside the hopper is refused too
 */
export function fillOf(bin: Storage, surface: Surface): Fill {
  const eave = eaveHeight(bin);
  const wall = (h: number): number =>
    requireInRange('grain at the wall', h, surface.kind === 'level' ? 0 : hopperHeight(bin), eave * 1.0001, 'm');
  let volume: number;
  let highest: number;
  if (surface.kind === 'level') {
    volume = below(bin, wall(surface.height));
    highest = surface.height;
  } else if (surface.kind === 'readings') {
    if (bin.kind === 'round') ({ volume, highest } = fromReadings(bin, surface.readings));
    else {
      requireInRange('number of depth readings', surface.readings.length, 1, 1000, '');
      const heights = surface.readings.map(
        (reading) => eave - requireInRange('depth below the wall', reading.belowEave, -bin.width, eave, 'm'),
      );
      volume = (area(bin) * heights.reduce((a, b) => a + b, 0)) / heights.length;
      highest = Math.max(...heights);
    }
  } else {
    const cone = heap(bin, surface.degrees);
    const base = below(bin, wall(surface.atWall));
    volume = surface.kind === 'peaked' ? base + cone.volume : aroundCore(bin, surface.atWall, surface.degrees);
    highest = surface.atWall + (surface.kind === 'peaked' ? cone.height : 0);
  }
  volume = Math.max(0, volume);
  return { cubicMetres: volume, bushels: volumeBushels(volume), leveled: heightOf(bin, volume), highest };
}

/**
 * Height of a level surface over so much grain, m. May be above the eave: that grain does not fit level.
 * Range and source: {@link BIN_VOLUME}.
 */
export function heightOf(bin: Storage, cubicMetres: number): number {
  requireInRange('volume', cubicMetres, 0, 1e7, 'm³');
  eaveHeight(bin);
  if (bin.kind === 'round' && bin.roofDegrees !== undefined)
    within({ ...ANGLE, name: 'pitch of the roof' }, bin.roofDegrees);
  const hopper = hopperHeight(bin);
  const inHopper = below(bin, hopper);
  if (cubicMetres >= inHopper) return hopper + (cubicMetres - inHopper) / area(bin);
  // V = pi/3 (R/h)² z³ with the hopper's own slope.
  return hopper * Math.cbrt(cubicMetres / inHopper);
}

/**
 * What a bin holds: level at the eave, and with a heap as steep as the grain lies (or the roof allows).
 * Range and source: {@link BIN_VOLUME}.
 */
export function capacityOf(
  bin: Storage,
  reposeDegrees: number,
): { level: Fill; heaped: Fill; heapDegrees: number; limitedBy: 'grain' | 'roof' } {
  const roof = bin.kind === 'round' ? bin.roofDegrees : undefined;
  within(ANGLE, reposeDegrees);
  if (roof !== undefined) within({ ...ANGLE, name: 'pitch of the roof' }, roof);
  const heapDegrees = roof !== undefined && roof < reposeDegrees ? roof : reposeDegrees;
  const eave = eaveHeight(bin);
  return {
    level: fillOf(bin, { kind: 'level', height: eave }),
    heaped: fillOf(bin, { kind: 'peaked', atWall: eave, degrees: heapDegrees }),
    heapDegrees,
    limitedBy: heapDegrees === reposeDegrees ? 'grain' : 'roof',
  };
}

export type LevelForQuantity =
  | {
      readonly kind: 'fits';
      /** m at the wall and in the middle above floor or tip */ readonly atWall: number;
      readonly inMiddle: number;
      /** What a weighted tape reads below the eave in the middle; negative is above it. */ readonly middleBelowEave: number;
    }
  | { readonly kind: 'does_not_fit'; readonly overCubicMetres: number }
  /** So little that the shape does not reach the wall: only the leveled height can be told. */
  | { readonly kind: 'less_than_shape'; readonly leveled: number };

/**
 * The level that so much grain should show, with a surface of the given shape.
 * Range and source: {@link BIN_VOLUME}.
 * @param cubicMetres space it fills, packing counted
 */
export function levelFor(
  bin: Storage,
  cubicMetres: number,
  shape: { readonly kind: 'level' } | { readonly kind: 'peaked' | 'cored'; readonly degrees: number },
): LevelForQuantity {
  requireInRange('volume', cubicMetres, 0, 1e7, 'm³');
  const eave = eaveHeight(bin);
  const surface = (h: number): Surface =>
    shape.kind === 'level' ? { kind: 'level', height: h } : { kind: shape.kind, atWall: h, degrees: shape.degrees };
  const full = fillOf(bin, surface(eave)).cubicMetres;
  if (cubicMetres > full * (1 + 1e-9)) return { kind: 'does_not_fit', overCubicMetres: cubicMetres - full };
  const cone = shape.kind === 'level' ? 0 : heap(bin, shape.degrees).height;
  // The lowest wall at which this shape still stands on floor or hopper.
  const least = shape.kind === 'level' ? 0 : hopperHeight(bin);
  const smallest = fillOf(bin, surface(least)).cubicMetres;
  if (cubicMetres < smallest * (1 - 1e-9)) return { kind: 'less_than_shape', leveled: heightOf(bin, cubicMetres) };
  const excess = (h: number): number => fillOf(bin, surface(h)).cubicMetres - cubicMetres;
  const atWall = cubicMetres >= full ? eave : cubicMetres <= smallest ? least : rootBetween(excess, least, eave, 1e-9);
  const inMiddle =
    shape.kind === 'peaked' ? atWall + cone : shape.kind === 'cored' ? Math.max(0, atWall - cone) : atWall;
  return { kind: 'fits', atWall, inMiddle, middleBelowEave: eave - inMiddle };
}
