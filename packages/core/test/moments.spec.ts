import { describe, expect, it } from 'vitest';
import {
  blendTwoBins,
  bushelsPerAcreToKgPerHa,
  compareLoss,
  compareStrips,
  cents,
  crossContract,
  feetToMetres,
  fieldsForDryer,
  fieldWeights,
  holdOrSell,
  inchesToMetres,
  kernelGramsOfRule,
  kilogramsPerBushel,
  kilogramsToPounds,
  lastLoad,
  lossCheck,
  type LossCheckInput,
  metresPerSecondToMph,
  mphToMetresPerSecond,
  poundsToKilograms,
  speedForRate,
  type SpeedAdvice,
  widthOfRows,
} from '../src/index.js';

// Kestrel Levee Farms: moments of its season, to the last digit shown; around each, the same kind of moment with another limit or a missing figure.
const SQ_FT = 0.09290304;
const HA_OF_ACRE = 0.40468564224;
const clock = (minutes: number): string =>
  `${Math.floor(minutes / 60)}:${String(Math.floor(minutes % 60)).padStart(2, '0')}`;
const up = (minutes: number): string => clock(Math.ceil(minutes));

describe('blend two bins for a load', () => {
  const load = (first: number, wanted = 0.129, more: object = {}) =>
    blendTwoBins({
      first: { moisture: first, rateKgPerSecond: poundsToKilograms(60 * 50) / 60, ...more },
      second: { moisture: 0.106, rateKgPerSecond: poundsToKilograms(60 * 25) / 60 },
      wanted,
      loadKg: poundsToKilograms(57_000),
      kgPerBu: kilogramsPerBushel(60),
    });
  const blended = (answer: ReturnType<typeof load>) => {
    if (answer.kind !== 'blend') throw new Error(answer.kind);
    return answer;
  };

  it('takes 607 bu from F and 343 from G for 12.9 %', () => {
    const answer = blended(load(0.142));
    expect((100 * answer.firstShare).toFixed(1)).toBe('63.9');
    expect([answer.firstBu, answer.secondBu]).toEqual([607, 343]);
    // Gates at 50 and 25 bu a minute: from each auger's own rate.
    expect((answer.firstSeconds! / 60).toFixed(1)).toBe('12.1');
    expect((answer.secondSeconds! / 60).toFixed(1)).toBe('13.7');
  });
  it('computes again after a retest at 14.7', () => {
    const answer = blended(load(0.147));
    expect((100 * answer.firstShare).toFixed(1)).toBe('56.1');
    expect([answer.firstBu, answer.secondBu]).toEqual([533, 417]);
  });
  it('says which bin runs out, and what load it can carry', () => {
    const answer = blended(load(0.142, 0.129, { availableKg: poundsToKilograms(300 * 60) }));
    expect(answer.limit?.by).toBe('first');
    expect(kilogramsToPounds(answer.limit!.largestLoadKg) / 60).toBeCloseTo(300 / 0.63889, 1);
  });
  it('refuses what no ratio can give, and says how near it comes', () => {
    expect(load(0.142, 0.15)).toEqual({ kind: 'out_of_reach', nearest: 0.142, side: 'both_drier' });
    expect(load(0.142, 0.1)).toEqual({ kind: 'out_of_reach', nearest: 0.106, side: 'both_wetter' });
  });
  it('does not care which bin is called first', () => {
    const swapped = blendTwoBins({
      first: { moisture: 0.106 },
      second: { moisture: 0.142 },
      wanted: 0.129,
      loadKg: poundsToKilograms(57_000),
      kgPerBu: kilogramsPerBushel(60),
    });
    expect(blended(swapped).secondBu).toBe(607);
  });
});

