// Kinds of events.
export const CALL = 0;
export const FULL = 1;
export const CART_AT_COMBINE = 2;
export const MOVED_TO_CART = 3;
export const CART_AT_TRUCK = 4;
export const TRUCK_LOADED = 5;
export const ARRIVES = 6;
export const UNLOADED = 7;
export const BACK = 8;
export const OTHER = 9;
export const STOP = 10;
export const LOOK = 11;
export const OPENS = 12;
export const CLOSES = 13;
export const CART_BACK = 14;

/** Events by time, then by order of making. A binary heap in flat arrays: a thousand days are some million events. */
export class Agenda {
  private times = new Float64Array(256);
  private orders = new Float64Array(256);
  private kinds = new Int32Array(256);
  private whos = new Int32Array(256);
  private versions = new Int32Array(256);
  private size = 0;
  private made = 0;
  time = 0;
  kind = 0;
  who = 0;
  version = 0;

  clear(): void {
    this.size = 0;
    this.made = 0;
  }

  add(time: number, kind: number, who: number, version = 0): void {
    if (this.size === this.times.length) this.grow();
    let i = this.size++;
    const order = this.made++;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (this.times[up]! < time || (this.times[up]! === time && this.orders[up]! < order)) break;
      this.copy(up, i);
      i = up;
    }
    this.put(i, time, order, kind, who, version);
  }

  /** Takes the next event into `time`, `kind`, `who`, `version`; false when there is none. */
  next(): boolean {
    if (this.size === 0) return false;
    this.time = this.times[0]!;
    this.kind = this.kinds[0]!;
    this.who = this.whos[0]!;
    this.version = this.versions[0]!;
    const n = --this.size;
    if (n > 0) {
      const [time, order, kind, who, version] = [
        this.times[n]!,
        this.orders[n]!,
        this.kinds[n]!,
        this.whos[n]!,
        this.versions[n]!,
      ];
      let i = 0;
      for (;;) {
        let child = 2 * i + 1;
        if (child >= n) break;
        if (child + 1 < n && this.before(child + 1, child)) child++;
        if (time < this.times[child]! || (time === this.times[child]! && order < this.orders[child]!)) break;
        this.copy(child, i);
        i = child;
      }
      this.put(i, time, order, kind, who, version);
    }
    return true;
  }

  private before(a: number, b: number): boolean {
    return this.times[a]! < this.times[b]! || (this.times[a]! === this.times[b]! && this.orders[a]! < this.orders[b]!);
  }
  private copy(from: number, to: number): void {
    this.put(to, this.times[from]!, this.orders[from]!, this.kinds[from]!, this.whos[from]!, this.versions[from]!);
  }
  private put(i: number, time: number, order: number, kind: number, who: number, version: number): void {
    this.times[i] = time;
    this.orders[i] = order;
    this.kinds[i] = kind;
    this.whos[i] = who;
    this.versions[i] = version;
  }
  private grow(): void {
    const more = <A extends Float64Array | Int32Array>(old: A, made: A): A => (made.set(old), made);
    const n = this.times.length * 2;
    this.times = more(this.times, new Float64Array(n));
    this.orders = more(this.orders, new Float64Array(n));
    this.kinds = more(this.kinds, new Int32Array(n));
    this.whos = more(this.whos, new Int32Array(n));
    this.versions = more(this.versions, new Int32Array(n));
  }
}
