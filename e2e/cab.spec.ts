import { type Entry, Ledger } from '@fanega/core';
import { expect, type Page, test } from '@playwright/test';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, type OwnFarm, ownFarm } from './own-farm';
import { DEMO, enterDemo, OFFLINE, pick, shows, told, unfold } from './pages';
import { ES } from '../apps/web/src/words/es';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const BU = 56 * 0.45359237;

interface Line {
  entry: { id: string; type: string; lot?: string; to?: string; wetKg?: number; by?: string };
  voided: boolean;
}

async function intoCab(page: Page, name: string, machine: string): Promise<void> {
  await page.goto(`${OWN}/cab`);
  await page.getByLabel('Your name').fill(name);
  await page.getByRole('button', { name: machine, exact: true }).tap();
  await expect(page.getByRole('heading', { name: `Cab: ${machine}` })).toBeAttached();
}

const lines = (farm: OwnFarm): Promise<Line[]> => farm.get<Line[]>('entries?limit=500');

test('the next load is one tap, and a slip is undone by one', async ({ page }) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Mudcat Corner', 'MC', 52.7);
  const cart = await addPlace(farm, 'Cart 11', 'cart', 1100);
  await addPlace(farm, 'Truck 11', 'truck', 940);
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: cart,
        wetKg: 1010 * BU,
        moisture: 0.168,
        at: new Date().toISOString(),
        method: 'cartScale',
      },
    ],
  });
  await intoCab(page, 'Dell', 'Cart 11');
  const inIt = page.getByRole('region', { name: 'In it now' });
  await expect(inIt).toContainText('1,010');
  await expect(inIt).toContainText('16.8 %');
  await shows(page, 'Mudcat Corner');
  const next = page.getByRole('button', { name: 'Cart 11 → Truck 11, 940 bu; 70 bu stay' });
  expect((await next.boundingBox())!.height).toBeGreaterThanOrEqual(64);
  await next.tap();
  await expect(inIt).toContainText('70');
  const undo = page.getByRole('region', { name: 'Just recorded' }).getByRole('button', { name: 'Undo' });
  await expect.poll(async () => (await lines(farm)).filter(({ entry }) => entry.by === 'Dell (Oona)').length).toBe(1);
  await undo.first().tap();
  await expect(inIt).toContainText('1,010');
  await expect
    .poll(
      async () =>
        (await lines(farm)).filter(({ entry, voided }) => entry.by === 'Dell (Oona)' && entry.type === 'move' && voided)
          .length,
    )
    .toBe(1);
  for (const button of await page.getByRole('main').getByRole('button').all())
    expect((await button.boundingBox())!.height).toBeGreaterThanOrEqual(64);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('an entry that the book refuses is kept, explained and corrected', async ({ page }) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Gar Bend', 'GB', 40);
  const cart = await addPlace(farm, 'Cart 12', 'cart', 1100);
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: cart,
        wetKg: 300 * BU,
        moisture: 0.17,
        at: new Date().toISOString(),
        method: 'cartScale',
      },
    ],
  });
  await intoCab(page, 'Ruiz', 'Cart 12');
  // The server refuses what it does not like; the queue says why, and the next one goes out all the same.
  await page.route('**/entries', (route) =>
    route.request().method() === 'POST'
      ? route.fulfill({
          status: 422,
          json: { statusCode: 422, code: 'book_refuses', message: 'this place is not in the book' },
        })
      : route.continue(),
  );
  await page.getByRole('button', { name: /^Cut .* into Cart 12/ }).tap();
  const pad = page.getByRole('dialog');
  await pad.getByLabel('Field').selectOption(lotId);
  for (const key of ['2', '1', '4']) await pad.getByRole('button', { name: key, exact: true }).tap();
  await pad.getByRole('button', { name: 'Record it' }).tap();
  const queue = page.getByRole('button', { name: 'Entries that wait' });
  await expect(queue).toContainText('1 refused: look');
  await page.unroute('**/entries');
  await queue.tap();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(
    'The book refuses it: this place is not in the book',
  );
  await page.getByRole('button', { name: 'Correct it' }).tap();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByLabel('Weight')).toHaveValue('11984');
  // Somebody calls, the sheet is closed: what was refused is not lost by that.
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await expect(queue).toContainText('1 refused: look');
  await queue.tap();
  await page.getByRole('button', { name: 'Correct it' }).tap();
  await sheet.getByRole('button', { name: 'Record it' }).tap();
  await expect(sheet).toBeHidden();
  await expect(queue).toBeHidden();
  const dumps = async (bushels: number) =>
    (await lines(farm)).filter(
      ({ entry }) => entry.type === 'harvest' && entry.to === cart && Math.abs(entry.wetKg! - bushels * BU) < 1,
    ).length;
  await expect.poll(() => dumps(214)).toBe(1);
  // What was refused for a reason that is gone by now goes out as it is.
  await page.route('**/entries', (route) =>
    route.fulfill({
      status: 403,
      json: { statusCode: 403, code: 'role_too_low', message: 'As viewer you may look but not do this' },
    }),
  );
  await page.getByRole('button', { name: /^Cut Gar Bend into Cart 12/ }).tap();
  for (const key of ['2', '1', '6']) await pad.getByRole('button', { name: key, exact: true }).tap();
  await pad.getByRole('button', { name: 'Record it' }).tap();
  await expect(queue).toContainText('1 refused: look');
  await page.unroute('**/entries');
  await queue.tap();
  await page.getByRole('button', { name: 'Try it again' }).tap();
  await expect.poll(() => dumps(216)).toBe(1);
});

