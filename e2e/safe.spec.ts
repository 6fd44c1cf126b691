import { expect, type Page, test } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { ulid } from 'ulid';
import { startDatabase } from '../scripts/lib/database.mjs';
import { anyFreePort } from '../scripts/lib/run.mjs';
import { prepareDatabase, startServer } from '../scripts/lib/server.mjs';
import { record, shows, tape, told } from './pages';

/** A database of its own, which these walks stop, freeze and spoil. */
const dir = mkdtempSync(join(tmpdir(), 'fanega-safe-'));
const CODE = 'safe';
const BU = 56 * 0.45359237;
let database: Awaited<ReturnType<typeof startDatabase>>;
const servers: Awaited<ReturnType<typeof startServer>>[] = [];

async function serve(name: string): Promise<string> {
  const url = database.url(name);
  await prepareDatabase(url, false);
  const env = { FANEGA_LOG: 'silent', FANEGA_SIGN_IN_LIMIT: '0', FANEGA_SET_UP_CODE: CODE, FANEGA_BACKUPS: join(dir, name) }; // prettier-ignore
  const server = await startServer({ url, port: await anyFreePort(), env });
  servers.push(server);
  return server.address;
}

test.describe.configure({ mode: 'serial' });
let address: string;
let page: Page;
let farmId: string;
let lotId: string;
let cart: string;

test.beforeAll(async ({ browser }) => {
  test.setTimeout(180_000);
  database = await startDatabase(join(dir, 'db'), { quiet: true });
  address = await serve('fanega_safe');
  page = await (await browser.newContext({ acceptDownloads: true })).newPage();
});
test.afterAll(async () => {
  await page.close();
  for (const server of servers) await server.stop();
  await database.stop();
  rmSync(dir, { recursive: true, force: true });
});

const api = async <T>(method: 'get' | 'post', path: string, data?: object, where = address): Promise<T> => {
  const response = await page.request[method](`${where}/api${path}`, { headers: { Origin: where }, ...(data ? { data } : {}) }); // prettier-ignore
  expect(response.ok(), `${path}: ${await response.text()}`).toBe(true);
  return (await response.json().catch(() => ({}))) as T;
};
const sql = async (text: string, values: unknown[] = []): Promise<void> => {
  const connection = await createConnection(database.url('fanega_safe'));
  await connection.query(text, values);
  await connection.end();
};
const harvest = (wetKg: number) => ({ type: 'harvest', id: ulid(), at: new Date().toISOString(), lot: lotId, to: cart, wetKg, moisture: 0.18 }); // prettier-ignore

/** The first run, by its page. */
async function begin(where: string, farm: string): Promise<void> {
  await page.goto(`${where}/?code=${CODE}`);
  await page.getByLabel('Name of the farm').fill(farm);
  await page.getByLabel('Your name').fill('Oona');
  await page.getByLabel('Mail address').fill('oona@example.invalid');
  await page.getByLabel('Password').fill('a long password');
  await page.getByLabel('Time zone').fill('America/Chicago');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('heading', { name: 'What stands on the farm?' })).toBeVisible();
}

test('a book that is as it was written says so, and finds the fingerprint of a paper again', async () => {
  await begin(address, 'Safe Levee');
  farmId = (await api<{ farms: { id: string }[] }>('get', '/auth/me')).farms[0]!.id;
  const field = { name: 'Heron Slough', acres: 62.5, crop: 'corn', tag: 'HS', season: new Date().getUTCFullYear() };
  ({ lotId } = await api<{ lotId: string }>('post', `/farms/${farmId}/fields`, field));
  ({ placeId: cart } = await api<{ placeId: string }>('post', `/farms/${farmId}/places`, { name: 'Cart 1', kind: 'cart', withdrawal: 'mixed', capacityBu: 1100 })); // prettier-ignore
  for (const kg of [4000, 5000, 6000]) await api('post', `/farms/${farmId}/entries`, { entries: [harvest(kg)] });
  await page.goto(`${address}/trace/book`);
  const book = page.getByRole('region', { name: 'The book' });
  await expect(book).toContainText('Unchanged');
  await expect(book).toContainText('All 3 records are as they were first written down.');
  const fingerprint = /([0-9a-f]{4}-){4}[0-9a-f]{4}/.exec(await book.innerText())![0];
  await book.getByLabel('Fingerprint on a printed sheet').fill(fingerprint.toUpperCase());
  await book.getByRole('button', { name: 'Look it up' }).click();
  await expect(book.getByRole('status')).toContainText('The book had it at record 3');
  await book.getByLabel('Fingerprint on a printed sheet').fill('dead beef dead');
  await book.getByRole('button', { name: 'Look it up' }).click();
  await expect(book.getByRole('status')).toContainText('never had');
});

