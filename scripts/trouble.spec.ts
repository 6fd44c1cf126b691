import { type ChildProcess, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ulid } from 'ulid';
import { buildServer } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { anyFreePort } from './lib/run.mjs';
import { prepareDatabase, startServer } from './lib/server.mjs';

const root = new URL('..', import.meta.url).pathname;
const dir = mkdtempSync(join(tmpdir(), 'fanega-trouble-'));
beforeAll(() => buildServer(), 120_000);
afterAll(() => rmSync(dir, { recursive: true, force: true }));

it.each([
  [
    'a database that is not there',
    'mysql://fanega:x@127.0.0.1:9/fanega',
    /cannot reach the database at 127\.0\.0\.1:9/,
  ],
  ['no database named', '', /FANEGA_DATABASE_URL is not set/],
])('%s at the start is one sentence and no stack', (_, url, said) => {
  for (const script of ['main.js', 'cli/prepare.js', 'cli/backup.js']) {
    const { status, stderr } = spawnSync(
      process.execPath,
      [join(root, 'apps/server/dist', script), 'backup', join(dir, 'x.zip')],
      { encoding: 'utf8', env: { ...process.env, FANEGA_DATABASE_URL: url, FANEGA_LOG: 'silent' }, timeout: 60_000 },
    );
    expect(status).toBe(1);
    const lines = stderr.split('\n').filter((line) => line !== '');
    expect([lines.length, lines[0]], stderr).toEqual([1, expect.stringMatching(said)]);
  }
});

it('no line of the log holds a cookie, a token or the secret of a link, whatever is asked and answered', async () => {
  const database = await startDatabase(join(dir, 'log'), { quiet: true });
  const url = database.url('fanega_log');
  await prepareDatabase(url, true);
  const server = await startServer({
    url,
    port: await anyFreePort(),
    env: { FANEGA_LOG: 'info', FANEGA_SET_UP_CODE: 'log' },
    stdio: 'pipe',
  });
  let log = '';
  const { stdout, stderr } = server.child as ChildProcess;
  for (const stream of [stdout, stderr]) stream!.on('data', (part) => (log += String(part)));
  try {
    const entered = await fetch(`${server.address}/api/auth/demo`, { method: 'POST', headers: { Origin: server.address } }); // prettier-ignore
    const cookie = entered.headers.get('set-cookie')!.split(';')[0]!;
    const secret = 's'.repeat(10) + 'ecret-of_a_link_that_is_as_long_x';
    const token = 'fg_' + 't'.repeat(43);
    const asked = [
      `/api/farms/kestrel-levee/header`,
      `/api/farms/kestrel-levee/nothing`,
      ...['origin', 'grain', 'invites', 'jobs'].map((door) => `/api/${door}/${secret}`),
      `/api/auth/me?token=${secret}`,
      '/api/device/names',
    ];
    for (const path of asked)
      for (const headers of [{ Cookie: cookie }, { Authorization: `Bearer ${token}` }] as Record<string, string>[])
        await fetch(server.address + path, { headers });
    await expect.poll(() => log.split('\n').filter((line) => line.includes('"req"')).length).toBeGreaterThan(asked.length); // prettier-ignore
    await expect.poll(() => log).toContain('/api/device/names');
    for (const hidden of [cookie.split('=')[1]!, secret, token]) expect(log).not.toContain(hidden);
    expect(log).toContain('/api/jobs/…');
  } finally {
    await server.stop();
    await database.stop();
  }
});

describe('a disk that is full', () => {
  it('is said, takes nothing that was acknowledged, and the farm can still be read', async () => {
    // Tables in one file that may not grow: the same error as a disk without room, from the database itself.
    const args = ['--innodb-file-per-table=0', '--innodb-data-file-path=ibdata1:12M:autoextend:max:44M'];
    const database = await startDatabase(join(dir, 'full'), { quiet: true, args });
    const url = database.url('fanega_full');
    await prepareDatabase(url, false);
    const server = await startServer({
      url,
      port: await anyFreePort(),
      env: { FANEGA_LOG: 'silent', FANEGA_SET_UP_CODE: 'full', FANEGA_SIGN_IN_LIMIT: '0' },
    });
    try {
      let cookie = '';
      const call = async (method: string, path: string, body?: object) => {
        const response = await fetch(`${server.address}/api${path}`, {
          method,
          headers: { Origin: server.address, Cookie: cookie, 'Content-Type': 'application/json' },
          ...(body ? { body: JSON.stringify(body) } : {}),
        });
        cookie = response.headers.get('set-cookie')?.split(';')[0] ?? cookie;
        const text = await response.text();
        return { status: response.status, body: (text === '' ? {} : JSON.parse(text)) as Record<string, never> };
      };
      const owner = { farm: 'Full', name: 'Oona', email: 'oona@example.invalid', password: 'a long password', timeZone: 'America/Chicago' }; // prettier-ignore
      expect((await call('POST', '/auth/set-up', { code: 'full', ...owner })).status).toBe(204);
      const [{ id }] = (await call('GET', '/auth/me')).body.farms as unknown as [{ id: string }];
      const farm = `/farms/${id}`;
      const { lotId } = (await call('POST', `${farm}/fields`, { name: 'Heron', acres: 60, crop: 'corn', tag: 'HS', season: 2026 })).body; // prettier-ignore
      const { placeId } = (await call('POST', `${farm}/places`, { name: 'Cart 1', kind: 'cart', withdrawal: 'mixed' }))
        .body;
      const acknowledged: string[] = [];
      let refused: Awaited<ReturnType<typeof call>> | undefined;
      for (let batch = 0; batch < 200 && !refused; batch++) {
        const entries = Array.from({ length: 200 }, (_, i) => ({
          ...{
            type: 'harvest',
            id: ulid(),
            at: new Date(Date.UTC(2026, 8, 1) + (batch * 200 + i) * 1000).toISOString(),
          },
          ...{ lot: lotId, to: placeId, wetKg: 1, moisture: 0.2, note: 'n'.repeat(400) },
        }));
        const answer = await call('POST', `${farm}/entries`, { entries });
        if (answer.status === 200) acknowledged.push(...entries.map((entry) => entry.id));
        else refused = answer;
      }
      expect([refused?.status, refused?.body.code]).toEqual([507, 'disk_full']);
      expect(String(refused?.body.message)).toContain('disk of the farm’s computer is full');
      expect(acknowledged.length).toBeGreaterThan(200);
      const book = (await call('GET', `${farm}/book`)).body as unknown as {
        entries: { id: string }[];
        chain: string[];
      };
      expect(book.entries.map((entry) => entry.id)).toEqual(acknowledged);
      expect((await call('GET', `${farm}/book/check`)).body).toMatchObject({
        sound: true,
        records: acknowledged.length,
      });
      expect((await call('GET', `${farm}/now`)).status).toBe(200);
    } finally {
      await server.stop();
      await database.stop();
    }
  });
});
