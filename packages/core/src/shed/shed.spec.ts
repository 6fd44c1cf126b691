import { describe, expect, it } from 'vitest';
import { CROP_IDS } from '../crops/index.js';
import { dayAfter, dayNumber, daysBetween, seededRandom } from '../kernel/index.js';
import type { CardId } from '../records/index.js';
import {
  alternatives,
  type Breakdown,
  breakdownSummary,
  CAUSES,
  changeoverSteps,
  MACHINE_KINDS,
  machineReadiness,
  READINESS_TEMPLATES,
  type ReadyItem,
  readyBy,
  SAFETY_CARDS,
  serviceStanding,
  standingOf,
  wearStanding,
} from './index.js';

const item = (more: Partial<ReadyItem> = {}): ReadyItem => ({
  id: 'i',
  what: 'Knife',
  owner: 'Ruiz',
  due: '2026-09-10',
  doneOn: null,
  skipped: null,
  needed: true,
  part: null,
  ...more,
});
const part = (leadDays: number, orderedOn: string | null = null, onHand = false) => ({
  name: 'gearbox',
  leadDays,
  orderedOn,
  onHand,
});

describe('days of the farm', () => {
  it('count over months and leap years, and refuse what is none', () => {
    expect(daysBetween('2026-08-30', '2026-09-02')).toBe(3);
    expect(dayAfter('2028-02-28', 1)).toBe('2028-02-29');
    expect(daysBetween('2026-09-10', '2026-09-08')).toBe(-2);
    for (const wrong of ['2026-02-30', '08/11/2026', '', '2026-9-1'])
      expect(() => dayNumber(wrong)).toThrow(/day ".*" is not known/);
  });
  it('a machine is ready by the next first day of its crops', () => {
    const first = { corn: '2026-08-11', sorghum: '2026-08-25', soybean: '2026-09-17' };
    expect(readyBy(first, '2026-09-08', ['soybean'])).toEqual({ day: '2026-09-17', crop: 'soybean' });
    expect(readyBy(first, '2026-08-01')).toEqual({ day: '2026-08-11', crop: 'corn' });
    // Harvest runs and nothing is ahead: it is wanted today.
    expect(readyBy(first, '2026-09-08', ['corn'])).toEqual({ day: '2026-09-08', crop: null });
    expect(readyBy({}, '2026-09-08')).toEqual({ day: '2026-09-08', crop: null });
  });
});

describe('readiness', () => {
  it('twelve days for the part and harvest in nine: three days short', () => {
    const standing = standingOf(item({ part: part(12) }), '2026-09-08', '2026-09-17');
    expect(standing).toMatchObject({ state: 'part too late', partOn: '2026-09-20', daysShort: 3, orderWithin: -3 });
    const ways = alternatives(standing, [{ name: 'Flex 30', open: 1 }], 'corn');
    expect(ways[0]).toEqual({ code: 'startWith', name: 'Flex 30', open: 1, daysShort: 3 });
    expect(ways.at(-1)).toEqual({ code: 'moveFirstDay', daysShort: 3 });
    expect(ways).toContainEqual({ code: 'beginWithCrop', crop: 'corn' });
    expect(
      alternatives(standingOf(item({ needed: false, part: part(12) }), '2026-09-08', '2026-09-17'), [], null)[0],
    ).toEqual({ code: 'startWithout' });
  });
  it('ordered in time, on the shelf, done or left out: not late', () => {
    expect(standingOf(item({ part: part(12, '2026-09-04') }), '2026-09-08', '2026-09-17')).toMatchObject({
      state: 'due',
      partOn: '2026-09-16',
      daysShort: 0,
      orderWithin: null,
    });
    expect(standingOf(item({ part: part(12, null, true) }), '2026-09-08', '2026-09-17')).toMatchObject({
      daysShort: 0,
      partOn: null,
    });
    expect(standingOf(item({ part: part(12), doneOn: '2026-09-01' }), '2026-09-08', '2026-09-17').state).toBe('done');
    expect(standingOf(item({ part: part(12), skipped: 'new last year' }), '2026-09-08', '2026-09-17').state).toBe(
      'skipped',
    );
    expect(alternatives(standingOf(item(), '2026-09-08', '2026-09-17'), [], null)).toEqual([]);
  });
  it('a part that should be here and is not comes today at the earliest', () => {
    expect(standingOf(item({ part: part(5, '2026-08-01') }), '2026-09-08', '2026-09-08').partOn).toBe('2026-09-08');
  });
  it('the last day to order is said before it passes', () => {
    expect(standingOf(item({ part: part(7) }), '2026-09-08', '2026-09-17').orderWithin).toBe(2);
  });
  it('the worst stands first, and only what is needed keeps a machine back', () => {
    const { items, ready, open, daysShort } = machineReadiness(
      [
        item({ id: 'done', doneOn: '2026-09-01' }),
        item({ id: 'late', needed: false, part: part(20) }),
        item({ id: 'over', due: '2026-09-01' }),
        item({ id: 'open', due: '2026-10-01' }),
      ],
      '2026-09-08',
      '2026-09-17',
    );
    expect(items.map((standing) => standing.item.id)).toEqual(['late', 'over', 'open', 'done']);
    expect([ready, open, daysShort]).toEqual([false, 3, 0]);
    expect(machineReadiness([item({ needed: false })], '2026-09-08', '2026-09-17').ready).toBe(true);
    expect(machineReadiness([], '2026-09-08', '2026-09-17')).toMatchObject({ ready: true, open: 0, daysShort: 0 });
  });
});

