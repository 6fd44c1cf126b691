import { describe, expect, it } from 'vitest';
import {
  type BookRefused,
  comesOutFirst,
  type Entry,
  findTwins,
  joinTwins,
  kilogramsToPounds,
  Ledger,
  poundsToKilograms,
  traceDelivery,
  wordRefusal,
} from '../src/index.js';
import { BookBuilder } from './books.js';

const LOTS = [{ id: 'A' }, { id: 'B' }];
const PLACES = [
  { id: 'cart', kind: 'cart' },
  { id: 'mixed', kind: 'bin', withdrawal: 'mixed' as const },
  { id: 'hopper', kind: 'bin', withdrawal: 'firstIn' as const },
  { id: 'flat', kind: 'bin', withdrawal: 'lastIn' as const },
  { id: 'mill', kind: 'buyer' },
];
const start = () => new BookBuilder(LOTS, PLACES);
const open = (b: BookBuilder) => Ledger.of(b.book());
const rounded = (o: Record<string, number>) =>
  Object.fromEntries(Object.entries(o).map(([k, v]) => [k, Math.round(v * 1000) / 1000]));

describe('how grain comes out', () => {
  // 100 kg of A at 20 % (80 dry) below, 300 kg of B at 10 % (270 dry) on top; 150 kg are taken to the mill.
  const filled = (place: string) => {
    const b = start();
    b.harvest('A', place, 100, 0.2);
    b.harvest('B', place, 300, 0.1);
    return b;
  };

  it('mixed: the same fraction of everything (150 of 400 is three eighths)', () => {
    const b = filled('mixed');
    const d = b.move('mixed', 'mill', { wetKg: 150 });
    const ledger = open(b);
    expect(rounded(traceDelivery(ledger, d)!.lots)).toEqual({ A: 30, B: 101.25 });
    expect(ledger.position('mixed')).toMatchObject({ wetKg: 250, layers: 1 });
  });

  it('firstIn: all 100 kg of A, then 50 kg of B, as one parcel', () => {
    const b = filled('hopper');
    const d = b.move('hopper', 'mill', { wetKg: 150 });
    const ledger = open(b);
    expect(rounded(traceDelivery(ledger, d)!.lots)).toEqual({ A: 80, B: 45 });
    expect(ledger.layers('hopper').map((l) => rounded(l.lots))).toEqual([{ B: 225 }]);
  });

  it('lastIn: 150 kg of B, the newest; A lies untouched below', () => {
    const b = filled('flat');
    const d = b.move('flat', 'mill', { wetKg: 150 });
    const ledger = open(b);
    expect(rounded(traceDelivery(ledger, d)!.lots)).toEqual({ B: 135 });
    expect(ledger.layers('flat').map((l) => rounded(l.lots))).toEqual([{ A: 80 }, { B: 135 }]);
  });

  it('through a side draw the newest comes first, whatever the bin empties by else; below, its order stays', () => {
    const b = filled('hopper');
    b.harvest('A', 'hopper', 50, 0.2);
    const d = b.move('hopper', 'mill', { wetKg: 150, sideDraw: true });
    const after = b.move('hopper', 'mill', { wetKg: 100 });
    const ledger = open(b);
    expect(rounded(traceDelivery(ledger, d)!.lots)).toEqual({ A: 40, B: 90 });
    expect(rounded(traceDelivery(ledger, after)!.lots)).toEqual({ A: 80 });
    expect(ledger.layers('hopper').map((l) => rounded(l.lots))).toEqual([{ B: 180 }]);
    expect(() => b.move('hopper', 'mill', { sideDraw: 'yes' as never }) && open(b)).toThrow(/sideDraw/);
  });

  it('says what comes out first', () => {
    const layers = [{ moisture: 0.2 }, { moisture: 0.1 }];
    const of = (withdrawal: string, sideDraw?: boolean) => comesOutFirst({ withdrawal, layers, moisture: 0.125 }, sideDraw); // prettier-ignore
    expect([of('firstIn'), of('lastIn'), of('mixed')]).toEqual([0.2, 0.1, 0.125]);
    expect(of('firstIn', true)).toBe(0.1);
    expect(comesOutFirst({ withdrawal: 'firstIn', layers: [], moisture: null })).toBeNull();
  });

  it('a layer taken to the last kilogram leaves no empty layer behind', () => {
    const b = filled('flat');
    b.move('flat', 'cart', { wetKg: 300 });
    expect(open(b).position('flat').layers).toBe(1);
  });

  it('a bin turned over into itself puts its oldest grain on top', () => {
    const b = filled('hopper');
    b.move('hopper', 'hopper', { wetKg: 100 });
    expect(
      open(b)
        .layers('hopper')
        .map((l) => rounded(l.lots)),
    ).toEqual([{ B: 270 }, { A: 80 }]);
  });
});

