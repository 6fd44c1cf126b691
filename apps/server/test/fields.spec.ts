import type { FarmHeaderAnswer } from '@fanega/contract';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, Harness, smallFarm } from './harness.js';

let harness: Harness;
let owner: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  p = await smallFarm(owner, farmId);
});
afterAll(() => harness.stop());

const at = (path: string): string => `/farms/${farmId}/${path}`;
const fields = async () => (await owner.get<FarmHeaderAnswer>(at('header'))).body.lots;
const add = async (name: string, tag: string, season = 2026) => (await owner.post<{ lotId: string; fieldId: string }>(at('fields'), { name, acres: 40, crop: 'corn', tag, season })).body; // prettier-ignore

describe('a field that was typed by mistake', () => {
  it('is taken out, and its name and tag are free again', async () => {
    const { lotId } = await add('Wrong Bottom', 'WB');
    expect((await owner.post(at(`lots/${lotId}/remove`))).status).toBe(200);
    expect((await fields()).map(({ fieldName }) => fieldName).sort()).toEqual(['Heron Slough', 'Pecan Turn']);
    expect((await owner.post(at(`lots/${lotId}/remove`))).status).toBe(404);
    expect((await add('Wrong Bottom', 'WB')).lotId).toBeTruthy();
  });

  it('stays where anything was recorded for it: a load, also a voided one, or a reading', async () => {
    const load = { id: ulid(), type: 'harvest', lot: p.hs, to: p.cart, wetKg: 500, moisture: 0.15, at: '2026-09-10T12:00:00Z' }; // prettier-ignore
    await owner.post(at('entries'), { entries: [load] });
    await owner.post(at('entries'), { entries: [{ id: ulid(), type: 'void', voids: load.id, at: load.at }] });
    const refused = await owner.post<{ code: string }>(at(`lots/${p.hs}/remove`));
    expect([refused.status, refused.body.code]).toEqual([409, 'id_used_otherwise']);
    const lot = (await fields()).find(({ id }) => id === p.pt)!;
    const reading = { id: ulid(), at: '2026-09-01T12:00:00Z', fieldId: lot.fieldId, moisture: 0.2, source: 'hand' }; // prettier-ignore
    expect((await owner.post(at('fields/reading'), reading)).status).toBe(200);
    expect((await owner.post(at(`lots/${p.pt}/remove`))).status).toBe(409);
    expect((await fields()).map(({ id }) => id)).toEqual(expect.arrayContaining([p.hs, p.pt]));
  });

  it('of one season only leaves the field its other seasons', async () => {
    const { fieldId } = await add('Two Seasons', 'TS', 2025);
    const lots = await fields();
    const begun = await owner.post(at('seasons'), { season: 2026, lots: [{ fieldId, crop: 'soybean', tag: 'TS', variety: '' }] }); // prettier-ignore
    expect(begun.status, JSON.stringify(begun.body)).toBe(201);
    const now = (await fields()).find((lot) => lot.fieldId === fieldId && lot.season === 2026)!;
    expect((await owner.post(at(`lots/${now.id}/remove`))).status).toBe(200);
    expect((await fields()).filter((lot) => lot.fieldId === fieldId).map(({ season }) => season)).toEqual([2025]);
    expect(lots.length).toBeGreaterThan(0);
  });

  it('is taken out by a manager', async () => {
    const operator = await harness.member(farmId, 'operator');
    expect((await operator.post(at(`lots/${p.pt}/remove`))).status).toBe(403);
  });
});

describe('a crop of the farm’s own', () => {
  const RYE = { name: 'Rye', short: 'rye', like: 'wheat', legalPounds: 56, baseMoisture: 0.14, testWeight: 56 };
  const ID = 'o7q2r9y3e';
  const setTo = (value: object, revision: number, id = ID) => owner.put<{ revision: number; issues?: { field: string }[] }>(at(`fields/own-crop/${id}`), { revision, value }); // prettier-ignore

  it('is grown, cut and read like any other; its figures are told with the farm, and its book carries it', async () => {
    expect((await setTo({ ...RYE, name: 'Corn' }, 0)).body.issues).toMatchObject([{ field: 'name' }]);
    expect((await setTo({ ...RYE, legalPounds: 900 }, 0)).status).toBe(400);
    expect((await setTo(RYE, 0, 'rye')).status).toBe(400);
    expect((await setTo(RYE, 0)).body).toEqual({ revision: 1 });
    const header = (await owner.get<FarmHeaderAnswer>(at('header'))).body;
    expect(header.farm.defaults.crops).toEqual([{ id: ID, ...RYE }]);
    const { lotId } = (await owner.post<{ lotId: string }>(at('fields'), { name: 'Rye Bottom', acres: 40, crop: ID, tag: 'RY', season: 2026 })).body; // prettier-ignore
    const load = { id: ulid(), type: 'harvest', lot: lotId, to: p.cart, wetKg: 560 * 45.359237, moisture: 0.14, at: '2026-07-10T12:00:00Z' }; // prettier-ignore
    expect((await owner.post(at('entries'), { entries: [load] })).status).toBe(200);
    const year = (await owner.get<{ crop: string; storedBu: number }[]>(at('year/costs?season=2026'))).body;
    expect(Array.isArray(year)).toBe(true);
    expect((await owner.put(at(`fields/cutting-window/${ID}`), { revision: 0, value: { tooDryBelow: 0.1, bestFrom: 0.12, bestTo: 0.14, refuseAbove: 0.18, price: 6, shrinkPerPoint: 1.2, dockPerPoint: 0.05 } })).status).toBe(200); // prettier-ignore
    const book = (await owner.get<{ defaults: { crops: object[] } }>(at('book'))).body;
    expect(book.defaults.crops).toEqual([{ id: ID, ...RYE }]);
    // Another farm takes the book with its crop, and not the crop alone.
    const other = await Harness.start();
    const { client, farmId: there } = await other.owner();
    const strange = await client.post<{ issues: { field: string }[] }>(`/farms/${there}/fields`, { name: 'X', acres: 1, crop: ID, tag: 'XX', season: 2026 }); // prettier-ignore
    expect([strange.status, strange.body.issues[0]?.field]).toEqual([400, 'crop']);
    const window = await client.put(`/farms/${there}/fields/cutting-window/${ID}`, { revision: 0, value: {} });
    expect(window.status).toBe(400);
    expect((await client.post(`/farms/${there}/book`, { ...book, defaults: { ...book.defaults, crops: [{ ...book.defaults.crops[0], name: 'x'.repeat(31) }] } })).status).toBe(422); // prettier-ignore
    await client.post(`/farms/${there}/book`, book);
    expect((await client.get<{ defaults: object }>(`/farms/${there}/book`)).body.defaults).toEqual(book.defaults);
    await other.stop();
    await owner.post(at('entries'), { entries: [{ id: ulid(), type: 'void', voids: load.id, at: load.at }] });
    expect((await owner.post(at(`lots/${lotId}/remove`))).status).toBe(409);
  });

  it('takes one answer of two who change it at once', async () => {
    expect((await setTo({ ...RYE, baseMoisture: 0.135 }, 1)).body).toEqual({ revision: 2 });
    expect((await setTo({ ...RYE, baseMoisture: 0.13 }, 1)).status).toBe(409);
    expect((await setTo({ ...RYE, baseMoisture: 0.135, putAway: true }, 2)).status).toBe(200);
  });
});
