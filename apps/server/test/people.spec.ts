import { RequestMethod } from '@nestjs/common';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ModulesContainer } from '@nestjs/core';
import { ACCESS } from '../src/platform/access.js';
import { Client, entry, Harness, SET_UP_CODE, smallFarm } from './harness.js';

let harness: Harness;
let owner: Client;
let farmId: string;

beforeAll(async () => {
  harness = await Harness.start({ signInLimit: 3 });
});
afterAll(() => harness.stop());

describe('the first run', () => {
  const setUp = {
    code: SET_UP_CODE,
    farm: 'Test Levee',
    name: 'Oona',
    email: 'Oona@Example.invalid',
    password: 'a long password',
    timeZone: 'America/Chicago',
  };

  it('asks for an owner, and nothing of a demo is there', async () => {
    const client = harness.client();
    expect((await client.get('/auth/me')).body).toEqual({
      user: null,
      farms: [],
      program: expect.stringMatching(/^[\w-]{16}$/) as string,
      firstRun: true,
      claim: false,
      demo: false,
      job: null,
      jobOver: null,
    });
    expect((await client.post('/auth/demo')).status).toBe(404);
  });

  it('explains a short password at its field', async () => {
    const answer = await harness
      .client()
      .post<{ issues: { field: string }[] }>('/auth/set-up', { ...setUp, password: 'short' });
    expect([answer.status, answer.body.issues.map((issue) => issue.field)]).toEqual([400, ['password']]);
    const long = await harness.client().post('/auth/set-up', { ...setUp, password: 'a long one '.repeat(12) });
    expect(long.status).toBe(400);
  });

  it('takes none that is guessed soon, and says by what', async () => {
    for (const password of ['password1234', 'oona@example.invalid']) {
      const { status, body } = await harness
        .client()
        .post<{ code: string; issues: { field: string }[] }>('/auth/set-up', { ...setUp, password });
      expect([status, body.code, body.issues[0]!.field]).toEqual([422, 'password_weak', 'password']);
    }
  });

  it('makes the owner once, with an argon2id hash and a cookie that pages cannot read', async () => {
    owner = harness.client();
    const answer = await owner.post('/auth/set-up', setUp);
    expect(answer.status).toBe(204);
    expect(answer.headers.get('set-cookie')).toMatch(/^fanega=[\w-]{43}; .*Path=\/; .*HttpOnly; SameSite=Strict/);
    const [user] = await harness.db.query('SELECT email, password_hash FROM users');
    expect(user.email).toBe('oona@example.invalid');
    expect(user.password_hash).toMatch(/^\$argon2id\$/);
    const me = (await owner.get<{ farms: { id: string; role: string }[]; firstRun: boolean }>('/auth/me')).body;
    expect(me).toMatchObject({ firstRun: false, farms: [{ role: 'owner' }] });
    farmId = me.farms[0]!.id;
    expect((await harness.client().post('/auth/set-up', { ...setUp, email: 'other@example.invalid' })).status).toBe(
      409,
    );
  });
});

describe('signing in', () => {
  const signIn = (client: Client, password: string) =>
    client.post('/auth/sign-in', { email: 'oona@example.invalid', password });

  it('takes the right password, and signing out ends the session on the server', async () => {
    const client = harness.client();
    expect((await signIn(client, 'a long password')).status).toBe(204);
    const { cookie } = client;
    expect((await client.post('/auth/sign-out')).status).toBe(204);
    client.cookie = cookie;
    expect((await client.get(`/farms/${farmId}/now`)).status).toBe(401);
  });

  it('is slowed down after too many wrong passwords', async () => {
    const client = harness.client();
    const statuses: number[] = [];
    for (let i = 0; i < 4; i++) statuses.push((await signIn(client, 'wrong password')).status);
    expect(statuses).toEqual([401, 401, 401, 429]);
    const last = await signIn(client, 'a long password');
    expect(last.status).toBe(429);
    expect(Number(last.headers.get('retry-after'))).toBeGreaterThan(800);
  });
});

