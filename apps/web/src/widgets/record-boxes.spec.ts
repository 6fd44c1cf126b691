import { COMBINE_PROFILE, CUTTING_WINDOW, DELAY, FIELD_NAMES, KG_PER_LB, TRUCK_SETUP } from '@fanega/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { bushels, count, grainRate, mass, minutes, share } from '../quantity/quantity';
import { setReadersSystem } from '../quantity/system';
import { figureBox, figureOrNone, grainBox, moistureBox, recordErrors, textBox, weightBox } from './record-boxes';

vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => undefined, removeItem: () => undefined });
afterEach(() => setReadersSystem('us'));
/** kg of a bushel of corn */
const CORN = 25.40117272;

describe('boxes of a record', () => {
  it('have the record’s own limits, said in the reader’s units', () => {
    const box = figureBox(DELAY.fields.minutes, minutes);
    expect([box.read('30'), box.read('0'), box.read('')]).toEqual([
      { value: 30 },
      { error: 'From 1 to 1,440 min' },
      { error: 'How many min?' },
    ]);
    const tank = () => figureBox(COMBINE_PROFILE.fields.tankBu, bushels, { per: CORN });
    expect(tank().read('2001')).toEqual({ error: 'From 1 to 2,000 bu' });
    setReadersSystem('metric');
    expect(tank().read('60')).toEqual({ error: 'From 0.03 to 50.80 t' });
    expect(tank().read('8.89').value).toBeCloseTo(8890 / CORN, 6);
  });
  it('record in the record’s unit, and leave what was not changed as it was', () => {
    const was = 34_000.000_001;
    const limit = figureBox(TRUCK_SETUP.fields.tandemLb, mass, { times: 1 / KG_PER_LB, was });
    expect(limit.read('36,000')).toEqual({ value: 36_000 });
    expect(limit.read('16 t').value).toBeCloseTo(16_000 / KG_PER_LB, 6);
    expect(limit.read('500').error).toBe('From 1,000 to 200,000 lb');
    setReadersSystem('metric');
    const metric = figureBox(TRUCK_SETUP.fields.tandemLb, mass, { times: 1 / KG_PER_LB, was });
    expect(metric.read(mass.text(was * KG_PER_LB)).value).toBeCloseTo(was, 6);
    const rate = figureBox(COMBINE_PROFILE.fields.goodRate, grainRate, { per: CORN, times: CORN });
    expect(rate.read('20 t/h').value).toBeCloseTo(20_000, 6);
  });
  it('may stay empty where they may, and are whole where the record wants it', () => {
    expect(figureOrNone(CUTTING_WINDOW.fields.dockStep, count).read(' ')).toEqual({});
    expect(figureBox(FIELD_NAMES.season, count).read('2026.5')).toEqual({ error: 'A whole number' });
    expect(textBox(FIELD_NAMES.tag, 'The tag is missing').read('  ')).toEqual({ error: 'The tag is missing' });
    expect(textBox(FIELD_NAMES.tag).control).toEqual({ maxLength: 4 });
    expect(() => textBox(FIELD_NAMES.acres as never)).toThrow('bug');
    expect(() => figureBox(FIELD_NAMES.tag, share)).toThrow('bug');
  });
  it('read moisture, weight and grain as people say them', () => {
    expect(moistureBox('Missing').read('')).toEqual({ error: 'Missing' });
    expect(moistureBox().read('')).toEqual({});
    expect(moistureBox().read('0.165').error).toBe('Type it in percent: 16.5');
    expect(weightBox('lb', CORN, 'How much?').read('56,000').value).toBeCloseTo(25_401.17272, 4);
    expect(weightBox('lb', CORN, 'How much?').read('')).toEqual({ error: 'How much?' });
    const some = grainBox(CORN, (much) => (much > 300 ? 'More than was in it' : undefined));
    expect([some.read('0').error, some.read('400').error]).toEqual(['How many bu?', 'More than was in it']);
    expect(some.read('100').value).toBeCloseTo(2540.117272, 6);
  });
  it('say what the record’s own check says, at the field, as the server does', () => {
    const window = {
      tooDryBelow: 0.1,
      bestFrom: 0.16,
      bestTo: 0.15,
      refuseAbove: 0.2,
      price: 4,
      shrinkPerPoint: 1.4,
      dockPerPoint: 0.04,
    };
    expect(recordErrors(CUTTING_WINDOW, window)).toEqual({
      bestFrom: 'The limits must rise: too dry, best from, best to, refused above.',
    });
    expect(recordErrors(CUTTING_WINDOW, { ...window, bestFrom: 0.12 })).toEqual({});
  });
});
