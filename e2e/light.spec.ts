import { readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { expect, test } from '@playwright/test';
import { enterDemo, openPage } from './pages';

const DIST = path.join(import.meta.dirname, '../apps/web/dist');

test('the first scripts are light, and no chart is loaded where none is on the screen', async ({ page }) => {
  const scripts = [...readFileSync(path.join(DIST, 'index.html'), 'utf8').matchAll(/\/(assets\/[^"]+\.js)"/g)];
  const bytes = scripts.reduce((sum, [, file]) => sum + gzipSync(readFileSync(path.join(DIST, file!))).length, 0);
  expect(scripts.length).toBeGreaterThan(1);
  expect(bytes).toBeLessThan(150_000);
  await enterDemo(page);
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  for (const one of ['/', '/fields', '/haul', '/store', '/sell', '/trace']) await openPage(page, one);
  expect(asked.length).toBeGreaterThan(10);
  const withChart = (names: readonly string[]): string[] =>
    names.filter((url) => url.endsWith('.js') && /recharts/.test(readText(url)));
  expect(withChart(asked)).toEqual([]);
});

const readText = (url: string): string => {
  const file = path.join(DIST, new URL(url).pathname);
  return readFileSync(file, 'utf8');
};

for (const [name, size] of [
  ['desk', { width: 1280, height: 800 }],
  ['phone', { width: 390, height: 844 }],
] as const) {
  test.describe(`on a ${name}`, () => {
    test.use({ viewport: size });
    test('nothing jumps while a page comes up', async ({ page }) => {
      await page.addInitScript(() => {
        const seen = { shift: 0 };
        Object.assign(window, { seen });
        new PerformanceObserver((list) => {
          for (const entry of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
            if (!entry.hadRecentInput) seen.shift += entry.value;
        }).observe({ type: 'layout-shift', buffered: true });
      });
      await enterDemo(page);
      const shifts: Record<string, number> = {};
      for (const one of ['/', '/fields', '/store', '/trace', '/haul', '/sell', '/cut']) {
        await openPage(page, one);
        shifts[one] = await page.evaluate(() => (window as unknown as { seen: { shift: number } }).seen.shift);
      }
      expect(Object.entries(shifts).filter(([, shift]) => shift > 0.05)).toEqual([]);
    });
  });
}
