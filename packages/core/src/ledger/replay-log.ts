/**
 * What replay wrote down for each position, so that a delivery can be swept backward without replaying again:
 * which layers were touched and by what factor, how the parcel was restated and which layer it went into.
 */
export class ReplayLog {
  /** First touch of a position; the last is before the first of the next. Length positions + 1. */
  touchStart = new Int32Array(65);
  /** Layer ids touched. */
  touchLayer = new Int32Array(64);
  /** Moves and losses: the fraction taken of the layer. Measures and conditions: the factor on its dry matter. */
  touchFactor = new Float64Array(64);
  /** Factor by which the parcel's dry matter was restated. */
  restated = new Float64Array(64);
  /** Layer id that the parcel went into; -1 for none (a buyer, a loss, nothing). */
  into = new Int32Array(64);
  /** kg dry matter and kg wet that went into the target (or were lost). */
  dryKg = new Float64Array(64);
  wetKg = new Float64Array(64);

  /** Room for so many positions, and for a touch each. */
  reservePositions(n: number): void {
    if (n <= this.into.length) return;
    const to = Math.max(n, this.into.length * 2);
    this.touchStart = copyInto(new Int32Array(to + 1), this.touchStart);
    this.restated = copyInto(new Float64Array(to), this.restated);
    this.into = copyInto(new Int32Array(to), this.into);
    this.dryKg = copyInto(new Float64Array(to), this.dryKg);
    this.wetKg = copyInto(new Float64Array(to), this.wetKg);
    if (to > this.touchLayer.length) this.reserveTouches(to);
  }

  private reserveTouches(n: number): void {
    this.touchLayer = copyInto(new Int32Array(n), this.touchLayer);
    this.touchFactor = copyInto(new Float64Array(n), this.touchFactor);
  }

  touch(n: number, layer: number, factor: number): void {
    if (n === this.touchLayer.length) this.reserveTouches(n * 2);
    this.touchLayer[n] = layer;
    this.touchFactor[n] = factor;
  }
}

function copyInto<T extends Int32Array | Float64Array>(to: T, from: T): T {
  to.set(from);
  return to;
}
