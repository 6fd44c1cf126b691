import { type Random } from '@fanega/core';
import { scatter } from './chance.js';

/** A hand tester: a little under the truth, with the scatter of a handful of kernels, to a tenth of a point. */
export class HandTester {
  constructor(
    private readonly random: Random,
    private readonly bias = -0.005,
    private readonly deviation = 0.0025,
  ) {}

  /** What it shows, wet-basis fraction. */
  read(moisture: number): number {
    return (
      Math.round(Math.min(0.5, Math.max(0.05, moisture + this.bias + scatter(this.random, this.deviation))) * 1000) /
      1000
    );
  }
}
