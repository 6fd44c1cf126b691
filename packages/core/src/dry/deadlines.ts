import { type Crop, cropOf, CROPS } from '../crops/index.js';
import {
  type KeepingSchool,
  type SafeDays,
  safeDaysLeft,
  selfHeating,
  storageLifeBasis,
  USUAL_KEEPING,
} from '../grain/index.js';
import { RangeRefusal, requireFinite, UnknownRefusal } from '../kernel/index.js';
import type { WetPlace } from './view.js';

const DAY_MS = 86_400_000;
/** Vessels without air through them: grain in them heats itself. */
const STILL = new Set(['combine', 'cart', 'truck', 'pit', 'wetBin', 'overhead', 'pile']);

/** How warm the grain of a place is, and how that is known. */
export interface GrainWarmth {
  readonly celsius: number;
  /** When it was measured, ms; null where it is only as warm as the air was. */
  readonly measuredMs: number | null;
}

/** Until when the wet grain of a place must be dried, cooled or gone. */
export interface Deadline {
  readonly placeId: string;
  readonly kind: string;
  readonly crop: string;
  readonly wetKg: number;
  readonly wetLots: Readonly<Record<string, number>>;
  /** wet-basis fraction */
  readonly moisture: number;
  readonly warmth: GrainWarmth;
  readonly cutMs: number | null;
  /** Of its life used since it was cut. */
  readonly lifeUsed: number;
  /** By the tables, for grain with air through it. */
  readonly aired: SafeDays | null;
  /** Where no heat escapes: days from now and what it comes to, °C; null where the crop has no such figure. */
  readonly still: { readonly days: number; readonly celsius: number } | null;
  /** It stands without air: the still figure counts. */
  readonly standsStill: boolean;
  /** ms; null where no table goes that wet or warm: at once. */
  readonly dueMs: number | null;
}

/**
 * Deadlines of everything wet, the nearest first; what no table knows comes before all.
 * @param warmthOf how warm a place's grain is
 */
export function deadlines(
  wet: readonly WetPlace[],
  now: number,
  warmthOf: (placeId: string) => GrainWarmth,
  school: KeepingSchool = USUAL_KEEPING,
  soybeanShift = 3,
): Deadline[] {
  requireFinite('time', now, 'ms');
  return wet
    .flatMap(({ placeId, kind, layers }) =>
      layers.map((layer): Deadline => {
        const crop = cropOf(layer.crop) ?? CROPS.corn;
        const warmth = warmthOf(placeId);
        const { moisture } = layer;
        const hours = layer.cutMeanMs === null ? 0 : Math.max(0, (now - layer.cutMeanMs) / 3_600_000);
        const aired = keepsFor(crop, moisture, warmth.celsius, school, soybeanShift, hours);
        const lifeUsed = aired?.lifeUsed ?? 0;
        const fresh = stillLife(crop, moisture, warmth.celsius, soybeanShift);
        const still = fresh && { ...fresh, days: fresh.days * Math.max(0, 1 - lifeUsed) };
        const standsStill = STILL.has(kind);
        const days = standsStill && still && aired ? Math.min(still.days, aired.days) : (aired?.days ?? null);
        return {
          placeId,
          kind,
          crop: crop.id,
          wetKg: layer.wetKg,
          wetLots: layer.wetLots,
          moisture,
          warmth,
          cutMs: layer.cutFirstMs,
          lifeUsed,
          aired,
          still,
          standsStill,
          dueMs: days === null ? null : now + days * DAY_MS,
        };
      }),
    )
    .sort((a, b) => (a.dueMs ?? -Infinity) - (b.dueMs ?? -Infinity));
}

/**
 * How long grain keeps as it is; null where it is wetter or warmer than every table, or its crop has none.
 * @param moisture wet-basis fraction @param hours that it has lain as it is
 */
export function keepsFor(
  crop: Crop,
  moisture: number,
  celsius: number,
  school: KeepingSchool,
  soybeanShift: number,
  hours = 0,
): SafeDays | null {
  try {
    return safeDaysLeft(
      crop,
      { moisture, temperature: celsius },
      hours > 0 ? [{ hours, moisture, temperature: celsius }] : [],
      { school, soybeanShift },
    );
  } catch (error) {
    // Nothing is guessed.
    if (error instanceof RangeRefusal || error instanceof UnknownRefusal) return null;
    throw error;
  }
}

function stillLife(
  crop: Crop,
  moisture: number,
  celsius: number,
  soybeanShift: number,
): { days: number; celsius: number } | null {
  if (crop.like !== 'corn' && crop.like !== 'soybean' && crop.like !== 'sorghum') return null;
  const basis = storageLifeBasis(crop, soybeanShift);
  const asCorn = moisture + (basis.kind === 'as corn' ? basis.pointsWetter / 100 : 0);
  if (asCorn < 0.1 || asCorn > 0.35 || celsius < -20 || celsius > 50) return null;
  return selfHeating(asCorn, celsius);
}
