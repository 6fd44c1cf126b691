/** Thrown by the pure formulas: names the quantity, what it was and what it may be. */
export class RangeRefusal extends RangeError {
  constructor(
    readonly quantity: string,
    readonly value: number,
    readonly least: number,
    readonly most: number,
    readonly unit: string,
  ) {
    super(`${quantity} is ${value} ${unit}; it must lie between ${least} and ${most} ${unit}`);
    this.name = 'RangeRefusal';
  }
}

/** Returns `value` when it is finite and least <= value <= most; otherwise throws a {@link RangeRefusal}. */
export function requireInRange(quantity: string, value: number, least: number, most: number, unit: string): number {
  if (!(value >= least && value <= most)) throw new RangeRefusal(quantity, value, least, most, unit);
  return value;
}

/** Returns `value` when it is a number and finite; below zero too, for differences are converted as quantities are. */
export function requireFinite(quantity: string, value: number, unit: string): number {
  return requireInRange(quantity, value, -Number.MAX_VALUE, Number.MAX_VALUE, unit);
}