describe('what was measured', () => {
  it('a weight left out means all of it, unscaled', () => {
    const b = start();
    b.harvest('A', 'cart', 1000, 0.2);
    const d = b.move('cart', 'mill');
    expect(traceDelivery(open(b), d)).toMatchObject({ wetKg: 1000, dryKg: 800 });
  });

  it('a witness that weighs such a move scales it, and it stays all of it', () => {
    const b = start();
    b.harvest('A', 'cart', 1000, 0.2);
    const d = b.move('cart', 'mill');
    b.add({ type: 'witness', of: d, wetKg: 900, method: 'ticket' });
    const ledger = open(b);
    expect(traceDelivery(ledger, d)).toMatchObject({ wetKg: 900 });
    expect(ledger.position('cart').wetKg).toBe(0);
    expect(ledger.accounts().A).toMatchObject({ harvestedDryKg: 800, inStockDryKg: 0 });
    expect(ledger.accounts().A!.restatedDryKg).toBeCloseTo(-80, 9);
  });

  it('emptied: the truck is empty whatever the ticket says, and the difference is restated', () => {
    const b = start();
    b.harvest('A', 'cart', 1000, 0.2);
    const d = b.move('cart', 'mill', { wetKg: 980, emptied: true });
    const ledger = open(b);
    expect(ledger.position('cart').wetKg).toBe(0);
    expect(traceDelivery(ledger, d)!.dryKg).toBeCloseTo(784, 9);
    expect(ledger.accounts().A!.restatedDryKg).toBeCloseTo(-16, 9);
  });

  it('a weight of at least what the book holds takes everything and scales it up', () => {
    const b = start();
    b.harvest('A', 'cart', 1000, 0.2);
    const d = b.move('cart', 'mill', { wetKg: 1010 });
    const ledger = open(b);
    expect(traceDelivery(ledger, d)!.wetKg).toBeCloseTo(1010, 9);
    expect(ledger.accounts().A!.restatedDryKg).toBeCloseTo(8, 9);
  });

  it('a moisture measured on a load keeps its wet mass and restates dry matter', () => {
    const b = start();
    b.harvest('A', 'cart', 1000, 0.2);
    const d = b.move('cart', 'mill', { moisture: 0.18 });
    expect(traceDelivery(open(b), d)).toMatchObject({ wetKg: 1000 });
    expect(traceDelivery(open(b), d)!.dryKg).toBeCloseTo(820, 9);
    expect(open(b).accounts().A!.restatedDryKg).toBeCloseTo(20, 9);
  });

  it('drying takes water and its own loss: 1,000 kg at 20 % to 15 % with half a percent lost', () => {
    const b = start();
    b.harvest('A', 'mixed', 1000, 0.2);
    b.add({ type: 'condition', place: 'mixed', moisture: 0.15, dryLoss: 0.005 });
    const ledger = open(b);
    expect(ledger.position('mixed').dryKg).toBeCloseTo(796, 9);
    expect(ledger.position('mixed').wetKg).toBeCloseTo(796 / 0.85, 9);
    expect(ledger.accounts().A!.lostDryKg.drying).toBeCloseTo(4, 9);
    expect(ledger.accounts().A!.waterRemovedKg).toBeCloseTo(200 - (796 / 0.85) * 0.15, 9);
  });

  it('a level scales every layer; with a moisture each is brought to it', () => {
    const b = start();
    b.harvest('A', 'flat', 100, 0.2);
    b.harvest('B', 'flat', 300, 0.1);
    b.add({ type: 'measure', place: 'flat', wetKg: 200, moisture: 0.15 });
    const layers = open(b).layers('flat');
    expect(layers.map((l) => [l.wetKg, l.moisture.toFixed(6)])).toEqual([
      [50, '0.150000'],
      [150, '0.150000'],
    ]);
    expect(open(b).accounts().A!.restatedDryKg).toBeCloseTo(42.5 - 80, 9);
  });

  it('an empty floor restates what the book still held', () => {
    const b = start();
    b.harvest('A', 'flat', 100, 0.2);
    b.add({ type: 'measure', place: 'flat', wetKg: 0 });
    expect(open(b).position('flat')).toMatchObject({ wetKg: 0, layers: 0, moisture: null });
    expect(open(b).accounts().A!.restatedDryKg).toBe(-80);
  });

  it('a spill is lost with its reason', () => {
    const b = start();
    b.harvest('A', 'cart', 1000, 0.2);
    b.add({ type: 'loss', place: 'cart', wetKg: 50, reason: 'spill' });
    expect(open(b).accounts().A).toMatchObject({ lostDryKg: { spill: 40 }, inStockDryKg: 760 });
  });

  it('grain where the book holds none is of the lot unknown, at the given moisture or the default', () => {
    const b = start();
    b.add({ type: 'measure', place: 'flat', wetKg: 100 });
    const d = b.move('hopper', 'mill', { wetKg: 200, moisture: 0.1 });
    const ledger = open(b);
    expect(ledger.position('flat').lots).toEqual({ unknown: 85 });
    expect(traceDelivery(ledger, d)).toMatchObject({ lots: { unknown: 180 }, loads: {}, moves: { [d]: 180 } });
    expect(ledger.accounts().unknown).toMatchObject({
      harvestedDryKg: 0,
      restatedDryKg: 265,
      inStockDryKg: 85,
      deliveredDryKg: 180,
    });
  });
});