describe('who may do what', () => {
  it('every route says who may call it', () => {
    const silent: string[] = [];
    const controllers = [...harness.app().get(ModulesContainer).values()].flatMap((module) =>
      [...module.controllers.values()].map(({ metatype }) => metatype as { name: string; prototype: object }),
    );
    expect(controllers.length).toBeGreaterThan(20);
    for (const controller of controllers) {
      for (const name of Object.getOwnPropertyNames(controller.prototype)) {
        const handler = (controller.prototype as unknown as Record<string, object>)[name]!;
        if (name === 'constructor' || !Reflect.hasMetadata('path', handler)) continue;
        expect(RequestMethod[Reflect.getMetadata('method', handler) as number]).toMatch(/GET|POST|PUT/);
        if (!Reflect.hasMetadata(ACCESS, handler)) silent.push(`${controller.name}.${name}`);
      }
    }
    expect(silent).toEqual([]);
  });

  it('nobody reads a farm without signing in, and nobody reads another’s', async () => {
    const stranger = await harness.member(null);
    for (const path of ['now', 'entries', 'positions', 'accounts', 'lots', 'deliveries', 'book', 'feed']) {
      expect((await harness.client().get(`/farms/${farmId}/${path}`)).status, path).toBe(401);
      expect((await stranger.get(`/farms/${farmId}/${path}`)).status, path).toBe(403);
    }
  });

  it('units and clock are the farm’s: a manager sets them, an operator does not, and whoever watches is told', async () => {
    const header = async () => {
      const { farm, topics } = (
        await owner.get<{ farm: { units: string; clock: string }; topics: { header: number } }>(
          `/farms/${farmId}/header`,
        )
      ).body;
      return [farm.units, farm.clock, topics.header] as const;
    };
    const [units, clock, told] = await header();
    expect([units, clock]).toEqual(['us', '12']);
    const path = `/farms/${farmId}/settings`;
    const metric = { units: 'metric', clock: '24' };
    expect((await (await harness.member(farmId, 'operator')).put(path, metric)).status).toBe(403);
    const wrong = await owner.put<{ issues: { field: string }[] }>(path, { units: 'imperial' });
    expect([wrong.status, wrong.body.issues.map(({ field }) => field)]).toEqual([400, ['units', 'clock']]);
    const set = await (await harness.member(farmId, 'manager')).put(path, metric);
    expect([set.status, set.body]).toEqual([200, metric]);
    expect(await header()).toEqual(['metric', '24', told + 1]);
    await owner.put(path, { units, clock });
  });

  it('a viewer reads but cannot write; an operator records but does not change the farm', async () => {
    const places = await smallFarm(owner, farmId);
    const load = {
      entries: [entry({ type: 'harvest', lot: places.hs, to: places.cart, wetKg: 4000, moisture: 0.18 })],
    };
    const viewer = await harness.member(farmId, 'viewer');
    expect((await viewer.get(`/farms/${farmId}/now`)).status).toBe(200);
    const refused = await viewer.post<{ message: string }>(`/farms/${farmId}/entries`, load);
    expect([refused.status, refused.body.message]).toEqual([
      403,
      'As viewer you may look but not do this; it needs an operator.',
    ]);
    const operator = await harness.member(farmId, 'operator');
    expect((await operator.post(`/farms/${farmId}/entries`, load)).status).toBe(200);
    expect(
      (await operator.post(`/farms/${farmId}/fields`, { name: 'X', acres: 1, crop: 'corn', tag: 'X', season: 2026 }))
        .status,
    ).toBe(403);
  });

  it('a write from another origin, or from none, is refused', async () => {
    for (const origin of ['http://elsewhere.invalid', null]) {
      const client = new Client(harness.address(), origin);
      client.cookie = owner.cookie;
      expect((await client.post(`/farms/${farmId}/entries`, { entries: [] })).status).toBe(403);
      expect((await client.get(`/farms/${farmId}/now`)).status).toBe(200);
    }
  });
});

it('health and the documentation answer, and a request id comes back with an error', async () => {
  const client = harness.client();
  expect((await client.get('/health')).body).toMatchObject({ ok: true });
  expect((await owner.get<{ paths: object }>('/docs-json')).body.paths).toHaveProperty('/api/farms/{farmId}/entries');
  const missing = await client.get<{ code: string; requestId: string }>('/nothing');
  expect([missing.status, missing.body.code]).toEqual([404, 'not_found']);
  expect(missing.body.requestId).not.toBe('');
});
