import { type BrowserContext, expect, type Page, test } from '@playwright/test';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, type OwnFarm, ownFarm } from './own-farm';

const LB = 0.45359237;

test('M8: the last load before closing, and where the night’s grain sleeps', async ({ page }) => {
  const farm = await ownFarm(page);
  await addPlace(farm, 'River Terminal', 'buyer');
  await page.goto(`${OWN}/haul/last-load`);
  const form = page.getByRole('region', { name: 'As it stands' });
  for (const [label, value] of [
    ['It is now', '18:09'],
    ['Buyer takes a truck in line until', '19:00'],
    ['Road, one way', '24'],
    ['Picking', '2,500'],
    ['The truck holds', '920'],
    ['in it now', '0'],
    ['In the cart now', '610'],
    ['The cart holds', '1,000'],
    ['In the tank now', '0'],
    ['The tank holds', '350'],
    ['Lids close up to', '300'],
    ['Loading', '6'],
    ['Tarping', '3'],
    ['Another truck is back at', '18:45'],
    ['and holds', '920'],
    ['Rain likely at', '20:30'],
  ] as const) {
    await form.getByLabel(label, { exact: true }).fill(value);
  }
  const answer = page.getByRole('region', { name: 'Last load' });
  await expect(answer).toContainText('18:26');
  await expect(answer).toContainText('arrives 18:50: 10 minutes to spare. Last departure 18:36.');
  await expect(answer).toContainText('310 bu more, 7.4 minutes: full 18:16, loaded 18:22.');
  await expect(answer).toContainText('the other truck cannot go today');
  await expect(answer).toContainText('2,220 bu, 53 minutes');
  await expect(answer).toContainText('Stop at 19:09');
  await expect(answer).toContainText('1,190 bu are picked by the time the other truck is back: the combine never waits.');
  await form.getByLabel('It is now').fill('18:99');
  await expect(form.getByText('A time like 18:09')).toBeVisible();
  await form.getByLabel('It is now').fill('18:30');
  await expect(answer).toContainText('too late');
  await form.getByRole('button', { name: 'Keep road, loading and tarping' }).click();
  await expect(page.getByText('Road, loading and tarping are kept')).toBeVisible();
});

test('how many trucks: the same days with one more each, in words and one chart', async ({ page }) => {
  await ownFarm(page);
  await page.goto(`${OWN}/haul/trucks`);
  const day = page.getByRole('region', { name: 'The day' });
  for (const [label, value] of [
    ['Combines', '1'],
    ['Each brings', '2,400'],
    ['Tank', '350'],
    ['Carts', '1'],
    ['Cart', '1,000'],
    ['Truck', '920'],
    ['Road, one way', '20'],
    ['Scale and pit', '10'],
    ['Other trucks an hour', '0'],
  ] as const) {
    await day.getByLabel(label, { exact: true }).fill(value);
  }
  const table = page.getByRole('table', { name: 'By number of trucks' });
  await expect(table.getByRole('row')).toHaveCount(9);
  const rates = (await table.locator('tbody td:nth-child(2)').allInnerTexts()).map((text) => Number(text.replace(/,/g, '')));
  // A cycle is about an hour for one truck of 920 bu; more trucks never bring less, and the combine sets the end.
  expect(rates[0]!).toBeGreaterThan(600);
  expect(rates[0]!).toBeLessThan(1100);
  rates.slice(1).forEach((rate, i) => expect(rate).toBeGreaterThanOrEqual(rates[i]! - 5));
  expect(rates.at(-1)!).toBeLessThanOrEqual(2450);
  await expect(page.getByRole('img', { name: /^Bushels an hour by trucks: 1: / })).toBeVisible();
  await day.getByLabel('Carts', { exact: true }).fill('1.5');
  await expect(day.getByText('A whole number from 0 to 10')).toBeVisible();
});

