import { describe, expect, it } from 'vitest';
import {
  allowableHours,
  type Breakdown,
  breakdownSummary,
  correctMeter,
  countError,
  CROPS,
  crossContract,
  dryInBin,
  fanRuns,
  holdOrSell,
  instantOf,
  Ledger,
  levelChecks,
  safeDaysLeft,
  sampleMean,
  steadyWeather,
  stillWeight,
  storageLifeBasis,
  tankFill,
  valueOfMoisture,
} from '../src/index.js';

// Worked by hand: edges that single-point faults went through unnoticed.

describe('samples and counts', () => {
  it('three readings of 15, 16 and 17 %: mean 16, half-width t(2) · 1 / sqrt 3 = 2.484 points', () => {
    // t(2), two-sided 95 %: 4.3027 (any statistics handbook, from memory).
    const { moisture, halfWidthPoints } = sampleMean([0.15, 0.16, 0.17]);
    expect([moisture, halfWidthPoints]).toEqual([expect.closeTo(0.16, 12), expect.closeTo(4.3027 / Math.sqrt(3), 3)]);
  });
  it('two frames of 30 and 34 kernels on a square meter: standard error 2; one frame of 36: 6', () => {
    expect(
      countError([
        { kernels: 30, area: 1 },
        { kernels: 34, area: 1 },
      ]),
    ).toBeCloseTo(2, 12);
    expect(countError([{ kernels: 36, area: 2 }])).toBeCloseTo(3, 12);
  });
  it('a meter’s card goes straight between its rows, also below zero', () => {
    const card = [
      { temperature: -5, points: 0.6 },
      { temperature: 20, points: 0 },
      { temperature: 35, points: -0.8 },
    ];
    expect(correctMeter(0.15, 7.5, card)).toMatchObject({ points: expect.closeTo(0.3, 12) as number, outside: false });
    expect(correctMeter(0.15, 27.5, card)).toEqual({ moisture: expect.closeTo(0.146, 12) as number, points: expect.closeTo(-0.4, 12) as number, outside: false }); // prettier-ignore
    expect(correctMeter(0.15, 30, card).points).toBeCloseTo((-0.8 * 10) / 15, 12);
    expect(correctMeter(0.003, 35, card).moisture).toBe(0);
    expect([correctMeter(0.15, 40, card).outside, correctMeter(0.15, -5, card).outside]).toEqual([true, false]);
  });
});

describe('machines', () => {
  it('a fan runs in a window of humidity with both of its ends, and not below its coldest air', () => {
    const control = { kind: 'humidity', least: 0.4, most: 0.7, leastCelsius: 2 } as const;
    const runs = (relativeHumidity: number, temperature = 5): boolean =>
      fanRuns(control, { relativeHumidity, temperature, equilibrium: 0.14 });
    expect([0.3999, 0.4, 0.7, 0.7001].map((rh) => runs(rh))).toEqual([false, true, true, false]);
    expect([1.99, 2].map((celsius) => runs(0.5, celsius))).toEqual([false, true]);
    const wanted = { kind: 'equilibrium', wanted: 0.15, below: 0.01, above: 0.02 } as const;
    const dries = (equilibrium: number): boolean =>
      fanRuns(wanted, { relativeHumidity: 0.5, temperature: 5, equilibrium });
    expect([0.1399, 0.14, 0.15 + 0.02, 0.1701].map(dries)).toEqual([false, true, true, false]);
  });

  const broke = (more: Partial<Breakdown>): Breakdown => ({ machineId: 'c1', cause: 'wear', cost: 100, hoursLost: 2, acresLost: 10, missingSpare: '', ...more }); // prettier-ignore
  it('three breakdowns of 100, 250 and 40 dollars: sums by machine, by cause and by the missing spare', () => {
    const sums = breakdownSummary([broke({}), broke({ machineId: 'c2', cost: 250, hoursLost: 5, acresLost: 31, missingSpare: ' Knife head' }), broke({ cause: 'operator', cost: 40, hoursLost: 0.5, acresLost: 4, missingSpare: 'knife head ' })]); // prettier-ignore
    expect(sums.all).toEqual({ times: 3, cost: 390, hoursLost: 7.5, acresLost: 45 });
    expect(sums.byMachine).toEqual({ c1: { times: 2, cost: 140, hoursLost: 2.5, acresLost: 14 }, c2: { times: 1, cost: 250, hoursLost: 5, acresLost: 31 } }); // prettier-ignore
    expect(sums.byCause.operator).toEqual({ times: 1, cost: 40, hoursLost: 0.5, acresLost: 4 });
    expect(sums.missingSpares).toEqual([{ name: 'knife head', times: 2, cost: 290, hoursLost: 5.5, acresLost: 35 }]);
  });
  it('a tank fuller than full is full now, never in the past; what is over the cart’s room is said', () => {
    expect(tankFill({ inTankKg: 9000, tankKg: 8000, rate: 40_000 }).secondsToFull).toBe(0);
    expect(tankFill({ inTankKg: 6000, tankKg: 8000, rate: 40_000, cartRoomKg: 5500 })).toEqual({ secondsToFull: 180, fitsCart: false, overCartKg: 500 }); // prettier-ignore
    expect(tankFill({ inTankKg: 6000, tankKg: 8000, rate: 0, cartRoomKg: 6000 })).toEqual({ secondsToFull: null, fitsCart: true, overCartKg: 0 }); // prettier-ignore
  });
});

