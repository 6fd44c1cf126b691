import { describe, expect, it } from 'vitest';
import type { PartsCounter, ShedRecords } from '../records/index.js';
import { countersNow, downPlaces, machinesOf } from './index.js';

const machine = (more: object = {}): object => ({
  kind: 'combine',
  name: 'Combine 1',
  retired: false,
  engineHours: 500,
  separatorHours: 300,
  acres: 0,
  items: [],
  services: [],
  wear: [],
  ...more,
});
const line = (more: object = {}): object => ({
  id: 'i',
  what: 'Knife',
  owner: 'Ruiz',
  due: '2026-09-20',
  doneOn: null,
  skipped: null,
  needed: true,
  part: null,
  ...more,
});
const shed = (machines: Readonly<Record<string, object>>, breakdowns: readonly object[] = []): ShedRecords =>
  ({
    logs: {
      breakdown: breakdowns.map((body) => ({ body, by: 'Oona', voided: false })),
      acknowledgement: [],
    },
    settings: {
      machine: Object.fromEntries(Object.entries(machines).map(([id, value]) => [id, { revision: 1, value }])),
      seasonPlan: { farm: { revision: 1, value: { firstDays: { corn: '2026-09-25' }, acknowledge: [] } } },
      readinessTemplate: {},
      changeover: {},
      partsCounters: {},
    },
  }) as unknown as ShedRecords;
const TODAY = '2026-09-08';
const AIR = { id: 'air', what: 'Air filter', by: 'engine', everyHours: 100, lastAt: 380, skipped: 0 };

describe('a machine of the shed', () => {
  it('is not ready while a service is past its hours', () => {
    const [one] = machinesOf(shed({ c1: machine({ services: [AIR] }) }), TODAY);
    expect(one).toMatchObject({
      ready: false,
      overdue: [{ what: 'Air filter', hours: 20 }],
      next: { kind: 'service', what: 'Air filter', hoursOver: 20 },
    });
    expect(machinesOf(shed({ c1: machine({ services: [{ ...AIR, lastAt: 450 }] }) }), TODAY)[0]).toMatchObject({
      ready: true,
      overdue: [],
      next: null,
    });
  });
  it('what is next comes whole from one thing: words, who and day', () => {
    const broken = { id: 'B', assetId: 'c1', what: 'Feeder chain jumped', mended: false };
    const both = { items: [line()], services: [AIR] };
    expect(machinesOf(shed({ c1: machine(both) }, [broken]), TODAY)[0]!.next).toEqual({
      kind: 'mend',
      what: 'Feeder chain jumped',
      who: 'Oona',
    });
    expect(machinesOf(shed({ c1: machine(both) }), TODAY)[0]!.next).toMatchObject({ kind: 'service' });
    // A line that is late comes before a service.
    expect(
      machinesOf(shed({ c1: machine({ ...both, items: [line({ due: '2026-09-01' })] }) }), TODAY)[0]!.next,
    ).toEqual({ kind: 'line', what: 'Knife', who: 'Ruiz', due: '2026-09-01', dueIn: -7 });
    expect(machinesOf(shed({ c1: machine({ items: [line()] }) }), TODAY)[0]!.next).toEqual({
      kind: 'line',
      what: 'Knife',
      who: 'Ruiz',
      due: '2026-09-20',
      dueIn: 12,
    });
  });
  it('its vessel in the book is down until it is mended', () => {
    const machines = { t: machine({ kind: 'truck', placeId: 'truck-4' }), c: machine() };
    const broken = (assetId: string, mended: boolean) => ({ id: assetId, assetId, what: 'Air line', mended });
    expect([...downPlaces(shed(machines, [broken('t', false), broken('c', false)]))]).toEqual([
      ['truck-4', 'Air line'],
    ]);
    expect(downPlaces(shed(machines, [broken('t', true)])).size).toBe(0);
  });
});

describe('parts counters', () => {
  const ZONE = 'America/Chicago';
  const at = (day: number, hour: number): number => Date.UTC(2026, 8, day) + (hour + 5) * 3_600_000;
  const counter = (name: string, more: Partial<PartsCounter> = {}): PartsCounter => ({
    name,
    phone: '',
    roadMin: 30,
    opens: 8,
    closes: 17.5,
    ...more,
  });
  it('count down to when one must leave, the one that closes soonest first', () => {
    const both = [counter('far', { closes: 18 }), counter('near', { roadMin: 10 })];
    const now = countersNow(both, at(8, 15), ZONE);
    expect(now.map(({ counter: { name } }) => name)).toEqual(['near', 'far']);
    expect(now[0]).toMatchObject({ openUntilMs: at(8, 17.5), leaveByMs: at(8, 17) + 20 * 60_000, opensMs: null });
  });
  it('say when they open next: tomorrow, or Monday where the weekend is shut', () => {
    expect(countersNow([counter('a')], at(8, 19), ZONE)[0]).toMatchObject({ openUntilMs: null, opensMs: at(9, 8) });
    expect(countersNow([counter('a')], at(8, 6), ZONE)[0]!.opensMs).toBe(at(8, 8));
    // September 11 is a Friday.
    expect(countersNow([counter('a')], at(11, 18), ZONE)[0]!.opensMs).toBe(at(14, 8));
    const saturdays = counter('a', { saturdayOpens: 8, saturdayCloses: 12 });
    expect(countersNow([saturdays], at(11, 18), ZONE)[0]!.opensMs).toBe(at(12, 8));
    expect(countersNow([saturdays], at(12, 11), ZONE)[0]!.openUntilMs).toBe(at(12, 12));
    const never: PartsCounter = { name: 'never', phone: '', roadMin: 5 };
    expect(countersNow([never], at(8, 12), ZONE)[0]).toMatchObject({
      openUntilMs: null,
      leaveByMs: null,
      opensMs: null,
    });
  });
});