/** One phone without a signal. */
async function offlinePhone(context: BrowserContext): Promise<{ page: Page; signal: (on: boolean) => void }> {
  let on = false;
  await context.route('**/entries', (route) => (route.request().method() === 'POST' && !on ? route.abort('connectionfailed') : route.continue()));
  return { page: await context.newPage(), signal: (next) => (on = next) };
}

async function load(page: Page, cart: string, truck: string, pounds: string, time: string, second = false): Promise<void> {
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByText('Load', { exact: true }).click();
  await sheet.getByLabel('From', { exact: true }).selectOption(cart);
  await sheet.getByLabel('To', { exact: true }).selectOption(truck);
  await sheet.getByText('Net', { exact: true }).click();
  await sheet.getByLabel('Weight', { exact: true }).fill(pounds);
  await sheet.getByText('When and how').click();
  await sheet.getByLabel('Time on the farm').fill(time);
  if (second) await sheet.getByLabel('This hour came twice that night: it was the second time').check();
  await sheet.getByRole('button', { name: 'Record it' }).click();
  await expect(sheet).toBeHidden();
}

test('M17: two phones without a signal in the hour that comes twice: two loads, in the true order', async ({ browser, page }) => {
  const farm: OwnFarm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Black Clay', 'BC', 90);
  const cart = await addPlace(farm, 'Cart 17', 'cart', 4000);
  const truck = await addPlace(farm, 'Truck 17', 'truck', 4000);
  await farm.post('entries', {
    entries: [{ id: ulid(), type: 'harvest', lot: lotId, to: cart, wetKg: 120_000 * LB, moisture: 0.16, method: 'cartScale', at: '2026-10-31T20:00:00Z' }],
  });
  const contexts = [await browser.newContext({ serviceWorkers: 'block' }), await browser.newContext({ serviceWorkers: 'block' })] as const;
  const [onCart, onTruck] = [await offlinePhone(contexts[0]), await offlinePhone(contexts[1])];
  for (const phone of [onCart, onTruck]) {
    await ownFarm(phone.page);
    await phone.page.goto(`${OWN}/haul`);
  }
  await load(onCart.page, cart, truck, '51,480', '2026-11-01T01:40');
  await load(onTruck.page, cart, truck, '51,500', '2026-11-01T01:42');
  // 58 minutes after the first, and the clock shows two minutes less.
  await load(onCart.page, cart, truck, '50,960', '2026-11-01T01:38', true);
  await expect(onCart.page.getByRole('button', { name: 'Entries that wait' })).toContainText('2 entries wait');
  for (const phone of [onTruck, onCart]) {
    phone.signal(true);
    await expect(phone.page.getByRole('button', { name: 'Entries that wait' })).toBeHidden({ timeout: 60_000 });
  }
  interface Line {
    entry: { type: string; from?: string; at: string; wetKg?: number; device?: string; by?: string };
    voided: boolean;
    wetKg: number | null;
  }
  const moves = async () =>
    (await farm.get<Line[]>('entries?limit=500'))
      .filter(({ entry, voided }) => entry.type === 'move' && entry.from === cart && !voided)
      .sort((a, b) => Date.parse(a.entry.at) - Date.parse(b.entry.at));
  await expect.poll(async () => (await moves()).length).toBe(2);
  const [first, second] = await moves();
  expect(Date.parse(second!.entry.at) - Date.parse(first!.entry.at)).toBeGreaterThan(55 * 60_000);
  const pounds = [first!, second!].map(({ wetKg }) => Math.round(wetKg! / LB));
  expect([51_480, 51_500]).toContain(pounds[0]);
  expect(pounds[1]).toBe(50_960);
  const all = await farm.get<Line[]>('entries?limit=500');
  expect(new Set(all.filter(({ entry }) => entry.from === cart).map(({ entry }) => entry.device)).size).toBe(2);
  const now = await farm.get<{ positions: Record<string, { wetKg: number }>; balance: { balances: boolean } }>('now');
  expect(Math.abs(now.positions[truck]!.wetKg / LB - 102_440)).toBeLessThan(21);
  expect(now.balance.balances).toBe(true);
  for (const context of contexts) await context.close();
});
