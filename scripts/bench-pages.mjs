// npm run bench:pages: how light the pages are. Lighthouse on a desk and on a phone; milliseconds until a page is there; milliseconds of
// scripting for each interaction of the chart pages with 5,000 readings of one field. `-- --seasons 10 --fields 60` over a large farm.
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ulid } from 'ulid';
import { launchChromium } from './lib/browser.mjs';
import { buildAll } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureChromium, ensureMariadb } from './lib/packages.mjs';
import { lighthouseFigures, readyFigures } from './lib/page-figures.mjs';
import { anyFreePort } from './lib/run.mjs';
import { prepareDatabase, startServer } from './lib/server.mjs';

const READINGS = 5000;
await ensureMariadb();
await ensureChromium();
await buildAll();
const dir = mkdtempSync(path.join(os.tmpdir(), 'fanega-bench-'));
const database = await startDatabase(dir, { quiet: true });
const url = database.url('fanega_bench');
const size = process.argv.slice(2);
await prepareDatabase(url, true, size);
const server = await startServer({ url, port: await anyFreePort(), env: { FANEGA_LOG: 'error' } });
const figures = async () => {
  const light = await lighthouseFigures(server.address);
  console.log('\nLighthouse        score  blocking ms  largest paint ms  shift  machine  the other looks (machine)');
  for (const { form, name, score, blocking, paint, shift, machine, others } of light)
    console.log(
      `${form.padEnd(6)} ${name.padEnd(11)} ${String(score).padStart(4)} ${String(blocking).padStart(12)} ${String(paint).padStart(17)} ${shift.toFixed(3).padStart(6)} ${String(machine).padStart(8)}  ${others.map((look) => `${look.score} (${look.machine})`).join(', ')}`,
    );
  const { rows, sizes } = await readyFigures(server.address);
  console.log(`\nms, of five times${size.length > 0 ? `, ${size.join(' ')}` : ''}`);
  console.log(`${''.padEnd(20)}  ready (median)  least  all of it, with its charts (median)`);
  for (const { name, ms, least, drawn } of rows)
    console.log(
      `${name.padEnd(20)} ${ms.toFixed(0).padStart(15)} ${least.toFixed(0).padStart(6)} ${drawn.toFixed(0).padStart(25)}`,
    );
  console.log('\nlargest answers, kB as they read');
  for (const [name, bytes] of Object.entries(sizes)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 8))
    console.log(`${name.padEnd(34)} ${(bytes / 1000).toFixed(0).padStart(6)}`);
};
await figures();
if (size.length > 0) {
  await server.stop();
  await database.stop();
  rmSync(dir, { recursive: true, force: true });
  process.exit(0);
}
const browser = await launchChromium();
try {
  const page = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })
  ).newPage();
  const headers = { Origin: server.address };
  await page.request.post(`${server.address}/api/auth/demo`, { headers });
  const farm = (await (await page.request.get(`${server.address}/api/auth/me`)).json()).farms[0].id;
  const api = `${server.address}/api/farms/${farm}`;
  const { now } = await (await page.request.get(`${api}/now`)).json();
  const { fieldId, id: lotId } = (await (await page.request.get(`${api}/lots`)).json()).find(
    ({ lot }) => lot.fieldName === 'Willow Run',
  ).lot;
  for (let i = 0; i < READINGS; i += 50) {
    await Promise.all(
      Array.from({ length: 50 }, (_, k) => {
        const at = new Date(now - ((READINGS - i - k) / READINGS) * 20 * 86_400_000 - 1000).toISOString();
        const data = {
          id: ulid(),
          fieldId,
          at,
          moisture: 0.13 + 0.04 * ((READINGS - i - k) / READINGS) + 0.004 * Math.sin(i + k),
          source: k % 10 === 0 ? 'hand' : 'combine',
        };
        return page.request.post(`${api}/fields/reading`, { headers, data });
      }),
    );
  }
  const client = await page.context().newCDPSession(page);
  await client.send('Performance.enable');
  const metrics = async () =>
    Object.fromEntries((await client.send('Performance.getMetrics')).metrics.map(({ name, value }) => [name, value]));
  const rows = [];
  const measure = async (name, act) => {
    const before = await metrics();
    await act();
    await page.waitForTimeout(900);
    const after = await metrics();
    rows.push([
      name,
      1000 * (after.ScriptDuration - before.ScriptDuration),
      1000 * (after.LayoutDuration - before.LayoutDuration),
    ]);
  };
  await measure('open the field', () => page.goto(`${server.address}/fields/${lotId}`));
  await page.getByRole('img', { name: /^Moisture of Willow Run: \d/ }).waitFor();
  await page.waitForTimeout(1500);
  await measure('day to season', () => page.getByText('Season', { exact: true }).click());
  await measure('season to day', () => page.getByText('Day', { exact: true }).click());
  await page.getByText('Season', { exact: true }).click();
  await page.waitForTimeout(800);
  await measure('as it was read (season)', () => page.getByLabel('as the buyer would test it').uncheck());
  await measure('window of a buyer (season)', () => page.getByLabel('Window of').selectOption({ index: 2 }));
  await measure('open a sheet', () => page.getByRole('button', { name: 'Take a reading' }).click());
  await page.keyboard.press('Escape');
  await page.goto(`${server.address}/cut/monitor`);
  await page.getByRole('region', { name: 'Error by flow' }).waitFor();
  await page.waitForTimeout(800);
  await measure('tolerance of the display', () => page.getByLabel('A load is good within').fill('5'));
  await page.goto(`${server.address}/fields/next`);
  await page.getByRole('region', { name: 'What counts' }).waitFor();
  await page.waitForTimeout(800);
  await measure('another school', () => page.getByLabel('School').selectOption({ index: 3 }));
  console.log(`\n${READINGS} readings of one field; milliseconds, this machine, one run`);
  console.log(`${'interaction'.padEnd(32)} scripting  layout`);
  for (const [name, script, layout] of rows)
    console.log(`${name.padEnd(32)} ${script.toFixed(0).padStart(9)} ${layout.toFixed(0).padStart(7)}`);
} finally {
  await browser.close();
  await server.stop();
  await database.stop();
  rmSync(dir, { recursive: true, force: true });
}
