import * as contract from '@fanega/contract';
import { ValidationPipe } from '@nestjs/common';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { plainlyRight } from '../src/platform/plainly-right.js';
import { validation } from '../src/platform/validation.js';
import { Client, entry, Harness } from './harness.js';
import {
  bodyOf,
  isPlain,
  mutated,
  type OpenApi,
  openHouse,
  pathWith,
  randomOf,
  type Route,
  routesOf,
} from './routes.js';

/** `npm run fuzz` sends twenty thousand. */
const BODIES = Number(process.env.FANEGA_FUZZ ?? 1500);
const SEED = Number(process.env.FANEGA_FUZZ_SEED ?? 20_260_908);

let harness: Harness;
let owner: Client;
let farmId: string;
let writes: Route[];
let document: OpenApi;
let ids: Readonly<Record<string, string>>;
const devices: Client[] = [];
const tokens: string[] = [];

beforeAll(async () => {
  harness = await Harness.start();
  const house = await openHouse(harness);
  ({ owner, farmId, document, ids } = house);
  const { hs, cart } = house.places;
  await owner.post(`/farms/${farmId}/entries`, {
    entries: [entry({ type: 'harvest', lot: hs, to: cart, wetKg: 9000, moisture: 0.2 })],
  });
  writes = routesOf(document).filter(
    (route) => route.method !== 'GET' && isPlain(route) && !/sign-out|\/revoke$/.test(route.path),
  );
  for (const token of house.tokens.values()) {
    tokens.push(token);
    devices.push(new Client(harness.address(), null));
  }
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

it('what is taken for right beyond doubt is right by the library too, and the same object; most that is right is taken so', async () => {
  const random = randomOf(SEED);
  const { schemas } = document.components;
  const classes = Object.entries(contract).filter(
    (one): one is [string, new () => object] =>
      typeof one[1] === 'function' && one[0] in schemas && /Body$/.test(one[0]),
  );
  const byLibrary = (of: new () => object, body: unknown): Promise<unknown> =>
    ValidationPipe.prototype.transform.call(validation, body, { type: 'body', metatype: of }).catch(() => null);
  const longWay: string[] = [];
  let short = 0;
  let right = 0;
  for (const [name, of] of classes) {
    const plainly = plainlyRight(of);
    if (plainly === null) longWay.push(name);
    for (let i = 0; i < 60; i++) {
      const good = bodyOf(schemas[name]!, schemas, ids, random);
      const text = JSON.stringify(i % 3 === 0 ? good : mutated(good, random)) ?? 'null';
      const body = JSON.parse(text) as unknown;
      if (!contract.isRecord(body)) continue;
      const made = plainly?.(body) ?? null;
      const library = await byLibrary(of, JSON.parse(text));
      if (library !== null) right++;
      if (made === null) continue;
      short++;
      expect({ name, body, made }).toEqual({ name, body, made: library });
      expect(made).toBeInstanceOf(of);
    }
  }
  expect(classes.length).toBeGreaterThan(40);
  expect(longWay).toEqual([]);
  expect(short).toBeGreaterThan(0.9 * right);
});
