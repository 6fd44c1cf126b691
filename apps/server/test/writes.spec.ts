import { ulid } from 'ulid';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import type { Me } from '@fanega/contract';
import { LedgerRepository, LedgerService, PlacesRepository } from '../src/features/ledger/index.js';
import { FarmRow, FarmTopicRow } from '../src/platform/entities/farm.entity.js';
import { FarmWrites } from '../src/platform/farm-write.js';
import { VersionsRepository } from '../src/platform/versions.js';
import { Client, Harness, smallFarm } from './harness.js';

let harness: Harness;
let client: Client;
let farmId: string;
let places: Awaited<ReturnType<typeof smallFarm>>;
const more: string[] = [];

beforeAll(async () => {
  harness = await Harness.start();
  ({ client, farmId } = await harness.owner());
  places = await smallFarm(client, farmId);
  for (let i = 0; i < 12; i++) {
    const id = ulid();
    more.push(id);
    await harness.db.getRepository(FarmRow).insert({
      id,
      name: `Farm ${i}`,
      timeZone: 'UTC',
      seq: 0,
      demo: false,
      defaultMoisture: 0.15,
    });
    await harness.db.getRepository(FarmTopicRow).insert(VersionsRepository.rows(id));
  }
}, 60_000);
afterAll(() => harness.stop());

const place = (id: string, name: string) => ({
  farmId,
  id,
  name,
  kind: 'bin',
  withdrawal: 'mixed' as const,
  capacityBu: null,
  putAway: false,
});

it('a write that lost to another one is tried again, whole, and is there once', async () => {
  const writes = harness.app().get(FarmWrites);
  const kept = harness.app().get(PlacesRepository);
  let tries = 0;
  const id = ulid();
  await writes.run(farmId, async ({ tx, changed }) => {
    await kept.add(tx, place(id, 'Bin Z'));
    changed('header');
    if (++tries < 3) throw Object.assign(new Error('Deadlock found'), { code: 'ER_LOCK_DEADLOCK' });
  });
  expect(tries).toBe(3);
  const { body } = await client.get<{ places: { id: string }[] }>(`/farms/${farmId}/header`);
  expect(body.places.filter((one) => one.id === id)).toHaveLength(1);
});

it('what another server wrote between two tries is in the book, and so is what was tried again', async () => {
  const other = new Client(await harness.another());
  other.cookie = client.cookie;
  const load = (wetKg: number) => ({ id: ulid(), type: 'harvest', lot: places.hs, to: places.cart, wetKg, moisture: 0.18, at: new Date().toISOString() }); // prettier-ignore
  const [mine, theirs] = [load(111), load(222)];
  // This server has the book in its memory when it loses.
  await client.get(`/farms/${farmId}/now`);
  const { db } = harness;
  const real = db.transaction.bind(db) as (work: (tx: unknown) => Promise<unknown>) => Promise<unknown>;
  const once = vi.spyOn(db, 'transaction').mockImplementationOnce((async (work: (tx: unknown) => Promise<unknown>) => {
    const lost = Object.assign(new Error('Deadlock found'), { code: 'ER_LOCK_DEADLOCK' });
    await real(async (tx) => {
      await work(tx);
      throw lost;
    }).catch(() => undefined);
    expect((await other.post(`/farms/${farmId}/entries`, { entries: [theirs] })).status).toBe(200);
    throw lost;
  }) as never);
  expect((await client.post(`/farms/${farmId}/entries`, { entries: [mine] })).status).toBe(200);
  once.mockRestore();
  for (const at of [client, other])
    for (const { id } of [mine, theirs]) expect((await at.get(`/farms/${farmId}/entries/${id}`)).status, id).toBe(200);
  const [{ n }] = (await db.query('SELECT COUNT(*) n FROM entries WHERE farm_id = ? AND id IN (?, ?)', [farmId, mine.id, theirs.id])) as [{ n: unknown }]; // prettier-ignore
  expect(Number(n)).toBe(2);
  await other.post(`/farms/${farmId}/entries`, { entries: [mine, theirs].map(({ id, at }) => ({ id: ulid(), type: 'void', voids: id, at })) }); // prettier-ignore
});

