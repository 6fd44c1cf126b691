import type { HaulAnswer, Notebook } from '@fanega/contract';
import { describe, expect, it } from 'vitest';
import { bridgeText, loadedAxles, rulesOf, taresOf, toKg, USUAL_RULES } from './weigh-facts';

const LB = 0.45359237;

describe('weights of the bridge', () => {
  it('are spoken and read in pounds or in tonnes, and come back as they were', () => {
    expect([bridgeText(22_733.2, 'lb'), bridgeText(22_733.2, 't')]).toEqual(['50,118 lb', '22.73 t']);
    expect(toKg(50_120, 'lb')).toBeCloseTo(50_120 * LB, 9);
    expect(toKg(36.2, 't')).toBeCloseTo(36_200, 9);
  });
  it('are judged by the farm’s rules, or by the usual ones', () => {
    expect(rulesOf({ weightRules: undefined } as unknown as Notebook)).toBe(USUAL_RULES);
    const own = { ...USUAL_RULES, unit: 't' as const };
    expect(rulesOf({ weightRules: { revision: 1, sheet: own } } as unknown as Notebook)).toBe(own);
  });
  it('empty ones are a truck’s own, of all its combinations, and none that was taken back', () => {
    const tare = (id: string, machineId: string, voided = false) => ({
      kind: 'tare',
      by: 'Ames',
      voided,
      body: { id, at: '2026-09-01T12:00:00Z', machineId, combination: `${machineId}, hopper`, axlesKg: [4600, 1900, 1900] },
    });
    const notebook = { notes: [tare('a', 'truck-1'), tare('b', 'truck-2'), tare('c', 'truck-1', true), { kind: 'pair', voided: false, body: {} }] } as unknown as Notebook;
    expect(taresOf(notebook, 'truck-1').map(({ id, combination, weighing, by }) => [id, combination, weighing, by])).toEqual([
      ['a', 'truck-1, hopper', { kind: 'axles', kg: [4600, 1900, 1900] }, 'Ames'],
    ]);
  });
  it('the history of a combination’s axles is what was weighed by axle and still stands', () => {
    const ticket = (combination: string, grossKg: number[], voided = false) => ({ combination, grossKg, voided });
    const haul = { tickets: [ticket('A', [1, 2]), ticket('A', [3]), ticket('A', [5, 6], true), ticket('B', [7, 8])] } as unknown as HaulAnswer;
    expect(loadedAxles(haul, 'A')).toEqual([[1, 2]]);
  });
});
