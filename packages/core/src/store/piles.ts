import { quantity, requireInRange, rootBetween, within } from '../kernel/index.js';
import { type VolumeBushels, volumeBushels } from '../units/index.js';

const ANGLE = quantity('angle of repose', 5, 60, 'degrees');
const SIZE = quantity('size of a pile', 0, 1000, 'm');

/** A pile as measured: round by its diameter or by a tape around its foot; a windrow by its length over all and its width. */
export type Pile =
  | { readonly kind: 'cone'; readonly diameter: number; readonly degrees: number }
  | { readonly kind: 'taped'; readonly circumference: number; readonly height: number }
  | { readonly kind: 'windrow'; readonly length: number; readonly width: number; readonly degrees: number };

export interface PileSize {
  readonly cubicMetres: number;
  readonly bushels: VolumeBushels;
  /** m */
  readonly height: number;
  /** m2 of ground that it covers: what a tarp or a pad has to reach over, before overlap. */
  readonly ground: number;
  /** m2 of its own surface. */
  readonly surface: number;
}

/** Space in a pile. A windrow is a ridge (length - width) long between two half cones. Loose grain: a pile packs little. */
export function pileSize(pile: Pile): PileSize {
  if (pile.kind === 'taped') {
    const diameter = within(SIZE, pile.circumference) / Math.PI;
    const height = within(SIZE, pile.height);
    const slope = Math.hypot(diameter / 2, height);
    return size(
      (Math.PI * diameter * diameter * height) / 12,
      height,
      (Math.PI * diameter * diameter) / 4,
      (Math.PI * diameter * slope) / 2,
    );
  }
  const tan = Math.tan((within(ANGLE, pile.degrees) * Math.PI) / 180);
  const cos = Math.cos((pile.degrees * Math.PI) / 180);
  const width = within(SIZE, pile.kind === 'cone' ? pile.diameter : pile.width);
  const length =
    pile.kind === 'cone' ? width : requireInRange('length of the windrow', pile.length, width, SIZE.most, 'm');
  const height = (width / 2) * tan;
  const ground = (Math.PI * width * width) / 4 + (length - width) * width;
  return size(
    ((length - width) * width * height) / 2 + (Math.PI * width * width * height) / 12,
    height,
    ground,
    ground / cos,
  );
}

const size = (cubicMetres: number, height: number, ground: number, surface: number): PileSize => ({
  cubicMetres,
  bushels: volumeBushels(cubicMetres),
  height,
  ground,
  surface,
});

/** Diameter of a round pile for so much grain, m: the way back. */
export function coneDiameterFor(cubicMetres: number, degrees: number): number {
  requireInRange('volume', cubicMetres, 0, 1e7, 'm³');
  return Math.cbrt((24 * cubicMetres) / (Math.PI * Math.tan((within(ANGLE, degrees) * Math.PI) / 180)));
}

/** Length over all of a windrow of a given width for so much grain, m. @throws RangeRefusal when a round pile of that width already holds more */
export function windrowLengthFor(cubicMetres: number, width: number, degrees: number): number {
  const least = pileSize({ kind: 'windrow', length: width, width, degrees }).cubicMetres;
  const most = pileSize({ kind: 'windrow', length: SIZE.most, width, degrees }).cubicMetres;
  requireInRange('volume for a windrow of this width', cubicMetres, least, most, 'm³');
  if (cubicMetres === most) return SIZE.most;
  if (cubicMetres === least) return width;
  return rootBetween(
    (length) => pileSize({ kind: 'windrow', length, width, degrees }).cubicMetres - cubicMetres,
    width,
    SIZE.most,
    1e-9,
  );
}