describe('which field next so that the dryer runs steadily', () => {
  const site = {
    bushelPointsPerHour: 2600,
    dryTo: 0.15,
    combineBushelsPerHour: 2900,
    roomBushels: 9000,
    lastMoisture: 0.171,
    mostStep: 2,
  };
  const fields = [
    { id: 'Buttonbush East', moisture: 0.213, pointsPerDay: 0.6 },
    { id: 'Pecan Turn', moisture: 0.168 },
  ];

  it('takes Pecan Turn and refuses East with its reason', () => {
    const [first, second] = fieldsForDryer({ ...site, fields });
    expect(first!.id).toBe('Pecan Turn');
    expect([
      first!.step.toFixed(1),
      Math.round(first!.dryerBushelsPerHour!),
      first!.wetBinFullHours!.toFixed(1),
      first!.limitedBy,
    ]).toEqual(['-0.3', 1444, '6.2', 'dryer']);
    expect([
      second!.allowed,
      second!.refusedBecause,
      second!.step.toFixed(1),
      Math.round(second!.dryerBushelsPerHour!),
      second!.wetBinFullHours!.toFixed(1),
      second!.daysToMatch!.toFixed(1),
    ]).toEqual([false, 'step too wet', '4.2', 413, '3.6', '7.0']);
  });
  it('with a step of five points East may come, after the smaller step', () => {
    expect(fieldsForDryer({ ...site, mostStep: 5, fields }).map((field) => [field.id, field.allowed])).toEqual([
      ['Pecan Turn', true],
      ['Buttonbush East', true],
    ]);
  });
  it('with a slow combine the dryer keeps up and the wet bin never fills', () => {
    const [first] = fieldsForDryer({ ...site, combineBushelsPerHour: 1400, fields });
    expect([first!.wetBinFullHours, first!.limitedBy]).toEqual([null, 'combine']);
  });
  it('does not promise days where nobody knows how fast it dries, and passes grain that is dry', () => {
    const [dry, wet] = fieldsForDryer({
      ...site,
      lastMoisture: 0.155,
      mostStep: 1,
      fields: [
        { id: 'wet', moisture: 0.19 },
        { id: 'dry', moisture: 0.149 },
      ],
    });
    expect([dry!.id, dry!.dryerBushelsPerHour, dry!.wetBinFullHours]).toEqual(['dry', null, null]);
    expect(wet!.daysToMatch).toBeNull();
  });
});

describe('speed for yield', () => {
  const mph = mphToMetresPerSecond;
  const bushel = kilogramsPerBushel(56);
  const ask = (
    bushelsPerAcre: number,
    width = feetToMetres(30),
    headConfirmed = true,
    limits = [{ name: 'rough ground', speed: mph(6.5) }],
  ): SpeedAdvice =>
    speedForRate({
      rate: 4100 * bushel,
      width,
      yieldKgPerHa: bushelsPerAcreToKgPerHa(bushelsPerAcre, 56),
      limits,
      headConfirmed,
    });
  const told = (advice: SpeedAdvice) => {
    if (advice.kind !== 'speed') throw new Error(advice.because);
    return [
      metresPerSecondToMph(advice.speed).toFixed(1),
      metresPerSecondToMph(advice.byRate).toFixed(1),
      advice.limitedBy,
      Math.round(advice.rate / bushel),
    ];
  };

  it('is 4.8 in 235 bu/ac, and the limit in 150', () => {
    expect(told(ask(235))).toEqual(['4.8', '4.8', null, 4100]);
    expect(told(ask(150))).toEqual(['6.5', '7.5', 'rough ground', 3545]);
  });
  it('is the limit with twelve rows at 20 inches', () => {
    expect(told(ask(235, widthOfRows(12, inchesToMetres(20)))).slice(0, 3)).toEqual(['6.5', '7.2', 'rough ground']);
  });
  it('names the lowest of several limits', () => {
    expect(
      told(
        ask(150, feetToMetres(30), true, [
          { name: 'rough ground', speed: mph(6.5) },
          { name: 'header', speed: mph(5) },
        ]),
      )[2],
    ).toBe('header');
  });
  it('says nothing while the head is not confirmed for today, or where nothing grows', () => {
    expect(ask(235, feetToMetres(30), false)).toEqual({ kind: 'none', because: 'head not confirmed today' });
    expect(ask(0)).toEqual({ kind: 'none', because: 'no crop' });
  });
});

