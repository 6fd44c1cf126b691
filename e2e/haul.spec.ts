import { type BrowserContext, expect, type Page, test } from '@playwright/test';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, type OwnFarm, ownFarm } from './own-farm';
import { enterDemo, minuteOf, pick, refused, shows, toasted, unfold } from './pages';

/** A demo farm of this file's own: the chain is read off its book. */
const HAUL = process.env.FANEGA_E2E_HAUL ?? '';

const LB = 0.45359237;

test('M8: the last load before closing, and where the night’s grain sleeps', async ({ page }) => {
  const farm = await ownFarm(page);
  await addPlace(farm, 'River Terminal', 'buyer');
  await page.goto(`${OWN}/haul/last-load`);
  const form = page.getByRole('region', { name: 'As it stands' });
  for (const [label, value] of [
    ['It is now', '18:09'],
    ['Buyer takes a truck in line until', '7:00 pm'],
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
  await expect(answer).toContainText('6:26 pm');
  await expect(answer).toContainText('arrives 6:50 pm: 10 minutes to spare. Last departure 6:36 pm.');
  await expect(answer).toContainText('310 bu more, 7.4 minutes: full 6:16 pm, loaded 6:22 pm.');
  await expect(answer).toContainText('the other truck cannot go today');
  await expect(answer).toContainText('2,220 bu, 53 minutes');
  await expect(answer).toContainText('Stop at 7:09 pm');
  await expect(answer).toContainText(
    '1,190 bu are picked by the time the other truck is back: the combine never waits.',
  );
  await form.getByLabel('It is now').fill('18:99');
  await refused(form.getByLabel('It is now'), 'A time like 6:09 pm');
  await form.getByLabel('It is now').fill('18:30');
  await expect(answer).toContainText('too late');
  // At noon it is not the last one, and the night counts from the one that is.
  for (const [label, value] of [
    ['It is now', '12:00'],
    ['Another truck is back at', ''],
    ['Rain likely at', ''],
    ['Line and pit there', '20'],
  ] as const)
    await form.getByLabel(label, { exact: true }).fill(value);
  await expect(answer).toContainText('6:36 pm leave by, in 6 h 36 min');
  await expect(answer).toContainText('can leave by 12:17 pm and make 4 more trips, the last at 5:25 pm.');
  await expect(answer).toContainText('1,300 bu, 31 minutes from the last load on');
  await expect(answer).toContainText('Stop at 5:46 pm');
  await form.getByRole('button', { name: 'Keep road, loading and tarping' }).click();
  await toasted(page, 'Road, loading and tarping are kept');
});

test('how many trucks: the same days with one more each, in words and one chart; home with its wet bin; what is full at closing', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const farm = await ownFarm(page);
  const buyer = await addPlace(farm, 'Far Terminal', 'buyer');
  await page.goto(`${OWN}/haul/trucks`);
  const day = page.getByRole('region', { name: 'The day' });
  await day.getByLabel('Loads go to').selectOption(buyer);
  const fill = async (boxes: Readonly<Record<string, string>>): Promise<void> => {
    for (const [label, value] of Object.entries(boxes)) await day.getByLabel(label, { exact: true }).fill(value);
  };
  await fill({
    'Yield as it is': '200',
    'Each cuts': '12',
    Combines: '1',
    Tank: '350',
    Carts: '1',
    Cart: '1,000',
    'Trucks, what each holds': '920, 920, 960',
    'Road, one way': '20',
    'Scale and pit': '10',
    'Other trucks an hour': '0',
    Opens: '7',
    Closes: '19',
  });
  await shows(day, '2,400 bu/h each');
  const table = page.getByRole('table', { name: 'By number of trucks' });
  await expect(table.getByRole('row')).toHaveCount(9);
  await expect(page.getByRole('progressbar', { name: 'Simulated' })).toBeHidden();
  const rates = async () =>
    (await table.locator('tbody td:nth-child(2)').allInnerTexts()).map((text) => Number(text.replace(/,/g, '')));
  const buyerRates = await rates();
  // A cycle is about an hour for one truck of 920 bu; more trucks never bring less, and the combine sets the end.
  expect(buyerRates[0]!).toBeGreaterThan(600);
  expect(buyerRates[0]!).toBeLessThan(1100);
  buyerRates.slice(1).forEach((rate, i) => expect(rate).toBeGreaterThanOrEqual(buyerRates[i]! - 5));
  expect(buyerRates.at(-1)!).toBeLessThanOrEqual(2450);
  await expect(page.getByRole('img', { name: /^bu\/h by trucks: 1: / })).toBeVisible();
  const words = page.getByRole('region', { name: 'Trucks', exact: true });
  await expect(words).toContainText('At closing, 7:00 pm:');
  await expect(words).toContainText(/Overnight on wheels: [\d,]+ bu/);
  await expect(words).toContainText(/One less costs [\d,]+ bu\/h: \$[\d.]+ a bushel/);
  await expect(words).toContainText(/One more brings [\d,]+ bu\/h and makes it \$[\d.]+ a bushel: it does not pay/);
  // The plain average figures beside them: a round of an hour, and how many trucks that makes.
  const averages = page.getByRole('region', { name: 'Plain average figures' });
  await expect(averages).toContainText(/A round takes \d+ min; one truck hauls [\d,]+ bu\/h/);
  await expect(averages).toContainText('3 trucks needed');
  // A dear truck pays less often, and what an hour costs is kept for the farm.
  await day.getByLabel('A truck and driver cost').fill('600');
  await expect(words).toContainText(/^[12]\s*truck/);
  await day.getByRole('button', { name: 'Keep these costs' }).click();
  await toasted(page, 'What an hour costs is kept');
  await day.getByLabel('A truck and driver cost').fill('85');
  await day.getByLabel('Carts', { exact: true }).fill('1.5');
  await refused(day.getByLabel('Carts', { exact: true }), 'A whole number from 0 to 10');
  await day.getByLabel('Carts', { exact: true }).fill('1');
  await day.getByLabel('Trucks, what each holds').fill('a lot');
  await refused(day.getByLabel('Trucks, what each holds'), 'What each holds, like 940, 940, 960');
  await day.getByLabel('Trucks, what each holds').fill('920');

  // Home: a dryer of 400 bu/h behind a wet bin of 3,000 is what holds, and trucks that only wait there are no help.
  await addPlace(farm, 'Wet bin 40', 'wetBin', 3000);
  await page.reload();
  await day.getByLabel('Loads go to').selectOption('');
  await fill({
    'Yield as it is': '200',
    'Each cuts': '12',
    Combines: '1',
    Carts: '1',
    Cart: '1,000',
    'Trucks, what each holds': '920',
    'Wet bin': '3,000',
    'in it now': '0',
    Dryer: '400',
    Leg: '5,000',
    'A truck and driver cost': '85',
  });
  await expect(words).toContainText('Held back by wet bin and dryer on 100 % of days');
  await expect(words).toContainText('When cutting ends, 8:00 pm:');
  await expect(words).toContainText(/the wet bin (full|[\d,]+ bu)/);
  await expect(words).toContainText(/^1\s*truck/);
  // Where the loads go stays said: the look ahead asks about home too.
  await page.goto(`${OWN}/haul`);
  await expect(page.getByRole('region', { name: 'What stops first' }).getByLabel('Loads go to')).toHaveValue('');
});

test('what stops first: one answer for the chain, planned again when a delay is reported, and shown to those whom it concerns', async ({
  page,
  browser,
}) => {
  await enterDemo(page, HAUL);
  await page.goto(`${HAUL}/haul`);
  const chain = page.getByRole('region', { name: 'What stops first' });
  await expect(chain).toContainText('combine idle');
  await expect(chain).toContainText('the wet bin and the dryer behind it');
  const minute = async (): Promise<number> =>
    minuteOf(/[\d:]+ [ap]m(?= combine idle)/.exec(await chain.innerText())![0]);
  const before = await minute();
  // What standing costs, and what each thing would bring of it, are one figure.
  const lost = /([\d,]+ bu) not cut today/.exec(await chain.innerText())![1]!;
  await expect(chain.getByRole('listitem').filter({ hasText: 'loads to Redbud Elevator instead' })).toContainText(
    `of the ${lost}`,
  );
  // It buys beans alone.
  await expect(chain).not.toContainText('loads to Gar Hole');
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    serviceWorkers: 'block',
  });
  const cab = await context.newPage();
  await enterDemo(cab, HAUL);
  await cab.goto(`${HAUL}/cab`);
  await cab.getByLabel('Your name').fill('Oona');
  await cab.getByRole('button', { name: 'Combine 1', exact: true }).tap();
  // The one in the combine is told the same minute as the page.
  const idle = /■\s+([\d:]+ [ap]m)\s+combine idle/;
  const inCab = async (): Promise<number> => {
    const main = cab.getByRole('main');
    await expect(main).toContainText(idle);
    return minuteOf(idle.exec(await main.innerText())![1]!);
  };
  // The clock goes on between the two pages.
  await expect.poll(async () => Math.abs((await inCab()) - before)).toBeLessThanOrEqual(1);

  // The dryer stands for eight hours.
  await chain.getByRole('button', { name: 'Report a delay' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('What', { exact: true }).selectOption('dryer');
  await sheet.getByLabel('For how long, from now').fill('0');
  await sheet.getByRole('button', { name: 'Plan the day again' }).click();
  await refused(sheet.getByLabel('For how long, from now'), 'From 1 to 1,440 min');
  await sheet.getByLabel('For how long, from now').fill('480');
  await sheet.getByLabel('Why, if you like').fill('burner does not light');
  await sheet.getByRole('button', { name: 'Plan the day again' }).click();
  await expect(chain).toContainText('The dryer stands');
  await expect(chain).toContainText('burner does not light');
  await expect.poll(minute).toBeLessThan(before);
  await expect(chain.getByRole('listitem').filter({ hasText: 'the dryer running again now' })).toBeVisible();
  // The one in the combine sees it without asking, as soon as it is near.
  await cab.reload();
  await expect.poll(inCab).toBeLessThan(before);
  await shows(cab, /the dryer that stands|the wet bin and the dryer behind it/);
  await chain.getByRole('button', { name: 'Over' }).click();
  await chain.getByRole('button', { name: 'Yes, take it back' }).click();
  await expect.poll(minute).toBe(before);
  await context.close();
});

test('trucks as they are, and a ticket that never came back with its likely bushels and dollars', async ({ page }) => {
  await enterDemo(page, HAUL);
  await page.goto(`${HAUL}/haul`);
  const trucks = page.getByRole('region', { name: 'Trucks' });
  await expect(trucks.getByRole('row')).toHaveCount(5);
  await expect(trucks.getByRole('row').filter({ hasText: 'Truck 1' })).toContainText(
    /waits loaded|is being loaded|on the way out|in line or unloading/,
  );
  await expect(trucks.getByRole('row').filter({ hasText: 'Truck 3' })).toContainText('stands empty');
  const lost = page.getByRole('region', { name: 'Lost tickets' });
  // The cart had about 50,450 lb on it; tickets and cart agree to a few parts in a thousand: about 901 bu at what sorghum paid last.
  const departures = page.getByRole('region', { name: 'Last departures' });
  await expect(departures.getByRole('listitem').filter({ hasText: 'Redbud Elevator' })).toContainText(
    /in line until 9:00 pm.*(leave by 8:36 pm, .* left|too late today)/s,
  );
  await expect(lost.getByRole('heading')).toContainText(/A ticket never came back: about \$[\d,]+/);
  const row = lost.getByRole('listitem');
  await expect(row).toContainText('Truck 1 to Gar Hole Terminal');
  await expect(row).toContainText(/likely 50,\d\d\d lb, \d\d\d bu = \$/);
  await row.getByRole('button', { name: 'Put the ticket in' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByLabel('Measured by')).toHaveValue('ticket');
  await sheet.getByLabel('Gross').fill('77,200');
  await sheet.getByLabel('Tare').fill('26,800');
  await sheet.getByLabel('Ticket number').fill('R-2231');
  await sheet
    .getByRole('button', { name: /^Record|^Keep|^Put/ })
    .first()
    .click();
  await expect(lost).toBeHidden();
});

/** One phone without a signal. */
async function offlinePhone(context: BrowserContext): Promise<{ page: Page; signal: (on: boolean) => void }> {
  let on = false;
  await context.route('**/entries', (route) =>
    route.request().method() === 'POST' && !on ? route.abort('connectionfailed') : route.continue(),
  );
  return { page: await context.newPage(), signal: (next) => (on = next) };
}

async function load(page: Page, cart: string, truck: string, pounds: string, time: string): Promise<void> {
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await pick(sheet, 'Load');
  await sheet.getByLabel('From', { exact: true }).selectOption(cart);
  await sheet.getByLabel('To', { exact: true }).selectOption(truck);
  await pick(sheet, 'Net');
  await sheet.getByLabel('Weight', { exact: true }).fill(pounds);
  await unfold(sheet, 'When and how');
  await sheet.getByLabel('Time on the farm').fill(time);
  await sheet.getByRole('button', { name: 'Record it' }).click();
  await expect(sheet).toBeHidden();
}

test('M17: two phones without a signal in the hour that comes twice: two loads, in the true order', async ({
  browser,
  page,
}) => {
  const farm: OwnFarm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Black Clay', 'BC', 90);
  const cart = await addPlace(farm, 'Cart 17', 'cart', 4000);
  const truck = await addPlace(farm, 'Truck 17', 'truck', 4000);
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: cart,
        wetKg: 120_000 * LB,
        moisture: 0.16,
        method: 'cartScale',
        at: '2026-10-31T20:00:00Z',
      },
    ],
  });
  const contexts = [
    await browser.newContext({ serviceWorkers: 'block' }),
    await browser.newContext({ serviceWorkers: 'block' }),
  ] as const;
  const [onCart, onTruck] = [await offlinePhone(contexts[0]), await offlinePhone(contexts[1])];
  for (const phone of [onCart, onTruck]) {
    await ownFarm(phone.page);
    await phone.page.goto(`${OWN}/haul`);
  }
  await load(onCart.page, cart, truck, '51,480', '11/1/2026 1:40 am first');
  await load(onTruck.page, cart, truck, '51,500', '11/1/2026 1:42 am first');
  // 58 minutes after the first, and the clock shows two minutes less.
  await load(onCart.page, cart, truck, '50,960', '11/1/2026 1:38 am second');
  await expect(onCart.page.getByRole('button', { name: 'Entries that wait' })).toContainText('2 entries wait');
  await expect(onTruck.page.getByRole('button', { name: 'Entries that wait' })).toContainText('1 entry waits');
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

