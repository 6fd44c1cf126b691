import { describe, expect, it } from 'vitest';
import { farmView, type FarmState, kgPerBushelOf } from '../ledger/index.js';
import { ticketQuestions, ticketsOnTape } from './ticket-questions.js';

const KG = kgPerBushelOf('corn');
const wetKg = 900 * KG;
const farm = farmView({
  farm: { id: 'f', name: 'Kestrel Levee', timeZone: 'America/Chicago', demo: false, defaults: { moisture: 0.15, trust: [] } },
  lots: [{ id: 'corn', fieldId: 'corn', fieldName: 'corn', acres: 60, crop: 'corn', season: 2026, variety: '', tag: 'C', shares: [] }],
  places: [{ id: 'truck', name: 'Truck', kind: 'truck', capacityBu: 940 }, { id: 'mill', name: 'Mill', kind: 'buyer', capacityBu: null }, { id: 'river', name: 'River', kind: 'buyer', capacityBu: null }], // prettier-ignore
  positions: { truck: { wetKg, dryKg: wetKg * 0.83, moisture: 0.17, layers: 1, lots: { corn: wetKg * 0.83 }, wetLots: { corn: wetKg } } },
  seq: 1, now: 0, layers: {}, flow: {},
  tape: [
    { seq: 1, voided: false, wetKg, dryKg: 1, wetLots: { corn: wetKg }, witnesses: [], entry: { type: 'move', id: '1', at: '', from: 'truck', to: 'mill', ticket: '4711', pricePerBu: 4.4 } },
    { seq: 2, voided: true, wetKg, dryKg: 1, wetLots: { corn: wetKg }, witnesses: [], entry: { type: 'move', id: '2', at: '', from: 'truck', to: 'mill', ticket: '5000' } },
  ],
} as unknown as FarmState); // prettier-ignore
const asked = (more: object) =>
  ticketQuestions(farm, { from: 'truck', to: 'mill', emptied: true, wetKg, ...more }, ticketsOnTape(farm)).map(
    ({ what }) => what,
  );

describe('what is asked before a ticket is taken', () => {
  it('a number that the buyer gave already; the same number of another buyer, or of a voided load, is none', () => {
    expect(asked({ ticket: ' 4711' })).toEqual(['same_number']);
    expect(asked({ ticket: '4711', to: 'river' })).toEqual([]);
    expect(asked({ ticket: '5000' })).toEqual([]);
  });
  it('a weight a tenth from the book, where the truck came home empty', () => {
    expect(asked({ wetKg: wetKg * 0.92 })).toEqual([]);
    expect(asked({ wetKg: wetKg * 1.12 })).toEqual(['weight_far']);
    expect(asked({ wetKg: wetKg * 0.5, emptied: false })).toEqual([]);
  });
  it('45 % moisture, three points from the book’s, and $44 a bushel', () => {
    expect(asked({ moisture: 0.45 })).toEqual(['moisture_far']);
    expect(asked({ moisture: 0.205 })).toEqual(['moisture_far']);
    expect(asked({ moisture: 0.18 })).toEqual([]);
    expect(asked({ pricePerBu: 44 })).toEqual(['price_far']);
    expect(asked({ pricePerBu: 4.9 })).toEqual([]);
    expect(ticketQuestions(farm, { from: 'truck', to: 'mill', pricePerBu: 44 }, []).map(({ what }) => what)).toEqual(['price_far']); // prettier-ignore
    expect(ticketQuestions(farm, { from: 'truck', to: 'mill', pricePerBu: 9 }, [])).toEqual([]);
  });
});
