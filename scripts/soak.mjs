// npm run soak [-- --minutes 30 --clients 20]: a farm's day of work, again and again: entries, readings, pages and their streams. Memory must
// stay flat, nothing may be lost, no answer may be the server's fault. Figures, and an exit code that says whether it held.
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { buildServer } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { judge, memoryOf, wait } from './lib/holds.mjs';
import { ensureMariadb } from './lib/packages.mjs';
import { anyFreePort } from './lib/run.mjs';
import { prepareDatabase, startServer } from './lib/server.mjs';
import { enterDemo } from './lib/wires.mjs';

const { values } = parseArgs({
  options: { minutes: { type: 'string', default: '30' }, clients: { type: 'string', default: '20' } },
});
const ENDS_MS = Number(values.minutes) * 60_000;
const CLIENTS = Number(values.clients);
/** What a client does in a row, then a breath: a person looks at a page for longer than that. */
const BREATH_MS = 1000;
/** Memory is measured from here on: caches fill first. */
const WARM_SHARE = 1 / 3;
/** How much more memory the last third may have than the middle one. */
const MOST_GROWTH = 0.1;

await ensureMariadb();
await buildServer();
const { ulid } = await import('ulid');
const dir = mkdtempSync(path.join(os.tmpdir(), 'fanega-soak-'));
const database = await startDatabase(dir, { quiet: true });
const url = database.url('fanega_soak');
await prepareDatabase(url, true);
const server = await startServer({ url, port: await anyFreePort(), env: { FANEGA_LOG: 'error' } });
const { check, failures } = judge();

try {
  const began = performance.now();
  const goesOn = () => performance.now() - began < ENDS_MS;
  const { farmId, call, cookie } = await enterDemo(server.address);
  const header = await call('GET', `/farms/${farmId}/header`);
  const { entries: before, now } = await call('GET', `/farms/${farmId}/now`);
  const [{ id: lot, fieldId }] = header.lots;
  const pages = ['header', 'now', 'lots', 'fields/records', 'haul', 'haul/records', 'shed/records', 'store/records', 'wet', 'accounts']; // prettier-ignore
  let [written, asked, wrong, made] = [0, 0, 0, 0];
  const times = [];
  const timed = async (work) => {
    const from = performance.now();
    asked++;
    try {
      return await work();
    } catch (error) {
      wrong++;
      console.error(String(error).slice(0, 200));
      return undefined;
    } finally {
      times.push(performance.now() - from);
    }
  };
  const client = async (n) => {
    while (goesOn()) {
      const k = made++;
      const at = new Date(now + 60_000 + k * 10).toISOString();
      // A few entries a second, as a large farm writes on its busiest evening: the book itself grows by little.
      if (k % 10 === 0) {
        const cut = { type: 'harvest', id: ulid(), at, lot, to: 'cart-1', wetKg: 500, moisture: 0.18, method: 'cartScale' }; // prettier-ignore
        const after = new Date(Date.parse(at) + 1).toISOString();
        const haul = { type: 'move', id: ulid(), at: after, from: 'cart-1', to: 'truck-3', wetKg: 500 };
        if (await timed(() => call('POST', `/farms/${farmId}/entries`, { entries: [cut, haul] }))) written += 2;
      }
      if (k % 50 === 0)
        await timed(() =>
          call('POST', `/farms/${farmId}/fields/reading`, { id: ulid(), at, fieldId, source: 'hand', moisture: 0.18 }),
        );
      for (let i = 0; i < 3; i++)
        await timed(() => call('GET', `/farms/${farmId}/${pages[(n + k + i) % pages.length]}`));
      // A page that is opened hangs on the farm's stream for a moment.
      const line = new AbortController();
      const stream = fetch(`${server.address}/api/farms/${farmId}/feed`, { headers: { Cookie: cookie }, signal: line.signal }).catch(() => undefined); // prettier-ignore
      await wait(BREATH_MS);
      line.abort();
      await stream;
    }
  };
  const memory = [];
  const watch = async () => {
    for (let last = 0; goesOn();) {
      const mb = memoryOf(server.child.pid);
      const share = (performance.now() - began) / ENDS_MS;
      memory.push({ share, mb });
      if (share - last > 0.1) {
        last = share;
        console.log(`${(100 * share).toFixed(0)} %: ${mb.toFixed(0)} MB, ${asked} answers, ${written} entries`);
      }
      await wait(Math.min(5000, ENDS_MS / 60));
    }
  };
  await Promise.all([watch(), ...Array.from({ length: CLIENTS }, (_, n) => client(n))]);

  const mean = (from, to) => {
    const some = memory.filter(({ share }) => share >= from && share < to).map(({ mb }) => mb);
    return some.reduce((sum, mb) => sum + mb, 0) / some.length;
  };
  const [middle, end] = [mean(WARM_SHARE, 2 * WARM_SHARE), mean(2 * WARM_SHARE, 1)];
  times.sort((a, b) => a - b);
  const of = (share) => times[Math.floor(share * (times.length - 1))].toFixed(0);
  console.log(
    `${CLIENTS} clients, ${values.minutes} minutes: ${asked} answers, ms: median ${of(0.5)}, p99 ${of(0.99)}, longest ${of(1)}`,
  );
  check(wrong === 0, `no answer was wrong (${wrong})`);
  check(end < middle * (1 + MOST_GROWTH), `memory is flat: ${middle.toFixed(0)} MB in the middle third, ${end.toFixed(0)} MB in the last`); // prettier-ignore
  const after = await call('GET', `/farms/${farmId}/now`);
  check(
    after.entries - before === written,
    `${written} entries were acknowledged, ${after.entries - before} are there`,
  );
  check(after.balance.balances, 'the book balances');
} finally {
  await server.stop();
  await database.stop();
  rmSync(dir, { recursive: true, force: true });
}
process.exit(failures.length > 0 ? 1 : 0);
