/** What the look ahead and the simulated days both take as usual: one figure for both, or they would not say the same. */

/** Standing less than this share of the time is a pace that the combine sets itself. */
export const STANDS_SHARE = 0.02;
/** What a combine's auger brings, bu/h; common practice, no source. */
export const COMBINE_UNLOADS_PER_HOUR = 9000;
/** A cart with less room than this share of the largest tank drives to the trucks. */
export const CART_LEAST_ROOM = 0.5;
/** A truck with less room than the rest of this share leaves. */
export const TRUCK_FULL_AT = 0.95;
/** One way of a cart between combine and truck, minutes; common practice, no source. */
export const USUAL_CART_DRIVE_MIN = 3;
/** Weighing and opening a truck at the own pit, minutes, and the leg behind it, bu/h; common practice, no source. */
export const USUAL_HOME_PIT = { dumpMin: 4, legPerHour: 5000 } as const;