describe('selling and keeping', () => {
  it('a contract that is over-delivered already takes nothing: all of the load is beyond it', () => {
    const crossing = crossContract(500, { id: '7', bushels: 5000, delivered: 5200, price: 4.6 }, 4.1, [{ id: '8', bushels: 1000, delivered: 1100, price: 4.5 }]); // prettier-ignore
    expect(crossing).toMatchObject({ onContract: 0, over: 500 });
    expect(crossing.offers).toEqual([{ kind: 'sell spot', bushels: 500, money: 2050 }]);
  });
  it('the best plan is the one with the most money, wherever it stands in the list', () => {
    const plan = (id: string, laterPrice: number) => ({ id, months: 3, laterPrice });
    const of = (...plans: ReturnType<typeof plan>[]) =>
      holdOrSell({ bushels: 1000, harvestPrice: 4, interest: 0, plans });
    const mixed = of(plan('poor', 4.1), plan('best', 4.9), plan('middling', 4.5));
    expect(mixed.best).toEqual({ plan: 'best' });
    expect(mixed.plans.map(({ id }) => id)).toEqual(['best', 'middling', 'poor']);
    expect(mixed.between.map(({ first, second, money }) => [first, second, Math.round(money)])).toEqual([
      ['best', 'middling', 400],
      ['best', 'poor', 800],
      ['middling', 'poor', 400],
    ]);
    // No better than now is not waited for.
    expect(of(plan('even', 4)).best).toBe('sell at harvest');
  });
  it('a scale that paused for exactly the time it must stand is still, a moment less is not', () => {
    const rule = { withinKg: 27.2, forSeconds: 3 };
    const over = (ms: number) => [0, ms / 2, ms].map((at) => ({ atMs: 1e12 + at, kg: 20_000 }));
    expect(stillWeight(over(3000), rule)).toEqual({ kg: 20_000, sinceMs: 1e12 });
    expect(stillWeight(over(2999), rule)).toBeNull();
  });
  it('moisture of exactly what the buyer refuses above is still taken, and costs its whole steps', () => {
    const terms = { legalPounds: 56, base: 0.15, shrinkPerPoint: 1.2, dockPerPoint: 0.04, refuseAbove: 0.18 };
    const value = valueOfMoisture(terms, 4);
    expect(value(0.18)).not.toBeNull();
    expect(value(0.1801)).toBeNull();
    // Six started half points of two cents, and 3.6 % of the weight.
    expect(value(0.18)! * 25_000).toBeCloseTo((25_000 / (56 * 0.45359237)) * 0.964 * (4 - 0.12), 1);
    expect(value(0.15)! * 25_000).toBeCloseTo((25_000 / (56 * 0.45359237)) * 4, 1);
  });
  it('stirred layers share what they have aged as they share their water', () => {
    const weather = steadyWeather(20, 0.7, 24);
    const run = (share: number | null) =>
      dryInBin({
        crop: CROPS.corn,
        depth: 4,
        layers: 4,
        moisture: [0.16, 0.18, 0.22, 0.24],
        temperature: 20,
        airflow: 0.05,
        fanHeat: 0,
        weather,
        control: { kind: 'humidity', least: 0, most: 0.1 },
        target: 0.1,
        ...(share === null ? {} : { stirring: { everyHours: 24, share } }),
      });
    const [still, half, whole] = [run(null), run(0.5), run(1)];
    // The fan never ran: what aged most is the wettest layer, and stirred at the end it has half of the way, or all of it, to the mean.
    const perHour = [0.16, 0.18, 0.22, 0.24].map((moisture) => 1 / allowableHours(moisture, 20));
    const mean = perHour.reduce((a, b) => a + b, 0) / 4;
    const most = Math.max(...perHour);
    expect(still.worstLife! / whole.worstLife!).toBeCloseTo(most / mean, 6);
    expect(half.worstLife!).toBeCloseTo((still.worstLife! + whole.worstLife!) / 2, 9);
  });
  it('half of the life of wheat, barley and oats used up leaves half of the days', () => {
    for (const crop of [CROPS.wheat, CROPS.barley, CROPS.oats]) {
      expect(storageLifeBasis(crop).kind, crop.id).toBe('germination');
      const now = { moisture: 0.16, temperature: 20 };
      const fresh = safeDaysLeft(crop, now).days;
      const half = safeDaysLeft(crop, now, [{ hours: 12 * fresh, moisture: 0.16, temperature: 20 }]);
      expect([half.lifeUsed, half.days / fresh], crop.id).toEqual([expect.closeTo(0.5, 9), expect.closeTo(0.5, 9)]);
      expect(safeDaysLeft(crop, now, [{ hours: 48 * fresh, moisture: 0.16, temperature: 20 }]).days).toBe(0);
    }
  });
});

