import type { FuelState } from '@fanega/core';
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
/** Bytes; a phone's picture scaled to 1,600 px is a tenth of it. */
export const MOST_PHOTO_BYTES = 4_000_000;
export interface PhotoInfo {
  readonly photoId: string;
  readonly width: number;
  readonly height: number;
}

/** A machine whose tank is known, with what is left in it. */
export interface FuelInfo {
  readonly placeId: string;
  /** null: it was never filled full, or nobody knows what it burns */
  readonly state: FuelState | null;
  /** gallons filled this season, and a bushel of what went through the machine */
  readonly gallons: number;
  readonly perBushel: number | null;
}

/** How long somebody has been at it today, by what he recorded. */
export interface AtWheelInfo {
  readonly name: string;
  /** h of work, breaks of more than 45 minutes left out */
  readonly hours: number;
  readonly sinceMs: number;
  /** the farm's own line is reached */
  readonly rest: boolean;
}
