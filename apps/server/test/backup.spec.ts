import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import type { BackupsAnswer, BookCheckAnswer, BroughtLine, FarmHeaderAnswer } from '@fanega/contract';
import type { Accounts } from '@fanega/contract';
import { createConnection } from 'mysql2/promise';
import { DataSource } from 'typeorm';
import { openPromise } from 'yauzl';
import { ZipFile } from 'yazl';
import { ulid } from 'ulid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadDemo } from '../src/cli/load-demo.js';
import { dataSourceOptions } from '../src/database.js';
import { BackupService } from '../src/features/backup/index.js';
import { dumpFarm } from '../src/features/backup/dump.repository.js';
import { type Client, Harness, SET_UP_CODE, smallFarm } from './harness.js';
import { isPlain, type OpenApi, pathWith, routesOf } from './routes.js';

const FARM = 'kestrel-levee';
const dir = mkdtempSync(path.join(tmpdir(), 'fanega-backup-test-'));
const file = path.join(dir, 'farm.zip');
let demo: Harness;
let visitor: Client;

/** A body that is a file. */
async function upload(
  client: Client,
  farmId: string,
  bytes: Buffer,
): Promise<{ status: number; lines: BroughtLine[] }> {
  const response = await fetch(`${client.address}/api/farms/${farmId}/backup`, {
    method: 'POST',
    headers: { Origin: client.address, Cookie: client.cookie, 'Content-Type': 'application/octet-stream' },
    body: new Uint8Array(bytes),
  });
  const text = await response.text();
  return { status: response.status, lines: text.split('\n').filter((line) => line !== '').map((line) => JSON.parse(line) as BroughtLine) }; // prettier-ignore
}

/** The archive's files, to be written down again otherwise. */
async function unpacked(from: string): Promise<Map<string, Buffer>> {
  const zip = await openPromise(from, { autoClose: false });
  const files = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry()) {
    const parts: Buffer[] = [];
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
    files.set(entry.fileName, Buffer.concat(parts));
  }
  zip.close();
  return files;
}
/** Where the packed bytes of a file have their middle. */
async function middleOf(from: string, name: string): Promise<number> {
  const zip = await openPromise(from, { autoClose: false });
  let middle = 0;
  for await (const entry of zip.eachEntry())
    if (entry.fileName === name)
      middle = entry.relativeOffsetOfLocalHeader + 30 + entry.fileNameLength + Math.floor(entry.compressedSize / 2);
  zip.close();
  return middle;
}
async function packed(files: ReadonlyMap<string, Buffer>): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [name, bytes] of files) zip.addBuffer(bytes, name);
  zip.end();
  const parts: Buffer[] = [];
  for await (const part of zip.outputStream) parts.push(part as Buffer);
  return Buffer.concat(parts);
}

beforeAll(async () => {
  demo = await Harness.start();
  await loadDemo(demo.db);
  visitor = demo.client();
  await visitor.post('/auth/demo');
  // A photograph, a device, a revision and a member: what a farm has beside its book.
  await visitor.post(`/farms/${FARM}/devices`, { name: 'Cart scale', kind: 'cartScale' });
  const { lots } = (await visitor.get<FarmHeaderAnswer>(`/farms/${FARM}/header`)).body;
  const change = { what: 'shares', lot: lots[0]!.id, shares: [{ owner: 'Kestrel Levee', part: 0.6 }, { owner: 'Tolland', part: 0.4 }] }; // prettier-ignore
  expect((await visitor.post(`/farms/${FARM}/revisions`, { id: ulid(), reason: 'the lease', change })).status).toBe(
    200,
  );
  await demo.member(FARM, 'operator');
  await demo.app().get(BackupService).write(FARM, file);
});
afterAll(async () => {
  await demo.stop();
  rmSync(dir, { recursive: true, force: true });
});

