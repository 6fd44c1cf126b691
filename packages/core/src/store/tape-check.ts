import type { Crop } from '../crops/index.js';
import { type Formula, quantity, requireInRange } from '../kernel/index.js';
import type { BinSetup } from '../records/index.js';
import { kilogramsPerBushel, MOISTURE } from '../units/index.js';
import { roundBinOf } from './bin-capacity.js';
import { capacityOf, eaveHeight, fillOf, type Fill, levelFor, type LevelForQuantity, type Surface } from './bins.js';
import { massOfFill, packFactor, spaceOfMass } from './pack.js';

const BELOW = quantity('depth below the eave', -25, 60, 'm');

/** m that a weighted tape on a grain surface is off by: half a foot; common practice, no source. */
export const TAPE_ERROR = 0.15;
/** Share that packing is off by: what a table leaves, and what an own factor of the bin leaves; common practice, no source. */
export const PACK_ERROR = { table: 0.04, own: 0.015 } as const;

export const TAPE_CHECK: Formula = {
  id: 'tape-check',
  title: 'Bushels in a bin by tape, and whether the book agrees',
  standing: 'common practice',
  source: 'common practice, no source',
  equation:
    'kg = space under the surface × density × pack factor; agrees where the book is within kg ± √((area × 0.15 m)² + (4 % packing)²)',
  inputs: [BELOW, MOISTURE],
  note: 'The tape is read at the wall. A half foot of a 42 ft bin is more than 550 bushels: no tape settles a truck load.',
};

/** What the surface looks like from the hatch. */
export type SeenSurface = 'level' | 'peaked' | 'cored' | 'empty';

export interface TapeCheckInput {
  readonly setup: BinSetup;
  readonly crop: Crop;
  /** wet-basis fraction */
  readonly moisture: number;
  readonly seen: SeenSurface;
  /** m from the eave down to the grain at the wall; not asked of an empty bin */
  readonly belowEave: number;
  /** steepness of peak or funnel; left out: as the crop lies, or runs out */
  readonly degrees?: number;
  readonly bookKg: number;
}

export interface TapeCheck {
  readonly kg: number;
  /** as far as tape and packing can be off */
  readonly errorKg: number;
  readonly differenceKg: number;
  /** The book is within the error, or the bin has more or less than it. */
  readonly answer: 'agrees' | 'more' | 'less';
  readonly pack: number;
  readonly packBy: 'own factor' | 'assumed compaction';
  /** What the tape would read if the book were right, with this surface; null for an empty bin. */
  readonly byBook: LevelForQuantity | null;
  /** m from the eave down at the wall, where it fits; null otherwise */
  readonly bookBelowEave: number | null;
  /** Room, kg of this grain: to the eave level, and heaped under the roof. */
  readonly roomLevelKg: number;
  readonly roomHeapedKg: number;
}

/**
 * Holds the book against what somebody sees and reads at a bin.
 * Range and source: {@link TAPE_CHECK}, {@link BIN_VOLUME} and {@link PACKING}.
 * @throws RangeRefusal for a level above the roof or below the floor, and for a place without a wall
 */
export function tapeCheck(input: TapeCheckInput): TapeCheck {
  const { setup, crop, moisture, seen } = input;
  const bookKg = requireInRange('the book', input.bookKg, 0, 1e9, 'kg');
  requireInRange('wall', setup.eave, 0.5, 40, 'm');
  requireInRange('hopper', setup.hopper, 0, 20, 'm');
  const bin = roundBinOf(setup);
  const eave = eaveHeight(bin);
  const below = seen === 'empty' ? eave : requireInRange('depth below the eave', input.belowEave, 0, eave, 'm');
  const degrees = requireInRange(
    'slope of the grain',
    input.degrees ?? (seen === 'cored' ? crop.emptyingDegrees : crop.reposeDegrees),
    1,
    60,
    '°',
  );
  const atWall = eave - below;
  const surface: Surface =
    seen === 'level' || seen === 'empty' ? { kind: 'level', height: atWall } : { kind: seen, atWall, degrees };
  const filled: Fill = fillOf(bin, surface);
  const pack = packFactor({
    crop,
    diameter: setup.diameter,
    depth: Math.max(0.3, filled.leveled),
    moisture,
    ...(setup.packFactor === undefined ? {} : { own: setup.packFactor }),
  });
  const kgOf = (fill: Pick<Fill, 'cubicMetres'>): number => massOfFill(fill, crop, moisture, pack.factor).wetKg;
  const kg = seen === 'empty' ? 0 : kgOf(filled);
  const floor = (Math.PI / 4) * setup.diameter ** 2;
  const errorKg =
    seen === 'empty'
      ? kilogramsPerBushel(crop.legalPounds)
      : Math.hypot(
          kgOf({ cubicMetres: floor * TAPE_ERROR }),
          kg * (pack.by === 'own factor' ? PACK_ERROR.own : PACK_ERROR.table),
        );
  const byBook =
    seen === 'empty'
      ? null
      : levelFor(
          bin,
          spaceOfMass(bookKg, crop, moisture, pack.factor),
          seen === 'level' ? { kind: 'level' } : { kind: seen, degrees },
        );
  const room = capacityOf(bin, crop.reposeDegrees);
  return {
    kg,
    errorKg,
    differenceKg: kg - bookKg,
    answer: Math.abs(kg - bookKg) <= errorKg ? 'agrees' : kg > bookKg ? 'more' : 'less',
    pack: pack.factor,
    packBy: pack.by,
    byBook,
    bookBelowEave: byBook?.kind === 'fits' ? eave - byBook.atWall : null,
    roomLevelKg: Math.max(0, kgOf(room.level) - kg),
    roomHeapedKg: Math.max(0, kgOf(room.heaped) - kg),
  };
}

/** A load as the book has it. */
export interface BookedLoad {
  readonly id: string;
  readonly kg: number;
}

/**
 * Loads booked elsewhere that would explain a rise: the shortest run of loads one after another that is as heavy as it, the newest where
 * several are.
 * @param loads newest first
 */
export function loadsThatFit<L extends BookedLoad>(riseKg: number, errorKg: number, loads: readonly L[]): readonly L[] {
  requireInRange('rise', riseKg, 0, 1e9, 'kg');
  requireInRange('error', errorKg, 0, 1e9, 'kg');
  for (const { kg } of loads) requireInRange('load', kg, 0, 1e9, 'kg');
  let best: readonly L[] = [];
  for (let from = 0; from < loads.length; from++) {
    let sum = 0;
    for (let to = from; to < loads.length; to++) {
      sum += loads[to]!.kg;
      if (sum > riseKg + errorKg) break;
      if (sum >= riseKg - errorKg && (best.length === 0 || to - from + 1 < best.length))
        best = loads.slice(from, to + 1);
    }
  }
  return best;
}
