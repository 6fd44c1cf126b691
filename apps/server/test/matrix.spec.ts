import { ROLES } from '@fanega/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Client, Harness } from './harness.js';
import { pairedPhone } from './paired.js';
import { bodyOf, isPlain, type OpenApi, openHouse, pathWith, randomOf, type Route, routesOf } from './routes.js';

let harness: Harness;
let farmId: string;
let document: OpenApi;
let routes: Route[];
let ids: Readonly<Record<string, string>>;
const members = new Map<string, Client>();
let devices: ReadonlyMap<string, string>;

beforeAll(async () => {
  harness = await Harness.start();
  ({ farmId, document, ids, tokens: devices } = await openHouse(harness));
  routes = routesOf(document).filter(isPlain);
  members.set('stranger', await harness.member(null));
  for (const role of ROLES) members.set(role, await harness.member(farmId, role));
});
afterAll(() => harness.stop());

const call = (client: Client, route: Route, headers: Record<string, string> = {}, of = ids) => {
  const body = route.method === 'GET' ? undefined : route.body ? bodyOf(route.body, document.components.schemas, ids, randomOf(7)) : {}; // prettier-ignore
  return client.call<{ code: string }>(route.method, pathWith(route.path, of), body, headers);
};
const named = (route: Route): string => `${route.method} ${route.path}`;
const isFarms = ({ path }: Route): boolean => path.startsWith('/farms/{farmId}');

