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
/** A link of the farm's, made as its manager. */
const linkOf = async (page, route, data) => {
  const { origin } = new URL(page.url());
  const { farms } = await (await page.request.get(`${origin}/api/auth/me`)).json();
  const made = await page.request.post(`${origin}/api/farms/${farms[0].id}/${route}`, { headers: { Origin: origin }, data }); // prettier-ignore
  return (await made.json()).secret;
};
const TRUCK = { kind: 'machine', placeId: 'truck-3', label: 'Truck 3’s phone', days: 120 };
const people = async (page) => {
  await linkOf(page, 'members/phones', TRUCK);
  await linkOf(page, 'members/phones', { kind: 'gate', label: 'Scale house tablet', days: 120 });
  await linkOf(page, 'owner-links', { owner: 'Vance heirs', givenTo: 'Iwona Vance', days: 365 });
  await linkOf(page, 'members/invites', { role: 'operator', givenTo: 'Ruiz, truck 3', days: 7 });
  await page.reload();
  await page.getByRole('list', { name: 'Links of owners' }).waitFor();
};
const firstHour = async (page) => {
  for (const [i, [name, across, eave]] of [
    ['Bin H', '36', '22'],
    ['Bin J', '30', '18'],
    ['Old wet bin', '24', ''],
  ].entries()) {
    await page.getByRole('textbox', { name: `Name, row ${i + 1}` }).fill(name);
    await page.getByRole('textbox', { name: `Across, row ${i + 1}` }).fill(across);
    await page.getByRole('textbox', { name: `To the eave, row ${i + 1}` }).fill(eave);
  }
  await page.getByText('Bin J holds').waitFor();
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
  {
    name: 'cab-combine-phone',
    path: '/cab',
    size: PHONE,
    act: async (page) => {
      await inCab('Oona', 'Combine 1')(page);
      await page.getByText(/ac left$/).waitFor();
    },
  },
  { name: 'first-hour', path: '/start/bins', size: DESK, act: firstHour },
  { name: 'fields', path: '/fields', size: DESK },
  { name: 'field', path: '/fields/lot-wr-2026', size: DESK, act: drawn(/^Moisture of .* and the forecast/) },
  { name: 'next-field', path: '/fields/next', size: DESK },
  { name: 'cut', path: '/cut', size: DESK },
  { name: 'haul', path: '/haul', size: DESK },
  { name: 'moves', path: '/haul/moves', size: DESK },
  { name: 'scales', path: '/haul/scales', size: DESK, act: weighing, live: crossing },
  { name: 'dry', path: '/dry', size: DESK, act: drawn(/^Moisture in and out/) },
  { name: 'store', path: '/store/bin-b', size: DESK },
  { name: 'sell', path: '/sell/next', size: DESK },
  { name: 'settle', path: '/sell/settle', size: DESK },
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
  { name: 'shed', path: '/shed', size: DESK },
  { name: 'people', path: '/settings', size: DESK, act: people },
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
/** Parts that come late are there, once nothing on the page has changed for a while; a clock in it ticks no faster. */
const STILL_MS = 700;
const standsStill = (ms) =>
  new Promise((resolve) => {
    let timer = setTimeout(resolve, ms);
    new MutationObserver(() => {
      clearTimeout(timer);
      timer = setTimeout(resolve, ms);
    }).observe(document.body, { childList: true, subtree: true });
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
    await page.evaluate(standsStill, STILL_MS);
    await page.screenshot({ path: path.join(folder, `${view.name}.png`) });
    await context.close();
  }
} finally {
  await browser.close();
  await server.stop();
  await database.stop();
  rmSync(dir, { recursive: true, force: true });
}
