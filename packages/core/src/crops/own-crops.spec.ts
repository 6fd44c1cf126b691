import { describe, expect, it } from 'vitest';
import { bookFromJson, kgPerBushelOf, Ledger } from '../ledger/index.js';
import { checkRecord, CUTTING_WINDOW, OWN_CROP, windowSubject } from '../records/index.js';
import {
  CROP_IDS,
  cropOf,
  cropOfOwn,
  CROPS,
  farmCrops,
  isOwnCropId,
  knowCrops,
  type OwnCrop,
  ownCropId,
  ownCropsKnown,
  safeMoisture,
} from './index.js';

const RYE: OwnCrop = {
  id: ownCropId('01KBAAAAAAAAAAAAAA7Q2R9Y3E'),
  name: 'Rye',
  short: 'rye',
  like: 'wheat',
  legalPounds: 56,
  baseMoisture: 0.14,
  testWeight: 56,
};

describe('a crop of the farm’s own', () => {
  it('has an id as long as the longest of the others, and is known by it once it was told', () => {
    expect(RYE.id).toBe('o7q2r9y3e');
    expect(RYE.id).toHaveLength(Math.max(...CROP_IDS.map((id) => id.length)));
    expect([RYE.id, 'oats', 'o7q2r9y3', 'o7q2r9yil'].map(isOwnCropId)).toEqual([true, false, false, false]);
    expect(cropOf('o00000000')).toBeUndefined();
    knowCrops([RYE]);
    expect(cropOf(RYE.id)).toMatchObject({ name: 'Rye', like: 'wheat', baseMoisture: 0.14, legalPounds: 56 });
    // What nobody said is as of wheat, and the lists of all crops stay as they are.
    expect(safeMoisture(cropOf(RYE.id)!, 6)).toBe(safeMoisture(CROPS.wheat, 6));
    expect(Object.keys(CROPS)).toEqual([...CROP_IDS]);
    expect(kgPerBushelOf(RYE.id)).toBeCloseTo(56 * 0.45359237, 9);
    // Told again with other figures it has those.
    knowCrops([{ ...RYE, baseMoisture: 0.13 }]);
    expect(cropOf(RYE.id)!.baseMoisture).toBe(0.13);
    expect(ownCropsKnown().map(({ id }) => id)).toContain(RYE.id);
  });

  it('is offered behind those that everybody has, until it is grown no more', () => {
    expect(farmCrops([RYE]).map(({ id }) => id)).toEqual([...CROP_IDS, RYE.id]);
    expect(farmCrops([{ ...RYE, putAway: true }]).map(({ id }) => id)).toEqual([...CROP_IDS]);
    expect(farmCrops()).toHaveLength(CROP_IDS.length);
  });

  it('that no grain can be is not taken, nor one under a name that is there', () => {
    expect(() => cropOfOwn({ ...RYE, legalPounds: 900 })).toThrow(/legal bushel weight is .* it must lie between/);
    knowCrops([{ ...RYE, id: 'obbbbbbbb', legalPounds: 900 }]);
    expect(cropOf('obbbbbbbb')).toBeUndefined();
    const { id: _, ...body } = RYE;
    expect(checkRecord(OWN_CROP, body)).toEqual([]);
    expect(checkRecord(OWN_CROP, { ...body, name: ' corn ' })).toMatchObject([{ field: 'name', rule: 'crop_is_there_already' }]); // prettier-ignore
    expect(checkRecord(OWN_CROP, { ...body, short: 'milo' })).toMatchObject([{ field: 'short' }]);
    expect(checkRecord(OWN_CROP, { ...body, like: RYE.id as never })).toMatchObject([{ field: 'like', code: 'not_in_list' }]); // prettier-ignore
  });

  it('stands in records where a crop stands, and nothing else does', () => {
    expect(windowSubject(`${RYE.id}@mill`)).toEqual({ crop: RYE.id, buyerId: 'mill' });
    expect(windowSubject('rye')).toBeNull();
    expect(CUTTING_WINDOW.subject).toBe('cropAndBuyer');
  });

  it('goes with the book, which anybody can read by it; a book with one that cannot be is refused', () => {
    const book = {
      format: 'fanega-book',
      version: 1,
      defaults: { crops: [{ ...RYE, id: 'occccccc1', legalPounds: 50 }] },
      lots: [{ id: 'A', crop: 'occccccc1' }],
      places: [{ id: 'b', kind: 'bin' }],
      entries: [],
    };
    expect(cropOf('occccccc1')).toBeUndefined();
    Ledger.of(bookFromJson(book));
    expect(kgPerBushelOf('occccccc1')).toBeCloseTo(50 * 0.45359237, 9);
    const wrong = (crops: unknown) => () => bookFromJson({ ...book, defaults: { crops } });
    expect(wrong({})).toThrow(/crops/);
    expect(wrong([{ ...RYE, legalPounds: 900 }])).toThrow(/crops/);
    expect(wrong([{ ...RYE, like: 'maize' }])).toThrow(/crops/);
    expect(wrong([{ ...RYE, id: 'rye' }])).toThrow(/crops/);
  });
});
