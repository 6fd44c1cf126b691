import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { poundsToKilograms } from '../units/index.js';
import { loadSolver } from '../../solver/highs.js';
import { allocate, type AllocationInput } from './allocation.js';
import {
  auditTicket,
  type BuyerSchedule,
  computeTicket,
  factorDiscount,
  type FactorSchedule,
  type TicketInput,
} from './ticket.js';
import { compareBids } from './netback.js';
import { contractPrice, crossContract } from './contracts.js';
import { breakEvenByMonth, holdOrSell, carry } from './hold.js';

const RUNS = { seed: 20261123, numRuns: 200 };
const solve = await loadSolver();

const damage: FactorSchedule = {
  factor: 'damaged',
  worse: 'above',
  bands: [
    { from: 5, per: 'bu', amount: 0.02, step: 1 },
    { from: 10, per: 'bu', amount: 0.04, step: 1 },
  ],
  steps: 'started',
  cumulative: true,
  refuseBeyond: 20,
};
const lightness: FactorSchedule = {
  factor: 'test weight',
  worse: 'below',
  bands: [{ from: 54, per: 'bu', amount: 0.01, step: 1 }],
  steps: 'whole',
  cumulative: true,
};
const buyer: BuyerSchedule = {
  legalPounds: 56,
  shrink: { kind: 'flat', base: 0.15, percentPerPoint: 1.4 },
  moistureStep: 0.001,
  dryingPerPoint: 0.045,
  factors: [damage, lightness],
  feePerBu: 0.01,
};
const load: TicketInput = {
  grossKg: poundsToKilograms(80_000),
  tareKg: poundsToKilograms(24_000),
  moisture: 0.17,
  factors: { damaged: 6.2, 'test weight': 52.5 },
  price: 4.2,
};

describe('discount schedule', () => {
  it('counts started, whole or proportional steps, and bands on the way', () => {
    expect([5, 5.1, 6, 6.2, 12].map((value) => factorDiscount(damage, value, 4, 56))).toEqual(
      [0, 0.02, 0.02, 0.04, 0.18].map((v) => expect.closeTo(v, 9) as number),
    );
    expect([54, 53.5, 53, 52.5].map((value) => factorDiscount(lightness, value, 4, 56))).toEqual([0, 0, 0.01, 0.01]);
    expect(factorDiscount({ ...damage, steps: 'proportion' }, 6.5, 4, 56)).toBeCloseTo(0.03, 9);
    expect(factorDiscount({ ...damage, cumulative: false }, 12, 4, 56)).toBeCloseTo(0.08, 9);
    expect(
      factorDiscount(
        {
          factor: 'heat',
          worse: 'above',
          bands: [{ from: 0.2, per: 'percentOfPrice', amount: 2 }],
          steps: 'whole',
          cumulative: true,
        },
        0.5,
        4,
        56,
      ),
    ).toBeCloseTo(0.08, 9);
    expect(
      factorDiscount(
        {
          factor: 'splits',
          worse: 'above',
          bands: [{ from: 20, per: 'cwt', amount: 0.05, step: 5 }],
          steps: 'whole',
          cumulative: true,
        },
        31,
        10,
        60,
      ),
    ).toBeCloseTo(2 * 0.05 * 0.6, 9);
  });
});