describe('which measurement counts', () => {
  const load = (own: object, ...witnesses: object[]) => {
    const b = start();
    b.harvest('A', 'mixed', 20_000, 0.2);
    const d = b.move('mixed', 'mill', own);
    for (const witness of witnesses) b.add({ type: 'witness', of: d, ...witness });
    const trace = traceDelivery(open(b), d)!;
    return [Number(trace.wetKg.toFixed(6)), Number((1 - trace.dryKg / trace.wetKg).toFixed(6))];
  };

  it('the ticket is trusted before the bridge, the bridge before the cart; weight and moisture apart', () => {
    expect(
      load(
        { wetKg: 1000, method: 'cartScale', moisture: 0.21 },
        { wetKg: 1010, method: 'bridge' },
        { moisture: 0.19, method: 'ticket' },
      ),
    ).toEqual([1010, 0.19]);
  });

  it("between equals the entry's own comes first, then the witness lowest by (at, id)", () => {
    expect(load({ wetKg: 1000, method: 'bridge' }, { wetKg: 1010, method: 'bridge' })[0]).toBe(1000);
    expect(
      load(
        { method: 'monitor' },
        { wetKg: 1010, method: 'bridge', id: 'Z' },
        { wetKg: 1020, method: 'bridge', at: '2026-09-08T12:00:00Z' },
      )[0],
    ).toBe(1020);
  });

  it('a method that is not listed, or none, comes last', () => {
    expect(load({ wetKg: 1000 }, { wetKg: 990, method: 'estimate' })[0]).toBe(990);
    expect(load({ wetKg: 1000 }, { wetKg: 990, method: 'hearsay' })[0]).toBe(1000);
  });

  it("a farm's own order counts", () => {
    const b = new BookBuilder(LOTS, PLACES, { moisture: 0.15, trust: ['bridge', 'ticket'] });
    b.harvest('A', 'cart', 1000, 0.2);
    const d = b.move('cart', 'mill', { wetKg: 1002, method: 'ticket' });
    b.add({ type: 'witness', of: d, wetKg: 998, method: 'bridge' });
    expect(traceDelivery(open(b), d)!.wetKg).toBe(998);
  });

  it('a voided witness no longer counts', () => {
    const b = start();
    b.harvest('A', 'mixed', 5000, 0.2);
    const d = b.move('mixed', 'mill', { wetKg: 1000, method: 'cartScale' });
    const w = b.add({ type: 'witness', of: d, wetKg: 1100, method: 'ticket' });
    const ledger = open(b);
    expect(traceDelivery(ledger, d)!.wetKg).toBe(1100);
    ledger.append([{ type: 'void', id: 'V', at: '2026-09-08T13:00:00Z', voids: w }]);
    expect(traceDelivery(ledger, d)!.wetKg).toBe(1000);
  });
});