/** The same numbers every time. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

test('forty loads on a line that comes and goes, answers lost, tabs killed: every load exactly once', async ({
  page,
  context,
}) => {
  test.setTimeout(300_000);
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Slough Eighty', 'SE', 80);
  const cart = await addPlace(farm, 'Cart 40', 'cart', 100_000);
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: cart,
        wetKg: 200 * BU,
        moisture: 0.18,
        at: new Date().toISOString(),
        method: 'cartScale',
      },
    ],
  });
  const random = seeded(20261124);
  let line: 'good' | 'dead' | 'loses answers' = 'good';
  await context.route('**/entries', async (route) => {
    // A tab that is killed takes its request with it: nobody is left to be answered.
    const gone = (): void => undefined;
    if (route.request().method() !== 'POST') return route.continue().catch(gone);
    if (line === 'dead') return route.abort('connectionfailed').catch(gone);
    if (line === 'loses answers') {
      await route.fetch().catch(gone);
      return route.abort('connectionfailed').catch(gone);
    }
    return route.continue().catch(gone);
  });
  let tab = page;
  await intoCab(tab, 'Ames', 'Cart 40');
  const wanted: number[] = [];
  for (let i = 0; i < 40; i++) {
    const luck = random();
    line = luck < 0.45 ? 'good' : luck < 0.75 ? 'dead' : 'loses answers';
    if (random() < 0.15) {
      // The tab is killed, the phone is pocketed, and somebody opens it again.
      const next = await context.newPage();
      await tab.close();
      tab = next;
      await tab.goto(`${OWN}/cab`);
    }
    const bushels = 200 + i;
    wanted.push(bushels);
    const pad = tab.getByRole('dialog');
    // What waits comes and goes above it meanwhile, and moves nothing: each tap finds its button.
    await tab.getByRole('button', { name: /^Cut Slough Eighty into Cart 40/ }).tap();
    for (const digit of String(bushels)) await pad.getByRole('button', { name: digit, exact: true }).tap();
    await pad.getByRole('button', { name: 'Record it' }).tap();
    await expect(pad).toBeHidden();
    // It is on the screen at once, signal or not.
    await expect(tab.getByRole('region', { name: 'Just recorded' })).toContainText(`${bushels} bu`);
  }
  line = 'good';
  await tab.reload();
  await expect(tab.getByRole('button', { name: 'Entries that wait' })).toBeHidden({ timeout: 60_000 });
  const own = async () => (await lines(farm)).filter(({ entry }) => entry.by === 'Ames (Oona)' && entry.to === cart);
  await expect.poll(async () => (await own()).length).toBe(40);
  const kept = (await own()).map(({ entry }) => Math.round(entry.wetKg! / BU)).sort((a, b) => a - b);
  expect(kept).toEqual(wanted);
  // The book is the one that a good line would have made.
  const total = wanted.reduce((sum, bushels) => sum + bushels, 200);
  await expect(tab.getByRole('region', { name: 'In it now' })).toContainText(total.toLocaleString('en-US'));
  const now = await farm.get<{
    balance: { balances: boolean };
    positions: Record<string, { wetKg: number; dryKg: number }>;
  }>('now');
  expect(now.balance.balances).toBe(true);
  expect(now.positions[cart]!.wetKg / BU).toBeCloseTo(total, 3);
  const online = new Ledger({
    defaults: { moisture: 0.15, trust: ['cartScale'] },
    lots: [{ id: lotId }],
    places: [{ id: cart, kind: 'cart' }],
  });
  [200, ...wanted].forEach((bushels, i) =>
    online.append([
      {
        type: 'harvest',
        id: `L${i}`,
        at: new Date(1e12 + i * 60_000).toISOString(),
        lot: lotId,
        to: cart,
        wetKg: bushels * BU,
        moisture: 0.18,
      } as Entry,
    ]),
  );
  expect(now.positions[cart]!.dryKg / online.position(cart).dryKg - 1).toBeCloseTo(0, 9);
});