describe('ticket', () => {
  it('goes line by line from the scale to the check', () => {
    const ticket = computeTicket(load, buyer);
    // 1,000 wet bu, 2 points x 1.4 %: 972; 4 cents of damage and 1 of test weight; 9 cents of drying on wet, a cent of fee on paid bushels.
    expect(ticket).toMatchObject({
      wetBushels: 1000,
      paidBushels: 972,
      pricePaid: expect.closeTo(4.15, 9) as number,
      drying: 90,
      fees: 9.72,
      refused: [],
    });
    expect(ticket.money).toBeCloseTo(972 * 4.15 - 90 - 9.72, 2);
  });
  it('drops the part of dockage below a tenth, takes foreign material beyond the free share by weight', () => {
    const ticket = computeTicket(
      { ...load, moisture: 0.15, dockage: 0.0199, foreignMaterial: 0.03 },
      { ...buyer, dockage: true, foreignMaterialFree: 0.01, factors: [] },
    );
    expect(ticket.cleanKg / ticket.netKg).toBeCloseTo((1 - 0.019) * (1 - 0.02), 12);
  });
  it('rounds moisture as the buyer does before anything is taken', () => {
    const at = (moistureRounding: 'halfUp' | 'down' | 'up') =>
      computeTicket({ ...load, moisture: 0.1665 }, { ...buyer, moistureStep: 0.005, moistureRounding }).moistureUsed;
    expect([at('halfUp'), at('down'), at('up')]).toEqual([0.165, 0.165, 0.17]);
  });
  it('says what the buyer refuses instead of pricing it silently', () => {
    expect(
      computeTicket({ ...load, moisture: 0.21, factors: { damaged: 22 } }, { ...buyer, refuseMoistureAbove: 0.2 })
        .refused,
    ).toEqual(['moisture', 'damaged']);
  });
  it('drier grain is paid for its weight, never more', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.15, noNaN: true }), (moisture) => {
        expect(computeTicket({ ...load, moisture }, buyer).paidBushels).toBe(1000);
      }),
      RUNS,
    );
  });
});

describe('audit of a printed ticket', () => {
  const own = computeTicket(load, buyer);
  const printed = {
    netKg: own.netKg,
    moisture: own.moistureUsed,
    paidBushels: own.paidBushels,
    pricePaid: own.pricePaid,
    drying: own.drying,
    money: own.money,
  };
  it('finds nothing on a right one, and on each wrong line that line with its money', () => {
    expect(auditTicket(printed, load, buyer)).toEqual({ agrees: true, differences: [], shortMoney: 0 });
    for (const [line, off, money] of [
      ['netKg', -100, 16.3],
      ['paidBushels', -10, 41.5],
      ['pricePaid', -0.05, 48.6],
      ['drying', 20, 20],
      ['money', -30, 30],
    ] as const) {
      const audit = auditTicket({ ...printed, [line]: printed[line] + off }, load, buyer);
      expect(audit.differences.map((difference) => difference.line)).toEqual([line]);
      expect(Math.abs(audit.differences[0]!.money)).toBeCloseTo(money, 0);
    }
  });
  it('prices a wrong moisture by the whole ticket', () => {
    const audit = auditTicket({ moisture: 0.175 }, load, buyer);
    expect(audit.differences[0]!.money).toBeCloseTo(
      computeTicket(load, buyer).money - computeTicket({ ...load, moisture: 0.175 }, buyer).money,
      9,
    );
    expect(audit.shortMoney).toBeNull();
  });
});

