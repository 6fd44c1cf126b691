// npm run kit [picture.png]: the parts that pages are put together from, in three themes and two units; with a name, as one picture.
import path from 'node:path';
import { createServer } from 'vite';
import { launchChromium } from './lib/browser.mjs';
import { ensureChromium } from './lib/packages.mjs';
import { anyFreePort, ROOT } from './lib/run.mjs';

const [picture] = process.argv.slice(2);
const vite = await createServer({
  configFile: path.join(ROOT, 'apps/web/vite.config.ts'),
  server: { port: await anyFreePort(), host: '127.0.0.1' },
  logLevel: 'error',
});
await vite.listen();
const address = `http://127.0.0.1:${vite.config.server.port}/kit.html`;
if (picture === undefined) {
  console.log(`The kit: ${address}`);
} else {
  await ensureChromium();
  const browser = await launchChromium();
  const page = await browser.newPage({ viewport: { width: 1860, height: 2600 }, reducedMotion: 'reduce' });
  // Vite finds what it must prepare while the first page loads, and then loads it again.
  await page.goto(`${address}?theme=day&units=us`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.goto(address);
  for (const frame of await page.locator('iframe').all()) {
    const inside = frame.contentFrame();
    await inside.getByRole('button', { name: 'The thing to do next' }).click();
    await inside.getByText('2 boxes need a look').waitFor();
    await inside.locator('svg.recharts-surface .recharts-bar-rectangle').first().waitFor();
  }
  await page.screenshot({ path: picture, fullPage: true });
  await browser.close();
  await vite.close();
}
