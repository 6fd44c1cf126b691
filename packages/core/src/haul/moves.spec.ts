import { describe, expect, it } from 'vitest';
import type { RigMove } from '../records/index.js';
import { feetToMetres, milesToMetres, mphToMetresPerSecond } from '../units/index.js';
import {
  type CrewSpot,
  cutForBy,
  movesOfDay,
  type MoveStop,
  type Rig,
  roadMinutes,
  sunAt,
  USUAL_RIG,
} from './index.js';

const NOW = Date.UTC(2026, 9, 8, 19, 0);
const minute = (n: number): number => NOW + n * 60_000;
/** Two miles apart along a parallel. */
const stop = (lotId: string, hours: number | null, east = 0): MoveStop => ({ lotId, hours, spot: [-91 + east, 40] });
const combine: Rig = { placeId: 'c1', kind: 'combine', road: { width: feetToMetres(14), speed: mphToMetresPerSecond(18), readyMin: 20, headOnCart: true, escort: true }, assumed: false, lotId: 'A', driver: 'Bea', head: 'Row head' }; // prettier-ignore
const cart: Rig = { placeId: 'k1', kind: 'cart', road: USUAL_RIG.cart, assumed: true, lotId: 'A', driver: 'Wes', head: null }; // prettier-ignore
const someone = (name: string, lotId: string | null, vehicle: string | null = null, vehicleLotId = lotId): CrewSpot => ({ name, lotId, vehicle, vehicleLotId: vehicle === null ? null : vehicleLotId }); // prettier-ignore
const day = (more: Partial<Parameters<typeof movesOfDay>[0]> = {}) =>
  movesOfDay({ rigs: [cart, combine], stops: [stop('A', 1), stop('B', 2, 0.1)], own: [], crew: [], nowMs: NOW, sunOf: () => ({ riseMs: minute(-600), setMs: minute(300) }), ...more }); // prettier-ignore
const moved = (placeId: string, fromLot: string, toLot: string, minutes: number): RigMove => ({ id: 'M', at: new Date(minute(minutes)).toISOString(), leftAt: new Date(NOW).toISOString(), placeId, fromLot, toLot, along: [] }); // prettier-ignore

describe('minutes on section roads', () => {
  it('are 4/π of the straight way: 5 miles at 18 mph are 21 minutes', () => {
    expect(roadMinutes(milesToMetres(5), mphToMetresPerSecond(18))).toBeCloseTo((5 / 18) * 60 * (4 / Math.PI), 9);
    expect(roadMinutes(milesToMetres(5), mphToMetresPerSecond(18))).toBeCloseTo(21.2, 1);
    expect(() => roadMinutes(-1, 8)).toThrow(/way/);
    expect(() => roadMinutes(1000, 0)).toThrow(/speed/);
  });
});

describe('hours of cutting under a chain that holds back', () => {
  /** Cuts for an hour, stands for half an hour, cuts at half its rate for an hour. */
  const byMinute = Array.from({ length: 151 }, (_, m) => (m <= 60 ? m / 60 : m <= 90 ? 1 : 1 + (m - 90) / 120));
  const cutFor = cutForBy(byMinute, NOW);

  it('by hand: what is left at the stop waits for it, and half rate takes twice as long', () => {
    expect(cutFor(NOW, 0.5)).toBeCloseTo(minute(30), -1);
    expect(cutFor(NOW, 1)).toBeCloseTo(minute(60), -1);
    expect(cutFor(NOW, 1.25)).toBeCloseTo(minute(120), -1);
    // From the middle of the stop: a quarter of an hour of cutting needs the rest of the stop and half an hour.
    expect(cutFor(minute(75), 0.25)).toBeCloseTo(minute(120), -1);
    expect(cutFor(minute(75), 0)).toBe(minute(75));
  });

  it('what the day does not let through is not done today, and the last minute still is', () => {
    expect(cutFor(NOW, 1.5)).toBeCloseTo(minute(150), -1);
    expect(cutFor(NOW, 1.51)).toBeNull();
    expect(cutFor(minute(200), 0.1)).toBeNull();
    expect(cutForBy([0], NOW)(NOW, 2)).toBeNull();
    const [move, next] = day({ stops: [stop('A', 2.5), stop('B', 2, 0.1), stop('C', 2, 0.2)], cutFor });
    expect(move).toMatchObject({ doneMs: null, notToday: true });
    expect(move!.trips[0]).toMatchObject({ leavesMs: null, minutesBy: 'straight' });
    expect(next!.notToday).toBe(true);
    expect(day({ stops: [stop('A', null), stop('B', 2, 0.1)], cutFor })[0]!.notToday).toBe(false);
  });

  it('moves wait for it', () => {
    const [move] = day({ stops: [stop('A', 1.25), stop('B', 2, 0.1)], cutFor });
    expect(move!.doneMs).toBeCloseTo(minute(120), -1);
    expect(move!.trips[0]!.leavesMs).toBeCloseTo(minute(130), -1);
  });
});