/** What every route of a farm answers, by its path. */
async function answers(client: Client): Promise<Map<string, unknown>> {
  const document = (await client.get<OpenApi>('/docs-json')).body;
  const { lots, places } = (await client.get<FarmHeaderAnswer>(`/farms/${FARM}/header`)).body;
  const tape = (await client.get<{ entry: { id: string; type: string; to?: string } }[]>(`/farms/${FARM}/entries?limit=500`)).body; // prettier-ignore
  const delivery = (await client.get<{ entry: { id: string } }[]>(`/farms/${FARM}/deliveries`)).body[0]!;
  const photo = (await demo.db.query<{ id: string; asset_id?: string }[]>('SELECT * FROM photos LIMIT 1'))[0]!;
  const ids = {
    farmId: FARM, lotId: lots[0]!.id, entryId: tape[0]!.entry.id, placeId: places[0]!.id, machineId: 'combine-1', number: '1', photoId: photo.id, id: photo.id, deliveryId: delivery.entry.id, table: 'fields', of: 'deliveries',
  }; // prettier-ignore
  const found = new Map<string, unknown>();
  for (const route of routesOf(document)) {
    if (route.method !== 'GET' || !route.path.includes('{farmId}') || !isPlain(route)) continue;
    // What is printed or made at a moment has the moment in it; sessions are of the place.
    if (/\/backup|\/pdf$|\/out\/(workbook|taskdata|calendar)$|\/members$/.test(route.path)) continue;
    const where =
      pathWith(route.path, /deliveries\/\{/.test(route.path) ? { ...ids, entryId: delivery.entry.id } : /origins/.test(route.path) ? { ...ids, id: delivery.entry.id } : ids) + // prettier-ignore
      (route.path.endsWith('/weather') ? '?from=2026-09-01T00:00:00Z&to=2026-10-01T00:00:00Z' : '');
    const { status, body } = await client.get<unknown>(where);
    found.set(where, { status, body });
  }
  return found;
}

/** What is of the moment and not of the farm. */
const timeless = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value), (key, one: unknown) => (['topics', 'lastSeen', 'now'].includes(key) ? null : one));

