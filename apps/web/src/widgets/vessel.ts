import { CUBIC_METRES_PER_BUSHEL } from '@fanega/core';

/** What a drawing needs of a bin, in meters. The hopper, where there is one, hangs below the cylinder. */
export interface VesselShape {
  readonly diameter: number;
  readonly eave: number;
  readonly hopper: number;
}

/** Space that loose grain takes, m3, from its bushels of weight: a struck bushel is 1.2445 ft3. Packing is left out. */
export const cubicMetres = (bushels: number): number => bushels * CUBIC_METRES_PER_BUSHEL;

/** Height of a level surface above the lowest point, m, for a volume in a cylinder with a cone below. */
export function heightOf(volume: number, { diameter, hopper }: VesselShape): number {
  const area = (Math.PI * diameter * diameter) / 4;
  const cone = (area * hopper) / 3;
  if (volume <= cone) return hopper * Math.cbrt(volume / (cone || 1));
  return hopper + (volume - cone) / area;
}
