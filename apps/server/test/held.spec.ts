import { DEVICE_KINDS, type FarmNow, type FarmVersions } from '@fanega/contract';
import { ulid } from 'ulid';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { loadDemo } from '../src/cli/load-demo.js';
import { FarmClock } from '../src/features/ledger/index.js';
import { Clock } from '../src/platform/clock.js';
import { Client, Harness } from './harness.js';
import { bodyOf, isPlain, type OpenApi, pathWith, randomOf, type Route, routesOf } from './routes.js';

// A device keeps answers, and takes them for the farm's own as long as the topics stand that they are declared with.
const FARM = 'kestrel-levee';
let harness: Harness;
let owner: Client;
let document: OpenApi;
let routes: Route[];
let ids: Readonly<Record<string, string>>;
const tokens = new Map<string, string>();

beforeAll(async () => {
  harness = await Harness.start();
  await loadDemo(harness.db);
  owner = await harness.member(FARM, 'owner');
  document = (await owner.get<OpenApi>('/docs-json')).body;
  routes = routesOf(document).filter(isPlain);
  const { places } = (await owner.get<{ places: { id: string; kind: string }[] }>(`/farms/${FARM}/header`)).body;
  const of = (kind: string): string => places.find((place) => place.kind === kind)!.id;
  const [{ lot }] = (await owner.get<[{ lot: { id: string; fieldId: string } }]>(`/farms/${FARM}/lots`)).body;
  const [{ entryId }] = (await owner.get<[{ entryId: string }]>(`/farms/${FARM}/deliveries`)).body;
  ids = { farmId: FARM, lotId: lot.id, lot: lot.id, fieldId: lot.fieldId, placeId: of('bin'), place: of('bin'), machineId: of('cart'), from: of('cart'), to: of('bin'), subject: of('bin'), entryId, of: 'places', id: of('bin') }; // prettier-ignore
  for (const kind of DEVICE_KINDS)
    tokens.set(kind, (await owner.post<{ token: string }>(`/farms/${FARM}/devices`, { name: kind, kind })).body.token);
});
afterAll(() => harness.stop());

/** When a device was last heard is written down without a word to anybody: a page asks for it as long as it is looked at. */
const HEARD = '/farms/{farmId}/devices';

/**
 * Questions whose answers a device may hold: every declared route, and some with what a page asks besides. With `clock` those too whose
 * answers go on with the clock: an open page asks for them again when one of their topics changes, as for all others.
 */
function questions(clock: boolean): { readonly path: string; readonly of: Route }[] {
  const held = routes.filter(
    ({ method, path, kept }) => method === 'GET' && path.startsWith('/farms/') && path !== HEARD && kept && (clock || !kept.clock) && kept.topics.length > 0, // prettier-ignore
  );
  const more: Record<string, readonly string[]> = {
    '/farms/{farmId}/entries': ['?limit=120&types=move&places=cart-1,truck-1', '?limit=400&types=move,condition'],
    '/farms/{farmId}/deliveries': ['?season=2025'],
    '/farms/{farmId}/lots': ['?season=2025'],
    '/farms/{farmId}/fields/records': ['?seasons=2025'],
    '/farms/{farmId}/weather': ['?from=2026-09-07T00:00:00Z&to=2026-09-10T00:00:00Z'],
  };
  return held.flatMap((route) =>
    ['', ...(more[route.path] ?? [])].map((query) => ({ path: pathWith(route.path, ids) + query, of: route })),
  );
}

const markOf = ({ kept }: Route, { seq, topics }: FarmVersions): string =>
  ['header' as const, ...kept!.topics].map((topic) => topics[topic]).join(' ') + (kept!.topics.includes('book') ? ` ${seq}` : ''); // prettier-ignore
const farmNow = async (): Promise<FarmNow> => (await owner.get<FarmNow>(`/farms/${FARM}/now`)).body;