it('a write that fails for another reason is not tried again and leaves nothing', async () => {
  let tries = 0;
  const id = ulid();
  const run = harness
    .app()
    .get(FarmWrites)
    .run(farmId, async ({ tx }) => {
      tries++;
      await harness.app().get(PlacesRepository).add(tx, place(id, 'Bin Y'));
      throw new Error('no disk');
    });
  await expect(run).rejects.toThrow('no disk');
  expect(tries).toBe(1);
  const { body } = await client.get<{ places: { id: string }[] }>(`/farms/${farmId}/header`);
  expect(body.places.some((one) => one.id === id)).toBe(false);
});

it('two writes that the database finds waiting for each other both come through', async () => {
  const writes = harness.app().get(FarmWrites);
  const [a, b] = [more[0]!, more[1]!];
  let [began, tries] = [0, 0];
  let go: () => void = () => undefined;
  const both = new Promise<void>((resolve) => (go = resolve));
  // Each holds its own farm and wants the other one's: a circle that the database breaks by ending one of them.
  const across = (own: string, other: string): Promise<void> =>
    writes.run(own, async ({ tx }) => {
      tries++;
      if (++began === 2) go();
      await both;
      await tx.getRepository(FarmRow).findOne({ where: { id: other }, lock: { mode: 'pessimistic_write' } });
    });
  await Promise.all([across(a, b), across(b, a)]);
  expect(tries).toBe(3);
});

it('a new name replays nothing; another way out of a bin replays the book', async () => {
  const at = new Date().toISOString();
  await client.post(`/farms/${farmId}/entries`, {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: places.hs,
        to: places.bin,
        wetKg: 9000,
        moisture: 0.18,
        at,
        method: 'cartScale',
      },
    ],
  });
  await client.get(`/farms/${farmId}/now`);
  const replays = vi.spyOn(harness.app().get(LedgerRepository), 'entriesAfter');
  await client.call('PUT', `/farms/${farmId}/places/${places.bin}`, { name: 'Old Bin A', capacityBu: null });
  const named = await client.get<{ places: { id: string; name: string }[] }>(`/farms/${farmId}/header`);
  expect(named.body.places.find(({ id }) => id === places.bin)!.name).toBe('Old Bin A');
  await client.get(`/farms/${farmId}/now`);
  expect(replays).not.toHaveBeenCalled();
  const { status } = await client.post(`/farms/${farmId}/revisions`, {
    id: ulid(),
    reason: 'a center sump',
    change: { what: 'withdrawal', place: places.bin, withdrawal: 'firstIn' },
  });
  expect(status).toBeLessThan(300);
  await client.get(`/farms/${farmId}/now`);
  expect(replays).toHaveBeenCalledWith(expect.anything(), 0, undefined);
  replays.mockRestore();
});

it('twelve books are held at once, and the one that nobody asked for the longest leaves', async () => {
  const ledgers = harness.app().get(LedgerService);
  const headers = vi.spyOn(harness.app().get(LedgerRepository), 'header');
  const read = async (id: string): Promise<number> => {
    headers.mockClear();
    await ledgers.open(id);
    return headers.mock.calls.length;
  };
  for (const id of more) await ledgers.open(id);
  // The first of them is asked for again: the second is now the oldest.
  expect(await read(more[0]!)).toBe(0);
  expect(await read(farmId)).toBe(1);
  expect(await read(more[0]!)).toBe(0);
  expect(await read(more[1]!)).toBe(1);
  headers.mockRestore();
});

it('somebody is told of his own farms and of no other', async () => {
  const me = await client.get<Me>('/auth/me');
  expect(me.body.farms.map(({ id, role }) => [id, role])).toEqual([[farmId, 'owner']]);
  const nobody = await harness.member(null);
  expect((await nobody.get<Me>('/auth/me')).body.farms).toEqual([]);
  const stranger = await harness.client().get<Me>('/auth/me');
  expect(stranger.body).toMatchObject({ user: null, farms: [] });
});
