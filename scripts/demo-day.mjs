// npm run demo:day [-- --speed 60 --seed 1 --exit]: a whole harvest day through the simulated devices, on a demo farm of its own.
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { buildAll } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureMariadb, ensurePackages } from './lib/packages.mjs';
import { DATA, portFree, ROOT } from './lib/run.mjs';
import { step, stop } from './lib/say.mjs';
import { prepareDatabase, startServer } from './lib/server.mjs';

const USAGE = [
  'npm run demo:day                 a harvest day in about twelve minutes, on a demo farm of its own',
  '  -- --speed 60                  simulated seconds in a real one; max: as fast as it goes',
  '  -- --seed 1                    another seed, another day; the same seed, the same day to the letter',
  '  -- --url http://127.0.0.1:7300 on the demo farm of a server that runs',
  '  -- --exit                      stops when the day is over',
];
const { values } = parseArgs({
  options: {
    speed: { type: 'string', default: '60' },
    seed: { type: 'string', default: '1' },
    url: { type: 'string' },
    exit: { type: 'boolean', default: false },
    help: { type: 'boolean', default: false },
  },
  strict: false,
});
if (values.help || !/^(max|\d+(\.\d+)?)$/.test(values.speed) || !/^\d+$/.test(values.seed)) stop(...USAGE);

let database;
let server;
let child;
let ending = false;
async function end(code) {
  if (ending) return;
  ending = true;
  child?.kill('SIGTERM');
  await server?.stop();
  await database?.stop().catch((error) => console.error(String(error)));
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end(0));

try {
  await ensurePackages();
  const work = path.join(DATA, 'day');
  mkdirSync(work, { recursive: true });
  let address = values.url;
  if (address === undefined) {
    await ensureMariadb();
    await buildAll();
    database = await startDatabase(work);
    step('making a demo farm for the day');
    const url = database.url('fanega_day');
    await prepareDatabase(url, true, ['--reset']);
    let port = Number(process.env.FANEGA_PORT ?? 7310);
    while (!(await portFree(port))) port++;
    server = await startServer({ url, port, env: { FANEGA_LOG: process.env.FANEGA_LOG ?? 'warn' } });
    address = server.address;
  } else await buildAll();
  const { makeWires } = await import('./lib/wires.mjs');
  const file = path.join(work, 'wires.json');
  step(`${await makeWires(address, file)} devices are on the wire`);
  console.log(`\n  Open  ${address}   (Haul, Scales and Cab show it living${values.url ? '' : '; Ctrl-C stops it'})\n`);
  child = spawn(
    process.execPath,
    [
      path.join(ROOT, 'apps/devices/dist/main.js'),
      'day',
      '--url',
      address,
      '--wires',
      file,
      '--speed',
      values.speed,
      '--seed',
      values.seed,
    ],
    {
      stdio: ['ignore', 'inherit', 'inherit'],
    },
  );
  const code = await new Promise((resolve) => child.once('exit', (exit) => resolve(exit ?? 1)));
  if (values.exit || values.url || code !== 0) await end(code);
  else if (!ending) console.log(`\n  The farm stays open at ${address}; Ctrl-C stops it.`);
} catch (error) {
  console.error(String(error?.message ?? error));
  await end(1);
}
