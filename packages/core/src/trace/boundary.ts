import { closedRing, crossesItself, ringArea } from '../kernel/index.js';
import { M2_PER_ACRE } from '../units/index.js';
import type { FieldBoundary } from '../records/index.js';

/** Polygons of a field as GeoJSON has them: parts, their rings, [longitude, latitude]. */
export type Rings = readonly (readonly (readonly (readonly [number, number])[])[])[];

export type BoundaryProblem = 'too_few_points' | 'crosses_itself' | 'swapped' | 'out_of_range' | 'too_many_points';

/** Points of a record as rings. */
export function ringsOf({ points }: Pick<FieldBoundary, 'points'>): Rings {
  const parts: [number, number][][][] = [];
  for (const { part, ring, lon, lat } of points) ((parts[part] ??= [])[ring] ??= []).push([lon, lat]);
  return parts.filter(Boolean).map((rings) => rings.filter(Boolean));
}

/** A centimeter on the ground: nobody's receiver knows more. */
const fine = (degrees: number): number => Math.round(degrees * 1e7) / 1e7;

export const pointsOf = (rings: Rings): FieldBoundary['points'] =>
  rings.flatMap((own, part) =>
    own.flatMap((points, ring) => points.map(([lon, lat]) => ({ part, ring, lon: fine(lon), lat: fine(lat) }))),
  );

/** The same rings, each ending where it began, without points that repeat the one before. */
export const tidied = (rings: Rings): Rings =>
  rings.map((own) => own.map((ring) => closedRing(ring.filter(([lon, lat], i) => i === 0 || lon !== ring[i - 1]![0] || lat !== ring[i - 1]![1])))); // prettier-ignore

/** Acres inside of rings, holes taken off, on a sphere. Published: Chamberlain and Duquette 2007, JPL 07-03. */
export const acresInside = (rings: Rings): number =>
  rings.reduce((sum, [outer, ...holes]) => sum + ringArea(outer ?? []) - holes.reduce((off, hole) => off + ringArea(hole), 0), 0) / M2_PER_ACRE; // prettier-ignore

const MOST_POINTS = 5000;
const POLAR = 66.5;

/**
 * What is wrong with a boundary; null where nothing is. Coordinates that lie outside of what is possible one way and inside the other are said
 * to be swapped.
 */
export function boundaryProblem(rings: Rings): BoundaryProblem | null {
  const all = rings.flat(2);
  if (all.length > MOST_POINTS) return 'too_many_points';
  if (rings.length === 0 || rings.some((own) => own.length === 0 || own.some((ring) => ring.length < 4)))
    return 'too_few_points';
  if (all.some(([lon, lat]) => !Number.isFinite(lon) || !Number.isFinite(lat) || Math.abs(lon) > 180 || Math.abs(lat) > 90)) {
    return all.every(([lon, lat]) => Math.abs(lon) <= 90 && Math.abs(lat) <= 180) ? 'swapped' : 'out_of_range';
  } // prettier-ignore
  // Nobody farms beyond the polar circles: there, the two were exchanged.
  if (all.every(([lon, lat]) => Math.abs(lat) > POLAR && Math.abs(lon) < POLAR)) return 'swapped';
  return rings.some((own) => own.some(crossesItself)) ? 'crosses_itself' : null;
}