it('an answer is the same as long as its topics stand, whatever else is written', { timeout: 240_000 }, async () => {
  const asked = questions(true);
  expect(asked.length).toBeGreaterThan(30);
  const stopped = { farm: (await farmNow()).now, server: harness.app().get(Clock).now() };
  const held = new Map<string, { mark: string; answer: string }>();
  let compared = 0;
  const look = async (after: string): Promise<void> => {
    vi.spyOn(harness.app().get(FarmClock), 'now').mockResolvedValue(stopped.farm);
    vi.spyOn(harness.app().get(Clock), 'now').mockReturnValue(stopped.server);
    const versions = await farmNow();
    for (const { path, of } of asked) {
      const mark = markOf(of, versions);
      const before = held.get(path);
      const { status, body: all } = await owner.get<object>(path);
      // A refusal is kept nowhere.
      if (status !== 200) continue;
      // The present tells the versions of all topics, for the others to be compared with.
      const body = path.endsWith('/now') ? { ...all, topics: null } : all;
      if (before?.mark === mark) {
        compared++;
        expect(body, `${path} after ${after}`).toEqual(JSON.parse(before.answer));
      } else held.set(path, { mark, answer: JSON.stringify(body) });
    }
    vi.restoreAllMocks();
  };
  await look('nothing');
  const random = randomOf(11);
  const written = new Set<string>();
  const write = async (caller: Client, route: Route, body: unknown, of = ids, headers = {}): Promise<boolean> => {
    const { status } = await caller.call(route.method, pathWith(route.path, of), body, headers);
    if (status >= 300) return false;
    const name = `${route.method} ${route.path}`;
    if (!written.has(name)) await look(name);
    written.add(name);
    return true;
  };
  const doors = routes.filter(
    ({ method, path }) => method !== 'GET' && !/\/(auth|book|backups|members|account)\b/.test(path),
  );
  for (const route of doors)
    for (let tries = 0; tries < 8 && !written.has(`${route.method} ${route.path}`); tries++) {
      const made = route.body ? bodyOf(route.body, document.components.schemas, ids, random) : {};
      // The demo set some things already, and names are taken once.
      const body = { ...(made as object), ...(route.method === 'PUT' && 'revision' in (made as object) ? { revision: tries % 4 } : {}), ...('name' in (made as object) ? { name: `N${tries}` } : {}) }; // prettier-ignore
      if (route.access !== 'device') {
        const undo = doors.find(({ path }) => path === `${route.path}/{id}/void`);
        if ((await write(owner, route, body)) && undo)
          await write(owner, undo, {}, { ...ids, id: (body as { id: string }).id });
      } else
        for (const token of tokens.values())
          if (await write(new Client(harness.address(), null), route, body, ids, { Authorization: `Bearer ${token}` }))
            break;
    }
  const at = new Date((await farmNow()).now).toISOString();
  const cut = {
    type: 'harvest',
    id: ulid(),
    at,
    lot: ids.lot,
    to: ids.from,
    wetKg: 5000,
    moisture: 0.16,
  };
  const post = (path: string): Route => doors.find((route) => route.method === 'POST' && route.path === path)!;
  const entries = post('/farms/{farmId}/entries');
  const first = await owner.post<{ seq: number }>(`/farms/${FARM}/entries`, { entries: [cut] });
  expect(first.status, JSON.stringify(first.body)).toBe(200);
  await look('a load');
  expect(await write(owner, entries, { entries: [{ type: 'void', id: ulid(), at, voids: cut.id }] })).toBe(true);
  // Most doors open to a body made from what they declare.
  expect(written.size).toBeGreaterThan(60);
  expect(compared).toBeGreaterThan(1500);
});

it('an answer that does not say so does not go on with the clock', async () => {
  const asked = questions(false);
  const before: { readonly status: number; readonly body: unknown }[] = [];
  for (const { path } of asked) before.push(await owner.get<unknown>(path));
  const [ahead, clock] = [(await farmNow()).now + 45 * 86_400_000, harness.app().get(Clock)];
  const later = clock.now() + 40 * 60_000;
  vi.spyOn(harness.app().get(FarmClock), 'now').mockResolvedValue(ahead);
  vi.spyOn(clock, 'now').mockReturnValue(later);
  try {
    expect((await farmNow()).now).toBe(ahead);
    for (const [i, { path }] of asked.entries())
      if (before[i]!.status === 200) expect((await owner.get(path)).body, path).toEqual(before[i]!.body);
  } finally {
    vi.restoreAllMocks();
  }
});
