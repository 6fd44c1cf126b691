import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bestSettings,
  CRITERIA,
  type Criterion,
  type FieldToCut,
  fireDanger,
  rankFields,
  SCHOOLS,
  type School,
  type SettingsRecord,
  waitingCosts,
  type WaitingInput,
  type Weights,
} from '../src/index.js';

describe('what waiting costs', () => {
  // Falling to noon, rising in the evening; wet is docked a percent and a half a point above 13, refused above 15.
  const hours = [16, 15.4, 14.8, 14.1, 13.4, 12.7, 12.1, 11.6, 11.3, 11.4, 11.9, 12.6, 13.4, 14.4].map((points, i) => ({
    hour: 9 + i,
    moisture: points / 100,
  }));
  const value = (m: number): number | null => (m > 0.15 ? null : 0.36 * (1 - 0.015 * Math.max(0, 100 * (m - 0.13))));
  const input: WaitingInput = {
    hours,
    starts: hours.map(({ hour }) => hour),
    dryKgPerHour: 20_000,
    dryKgLeft: 80_000,
    value,
    open: [[8, 21]],
    shatterPerPoint: 0.02,
    shatterBelow: 0.12,
    standingRisk: 0.02,
  };

  it('the best start comes before the tester first reads the base', () => {
    const { starts, best } = waitingCosts(input);
    // Base is first read between 13 and 14 o'clock; four hours of cutting want to lie around it.
    expect(best).toBeLessThan(14);
    expect(starts.find((s) => s.start === best)).toMatchObject({ behind: 0, endedBy: 'field done' });
    for (const start of starts) expect(start.behind).toBeGreaterThanOrEqual(0);
    // Too early waits for the buyer anyway, too late cuts dry and shattering beans.
    expect(starts.find((s) => s.start === 16)!.behind).toBeGreaterThan(starts.find((s) => s.start === 12)!.behind);
  });
  it('cuts nothing while the buyer refuses or is closed, and says what ended it', () => {
    expect(waitingCosts({ ...input, value: () => null }).starts[0]).toMatchObject({
      cutDryKg: 0,
      moisture: null,
      money: 0,
    });
    expect(waitingCosts({ ...input, dryKgLeft: 1e6, open: [[8, 15]] }).starts[3]).toMatchObject({
      endedBy: 'closing',
      cutDryKg: expect.closeTo(60_000, 6),
    });
    expect(waitingCosts({ ...input, dryKgLeft: 1e6, open: [[8, 24]] }).starts[0]!.endedBy).toBe('end of the forecast');
  });
  it('what is left standing is worth its next chance, less the risk: not the best hour’s price', () => {
    const last = hours.at(-1)!.moisture;
    const next = (value(last) ?? 0) / (1 - last);
    const of = (standingRisk: number) =>
      waitingCosts({ ...input, open: [[8, 24]], dryKgLeft: 1e6, standingRisk }).starts[0]!;
    const { leftDryKg } = of(0);
    expect(leftDryKg).toBeGreaterThan(500_000);
    expect(of(0).money - of(0.3).money).toBeCloseTo(0.3 * leftDryKg * next, 3);
  });
  it('goes by five minutes: the last part hour counts, and a tie goes to the earlier start at which something may be cut', () => {
    const flat = {
      ...input,
      hours: hours.map(({ hour }) => ({ hour, moisture: 0.125 })),
      shatterPerPoint: 0,
      standingRisk: 0,
    };
    // Closed at a quarter past twelve: a quarter of an hour's twenty tonnes.
    const late = waitingCosts({ ...flat, dryKgLeft: 1e6, starts: [12], open: [[8, 12.25]] }).starts[0]!;
    expect(late).toMatchObject({
      cutDryKg: expect.closeTo(5000, 6),
      until: expect.closeTo(12.25, 6),
      endedBy: 'closing',
    });
    // Any start from the opening on brings the same; before it nothing may be cut.
    const tie = waitingCosts({ ...flat, starts: [9, 9.5, 10, 10.25, 11], open: [[10, 20]] });
    expect(tie.best).toBe(10);
    expect(tie.starts.map(({ behind }) => behind)).toEqual([0, 0, 0, 0, 0].map(() => expect.closeTo(0, 6)));
    expect(tie.starts[0]!.until).toBeCloseTo(14, 6);
  });
  it('a day’s standing costs its risk, so that waiting for tomorrow must bring more than that', () => {
    const two = Array.from({ length: 48 }, (_, hour) => ({ hour, moisture: hour < 24 ? 0.14 : 0.13 }));
    const days = { ...input, hours: two, starts: [8, 32], open: [[8, 20], [32, 44]] as const, shatterPerPoint: 0 }; // prettier-ignore
    expect(waitingCosts({ ...days, standingRisk: 0 }).best).toBe(32);
    expect(waitingCosts({ ...days, standingRisk: 0.05 }).best).toBe(8);
  });
  it('tells how much is cut below the base', () => {
    const { starts } = waitingCosts({ ...input, base: 0.13 });
    const early = starts.find(({ start }) => start === 11)!;
    // From 11 to 15 o'clock: below 13 % from about half past one on.
    expect(early.belowBaseDryKg).toBeGreaterThan(0);
    expect(early.belowBaseDryKg).toBeLessThan(early.cutDryKg);
    expect(starts.find(({ start }) => start === 16)!.belowBaseDryKg).toBeCloseTo(80_000, 4);
  });
  it('cut and standing sum to what was there, whatever the day', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.08, max: 0.2, noNaN: true }), { minLength: 3, maxLength: 30 }),
        fc.double({ min: 1000, max: 50_000, noNaN: true }),
        fc.double({ min: 0, max: 300_000, noNaN: true }),
        (moistures, rate, dryKgLeft) => {
          const { starts, best } = waitingCosts({
            ...input,
            hours: moistures.map((moisture, hour) => ({ hour, moisture })),
            starts: moistures.map((_, i) => i),
            dryKgPerHour: rate,
            dryKgLeft,
            open: [[0, 99]],
          });
          for (const s of starts) expect(s.cutDryKg + s.leftDryKg).toBeCloseTo(dryKgLeft, 4);
          expect(starts.find((s) => s.start === best)!.behind).toBe(0);
        },
      ),
      { seed: 20261123, numRuns: 200 },
    );
  });
});

