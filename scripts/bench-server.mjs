// npm run bench:server [-- --seconds 60]: fifty devices that write twenty entries a second in all, and a server killed in the middle of
// writing. Figures, and an exit code that says whether every acknowledged entry is there, none twice, and the book balances.
import { mkdtempSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { buildAll } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { judge, memoryOf, wait } from './lib/holds.mjs';
import { ensureMariadb } from './lib/packages.mjs';
import { anyFreePort, ROOT, run } from './lib/run.mjs';
import { prepareDatabase, startServer } from './lib/server.mjs';
import { enterDemo } from './lib/wires.mjs';

const { values } = parseArgs({ options: { seconds: { type: 'string', default: '60' } } });
const SECONDS = Number(values.seconds);
const DEVICES = 50;
const PER_SECOND = 20;
const LIMIT_MS = 250;
/** Single entries a second, as fast as it goes. */
const FAST = 1000;
const FLOOD = path.join(ROOT, 'scripts/lib/flood.mjs');

// A plain connection that is kept: whoever measures shares the machine with what is measured, and `fetch` costs as much as an answer.
const agent = new Agent({ keepAlive: true, maxSockets: 256 });
const ask = (address, headers, body) =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(address);
    const options = { agent, hostname, port, path: '/api/device/entries', method: 'POST', headers: { ...headers, 'Content-Length': Buffer.byteLength(body) } }; // prettier-ignore
    const asked = request(options, (response) => {
      let text = '';
      response.setEncoding('utf8');
      response.on('data', (part) => (text += part));
      response.on('end', () => resolve({ status: response.statusCode, text }));
      response.on('error', reject);
    });
    asked.on('error', reject);
    asked.end(body);
  });

await ensureMariadb();
await buildAll();
const { ulid } = await import('ulid');
const dir = mkdtempSync(path.join(os.tmpdir(), 'fanega-bench-'));
const database = await startDatabase(dir, { quiet: true });
const url = database.url('fanega_bench');
const port = await anyFreePort();
// A device may write ten entries a second; this is about the farm's book, and not about one device.
const start = () => startServer({ url, port, env: { FANEGA_LOG: 'error', FANEGA_DEVICE_LIMIT: '0' } });
await prepareDatabase(url, true);
let server = await start();
const { createConnection } = await import('mysql2/promise');
const databaseSays = async (sql) => {
  const connection = await createConnection(url);
  const [rows] = await connection.query(sql);
  await connection.end();
  return rows;
};
const { check, failures } = judge();