describe('the book', () => {
  it('February has 29 days in 2024 and 2000, 28 in 2026, 2100 and 1900', () => {
    const isDay = (year: number): boolean => Number.isFinite(instantOf(`${year}-02-29T12:00:00Z`));
    expect([2024, 2000, 2026, 2100, 1900].map(isDay)).toEqual([true, true, false, false, false]);
  });

  it('what happened between two instants leaves out what was voided, and keeps both ends', () => {
    const at = (hour: number): string => new Date(Date.UTC(2026, 8, 8, hour)).toISOString();
    const ledger = new Ledger({ defaults: { moisture: 0.15, trust: [] }, lots: [{ id: 'l' }], places: [{ id: 'bin', kind: 'bin', withdrawal: 'mixed' }] }); // prettier-ignore
    const cut = (id: string, hour: number) => ({ type: 'harvest', id, at: at(hour), lot: 'l', to: 'bin', wetKg: 100, moisture: 0.15 }) as const; // prettier-ignore
    ledger.append([
      cut('A', 1),
      cut('B', 2),
      cut('C', 3),
      cut('D', 4),
      { type: 'void', id: 'V', at: at(9), voids: 'C' },
    ]);
    const ids = (from: number, to: number) => ledger.entriesBetween(Date.parse(at(from)), Date.parse(at(to))).map(({ id }) => id); // prettier-ignore
    expect(ids(2, 4)).toEqual(['B', 'D']);
    expect(ids(1, 1)).toEqual(['A']);
  });
  it('levels of a span stand beside what the book had just before them, and nothing else of the span does', () => {
    const at = (hour: number): string => new Date(Date.UTC(2026, 8, 8, hour)).toISOString();
    const ledger = new Ledger({
      defaults: { moisture: 0.15, trust: [] },
      lots: [{ id: 'l' }],
      places: [{ id: 'bin', kind: 'bin', withdrawal: 'mixed' }],
    });
    const cut = (id: string, hour: number) =>
      ({ type: 'harvest', id, at: at(hour), lot: 'l', to: 'bin', wetKg: 100, moisture: 0.15 }) as const;
    const level = (id: string, hour: number, wetKg: number) =>
      ({ type: 'measure', id, at: at(hour), place: 'bin', wetKg, method: 'level' }) as const;
    ledger.append([cut('A', 1), cut('B', 2), level('L', 3, 190), cut('C', 4), level('M', 5, 300), level('N', 9, 310)]);
    const book = { ledger, lots: [], places: [] };
    const [from, to] = [Date.parse(at(2)), Date.parse(at(6))];
    expect(levelChecks(book, from, to)).toEqual([
      { entry: 'L', place: 'bin', foundKg: 190, bookKg: expect.closeTo(200, 9) as number },
      { entry: 'M', place: 'bin', foundKg: 300, bookKg: expect.closeTo(290, 9) as number },
    ]);
  });
});
