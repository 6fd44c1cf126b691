import { KG_PER_LB, type Random } from '@fanega/core';
import { scatter } from './chance.js';

/** What the cart does while its scale is read: it stands, it is driven, or grain pours. */
export type CartMotion = 'stands' | 'drives' | 'pours';

/** lb */
const DIVISION = 10;
const NOISE_LB: Readonly<Record<CartMotion, number>> = { stands: 4, drives: 130, pours: 45 };

/** Load cells under a grain cart: quiet while it stands, rough while it is driven, a little off as cells are. */
export class CartScale {
  /** @param bias fraction by which it reads high @param zeroKg what it shows empty */
  constructor(
    private readonly random: Random,
    private readonly bias = 0,
    private readonly zeroKg = 0,
  ) {}

  /** What it shows for a true weight, kg, in its divisions. */
  read(trueKg: number, motion: CartMotion): number {
    const pounds = (trueKg * (1 + this.bias) + this.zeroKg) / KG_PER_LB + scatter(this.random, NOISE_LB[motion]);
    return Math.round(pounds / DIVISION) * DIVISION * KG_PER_LB;
  }
}

export interface CartFigure {
  /** Milliseconds since the play began. */
  readonly ms: number;
  readonly kg: number;
}

const STAND_SECONDS = 12;
const POUR_KG_S = 85;

/**
 * The curve of a cart through dumps onto it and unloadings from it: standing, driven, pouring, standing again; a figure each second.
 * @param changes kg that come on (positive) or go off (negative), one after the other
 * @param startKg true weight at the beginning
 */
export function cartCurve(scale: CartScale, changes: readonly number[], startKg = 0): CartFigure[] {
  const figures: CartFigure[] = [];
  let ms = 0;
  let trueKg = startKg;
  const read = (seconds: number, motion: CartMotion, stepKg = 0): void => {
    for (let i = 0; i < seconds; i++) {
      trueKg = Math.max(0, trueKg + stepKg);
      figures.push({ ms, kg: scale.read(trueKg, motion) });
      ms += 1000;
    }
  };
  read(STAND_SECONDS, 'stands');
  for (const change of changes) {
    read(8, 'drives');
    const seconds = Math.max(1, Math.ceil(Math.abs(change) / POUR_KG_S));
    read(seconds, 'pours', change / seconds);
    read(6, 'drives');
    read(STAND_SECONDS, 'stands');
  }
  return figures;
}