try {
  const { farmId, call } = await enterDemo(server.address);
  const now = { ...(await call('GET', `/farms/${farmId}/header`)), ...(await call('GET', `/farms/${farmId}/now`)) };
  const lot = now.lots[0].id;
  const devices = [];
  for (let i = 0; i < DEVICES; i++)
    devices.push(await call('POST', `/farms/${farmId}/devices`, { name: `Scale ${i + 1}`, kind: 'cartScale' }));
  const before = now.entries;
  const cart = 'cart-1';
  // A device as a gateway is one: an entry with its id, tried until somebody answers.
  const acknowledged = new Map();
  const sent = new Map();
  let refused = 0;
  let tries = 0;
  const send = async (token, entry, patient) => {
    const began = performance.now();
    for (;;) {
      tries++;
      try {
        const headers = { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' };
        const { status, text } = await ask(server.address, headers, JSON.stringify({ entries: [entry] }));
        if (status < 300) {
          acknowledged.set(entry.id, performance.now() - began);
          return;
        }
        if (status < 500 && status !== 429) {
          refused++;
          console.error(`${status}: ${text}`);
          return;
        }
      } catch {
        // nobody answers: the server is being started
      }
      if (!patient) {
        refused++;
        return;
      }
      await wait(150);
    }
  };
  let made = 0;
  const entryOf = () => {
    const n = made++;
    const entry = {
      type: 'harvest',
      id: ulid(),
      at: new Date(now.now + 60_000 + n * 1000).toISOString(),
      lot,
      to: cart,
      wetKg: 100 + (n % 7),
      moisture: 0.18,
      method: 'cartScale',
    };
    sent.set(entry.id, entry);
    return entry;
  };
  const write = async (seconds, patient) => {
    const began = performance.now();
    const under = [];
    const total = seconds * PER_SECOND;
    for (let i = 0; i < total; i++) {
      const due = began + (1000 * i) / PER_SECOND;
      if (due > performance.now()) await wait(due - performance.now());
      const n = made;
      const entry = entryOf();
      under.push(send(devices[n % DEVICES].token, entry, patient));
    }
    await Promise.all(under);
    return (performance.now() - began) / 1000;
  };
  const inBook = async () => {
    const { seq } = await call('GET', `/farms/${farmId}/now`);
    const book = await call('GET', `/farms/${farmId}/book`);
    return { seq, entries: book.entries.filter((entry) => sent.has(entry.id)) };
  };
  const weighs = () => [...sent.values()].reduce((sum, entry) => sum + entry.wetKg, 0);
  const judge = async (title) => {
    const { entries } = await inBook();
    const after = await call('GET', `/farms/${farmId}/now`);
    const ids = entries.map((entry) => entry.id);
    check(new Set(ids).size === ids.length, `${title}: no entry is there twice`);
    check(
      [...acknowledged.keys()].every((id) => ids.includes(id)),
      `${title}: each of ${acknowledged.size} acknowledged entries is in the book`,
    );
    check(after.balance.balances, `${title}: the book balances (gap ${after.balance.gap ?? 0})`);
    const held = after.positions[cart].wetKg - now.positions[cart].wetKg;
    check(Math.abs(held - weighs()) < 1e-3, `${title}: the cart holds what was sent (${held.toFixed(1)} kg)`);
    check(after.entries === before + sent.size, `${title}: ${sent.size} entries more than before`);
  };

  console.log(`${DEVICES} devices, ${PER_SECOND} entries a second in all, ${SECONDS} s`);
  const took = await write(SECONDS, false);
  const times = [...acknowledged.values()].sort((a, b) => a - b);
  const at = (share) => times[Math.min(times.length - 1, Math.floor(share * times.length))];
  console.log(
    `acknowledged in ms: median ${at(0.5).toFixed(1)}, p90 ${at(0.9).toFixed(1)}, p99 ${at(0.99).toFixed(1)}, longest ${times.at(-1).toFixed(1)}; ${(times.length / took).toFixed(1)} a second`,
  );
  check(refused === 0 && times.length === SECONDS * PER_SECOND, `no error in ${SECONDS * PER_SECOND} entries`);
  check(at(0.99) < LIMIT_MS, `p99 of the acknowledgement is under ${LIMIT_MS} ms: ${at(0.99).toFixed(0)} ms`);
  await judge('after the minute');

  console.log('as fast as it goes: 200 connections, one entry each time, 10 s');
  {
    const ends = performance.now() + 10_000;
    const began = performance.now();
    const earlier = acknowledged.size;
    const one = async (n) => {
      while (performance.now() < ends) await send(devices[n % DEVICES].token, entryOf(), false);
    };
    await Promise.all(Array.from({ length: 200 }, (_, n) => one(n)));
    const perSecond = (acknowledged.size - earlier) / ((performance.now() - began) / 1000);
    const fast = [...acknowledged.values()].slice(earlier).sort((a, b) => a - b);
    const of = (share) => fast[Math.floor(share * (fast.length - 1))].toFixed(0);
    const [flush] = await databaseSays("SHOW VARIABLES LIKE 'innodb_flush_log_at_trx_commit'");
    console.log(
      `${perSecond.toFixed(0)} single entries a second, each on the disk when it was acknowledged (innodb_flush_log_at_trx_commit = ${flush.Value}); ms: median ${of(0.5)}, p99 ${of(0.99)}`,
    );
    check(perSecond >= FAST, `at least ${FAST} single entries a second: ${perSecond.toFixed(0)}`);
    check(flush.Value === '1', 'the database flushes at every commit');
    await judge('as fast as it goes');
  }

  console.log('a flood: 100 strangers send large bodies at once, for 10 s');
  {
    const rss = () => memoryOf(server.child.pid);
    const before = rss();
    let most = before;
    const ends = performance.now() + 10_000;
    const flood = run(process.execPath, [
      FLOOD,
      server.address,
      `/api/farms/${farmId}/entries`,
      ...['100', '10', '5000000'],
    ]);
    const health = [];
    const watch = async () => {
      while (performance.now() < ends) {
        const asked = performance.now();
        await fetch(`${server.address}/api/health`);
        health.push(performance.now() - asked);
        most = Math.max(most, rss());
        await wait(50);
      }
    };
    const [, { output }] = await Promise.all([watch(), flood]);
    health.sort((a, b) => a - b);
    const p95 = health[Math.floor(0.95 * (health.length - 1))];
    console.log(
      `${output.trim()} requests; health p95 ${p95.toFixed(0)} ms, memory ${before.toFixed(0)} MB, at most ${(most - before).toFixed(0)} MB more`,
    );
    check(p95 < 100, `health answers under 100 ms at p95: ${p95.toFixed(0)} ms`);
    check(most - before < 50, `memory grows by less than 50 MB: ${(most - before).toFixed(0)} MB`);
  }

  console.log('the server is killed by its pid in the middle of writing, and started again');
  const triesBefore = tries;
  const madeBefore = sent.size;
  const writing = write(12, true);
  for (let kills = 0; kills < 3; kills++) {
    await wait(2500);
    process.kill(server.child.pid, 'SIGKILL');
    const killed = performance.now();
    server = await start();
    console.log(`killed and answering again after ${((performance.now() - killed) / 1000).toFixed(1)} s`);
  }
  await writing;
  console.log(`${sent.size - madeBefore} entries in ${tries - triesBefore} tries`);
  await judge('after three kills');
} finally {
  await server.stop();
  await database.stop();
  rmSync(dir, { recursive: true, force: true });
}
if (failures.length > 0) process.exit(1);
