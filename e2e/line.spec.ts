import { expect, test } from '@playwright/test';
import { createServer as createWebServer, request } from 'node:http';
import { type AddressInfo, connect, createServer, type Server, type Socket } from 'node:net';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, ownFarm } from './own-farm';
import { DEMO, enterDemo, OFFLINE, tape, told } from './pages';

const BU = 56 * 0.45359237;

/** One bar of signal: between the page and the server, a line that takes everything and brings nothing while it hangs. */
class Line {
  hangs = false;
  private readonly server: Server;
  private readonly sockets = new Set<Socket>();

  constructor(to: URL) {
    this.server = createServer((near) => {
      const far = connect(Number(to.port), to.hostname);
      for (const socket of [near, far]) {
        this.sockets.add(socket);
        socket
          .on('error', () => undefined)
          .on('close', () => (near.destroy(), far.destroy(), this.sockets.delete(socket)));
      }
      // What hung once hangs for good, as a connection does whose packets were lost.
      let lost = false;
      const pass = (out: Socket) => (data: Buffer) => {
        lost ||= this.hangs;
        if (!lost) out.write(data);
      };
      near.on('data', pass(far));
      far.on('data', pass(near));
    });
  }

  async open(): Promise<string> {
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve));
    return `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }

  close(): void {
    for (const socket of this.sockets) socket.destroy();
    this.server.close();
  }
}

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, serviceWorkers: 'allow' });

test('on a line that hangs, the program opens with what it last knew, and a load goes out once when the line is back', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'One Bar Eighty', 'OBX', 60);
  const cart = await addPlace(farm, 'Cart 14', 'cart', 1100);
  const truck = await addPlace(farm, 'Truck 14', 'truck', 6000);
  const at = new Date().toISOString();
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: truck, wetKg: 5500 * BU, moisture: 0.17, at, method: 'cartScale' },
      { id: ulid(), type: 'harvest', lot: lotId, to: cart, wetKg: 420 * BU, moisture: 0.17, at, method: 'cartScale' },
    ],
  });
  const line = new Line(new URL(OWN));
  const near = await line.open();
  try {
    await page.goto(`${near}/cab`);
    await page.getByLabel('Your name').fill('Linden');
    await page.getByRole('button', { name: 'Cart 14', exact: true }).tap();
    const inIt = page.getByRole('region', { name: 'In it now' });
    await expect(inIt).toContainText('420');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await page.reload();
    await expect(inIt).toContainText('420');

    line.hangs = true;
    await page.reload();
    await expect(inIt).toContainText('420', { timeout: 20_000 });
    await expect(told(page, OFFLINE)).toBeVisible();
    // A whole day's patience of a browser is not a driver's: the load is on the screen at once, and waits.
    await page.getByRole('button', { name: 'Cart 14 → Truck 14, 420 bu' }).tap();
    await expect(inIt).toContainText('empty');
    await expect(page.getByRole('button', { name: 'Entries that wait' })).toContainText('1 entry waits since');

    line.hangs = false;
    const waiting = page.getByRole('button', { name: 'Entries that wait' });
    await expect(waiting).toBeHidden({ timeout: 60_000 });
    const held = async () => (await farm.get<{ positions: Record<string, { wetKg: number }> }>('now')).positions;
    await expect.poll(async () => Math.round((await held())[truck]!.wetKg / BU)).toBe(5920);
    await expect(told(page, OFFLINE)).toBeHidden({ timeout: 70_000 });
  } finally {
    line.close();
  }
});

test('ten tabs of one browser share the line, and each hears of a load', async ({ page, context }) => {
  test.setTimeout(120_000);
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Ten Tabs', 'TT', 40);
  const bin = await addPlace(farm, 'Bin 10', 'bin', 20_000);
  // A browser has six connections for one address: as many lines of their own would leave none for anything else.
  const tabs = [page, ...(await Promise.all(Array.from({ length: 9 }, () => context.newPage())))];
  for (const tab of tabs) await tab.setViewportSize({ width: 1280, height: 800 });
  for (const tab of tabs) await tab.goto(`${OWN}/haul/scales`);
  const load = async (bushels: number): Promise<void> => {
    await farm.post('entries', {
      entries: [
        {
          id: ulid(),
          type: 'harvest',
          lot: lotId,
          to: bin,
          wetKg: bushels * BU,
          moisture: 0.15,
          at: new Date().toISOString(),
          method: 'cartScale',
        },
      ],
    });
  };
  await load(311);
  for (const [i, tab] of tabs.entries())
    await expect(tape(tab).filter({ hasText: '311 bu' }).first(), `tab ${i}`).toBeAttached();
  // The one that listened for all is closed; another takes over.
  await page.close();
  const [, ...left] = tabs;
  // Its session goes on in the other tabs.
  const post = await left[0]!.request.post(`${OWN}/api/farms/${farm.id}/entries`, {
    headers: { Origin: OWN },
    data: {
      entries: [
        {
          id: ulid(),
          type: 'harvest',
          lot: lotId,
          to: bin,
          wetKg: 312 * BU,
          moisture: 0.15,
          at: new Date().toISOString(),
          method: 'cartScale',
        },
      ],
    },
  });
  expect(post.ok()).toBe(true);
  for (const [i, tab] of left.entries())
    await expect(tape(tab).filter({ hasText: '312 bu' }).first(), `tab ${i + 1}`).toBeAttached();
});

test('a phone that opened the program once, for the first time, opens it again without a signal', async ({
  page,
  context,
}) => {
  // A browser that has never been here, and no second load.
  await enterDemo(page);
  const kept = () =>
    page.evaluate(async () =>
      (await (await caches.open('fanega-answers')).keys()).map(({ url }) =>
        new URL(url).pathname.replace(/^.*\/farms\/[^/]+/, ''),
      ),
    );
  await expect
    .poll(kept, { timeout: 60_000 })
    .toEqual(
      expect.arrayContaining([
        '/api/auth/me',
        '/header',
        '/now',
        '/layers',
        '/lots',
        '/haul',
        '/deliveries',
        '/shed/records',
        '/devices',
        '/weather',
      ]),
    );
  await context.setOffline(true);
  for (const [path, shows] of [
    ['/', 'cut today'],
    ['/fields', 'Buttonbush East'],
    // Its weather too, though nobody had looked at it.
    ['/fields', 'Fire danger'],
    // Other walks over this farm record loads: whether a combine will stand is theirs, that it is worked out is ours.
    ['/haul', /combine idle|Nothing stops the combines until/],
    ['/store', 'Bin B holds'],
    ['/sell', 'Redbud Elevator'],
    ['/trace', 'Heron Slough'],
    ['/shed', 'Flex platform, 35 ft'],
    ['/cab', 'Your name'],
  ] as const) {
    await page.goto(`${DEMO}${path}`);
    await expect(page.getByRole('main'), path).toContainText(shows);
  }
});

test('a newer program is taken by a tap, and what waits stays and goes out once', async ({ page, context }) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'New Moon Forty', 'NM', 40);
  const cart = await addPlace(farm, 'Cart 15', 'cart', 1100);
  const truck = await addPlace(farm, 'Truck 15', 'truck', 7000);
  const at = new Date().toISOString();
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: truck, wetKg: 6500 * BU, moisture: 0.17, at, method: 'cartScale' },
      { id: ulid(), type: 'harvest', lot: lotId, to: cart, wetKg: 330 * BU, moisture: 0.17, at, method: 'cartScale' },
    ],
  });
  // The same server, one version on: its worker's file is another.
  let newer = false;
  const far = new URL(OWN);
  const front = createWebServer((asked, answer) => {
    const next = newer && asked.url === '/sw.js';
    // Asked as by somebody who has none yet and reads it plain.
    const { 'if-none-match': _none, 'if-modified-since': _since, 'accept-encoding': _packed, ...whole } = asked.headers;
    const passed = request(
      {
        host: far.hostname,
        port: far.port,
        path: asked.url,
        method: asked.method,
        headers: next ? whole : asked.headers,
      },
      (got) => {
        const { 'content-length': _, ...headers } = got.headers;
        answer.writeHead(got.statusCode!, next ? headers : got.headers);
        got.pipe(answer, { end: !next });
        if (next) got.on('end', () => answer.end('\n// one version on'));
      },
    );
    passed.on('error', () => answer.destroy());
    asked.pipe(passed);
  });
  await new Promise<void>((resolve) => front.listen(0, '127.0.0.1', resolve));
  const near = `http://127.0.0.1:${(front.address() as AddressInfo).port}`;
  try {
    await page.goto(`${near}/cab`);
    await page.getByLabel('Your name').fill('Wren');
    await page.getByRole('button', { name: 'Cart 15', exact: true }).tap();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await context.route('**/entries', (route) =>
      route.request().method() === 'POST' ? route.abort('connectionfailed') : route.continue(),
    );
    await page.getByRole('button', { name: 'Cart 15 → Truck 15, 330 bu' }).tap();
    const waiting = page.getByRole('button', { name: 'Entries that wait' });
    await expect(waiting).toContainText('1 entry waits since');
    const note = page.getByRole('status', { name: 'Newer program' });
    await expect(note).toBeHidden();
    newer = true;
    const before = await page.evaluate(async () => {
      Object.assign(window, { ofTheOldProgram: true });
      const registration = await navigator.serviceWorker.getRegistration();
      await registration!.update();
      return registration!.active!.state;
    });
    expect(before).toBe('activated');
    await expect(note).toContainText('A newer Fanega is ready. What waits stays.');
    // The browser puts the old worker to sleep so that the next one takes over, but not one that a test's tools hold on to: it stays
    // half asleep and lets nothing by. So the tools do what the browser would.
    const tools = await context.newCDPSession(page);
    let old = '';
    tools.on('ServiceWorker.workerVersionUpdated', ({ versions }) => {
      old ||= versions.find(({ status }) => status === 'activated')?.versionId ?? '';
    });
    await tools.send('ServiceWorker.enable');
    await expect.poll(() => old).not.toBe('');
    await note.getByRole('button', { name: 'Take it' }).tap();
    await expect
      .poll(async () => {
        const isOld = await page.evaluate(() => 'ofTheOldProgram' in window).catch(() => true);
        if (isOld) await tools.send('ServiceWorker.stopWorker', { versionId: old });
        return isOld;
      })
      .toBe(false);
    await expect(waiting).toContainText('1 entry waits since');
    await expect(note).toBeHidden();
    await context.unroute('**/entries');
    await page.reload();
    await expect(waiting).toBeHidden({ timeout: 60_000 });
    const positions = async () => (await farm.get<{ positions: Record<string, { wetKg: number }> }>('now')).positions;
    await expect.poll(async () => Math.round((await positions())[truck]!.wetKg / BU)).toBe(6830);
  } finally {
    front.closeAllConnections();
    front.close();
  }
});

test('a mounted screen stays on where somebody wished it, and is let go when the cab is left', async ({ page }) => {
  const farm = await ownFarm(page);
  await addPlace(farm, 'Cart 16', 'cart', 1100);
  await page.addInitScript(() => {
    const lights = { on: 0 };
    Object.assign(window, { lights });
    const release = async () => void (lights.on -= 1);
    Object.defineProperty(navigator, 'wakeLock', { value: { request: async () => ((lights.on += 1), { release }) } });
  });
  const on = () => page.evaluate(() => (window as unknown as { lights: { on: number } }).lights.on);
  await page.goto(`${OWN}/cab`);
  await page.getByLabel('Your name').fill('Wren');
  await page.getByRole('button', { name: 'Cart 16', exact: true }).tap();
  await expect(page.getByRole('heading', { name: 'Cab: Cart 16' })).toBeAttached();
  expect(await on()).toBe(0);
  await page.getByRole('button', { name: 'Wren, change' }).tap();
  await page.getByLabel('The screen stays on').check();
  await page.getByRole('button', { name: 'Cart 16', exact: true }).tap();
  await expect.poll(on).toBe(1);
  await page.getByRole('button', { name: 'Wren, change' }).tap();
  await expect.poll(on).toBe(0);
});
