import { describe, expect, it } from 'vitest';
import { CROPS } from '../crops/index.js';
import type { Aeration } from '../records/index.js';
import { type AerationInput, aerationPlan, type AirHour, cycleBegan, fanHours, USUAL_AERATION } from './index.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const NOW = Date.UTC(2026, 9, 20, 18);
/** Three days: afternoons of 20 °C at 45 %, nights of 6 °C at 85 %. */
const air: AirHour[] = Array.from({ length: 72 }, (_, h) => {
  const swing = Math.cos((h * Math.PI) / 12);
  return { atMs: NOW + h * HOUR, temperature: 13 + 7 * swing, humidity: 0.65 - 0.2 * swing };
});
const plan = (more: Partial<AerationInput> = {}, rules: Partial<Aeration> = {}) =>
  aerationPlan({
    crop: CROPS.corn, moisture: 0.15, celsius: 20, hotSpot: null, air, fanHeat: 1, cfmPerBushel: 0.25, hoursRun: 0, kilowatts: 4, powerPrice: 0.12, nowMs: NOW, ...more,
    rules: { ...USUAL_AERATION, ...rules },
  }); // prettier-ignore

describe('the fan of stored grain', () => {
  it('waits for the cool hours of the night and leaves out those that wet the grain', () => {
    const seen = plan({}, { mostRewet: 3 });
    expect(seen.now).toBe('wait');
    for (const { does, runs } of seen.hours)
      expect(runs).toBe(does.air.temperature <= 14.4 && does.air.temperature >= 2 && does.points <= 3);
    expect(seen.windows.length).toBeGreaterThanOrEqual(2);
    // Where not a tenth of a point may come back, there are fewer hours.
    const dry = plan({}, { mostRewet: -1 });
    expect(dry.hours.filter(({ runs }) => runs).length).toBeLessThan(seen.hours.filter(({ runs }) => runs).length);
    expect(plan({}, { mostRewet: -5 }).now).toBe('no hour');
  });

  it('a hot spot outranks the limit of wetting: whatever air is cooler than it', () => {
    const seen = plan({ hotSpot: 38 }, { mostRewet: -5 });
    expect(seen.now).toBe('run now');
    for (const { does, runs } of seen.hours) expect(runs).toBe(does.air.temperature <= 38 - 5.6);
  });

  it('the schools: all the time, by window, off', () => {
    expect(plan({}, { mode: 'always' })).toMatchObject({
      now: 'run now',
      windows: [{ fromMs: NOW, untilMs: NOW + 72 * HOUR }],
    });
    expect(plan({}, { mode: 'off' })).toMatchObject({ now: 'off', windows: [] });
  });

  it('is through after the hours of its cycle, what ran already counted, and says kWh and dollars', () => {
    const seen = plan({ hoursRun: 40 }, { mode: 'always' });
    expect(seen.cycle).toEqual({ hours: 60, share: expect.closeTo(2 / 3, 9) as number, left: 20 });
    expect(seen.throughMs).toBe(NOW + 20 * HOUR);
    expect(seen.kWh).toBe(80);
    expect(seen.money).toBeCloseTo(9.6, 9);
    // Beyond the forecast nobody knows when.
    expect(plan({ cfmPerBushel: 0.1 }, { mode: 'always' }).throughMs).toBeNull();
    expect(plan({ cfmPerBushel: null })).toMatchObject({ cycle: null, throughMs: null, kWh: null });
  });

  it('leaves grain alone that is as cool as the air will make it, and without a forecast says so', () => {
    expect(plan({ celsius: 5 }).now).toBe('cool enough');
    expect(plan({ celsius: 1 }).now).toBe('cool enough');
    expect(plan({ celsius: 11 }).now).toBe('no hour');
    expect(plan({ air: [] }).now).toBe('no forecast');
  });
});

describe('fan hours by its switches', () => {
  const at = (hours: number, on: boolean) => ({ atMs: NOW + hours * HOUR, on });
  it('count from on to off, in whatever order they came, a second on changes nothing', () => {
    const switches = [at(-20, true), at(-10, false), at(-12, true), at(-4, true)];
    expect(fanHours(switches, NOW - 30 * HOUR, NOW)).toEqual({ hours: 14, on: true });
    expect(fanHours(switches, NOW - 2 * HOUR, NOW)).toEqual({ hours: 2, on: true });
    expect(fanHours([], NOW - DAY, NOW)).toEqual({ hours: 0, on: false });
  });
  it('a pause of more than ten days begins a new cycle', () => {
    expect(cycleBegan([at(-500, true), at(-480, false), at(-60, true), at(-50, false), at(-10, true)], NOW)).toBe(
      NOW - 60 * HOUR,
    );
    expect(cycleBegan([at(-500, true), at(-480, false)], NOW)).toBeNull();
    expect(cycleBegan([], NOW)).toBeNull();
  });
});
