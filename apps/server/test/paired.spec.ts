import type { FarmNow, Me, NewLink, PairedInfo, PairShown } from '@fanega/contract';
import type { Entry } from '@fanega/core';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PairedJobRow } from '../src/platform/entities/identity.entity.js';
import { type Client, Harness, smallFarm } from './harness.js';
import { pairedPhone } from './paired.js';

let harness: Harness;
let owner: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;
let phone: Client;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  p = await smallFarm(owner, farmId);
  phone = await pairedPhone(harness, owner, farmId, { kind: 'machine', placeId: p.truck, label: 'Truck 2’s phone' });
});
afterAll(() => harness.stop());

const at = (path: string): string => `/farms/${farmId}/${path}`;
const batch = (...entries: object[]) => ({ entries: entries.map((one) => ({ id: ulid(), at: '2026-09-10T12:00:00Z', ...one })) }); // prettier-ignore
const cut = (to: string) => ({ type: 'harvest', lot: p.hs, to, wetKg: 9000, moisture: 0.17 });
const entryOf = async (id: string): Promise<Entry> => (await owner.get<{ entry: Entry }>(at(`entries/${id}`))).body.entry; // prettier-ignore
const phones = async (): Promise<PairedInfo[]> => (await owner.get<PairedInfo[]>(at('members/phones'))).body;

