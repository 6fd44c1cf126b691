import type { FuelInfo } from '@fanega/contract';
import { ulid } from 'ulid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { type Client, Harness, smallFarm } from './harness.js';
import { pairedPhone } from './paired.js';

let harness: Harness;
let owner: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>>;
const HOUR = 3_600_000;

beforeAll(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  p = await smallFarm(owner, farmId);
});
afterAll(() => harness.stop());

const at = (path: string): string => `/farms/${farmId}/${path}`;
const fuel = async (): Promise<FuelInfo[]> => (await owner.get<FuelInfo[]>(at('fuel'))).body;

it('a machine’s fuel lasts by its own fills and its loads in the book', async () => {
  // Two shifts of eight hours with a load every half an hour, the last of them just now.
  const now = Date.now();
  const shift = (endMs: number) => Array.from({ length: 17 }, (_, i) => endMs - (16 - i) * (HOUR / 2));
  const entries = [...shift(now - 24 * HOUR), ...shift(now - 60_000)].map((ms) => ({ id: ulid(), type: 'harvest', lot: p.hs, to: p.cart, wetKg: 1000, moisture: 0.15, at: new Date(ms).toISOString() })); // prettier-ignore
  expect((await owner.post(at('entries'), { entries })).status).toBe(200);
  expect(await fuel()).toEqual([]);
  const tank = (value: object, revision = 0) => owner.put(at(`shed/fuel-tank/${p.cart}`), { revision, value });
  expect((await tank({ gallons: 3, reserve: 0.1 })).status).toBe(400);
  expect((await tank({ gallons: 100, reserve: 0.1 })).status).toBe(200);
  // Nobody knows yet what it burns.
  const fill = (ms: number, gallons: number, full = true) => ({ id: ulid(), at: new Date(ms).toISOString(), placeId: p.cart, gallons, full }); // prettier-ignore
  expect((await owner.post(at('shed/fuel-fill'), fill(now - 32 * HOUR, 90))).status).toBe(200);
  expect((await fuel())[0]).toMatchObject({ placeId: p.cart, state: null, gallons: 90 });
  // Filled full again after eight hours of work: 40 gal, 5 an hour.
  const second = fill(now - 24 * HOUR, 40);
  await owner.post(at('shed/fuel-fill'), second);
  const [known] = await fuel();
  expect(known!.state).toMatchObject({ burnBy: 'fills', pairs: 1, burnPerHour: expect.closeTo(5, 1) });
  // Eight hours on 100 gal since: 60 left, 50 of them over the reserve, ten hours.
  expect(known!.state!.leftGallons).toBeCloseTo(60, 0);
  expect(known!.state!.hoursLeft).toBeCloseTo(10, 0);
  expect(known!.perBushel).toBeCloseTo((130 * 25.40117272) / 34_000, 3);
  // Taken back, it counts no longer.
  expect((await owner.post(at(`shed/fuel-fill/${second.id}/void`))).status).toBe(200);
  expect((await fuel())[0]!.state).toBeNull();
});

it('a paired phone fills its own machine and no other', async () => {
  const phone = await pairedPhone(harness, owner, farmId, { kind: 'machine', placeId: p.cart, label: 'Cart phone' });
  const fill = (placeId: string) => ({ id: ulid(), at: new Date().toISOString(), placeId, gallons: 50, full: false });
  expect((await phone.post(at('shed/fuel-fill'), fill(p.cart))).status).toBe(200);
  expect((await phone.post(at('shed/fuel-fill'), fill(p.truck))).status).toBe(403);
  expect((await phone.get(at('fuel'))).status).toBe(200);
  expect((await phone.put(at(`shed/fuel-tank/${p.cart}`), { revision: 1, value: { gallons: 90, reserve: 0 } })).status).toBe(403); // prettier-ignore
});