describe('which field next', () => {
  const field = (id: string, more: Partial<FieldToCut> = {}): FieldToCut => ({
    id,
    moisture: 0.17,
    base: 0.15,
    standability: 0,
    distance: 3000,
    area: 20,
    hours: 6,
    ...more,
  });
  const dryer = {
    bushelPointsPerHour: 2600,
    dryTo: 0.15,
    combineBushelsPerHour: 2900,
    roomBushels: 9000,
    lastMoisture: 0.171,
    mostStep: 2,
  };
  const rank = (fields: FieldToCut[], school: School, more: object = {}) =>
    rankFields({ fields, weights: SCHOOLS[school].weights, dryer, rainIn: null, ...more });

  it('each school picks its own field', () => {
    const fields = [
      field('steady', { moisture: 0.169 }),
      field('dry', { moisture: 0.152, distance: 15_000 }),
      field('weak', { moisture: 0.185, standability: 3, distance: 9000 }),
      field('near', { moisture: 0.178, distance: 200, hours: 2 }),
      field('long', { moisture: 0.186, hours: 14, distance: 8000 }),
    ];
    expect([
      rank(fields, 'steady')[0]!.id,
      rank(fields, 'early')[0]!.id,
      rank(fields, 'dryCorn')[0]!.id,
      rank(fields, 'showers', { rainIn: 3 })[0]!.id,
      rank(fields, 'help')[0]!.id,
    ]).toEqual(['steady', 'weak', 'dry', 'near', 'long']);
  });
  it('says why, and what speaks against it', () => {
    const [first] = rank([field('a', { moisture: 0.168, distance: 19_000 })], 'steady');
    expect(first!.reasons[0]).toEqual({ code: 'stepPoints', value: expect.closeTo(-0.3, 9) as number });
    expect(first!.against).toEqual({ code: 'standing', value: 0 });
    expect(first!.parts.map((part) => part.criterion)).toEqual(Object.keys(CRITERIA));
  });
  it('ripeness and the buyer’s hours count where they are weighed, and dry grain asks nothing of the dryer', () => {
    const only = (criterion: string) =>
      Object.fromEntries(Object.keys(CRITERIA).map((name) => [name, name === criterion ? 5 : 0])) as Weights;
    const dry = (id: string, more: object) => field(id, { moisture: 0.14, ...more });
    const ripe = rankFields({
      fields: [dry('green', { maturity: 1 }), dry('ripe', { maturity: 3 })],
      weights: only('maturity'),
      dryer: null,
      rainIn: null,
    });
    expect(ripe.map((r) => [r.id, Math.round(r.score)])).toEqual([
      ['ripe', 100],
      ['green', 33],
    ]);
    const hours = rankFields({
      fields: [
        dry('late', { hours: 6, closesIn: 2 }),
        dry('short', { hours: 2, closesIn: 2 }),
        dry('shut', { closesIn: 0 }),
      ],
      weights: only('hours'),
      dryer: null,
      rainIn: null,
    });
    expect(hours.map((r) => r.id)).toEqual(['short', 'late', 'shut']);
    // 14 % with a dryer set for 17.1: it goes past, it is not refused.
    const past = rank([dry('past', {})], 'steady');
    expect([past[0]!.blocked, past[0]!.parts.find((part) => part.criterion === 'dryer')!.why]).toEqual([
      null,
      { code: 'pastDryer' },
    ]);
  });

  it('a step that the dryer keeper refuses is blocked and comes after those that are allowed', () => {
    const ranked = rank(
      [field('east', { moisture: 0.213, pointsPerDay: 0.6, standability: 3 }), field('pecan', { moisture: 0.168 })],
      'early',
    );
    expect(ranked.map((r) => [r.id, r.blocked])).toEqual([
      ['pecan', null],
      ['east', expect.closeTo(4.2, 9) as number],
    ]);
    expect(ranked[1]!.dryer!.daysToMatch).toBeCloseTo(7, 9);
  });
  it('the user’s own order stays above any score', () => {
    expect(
      rank([field('a'), field('b', { standability: 3 }), field('c', { moisture: 0.25 })], 'early', {
        ownOrder: ['c', 'a'],
      }).map((r) => r.id),
    ).toEqual(['c', 'a', 'b']);
  });
  it('scores lie between 0 and 100, and only weights that are set count', () => {
    fc.assert(
      fc.property(
        fc.record({
          moisture: fc.option(fc.double({ min: 0.1, max: 0.3, noNaN: true })),
          standability: fc.integer({ min: 0, max: 3 }),
          distance: fc.double({ min: 0, max: 50_000, noNaN: true }),
          hours: fc.double({ min: 0, max: 40, noNaN: true }),
        }),
        fc.constantFrom(...(Object.keys(CRITERIA) as Criterion[])),
        (more, criterion) => {
          const weights = {
            ...Object.fromEntries(Object.keys(CRITERIA).map((name) => [name, 0])),
            [criterion]: 4,
          } as unknown as Weights;
          const [only] = rankFields({ fields: [field('x', more)], weights, dryer, rainIn: 5 });
          expect(only!.score).toBeCloseTo(100 * only!.parts.find((part) => part.criterion === criterion)!.value, 9);
          expect(only!.score >= 0 && only!.score <= 100).toBe(true);
        },
      ),
      { seed: 20261123, numRuns: 200 },
    );
    expect(() =>
      rankFields({ fields: [], weights: { ...SCHOOLS.steady.weights, dryer: 9 }, dryer: null, rainIn: null }),
    ).toThrow(/weight is 9/);
  });
});