/** Moments of the farm: invented figures, worked by hand in the scenario. */
describe('moment M1: two fields in one truck', () => {
  const b = new BookBuilder(
    [{ id: 'HS' }, { id: 'PT' }],
    [
      { id: 'cart', kind: 'cart' },
      { id: 'T2', kind: 'truck' },
      { id: 'elevator', kind: 'buyer' },
    ],
  );
  const lb = poundsToKilograms;
  b.harvest('HS', 'cart', lb(9420), 0.178, { method: 'cartScale' });
  b.harvest('PT', 'cart', lb(46_900), 0.162, { method: 'cartScale' });
  const mixed = open(b).position('cart');
  b.move('cart', 'T2', { wetKg: lb(50_000), method: 'cartScale' });
  const parted = open(b);
  const d = b.move('T2', 'elevator', { wetKg: lb(50_120), moisture: 0.165, method: 'ticket', emptied: true });
  const ticket = traceDelivery(open(b), d)!;
  const pounds = (lots: Record<string, number>) => Object.values(lots).map((kg) => Math.round(kilogramsToPounds(kg)));
  const bushels = (kg: number) => Number((kilogramsToPounds(kg) / 56).toFixed(1));

  it('cart mix 56,320 lb, 16.47 % expected, shares 16.73 / 83.27 %', () => {
    expect(kilogramsToPounds(mixed.wetKg)).toBeCloseTo(56_320, 6);
    expect((mixed.moisture! * 100).toFixed(2)).toBe('16.47');
    expect(Object.values(mixed.wetLots).map((kg) => ((kg / mixed.wetKg) * 100).toFixed(2))).toEqual(['16.73', '83.27']);
  });

  it('truck 8,363 / 41,637 lb; the cart keeps 6,320 lb (1,057 / 5,263)', () => {
    expect(pounds(parted.position('T2').wetLots)).toEqual([8363, 41_637]);
    expect(pounds(parted.position('cart').wetLots)).toEqual([1057, 5263]);
    expect(kilogramsToPounds(parted.position('cart').wetKg)).toBeCloseTo(6320, 6);
  });

  it('the ticket replaces the weight: 8,383 / 41,737 lb = 149.7 / 745.3 wet bu, 879.2 bu dry at 15 %, 0.24 % over the cart', () => {
    expect(pounds(ticket.wetLots)).toEqual([8383, 41_737]);
    expect(Object.values(ticket.wetLots).map(bushels)).toEqual([149.7, 745.3]);
    expect(bushels(ticket.dryKg / 0.85)).toBe(879.2);
    expect((((50_120 - 50_000) / 50_000) * 100).toFixed(2)).toBe('0.24');
  });
});