describe('a whole backup', () => {
  it('gives back what every route answered, into an empty place', async () => {
    const before = await answers(visitor);
    expect(before.size).toBeGreaterThan(20);
    expect([...before.values()].filter((one) => (one as { status: number }).status !== 200)).toEqual([]);
    const fresh = await Harness.start();
    try {
      const said: string[] = [];
      const { name, seq } = await fresh
        .app()
        .get(BackupService)
        .restore(file, (doing) => said.push(doing));
      expect(name).toBe('Kestrel Levee Farms');
      expect(said).toContain('entries');
      // The demo's clock is the end of its book: asked in the same way, it must say the same.
      await fresh.db.query('UPDATE farms SET demo = 1');
      const reader = await fresh.member(FARM, 'owner');
      const after = await answers(reader);
      expect([...after.keys()]).toEqual([...before.keys()]);
      for (const [where, answer] of before) expect(timeless(after.get(where)), where).toEqual(timeless(answer));
      expect((await reader.get<BookCheckAnswer>(`/farms/${FARM}/book/check`)).body).toMatchObject({ sound: true, records: seq }); // prettier-ignore
      const photo = (await demo.db.query<{ id: string; data?: Buffer }[]>('SELECT * FROM photos ORDER BY id'))[0]!;
      const again = (await fresh.db.query<object[]>('SELECT * FROM photos ORDER BY id'))[0];
      expect(again).toEqual(photo);
    } finally {
      await fresh.stop();
    }
  });

  it('has no password and no session in it, and every table of the farm', async () => {
    const files = await unpacked(file);
    const text = [...files].filter(([name]) => name.startsWith('tables/')).map(([, bytes]) => bytes.toString('utf8')).join('\n'); // prettier-ignore
    expect(text).not.toContain('password');
    expect([...files.keys()].some((name) => /session/.test(name))).toBe(false);
    const tables = await demo.db.query<{ t: string }[]>(
      'SELECT table_name t FROM information_schema.tables WHERE table_schema = DATABASE()',
    );
    const kept = tables.map(({ t }) => t).filter((t) => files.has(`tables/${t}.ndjson`));
    expect(
      tables
        .map(({ t }) => t)
        .filter((t) => !kept.includes(t))
        .sort(),
    ).toEqual(['migrations', 'server_processes', 'sessions', 'sign_in_known', 'sign_in_tries']);
    expect(JSON.parse(files.get('book.json')!.toString('utf8'))).toMatchObject({ format: 'fanega-book' });
  });

  it('goes into a farm that was just begun, under its own id, and its owner stays', async () => {
    const fresh = await Harness.start();
    try {
      const { client, farmId } = await fresh.owner();
      const { status, lines } = await upload(client, farmId, readFileSync(file));
      expect(status).toBe(200);
      expect(lines.at(-1)!.problem).toBeUndefined();
      expect(lines.at(-1)!.entries).toBeGreaterThan(600);
      const [there, here] = [await client.get<Accounts>(`/farms/${farmId}/accounts`), await visitor.get<Accounts>(`/farms/${FARM}/accounts`)]; // prettier-ignore
      expect(there.body).toEqual(here.body);
      expect((await client.get<{ farms: { name: string; role: string }[] }>('/auth/me')).body.farms).toMatchObject([{ name: 'Kestrel Levee Farms', role: 'owner' }]); // prettier-ignore
      expect((await client.get<BookCheckAnswer>(`/farms/${farmId}/book/check`)).body.sound).toBe(true);
      // The book goes on, chained.
      const { lots, places } = (await client.get<FarmHeaderAnswer>(`/farms/${farmId}/header`)).body;
      const cart = places.find(({ kind }) => kind === 'cart')!;
      const entry = { id: ulid(), type: 'harvest', at: '2026-09-30T12:00:00Z', lot: lots[0]!.id, to: cart.id, wetKg: 5000, moisture: 0.18 }; // prettier-ignore
      expect((await client.post(`/farms/${farmId}/entries`, { entries: [entry] })).status).toBe(200);
      expect((await client.get<BookCheckAnswer>(`/farms/${farmId}/book/check`)).body.sound).toBe(true);
      // A second time there is something in the way.
      expect((await upload(client, farmId, readFileSync(file))).status).toBe(409);
    } finally {
      await fresh.stop();
    }
  });

  it('is refused where anything of it is missing, changed, added or packed too tight, and nothing is written', async () => {
    const fresh = await Harness.start();
    try {
      const { client, farmId } = await fresh.owner();
      const files = await unpacked(file);
      const without = new Map(files);
      without.delete('tables/readings.ndjson');
      const changed = new Map(files);
      changed.set('tables/entries.ndjson', Buffer.from(files.get('tables/entries.ndjson')!.toString('utf8').replace('"moisture\\":0.1', '"moisture\\":0.2'))); // prettier-ignore
      const added = new Map(files).set('tables/users2.ndjson', Buffer.from('[]'));
      const bomb = new Map(files).set('tables/readings.ndjson', Buffer.alloc(50_000_000));
      const newer = new Map(files);
      const manifest = JSON.parse(files.get('manifest.json')!.toString('utf8')) as { schema: string };
      newer.set('manifest.json', Buffer.from(JSON.stringify({ ...manifest, schema: 'Later9999999999999' })));
      const whole = readFileSync(file);
      const flipped = Buffer.from(whole);
      flipped[await middleOf(file, 'tables/entries.ndjson')]! ^= 0xff;
      for (const [bytes, why] of [
        [await packed(without), /readings.* is missing/],
        [await packed(changed), /entries.* not what was written/],
        [await packed(added), /users2.* not name/],
        [await packed(bomb), /packed tighter|not what was written/],
        [await packed(newer), /newer program/],
        [whole.subarray(0, whole.length - 2000), /not a whole backup/],
        [flipped, /./],
        [Buffer.from('{}'), /not a whole backup/],
        [await packed(new Map([['a.txt', Buffer.from('a')]])), /no manifest/],
      ] as const) {
        const { status, lines } = await upload(client, farmId, bytes);
        expect([status, (lines[0] as { code?: string }).code], String(why)).toEqual([422, 'backup_refused']);
        expect((lines[0] as { message?: string }).message).toMatch(why);
      }
      expect((await client.get<{ seq: number }>(`/farms/${farmId}/now`)).body.seq).toBe(0);
      expect((await (await fresh.member(farmId, 'manager')).post(`/farms/${farmId}/backup`)).status).toBe(403);
    } finally {
      await fresh.stop();
    }
  });

  it('of a program two changes of tables ago is brought up to date and in', async () => {
    const fixture = (name: string): Buffer =>
      gunzipSync(readFileSync(path.join(import.meta.dirname, 'fixtures', name)));
    const fresh = await Harness.start();
    const url = new URL(fresh.config.databaseUrl);
    const name = `${url.pathname.slice(1)}_was`;
    const connection = await createConnection({ uri: process.env.FANEGA_TEST_DATABASE_URL!, multipleStatements: true });
    await connection.query(`CREATE DATABASE \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; USE \`${name}\`; ${fixture('demo-before.sql.gz').toString('utf8')}`); // prettier-ignore
    url.pathname = `/${name}`;
    const was = new DataSource({ ...dataSourceOptions(url.toString()), migrations: [] });
    try {
      await was.initialize();
      const old = path.join(dir, 'old.zip');
      await dumpFarm(was, FARM, old, Date.now(), null);
      await fresh
        .app()
        .get(BackupService)
        .restore(old, () => undefined);
      const reader = await fresh.member(FARM, 'owner');
      const told = JSON.parse(fixture('demo-before.json.gz').toString('utf8')) as {
        accounts: object;
        positions: object;
      };
      expect((await reader.get<object>(`/farms/${FARM}/accounts`)).body).toEqual(told.accounts);
      expect((await reader.get<object>(`/farms/${FARM}/positions`)).body).toEqual(told.positions);
      expect((await reader.get<BookCheckAnswer>(`/farms/${FARM}/book/check`)).body.sound).toBe(true);
      const scratch = await connection.query("SHOW DATABASES LIKE '%\\_old\\_%'");
      expect((scratch[0] as object[]).length).toBe(0);
    } finally {
      if (was.isInitialized) await was.destroy();
      await connection.query(`DROP DATABASE \`${name}\``);
      await connection.end();
      await fresh.stop();
    }
  });
});

