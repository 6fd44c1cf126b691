import { describe, expect, it } from 'vitest';
import { type FarmData, farmOf } from '../../data/farm';
import { words } from './words';

const BU = 56 * 0.45359237;
const place = (id: string, name: string, kind: string) => ({
  id,
  name,
  kind,
  withdrawal: 'mixed',
  capacityBu: null,
  diameterM: null,
  eaveM: null,
  hopperM: null,
});
const farm = farmOf('f', {
  farm: { defaults: { moisture: 0.15, trust: [] } },
  now: 0,
  lots: [
    {
      id: 'be',
      fieldId: 'F',
      fieldName: 'Buttonbush East',
      acres: 72,
      crop: 'corn',
      season: 2026,
      variety: '',
      tag: 'BE',
      shares: [],
    },
  ],
  places: [
    place('k1', 'Cart 1', 'cart'),
    place('t1', 'Truck 1', 'truck'),
    place('mill', 'Mill', 'buyer'),
    place('d', 'Dryer', 'dryer'),
  ],
  positions: {
    k1: { wetKg: 700 * BU, dryKg: 0, moisture: 0.2, layers: 1, lots: { be: 1 }, wetLots: { be: 700 * BU } },
  },
} as unknown as FarmData);

describe('what a tap will record, in one line', () => {
  it('names what goes where, how much of it, and what stays', () => {
    expect(words(farm, { kind: 'move', from: 'k1', to: 't1', wetKg: 640 * BU, staysKg: 60 * BU })).toBe(
      'Cart 1 → Truck 1, 640 bu; 60 bu stay',
    );
    expect(words(farm, { kind: 'move', from: 'k1', to: 't1', staysKg: 0 })).toBe('Cart 1 → Truck 1, 700 bu');
    expect(words(farm, { kind: 'cut', lot: 'be', to: 'k1', wetKg: 1, moisture: 0.2 })).toBe(
      'Cut Buttonbush East into Cart 1 …',
    );
    expect(words(farm, { kind: 'deliver', from: 't1', to: 'mill' })).toBe('Ticket at Mill …');
    expect(words(farm, { kind: 'dry', place: 'd', to: 0.15 })).toBe('Dryer: dried to 15.0 %');
  });
});