test('the whole farm is saved by one tap and comes back into an empty one, as told', async () => {
  await page.goto(`${address}/trace/book`);
  const backups = page.getByRole('region', { name: 'Backups' });
  await expect(backups).toContainText('None yet');
  await backups.getByRole('button', { name: 'Make one on the server now' }).click();
  await expect(backups.getByRole('list', { name: 'Backups on the server' }).getByRole('listitem')).toHaveCount(1);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    backups.getByRole('link', { name: 'Save everything as one file' }).click(),
  ]);
  const file = join(dir, 'saved.zip');
  await download.saveAs(file);
  const empty = await serve('fanega_back');
  const other = await page.context().browser()!.newContext();
  const [here, there] = [page, await other.newPage()];
  page = there;
  try {
    await begin(empty, 'Another');
    await page.locator('input[type=file]').setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('no') }); // prettier-ignore
    await expect(told(page, 'This is not a whole backup file')).toBeVisible();
    await page.locator('input[type=file]').setInputFiles(file);
    await expect(page.getByRole('heading', { name: /book is open and empty/ })).toBeHidden();
    await shows(page.locator('body'), 'Safe Levee');
    await expect(tape(page)).toHaveCount(3);
    await page.goto(`${empty}/trace/book`);
    await expect(page.getByRole('region', { name: 'The book' })).toContainText('All 3 records');
  } finally {
    await other.close();
    page = here;
  }
});

test('a record of the book that cannot be read is left out, shown, and taken out', async () => {
  const { entries } = await api<{ entries: { id: string }[] }>('get', `/farms/${farmId}/book`);
  await sql("UPDATE entries SET body = JSON_SET(body, '$.wetKg', 'much') WHERE id = ?", [entries[1]!.id]);
  // Read again, as after a restart.
  await servers[0]!.stop();
  servers[0] = await startServer({ url: database.url('fanega_safe'), port: Number(new URL(address).port), env: { FANEGA_LOG: 'silent', FANEGA_BACKUPS: join(dir, 'fanega_safe') } }); // prettier-ignore
  await page.goto(address);
  await expect(page.getByRole('alert')).toContainText('One record of the book cannot be read');
  await expect(tape(page)).toHaveCount(2);
  await page.getByRole('link', { name: 'See it and take it out' }).click();
  const book = page.getByRole('region', { name: 'The book' });
  await expect(book).toContainText('Not as written');
  await expect(book).toContainText('wetKg is "much"');
  await book.getByRole('button', { name: 'Take it out' }).click();
  await expect(book).toContainText('Taken out. Record the load again');
  await page.goto(address);
  await expect(tape(page)).toHaveCount(2);
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(page.locator('body')).not.toContainText('cannot be read');
});

test('a reading that cannot be read shows itself on its station, and the page stands', async () => {
  // A page that is open asks for what is new, and the server keeps its answer: nobody may ask before the stone is in.
  await page.goto('about:blank');
  const [{ lot }] = await api<[{ lot: { fieldId: string } }]>('get', `/farms/${farmId}/lots`);
  for (const moisture of [0.2, 0.21])
    await api('post', `/farms/${farmId}/fields/reading`, { id: ulid(), at: new Date().toISOString(), fieldId: lot.fieldId, source: 'hand', moisture }); // prettier-ignore
  await sql("UPDATE readings SET source = 'a stone' WHERE moisture = 0.21");
  await page.goto(`${address}/fields`);
  const alert = page.getByRole('alert').filter({ hasText: 'One record here cannot be read' });
  await expect(alert).toContainText('Oona');
  await shows(page, 'Heron Slough');
  await alert.getByRole('button', { name: 'Take it out' }).click();
  await expect(alert).toBeHidden();
});

const queue = () => page.getByRole('button', { name: 'Entries that wait' });
const inBook = async (): Promise<number> =>
  (await api<{ entries: object[] }>('get', `/farms/${farmId}/book`)).entries.length;

test('a database that freezes is said, what is recorded waits, and is in the book once when it answers', async () => {
  await page.goto(address);
  await expect(tape(page)).toHaveCount(2);
  const before = await inBook();
  process.kill(database.pid(), 'SIGSTOP');
  try {
    await record(page, { what: 'Cut', Field: 'Heron', To: 'Cart 1', Weight: '111', moisture: '18', within: 40_000 });
    await expect(queue()).toContainText('1 entry waits', { timeout: 40_000 });
    const answer = await page.request.get(`${address}/api/farms/${farmId}/lots`, { timeout: 40_000 });
    expect([answer.status(), ((await answer.json()) as { code: string }).code]).toEqual([503, 'database_silent']);
  } finally {
    process.kill(database.pid(), 'SIGCONT');
  }
  await expect(queue()).toBeHidden({ timeout: 40_000 });
  expect(await inBook()).toBe(before + 1);
});

test('a database that is stopped is said, the queue waits, and all of it goes out when it is back', async () => {
  const before = await inBook();
  await database.stop();
  const answer = await page.request.get(`${address}/api/farms/${farmId}/lots`);
  expect([answer.status(), ((await answer.json()) as { code: string }).code]).toEqual([503, 'database_gone']);
  for (const bushels of ['222', '333'])
    await record(page, { what: 'Cut', Field: 'Heron', To: 'Cart 1', Weight: bushels, moisture: '18' });
  await expect(queue()).toContainText('2 entries wait');
  database = await startDatabase(join(dir, 'db'), { quiet: true });
  await expect(queue()).toBeHidden({ timeout: 60_000 });
  // The server finds its database again in its own time: until then it says so.
  await expect(async () => expect(await inBook()).toBe(before + 2)).toPass({ timeout: 60_000 });
  const killed = database.pid();
  process.kill(killed, 'SIGKILL');
  await record(page, { what: 'Cut', Field: 'Heron', To: 'Cart 1', Weight: '44', moisture: '18' });
  await expect.poll(() => database.pid(), { timeout: 60_000 }).not.toBe(killed);
  await expect(async () => expect(await inBook()).toBe(before + 3)).toPass({ timeout: 60_000 });
  expect(BU).toBeGreaterThan(25);
});
