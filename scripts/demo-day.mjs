// npm run demo:day [-- --speed 60 --seed 1 --exit]: a whole harvest day through the simulated devices, on a demo farm of its own.
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
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
  '  -- --quiet                     carts and the own scale write no loads: they record themselves, and are held against what was so',
  '  -- --exit                      stops when the day is over',
];
const { values } = parseArgs({
  options: {
    speed: { type: 'string', default: '60' },
    seed: { type: 'string', default: '1' },
    url: { type: 'string' },
    quiet: { type: 'boolean', default: false },
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
  const { heldAgainst, makeWires, recordItself } = await import('./lib/wires.mjs');
  const file = path.join(work, 'wires.json');
  step(`${await makeWires(address, file)} devices are on the wire`);
  const truth = path.join(work, 'truth.json');
  if (values.quiet) await recordItself(address);
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
      ...(values.quiet ? ['--quiet', truth] : []),
    ],
    {
      stdio: ['ignore', 'inherit', 'inherit'],
    },
  );
  const code = await new Promise((resolve) => child.once('exit', (exit) => resolve(exit ?? 1)));
  if (values.quiet && code === 0) {
    const { loads, right, wrong, asked, missed } = await heldAgainst(
      address,
      JSON.parse(readFileSync(truth, 'utf8')),
      wait,
    );
    console.log(
      `\nLoads that recorded themselves: ${right} of ${loads} right (${((100 * right) / loads).toFixed(1)} of 100), ${wrong.length} wrong, ${asked.length} asked about.`,
    );
    for (const { at, type, lot, from, to, wetKg } of missed)
      console.log(`  not entered: ${at} ${type} ${lot ?? from} → ${to} ${Math.round(wetKg ?? 0)} kg`);
    for (const { at, kind, from, to, kg, why } of asked)
      console.log(`  asked: ${at} ${kind} ${from ?? '?'} → ${to ?? '?'} ${kg ?? ''} kg: ${why}`);
    for (const { at, from, lot, to, wetKg } of wrong) console.log(`  WRONG: ${at} ${lot ?? from} → ${to} ${wetKg}`);
    if (wrong.length > 0 || right < 0.95 * loads) await end(1);
  }
  if (values.exit || values.url || code !== 0) await end(code);
  else if (!ending) console.log(`\n  The farm stays open at ${address}; Ctrl-C stops it.`);
} catch (error) {
  console.error(String(error?.message ?? error));
  await end(1);
}