describe('last load before closing, and night storage', () => {
  const evening = {
    now: 18 * 60 + 9,
    buyerCloses: 19 * 60,
    roadMin: 24,
    inCart: 610,
    truck: { id: 'truck one', capacity: 920 },
    bushelsPerHour: 2500,
    loadMin: 6,
    tarpMin: 3,
    returning: [{ id: 'truck two', at: 18 * 60 + 45, capacity: 920 }],
    cart: { capacity: 1000 },
    tank: { capacity: 350, lidsCloseAt: 300 },
    rainAt: 20 * 60 + 30,
  };

  it('gets truck one in with ten minutes to spare and stops the combine at 19:09', () => {
    const answer = lastLoad(evening);
    expect([
      answer.stillToPick,
      answer.minutesToFull.toFixed(1),
      clock(answer.fullAt),
      clock(answer.loadedAt),
      up(answer.leavesAt),
      up(answer.arrivesAt),
      Math.floor(answer.spare),
      clock(answer.lastDeparture),
    ]).toEqual([310, '7.4', '18:16', '18:22', '18:26', '18:50', 10, '18:36']);
    expect(answer.others).toEqual([{ id: 'truck two', canGo: false, arrivesAt: 19 * 60 + 18 }]);
    const { overnight } = answer;
    expect([
      overnight.room,
      Math.floor(overnight.minutes),
      clock(overnight.stopAt),
      overnight.stoppedBy,
      Math.round(overnight.pickedByReturn!),
      overnight.combineWaits,
    ]).toEqual([2220, 53, '19:09', 'room', 1190, false]);
    expect(overnight.holders.map((holder) => holder.bushels)).toEqual([920, 1000, 300]);
    expect(overnight.minutesToCover!).toBeGreaterThan(60);
  });
  it('stops for rain that comes before the room is full', () => {
    const { overnight } = lastLoad({ ...evening, rainAt: 18 * 60 + 50 });
    expect([overnight.stoppedBy, clock(overnight.stopAt), overnight.minutesToCover]).toEqual(['rain', '18:50', 0]);
  });
  it('says so when the first truck is too late', () => {
    const answer = lastLoad({ ...evening, roadMin: 36 });
    expect([answer.inTime, answer.spare < 0, clock(answer.lastDeparture)]).toEqual([false, true, '18:24']);
  });
  it('lets a second truck go that is back early enough, and does not count it for the night', () => {
    const answer = lastLoad({ ...evening, returning: [{ id: 'truck two', at: 18 * 60 + 15, capacity: 920 }] });
    expect(answer.others[0]!.canGo).toBe(true);
    expect(answer.overnight.room).toBe(1300);
  });
  it('counts what does not fit on the truck as room already used', () => {
    const answer = lastLoad({ ...evening, inCart: 950 });
    expect([answer.stillToPick, answer.overnight.room]).toEqual([0, 2190]);
  });
  it('is not the last one while the truck can go again: then the night counts from the one that is', () => {
    // At noon with 20 min line and pit: gone 12:17, there 12:41, back 13:25, 9 minutes of loading and tarping; a round is 77 minutes.
    const noon = lastLoad({ ...evening, now: 12 * 60, unloadMin: 20, returning: [] });
    expect(noon.again.map(clock)).toEqual(['13:33', '14:50', '16:07', '17:24']);
    expect([noon.overnight.room, clock(noon.overnight.stopAt)]).toEqual([
      1300,
      clock(17 * 60 + 15 + (1300 / 2500) * 60),
    ]);
    // Slower picking than the road: 920 bu at 600 an hour take 92 minutes.
    const slow = lastLoad({ ...evening, now: 12 * 60, unloadMin: 20, returning: [], bushelsPerHour: 600 });
    expect(slow.again[1]! - slow.again[0]!).toBeCloseTo(92, 9);
    expect(lastLoad({ ...evening, unloadMin: 20 }).again).toEqual([]);
    expect(lastLoad(evening).again).toEqual([]);
  });
  it('sees a combine that has to wait for the truck', () => {
    expect(lastLoad({ ...evening, bushelsPerHour: 3500 }).overnight.combineWaits).toBe(true);
  });
});

