// npm run bench:cluster [-- --seconds 40]: three Galera nodes and two servers on loopback, thirty devices that write meanwhile; one node is
// killed, then one server, then both come back. Figures, and an exit code that says whether every acknowledged entry is there, none twice,
// nobody heard of a conflict between the nodes, writes paused for less than 5 s, and both servers say the same within a second.
import { mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { buildAll } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { judge, wait } from './lib/holds.mjs';
import { ensureMariadb } from './lib/packages.mjs';
import { anyFreePort, until } from './lib/run.mjs';
import { prepareDatabase, startServer } from './lib/server.mjs';
import { enterDemo } from './lib/wires.mjs';

const { values } = parseArgs({ options: { seconds: { type: 'string', default: '40' } } });
const SECONDS = Math.max(20, Number(values.seconds));
const DEVICES = 30;
const PAUSE_MS = 5000;
const AGREE_MS = 1000;

await ensureMariadb();
await buildAll();
const { ulid } = await import('ulid');
const log = path.join(os.tmpdir(), `fanega-cluster-${process.pid}.log`);
const cluster = await startCluster(mkdtempSync(path.join(os.tmpdir(), 'fanega-cluster-')));
const servers = [];
const { check, failures } = judge();

try {
  console.log('three nodes stand');
  await prepareDatabase(cluster.url('fanega_cluster'), true);
  const ports = [await anyFreePort(), await anyFreePort()];
  const start = async (n) => {
    // Each server begins at a node of its own.
    servers[n] = await startServer({ url: cluster.url('fanega_cluster', n), port: ports[n], stdio: openSync(log, 'a'), env: { FANEGA_LOG: 'error', FANEGA_DEVICE_LIMIT: '0' } }); // prettier-ignore
  };
  await Promise.all([start(0), start(1)]);
  const sides = await Promise.all(servers.map(({ address }) => enterDemo(address)));
  const { farmId } = sides[0];
  const { lots } = await sides[0].call('GET', `/farms/${farmId}/header`);
  const now = await sides[0].call('GET', `/farms/${farmId}/now`);
  const devices = [];
  for (let i = 0; i < DEVICES; i++) devices.push(await sides[i % 2].call('POST', `/farms/${farmId}/devices`, { name: `Cluster scale ${i + 1}`, kind: 'cartScale' })); // prettier-ignore

  const began = performance.now();
  const ends = began + SECONDS * 1000;
  const acknowledged = new Map();
  const sent = new Map();
  const answers = new Map();
  const moments = [];
  let n = 0;
  const write = async (device) => {
    // The server that it asks first; the other one when that does not take it.
    let at = device % 2;
    while (performance.now() < ends) {
      const i = n++;
      const entry = { type: 'harvest', id: ulid(), at: new Date(now.now + 60_000 + i * 1000).toISOString(), lot: lots[0].id, to: 'cart-1', wetKg: 100 + (i % 7), moisture: 0.18, method: 'cartScale' }; // prettier-ignore
      sent.set(entry.id, entry);
      const asked = performance.now();
      for (;;) {
        let said = 'no answer';
        try {
          const response = await fetch(`${servers[at].address}/api/device/entries`, {
            method: 'POST',
            headers: { Authorization: `Bearer ${devices[device].token}`, 'Content-Type': 'application/json' },
            body: JSON.stringify({ entries: [entry] }),
            signal: AbortSignal.timeout(10_000),
          });
          const body = await response.json();
          said = response.ok ? 'ok' : `${response.status} ${body.code}`;
        } catch {
          // its server is dead, or just starting
        }
        answers.set(said, (answers.get(said) ?? 0) + 1);
        if (said === 'ok') {
          acknowledged.set(entry.id, performance.now() - asked);
          moments.push(performance.now());
          break;
        }
        at = 1 - at;
        await wait(100);
      }
    }
  };
  const writing = Array.from({ length: DEVICES }, (_, device) => write(device));
  const at = async (share, what, work) => {
    await wait(Math.max(0, began + share * SECONDS * 1000 - performance.now()));
    console.log(`${((performance.now() - began) / 1000).toFixed(1)} s: ${what}`);
    await work();
  };
  await at(0.2, 'a node is killed, the one that the first server writes to', () => cluster.kill(0));
  await at(0.45, 'a server is killed', () => process.kill(servers[0].child.pid, 'SIGKILL'));
  await at(0.6, 'the server is started again', () => start(0));
  await at(0.7, 'the node is started again', () => cluster.start(0));
  await Promise.all(writing);

  const times = [...acknowledged.values()].sort((a, b) => a - b);
  const of = (share) => times[Math.min(times.length - 1, Math.floor(share * times.length))].toFixed(0);
  console.log(`${times.length} entries acknowledged in ${SECONDS} s, ${(times.length / SECONDS).toFixed(0)} a second; ms: median ${of(0.5)}, p99 ${of(0.99)}, longest ${of(1)}`); // prettier-ignore
  console.log(`answers: ${[...answers].map(([said, count]) => `${count} × ${said}`).join(', ')}`);
  const gap = moments.slice(1).reduce((most, moment, i) => Math.max(most, moment - moments[i]), 0);
  check(gap < PAUSE_MS, `writes paused for ${(gap / 1000).toFixed(1)} s at most`);
  for (const line of readFileSync(log, 'utf8').split('\n'))
    if (line.includes('"context":"errors"') && !line.includes('database_gone')) console.log(line.slice(0, 2000));
  check(![...answers.keys()].some((said) => said.startsWith('500')), 'nobody heard of a conflict between the nodes');
  check([...acknowledged.keys()].length === sent.size, 'each device got its entry in at last');

  const books = await Promise.all(sides.map(({ call }) => call('GET', `/farms/${farmId}/book`)));
  for (const [which, book] of books.entries()) {
    const ids = book.entries.map(({ id }) => id).filter((id) => sent.has(id));
    check(new Set(ids).size === ids.length, `server ${which + 1}: no entry is there twice`);
    check([...acknowledged.keys()].every((id) => ids.includes(id)), `server ${which + 1}: each of ${acknowledged.size} acknowledged entries is in the book`); // prettier-ignore
  }
  check(JSON.stringify(books[0].entries.map(({ id }) => id)) === JSON.stringify(books[1].entries.map(({ id }) => id)), 'both servers have the same entries in the same order'); // prettier-ignore
  const present = await Promise.all(sides.map(({ call }) => call('GET', `/farms/${farmId}/now`)));
  check(
    present.every(({ balance }) => balance.balances),
    'the book balances on both',
  );
  // What one writes the other says.
  let slowest = 0;
  for (let i = 0; i < 10; i++) {
    const id = ulid();
    const entry = { type: 'harvest', id, at: new Date(now.now + 60_000).toISOString(), lot: lots[0].id, to: 'cart-1', wetKg: 50, moisture: 0.18 }; // prettier-ignore
    await sides[i % 2].call('POST', `/farms/${farmId}/entries`, { entries: [entry] });
    const written = performance.now();
    await until('the other server', 10_000, async () => (await sides[1 - (i % 2)].call('GET', `/farms/${farmId}/entries/${id}`).catch(() => null)) !== null); // prettier-ignore
    slowest = Math.max(slowest, performance.now() - written);
  }
  check(slowest < AGREE_MS, `what one server wrote the other one says within ${slowest.toFixed(0)} ms`);
} finally {
  await Promise.all(servers.map((server) => server.stop()));
  await cluster.stop();
  rmSync(log, { force: true });
}
if (failures.length > 0) process.exit(1);