describe('services and wear', () => {
  it('count by the counter that they go by, with what was missed', () => {
    const service = { id: 's', what: 'oil', by: 'engine' as const, everyHours: 250, lastAt: 1000, skipped: 0 };
    expect(serviceStanding(service, { engine: 1200, separator: 0 })).toEqual({ hoursLeft: 50, missed: 0 });
    expect(serviceStanding(service, { engine: 1510, separator: 0 })).toEqual({ hoursLeft: -260, missed: 2 });
    // A counter that was set back: it is due later, and nothing was missed.
    expect(serviceStanding(service, { engine: 900, separator: 0 })).toEqual({ hoursLeft: 350, missed: 0 });
    expect(() => serviceStanding({ ...service, everyHours: 0 }, { engine: 900, separator: 0 })).toThrow(
      /hours between services/,
    );
  });
  it('the worse of hours and acres counts, and the season is looked ahead to', () => {
    const worn = {
      id: 'w',
      name: 'concave',
      position: '',
      hoursAtFit: 1000,
      acresAtFit: 10_000,
      lastsHours: 500,
      lastsAcres: 5000,
    };
    const standing = wearStanding(worn, { separator: 1400, acres: 13_000 }, 900);
    // 400 of 500 h, 3,000 of 5,000 ac; 100 h at 7.5 ac/h are 750 ac.
    expect(standing).toMatchObject({ hours: 400, acres: 3000, used: 0.8, acresLeft: 750, wornBeforeTheEnd: true });
    expect(
      wearStanding({ ...worn, lastsHours: null, lastsAcres: null }, { separator: 1400, acres: 13_000 }, 900),
    ).toMatchObject({
      used: null,
      acresLeft: null,
      wornBeforeTheEnd: false,
    });
    expect(() => wearStanding(worn, { separator: 900, acres: 13_000 }, 0)).toThrow(/hours on the part/);
  });
});

describe('change of crop', () => {
  it('corn to beans: head and drum change, the round bars stay but are looked at; corn left in the tank is dockage', () => {
    const steps = changeoverSteps('corn', 'soybean');
    const by = new Map(steps.map((step) => [step.id, step]));
    expect(by.get('header')).toMatchObject({
      out: 'row head',
      into: 'flexible platform',
      changes: true,
      photo: true,
      card: 'headerLock',
    });
    expect(by.get('feederDrum')).toMatchObject({ out: 'up', into: 'down', changes: true });
    expect(by.get('concaves')).toMatchObject({ changes: false, photo: true });
    expect(by.get('cleanGrain')).toMatchObject({ changes: true });
    // What changes comes first.
    const first = steps.findIndex((step) => !step.changes);
    expect(steps.slice(first).every((step) => !step.changes)).toBe(true);
  });
  it('wheat to corn: the wire and the cover plates come out', () => {
    const by = new Map(changeoverSteps('wheat', 'corn').map((step) => [step.id, step]));
    expect(by.get('concaves')).toMatchObject({ out: 'small wire', into: 'round bar', changes: true });
    expect(by.get('coverPlates')).toMatchObject({ into: 'off', changes: true });
  });
  it('where nobody knows what was in, everything is looked at', () => {
    for (const to of CROP_IDS)
      expect(changeoverSteps(null, to).every((step) => step.changes && step.out === 'whatever is in')).toBe(true);
  });
  it('the same crop again changes nothing', () => {
    expect(changeoverSteps('corn', 'corn').filter((step) => step.changes)).toEqual([]);
  });
});

describe('lists and cards', () => {
  it('every kind of machine has a list, and every card it names is there', () => {
    for (const kind of Object.keys(MACHINE_KINDS)) {
      const lines = READINESS_TEMPLATES[kind as keyof typeof MACHINE_KINDS];
      expect(lines.length, kind).toBeGreaterThan(0);
      for (const { card } of lines) if (card) expect(SAFETY_CARDS[card as CardId]).toBeDefined();
    }
  });
  it('no card says that a place is safe, and each is short', () => {
    for (const { title, lines } of Object.values(SAFETY_CARDS)) {
      expect(`${title} ${lines.join(' ')}`).not.toMatch(/\bsafe\b/i);
      expect(lines.length).toBe(3);
      for (const line of lines) expect(line.length).toBeLessThan(110);
    }
  });
});

describe('breakdowns', () => {
  it('the parts sum to the whole, whatever broke', () => {
    const random = seededRandom(11);
    const causes = Object.keys(CAUSES) as (keyof typeof CAUSES)[];
    const many = Array.from({ length: 200 }, (): Breakdown => ({
      machineId: `m${Math.floor(5 * random())}`,
      cause: causes[Math.floor(causes.length * random())]!,
      cost: Math.round(1000 * random()),
      hoursLost: Math.round(40 * random()) / 4,
      acresLost: Math.round(50 * random()),
      missingSpare: random() < 0.5 ? '' : random() < 0.5 ? 'Belt ' : 'belt',
    }));
    const { all, byMachine, byCause, missingSpares } = breakdownSummary(many);
    for (const groups of [byMachine, byCause]) {
      for (const key of ['times', 'cost', 'hoursLost', 'acresLost'] as const)
        expect(Object.values(groups).reduce((sum, group) => sum + group[key], 0)).toBeCloseTo(all[key], 9);
    }
    expect(missingSpares.map((spare) => spare.name)).toEqual(['belt']);
    expect(missingSpares[0]!.times).toBe(many.filter((b) => b.missingSpare !== '').length);
    expect(() => breakdownSummary([{ ...many[0]!, cost: -1 }])).toThrow(/cost of a breakdown/);
    expect(breakdownSummary([]).all.times).toBe(0);
  });
});
