import { describe, expect, it } from 'vitest';
import { lineByHour, lineThen } from './index.js';

const ZONE = 'America/Chicago';
/** 8 September 2026 by the farm's clock, five hours behind. */
const at = (hour: number, minute = 0): number => Date.UTC(2026, 8, 8, hour + 5, minute);
const trip = (hour: number, minutes: number) => ({ atMs: at(hour, 30), minutes });
const HAUL = { tarpMin: 4 };

describe('line and dump at a buyer', () => {
  const trips = [trip(8, 46), trip(8, 50), trip(11, 86), trip(11, 96), trip(11, 106), trip(16, 40)];
  it('is what is left after tarp and road, by the hour of the ticket', () => {
    expect(lineByHour({ trips }, HAUL, 30, ZONE)).toEqual([
      { hour: 8, loads: 2, minutes: 14 },
      { hour: 11, loads: 3, minutes: 62 },
      { hour: 16, loads: 1, minutes: 6 },
    ]);
  });
  it('of an hour with the hours beside it, else of all hours together, else nobody knows', () => {
    expect(lineThen({ trips }, HAUL, 30, ZONE, at(10))).toEqual({ minutes: 62, loads: 3, ofHour: true });
    // Two loads about eight say too little: the median of all six.
    expect(lineThen({ trips }, HAUL, 30, ZONE, at(8))).toEqual({ minutes: (16 + 52) / 2, loads: 6, ofHour: false });
    expect(lineThen({ trips: trips.slice(0, 2) }, HAUL, 30, ZONE, at(8))).toBeNull();
    expect(lineThen(undefined, HAUL, 30, ZONE, at(8))).toBeNull();
  });
  it('a road that is longer than it took leaves nothing, and no less', () => {
    expect(lineByHour({ trips: [trip(8, 20)] }, HAUL, 30, ZONE)).toEqual([{ hour: 8, loads: 1, minutes: 0 }]);
  });
});