describe('moment M17: two phones, one load, and the clock goes back', () => {
  const load = (id: string, device: string, at: string, pounds: number): Entry => ({
    type: 'move',
    id,
    at,
    device,
    by: device,
    from: 'cart',
    to: 'T2',
    wetKg: poundsToKilograms(pounds),
    method: 'cartScale',
  });
  // 1 Nov 2026, central time: 01:40 before the change is 06:40 UTC; 01:38 after it is 07:38 UTC.
  const entries = [
    load('C', 'cart phone', '2026-11-01T07:38:00Z', 50_960),
    load('A', 'cart phone', '2026-11-01T06:40:00Z', 51_480),
    load('B', 'truck phone', '2026-11-01T06:42:00Z', 51_500),
  ];

  it('the first two are one load (0.04 %), the third is another, in the true order', () => {
    const pairs = findTwins(entries);
    expect(pairs.map((p) => [p.first.id, p.second.id, p.same])).toEqual([['A', 'B', true]]);
    expect((pairs[0]!.difference! * 100).toFixed(2)).toBe('0.04');
    const join = joinTwins(pairs[0]!, {
      voidId: 'V',
      witnessId: 'W',
      at: '2026-11-01T12:20:00Z',
      by: 'Fanega',
      device: 'server',
    });
    const ledger = new Ledger({
      defaults: { moisture: 0.15, trust: ['cartScale'] },
      lots: [{ id: 'PT' }],
      places: [
        { id: 'cart', kind: 'cart' },
        { id: 'T2', kind: 'truck' },
      ],
    });
    ledger.append([
      {
        type: 'harvest',
        id: '0',
        at: '2026-11-01T05:00:00Z',
        lot: 'PT',
        to: 'cart',
        wetKg: poundsToKilograms(120_000),
        moisture: 0.16,
      },
    ]);
    ledger.append(entries);
    ledger.append(join);
    const total = kilogramsToPounds(ledger.position('T2').wetKg);
    expect(total).toBeCloseTo(102_440, 6);
    expect((total / 56).toFixed(1)).toBe('1829.3');
    // Reversible: voiding both brings the second record back as a load of its own.
    ledger.append([
      { type: 'void', id: 'V2', at: '2026-11-01T12:30:00Z', voids: 'V' },
      { type: 'void', id: 'W2', at: '2026-11-01T12:30:00Z', voids: 'W' },
    ]);
    expect(kilogramsToPounds(ledger.position('T2').wetKg)).toBeGreaterThan(120_000 - 1e-6);
  });

  it('beyond 1 % both stay and the program asks; an emptied truck in between makes two loads', () => {
    expect(
      findTwins([load('A', 'x', '2026-11-01T06:40:00Z', 51_480), load('B', 'y', '2026-11-01T06:42:00Z', 52_100)]),
    ).toMatchObject([{ same: false }]);
    const dump: Entry = { type: 'move', id: 'D', at: '2026-11-01T06:41:00Z', from: 'T2', to: 'bin', device: 'x' };
    expect(findTwins([entries[1]!, dump, entries[2]!])).toEqual([]);
    expect(
      findTwins([load('A', 'x', '2026-11-01T06:40:00Z', 51_480), load('B', 'x', '2026-11-01T06:42:00Z', 51_480)]),
    ).toEqual([]);
  });
});

describe('twins of which one has no weight', () => {
  const at = (minute: number): string => `2026-09-08T14:${String(minute).padStart(2, '0')}:00Z`;
  const move = (id: string, device: string, minute: number, wetKg?: number): Entry => ({
    type: 'move',
    id,
    device,
    at: at(minute),
    from: 'cart',
    to: 'T2',
    ...(wetKg === undefined ? {} : { wetKg }),
  });
  const held = () => 20_000;
  const same = (...entries: Entry[]) => findTwins(entries, undefined, held).map((pair) => pair.same);

  it('one tap and the scale speak of the same load: all of it is what the cart held', () => {
    expect(same(move('A', 'x', 1), move('B', 'y', 2, 20_150))).toEqual([true]);
    expect(same(move('A', 'x', 1, 19_900), move('B', 'y', 2))).toEqual([true]);
    expect(same(move('A', 'x', 1), move('B', 'y', 2))).toEqual([true]);
    expect(same(move('A', 'x', 1), move('B', 'y', 2, 20_300))).toEqual([false]);
    // Nobody knows what it held: it is asked.
    expect(findTwins([move('A', 'x', 1), move('B', 'y', 2, 20_000)]).map((pair) => pair.same)).toEqual([false]);
  });
  it('a cart that was filled again in between makes two loads, or at least a question', () => {
    const dump: Entry = { type: 'harvest', id: 'H', at: at(5), lot: 'A', to: 'cart', wetKg: 20_000, moisture: 0.2 };
    expect(same(move('A', 'x', 1), dump, move('B', 'y', 9))).toEqual([false]);
  });
});

