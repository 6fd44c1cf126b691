import type { NewDevice } from '@fanega/contract';
import type { Entry, LogEntry } from '@fanega/core';
import { ulid } from 'ulid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { SeenService } from '../src/features/devices/seen.service.js';
import { pairedPhone } from './paired.js';
import { Client, farmNow, fieldRecords, Harness, smallFarm } from './harness.js';

let harness: Harness;
let owner: Client;
let farmId: string;
let p: Awaited<ReturnType<typeof smallFarm>> & { combine: string };
const M_PER_DEGREE = 111_195;
const at = (east: number, north: number) => ({ lon: -38.6 + east / (M_PER_DEGREE * Math.cos((33.4 * Math.PI) / 180)), lat: 33.4 + north / M_PER_DEGREE, accuracy: 4 }); // prettier-ignore
const looking = (): SeenService => harness.app().get(SeenService, { strict: false });
/** What a device calls with its token. */
const calling =
  (token: string) =>
  <T = never>(what: string, samples: object[]) =>
    new Client(harness.address(), null).call<T>('POST', `/device/${what}`, { samples }, { Authorization: `Bearer ${token}` }); // prettier-ignore
const path = (rest: string): string => `/farms/${farmId}/${rest}`;
const START = Date.now() - 50 * 60_000;

/** A device of a kind, riding on a machine. */
async function wire(kind: string, placeId: string): Promise<(what: string, samples: object[]) => Promise<number>> {
  const { body } = await owner.post<NewDevice>(path('devices'), { name: `${kind} of ${placeId.slice(-4)}`, kind });
  expect((await owner.put(path(`haul/scale-setup/${body.deviceId}`), { revision: 0, value: { placeId, zeroKg: 0, withinKg: 40, forSeconds: 4 } })).status).toBe(200); // prettier-ignore
  const call = calling(body.token);
  return async (what, samples) => (await call(what, samples)).status;
}
const iso = (seconds: number): string => new Date(START + 1000 * seconds).toISOString();
const span = <T>(from: number, to: number, every: number, of: (second: number) => T): (T & { at: string })[] => Array.from({ length: Math.floor((to - from) / every) }, (_, i) => ({ at: iso(from + i * every), ...of(from + i * every) })); // prettier-ignore
const book = async (): Promise<Entry[]> => (await owner.get<{ entries: Entry[] }>(path('book'))).body.entries;
const asked = async (): Promise<readonly LogEntry<'seenLoad'>[]> => (await fieldRecords(owner, farmId)).logs.seenLoad;

/** A combine cuts beside a cart that takes on its tank; the cart unloads into a truck. Cart and combine may be told to stand elsewhere. */
async function play(
  devices: Record<'display' | 'scale' | 'truck', Awaited<ReturnType<typeof wire>>>,
  begin: number,
  combineAt = at(200, 200),
) {
  // prettier-ignore
  const end = begin + 900;
  // 10 kg/s for eight minutes; the tank goes over in seventy seconds, and into the truck five minutes later.
  const flow = (s: number) => ({ flow: s - begin < 480 ? 10 : 0, moisture: 0.18, speed: s - begin < 480 ? 1.6 : 0 });
  const cart = (s: number): number => {
    const t = s - begin;
    return t < 500 ? 0 : t < 570 ? ((t - 500) / 70) * 4800 : t < 700 ? 4800 : t < 740 ? 4800 * (1 - (t - 700) / 40) : 0;
  };
  const inField = (s: number) => (s - begin < 640 ? at(207, 200) : at(407, 10));
  for (let from = begin; from < end; from += 300) {
    const to = from + 300;
    expect(await devices.display('flows', span(from, to, 2, flow))).toBe(200);
    expect(
      await devices.display(
        'positions',
        span(from, to, 10, () => combineAt),
      ),
    ).toBe(200);
    expect(await devices.scale('positions', span(from, to, 10, inField))).toBe(200);
    expect(
      await devices.truck(
        'positions',
        span(from, to, 10, () => at(400, 10)),
      ),
    ).toBe(200);
    expect(
      await devices.scale(
        'weights',
        span(from, to, 1, (s) => ({ kg: cart(s) })),
      ),
    ).toBe(200);
  }
}
let devices: Parameters<typeof play>[0];

beforeAll(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  const combine = (await owner.post<{ placeId: string }>(path('places'), { name: 'Combine 1', kind: 'combine', withdrawal: 'mixed', capacityBu: 350 })).body.placeId; // prettier-ignore
  p = { ...(await smallFarm(owner, farmId)), combine };
  const { fieldId } = (await farmNow(owner, farmId)).lots.find(({ id }) => id === p.hs)!;
  const points = [at(0, 50), at(600, 50), at(600, 600), at(0, 600), at(0, 50)].map(({ lon, lat }) => ({ part: 0, ring: 0, lon, lat })); // prettier-ignore
  expect((await owner.put(path('trace/field-boundary/edge-hs'), { revision: 0, value: { field: fieldId, points } })).status).toBe(200); // prettier-ignore
  devices = { display: await wire('monitor', combine), scale: await wire('cartScale', p.cart), truck: await wire('tracker', p.truck) }; // prettier-ignore
});
afterAll(() => harness.stop());

