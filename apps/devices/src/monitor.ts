import { type FlowMoment, type Random } from '@fanega/core';
import { scatter } from './chance.js';

/** What is true in a combine at one moment. */
export interface Cutting {
  /** kg/s */
  readonly flow: number;
  /** wet-basis fraction */
  readonly moisture: number;
  /** m/s */
  readonly speed: number;
  /** Cutting width, m. */
  readonly width: number;
}

/** The ways in which a display is off: a part of all that it shows, more of it when it is full, and its own moisture. */
export interface DisplayFaults {
  readonly bias: number;
  /** Fraction more for each kg/s above 7. */
  readonly biasByFlow: number;
  readonly moisture: number;
}

/** A combine's display: flow, moisture, speed and yield as its sensors have them, and the load that it counts. */
export class Display {
  private kg = 0;
  private waterKg = 0;

  constructor(
    private readonly random: Random,
    private readonly faults: DisplayFaults = { bias: 0, biasByFlow: 0, moisture: 0 },
  ) {}

  /** What it shows; `seconds` of it are counted into the load. */
  read(atMs: number, { flow, moisture, speed, width }: Cutting, seconds: number): FlowMoment {
    const cuts = flow > 0.05;
    const shown = cuts
      ? Math.max(
          0,
          flow * (1 + this.faults.bias + this.faults.biasByFlow * (flow - 7)) * (1 + scatter(this.random, 0.015)),
        )
      : 0;
    const wet = Math.min(0.5, Math.max(0.05, moisture + this.faults.moisture + scatter(this.random, 0.001)));
    this.kg += shown * seconds;
    this.waterKg += shown * seconds * wet;
    return {
      atMs,
      flow: Math.round(shown * 1000) / 1000,
      moisture: Math.round(wet * 10_000) / 10_000,
      speed: Math.round(speed * 100) / 100,
      ...(cuts && speed > 0.2
        ? { yieldKgPerHa: Math.min(60_000, Math.round((shown * 10_000) / (speed * width))) }
        : {}),
    };
  }

  /** The load that it counted since it was asked last: kg, and its mean moisture; null where nothing came. */
  load(): { readonly kg: number; readonly moisture: number | null } {
    const { kg, waterKg } = this;
    this.kg = this.waterKg = 0;
    return { kg, moisture: kg > 0 ? waterKg / kg : null };
  }
}
