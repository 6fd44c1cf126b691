import type { Book, Entry, Place } from '../src/index.js';

/**
 * The replay rules written a second time, slowly and from the design alone: whole objects, no columns, no checkpoints,
 * and the loads and moves of every parcel carried forward. The ledger is compared with it.
 */
export interface NaiveLayer {
  dry: Record<string, number>;
  water: number;
  /** dry kg by harvest entry, by move entry */
  loads: Record<string, number>;
  moves: Record<string, number>;
}

export interface NaiveDelivery extends NaiveLayer {
  entry: string;
}

const sum = (o: Record<string, number>): number => Object.values(o).reduce((a, b) => a + b, 0);
const wet = (layer: NaiveLayer): number => sum(layer.dry) + layer.water;
const scaled = (o: Record<string, number>, k: number): Record<string, number> =>
  Object.fromEntries(Object.entries(o).map(([key, v]) => [key, v * k]));
const added = (a: Record<string, number>, b: Record<string, number>): Record<string, number> => {
  const out = { ...a };
  for (const [key, v] of Object.entries(b)) out[key] = (out[key] ?? 0) + v;
  return out;
};
const part = (l: NaiveLayer, k: number): NaiveLayer => ({
  dry: scaled(l.dry, k),
  water: l.water * k,
  loads: scaled(l.loads, k),
  moves: scaled(l.moves, k),
});
const join = (a: NaiveLayer, b: NaiveLayer): NaiveLayer => ({
  dry: added(a.dry, b.dry),
  water: a.water + b.water,
  loads: added(a.loads, b.loads),
  moves: added(a.moves, b.moves),
});

export class NaiveBook {
  readonly layers = new Map<string, NaiveLayer[]>();
  readonly harvested: Record<string, number> = {};
  readonly restated: Record<string, number> = {};
  readonly lost: Record<string, Record<string, number>> = {};
  readonly waterRemoved: Record<string, number> = {};
  readonly delivered: Record<string, number> = {};
  readonly deliveries: NaiveDelivery[] = [];
  private readonly places = new Map<string, Place>();
  private readonly byId = new Map<string, Entry>();

  constructor(private readonly book: Book) {
    for (const place of book.places) {
      this.places.set(place.id, place);
      this.layers.set(place.id, []);
    }
    for (const entry of book.entries) this.byId.set(entry.id, entry);
    const order = [...book.entries]
      .filter((e) => this.alive(e))
      .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
    for (const entry of order) this.apply(entry);
  }

  private alive(entry: Entry): boolean {
    return !this.book.entries.some((v) => v.type === 'void' && v.voids === entry.id && this.alive(v));
  }

  private counting(entry: Entry, field: 'wetKg' | 'moisture'): number | undefined {
    const witnesses = this.book.entries
      .filter((w) => w.type === 'witness' && w.of === entry.id && this.alive(w))
      .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
    const trust = this.book.defaults.trust;
    const measured = [entry, ...witnesses].filter((e) => (e as never)[field] !== undefined);
    const rank = (e: Entry) =>
      e.method !== undefined && trust.includes(e.method) ? trust.indexOf(e.method) : trust.length;
    measured.sort((a, b) => rank(a) - rank(b));
    return measured[0]?.[field as never];
  }

  private post(account: Record<string, number>, lots: Record<string, number>, k: number): void {
    for (const [lot, dry] of Object.entries(lots)) account[lot] = (account[lot] ?? 0) + dry * k;
  }

  /** Sets wet mass and moisture of a layer; the change of dry matter goes to `restated`. */
  private restate(layer: NaiveLayer, wetKg: number, moisture: number): NaiveLayer {
    const dry = sum(layer.dry);
    const k = (wetKg * (1 - moisture)) / dry;
    this.post(this.restated, layer.dry, k - 1);
    return {
      dry: scaled(layer.dry, k),
      water: wetKg * moisture,
      loads: scaled(layer.loads, k),
      moves: scaled(layer.moves, k),
    };
  }

  private unknown(wetKg: number, moisture: number | undefined): NaiveLayer {
    const m = moisture ?? this.book.defaults.moisture;
    this.post(this.restated, { unknown: wetKg * (1 - m) }, 1);
    return { dry: { unknown: wetKg * (1 - m) }, water: wetKg * m, loads: {}, moves: {} };
  }