describe('three measures of one field and a lost ticket', () => {
  // Eight loads of 371,840 lb on the cart; load 5 (52,960) has no ticket; the other seven sum to 318,880 and 318,020.
  const carts = [45_500, 45_600, 45_700, 45_480, 52_960, 45_520, 45_560, 45_520];
  const tickets = [45_380, 45_480, 45_570, 45_360, null, 45_400, 45_430, 45_400];
  const loads = carts.map((cart, i) => ({
    id: `load ${i + 1}`,
    cartKg: poundsToKilograms(cart),
    ...(tickets[i] === null ? {} : { ticketKg: poundsToKilograms(tickets[i]!) }),
  }));
  const field = fieldWeights({ loads, displayBu: 6912, legalPounds: 56, pricePerBu: 4.62 });

  it('gives the display its factor and the lost ticket its dollars', () => {
    expect(carts.reduce((a, b) => a + b)).toBe(371_840);
    expect(tickets.reduce<number>((a, b) => a + (b ?? 0), 0)).toBe(318_020);
    expect([field.cartBushels.toFixed(1), (field.cartBushels / 64).toFixed(2), (6912 / 64).toFixed(1)]).toEqual([
      '6640.0',
      '103.75',
      '108.0',
    ]);
    // 103.75/108.0 is 0.96065: either way of rounding is within the last digit shown.
    expect(Math.abs(field.factor! - 0.9607)).toBeLessThan(0.0001);
    expect([(100 * field.difference!).toFixed(2), field.agrees]).toEqual(['-0.27', true]);
    expect(
      field.missing.map(({ load, expectedKg, bushels, money }) => [
        load,
        Math.round(kilogramsToPounds(expectedKg)),
        bushels.toFixed(1),
        Math.round(money),
      ]),
    ).toEqual([['load 5', 52_817, '943.2', 4357]]);
    expect(field.label).toBe('7 tickets + 1 cart');
  });
  it('does not agree beyond the tolerance that the farm sets', () => {
    expect(fieldWeights({ loads, legalPounds: 56, pricePerBu: 4.62, tolerance: 0.002 }).agrees).toBe(false);
  });
  it('expects the cart’s own weight where no load has both, and has no factor without a display', () => {
    const alone = fieldWeights({ loads: [{ id: 'one', cartKg: 1000 }], legalPounds: 56, pricePerBu: 4.62 });
    expect([alone.missing[0]!.expectedKg, alone.difference, alone.factor, alone.label]).toEqual([
      1000,
      null,
      null,
      '1 cart',
    ]);
  });
  it('counts a load that has only a ticket by its ticket', () => {
    const mixed = fieldWeights({
      loads: [
        { id: 'one', ticketKg: 900 },
        { id: 'two', cartKg: 1000, ticketKg: 990 },
      ],
      legalPounds: 56,
      pricePerBu: 4.62,
    });
    expect([mixed.totalKg, mixed.onlyTicket, mixed.missing.length, mixed.label]).toEqual([1890, 1, 0, '2 tickets']);
  });
});

describe('a load crosses the end of a contract', () => {
  const contract = { id: '118', bushels: 10_000, delivered: 9483.5, price: 10.62 };
  it('splits 516.50 and 433.10 and names what is at stake', () => {
    const answer = crossContract(949.6, contract, 10.05, [{ id: '131', bushels: 5000, delivered: 0, price: 10.4 }]);
    expect([
      answer.onContract.toFixed(2),
      answer.over.toFixed(2),
      answer.contractMoney,
      answer.overMoney,
      answer.money,
      answer.allOnContract,
      answer.atStake,
    ]).toEqual(['516.50', '433.10', 5485.23, 4352.66, 9837.89, 10_084.75, 246.87]);
    expect(
      answer.offers.map((offer) => [
        offer.kind,
        'contract' in offer ? offer.contract : null,
        Math.round(offer.bushels),
      ]),
    ).toEqual([
      ['other contract', '131', 433],
      ['take less', null, 517],
      ['sell spot', null, 433],
    ]);
    expect(answer.caution).toBe('buyersOverageRule');
  });
});

