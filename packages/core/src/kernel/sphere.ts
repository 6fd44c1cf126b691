/** Longitude and latitude in degrees, in GeoJSON's order. */
export type Point = readonly [lon: number, lat: number];

/** Mean radius of the earth, m. Published: IUGG, GRS 80 (R1). */
const EARTH = 6_371_008.8;
const RAD = Math.PI / 180;

/** Area inside of a ring that ends where it began, m², on a sphere. Published: Chamberlain and Duquette 2007, JPL 07-03. */
export function ringArea(ring: readonly Point[]): number {
  let sum = 0;
  for (let i = 0; i < ring.length - 1; i++) {
    const [a, b] = [ring[i]!, ring[i + 1]!];
    sum += (b[0] - a[0]) * RAD * (2 + Math.sin(a[1] * RAD) + Math.sin(b[1] * RAD));
  }
  return Math.abs((sum * EARTH * EARTH) / 2);
}

/** Meters between two points along the ground. Published: haversine, Sinnott 1984. */
export function metersBetween([lonA, latA]: Point, [lonB, latB]: Point): number {
  const [up, over] = [Math.sin(((latB - latA) * RAD) / 2), Math.sin(((lonB - lonA) * RAD) / 2)];
  const chord = up * up + Math.cos(latA * RAD) * Math.cos(latB * RAD) * over * over;
  return 2 * EARTH * Math.asin(Math.min(1, Math.sqrt(chord)));
}

/** A ring of GeoJSON ends where it began. */
export const closedRing = (ring: readonly Point[]): readonly Point[] => {
  const [first, last] = [ring[0], ring.at(-1)];
  return first && last && (first[0] !== last[0] || first[1] !== last[1]) ? [...ring, first] : ring;
};

/** Is a point inside of a ring that ends where it began? By how often a line from it crosses the ring. */
export function insideRing(ring: readonly Point[], [lon, lat]: Point): boolean {
  let inside = false;
  for (let i = 0; i < ring.length - 1; i++) {
    const [a, b] = [ring[i]!, ring[i + 1]!];
    if (a[1] > lat !== b[1] > lat && lon < ((b[0] - a[0]) * (lat - a[1])) / (b[1] - a[1]) + a[0]) inside = !inside;
  }
  return inside;
}

const turn = (a: Point, b: Point, c: Point): number => Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])); // prettier-ignore
const meet = (a: Point, b: Point, c: Point, d: Point): boolean => turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0; // prettier-ignore

/** Does a ring that ends where it began cross itself? */
export function crossesItself(ring: readonly Point[]): boolean {
  for (let i = 0; i < ring.length - 1; i++)
    for (let k = i + 2; k < ring.length - 1; k++) {
      if (i === 0 && k === ring.length - 2) continue;
      if (meet(ring[i]!, ring[i + 1]!, ring[k]!, ring[k + 1]!)) return true;
    }
  return false;
}
