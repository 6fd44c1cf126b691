import { describe, expect, it } from 'vitest';
import {
  bulkDensity,
  CROP_IDS,
  CROPS,
  cropOf,
  defineCrop,
  GRADES,
  requireCrop,
  safeMoisture,
  specificHeat,
  usGrade,
} from './index.js';

describe('crops', () => {
  it('each has an id of its own, believable numbers, and keeps longer the drier it is', () => {
    for (const id of CROP_IDS) {
      const crop = CROPS[id];
      expect([crop.id, crop.like]).toEqual([id, id]);
      expect(crop.emptyingDegrees).toBeGreaterThanOrEqual(crop.reposeDegrees);
      const moistures = crop.safeMoistures.map((row) => row.moisture);
      expect(moistures).toEqual([...moistures].sort((a, b) => b - a));
      expect(specificHeat(crop, 0.2)).toBeGreaterThan(specificHeat(crop, 0.1));
      expect(bulkDensity(crop, crop.baseMoisture)).toBeGreaterThan(350);
    }
  });
  it('one of the farm’s own takes everything else from the crop that it is like', () => {
    const popcorn = defineCrop({ id: 'popcorn', name: 'Popcorn', like: 'corn', baseMoisture: 0.14, kernelGrams: 0.15 });
    expect(popcorn).toMatchObject({
      short: 'popcorn',
      like: 'corn',
      legalPounds: 56,
      baseMoisture: 0.14,
      reposeDegrees: 23,
    });
    expect(safeMoisture(popcorn, 12)).toBe(0.14);
    expect(cropOf('popcorn')).toBeUndefined();
    expect(() => defineCrop({ id: 'x', name: 'X', like: 'corn', legalPounds: 900 })).toThrow(
      /legal bushel weight is 900 lb\/bu/,
    );
    expect(() => defineCrop({ id: 'x', name: 'X', like: 'maize' as 'corn' })).toThrow(
      /crop "maize" is not known; known are corn, soybean/,
    );
    expect(() => requireCrop('')).toThrow(/crop "" is not known/);
  });
  it('a test weight that was measured decides over any curve', () => {
    expect(bulkDensity(CROPS.corn, 0.15, 60)).toBeCloseTo(772.3, 1);
    // Outside the measured moistures the end of the curve holds.
    expect(bulkDensity(CROPS.corn, 0.45)).toBe(bulkDensity(CROPS.corn, 0.35));
    expect(bulkDensity(CROPS.soybean, 0.1)).toBe(bulkDensity(CROPS.soybean, 0.2));
  });
});

describe('US grades', () => {
  it('the worst factor decides, by name, and what was not given is said', () => {
    expect(usGrade('corn', { 'test weight': 57, damaged: 6, 'broken corn and foreign material': 3.5 })).toEqual({
      grade: 3,
      decidedBy: ['damaged', 'broken corn and foreign material'],
      notGiven: ['heat-damaged'],
    });
    expect(
      usGrade('corn', { 'test weight': 57, 'heat-damaged': 0, damaged: 1, 'broken corn and foreign material': 1 }),
    ).toEqual({ grade: 1, decidedBy: [], notGiven: [] });
    expect(usGrade('soybean', { damaged: 9 })).toMatchObject({ grade: null, decidedBy: ['damaged'] });
  });
  it('heat damage holds by itself, beside total damage of which it is a part', () => {
    expect(usGrade('corn', { damaged: 2, 'heat-damaged': 0.4 })).toMatchObject({
      grade: 3,
      decidedBy: ['heat-damaged'],
    });
  });
  it('limits get looser from grade to grade, and unknown factors are refused', () => {
    for (const rows of Object.values(GRADES))
      for (const { kind, limits } of rows)
        expect([...limits].sort((a, b) => (kind === 'most' ? a - b : b - a))).toEqual(limits);
    expect(() => usGrade('corn', { splits: 3 })).toThrow(/grade factor "splits" is not known/);
    expect(() => usGrade('canola', {})).toThrow(/graded crop "canola" is not known/);
    expect(() => usGrade('corn', { damaged: 160 })).toThrow(/damaged is 160 %/);
  });
});