  private take(
    placeId: string,
    wetKg: number | undefined,
    all: boolean,
    moisture: number | undefined,
    sideDraw = false,
  ): NaiveLayer | undefined {
    const layers = this.layers.get(placeId)!;
    const held = layers.reduce((a, l) => a + wet(l), 0);
    if (held <= 1e-9) return wetKg !== undefined && wetKg > 1e-9 ? this.unknown(wetKg, moisture) : undefined;
    let parcel: NaiveLayer | undefined;
    if (all || wetKg === undefined || wetKg >= held - 1e-9) {
      parcel = layers.splice(0).reduce(join);
      if (wetKg !== undefined) {
        const k = wetKg / wet(parcel);
        this.post(this.restated, parcel.dry, k - 1);
        parcel = part(parcel, k);
      }
    } else {
      const withdrawal = this.places.get(placeId)!.withdrawal ?? 'mixed';
      let rest = wetKg;
      while (rest > 1e-9) {
        const i = sideDraw || withdrawal === 'lastIn' ? layers.length - 1 : 0;
        const layer = layers[i]!;
        const k = Math.min(1, rest / wet(layer));
        const piece = part(layer, k);
        if (wet(layer) - rest <= 1e-9) layers.splice(i, 1);
        else layers[i] = part(layer, 1 - k);
        rest -= wet(piece);
        parcel = parcel ? join(parcel, piece) : piece;
      }
    }
    if (parcel && moisture !== undefined && wet(parcel) > 1e-9) parcel = this.restate(parcel, wet(parcel), moisture);
    return parcel;
  }

  private put(placeId: string, parcel: NaiveLayer, entry: Entry): void {
    const place = this.places.get(placeId)!;
    if (wet(parcel) <= 1e-9) {
      this.post(this.restated, parcel.dry, -1);
      return;
    }
    const layers = this.layers.get(placeId)!;
    if (place.kind === 'buyer') {
      this.post(this.delivered, parcel.dry, 1);
      this.deliveries.push({ ...parcel, entry: entry.id });
    } else if ((place.withdrawal ?? 'mixed') === 'mixed' && layers.length > 0) layers[0] = join(layers[0]!, parcel);
    else layers.push(parcel);
  }

  private apply(entry: Entry): void {
    switch (entry.type) {
      case 'harvest': {
        const w = this.counting(entry, 'wetKg')!;
        const m = this.counting(entry, 'moisture')!;
        const dry = { [entry.lot]: w * (1 - m) };
        this.post(this.harvested, dry, 1);
        this.put(entry.to, { dry, water: w * m, loads: { [entry.id]: w * (1 - m) }, moves: {} }, entry);
        return;
      }
      case 'move': {
        const all = entry.wetKg === undefined || entry.emptied === true;
        const parcel = this.take(
          entry.from,
          this.counting(entry, 'wetKg'),
          all,
          this.counting(entry, 'moisture'),
          entry.sideDraw,
        );
        if (parcel) this.put(entry.to, { ...parcel, moves: { ...parcel.moves, [entry.id]: sum(parcel.dry) } }, entry);
        return;
      }
      case 'condition': {
        const loss = entry.dryLoss ?? 0;
        const layers = this.layers.get(entry.place)!;
        this.layers.set(
          entry.place,
          layers.map((layer) => {
            const kept = part(layer, 1 - loss);
            const water = (sum(kept.dry) * entry.moisture) / (1 - entry.moisture);
            this.post(this.waterRemoved, layer.dry, (layer.water - water) / sum(layer.dry));
            for (const [lot, dry] of Object.entries(layer.dry)) this.lose(lot, 'drying', dry * loss);
            return { ...kept, water };
          }),
        );
        return;
      }
      case 'loss': {
        const parcel = this.take(entry.place, entry.wetKg, false, undefined);
        for (const [lot, dry] of Object.entries(parcel?.dry ?? {})) this.lose(lot, entry.reason, dry);
        return;
      }
      case 'measure': {
        const layers = this.layers.get(entry.place)!;
        const held = layers.reduce((a, l) => a + wet(l), 0);
        if (held <= 1e-9) {
          if (entry.wetKg > 1e-9) layers.push(this.unknown(entry.wetKg, entry.moisture));
          return;
        }
        if (entry.wetKg <= 1e-9) {
          for (const layer of layers.splice(0)) this.post(this.restated, layer.dry, -1);
          return;
        }
        const k = entry.wetKg / held;
        this.layers.set(
          entry.place,
          layers.map((layer) => this.restate(layer, wet(layer) * k, entry.moisture ?? layer.water / wet(layer))),
        );
        return;
      }
      case 'witness':
      case 'void':
        return;
    }
  }

  private lose(lot: string, reason: string, dry: number): void {
    if (dry === 0) return;
    const reasons = (this.lost[lot] ??= {});
    reasons[reason] = (reasons[reason] ?? 0) + dry;
  }

  positions(): Record<string, { wetKg: number; dryKg: number; lots: Record<string, number>; layers: number }> {
    return Object.fromEntries(
      [...this.layers]
        .filter(([id]) => this.places.get(id)!.kind !== 'buyer')
        .map(([id, layers]) => {
          const lots = layers.reduce<Record<string, number>>((a, l) => added(a, l.dry), {});
          return [id, { wetKg: layers.reduce((a, l) => a + wet(l), 0), dryKg: sum(lots), lots, layers: layers.length }];
        }),
    );
  }
}
