import { emptyWeightsOf, type HaulWithTickets, loadedAxles, USUAL_WEIGHT_RULES, weightRulesOf } from '../src/index.js';
import { describe, expect, it } from 'vitest';
import { kept, recordsOf } from './farm-records.js';

describe('weights of the truck scale', () => {
  it('are judged by the farm’s rules, or by the usual ones', () => {
    expect(weightRulesOf(recordsOf())).toBe(USUAL_WEIGHT_RULES);
    const own = { ...USUAL_WEIGHT_RULES, unit: 't' as const };
    expect(weightRulesOf(recordsOf({}, { weightRules: { farm: own } }))).toBe(own);
  });
  it('empty ones are a truck’s own, of all its combinations, and none that was taken back', () => {
    const tare = (id: string, machineId: string, voided = false) =>
      kept(
        { id, at: '2026-09-01T12:00:00Z', machineId, combination: `${machineId}, hopper`, axlesKg: [4600, 1900, 1900] },
        voided,
        'Ames',
      );
    const notebook = recordsOf({
      emptyWeight: [tare('a', 'truck-1'), tare('b', 'truck-2'), tare('c', 'truck-1', true)],
    });
    expect(
      emptyWeightsOf(notebook, 'truck-1').map(({ id, combination, weighing, by }) => [id, combination, weighing, by]),
    ).toEqual([['a', 'truck-1, hopper', { kind: 'axles', kg: [4600, 1900, 1900] }, 'Ames']]);
  });
  it('the history of a combination’s axles is what was weighed by axle and still stands', () => {
    const ticket = (combination: string, grossKg: number[], voided = false) => ({ combination, grossKg, voided });
    const haul = {
      tickets: [ticket('A', [1, 2]), ticket('A', [3]), ticket('A', [5, 6], true), ticket('B', [7, 8])],
    } as unknown as HaulWithTickets;
    expect(loadedAxles(haul, 'A')).toEqual([[1, 2]]);
  });
});
