import { KG_PER_LB, type Random } from '@fanega/core';
import { scatter } from './chance.js';

/** lb; a sealed truck scale. */
const DIVISION = 20;

export interface Ticket {
  readonly ticket: string;
  readonly grossKg: number;
  readonly tareKg: number;
  readonly wetKg: number;
  /** wet-basis fraction, to a tenth of a point */
  readonly moisture: number;
  readonly pricePerBu?: number;
}

/** The buyer's scale and tester: sealed, so the truth within its divisions, and a number for each ticket. */
export class ElevatorDesk {
  constructor(
    private readonly random: Random,
    private next: number,
    private readonly pricePerBu: number | undefined = undefined,
  ) {}

  /** @param netKg true weight of the grain @param tareKg of the truck @param moisture true */
  weigh(netKg: number, tareKg: number, moisture: number): Ticket {
    const shown = (kg: number): number =>
      Math.round(kg / KG_PER_LB / DIVISION + scatter(this.random, 0.2)) * DIVISION * KG_PER_LB;
    const [grossKg, empty] = [shown(netKg + tareKg), shown(tareKg)];
    return {
      ticket: String(this.next++),
      grossKg,
      tareKg: empty,
      wetKg: grossKg - empty,
      moisture: Math.round((moisture + scatter(this.random, 0.001)) * 1000) / 1000,
      ...(this.pricePerBu === undefined ? {} : { pricePerBu: this.pricePerBu }),
    };
  }
}
