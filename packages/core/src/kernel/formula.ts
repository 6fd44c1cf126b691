import { requireInRange } from './range.js';

/** A named input with its valid range: the same object checks the value and is printed in docs/science.md. */
export interface Quantity {
  readonly name: string;
  readonly least: number;
  readonly most: number;
  readonly unit: string;
}

export function quantity(name: string, least: number, most: number, unit: string): Quantity {
  return { name, least, most, unit };
}

/** @returns `value`; @throws RangeRefusal naming the quantity, its value and its range */
export function within(input: Quantity, value: number): number {
  return requireInRange(input.name, value, input.least, input.most, input.unit);
}

/**
 * How a number is known. `published`: the source was opened. `published, from memory`: printed somewhere, remembered, not looked up.
 * `common practice`: a fact of the trade without a printed source. `computed`: worked out from another formula or by another program.
 * `assumed`: nobody has shown it; it needs the user's own figure.
 */
export type Standing = 'published' | 'published, from memory' | 'common practice' | 'computed' | 'assumed';

/** What docs/science.md says about one rule; it stands beside the function that applies it. */
export interface Formula {
  readonly id: string;
  readonly title: string;
  /** In the symbols of the docstring. */
  readonly equation: string;
  readonly source: string;
  readonly standing: Standing;
  readonly inputs: readonly Quantity[];
  /** Traps, low confidence, disagreements. */
  readonly note?: string;
}

/** Thrown where a name is not one of those known. */
export class UnknownRefusal extends Error {
  constructor(
    readonly quantity: string,
    readonly value: string,
    readonly known: readonly string[],
  ) {
    super(`${quantity} "${value}" is not known; known are ${known.join(', ')}`);
    this.name = 'UnknownRefusal';
  }
}
