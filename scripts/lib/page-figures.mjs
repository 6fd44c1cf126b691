// How light the pages are: Lighthouse on a desk and on a phone, and milliseconds until a page is there.
import { existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { pathToFileURL } from 'node:url';
import { chromiumOptions } from './browser.mjs';
import { anyFreePort, DATA, run } from './run.mjs';
import { step, stop } from './say.mjs';

export const LOOKED_AT = { Today: '/', Fields: '/fields', Store: '/store', Trace: '/trace', Haul: '/haul' };
const READY = {
  ...LOOKED_AT,
  'Which field next': '/fields/next',
  Cut: '/cut',
  'Cut loads': '/cut/loads',
  Weights: '/haul/weights',
  Dry: '/dry',
  Sell: '/sell',
  Shed: '/shed',
};

/** The newest that runs on Node.js 20. */
const LIGHTHOUSE = 'lighthouse@12.2.3';

/** Lighthouse and the three hundred packages that it brings are fetched when somebody measures, and not with every install. */
async function fetchLighthouse() {
  const tools = path.join(DATA, 'tools');
  const entry = path.join(tools, 'node_modules/lighthouse/core/index.js');
  if (!existsSync(entry)) {
    step(`fetching ${LIGHTHOUSE} from the registry, once`);
    mkdirSync(tools, { recursive: true });
    const { code, output } = await run('npm', ['install', '--prefix', tools, '--no-audit', '--no-fund', LIGHTHOUSE]);
    if (code !== 0) stop(output.slice(-2000), 'Lighthouse could not be fetched.');
  }
  return import(pathToFileURL(entry).href);
}

/** Walks into the demo and hands over its browser. */
async function visit(address, work) {
  const port = await anyFreePort();
  const dir = mkdtempSync(path.join(os.tmpdir(), 'fanega-light-'));
  const { executablePath, args } = chromiumOptions();
  const context = await chromium.launchPersistentContext(dir, {
    executablePath,
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    args: [...args, `--remote-debugging-port=${port}`],
  });
  try {
    await context.request.post(`${address}/api/auth/demo`, { headers: { Origin: address } });
    return await work(context, port);
  } finally {
    await context.close();
    rmSync(dir, { recursive: true, force: true });
  }
}

/** Opens a page for the first time in this browser, and waits until the worker has the program and the farm's answers. */
async function firstVisit(context, address) {
  const page = await context.newPage();
  let askedAt = Date.now();
  page.on('request', () => (askedAt = Date.now()));
  await page.goto(address);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  while (Date.now() - askedAt < 2000) await page.waitForTimeout(200);
  await page.close();
}

/** How often each page is looked at: the machine does other things too. */
const LOOKS = 3;

/**
 * Scores of 100, blocking time and layout shift, for a desk and a phone: of a few looks the one at which the machine was quickest by
 * Lighthouse's own index, and beside it the scores of the others with their index.
 */
export async function lighthouseFigures(address) {
  const { default: lighthouse, desktopConfig } = await fetchLighthouse();
  return visit(address, async (context, port) => {
    const once = async (config, page) => {
      const options = {
        port,
        output: 'json',
        logLevel: 'error',
        onlyCategories: ['performance'],
        disableStorageReset: true,
      };
      let { lhr } = await lighthouse(`${address}${page}`, options, config);
      // Now and then it misses the beginning of a page, and measures nothing.
      if (lhr.categories.performance.score === null) ({ lhr } = await lighthouse(`${address}${page}`, options, config));
      const figure = (audit) => lhr.audits[audit].numericValue ?? NaN;
      return {
        score: Math.round(100 * lhr.categories.performance.score),
        blocking: Math.round(figure('total-blocking-time')),
        paint: Math.round(figure('largest-contentful-paint')),
        shift: figure('cumulative-layout-shift'),
        machine: Math.round(lhr.environment.benchmarkIndex),
      };
    };
    const rows = [];
    const add = (form, name, looks) => {
      const [quickest, ...others] = looks.toSorted((a, b) => b.machine - a.machine);
      rows.push({ form, name, ...quickest, others });
    };
    add('desk', 'first visit', [await once(desktopConfig, '/')]);
    await firstVisit(context, address);
    for (const [form, config] of [
      ['desk', desktopConfig],
      ['phone', undefined],
    ]) {
      const looks = {};
      // All pages, and then all of them again: what slows the machine for a minute does not fall on one of them.
      for (let i = 0; i < LOOKS; i++)
        for (const [name, page] of Object.entries(LOOKED_AT)) (looks[name] ??= []).push(await once(config, page));
      for (const [name, some] of Object.entries(looks)) add(form, name, some);
    }
    return rows;
  });
}

/** Milliseconds from opening an address until the page shows what it is about, and until all of it is drawn with its charts, after a first visit; of five times the median and the least. */
export const readyFigures = (address) =>
  visit(address, async (context) => {
    await firstVisit(context, address);
    const page = await context.newPage();
    const sizes = {};
    page.on('response', (response) => {
      const { pathname } = new URL(response.url());
      if (!pathname.startsWith('/api/farms/')) return;
      const name = pathname.replace(/^\/api\/farms\/[^/]+\//, '');
      void response.body().then(
        (body) => (sizes[name] = Math.max(sizes[name] ?? 0, body.length)),
        () => undefined,
      );
    });
    // By the page's own clock, frame by frame: since when nothing of it is on its way any more, and when its charts changed last.
    await page.addInitScript(() => {
      const look = () => {
        const there =
          document.querySelector('main h1') !== null &&
          document.querySelectorAll('.animate-spin, [role=progressbar]').length === 0;
        window.readySince = there ? (window.readySince ?? performance.now()) : undefined;
        // What stands below the first screen comes after it, part by part.
        const whole = there && document.querySelector('[data-on-its-way]') === null;
        window.wholeSince = whole ? (window.wholeSince ?? performance.now()) : undefined;
        requestAnimationFrame(look);
      };
      look();
      window.drawnAt = 0;
      new MutationObserver((changes) => {
        if (changes.some(({ target }) => (target.closest ?? target.parentElement?.closest)?.call(target, '[role=img]')))
          window.drawnAt = performance.now();
      }).observe(document, { subtree: true, childList: true, attributes: true });
    });
    const rows = [];
    for (const [name, route] of Object.entries(READY)) {
      const times = [];
      for (let i = 0; i < 5; i++) {
        await page.goto(`${address}${route}`, { waitUntil: 'commit' });
        await page.waitForFunction(() => performance.now() - Math.max(window.wholeSince, window.drawnAt) > 700);
        times.push(await page.evaluate(() => [window.readySince, Math.max(window.wholeSince, window.drawnAt)]));
      }
      const sorted = (i) => times.map((one) => one[i]).sort((a, b) => a - b);
      rows.push({ name, ms: sorted(0)[2], least: sorted(0)[0], drawn: sorted(1)[2] });
    }
    return { rows, sizes };
  });
