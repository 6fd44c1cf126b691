import { balanceOf, Ledger } from '@fanega/core';
import { demoFarm } from '@fanega/demo';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { loadDemo } from '../src/cli/load-demo.js';
import { Harness } from './harness.js';

let harness: Harness;
beforeAll(async () => {
  harness = await Harness.start();
  await loadDemo(harness.db);
});
afterAll(() => harness.stop());

it('a newcomer enters the demo farm by one call and sees a season that balances', async () => {
  const visitor = harness.client();
  expect((await visitor.post('/auth/demo')).status).toBe(204);
  interface Now {
    balance: { balances: boolean };
    steps: { kind: string }[];
    places: object[];
    seq: number;
  }
  const { body } = await visitor.get<Now>('/farms/kestrel-levee/now');
  expect(body.balance.balances).toBe(true);
  expect(body.steps.map((step) => step.kind)).toEqual(['cart_full', 'truck_waits', 'level_differs', 'unknown_grain']);
  expect(body.seq).toBe(demoFarm().entries.length);
  const lots = (await visitor.get<{ balance: { balances: boolean } }[]>('/farms/kestrel-levee/lots')).body;
  expect(lots).toHaveLength(12);
  expect(lots.every((row) => row.balance.balances)).toBe(true);
});

it('the database gives the book back to the last digit', async () => {
  const visitor = harness.client();
  await visitor.post('/auth/demo');
  const stored = (await visitor.get<{ entries: object[] }>('/farms/kestrel-levee/book')).body;
  expect(stored.entries).toEqual(JSON.parse(JSON.stringify(demoFarm().entries)));
});

it('a saved book goes into an empty farm and is the same book again; into a begun one it is refused', async () => {
  const visitor = harness.client();
  await visitor.post('/auth/demo');
  const saved = (await visitor.get<{ entries: object[] }>('/farms/kestrel-levee/book')).body;
  const fresh = await Harness.start();
  const { client, farmId } = await fresh.owner();
  const broken = { ...saved, entries: [...saved.entries, { type: 'harvest', id: 'x' }] };
  expect((await client.post(`/farms/${farmId}/book`, broken)).status).toBe(422);
  const long = { ...saved, entries: [], places: [{ id: 'x'.repeat(60), kind: 'bin' }] };
  expect((await client.post(`/farms/${farmId}/book`, long)).status).toBe(422);
  expect((await client.post(`/farms/${farmId}/book`, { format: 'something' })).status).toBe(422);
  expect((await client.post<{ entries: number }>(`/farms/${farmId}/book`, saved)).body).toEqual({ entries: saved.entries.length });
  expect((await client.get<object>(`/farms/${farmId}/book`)).body).toEqual(saved);
  expect((await client.get<object>(`/farms/${farmId}/accounts`)).body).toEqual((await visitor.get<object>('/farms/kestrel-levee/accounts')).body);
  expect((await client.post(`/farms/${farmId}/book`, saved)).status).toBe(409);
  expect((await (await fresh.member(farmId, 'manager')).post(`/farms/${farmId}/book`, saved)).status).toBe(403);
  await fresh.stop();
});

it('migrations go down and up again', async () => {
  const fresh = await Harness.start();
  // Each migration has its own way back.
  for (const _ of fresh.db.migrations) await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'entries'")).toEqual([]);
  await fresh.db.runMigrations();
  expect(await fresh.db.query("SHOW TABLES LIKE 'entries'")).toHaveLength(1);
  await fresh.stop();
});

it('the demo tells the stories that it promises', () => {
  const demo = demoFarm();
  expect(demoFarm()).toEqual(demo);
  expect(new Set(demo.lots.map((lot) => lot.crop)).size).toBe(3);
  expect(demo.lots.some((lot) => lot.shares.length === 2)).toBe(true);
  const ledger = new Ledger({ defaults: { moisture: 0.15, trust: [] }, lots: demo.lots.map(({ id }) => ({ id })), places: demo.places });
  ledger.append(demo.entries);
  expect(balanceOf(Object.values(ledger.accounts())).balances).toBe(true);
  const count = (type: string) => demo.entries.filter((entry) => entry.type === type).length;
  expect([count('void'), count('witness'), count('measure')]).toEqual([1, 2, 2]);
  const late = demo.entries.filter((entry) => Date.parse(entry.recordedAt!) - Date.parse(entry.at) > 24 * 3_600_000);
  expect(late.length).toBeGreaterThan(0);
  expect(ledger.parcels().some((parcel) => ledger.isDelivery(parcel.entry.id) && Object.keys(parcel.lots).length > 1)).toBe(true);
  expect(ledger.accounts().unknown!.inStockDryKg).toBeGreaterThan(0);
});

it('a bigger demo still balances', () => {
  const demo = demoFarm({ seasons: 2, fields: 20 });
  const ledger = new Ledger({ defaults: { moisture: 0.15, trust: [] }, lots: demo.lots.map(({ id }) => ({ id })), places: demo.places });
  ledger.append(demo.entries);
  expect(demo.entries.length).toBeGreaterThan(1500);
  expect(balanceOf(Object.values(ledger.accounts())).balances).toBe(true);
});
