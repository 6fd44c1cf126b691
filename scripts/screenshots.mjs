// npm run screenshots [folder] [name …]: a picture of each main view from the demo farm, for docs/screenshots.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { launchChromium } from './lib/browser.mjs';
import { buildAll } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureChromium, ensureMariadb } from './lib/packages.mjs';
import { anyFreePort, ROOT } from './lib/run.mjs';
import { prepareDatabase, startServer } from './lib/server.mjs';
import { makeWires } from './lib/wires.mjs';

const [folder = path.join(ROOT, 'docs/screenshots'), ...wanted] = process.argv.slice(2);
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const record = async (page) => {
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await page.getByRole('dialog').waitFor();
  await page.getByLabel('From').selectOption('cart-2');
  await page.getByLabel('To', { exact: true }).selectOption('truck-2');
};
const drawn = (name) => (page) => page.getByRole('img', { name }).locator('svg.recharts-surface').first().waitFor();
const inCab = (name, machine) => async (page) => {
  await page.getByLabel('Your name').fill(name);
  await page.getByRole('button', { name: machine, exact: true }).click();
  await page.getByRole('region', { name: 'In it now' }).waitFor();
};
/** Two axles over the own bridge, and the third on it. */
const weighing = async (page) => {
  await page.getByText('By axle', { exact: true }).click();
  await page.getByText(/^1: [\d,]+ lb$/).waitFor();
  await page.getByText(/^3: [\d,]+ lb$/).waitFor({ timeout: 60_000 });
  await page.getByText('Stop. Hold still').waitFor();
};
const crossing = (wires) => [
  'truck-scale',
  '--token',
  wires.bridge,
  '--axles',
  '12780,15940,15880,16480,16420',
  '--speed',
  '2',
];
const VIEWS = [
  { name: 'today', path: '/', size: DESK },
  { name: 'cab-phone', path: '/cab', size: PHONE, act: inCab('Dell', 'Cart 2') },
  {
    name: 'cab-bins-phone',
    path: '/cab',
    size: PHONE,
    act: async (page) => {
      await page.getByLabel('Your name').fill('Tilda');
      await page.getByRole('button', { name: 'The bins' }).click();
      await page.getByRole('region', { name: 'Where grain falls now' }).waitFor();
    },
  },
  { name: 'record-phone', path: '/', size: PHONE, act: record },
  { name: 'fields', path: '/fields', size: DESK },
  { name: 'field', path: '/fields/lot-wr-2026', size: DESK, act: drawn(/^Moisture of .* and the forecast/) },
  { name: 'next-field', path: '/fields/next', size: DESK },
  { name: 'cut', path: '/cut', size: DESK },
  { name: 'haul', path: '/haul', size: DESK },
  { name: 'scales', path: '/haul/scales', size: DESK, act: weighing, live: crossing },
  { name: 'dry', path: '/dry', size: DESK, act: drawn(/^Moisture in and out/) },
  { name: 'store', path: '/store/bin-b', size: DESK },
  { name: 'routes', path: '/store/routes', size: DESK },
  { name: 'sell', path: '/sell/next', size: DESK },
  { name: 'settle', path: '/sell/settle', size: DESK },
  { name: 'trace', path: '/trace', size: DESK },
  {
    name: 'trace-ticket',
    path: '/trace',
    size: DESK,
    act: async (page) => {
      await page
        .getByRole('region', { name: 'Tickets' })
        .getByRole('row')
        .filter({ hasText: 'HS' })
        .getByRole('link')
        .first()
        .click();
      await page.waitForURL(/\/trace\/./);
      await page.getByRole('heading', { level: 1 }).filter({ hasNotText: 'Trace' }).first().waitFor();
    },
  },
  { name: 'insurance', path: '/trace/insurance', size: DESK },
  { name: 'shed', path: '/shed', size: DESK },
];

await ensureMariadb();
await ensureChromium();
await buildAll();
const dir = mkdtempSync(path.join(os.tmpdir(), 'fanega-shots-'));
const database = await startDatabase(dir, { quiet: true });
const url = database.url('fanega_demo');
await prepareDatabase(url, true);
const server = await startServer({ url, port: await anyFreePort(), env: { FANEGA_LOG: 'error' } });
const browser = await launchChromium();
mkdirSync(folder, { recursive: true });
const wiresFile = path.join(dir, 'wires.json');
await makeWires(server.address, wiresFile);
const wires = JSON.parse(readFileSync(wiresFile, 'utf8'));
/** A stand-in that speaks while the picture is taken, or has just spoken. */
const speak = (args) =>
  new Promise((resolve) => {
    spawn(
      process.execPath,
      [path.join(ROOT, 'apps/devices/dist/main.js'), args[0], '--url', server.address, ...args.slice(1)],
      { stdio: 'ignore' },
    ).once('exit', resolve);
  });
try {
  for (const view of VIEWS.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
    const context = await browser.newContext({
      viewport: view.size,
      reducedMotion: 'reduce',
      hasTouch: view.size === PHONE,
    });
    const page = await context.newPage();
    page.on('console', (message) => message.type() === 'error' && console.error(`${view.name}: ${message.text()}`));
    page.on('pageerror', (error) => console.error(`${view.name}: ${error.message}`));
    if (!view.signedOut)
      await context.request.post(`${server.address}/api/auth/demo`, { headers: { Origin: server.address } });
    if (view.theme) await context.addInitScript((theme) => localStorage.setItem('fanega.theme', theme), view.theme);
    await page.goto(server.address + view.path);
    await page.getByRole('heading', { level: 1 }).first().waitFor({ state: 'attached' });
    await page.waitForFunction(() => !document.querySelector('[role=status] .animate-spin'));
    if (view.live) void speak(view.live(wires));
    await view.act?.(page);
    await page.waitForFunction(() => !document.querySelector('[role=status] .animate-spin'));
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: path.join(folder, `${view.name}.png`) });
    await context.close();
  }
} finally {
  await browser.close();
  await server.stop();
  await database.stop();
  rmSync(dir, { recursive: true, force: true });
}