describe('a bad book is refused whole, naming the entry and the field', () => {
  const good: Entry = {
    type: 'harvest',
    id: 'G',
    at: '2026-09-08T12:00:00Z',
    lot: 'A',
    to: 'cart',
    wetKg: 1000,
    moisture: 0.2,
  };
  const refusals = (entry: object): string[] => {
    const ledger = new Ledger(start().book());
    const entries = [good, { ...good, id: 'BAD', ...entry } as Entry];
    try {
      ledger.append(entries);
      return [];
    } catch (error) {
      expect(ledger.size).toBe(0);
      expect(ledger.position('cart').wetKg).toBe(0);
      ledger.append([good]); // ids of the refused batch are free again
      return (error as BookRefused).refusals.map((r) => `${r.code} ${r.id ?? r.path} ${r.field}`);
    }
  };

  it.each([
    [{ to: 'barn' }, 'place_not_in_book BAD to'],
    [{ lot: 'Z' }, 'lot_not_in_book BAD lot'],
    [{ wetKg: -1 }, 'mass_out_of_range BAD wetKg'],
    [{ wetKg: NaN }, 'mass_out_of_range BAD wetKg'],
    [{ wetKg: '12' }, 'field_of_wrong_type BAD wetKg'],
    [{ wetKg: undefined }, 'field_missing BAD wetKg'],
    [{ moisture: 16.5 }, 'moisture_out_of_range BAD moisture'],
    [{ moisture: -0.01 }, 'moisture_out_of_range BAD moisture'],
    [{ at: '2026-02-30T12:00:00Z' }, 'date_is_none BAD at'],
    [{ at: 'yesterday' }, 'date_is_none BAD at'],
    [{ at: '2026-09-08T12:00:00' }, 'date_is_none BAD at'],
    [{ id: 'G' }, 'id_duplicate G id'],
    [{ type: 'eat' }, 'value_not_in_list BAD type'],
    [{ type: 'move', from: 'mill', to: 'cart' }, 'buyer_holds_no_grain BAD from'],
    [{ type: 'condition', place: 'flat', moisture: 0.7 }, 'moisture_out_of_range BAD moisture'],
    [{ type: 'condition', place: 'flat', dryLoss: 1 }, 'dry_loss_out_of_range BAD dryLoss'],
    [{ type: 'loss', place: 'flat' }, 'field_missing BAD reason'],
    [{ type: 'void', voids: 'nobody' }, 'refers_to_no_entry BAD voids'],
    [{ type: 'void', voids: 'BAD' }, 'voids_in_a_circle BAD voids'],
    [{ type: 'witness', of: 'nobody' }, 'refers_to_no_entry BAD of'],
  ])('%j is refused: %s', (entry, expected) => {
    expect(refusals(entry)).toEqual([expected]);
  });

  it('voids that name each other are a circle', () => {
    const at = '2026-09-08T12:00:00Z';
    const ledger = new Ledger(start().book());
    expect(
      ledger
        .check([
          { type: 'void', id: 'V1', at, voids: 'V2' },
          { type: 'void', id: 'V2', at, voids: 'V1' },
        ])
        .map((r) => r.code),
    ).toEqual(['voids_in_a_circle', 'voids_in_a_circle']);
  });

  it('one bad entry among a million is found and named', () => {
    const entries: Entry[] = Array.from({ length: 1_000_000 }, (_, i) => ({
      ...good,
      id: `E${i}`,
      wetKg: i === 765_432 ? -5 : 1000,
    }));
    const ledger = new Ledger(start().book());
    const found = ledger.check(entries);
    expect(found.map(wordRefusal)).toEqual([
      'entries[765432] (E765432): wetKg is -5 kg; a weight is from 0 to 1,000,000,000 kg',
    ]);
    expect(ledger.size).toBe(0);
  });
});