describe('settings that were best last time', () => {
  const record = (id: string, more: Partial<SettingsRecord> = {}): SettingsRecord => ({
    id,
    machine: 'combine-1',
    crop: 'corn',
    variety: 'K2',
    moisture: 0.18,
    values: { rotor: 350 },
    loss: 1,
    dirt: 2,
    ...more,
  });
  const now = { machine: 'combine-1', crop: 'corn', variety: 'K2', moisture: 0.18 };
  it('puts the lowest counted loss first, the nearer case before the farther, the unjudged last', () => {
    const ranked = bestSettings(
      [
        record('unjudged', { loss: null, dirt: null }),
        record('lossy', { loss: 2.5 }),
        record('good', { loss: 0.6 }),
        record('beans', { crop: 'soybean', loss: 0 }),
        record('far', { loss: 0.6, moisture: 0.28, machine: 'combine-2', variety: '' }),
      ],
      now,
    );
    expect(ranked.map((r) => r.record.id)).toEqual(['good', 'far', 'lossy', 'unjudged']);
    expect(ranked.map((r) => r.judgedBy)).toEqual([
      'loss count and tank',
      'loss count and tank',
      'loss count and tank',
      'nobody judged it',
    ]);
    expect(ranked[0]!.nearness).toBe(1);
  });
});

describe('fire danger', () => {
  it('rises with heat and wind, falls with humidity, and stops at the farm’s own limit', () => {
    expect([
      fireDanger(15, 0.7, 2).level,
      fireDanger(30, 0.3, 6).level,
      fireDanger(33, 0.2, 8).level,
      fireDanger(38, 0.12, 10).level,
    ]).toEqual(['low', 'watch', 'high', 'stop']);
    expect(fireDanger(33, 0.2, 8, 1, 20).level).toBe('stop');
  });
});
