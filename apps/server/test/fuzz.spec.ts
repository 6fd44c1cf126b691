import { DEVICE_KINDS } from '@fanega/contract';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { Client, entry, Harness, smallFarm } from './harness.js';
import { bodyOf, isPlain, mutated, type OpenApi, pathWith, randomOf, type Route, routesOf } from './routes.js';

/** `npm run fuzz` sends twenty thousand. */
const BODIES = Number(process.env.FANEGA_FUZZ ?? 1500);
const SEED = Number(process.env.FANEGA_FUZZ_SEED ?? 20_260_908);

let harness: Harness;
let owner: Client;
let farmId: string;
let writes: Route[];
let document: OpenApi;
let ids: Record<string, string>;
const devices: Client[] = [];
const tokens: string[] = [];

beforeAll(async () => {
  harness = await Harness.start();
  ({ client: owner, farmId } = await harness.owner());
  const places = await smallFarm(owner, farmId);
  await owner.post(`/farms/${farmId}/entries`, {
    entries: [entry({ type: 'harvest', lot: places.hs, to: places.cart, wetKg: 9000, moisture: 0.2 })],
  });
  document = (await owner.get<OpenApi>('/docs-json')).body;
  writes = routesOf(document).filter((route) => route.method !== 'GET' && isPlain(route) && !/sign-out|\/revoke$/.test(route.path)); // prettier-ignore
  const lots = (await owner.get<{ lot: { fieldId: string } }[]>(`/farms/${farmId}/lots`)).body;
  for (const kind of DEVICE_KINDS) {
    tokens.push((await owner.post<{ token: string }>(`/farms/${farmId}/devices`, { name: kind, kind })).body.token);
    devices.push(new Client(harness.address(), null));
  }
  ids = { farmId, lotId: places.hs, lot: places.hs, fieldId: lots[0]!.lot.fieldId, placeId: places.cart, machineId: places.cart, to: places.cart, from: places.cart, place: places.cart, subject: places.cart, number: '1' }; // prettier-ignore
});
afterAll(() => harness.stop());

it(
  `no body of ${BODIES} ruins anything: no answer is the server's fault, and the farm is read as before`,
  async () => {
    const random = randomOf(SEED);
    const faults: string[] = [];
    const statuses: Record<number, number> = {};
    for (let i = 0; i < BODIES; i++) {
      const route = writes[Math.floor(random() * writes.length)]!;
      const good = route.body ? bodyOf(route.body, document.components.schemas, ids, random) : {};
      const body = random() < 0.15 ? good : mutated(good, random);
      const path = pathWith(route.path, random() < 0.9 ? ids : { farmId });
      const [client, headers] = route.access === 'device' ? [devices[i % devices.length]!, { Authorization: `Bearer ${tokens[i % tokens.length]}` }] : [owner, {}]; // prettier-ignore
      const { status, body: answer } = await client.call<unknown>(route.method, path, body, headers);
      statuses[status] = (statuses[status] ?? 0) + 1;
      if (status >= 500 && status !== 503)
        faults.push(`${i}: ${status} ${route.method} ${path} ${JSON.stringify(body).slice(0, 400)} ${JSON.stringify(answer).slice(0, 200)}`); // prettier-ignore
    }
    expect(faults).toEqual([]);
    // It was no fuzz of one closed door: bodies were taken, and bodies were refused for what is in them.
    expect(statuses[200] ?? 0).toBeGreaterThan(BODIES / 100);
    expect(statuses[400] ?? 0).toBeGreaterThan(BODIES / 10);
    for (const { method, path, access } of routesOf(document).filter(isPlain))
      if (method === 'GET' && path.startsWith('/farms/{farmId}/') && access !== 'device') {
        const hours = path.endsWith('/weather') ? '?from=2026-09-08T00:00:00Z&to=2026-09-09T00:00:00Z' : '';
        const { status } = await owner.get(pathWith(path, ids) + hours);
        expect([200, 404], path).toContain(status);
      }
    const { balance } = (await owner.get<{ balance: { balances: boolean } }>(`/farms/${farmId}/now`)).body;
    expect(balance.balances).toBe(true);
  },
  BODIES * 60 + 30_000,
);
