import { type Entry, poundsToKilograms } from '@fanega/core';
import { describe, expect, it } from 'vitest';
import { type FarmData, farmOf } from '../../data/farm';
import { draftOf, emptyDraft, fieldOf, likelyMethod, readDraft } from './draft';

const NOW = Date.UTC(2026, 8, 8, 19, 52);
const lb = poundsToKilograms;

const farm = farmOf('f', {
  farm: {
    id: 'f',
    name: 'Test Levee',
    timeZone: 'America/Chicago',
    demo: false,
    defaults: { moisture: 0.15, trust: [] },
  },
  now: NOW,
  lots: [
    {
      id: 'hs',
      fieldId: 'F1',
      fieldName: 'Heron Slough',
      acres: 62.5,
      crop: 'corn',
      season: 2026,
      variety: '',
      tag: 'HS',
      shares: [],
    },
    {
      id: 'cc',
      fieldId: 'F2',
      fieldName: 'Crawfish Cut',
      acres: 80,
      crop: 'soybean',
      season: 2026,
      variety: '',
      tag: 'CC',
      shares: [],
    },
  ],
  places: [
    {
      id: 'cart',
      name: 'Cart 1',
      kind: 'cart',
      withdrawal: 'mixed',
      capacityBu: 1000,
      diameterM: null,
      eaveM: null,
      hopperM: null,
    },
    {
      id: 'truck',
      name: 'Truck 1',
      kind: 'truck',
      withdrawal: 'mixed',
      capacityBu: 940,
      diameterM: null,
      eaveM: null,
      hopperM: null,
    },
    {
      id: 'mill',
      name: 'Redbud',
      kind: 'buyer',
      withdrawal: 'mixed',
      capacityBu: null,
      diameterM: null,
      eaveM: null,
      hopperM: null,
    },
  ],
  positions: {
    cart: { wetKg: 6000, dryKg: 5160, moisture: 0.14, layers: 1, lots: { cc: 5160 }, wetLots: { cc: 6000 } },
  },
} as unknown as FarmData);

let n = 0;
const draft = (given: Parameters<typeof emptyDraft>[1]) => emptyDraft(() => `ID${n++}`, given);
const read = (given: Parameters<typeof emptyDraft>[1]) => readDraft(draft(given), farm, NOW);

describe('a draft becomes the entry that was meant', () => {
  it('a dump in pounds with a comma, moisture in percent, now', () => {
    expect(read({ kind: 'harvest', lot: 'hs', to: 'cart', weight: '9,420', moisture: '17.8' }).entry).toMatchObject({
      type: 'harvest',
      lot: 'hs',
      to: 'cart',
      wetKg: lb(9420),
      moisture: 0.178,
      method: 'cartScale',
      at: '2026-09-08T19:52:00.000Z',
    });
  });

  it('bushels count at the legal weight of what is in the cart: beans weigh 60', () => {
    expect(
      read({ kind: 'move', from: 'cart', to: 'truck', amount: 'net', unit: 'bu', weight: '100' }).entry,
    ).toMatchObject({ wetKg: lb(6000) });
  });

  it('gross and tare make the net, and a ticket is believed', () => {
    const { entry } = read({
      kind: 'move',
      from: 'cart',
      to: 'mill',
      amount: 'gross',
      gross: '40000',
      tare: '27000',
      emptied: true,
      ticket: ' 118 ',
      price: '$10.48',
    });
    expect(entry).toMatchObject({
      wetKg: lb(40_000) - lb(27_000),
      grossKg: lb(40_000),
      tareKg: lb(27_000),
      emptied: true,
      ticket: '118',
      pricePerBu: 10.48,
      method: 'ticket',
    });
  });

  it('all of it has no weight and no method; an empty floor weighs nothing', () => {
    const all = read({ kind: 'move', from: 'cart', to: 'truck' }).entry!;
    expect(all).not.toHaveProperty('wetKg');
    expect(all).not.toHaveProperty('method');
    expect(read({ kind: 'measure', place: 'cart', weight: '0' }).entry).toMatchObject({ wetKg: 0, method: 'volume' });
  });

  it('a wall time on the farm is its instant, in the repeated hour of autumn too', () => {
    const late = Date.UTC(2026, 11, 1);
    const typed = (time: string) =>
      readDraft(draft({ kind: 'measure', place: 'cart', weight: '1', time }), { ...farm, clock: () => late }, late);
    expect(typed('11/1 1:40 am').errors.time).toContain('came twice that night');
    const at = (which: string) => typed(`11/1/2026 1:40 am ${which}`).entry!.at;
    expect([at('first'), at('second')]).toEqual(['2026-11-01T06:40:00.000Z', '2026-11-01T07:40:00.000Z']);
  });

  it('what was long ago is asked about once, and taken when it is meant', () => {
    const load = { kind: 'measure' as const, place: 'cart', weight: '1', time: '9/8/2025 2:05 pm' };
    expect(read(load).errors.time).toMatch(/^That was .*ago\. Check the year/);
    expect(read({ ...load, longAgo: true }).entry!.at).toBe('2025-09-08T19:05:00.000Z');
    expect(read({ ...load, time: '13/45/2026 1 pm' }).errors.time).toBeDefined();
  });

  it('an entry taken up for correction reads back as it was', () => {
    const { entry } = read({
      kind: 'move',
      from: 'cart',
      to: 'mill',
      amount: 'gross',
      gross: '40000',
      tare: '27000',
      moisture: '13.5',
      ticket: '9',
      time: '2026-09-08T14:05',
    });
    const again = readDraft(
      draftOf(entry!, () => 'NEW', farm),
      farm,
      NOW,
    ).entry!;
    expect(again).toEqual({ ...entry, id: 'NEW' });
  });

  describe('what is not changed in a correction stays exact', () => {
    const make = (entry: object, change: object = {}) =>
      readDraft(
        { ...draftOf({ id: 'OLD', ...entry } as Entry, () => 'NEW', farm), ...change },
        farm,
        Date.UTC(2026, 11, 1),
      ).entry;
    const dump = {
      type: 'harvest',
      at: '2026-09-08T19:05:42.123Z',
      lot: 'hs',
      to: 'cart',
      wetKg: 4271.2345,
      moisture: 0.17849,
      method: 'cartScale',
    };

    it('to the second, the pound and the hundredth of a point', () => {
      expect(make(dump, { note: 'wet corner' })).toEqual({ ...dump, id: 'NEW', note: 'wet corner' });
      expect(make(dump, { moisture: '18.1' })).toMatchObject({ at: dump.at, wetKg: dump.wetKg, moisture: 0.181 });
      expect(make(dump, { weight: '9000' })).toMatchObject({ at: dump.at, wetKg: lb(9000), moisture: dump.moisture });
      expect(make(dump, { time: '2026-09-08T13:00' })).toMatchObject({
        at: '2026-09-08T18:00:00.000Z',
        wetKg: dump.wetKg,
      });
      const ticket = {
        type: 'move',
        at: dump.at,
        from: 'cart',
        to: 'mill',
        grossKg: 20_000.04,
        tareKg: 8000.02,
        wetKg: 12_000.02,
        method: 'ticket',
      };
      expect(make(ticket, { ticket: '7' })).toMatchObject({
        grossKg: 20_000.04,
        tareKg: 8000.02,
        wetKg: 12_000.02,
        ticket: '7',
      });
      expect(make(ticket, { amount: 'net', weight: '26000' })).toMatchObject({ wetKg: lb(26_000) });
    });
    it('in the hour that autumn repeats, and what a dryer lost', () => {
      for (const at of ['2026-11-01T06:40:11.000Z', '2026-11-01T07:40:11.000Z']) {
        expect(make({ ...dump, at })!.at).toBe(at);
        // The other weight, the same hour of the two.
        expect(make({ ...dump, at }, { weight: '1' })!.at).toBe(at);
        const which = at.includes('T06') ? 'first' : 'second';
        const later = make({ ...dump, at }, { time: `11/1/2026 1:41 am ${which}` })!.at;
        expect(Date.parse(later) - Date.parse(at)).toBe(49_000);
      }
      expect(
        make({ type: 'condition', at: dump.at, place: 'cart', moisture: 0.15, dryLoss: 0.005 }, { moisture: '14.8' }),
      ).toMatchObject({ moisture: 0.148, dryLoss: 0.005 });
    });
    it('all of what was in it then: that it is empty now says nothing', () => {
      const all = { type: 'move', at: dump.at, from: 'truck', to: 'cart' };
      expect(make(all, { to: 'mill' })).toEqual({ ...all, id: 'NEW', to: 'mill' });
    });
  });
});

