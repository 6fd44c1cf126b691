import type { FarmHeaderAnswer, FarmNow, WeatherHourInfo } from '@fanega/contract';
import { balanceOf, calibrateMonitor, Ledger, machinesOf, type MonitorView } from '@fanega/core';
import { demoFarm } from '@fanega/demo';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { loadDemo } from '../src/cli/load-demo.js';
import { fieldRecords, Harness, shedRecords } from './harness.js';

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
  // How far it is, line by line, and at the end how many came.
  const { length } = saved.entries;
  const lines = String((await client.post<string>(`/farms/${farmId}/book`, saved)).body)
    .trim()
    .split('\n');
  expect(lines.map((line) => JSON.parse(line) as object)).toEqual([
    { doing: 'entries', done: 500, of: length },
    { entries: length },
  ]);
  expect((await client.get<object>(`/farms/${farmId}/book`)).body).toEqual(saved);
  expect((await client.get<object>(`/farms/${farmId}/accounts`)).body).toEqual(
    (await visitor.get<object>('/farms/kestrel-levee/accounts')).body,
  );
  expect((await client.post(`/farms/${farmId}/book`, saved)).status).toBe(409);
  expect((await (await fresh.member(farmId, 'manager')).post(`/farms/${farmId}/book`, saved)).status).toBe(403);
  await fresh.stop();
});

it('migrations run once, and the one that moved the records says that there is no way back', async () => {
  const fresh = await Harness.start();
  expect(await fresh.db.query("SHOW TABLES LIKE 'entries'")).toHaveLength(1);
  expect(await fresh.db.runMigrations()).toEqual([]);
  // The last ones can be taken back.
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'rig_moves'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'job_cards'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'display_photos'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'own_crops'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'buyer_facts_takes'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW COLUMNS FROM bin_setups LIKE 'side_draw_at'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'bin_fans_between'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW COLUMNS FROM fuel_tanks LIKE 'home_min'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW COLUMNS FROM weather_hours LIKE 'import_id'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'contracts_owners'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'dryer_setups_by_points'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'seen_loads'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'field_zones'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'fuel_tanks'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'safety_words'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'owner_links'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'sign_in_tries'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'paired_jobs'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW COLUMNS FROM places LIKE 'put_away'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'invites'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'insurance%'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'settlements%'")).toHaveLength(0);
  expect(await fresh.db.query("SHOW COLUMNS FROM contracts LIKE 'counts'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'contract%'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'pile_setups'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'routes_set%'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE '%cable%'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'place_states'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'bin_fans'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'dryer_%'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW TABLES LIKE 'haul_plans'")).toHaveLength(0);
  expect(await fresh.db.query("SHOW COLUMNS FROM tester_pairs LIKE 'crop'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW COLUMNS FROM combine_profiles LIKE 'acceptable_loss'")).toHaveLength(1);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW COLUMNS FROM cutting_windows LIKE 'dock_percent'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW COLUMNS FROM entries LIKE 'link'")).toHaveLength(0);
  await fresh.db.undoLastMigration();
  expect(await fresh.db.query("SHOW COLUMNS FROM farms LIKE 'units'")).toHaveLength(0);
  // Tables of a new form are not folded back: it says so, and touches nothing.
  await expect(fresh.db.undoLastMigration()).rejects.toThrow(/restore the database as it was before/);
  expect(await fresh.db.query("SHOW TABLES LIKE 'readings'")).toHaveLength(1);
  await fresh.stop();
});

it('the demo tells the stories that it promises', () => {
  const demo = demoFarm();
  expect(demoFarm()).toEqual(demo);
  expect(new Set(demo.lots.map((lot) => lot.crop)).size).toBe(3);
  expect(demo.lots.some((lot) => lot.shares.length === 2)).toBe(true);
  const ledger = new Ledger({
    defaults: { moisture: 0.15, trust: [] },
    lots: demo.lots.map(({ id }) => ({ id })),
    places: demo.places,
  });
  ledger.append(demo.entries);
  expect(balanceOf(Object.values(ledger.accounts())).balances).toBe(true);
  const count = (type: string) => demo.entries.filter((entry) => entry.type === type).length;
  expect([count('void'), count('measure')]).toEqual([1, 2]);
  const witnesses = (method: string) =>
    demo.entries.filter((entry) => entry.type === 'witness' && entry.method === method).length;
  expect(
    Object.fromEntries(['monitor', 'bridge', 'cartScale', 'ticket'].map((method) => [method, witnesses(method)])),
  ).toEqual({
    monitor: 99,
    bridge: 7,
    cartScale: 1,
    ticket: 0,
  });
  // One ticket never came back.
  const places = new Map(demo.places.map((place) => [place.id, place.kind]));
  const untold = demo.entries.filter(
    (entry) => entry.type === 'move' && places.get(entry.to) === 'buyer' && entry.method !== 'ticket',
  );
  expect(untold.map(({ note }) => note)).toEqual(['no ticket came back']);
  const late = demo.entries.filter((entry) => Date.parse(entry.recordedAt!) - Date.parse(entry.at) > 24 * 3_600_000);
  expect(late.length).toBeGreaterThan(0);
  expect(
    ledger.parcels().some((parcel) => ledger.isDelivery(parcel.entry.id) && Object.keys(parcel.lots).length > 1),
  ).toBe(true);
  expect(ledger.accounts().unknown!.inStockDryKg).toBeGreaterThan(0);
});