describe('the daily backup', () => {
  it('is made once a day into the folder, told to the manager, and given to the owner alone', async () => {
    const folder = path.join(dir, 'daily');
    const harness = await Harness.start({ backups: folder });
    try {
      const { client, farmId } = await harness.owner();
      await smallFarm(client, farmId);
      const list = async (): Promise<BackupsAnswer> =>
        (await client.get<BackupsAnswer>(`/farms/${farmId}/backups`)).body;
      expect(await list()).toEqual({ automatic: true, kept: [], tooOld: false, failed: null });
      const service = harness.app().get(BackupService);
      await service.daily();
      await service.daily();
      const { kept } = await list();
      expect(kept.length).toBe(1);
      expect(readdirSync(path.join(folder, farmId))).toEqual([kept[0]!.name]);
      const response = await fetch(`${client.address}/api/farms/${farmId}/backups/${kept[0]!.name}`, { headers: { Cookie: client.cookie } }); // prettier-ignore
      const bytes = Buffer.from(await response.arrayBuffer());
      expect([response.status, bytes.length]).toEqual([200, kept[0]!.bytes]);
      expect(createHash('sha256').update(bytes).digest('hex')).toBe(createHash('sha256').update(readFileSync(path.join(folder, farmId, kept[0]!.name))).digest('hex')); // prettier-ignore
      const manager = await harness.member(farmId, 'manager');
      expect((await manager.get(`/farms/${farmId}/backups`)).status).toBe(200);
      expect((await manager.get(`/farms/${farmId}/backups/${kept[0]!.name}`)).status).toBe(403);
      expect((await client.get(`/farms/${farmId}/backups/..%2f..%2fetc`)).status).toBe(404);
      // A folder that cannot be written into is said, and the last one grows old.
      rmSync(folder, { recursive: true, force: true });
      writeFileSync(folder, 'in the way');
      expect((await client.post(`/farms/${farmId}/backups`)).status).toBe(500);
      expect((await list()).failed).toMatch(/ENOTDIR|EEXIST/);
    } finally {
      await harness.stop();
    }
  });

  it('without a folder there is none, and it says so', async () => {
    const harness = await Harness.start();
    try {
      const { client, farmId } = await harness.owner();
      expect((await client.post<{ code: string }>(`/farms/${farmId}/backups`)).body.code).toBe('no_backup_folder');
    } finally {
      await harness.stop();
    }
  });
});

it('an owner who was brought back sets a password once, with the code', async () => {
  const fresh = await Harness.start();
  try {
    const { client, farmId } = await fresh.owner();
    await smallFarm(client, farmId);
    const own = path.join(dir, 'own.zip');
    await fresh.app().get(BackupService).write(farmId, own);
    const second = await Harness.start();
    try {
      await second
        .app()
        .get(BackupService)
        .restore(own, () => undefined);
      const anyone = second.client();
      expect((await anyone.get<object>('/auth/me')).body).toMatchObject({ firstRun: false, claim: true });
      const claim = { code: SET_UP_CODE, email: 'oona@example.invalid', password: 'another long password' };
      expect((await anyone.post('/auth/claim', { ...claim, code: 'no' })).status).toBe(403);
      expect((await anyone.post('/auth/claim', { ...claim, email: 'who@example.invalid' })).status).toBe(401);
      expect((await anyone.post('/auth/claim', claim)).status).toBe(204);
      expect((await anyone.get<{ farms: object[] }>('/auth/me')).body.farms).toMatchObject([{ role: 'owner' }]);
      expect((await second.client().post('/auth/claim', claim)).status).toBe(401);
      expect((await second.client().post('/auth/sign-in', { email: claim.email, password: claim.password })).status).toBe(204); // prettier-ignore
      expect((await second.client().get<object>('/auth/me')).body).toMatchObject({ claim: false });
      await expect(
        second
          .app()
          .get(BackupService)
          .restore(own, () => undefined),
      ).rejects.toThrow(/is here already/);
    } finally {
      await second.stop();
    }
  } finally {
    await fresh.stop();
  }
});