describe('what is wrong is said at its field', () => {
  it.each([
    [
      { kind: 'harvest' as const },
      { lot: 'Which field?', to: 'Where to?', weight: 'How much?', moisture: 'The moisture is missing' },
    ],
    [
      { kind: 'move' as const, from: 'truck', to: 'cart' },
      { from: 'The book has nothing in Truck 1; give a weight if there was grain' },
    ],
    [
      { kind: 'move' as const, from: 'cart', to: 'truck', amount: 'gross' as const, gross: '100', tare: '200' },
      { tare: 'Tare is not less than gross' },
    ],
    [
      { kind: 'move' as const, from: 'cart', to: 'mill', price: 'cheap' },
      { price: 'A price is dollars a bushel, like 4.62. “cheap” is not a number' },
    ],
    [
      { kind: 'measure' as const, place: 'cart', weight: '12x' },
      { weight: 'A weight is a number like 52,400. “x” is not a unit for it' },
    ],
    [{ kind: 'measure' as const, place: 'cart', weight: '-5' }, { weight: 'A weight cannot be less than zero' }],
    [
      { kind: 'measure' as const, place: 'cart', weight: '99999999' },
      { weight: 'That is more than any bin holds; check the digits' },
    ],
    [{ kind: 'condition' as const, place: 'cart', moisture: '0.15' }, { moisture: 'Type it in percent: 15.0' }],
    [{ kind: 'condition' as const, place: 'cart', moisture: '77' }, { moisture: 'Moisture is from 0 to 60 %' }],
    [
      { kind: 'condition' as const, place: 'cart', moisture: '15', time: '2026-09-09T10:00' },
      { time: 'This is still to come' },
    ],
  ])('%j', (given, errors) => {
    expect(read(given)).toEqual({ errors });
  });

  it('and a refusal of the server finds the box it was typed in', () => {
    const gross = draft({ kind: 'move', amount: 'gross' });
    expect([fieldOf('wetKg', gross), fieldOf('wetKg', draft({})), fieldOf('at', gross), fieldOf('id', gross)]).toEqual([
      'tare',
      'weight',
      'time',
      undefined,
    ]);
  });
});

it('the likely method goes with the place and the way of weighing', () => {
  expect(likelyMethod(draft({ kind: 'move', to: 'mill' }), farm)).toBe('ticket');
  expect(likelyMethod(draft({ kind: 'move', to: 'truck', amount: 'gross' }), farm)).toBe('bridge');
  expect(likelyMethod(draft({ kind: 'loss' }), farm)).toBe('estimate');
});
