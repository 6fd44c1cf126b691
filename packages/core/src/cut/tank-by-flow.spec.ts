import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type FlowMoment, tankByFlow } from './tank-by-flow.js';

const T0 = Date.UTC(2026, 8, 9, 15);
const moment = (second: number, flow: number, moisture = 0.2): FlowMoment => ({
  atMs: T0 + 1000 * second,
  flow,
  moisture,
  speed: 2,
});

describe('what the display put into the tank', () => {
  it('is the area under its flow, with the moisture by weight', () => {
    const figures = Array.from({ length: 61 }, (_, i) => moment(2 * i, i < 30 ? 5 : 10, i < 30 ? 0.18 : 0.21));
    const tank = tankByFlow(figures, T0);
    // Worked by hand: 29 steps of 5, one of 7.5, 30 of 10 kg/s, two seconds each.
    expect(tank.kg).toBeCloseTo(2 * (29 * 5 + 7.5 + 30 * 10), 9);
    expect(tank.moisture).toBeCloseTo((2 * 29 * 5 * 0.18 + 2 * 7.5 * 0.195 + 2 * 300 * 0.21) / 905, 9);
    expect(tank.rate).toBeCloseTo(36_000, 6);
    expect([tank.fromMs, tank.toMs, tank.silentSeconds]).toEqual([T0, T0 + 120_000, 0]);
  });
  it('begins again with each dump, and knows nothing of what came before', () => {
    const figures = Array.from({ length: 101 }, (_, i) => moment(i, 6));
    expect(tankByFlow(figures, T0 + 40_000).kg).toBeCloseTo(360, 9);
    expect(tankByFlow(figures, T0 + 500_000)).toEqual({
      kg: 0,
      moisture: null,
      rate: 0,
      fromMs: null,
      toMs: null,
      silentSeconds: 0,
    });
    expect(tankByFlow([], T0).kg).toBe(0);
  });
  it('counts no grain where the display was silent, and says for how long', () => {
    const tank = tankByFlow([moment(0, 8), moment(5, 8), moment(300, 8), moment(305, 8)], T0);
    expect([tank.kg, tank.silentSeconds]).toEqual([80, 295]);
  });
  it('two halves of a load are the load, wherever it is cut at a figure', () => {
    const flows = fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { minLength: 3, maxLength: 60 });
    fc.assert(
      fc.property(flows, fc.nat(), (list, cut) => {
        const figures = list.map((flow, i) => moment(2 * i, flow));
        const at = figures[cut % figures.length]!.atMs;
        const first = tankByFlow(
          figures.filter(({ atMs }) => atMs <= at),
          T0,
        ).kg;
        expect(first + tankByFlow(figures, at).kg).toBeCloseTo(tankByFlow(figures, T0).kg, 6);
      }),
      { seed: 20261126 },
    );
  });
  it('refuses figures that go back in time, and flows that no machine has', () => {
    expect(() => tankByFlow([moment(5, 4), moment(3, 4)], T0)).toThrow(/time of a figure/);
    expect(() => tankByFlow([moment(0, 400)], T0)).toThrow(/flow/);
  });
});