test('two phones that disagree by more than 1 %: both stay, nobody guesses, and Today asks', async ({
  browser,
  page,
}) => {
  const farm: OwnFarm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Split Cypress', 'SC', 60);
  const cart = await addPlace(farm, 'Cart 18', 'cart', 2000);
  const truck = await addPlace(farm, 'Truck 18', 'truck', 4000);
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: cart,
        wetKg: 100_000 * LB,
        moisture: 0.16,
        method: 'cartScale',
        at: new Date(Date.now() - 3_600_000).toISOString(),
      },
    ],
  });
  const contexts = [
    await browser.newContext({ serviceWorkers: 'block' }),
    await browser.newContext({ serviceWorkers: 'block' }),
  ] as const;
  const phones = [await offlinePhone(contexts[0]), await offlinePhone(contexts[1])] as const;
  for (const phone of phones) {
    await ownFarm(phone.page);
    await phone.page.goto(`${OWN}/haul`);
  }
  const wall = new Intl.DateTimeFormat('sv-SE', {
    timeZone: 'America/Chicago',
    dateStyle: 'short',
    timeStyle: 'short',
  });
  const time = (minutesAgo: number): string => wall.format(Date.now() - minutesAgo * 60_000).replace(' ', 'T');
  await load(phones[0].page, cart, truck, '41,000', time(12));
  await load(phones[1].page, cart, truck, '41,900', time(10));
  for (const phone of phones)
    await expect(phone.page.getByRole('button', { name: 'Entries that wait' })).toContainText('1 entry waits');
  for (const phone of phones) {
    phone.signal(true);
    await expect(phone.page.getByRole('button', { name: 'Entries that wait' })).toBeHidden({ timeout: 60_000 });
  }
  interface Line {
    entry: { type: string; from?: string; by?: string; device?: string; wetKg?: number };
    voided: boolean;
  }
  const moves = async () =>
    (await farm.get<Line[]>('entries?limit=500')).filter(
      ({ entry, voided }) => entry.type === 'move' && entry.from === cart && !voided,
    );
  await expect
    .poll(async () => (await moves()).map(({ entry }) => Math.round(entry.wetKg! / LB)).sort())
    .toEqual([41_000, 41_900]);
  expect(new Set((await moves()).map(({ entry }) => entry.device)).size).toBe(2);
  await page.goto(OWN);
  await expect(
    page.getByRole('heading', { name: /Cart 18 → Truck 18|One load or two|Is this one load/ }),
  ).toBeVisible();
  for (const context of contexts) await context.close();
});
