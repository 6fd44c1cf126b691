import { KG_PER_LB, type Random } from '@fanega/core';
import { scatter } from './chance.js';

export interface BridgeFigure {
  /** Milliseconds since the truck came. */
  readonly ms: number;
  readonly kg: number;
}

/** lb */
const DIVISION = 20;
export const FIGURES_A_SECOND = 4;
const STEP_MS = 1000 / FIGURES_A_SECOND;

/**
 * A truck that drives over a platform axle by axle: an axle rolls on, rocks until it is quiet, stands, and rolls off.
 * @param axlesKg true axle weights, from the front
 * @param stands seconds that each axle stands quietly; less than the scale's rule and the driver was too fast
 * @returns figures, four a second, from an empty platform to an empty platform
 */
export function crossing(axlesKg: readonly number[], random: Random, stands = 6): BridgeFigure[] {
  const figures: BridgeFigure[] = [];
  let ms = 0;
  const show = (kg: number, noiseLb: number): void => {
    const pounds = kg / KG_PER_LB + scatter(random, noiseLb);
    figures.push({ ms, kg: Math.round(pounds / DIVISION) * DIVISION * KG_PER_LB });
    ms += STEP_MS;
  };
  const steps = (seconds: number): number => Math.round(seconds * FIGURES_A_SECOND);
  for (let i = 0; i < steps(2); i++) show(0, 3);
  for (const axle of axlesKg) {
    for (let i = 1; i <= steps(1.5); i++) show((axle * i) / steps(1.5), 0.01 * axle);
    // The springs: a rocking of two a second that is halved each half second.
    for (let i = 0; i < steps(2.5); i++)
      show(
        axle *
          (1 + 0.06 * Math.exp((-1.4 * i) / FIGURES_A_SECOND) * Math.cos((2 * Math.PI * 2 * i) / FIGURES_A_SECOND)),
        12,
      );
    for (let i = 0; i < steps(stands); i++) show(axle, 5);
    for (let i = 1; i <= steps(1.5); i++) show(axle * (1 - i / steps(1.5)), 0.01 * axle);
    for (let i = 0; i < steps(1); i++) show(0, 3);
  }
  return figures;
}
