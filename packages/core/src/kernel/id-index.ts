/** Steps that a look-up takes from slot to slot before it asks the ordinary map. */
const MOST_STEPS = 24;
const FEWEST_SLOTS = 64;

/**
 * The number of each id of a list that grows and is cut at its end: what a `Map` does, in a third of its time and memory for lists of hundreds
 * of thousands. The list itself is somebody else's: `idOf` tells the id of a number that was given. Whoever makes ids that fall on one another gains nothing: what does not find its slot in a few steps stands in a map.
 */
export class IdIndex {
  /** By slot: number + 1, 0 where it is free, and beside it the hash, so that both come with one look. Never more than half full. */
  private slots = new Int32Array(2 * FEWEST_SLOTS);
  private readonly crowded = new Map<string, number>();
  private count = 0;

  constructor(private readonly idOf: (n: number) => string) {}

  /** Makes room for so many, so that none of them is moved while they come. */
  reserve(n: number): void {
    let to = this.slots.length;
    while (to < 4 * n) to *= 2;
    if (to === this.slots.length) return;
    const { slots } = this;
    this.slots = new Int32Array(to);
    // In the order in which they came: `truncate` stands on it.
    const slotOf = new Int32Array(this.count).fill(-1);
    for (let k = 0; k < slots.length; k += 2) if (slots[k] !== 0) slotOf[slots[k]! - 1] = k;
    for (let n = 0; n < slotOf.length; n++) if (slotOf[n]! >= 0) this.put(n + 1, slots[slotOf[n]! + 1]!);
  }

  /** The number of an id, -1 where it is not there. */
  get(id: string): number {
    const { slots } = this;
    const hash = hashOfId(id);
    const last = slots.length - 1;
    for (let k = (2 * hash) & last, steps = 0; steps < MOST_STEPS; k = (k + 2) & last, steps++) {
      const slot = slots[k]!;
      if (slot === 0) break;
      if (slots[k + 1] === hash && this.idOf(slot - 1) === id) return slot - 1;
    }
    return this.crowded.size === 0 ? -1 : (this.crowded.get(id) ?? -1);
  }

  /** Gives an id the next number, before it stands in the list; false, and no number, where it has one already. */
  add(id: string): boolean {
    const { slots } = this;
    const hash = hashOfId(id);
    const last = slots.length - 1;
    let k = (2 * hash) & last;
    let steps = 0;
    for (; steps < MOST_STEPS; k = (k + 2) & last, steps++) {
      const slot = slots[k]!;
      if (slot === 0) break;
      if (slots[k + 1] === hash && this.idOf(slot - 1) === id) return false;
    }
    if (this.crowded.size > 0 && this.crowded.has(id)) return false;
    const number = ++this.count;
    if (4 * number > slots.length) {
      this.reserve(number);
      this.put(number, hash, id);
    } else if (steps < MOST_STEPS) {
      slots[k] = number;
      slots[k + 1] = hash;
    } else this.crowded.set(id, number - 1);
    return true;
  }

  private put(slot: number, hash: number, id?: string): void {
    const { slots } = this;
    const last = slots.length - 1;
    for (let k = (2 * hash) & last, steps = 0; steps < MOST_STEPS; k = (k + 2) & last, steps++) {
      if (slots[k] !== 0) continue;
      slots[k] = slot;
      slots[k + 1] = hash;
      return;
    }
    this.crowded.set(id ?? this.idOf(slot - 1), slot - 1);
  }

  /** Takes the last numbers back, so that `n` are left; before the list is cut. */
  truncate(n: number): void {
    const { slots } = this;
    const end = slots.length - 1;
    // The last first: a slot was free when its id came, so that none before it looks past it.
    while (this.count > n) {
      const last = this.count--;
      const id = this.idOf(last - 1);
      if (this.crowded.delete(id)) continue;
      let k = (2 * hashOfId(id)) & end;
      while (slots[k] !== last) k = (k + 2) & end;
      slots[k] = 0;
    }
  }
}

/** All of an id goes into it: the ends of those made in one millisecond are what differs, the beginnings of those of a tablet. */
export function hashOfId(id: string): number {
  let hash = id.length;
  for (let i = 0; i < id.length; i++) hash = Math.imul(hash ^ id.charCodeAt(i), 0x5bd1e995);
  return hash ^ (hash >>> 15);
}
