import { readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { expect, test } from '@playwright/test';
import { ulid } from 'ulid';
import { addField, addPlace, keep, OWN, ownFarm } from './own-farm';
import { DEMO, enterDemo, openPage, unfold } from './pages';

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

test('the farm is asked ahead of the program, once, and a page comes in few files', async ({ page }) => {
  await enterDemo(page);
  await openPage(page, '/');
  // From the second visit on it is known which farm it is.
  const asked: string[] = [];
  page.on('request', (request) => asked.push(new URL(request.url()).pathname));
  await openPage(page, '/');
  const files = asked.filter((name) => name.startsWith('/assets/') && name.endsWith('.js'));
  expect(files.length).toBeLessThan(25);
  const question = (name: string): number => asked.findIndex((path) => path.endsWith(name));
  const station = asked.findIndex((path) => /\/assets\/today-/.test(path));
  expect(station).toBeGreaterThan(0);
  for (const name of ['/auth/me', '/header', '/now', '/layers']) {
    expect(question(name), name).toBeGreaterThan(0);
    expect(question(name), name).toBeLessThan(station);
  }
  for (const name of ['/header', '/layers', '/wet', '/fields/records', '/weather'])
    expect(asked.filter((path) => path.endsWith(name)).length, name).toBeLessThanOrEqual(name === '/weather' ? 2 : 1);
});

test('a page opens without the browser’s tables of languages and zones, and shows the same times', async ({ page }) => {
  await enterDemo(page);
  await openPage(page, '/haul');
  // When loads were recorded: what is still ahead of the trucks goes on with the clock.
  const timesOf = async (): Promise<string[]> =>
    (await page.getByLabel('Entries', { exact: true }).innerText()).match(/\d+:\d\d [ap]m/g) ?? [];
  const asBrowserSays = await timesOf();
  expect(asBrowserSays.length).toBeGreaterThan(3);
  // What this device knows of the zone is kept when there is nothing else to do.
  await page.waitForFunction(() => localStorage.getItem('fanega.zone') !== null);
  await page.addInitScript(() => {
    const asked: string[] = [];
    Object.assign(window, { asked });
    const names = ['NumberFormat', 'DateTimeFormat', 'Collator', 'RelativeTimeFormat'] as const;
    for (const name of names)
      Object.assign(Intl, {
        [name]: new Proxy(Intl[name] as new (...settings: unknown[]) => object, {
          construct: (format, settings) => (asked.push(name), new format(...(settings as unknown[]))),
          apply: (format, _, settings) => (asked.push(name), new format(...(settings as unknown[]))),
        }),
      });
    for (const kind of [Number, Date, String])
      for (const name of ['toLocaleString', 'toLocaleDateString', 'toLocaleTimeString', 'localeCompare']) {
        const own = Object.getOwnPropertyDescriptor(kind.prototype, name)?.value as ((...all: unknown[]) => unknown) | undefined; // prettier-ignore
        if (!own) continue;
        Object.assign(kind.prototype, {
          [name](this: unknown, ...all: unknown[]) {
            asked.push(name);
            return own.apply(this, all);
          },
        });
      }
  });
  for (const path of ['/', '/fields', '/store', '/trace', '/sell', '/haul']) {
    await openPage(page, path);
    expect(await page.evaluate(() => (window as unknown as { asked: string[] }).asked), path).toEqual([]);
  }
  expect((await timesOf()).slice(0, 3)).toEqual(asBrowserSays.slice(0, 3));
});

test('the yard is drawn once, as large as the page has room for it', async ({ page }) => {
  await page.setViewportSize({ width: 1600, height: 900 });
  await enterDemo(page);
  await openPage(page, '/store');
  await page.addInitScript(() => {
    const changed: string[] = [];
    Object.assign(window, { changed });
    new MutationObserver((changes) => {
      for (const { target, attributeName } of changes) changed.push(`${target.nodeName} ${attributeName}`);
    }).observe(document, { subtree: true, attributeFilter: ['width', 'height', 'viewBox', 'd', 'points'] });
  });
  await openPage(page, '/store');
  expect(await page.getByRole('main').locator('svg').count()).toBeGreaterThan(5);
  expect(await page.evaluate(() => (window as unknown as { changed: string[] }).changed)).toEqual([]);
  // A window of another width is another room.
  const width = async (): Promise<number> => (await page.getByRole('main').locator('svg').first().boundingBox())!.width;
  const wide = await width();
  await page.setViewportSize({ width: 1100, height: 900 });
  await expect.poll(width).toBeLessThan(wide);
});

test('what stands below the first screen comes after it, part by part, and all of it comes', async ({ page }) => {
  await enterDemo(page);
  await page.addInitScript(() => {
    const waiting: number[] = [];
    Object.assign(window, { waiting });
    new MutationObserver(() => {
      if (!document.querySelector('main h1')) return;
      const left = document.querySelectorAll('main [data-on-its-way]').length;
      if (left !== waiting.at(-1)) waiting.push(left);
    }).observe(document, { subtree: true, childList: true });
  });
  for (const [path, last] of [
    ['/haul', 'Entries'],
    ['/trace', 'Tickets delivered'],
    ['/dry', 'Entries'],
    ['/shed', 'Machines'],
  ] as const) {
    await openPage(page, path);
    await expect(page.getByLabel(last, { exact: true }), path).toBeVisible();
    await expect(page.locator('[data-on-its-way]'), path).toHaveCount(0);
    const waiting = await page.evaluate(() => (window as unknown as { waiting: number[] }).waiting);
    expect(waiting[0], path).toBeGreaterThan(0);
    expect(waiting.at(-1), path).toBe(0);
    // One at a time: a part may bring parts of its own along.
    for (let i = 1; i < waiting.length; i++) expect(waiting[i - 1]! - waiting[i]!, path).toBeLessThan(2);
  }
});

test('a word that the book is opened comes only where one waits for it', async ({ page }) => {
  await page.addInitScript(() => {
    // Frame by frame: nothing is drawn before its styles are there.
    const look = (): void => {
      const word = document.querySelector('#root [role=status]');
      if (word) Object.assign(window, { atFirst: getComputedStyle(word).visibility });
      else requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  });
  let go = (): void => undefined;
  const held = new Promise<void>((resolve) => (go = resolve));
  await page.route('**/assets/index-*.js', async (route) => {
    await held;
    await route.continue();
  });
  // The page is loaded only with its program.
  await page.goto(DEMO, { waitUntil: 'commit' });
  const atFirst = () => page.evaluate(() => (window as unknown as { atFirst?: string }).atFirst);
  await expect.poll(atFirst).toBe('hidden');
  await expect(page.getByRole('status')).toBeVisible();
  go();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});

test('no page asks the farm the same twice while it opens', async ({ page }) => {
  await enterDemo(page);
  const asked: string[] = [];
  page.on('request', (request) => {
    const { pathname, search } = new URL(request.url());
    if (pathname.startsWith('/api/farms/')) asked.push(pathname + search);
  });
  for (const path of ['/', '/fields', '/haul', '/haul/weights', '/dry', '/cut/loads', '/store', '/sell', '/trace']) {
    // What the page before still asks for is none of this one's.
    await page.goto('about:blank');
    asked.length = 0;
    await openPage(page, path);
    expect(asked.length, path).toBeGreaterThan(5);
    expect(
      asked.filter((one, i) => asked.indexOf(one) !== i),
      path,
    ).toEqual([]);
  }
});

test.describe('with what the device keeps', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a page that is opened again asks only for what has changed', async ({ page }) => {
    const farm = await ownFarm(page);
    const { lotId } = await addField(farm, 'Held Bottom', 'HB1', 40, 'corn');
    const cart = await addPlace(farm, 'Held cart', 'cart', 900);
    const questions: string[] = [];
    page.on('request', (request) => {
      const [, name] = new URL(request.url()).pathname.split(`/api/farms/${farm.id}`);
      if (name !== undefined) questions.push(name);
    });
    const HELD = ['/haul', '/wet', '/lots', '/entries', '/haul/records', '/fields/records', '/shed/records'];
    const opened = async (): Promise<string[]> => {
      questions.length = 0;
      await openPage(page, '/haul', OWN);
      return HELD.filter((name) => questions.includes(name));
    };
    await opened();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // What a device keeps was asked for by a page of which the worker knew; it is written down beside the page.
    await expect.poll(opened, { timeout: 20_000 }).toEqual([]);
    expect(questions).toContain('/now');

    // The program's own files do not wait for the worker to wake.
    const sources = await page.evaluate(() =>
      performance
        .getEntriesByType('resource')
        .filter(({ name }) => new URL(name).pathname.startsWith('/assets/'))
        .map((file) => (file as PerformanceResourceTiming & { workerFinalSourceType?: string }).workerFinalSourceType),
    );
    expect(sources.length).toBeGreaterThan(10);
    expect(new Set(sources)).toEqual(new Set(['cache']));

    // With nobody there to hear of it.
    await page.goto('about:blank');
    const entry = { id: ulid(), type: 'harvest', lot: lotId, to: cart, wetKg: 5000, moisture: 0.16, at: new Date().toISOString() }; // prettier-ignore
    await farm.post('entries', { entries: [entry] });
    // The book has changed, and nothing beside it.
    expect(await opened()).toEqual(['/haul', '/wet', '/lots', '/entries']);
    await expect(page.getByRole('region', { name: 'On wheels now' })).toContainText('Held cart');
    await page.goto('about:blank');
    await keep(farm, 'delay', { id: ulid(), at: new Date().toISOString(), link: 'trucks', minutes: 20 });
    expect(await opened()).toEqual(['/haul/records']);
  });
});

test('the figures of a chart are written out for whoever opens them', async ({ page }) => {
  await enterDemo(page);
  await openPage(page, '/haul/weights');
  const chart = page.getByRole('img', { name: /^Difference over time, \d+ loads$/ });
  const loads = Number(/\d+/.exec((await chart.getAttribute('aria-label'))!)![0]);
  const figures = page.getByRole('region', { name: /^Figures: Difference over time/ });
  await expect(figures.getByRole('row')).toHaveCount(0);
  await unfold(page, 'The figures');
  await expect(figures.getByRole('row')).toHaveCount(loads + 1);
  // One stroke draws them all: a dot begins at each load.
  const drawn = await chart.locator('path[stroke-linecap=round]').getAttribute('d');
  expect(drawn!.split('M').length - 1).toBe(loads);
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
