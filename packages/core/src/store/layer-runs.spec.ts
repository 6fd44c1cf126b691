import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layerRuns, type LayerSaid } from './layer-runs.js';

const layer = (lots: Record<string, number>, moisture: number | null = 0.15): LayerSaid => ({
  wetKg: Object.values(lots).reduce((sum, kg) => sum + kg, 0),
  moisture,
  wetLots: lots,
});

describe('neighboring layers of the same fields', () => {
  it('are one run, from its driest to its wettest load', () => {
    const runs = layerRuns([
      layer({ a: 100 }, 0.16),
      layer({ a: 50 }, 0.148),
      layer({ b: 10 }, 0.2),
      layer({ a: 5 }, 0.15),
    ]);
    expect(runs).toEqual([
      { layers: 2, wetKg: 150, driest: 0.148, wettest: 0.16, wetLots: { a: 150 } },
      { layers: 1, wetKg: 10, driest: 0.2, wettest: 0.2, wetLots: { b: 10 } },
      { layers: 1, wetKg: 5, driest: 0.15, wettest: 0.15, wetLots: { a: 5 } },
    ]);
  });

  it('mixed of the same two fields are one run, whichever is named first', () => {
    const [run, ...rest] = layerRuns([layer({ a: 30, b: 70 }, null), layer({ b: 10, a: 5 }, null)]);
    expect(rest).toEqual([]);
    expect(run).toEqual({ layers: 2, wetKg: 115, driest: null, wettest: null, wetLots: { a: 35, b: 80 } });
  });

  it('stay apart where one of them must', () => {
    const layers = [layer({ a: 1 }), layer({ a: 500 }), layer({ a: 2 }), layer({ a: 3 })];
    expect(layerRuns(layers, ({ wetKg }) => wetKg < 100).map(({ wetKg }) => wetKg)).toEqual([1, 500, 5]);
  });

  it('take a field called like a part of JavaScript', () => {
    expect(layerRuns([layer(JSON.parse('{"__proto__": 4}') as Record<string, number>)])[0]!.wetLots).toHaveProperty(
      ['__proto__'],
      4,
    );
  });

  it('keep every layer and every kilogram, and no two neighbors are of the same fields', () => {
    const one = fc.record({ a: fc.integer({ min: 0, max: 9 }), b: fc.integer({ min: 0, max: 9 }) });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 30 }), (given) => {
        const layers = given.map(({ a, b }) => layer({ ...(a > 4 ? { a } : {}), ...(b > 4 ? { b } : {}) }));
        const runs = layerRuns(layers);
        expect(runs.reduce((sum, run) => sum + run.layers, 0)).toBe(layers.length);
        expect(runs.reduce((sum, run) => sum + run.wetKg, 0)).toBe(layers.reduce((sum, { wetKg }) => sum + wetKg, 0));
        const lots = runs.map((run) => Object.keys(run.wetLots).sort().join());
        expect(lots.filter((key, i) => i > 0 && key === lots[i - 1])).toEqual([]);
      }),
      { seed: 13, numRuns: 200 },
    );
  });
});