test.describe('with its own files kept', () => {
  test.use({ serviceWorkers: 'allow' });

  test('out of reach of a tower the program opens, shows what it last knew, records, and sends when the signal is back', async ({
    page,
    context,
  }) => {
    test.setTimeout(180_000);
    const farm = await ownFarm(page);
    const { lotId } = await addField(farm, 'Far Levee', 'FL', 60);
    const cart = await addPlace(farm, 'Cart 13', 'cart', 1100);
    // Begun already: the likely one among all the tests' trucks.
    const truck = await addPlace(farm, 'Truck 13', 'truck', 5000);
    await farm.post('entries', {
      entries: [
        {
          id: ulid(),
          type: 'harvest',
          lot: lotId,
          to: truck,
          wetKg: 4000 * BU,
          moisture: 0.17,
          at: new Date().toISOString(),
          method: 'cartScale',
        },
        {
          id: ulid(),
          type: 'harvest',
          lot: lotId,
          to: cart,
          wetKg: 640 * BU,
          moisture: 0.17,
          at: new Date().toISOString(),
          method: 'cartScale',
        },
      ],
    });
    await intoCab(page, 'Tilda', 'Cart 13');
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    // Once more, so that this very page and its answers come through the worker.
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Cab: Cart 13' })).toBeAttached();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await page.reload();
    await expect(page.getByRole('region', { name: 'In it now' })).toContainText('640');

    await context.setOffline(true);
    await page.reload();
    await expect(page.getByRole('region', { name: 'In it now' })).toContainText('640');
    await expect(told(page, OFFLINE)).toBeVisible();
    await page.getByRole('button', { name: 'Cart 13 → Truck 13, 640 bu' }).tap();
    await expect(page.getByRole('region', { name: 'In it now' })).toContainText('empty');
    await expect(page.getByRole('button', { name: 'Entries that wait' })).toContainText('1 entry waits since');
    // A flat battery: the page is gone and comes back, still without a signal.
    await page.reload();
    await expect(page.getByRole('region', { name: 'In it now' })).toContainText('empty');
    expect((await lines(farm).catch(() => [])).filter(({ entry }) => entry.by === 'Tilda (Oona)').length).toBe(0);
    // The program is replaced by a newer one: its files and answers go, the queue stays.
    await context.route('**/entries', (route) =>
      route.request().method() === 'POST' ? route.abort('connectionfailed') : route.continue(),
    );
    await context.setOffline(false);
    await page.evaluate(async () => {
      for (const key of await caches.keys()) await caches.delete(key);
      for (const registration of await navigator.serviceWorker.getRegistrations()) await registration.unregister();
    });
    await page.reload();
    await expect(page.getByRole('button', { name: 'Entries that wait' })).toContainText('1 entry waits since');
    await context.unroute('**/entries');
    await page.reload();
    await expect
      .poll(async () => (await lines(farm)).filter(({ entry }) => entry.by === 'Tilda (Oona)').length, {
        timeout: 60_000,
      })
      .toBe(1);
    await expect(page.getByRole('button', { name: 'Entries that wait' })).toBeHidden();
  });
});

test('the cab in Spanish, by a person’s own choice: its taps, its sheets and its cautions; the office stays as it was', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await enterDemo(page);
  await page.goto(`${DEMO}/cab`);
  await pick(page.getByRole('group', { name: 'Language, idioma' }), 'Español');
  await expect(page.getByRole('heading', { name: '¿Quién es usted y en qué máquina está?' })).toBeVisible();
  await page.getByRole('button', { name: 'Cart 2', exact: true }).click();
  await shows(page, ES.nameStands);
  await page.getByLabel('Su nombre').fill('Lupe');
  await page.getByRole('button', { name: 'Cart 2', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Lo que lleva' })).toBeVisible();
  await page.getByRole('button', { name: 'Otra cosa' }).click();
  const sheet = page.getByRole('dialog', { name: 'Otra cosa' });
  await expect(sheet.getByRole('button', { name: 'Surcos del vecino' })).toBeVisible();
  await sheet.getByRole('button', { name: 'Avisar un retraso' }).click();
  await expect(page.getByRole('dialog').getByLabel('Por cuánto tiempo desde ahora')).toBeVisible();
  await page.keyboard.press('Escape');
  await unfold(page, ES.whoIsWhere);
  await expect(page.getByRole('list', { name: 'Personas' })).toContainText('cosechó');
  // It is the device's from now on, and the page says to a reader in which language it is.
  await page.reload();
  await expect(page.getByRole('region', { name: 'Lo que lleva' })).toBeVisible();
  await expect(page.locator('[lang=es]')).toHaveCount(1);
  await page.goto(`${DEMO}/shed/flex-35`);
  await expect(page.getByRole('complementary', { name: 'Precaución: Debajo del cabezal' }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'It broke' })).toBeVisible();
});
