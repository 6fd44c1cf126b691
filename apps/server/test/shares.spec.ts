import type { KeptShareInfo, NewLink, OwnerLinkInfo, SharedGrain } from '@fanega/contract';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { OwnerLinkRow } from '../src/features/store/index.js';
import { type Client, Harness, smallFarm } from './harness.js';

let harness: Harness;
let owner: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;
let theirs: { client: Client; farmId: string };

beforeAll(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  p = await smallFarm(owner, farmId);
  theirs = await harness.otherFarm();
  const shares = [{ owner: 'Test Levee', part: 0.6 }, { owner: 'Willow Bend', part: 0.4 }]; // prettier-ignore
  await owner.post(`/farms/${farmId}/revisions`, { id: ulid(), reason: 'the lease', change: { what: 'shares', lot: p.hs, shares } }); // prettier-ignore
  const at = '2026-09-10T12:00:00Z';
  await owner.post(`/farms/${farmId}/entries`, { entries: [{ id: ulid(), type: 'harvest', lot: p.hs, to: p.bin, wetKg: 10_000, moisture: 0.18, at }, { id: ulid(), type: 'harvest', lot: p.pt, to: p.bin, wetKg: 5000, moisture: 0.16, at: '2026-09-10T13:00:00Z' }] }); // prettier-ignore
});
afterAll(() => harness.stop());

const link = (body: object = {}) => owner.post<NewLink>(`/farms/${farmId}/owner-links`, { owner: 'Willow Bend', givenTo: 'Iwona', days: 365, ...body }); // prettier-ignore

describe('a shared bin site', () => {
  it('shows an owner his part of what lies there by a link, and nothing else', async () => {
    const { body, status } = await link();
    expect(status).toBe(201);
    const stranger = harness.client();
    const shown = (await stranger.get<SharedGrain>(`/grain/${body.secret}`)).body;
    expect(shown).toMatchObject({ farm: 'Test Levee', givenTo: 'Iwona', grain: { owner: 'Willow Bend' } });
    expect(shown.grain.lies).toMatchObject([{ name: 'Bin A', crop: 'corn', wetKg: expect.closeTo(4000, 6), ofWetKg: expect.closeTo(15_000, 6), fields: ['Heron Slough'] }]); // prettier-ignore
    expect(JSON.stringify(shown)).not.toMatch(/Pecan|price/);
    // What comes later is there too: it is the bin as it stands.
    await owner.post(`/farms/${farmId}/entries`, { entries: [{ id: ulid(), type: 'move', from: p.bin, to: p.mill, wetKg: 5000, at: '2026-09-11T12:00:00Z', ticket: 'T9', pricePerBu: 4.4 }] }); // prettier-ignore
    const after = (await stranger.get<SharedGrain>(`/grain/${body.secret}`)).body;
    // The newest comes out first: Pecan Turn's load, in which he has no part.
    expect(after.grain.lies[0]!.wetKg).toBeCloseTo(4000, 6);
    expect(JSON.stringify(after)).not.toMatch(/4\.4|price/);
    const [given] = (await owner.get<OwnerLinkInfo[]>(`/farms/${farmId}/owner-links`)).body;
    expect(given).toMatchObject({ owner: 'Willow Bend', opened: 2, revoked: false, by: 'Oona' });
    expect(JSON.stringify(given)).not.toContain(body.secret);
  });

  it('is kept by his own farm, beside its own bins, until it is cut off', async () => {
    const { id, secret } = (await link()).body;
    const kept = `/farms/${theirs.farmId}/kept-shares`;
    const first = await theirs.client.post<{ id: string }>(kept, { secret });
    expect(first.status).toBe(201);
    expect((await theirs.client.post<{ id: string }>(kept, { secret })).body.id).toBe(first.body.id);
    const [share] = (await theirs.client.get<KeptShareInfo[]>(kept)).body;
    expect(share).toMatchObject({ farm: 'Test Levee', owner: 'Willow Bend', share: { grain: { lies: [{ name: 'Bin A' }] } } }); // prettier-ignore
    // The door leads to this one sight and no further.
    expect((await theirs.client.get(`/farms/${farmId}/now`)).status).toBe(403);
    expect((await theirs.client.post(kept, { secret: 'x'.repeat(40) })).status).toBe(404);
    expect((await owner.post(`/farms/${farmId}/kept-shares`, { secret })).status).toBe(400);
    expect((await owner.post(`/farms/${farmId}/owner-links/${id}/revoke`)).status).toBe(200);
    expect((await harness.client().get(`/grain/${secret}`)).status).toBe(404);
    expect((await theirs.client.get<KeptShareInfo[]>(kept)).body).toMatchObject([{ farm: 'Test Levee', share: null }]);
    expect((await theirs.client.post(`${kept}/${first.body.id}/drop`)).status).toBe(200);
    expect((await theirs.client.get<KeptShareInfo[]>(kept)).body).toEqual([]);
  });

  it('is given to owners of the farm’s fields only, by a manager, and ends by its day', async () => {
    expect((await link({ owner: 'Nobody' })).status).toBe(404);
    expect((await link({ givenTo: '' })).status).toBe(400);
    const operator = await harness.member(farmId, 'operator');
    expect((await operator.post(`/farms/${farmId}/owner-links`, { owner: 'Willow Bend', givenTo: 'x' })).status).toBe(403); // prettier-ignore
    const { id, secret } = (await link({ days: 1 })).body;
    await harness.db.getRepository(OwnerLinkRow).update({ id }, { endsMs: 1 });
    expect((await harness.client().get(`/grain/${secret}`)).status).toBe(404);
  });
});