describe('every route, and everybody', () => {
  it('is declared with who may call it', () => {
    expect(routes.length).toBeGreaterThan(80);
    expect(routes.filter(({ access }) => access === undefined).map(named)).toEqual([]);
    // A farm's own are for its members; what is for everybody can be counted on one hand.
    expect(routes.filter((r) => isFarms(r) && !(ROLES as readonly string[]).includes(r.access)).map(named)).toEqual([]);
    expect(
      routes
        .filter(({ access }) => access === 'public')
        .map(named)
        .sort(),
    ).toEqual([
      'GET /auth/me',
      'GET /grain/{secret}',
      'GET /health',
      'GET /invites/{secret}',
      'GET /jobs/{secret}',
      'GET /origin/{secret}',
      'POST /auth/claim',
      'POST /auth/demo',
      'POST /auth/set-up',
      'POST /auth/sign-in',
      'POST /invites/{secret}/accept',
      'POST /invites/{secret}/password',
      'POST /jobs/{secret}/take',
    ]);
  });

  it('lets nobody in who is not signed in, and no stranger', async () => {
    for (const route of routes.filter(isFarms)) {
      expect((await call(harness.client(), route)).status, named(route)).toBe(401);
      const stranger = await call(members.get('stranger')!, route);
      expect([stranger.status, stranger.body.code], named(route)).toEqual([403, 'not_a_member']);
    }
    for (const route of routes.filter(({ access }) => access === 'signedIn' || access === 'device'))
      expect((await call(harness.client(), route)).status, named(route)).toBe(401);
  });

  it('lets each role do what those before it may, and no more', async () => {
    for (const route of routes.filter(isFarms))
      for (const [rank, role] of ROLES.entries()) {
        const { status, body } = await call(members.get(role)!, route);
        const what = `${role}: ${named(route)} ${status} ${JSON.stringify(body).slice(0, 200)}`;
        if (rank < ROLES.indexOf(route.access as never))
          expect([status, body.code], what).toEqual([403, 'role_too_low']);
        else {
          expect([401, 403], what).not.toContain(status);
          expect(status, what).toBeLessThan(500);
        }
      }
  });

  it('lets a paired phone do what its cab needs, on its farm, and nothing else', async () => {
    const open = routes.filter(({ jobs }) => jobs);
    // What it may write is said by the rule of its job; of money, people and settings it reads nothing.
    expect(open.filter((r) => r.method === 'GET').map(named).sort()).toEqual(
      ['cut/records', 'devices', 'dry/records', 'fields/records', 'fuel', 'haul', 'haul/records', 'header', 'layers', 'levels', 'lots', 'monitors', 'motors', 'now', 'shed/records', 'store/records', 'weather', 'weigh-tickets', 'weigh-tickets/{number}/pdf', 'wet', 'wheel'].map((one) => `GET /farms/{farmId}/${one}`),
    ); // prettier-ignore
    expect(open.filter(({ access }) => access !== 'viewer' && access !== 'operator' && access !== 'manager').map(named)).toEqual(['POST /auth/sign-out']); // prettier-ignore
    for (const job of [{ kind: 'machine', placeId: ids.placeId }, { kind: 'bins' }, { kind: 'gate' }]) {
      const phone = await pairedPhone(harness, members.get('owner')!, farmId, { ...job, label: `phone ${job.kind}` });
      for (const route of routes.filter((r) => isFarms(r) && !/\/members\/phones/.test(r.path))) {
        const { status, body } = await call(phone, route);
        const what = `${job.kind}: ${named(route)} ${status} ${JSON.stringify(body).slice(0, 200)}`;
        if (!route.jobs) expect([status, body.code], what).toEqual([403, 'role_too_low']);
        else expect(status === 403 ? body.code === 'role_too_low' : status !== 401 && status < 500, what).toBe(true);
      }
      for (const route of routes.filter(({ access, path }) => access === 'signedIn' && path !== '/auth/sign-out'))
        expect((await call(phone, route)).status, named(route)).toBe(403);
      for (const route of open.filter(isFarms))
        expect((await call(phone, route, {}, { ...ids, farmId: '01ARZ3NDEKTSV4RRFFQ69G5FAV' })).status, named(route)).toBe(403); // prettier-ignore
    }
  });

  it('lets no owner into another’s farm, whatever it is called', async () => {
    for (const route of routes.filter(isFarms))
      for (const other of ['01ARZ3NDEKTSV4RRFFQ69G5FAV', `${farmId} `, farmId.toLowerCase(), '__proto__']) {
        const { status } = await call(members.get('owner')!, route, {}, { ...ids, farmId: encodeURIComponent(other) });
        expect(status, `${named(route)} of ${other}`).toBe(403);
      }
  });

  it('takes no write of a browser from elsewhere, whoever is signed in', async () => {
    const { cookie } = members.get('owner')!;
    for (const route of routes.filter((r) => r.method !== 'GET' && r.access !== 'device'))
      for (const origin of [
        null,
        'https://evil.example',
        'null',
        harness.address().replace('127.0.0.1', 'localhost'),
      ]) {
        const client = new Client(harness.address(), origin);
        client.cookie = cookie;
        const { status, body } = await call(client, route);
        expect([status, body.code], `${named(route)} from ${origin}`).toEqual([403, 'origin_wrong']);
      }
  });

  it('lets a device do what its kind does, and be no member', async () => {
    const mine = routes.filter(({ access }) => access === 'device');
    expect(mine.length).toBeGreaterThan(5);
    for (const [kind, token] of devices) {
      const headers = { Authorization: `Bearer ${token}` };
      for (const route of mine) {
        const { status } = await call(new Client(harness.address(), null), route, headers);
        const what = `${kind}: ${named(route)} ${status}`;
        expect(status, what).not.toBe(401);
        expect(status, what).toBeLessThan(500);
      }
      for (const route of routes.filter((r) => isFarms(r)).slice(0, 12))
        expect((await call(harness.client(), route, headers)).status, `${kind}: ${named(route)}`).toBe(401);
    }
    for (const token of ['', 'fd_', `${[...devices.values()][0]}x`, 'x'.repeat(5000)])
      expect((await call(new Client(harness.address(), null), mine[0]!, { Authorization: `Bearer ${token}` })).status).toBe(401); // prettier-ignore
  });
});
