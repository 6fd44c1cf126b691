import { describe, expect, it } from 'vitest';
import {
  farmView,
  type FarmState,
  kgPerBushelOf,
  type LotInfo,
  type PlaceInfo,
  type Position,
} from '../ledger/index.js';
import { comingOf, intakeQuestions } from './intake.js';

const lot = (id: string, crop: string, owner = 'Kestrel Levee'): LotInfo => ({
  ...{ id, fieldId: id, fieldName: id, acres: 60, crop, season: 2026, variety: '', tag: id },
  shares: [{ owner, part: 1 }],
});
const place = (id: string, kind: string, capacityBu: number | null, reservedFor: string | null = null): PlaceInfo => ({
  ...{ id, name: id, kind, withdrawal: 'mixed', capacityBu, diameterM: null, eaveM: null, hopperM: null, reservedFor },
});
const holds = (lotId: string, bushels: number, crop: string, moisture: number): Position => {
  const wetKg = bushels * kgPerBushelOf(crop);
  const dryKg = wetKg * (1 - moisture);
  return { wetKg, dryKg, moisture, layers: 1, lots: { [lotId]: dryKg }, wetLots: { [lotId]: wetKg } };
};
const farm = farmView({
  farm: { id: 'f', name: 'Kestrel Levee', timeZone: 'America/Chicago', demo: false, defaults: { moisture: 0.15, trust: [] } },
  lots: [lot('corn', 'corn'), lot('beans', 'soybean'), lot('theirs', 'soybean', 'Tolland')],
  places: [place('beanBin', 'bin', 5000), place('cornBin', 'bin', 5000, 'corn'), place('wet', 'wetBin', 5000), place('cart', 'cart', 1000), place('truck', 'truck', 900), place('mill', 'buyer', null)], // prettier-ignore
  positions: { beanBin: holds('beans', 2000, 'soybean', 0.12), cart: holds('corn', 940, 'corn', 0.2), wet: holds('corn', 800, 'corn', 0.17) }, // prettier-ignore
  seq: 1, now: 0, layers: {}, tape: [], flow: { cut: {}, haul: {}, dry: {}, store: {}, sell: {} },
} as unknown as FarmState); // prettier-ignore
const asked = (entry: Parameters<typeof comingOf>[1]): string[] =>
  intakeQuestions(farm, comingOf(farm, entry)!).map(({ what }) => what);

describe('what is asked before grain goes into a place', () => {
  it('499 bu of 20 % corn into a bean bin: another crop, and a wet layer', () => {
    const wetKg = 499 * kgPerBushelOf('corn');
    expect(asked({ type: 'harvest', lot: 'corn', to: 'beanBin', wetKg, moisture: 0.2 })).toEqual([
      'other_crop',
      'wetter',
    ]);
    expect(asked({ type: 'move', from: 'cart', to: 'beanBin', wetKg })).toEqual(['other_crop', 'wetter']);
  });

  it('wetter beans on dry ones, a bin that is kept for corn, a neighbor’s beans, a truck that is too small', () => {
    const kg = kgPerBushelOf('soybean') * 300;
    expect(asked({ type: 'harvest', lot: 'beans', to: 'beanBin', wetKg: kg, moisture: 0.13 })).toEqual([]);
    expect(asked({ type: 'harvest', lot: 'beans', to: 'beanBin', wetKg: kg, moisture: 0.136 })).toEqual(['wetter']);
    expect(asked({ type: 'harvest', lot: 'beans', to: 'cornBin', wetKg: kg, moisture: 0.12 })).toEqual(['reserved']);
    expect(asked({ type: 'harvest', lot: 'theirs', to: 'beanBin', wetKg: kg, moisture: 0.12 })).toEqual([
      'other_owner',
    ]);
    expect(asked({ type: 'move', from: 'cart', to: 'truck' })).toEqual(['no_room']);
    // 918 bushels are two percent above the rating: a scale differs by as much.
    expect(asked({ type: 'move', from: 'cart', to: 'truck', wetKg: 917 * kgPerBushelOf('corn') })).toEqual([]);
  });

  it('wet grain is asked of no wet bin, and a buyer of nothing', () => {
    expect(asked({ type: 'move', from: 'cart', to: 'wet' })).toEqual([]);
    expect(asked({ type: 'move', from: 'cart', to: 'mill' })).toEqual([]);
    expect(comingOf(farm, { type: 'loss' })).toBeNull();
  });
});