describe('contracts, bids and holding', () => {
  it('an open part is named and priced at today’s market', () => {
    expect(contractPrice({ kind: 'basisFixed', basis: -0.2 }, { futures: 4.72 })).toEqual({
      price: null,
      open: 'futures',
      today: expect.closeTo(4.52, 9) as number,
    });
    expect(contractPrice({ kind: 'futuresFixed', futures: 4.5 })).toEqual({ price: null, open: 'basis', today: null });
    expect(contractPrice({ kind: 'bothFixed', futures: 4.5, basis: -0.25, fee: 0.03 })).toMatchObject({
      price: expect.closeTo(4.22, 9) as number,
      open: 'nothing',
    });
    expect(contractPrice({ kind: 'flat', price: 4.4 })).toEqual({ price: 4.4, open: 'nothing', today: 4.4 });
  });
  it('a load inside a contract has nothing over and no offers; a full contract has all of it over', () => {
    const contract = { id: 'a', bushels: 10_000, delivered: 5000, price: 10 };
    expect(crossContract(900, contract, 9)).toMatchObject({ onContract: 900, over: 0, offers: [], atStake: 0 });
    expect(crossContract(900, { ...contract, delivered: 10_000 }, 9)).toMatchObject({
      onContract: 0,
      over: 900,
      money: 8100,
    });
    // Another contract that takes only part leaves the rest to the spot price.
    expect(
      crossContract(900, { ...contract, delivered: 9500 }, 9, [{ id: 'b', bushels: 100, delivered: 0, price: 11 }])
        .offers[0],
    ).toMatchObject({
      kind: 'other contract',
      bushels: 100,
      restAtSpot: 300,
    });
  });
  it('the highest bid is not always the best after road and discounts, and who refuses comes last', () => {
    const bids = [
      { buyer: 'far', price: 4.5, schedule: buyer, freight: 450 },
      { buyer: 'near', price: 4.25, schedule: buyer, freight: 80 },
      { buyer: 'strict', price: 5, schedule: { ...buyer, refuseMoistureAbove: 0.16 }, freight: 0 },
    ];
    expect(compareBids(load, bids).map((bid) => bid.buyer)).toEqual(['near', 'far', 'strict']);
  });
  it('break-even prices are break-even, and carry is paid or not', () => {
    const plan = {
      id: 'bin',
      months: 5,
      laterPrice: 4.6,
      loss: 0.01,
      storagePerMonth: 0.03,
      handlingPerBu: 0.02,
      costs: [{ what: 'fans', money: 300 }],
    };
    const { plans } = holdOrSell({ bushels: 10_000, harvestPrice: 4.2, interest: 0.08, plans: [plan] });
    const even = holdOrSell({
      bushels: 10_000,
      harvestPrice: 4.2,
      interest: 0.08,
      plans: [{ ...plan, laterPrice: plans[0]!.breakEvenPrice }],
    });
    expect(even.plans[0]!.againstHarvest).toBeCloseTo(0, 6);
    expect(carry({ cash: 4.2, months: 5, interest: 0.08, storagePerMonth: 0.04, deferred: 4.5 }).paid).toBe(false);
    expect(carry({ cash: 4.2, months: 5, interest: 0.08, storagePerMonth: 0.04, deferred: 4.6 }).paid).toBe(true);
  });
});