it('three weeks of readings, settings, counts, pairs, weather and machines stand behind the book', async () => {
  const visitor = harness.client();
  await visitor.post('/auth/demo');
  const farm = (await visitor.get<{ farms: { id: string }[] }>('/auth/me')).body.farms[0]!.id;
  const get = async <T>(path: string): Promise<T> => (await visitor.get<T>(`/farms/${farm}/${path}`)).body;
  const now = (await get<FarmNow>('now')).now;
  const oldest = (list: readonly { at: string }[]): number =>
    (now - Math.min(...list.map(({ at }) => Date.parse(at)))) / 86_400_000;

  const { logs, settings } = await fieldRecords(visitor, farm);
  const readings = logs.reading.map(({ body }) => body);
  expect(new Set(readings.map((reading) => reading.source))).toEqual(new Set(['hand', 'bench', 'bite']));
  expect(oldest(readings)).toBeGreaterThan(17);
  expect(oldest(Object.values(logs).flatMap((entries) => entries.map(({ body }) => body)))).toBeGreaterThan(15);
  for (const kind of ['testerPair', 'settingsEntry', 'lossCheck', 'stripTrial'] as const)
    expect(logs[kind].length, kind).toBeGreaterThan(0);
  expect(logs.settingsEntry.some(({ body }) => body.undoes !== undefined)).toBe(true);
  expect(Object.keys(settings.cuttingWindow).some((subject) => subject.includes('@'))).toBe(true);
  expect(Object.keys(settings.combineProfile).sort()).toEqual(['combine-1', 'combine-2']);
  const weather = await get<WeatherHourInfo[]>(
    `weather?from=${new Date(now - 22 * 86_400_000).toISOString()}&to=${new Date(now + 3 * 86_400_000).toISOString()}`,
  );
  expect([weather.some((hour) => hour.forecast), weather.length > 21 * 24]).toEqual([true, true]);

  // Combine 1 reads high and with the flow, combine 2 a little low; six loads hang on a display alone.
  const monitors = await get<MonitorView[]>('monitors');
  const of = (id: string) => monitors.find(({ machine }) => machine === id)!;
  const first = calibrateMonitor(of('combine-1').pairs);
  expect(first.factor).toBeGreaterThan(0.94);
  expect(first.factor).toBeLessThan(0.98);
  expect(first.flowBias!.shown).toBe(true);
  expect(calibrateMonitor(of('combine-2').pairs).factor).toBeGreaterThan(1);
  expect(of('combine-1').only.length).toBeGreaterThan(2);

  const shed = await shedRecords(visitor, farm);
  expect(machinesOf(shed, '2026-09-08').find(({ id }) => id === 'flex-35')!.readiness.daysShort).toBe(9);
  expect(oldest(Object.values(shed.logs).flatMap((entries) => entries.map(({ body }) => body)))).toBeGreaterThan(15);
  expect(shed.settings.changeover['combine-2']!.value.done.length).toBe(2);
});

it('a field that is made in the middle of the season stands behind those that were there: colors and weaves stay', async () => {
  const visitor = harness.client();
  await visitor.post('/auth/demo');
  const farm = (await visitor.get<{ farms: { id: string }[] }>('/auth/me')).body.farms[0]!.id;
  const lots = async (): Promise<string[]> =>
    (await visitor.get<FarmHeaderAnswer>(`/farms/${farm}/header`)).body.lots.map(({ id }) => id);
  const before = await lots();
  const id = '01M8B029PJ745QGWYE2A8D5147';
  expect(
    (await visitor.post(`/farms/${farm}/neighbor-rows`, { id, owner: 'Old Dorsey', crop: 'corn', season: 2026 }))
      .status,
  ).toBe(201);
  expect(await lots()).toEqual([...before, id]);
});

it('a bigger demo still balances', () => {
  const demo = demoFarm({ seasons: 2, fields: 20 });
  const ledger = new Ledger({
    defaults: { moisture: 0.15, trust: [] },
    lots: demo.lots.map(({ id }) => ({ id })),
    places: demo.places,
  });
  ledger.append(demo.entries);
  expect(demo.entries.length).toBeGreaterThan(1500);
  expect(balanceOf(Object.values(ledger.accounts())).balances).toBe(true);
});