describe('a phone paired for one job', () => {
  it('is paired by a link that opens once, and is nobody’s account', async () => {
    const { secret } = (await owner.post<NewLink>(at('members/phones'), { kind: 'machine', placeId: p.cart, label: 'Cart 1’s tablet', days: 30 })).body; // prettier-ignore
    const shown = (await harness.client().get<PairShown>(`/jobs/${secret}`)).body;
    expect(shown).toMatchObject({ farm: 'Test Levee', label: 'Cart 1’s tablet', place: 'Cart 1', by: 'Oona' });
    expect((await harness.client().post(`/jobs/${secret}/take`, { name: '  ' })).status).toBe(400);
    const both = await Promise.all(['Bo', 'Cy'].map((name) => harness.client().post(`/jobs/${secret}/take`, { name })));
    expect(both.map(({ status }) => status).sort()).toEqual([204, 404]);
    expect((await harness.client().get(`/jobs/${secret}`)).status).toBe(404);
    const me = (await phone.get<Me>('/auth/me')).body;
    expect(me).toMatchObject({
      user: null,
      farms: [],
      job: { farmId, placeId: p.truck, driver: 'Ana' },
      jobOver: null,
    });
    const [kept] = await harness.db.getRepository(PairedJobRow).findBy({ farmId, label: 'Cart 1’s tablet' });
    expect(JSON.stringify([kept, await phones()])).not.toContain(secret);
  });

  it('records its own machine under the driver’s name and the phone’s, and takes it back', async () => {
    await owner.post(at('entries'), batch(cut(p.cart)));
    const load = batch({ type: 'move', from: p.cart, to: p.truck }, { type: 'move', from: p.truck, to: p.mill, wetKg: 4000, by: 'Bo', ticket: '118', pricePerBu: 4.1 }); // prettier-ignore
    expect((await phone.post(at('entries'), load)).status).toBe(200);
    // Sent again after an answer that was lost.
    expect((await phone.post(at('entries'), load)).status).toBe(200);
    expect((await entryOf(load.entries[0]!.id)).by).toBe('Ana (on Truck 2’s phone)');
    expect((await entryOf(load.entries[1]!.id)).by).toBe('Bo (on Truck 2’s phone)');
    const undo = batch({ type: 'void', voids: load.entries[1]!.id });
    expect((await phone.post(at('entries'), undo)).status).toBe(200);
  });

  it('is told at its entry what is not its job, and nothing of the batch is kept', async () => {
    const mixed = batch({ type: 'loss', place: p.truck, wetKg: 5, reason: 'spill' }, cut(p.cart));
    const refused = await phone.post<{ code: string; message: string; issues: object[] }>(at('entries'), mixed);
    expect(refused.status).toBe(403);
    expect(refused.body).toMatchObject({ code: 'role_too_low', issues: [{ index: 1, entry: mixed.entries[1]!.id }] });
    expect(refused.body.message).toContain('Truck 2’s phone');
    expect((await owner.get(at(`entries/${mixed.entries[0]!.id}`))).status).toBe(404);
    const own = batch(cut(p.cart));
    await owner.post(at('entries'), own);
    expect((await phone.post(at('entries'), batch({ type: 'void', voids: own.entries[0]!.id }))).status).toBe(403);
    const delay = (machineId: string) => ({ id: ulid(), at: '2026-09-10T12:00:00Z', link: 'trucks', minutes: 20, machineId }); // prettier-ignore
    const late = delay(p.truck);
    expect((await phone.post(at('haul/delay'), late)).status).toBe(200);
    expect((await phone.post(at('haul/delay'), delay(p.cart))).status).toBe(403);
    const others = delay(p.truck);
    await owner.post(at('haul/delay'), others);
    expect((await phone.post(at(`haul/delay/${others.id}/void`))).status).toBe(403);
    expect((await phone.post(at(`haul/delay/${late.id}/void`))).status).toBe(200);
  });

  it('sees no price', async () => {
    const load = batch({ type: 'move', from: p.truck, to: p.mill, wetKg: 500, ticket: '119', pricePerBu: 4.25 });
    await owner.post(at('entries'), load);
    // One whose ticket came late: the price came with the ticket.
    const bare = batch({ type: 'move', from: p.truck, to: p.mill, wetKg: 400 });
    await owner.post(at('entries'), bare);
    await owner.post(at('entries'), batch({ type: 'witness', of: bare.entries[0]!.id, wetKg: 401, ticket: '120', pricePerBu: 4.35 })); // prettier-ignore
    const shows = async (client: Client) => JSON.stringify((await client.get<FarmNow>(at('now'))).body.tape);
    for (const price of ['4.25', '4.35']) expect(await shows(owner)).toContain(price);
    expect(await shows(phone)).toContain(load.entries[0]!.id);
    expect(await shows(phone)).not.toContain('pricePerBu');
    for (const path of ['sell/records', 'deliveries', 'trace/records', 'entries', 'book', 'members', 'insurance'])
      expect((await phone.get(at(path))).status, path).toBe(403);
  });

  it('takes one name at a time, a machine that is one, and whole days', async () => {
    const add = (body: object) => owner.post<{ issues?: { field: string }[] }>(at('members/phones'), { kind: 'bins', label: 'x', days: 3, ...body }); // prettier-ignore
    for (const [body, field] of [
      [{ label: 'truck 2’s PHONE' }, 'label'],
      [{ label: ' ' }, 'label'],
      [{ kind: 'machine', placeId: p.bin }, 'placeId'],
      [{ kind: 'machine' }, 'placeId'],
      [{ days: 0 }, 'days'],
      [{ kind: 'office' }, 'kind'],
    ] as const) {
      const { status, body: answer } = await add(body);
      expect([status >= 400 && status < 500, answer.issues?.[0]?.field], JSON.stringify(body)).toEqual([true, field]);
    }
    const operator = await harness.member(farmId, 'operator');
    expect((await operator.post(at('members/phones'), { kind: 'gate', label: 'gate', days: 1 })).status).toBe(403);
  });

  it('at the gate: weighs, and takes back what it weighed itself', async () => {
    const gate = await pairedPhone(harness, owner, farmId, { kind: 'gate', label: 'scale house' }, 'Gil');
    const ticket = () => ({ id: ulid(), at: '2026-09-11T12:00:00Z', machineId: p.truck, combination: 'tractor and hopper', byHand: true, grossKg: [30_000], tareKg: [13_000] }); // prettier-ignore
    const made = await gate.post<{ number: number; by: string }>(at('weigh-tickets'), ticket());
    expect([made.status, made.body.by]).toEqual([200, 'Gil (on scale house)']);
    expect((await phone.post(at('weigh-tickets'), ticket())).status).toBe(403);
    const others = (await owner.post<{ number: number }>(at('weigh-tickets'), ticket())).body;
    expect((await gate.post(at(`weigh-tickets/${others.number}/void`), {})).status).toBe(403);
    expect((await gate.post(at(`weigh-tickets/${made.body.number}/void`), {})).status).toBe(200);
    expect((await gate.post(at('entries'), batch(cut(p.truck)))).status).toBe(403);
  });

  it('ends by its day or when it is cut off, and says so', async () => {
    const before = (await phones()).find(({ label }) => label === 'Truck 2’s phone')!;
    expect(before).toMatchObject({ driver: 'Ana', cutOff: false, by: 'Oona' });
    expect((await owner.post(at(`members/phones/${before.id}/cut-off`))).status).toBe(200);
    expect((await phone.get(at('now'))).status).toBe(401);
    expect((await phone.get<Me>('/auth/me')).body).toMatchObject({ job: null, jobOver: { label: 'Truck 2’s phone', cutOff: true } }); // prettier-ignore
    // The same name may be paired again, and what the old one recorded is taken back from there.
    const again = await pairedPhone(harness, owner, farmId, { kind: 'machine', placeId: p.truck, label: 'Truck 2’s phone' }, 'Dee'); // prettier-ignore
    expect((await again.get(at('now'))).status).toBe(200);
    await harness.db.getRepository(PairedJobRow).update({ label: 'Truck 2’s phone', driver: 'Dee' }, { endsMs: 1 });
    expect((await again.get(at('now'))).status).toBe(401);
    expect((await again.get<Me>('/auth/me')).body.jobOver).toEqual({ label: 'Truck 2’s phone', cutOff: false });
    // It gives itself back.
    const last = await pairedPhone(harness, owner, farmId, { kind: 'bins', label: 'bin site' });
    expect((await last.post('/auth/sign-out')).status).toBe(204);
    expect((await last.get(at('now'))).status).toBe(401);
    expect((await phones()).find(({ label }) => label === 'bin site')!.cutOff).toBe(true);
  });
});
