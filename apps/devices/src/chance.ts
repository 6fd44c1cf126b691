import type { Random } from '@fanega/core';

/** A normal draw of the given standard deviation; Box and Muller. */
export const scatter = (random: Random, deviation: number): number =>
  deviation * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** Something that wanders slowly about 0, as ground, crop and bearings do: each step keeps `keeps` of the one before. */
export class Wander {
  private at = 0;
  constructor(
    private readonly random: Random,
    private readonly deviation: number,
    private readonly keeps = 0.97,
  ) {}

  next(): number {
    this.at = this.keeps * this.at + scatter(this.random, this.deviation * Math.sqrt(1 - this.keeps * this.keeps));
    return this.at;
  }
}