describe('the day’s moves', () => {
  it('begin when the field is cut; the combine goes first, and is ready only after half of its fitting', () => {
    const [move] = day();
    expect(move!.doneMs).toBe(minute(60));
    expect(move!.trips.map(({ rig }) => rig.placeId)).toEqual(['c1', 'k1']);
    const [first] = move!.trips;
    expect(first!.leavesMs).toBe(minute(70));
    // 0.1° of longitude at 40° north are 8,517 m on the mean sphere.
    expect(first!.minutes).toBeCloseTo(roadMinutes(8518, combine.road.speed), 1);
    expect(first!.minutesBy).toBe('straight');
    expect(first!.arrivesMs).toBeCloseTo(minute(70 + first!.minutes!), -1);
    expect(first!.light).toBe('day');
  });

  it('follow each other: the second field is done after the way, the head and its own hours', () => {
    const [one, two] = day({ stops: [stop('A', 1), stop('B', 2, 0.1), stop('C', 1, 0.2)] });
    const there = one!.trips[0]!.arrivesMs!;
    expect(two!.doneMs).toBeCloseTo(there + 10 * 60_000 + 2 * 3_600_000, -1);
    expect(two!.trips.every(({ fromLotId }) => fromLotId === 'B')).toBe(true);
  });

  it('take the farm’s own minutes of this machine, there or back, then of one like it', () => {
    const own = [moved('c1', 'B', 'A', 31), moved('c1', 'A', 'B', 29), moved('c2', 'A', 'B', 90)];
    expect(day({ own })[0]!.trips[0]).toMatchObject({ minutes: 30, minutesBy: 'own', timed: 2 });
    const other: Rig = { ...combine, placeId: 'c2', lotId: 'B' };
    expect(day({ rigs: [combine, other], own: own.slice(2) })[0]!.trips[0]).toMatchObject({ minutes: 90, minutesBy: 'own' }); // prettier-ignore
  });

  it('say nothing that nobody knows: no hours, no boundary, no sunset', () => {
    const [move] = day({ stops: [stop('A', null), { lotId: 'B', hours: 2, spot: null }], sunOf: () => null });
    expect(move).toMatchObject({ doneMs: null, leaveByMs: null });
    expect(move!.trips[0]).toMatchObject({ leavesMs: null, minutes: null, arrivesMs: null, light: null });
  });

  it('warn of dusk and dark, and say by when to leave', () => {
    const sunset = (at: number, rise = -600) => day({ sunOf: () => ({ riseMs: minute(rise), setMs: minute(at) }) })[0]!;
    expect(sunset(100).trips[0]!.light).toBe('dusk');
    expect(sunset(80).trips[0]!.light).toBe('dark');
    // Before sunrise it is as dark.
    expect(sunset(900, 75).trips[0]!.light).toBe('dark');
    expect(sunset(900, 60).trips[0]!.light).toBe('dusk');
    const move = sunset(200);
    const longest = Math.max(...move.trips.map(({ minutes }) => minutes!));
    expect(move.leaveByMs).toBeCloseTo(minute(200 - longest), -1);
  });

  it('name who drives ahead, which pickup goes along, and who has no ride back', () => {
    // Bea and Wes steer; Ida is free and takes Bea's pickup ahead: all three have a ride.
    const crew = [someone('Bea', 'A', 'blue pickup'), someone('Wes', 'A'), someone('Ida', 'A')];
    expect(day({ crew })[0]).toMatchObject({ escort: { name: 'Ida', vehicle: 'blue pickup' }, along: ['blue pickup'], noRide: [] }); // prettier-ignore
    // Nobody is free: the escort is open, the pickup is fetched later so that there is a way home.
    expect(day({ crew: crew.slice(0, 2) })[0]).toMatchObject({ escort: null, escortWanted: true, along: ['blue pickup'], noRide: [] }); // prettier-ignore
    // No pickup stands there: both are left without one.
    expect(day({ crew: [someone('Bea', 'A'), someone('Wes', 'A')] })[0]!.noRide).toEqual(['Bea', 'Wes']);
    // One that waits at the next field already serves.
    expect(day({ crew: [someone('Bea', 'A'), someone('Wes', 'A'), someone('Otis', 'B', 'white pickup')] })[0]).toMatchObject({ along: [], noRide: [] }); // prettier-ignore
  });

  it('leave out a machine that is there already', () => {
    expect(day({ rigs: [combine, { ...cart, lotId: 'B' }] })[0]!.trips.map(({ rig }) => rig.placeId)).toEqual(['c1']);
  });

  it('are none where no field follows', () => {
    expect(day({ stops: [stop('A', 1)] })).toEqual([]);
    expect(day({ stops: [] })).toEqual([]);
  });
});

describe('the sunset', () => {
  it('is that of the almanac within three minutes', () => {
    // Almanac of Chicago (41.88° N, 87.63° W), from memory: sunset on 8 October at 6:23 pm, on 21 December at 4:23 pm.
    const local = (month: number, date: number, offset: number): string =>
      new Date(sunAt(Date.UTC(2026, month - 1, date, 18), [-87.63, 41.88])!.setMs + offset * 3_600_000).toISOString().slice(11, 16); // prettier-ignore
    const minutes = (text: string): number => 60 * Number(text.slice(0, 2)) + Number(text.slice(3));
    expect(Math.abs(minutes(local(10, 8, -5)) - (18 * 60 + 23))).toBeLessThanOrEqual(3);
    expect(Math.abs(minutes(local(12, 21, -6)) - (16 * 60 + 23))).toBeLessThanOrEqual(3);
  });
  it('is none where the sun does not set', () => {
    expect(sunAt(Date.UTC(2026, 5, 21, 12), [20, 78])).toBeNull();
  });
});
