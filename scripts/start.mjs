// npm start: everything from a fresh checkout to an open address. Node built-ins only until packages are there.
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { buildAll } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureMariadb, ensurePackages } from './lib/packages.mjs';
import { DATA, portFree, runs, until } from './lib/run.mjs';
import { step, stop } from './lib/say.mjs';
import { prepareDatabase, startServer, waitsForOwner } from './lib/server.mjs';

const words = process.argv.slice(2);
const unknown = words.filter((word) => !['--empty', '--demo', '--help'].includes(word));
if (unknown.length > 0 || words.includes('--help')) {
  stop(
    ...(unknown.length > 0 ? [`npm start does not know ${unknown.join(' ')}.`] : []),
    'npm start              the demo farm (or your own, once you have begun it)',
    'npm start -- --empty   begin or open your own farm',
    'npm start -- --demo    the demo farm again',
    'FANEGA_HOST, FANEGA_PORT   where the server listens (127.0.0.1, 7300)',
    'FANEGA_TLS_CERT, FANEGA_TLS_KEY   certificate and key, for phones in the field (https)',
    'FANEGA_BACKUPS             folder of the daily backups (.data/backups)',
    'FANEGA_DATABASE_URL        a MariaDB of your own instead of the private one',
  );
}

/** A server that stood so long fell for a new reason. */
const STANDS_MS = 60_000;

mkdirSync(DATA, { recursive: true });
const runFile = path.join(DATA, 'run.json');
const modeFile = path.join(DATA, 'mode');
if (existsSync(runFile)) {
  const old = JSON.parse(readFileSync(runFile, 'utf8'));
  if (old.pid !== process.pid && runs(old.pid, 'start.mjs'))
    stop(`Fanega is running already at ${old.address ?? 'an address not known yet'} (process ${old.pid}).`);
  if (old.server && runs(old.server, 'dist/main.js')) {
    step('the server of an earlier run is still up; stopping it');
    process.kill(old.server, 'SIGTERM');
    await until('stopping the old server', 15_000, () => !runs(old.server, 'dist/main.js'));
  }
}
/** Whole or not at all: another script may read it at any moment. */
function keepRun(run) {
  writeFileSync(`${runFile}.new`, JSON.stringify(run));
  renameSync(`${runFile}.new`, runFile);
}
keepRun({ pid: process.pid });

const mode = words.includes('--empty')
  ? 'farm'
  : words.includes('--demo')
    ? 'demo'
    : existsSync(modeFile)
      ? readFileSync(modeFile, 'utf8')
      : 'demo';
console.log(mode === 'demo' ? 'Fanega, with the demo farm' : 'Fanega');

let database;
let server;
let ending = false;
async function end(code) {
  if (ending) return;
  ending = true;
  step('closing the server and the database');
  await server?.stop();
  await database?.stop().catch((error) => console.error(String(error)));
  rmSync(runFile, { force: true });
  process.exit(code);
}
process.on('SIGINT', () => void end(0));
process.on('SIGTERM', () => void end(0));
process.on('SIGHUP', () => void end(0));

try {
  await ensurePackages();
  const external = process.env.FANEGA_DATABASE_URL;
  if (!external) await ensureMariadb();
  await buildAll();
  if (!external) database = await startDatabase(DATA);
  const url = external ?? database.url(mode === 'demo' ? 'fanega_demo' : 'fanega_farm');
  step('bringing the database up to date');
  const prepared = await prepareDatabase(url, mode === 'demo');
  if (prepared) step(prepared.split('\n').at(-1));
  writeFileSync(modeFile, mode);

  const host = process.env.FANEGA_HOST ?? '127.0.0.1';
  let port = Number(process.env.FANEGA_PORT ?? 7300);
  while (!(await portFree(port))) {
    step(`port ${port} is taken, trying ${port + 1}`);
    port++;
  }
  step('starting the server');
  // Whoever finds a new farm's address first must not become its owner: this is told here and nowhere else.
  const code = process.env.FANEGA_SET_UP_CODE ?? randomBytes(6).toString('base64url');
  const env = {
    FANEGA_LOG: process.env.FANEGA_LOG ?? 'warn',
    FANEGA_SET_UP_CODE: code,
    FANEGA_BACKUPS: process.env.FANEGA_BACKUPS ?? path.join(DATA, 'backups'),
  };
  const serve = async () => {
    server = await startServer({ url, host, port, env });
    keepRun({ pid: process.pid, server: server.child.pid, address: server.address });
    const since = Date.now();
    server.child.once('exit', (exit, signal) => void again(since, exit ?? signal));
  };
  let fell = 0;
  /** A server that falls is started again: at once, and later each time that it falls soon after. */
  const again = async (since, why) => {
    if (ending) return;
    fell = Date.now() - since > STANDS_MS ? 1 : fell + 1;
    const waitMs = Math.min(30_000, 500 * 2 ** (fell - 1));
    step(`the server stopped by itself (${why}); starting it again in ${waitMs / 1000} s`);
    await new Promise((resolve) => setTimeout(resolve, waitMs));
    if (ending) return;
    await serve().catch((error) => {
      console.error(String(error?.message ?? error));
      return again(Date.now(), 'it did not start');
    });
  };
  await serve();
  console.log(`\n  Open  ${server.address}   (Ctrl-C stops it)\n`);
  const waits = await waitsForOwner(server.address);
  if (waits)
    console.log(
      `  ${waits === 'begin' ? 'Nobody has begun this farm yet' : 'This farm was brought back and waits for its owner'}. The code for it is ${code}: ${server.address}/?code=${code}\n`,
    );
} catch (error) {
  console.error(String(error?.message ?? error));
  await end(1);
}
