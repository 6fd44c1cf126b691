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