it('a tracker that nobody put on a machine is told so, and a weather station has no position', async () => {
  const { body } = await owner.post<NewDevice>(path('devices'), { name: 'loose', kind: 'tracker' });
  const loose = await calling(body.token)<{ message: string }>('positions', [{ at: iso(0), ...at(0, 0) }]); // prettier-ignore
  expect([loose.status, loose.body.message]).toMatchObject([404, expect.stringContaining('which machine')]);
  const weather = (await owner.post<NewDevice>(path('devices'), { name: 'roof', kind: 'weather' })).body.token;
  expect((await calling(weather)('positions', [{ at: iso(0), ...at(0, 0) }])).status).toBe(403); // prettier-ignore
  const north = await calling(body.token)<{ issues: { field: string }[] }>('positions', [{ at: iso(0), lon: 0, lat: 95, accuracy: 3 }]); // prettier-ignore
  expect([north.status, north.body.issues[0]?.field]).toEqual([400, 'lat']);
});

it('a phone in a cab tells of its own machine and of no other, and of none that stands still', async () => {
  const phone = await pairedPhone(harness, owner, farmId, { kind: 'machine', placeId: p.truck, label: 'Truck phone' });
  const tell = (client: Client, placeId: string) => client.post(path('positions'), { placeId, samples: [{ at: iso(-600), ...at(0, 0) }] }); // prettier-ignore
  expect((await tell(phone, p.truck)).status).toBe(200);
  expect((await tell(phone, p.cart)).status).toBe(403);
  expect((await tell(owner, p.cart)).status).toBe(200);
  expect((await tell(owner, p.bin)).status).toBe(404);
  expect((await owner.post(path('positions'), { placeId: p.cart, samples: [] })).status).toBe(400);
});

it('nothing is entered until somebody wants it; then what the machines are sure of is, once, and is taken back as any entry', async () => {
  await play(devices, 0);
  await looking().look(farmId);
  expect(await book()).toEqual([]);
  expect((await owner.put(path('haul/self-recording/farm'), { revision: 0, value: { on: true, yards: [] } })).status).toBe(200); // prettier-ignore
  await looking().look(farmId);
  await looking().look(farmId);
  const found = await book();
  expect(found.map(({ type }) => type)).toEqual(['harvest', 'witness', 'move']);
  expect(found[0]).toMatchObject({ lot: p.hs, to: p.cart, moisture: 0.18, method: 'cartScale', device: expect.stringMatching(/^seen /) }); // prettier-ignore
  expect((found[0] as { wetKg: number }).wetKg).toBeCloseTo(4800, -2);
  expect(found[2]).toMatchObject({ from: p.cart, to: p.truck, emptied: true });
  expect(await asked()).toEqual([]);
  // A phone that was out of reach sends what its driver tapped: one load, and his.
  const late = { id: ulid(), type: 'harvest', lot: p.hs, to: p.cart, wetKg: 4820, moisture: 0.179, at: iso(580), method: 'cartScale' }; // prettier-ignore
  expect((await owner.post(path('entries'), { entries: [late] })).status).toBe(200);
  await looking().look(farmId);
  await looking().look(farmId);
  const after = await book();
  expect(after.filter(({ type }) => type === 'void')).toMatchObject([
    { voids: found[0]!.id, note: 'tapped by hand too' },
  ]);
  // Somebody knows better: it stays out.
  expect((await owner.post(path('entries'), { entries: [{ id: ulid(), type: 'void', at: new Date().toISOString(), voids: found[2]!.id }] })).status).toBe(200); // prettier-ignore
  await looking().look(farmId);
  expect((await book()).length).toBe(after.length + 1);
});

it('a load that somebody tapped is not entered again; one that nobody stood beside is asked about and never guessed', async () => {
  const before = (await book()).length;
  const tapped = { id: ulid(), type: 'harvest', lot: p.hs, to: p.cart, wetKg: 4750, moisture: 0.181, at: iso(1000 + 620), method: 'cartScale' }; // prettier-ignore
  expect((await owner.post(path('entries'), { entries: [tapped] })).status).toBe(200);
  // The combine says that it is half a mile away.
  await play(devices, 1000, at(1200, 900));
  await looking().look(farmId);
  const after = await book();
  expect(after.filter(({ type }) => type === 'harvest')).toHaveLength(3);
  // Into the truck it was seen to go all the same.
  expect(after.length - before).toBe(2);
  expect(await asked()).toEqual([]);

  await play(devices, 2000, at(1200, 900));
  await looking().look(farmId);
  await looking().look(farmId);
  const [question, ...more] = await asked();
  expect(more).toEqual([]);
  expect(question?.body).toMatchObject({ kind: 'cut', machineId: p.cart, to: p.cart, why: 'nobody beside it' });
  expect(question?.body.kg).toBeCloseTo(4800, -2);
  // Taken back, it is not asked again.
  expect((await owner.post(path(`haul/seen-load/${question!.body.id}/void`), {})).status).toBe(200);
  await looking().look(farmId);
  expect((await asked()).filter(({ voided }) => !voided)).toEqual([]);
});