describe('pile, sell or store elsewhere', () => {
  const plans = [
    {
      id: 'pile',
      months: 3,
      laterPrice: 5.62,
      loss: 0.008,
      costs: [
        { what: 'fuel', money: 240 * 3.6 },
        { what: 'labor', money: 3 * 26 * 24 },
        { what: 'tarp', money: 1900 },
      ],
    },
    { id: 'elevator', months: 3, laterPrice: 5.62, storagePerMonth: 0.055 },
  ];
  it('nets the pile against harvest and against the elevator, one alternative at a time', () => {
    const answer = holdOrSell({ bushels: 40_000, harvestPrice: 4.85, interest: 0.08, plans });
    expect(answer.harvest).toBe(194_000);
    expect(answer.plans.map((plan) => [plan.id, cents(plan.net)])).toEqual([
      ['pile', 214_485.6],
      ['elevator', 214_320],
    ]);
    expect([
      cents(answer.plans[0]!.againstHarvest),
      cents(answer.between[0]!.money),
      answer.plans[0]!.breakEvenPrice.toFixed(2),
    ]).toEqual([20_485.6, 165.6, '5.10']);
    expect(answer.best).toEqual({ plan: 'pile' });
  });
  it('says sell when the later price is under the break-even', () => {
    expect(
      holdOrSell({
        bushels: 40_000,
        harvestPrice: 4.85,
        interest: 0.08,
        plans: plans.map((plan) => ({ ...plan, laterPrice: 5.05 })),
      }).best,
    ).toBe('sell at harvest');
  });
});

describe('a loss count, and whether the change helped', () => {
  const acresLeft = 640;
  const count = (frames: LossCheckInput['behind']) =>
    lossCheck({
      behind: frames,
      before: 0.4 / SQ_FT,
      kernelGrams: kernelGramsOfRule(2, 56),
      legalPounds: 56,
      pricePerBu: 4.4,
      areaLeft: acresLeft * HA_OF_ACRE,
    });
  const before = count([31, 27, 36, 22, 34].map((kernels) => ({ kernels, area: 10 * SQ_FT })));
  // 75 in 50 ft², as five frames of ten.
  const after = count([13, 17, 14, 16, 15].map((kernels) => ({ kernels, area: 10 * SQ_FT })));

  it('finds 1.3 bu/ac before, 0.55 after, and $2,112 on what is left', () => {
    const machine = before.parts.machine!;
    expect([
      (machine.kernelsPerM2 * SQ_FT).toFixed(1),
      machine.bushelsPerAcre.toFixed(1),
      Math.round(before.moneyLeft!),
    ]).toEqual(['2.6', '1.3', 3661]);
    expect(after.parts.machine!.bushelsPerAcre.toFixed(2)).toBe('0.55');
    const change = compareLoss(before, after, { pricePerBu: 4.4, areaLeft: acresLeft * HA_OF_ACRE });
    expect([change.gain.toFixed(2), Math.round(change.money), change.verdict]).toEqual(['0.75', 2112, 'better']);
  });
  it('does not credit the strips with a yield', () => {
    const strips = compareStrips([4.1, -0.6, 2.5]);
    expect([strips.mean.toFixed(1), strips.standardError.toFixed(1), strips.verdict]).toEqual([
      '2.0',
      '1.4',
      'not shown to differ',
    ]);
    expect(strips.stripsNeeded).toBeGreaterThan(3);
    expect(compareStrips([4.1, 3.6, 4.5]).verdict).toBe('better');
    expect(compareStrips([-4.1, -3.6, -4.5]).verdict).toBe('worse');
  });
});