describe('allocation', () => {
  const plan = (input: AllocationInput) => {
    const answer = allocate(input, solve);
    if (answer.kind !== 'plan') throw new Error(answer.kind);
    return answer;
  };

  it('is as good as trying every whole bushel', () => {
    const small = fc.integer({ min: 0, max: 4 });
    const cents = fc.integer({ min: -20, max: 50 });
    fc.assert(
      fc.property(
        small,
        small,
        small,
        small,
        fc.tuple(cents, cents, cents, cents),
        fc.integer({ min: 0, max: 8 }),
        (a, b, x, y, [ax, ay, bx, by], hours) => {
          const lanes = [
            ['a', 'x', ax],
            ['a', 'y', ay],
            ['b', 'x', bx],
            ['b', 'y', by],
          ] as const;
          const input: AllocationInput = {
            sources: [
              { id: 'a', crop: 'corn', bushels: a },
              { id: 'b', crop: 'corn', bushels: b },
            ],
            destinations: [
              { id: 'x', kind: 'bin', crop: 'corn', most: x },
              { id: 'y', kind: 'buyer', crop: 'corn', most: y },
            ],
            lanes: lanes.map(([from, to, value]) => ({ from, to, value: value / 100, hoursPerBushel: 1 })),
            truckHours: hours,
          };
          let best = 0;
          for (let i = 0; i <= a; i++)
            for (let j = 0; i + j <= a; j++)
              for (let k = 0; k <= b; k++)
                for (let l = 0; k + l <= b; l++)
                  if (i + k <= x && j + l <= y && i + j + k + l <= hours)
                    best = Math.max(best, (i * ax + j * ay + k * bx + l * by) / 100);
          const answer = plan(input);
          expect(answer.money).toBeCloseTo(best, 6);
          expect(answer.flows.reduce((sum, flow) => sum + flow.money, 0)).toBeCloseTo(answer.money, 6);
          expect(
            answer.flows.reduce((sum, flow) => sum + flow.bushels, 0) +
              answer.left.reduce((sum, left) => sum + left.bushels, 0),
          ).toBeCloseTo(a + b, 6);
        },
      ),
      RUNS,
    );
  });
  it('tells in words what one more bushel of room would bring', () => {
    const input: AllocationInput = {
      sources: [{ id: 'Pecan Turn', crop: 'corn', bushels: 10_000 }],
      destinations: [
        { id: 'Bin 3', kind: 'bin', crop: 'corn', most: 6000 },
        { id: 'Barge terminal', kind: 'buyer', crop: 'corn', most: 50_000 },
      ],
      lanes: [
        { from: 'Pecan Turn', to: 'Bin 3', value: 4.55 },
        { from: 'Pecan Turn', to: 'Barge terminal', value: 4.4 },
      ],
    };
    expect(plan(input)).toMatchObject({
      money: expect.closeTo(6000 * 4.55 + 4000 * 4.4, 6) as number,
      shadows: [
        {
          id: 'Bin 3',
          kind: 'bin',
          worth: expect.closeTo(0.15, 6) as number,
          words: 'One more bushel of room in Bin 3 would bring 15.0 cents.',
        },
      ],
    });
    // With room for all, no bin has a price.
    expect(plan({ ...input, destinations: input.destinations.map((d) => ({ ...d, most: 50_000 })) }).shadows).toEqual(
      [],
    );
  });
  it('fills a contract that asks for its bushels even where another place pays more, and says when there are too few', () => {
    const input: AllocationInput = {
      sources: [{ id: 'beans', crop: 'soybean', bushels: 1000 }],
      destinations: [
        { id: 'contract', kind: 'buyer', crop: 'soybean', most: 800, least: 800 },
        { id: 'spot', kind: 'buyer', crop: 'soybean', most: 5000 },
      ],
      lanes: [
        { from: 'beans', to: 'contract', value: 9.5 },
        { from: 'beans', to: 'spot', value: 10 },
      ],
    };
    expect(plan(input).fills).toMatchObject([
      { id: 'contract', bushels: expect.closeTo(800, 6) as number },
      { id: 'spot', bushels: expect.closeTo(200, 6) as number },
    ]);
    expect(allocate({ ...input, sources: [{ id: 'beans', crop: 'soybean', bushels: 500 }] }, solve)).toEqual({
      kind: 'impossible',
      short: [{ crop: 'soybean', bushels: 300 }],
    });
    expect(allocate({ ...input, lanes: [] }, solve).kind).toBe('impossible');
  });
  it('sells nothing at a loss, and refuses a bin of another crop by name', () => {
    const input: AllocationInput = {
      sources: [{ id: 'a', crop: 'corn', bushels: 10 }],
      destinations: [{ id: 'x', kind: 'bin', crop: 'soybean', most: 10 }],
      lanes: [{ from: 'a', to: 'x', value: 1 }],
    };
    expect(() => allocate(input, solve)).toThrow(/crop for x "corn" is not known; known are soybean/);
    expect(
      plan({
        ...input,
        destinations: [{ id: 'x', kind: 'bin', crop: 'corn', most: 10 }],
        lanes: [{ from: 'a', to: 'x', value: -1 }],
      }),
    ).toMatchObject({
      money: 0,
      flows: [],
      left: [{ from: 'a', bushels: 10 }],
    });
    expect(() => allocate({ ...input, lanes: [{ from: 'b', to: 'x', value: 1 }] }, solve)).toThrow(
      /source "b" is not known/,
    );
  });
});

describe('break-even by month', () => {
  it('begins at the harvest price and rises by the carry; M14’s pile is even at $5.10 after three months', () => {
    const input = { bushels: 40_000, harvestPrice: 4.85, interest: 0.08 };
    const pile = { id: 'pile', months: 3, laterPrice: 5.62, loss: 0.008, costs: [{ what: 'once', money: 4636 }] };
    const points = breakEvenByMonth(input, pile, 12);
    expect(points).toHaveLength(13);
    expect(points[3]!.price).toBeCloseTo(5.1, 1);
    const free = breakEvenByMonth(input, { id: 'bin', laterPrice: 5 }, 2);
    expect(free.map(({ price }) => Number(price.toFixed(4)))).toEqual([4.85, 4.8823, 4.9147]);
  });
});
