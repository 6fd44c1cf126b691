import { expect, test } from '@playwright/test';
import { ulid } from 'ulid';
import { addField, addPlace, keep, OWN, ownFarm, setUp } from './own-farm';
import { DEMO, enterDemo, pick, refused, told } from './pages';

const BU = 56 * 0.45359237;
const SQ_M = 0.9290304;

test('where the accepted loss sets a lower speed, that is the speed; and every page cuts at that rate', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId, fieldId } = await addField(farm, 'Loss Bend', 'LB', 80);
  const machineId = await addPlace(farm, 'Combine 8', 'combine', 350);
  const plan = await farm.get<{ settings: { nextFieldPlan: { farm?: { revision: number; value: object } } } }>('fields/records'); // prettier-ignore
  const kept = plan.settings.nextFieldPlan.farm;
  await farm.put('fields/next-field-plan/farm', {
    revision: kept?.revision ?? 0,
    value: {
      school: 'steady',
      weights: {},
      ownOrder: [],
      mostStep: 2,
      bushelPointsPerHour: 0,
      dryTo: 0.15,
      facts: { [fieldId]: { standability: 0, distance: 0, yieldKgPerHa: 200 * 62.7677 } },
    },
  });
  await setUp(farm, 'combineProfile', machineId, {
    kind: 'rotary',
    headWidth: 9.144,
    headConfirmed: '',
    goodRate: 3000 * BU,
    speedLimit: 3,
    tankBu: 350,
    fieldEfficiency: 0.7,
    ranges: {},
    heads: [{ name: 'Platform', width: 9.144 }],
  });
  // 1.5 m/s is 2,440 bu/h in 200 bu/ac, 2 m/s is 3,254: half a bushel an acre behind the one, two behind the other.
  for (const [speed, perFoot] of [
    [1.5, 1],
    [2, 4],
  ] as const) {
    const settingsId = ulid();
    const at = new Date().toISOString();
    await keep(farm, 'settingsEntry', { id: settingsId, at, machineId, lotId, values: { speed }, why: 'as it was' });
    await keep(farm, 'lossCheck', {
      id: ulid(),
      at,
      machineId,
      lotId,
      settingsId,
      behind: [1, 2, 3].map((n) => ({ kernels: 10 * perFoot + (n - 2), area: SQ_M })),
      before: [],
      atHeader: [],
      kernelGrams: 0.2917,
      pricePerBu: 4.4,
    });
  }
  await page.goto(`${OWN}/cut?machine=${machineId}`);
  await page.getByLabel('Field').selectOption(lotId);
  const speed = page.getByRole('region', { name: 'Speed to drive' });
  await speed.getByRole('button', { name: 'Platform, 30.0 ft, is on' }).click();
  // A third of the way between the counts: 1.67 m/s.
  await expect(speed.getByLabel('Drive')).toHaveText('3.7 mph (loss)');
  await expect(speed).toContainText(/The loss passes the 1.00 bu\/ac you accept above 2,7\d\d bu\/h/);
  const inField = /With turns that is ([\d,]+ bu\/h)/.exec(await speed.innerText())![1]!;
  // The working names the rule, the counts, and what was never set here.
  await speed.getByRole('button', { name: 'How it is worked out' }).click();
  const drawer = page.getByRole('dialog');
  await expect(drawer).toContainText('The fastest rate at which the loss is still accepted');
  await expect(drawer).toContainText('a bushel an acre, assumed');
  await expect(drawer.getByRole('link', { name: 'Enter it' })).toBeVisible();
  await page.keyboard.press('Escape');
  // Two bushels accepted: the good rate decides again, and the loss counted there is named.
  await page.getByRole('button', { name: 'Machine profile' }).click();
  await page.getByRole('dialog').getByLabel('Loss you accept, corn').fill('2.5');
  await page.getByRole('dialog').getByRole('button', { name: 'Save the profile' }).click();
  await expect(speed.getByLabel('Drive')).toHaveText('4.1 mph');
  await expect(speed).toContainText(/Loss counted at that rate: 1\.\d\d bu\/ac, 2.50 bu\/ac accepted/);
  expect(inField).toMatch(/^1,\d\d\d bu\/h$/);
});

test('a display has a factor for each crop, and a pair that somebody knows can be typed', async ({ page }) => {
  const farm = await ownFarm(page);
  await addField(farm, 'Corn Bend', 'CBX', 40);
  await addField(farm, 'Bean Bend', 'BB', 40, 'soybean');
  const machineId = await addPlace(farm, 'Combine 109', 'combine', 350);
  await page.goto(`${OWN}/cut/monitor?machine=${machineId}`);
  const type = async (crop: string, display: string, scale: string): Promise<void> => {
    await page.getByRole('button', { name: 'Type a known pair' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('Crop').selectOption({ label: crop });
    await sheet.getByLabel('Display showed').fill(display);
    await sheet.getByLabel('Scale weighed').fill(scale);
    await sheet.getByRole('button', { name: 'Record the pair' }).click();
    await expect(sheet).toBeHidden();
  };
  await page.getByRole('button', { name: 'Type a known pair' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Record the pair' }).click();
  await expect(told(page.getByRole('dialog'), 'What did the display show?')).toBeVisible();
  await page.keyboard.press('Escape');
  await type('corn', '270', '250');
  const display = page.getByRole('region', { name: 'The display' });
  await expect(display).toContainText('Combine 109 in corn: multiply its display by');
  await expect(display).toContainText('0.9259');
  await type('beans', '200', '210');
  // Never mixed: each crop has its own, and a tap between them.
  await pick(page.getByRole('group', { name: 'Crop' }), 'beans');
  await expect(display).toContainText('1.0500');
  await pick(page.getByRole('group', { name: 'Crop' }), 'corn');
  await expect(display).toContainText('0.9259');
});

test('a vehicle that is down asks before it hauls, is no part of the chain, and dealers’ counters count down', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Down Bend', 'DB', 40);
  const cart = await addPlace(farm, 'Cart 62', 'cart', 1100);
  const truck = await addPlace(farm, 'Truck 62', 'truck', 940);
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: cart, wetKg: 8000, moisture: 0.17, at: new Date().toISOString() },
    ],
  });
  // The truck stands in the shed as soon as it is added.
  const { settings } = await farm.get<{ settings: { machine: Record<string, { revision: number; value: { placeId?: string } }> } }>('shed/records'); // prettier-ignore
  const [asset, { revision, value }] = Object.entries(settings.machine).find(([, one]) => one.value.placeId === truck)!;
  await farm.put(`shed/machine/${asset}`, {
    revision,
    value: {
      ...value,
      engineHours: 320,
      items: [],
      services: [{ id: 'air', what: 'Air filter', by: 'engine', everyHours: 100, lastAt: 200, skipped: 0 }],
    },
  });
  await page.goto(`${OWN}/shed`);
  const row = page.getByRole('row').filter({ hasText: 'Truck 62' });
  // A filter past its hours is not ready, and what is due is its own.
  await expect(row).toContainText('◐ service overdue');
  await expect(row).toContainText('Air filter');
  await expect(row).toContainText('20 h over');
  const breakdown = ulid();
  await keep(farm, 'breakdown', {
    id: breakdown,
    at: new Date().toISOString(),
    assetId: asset,
    what: 'Brake line cut',
    cause: 'foreign',
    cost: 0,
    hoursLost: 0,
    acresLost: 0,
    missingSpare: '',
    mended: false,
  });
  await expect(row).toContainText('■ down');
  await expect(row).toContainText('Brake line cut');
  // Parts counters, open around the clock here so that the hour of the test does not matter.
  await page.getByRole('button', { name: 'Write down their hours' }).or(page.getByRole('region', { name: 'Parts counters' }).getByRole('button', { name: 'Change' })).click(); // prettier-ignore
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Add a counter' }).click();
  await sheet.getByLabel('Name').last().fill('Millrace Implement');
  await sheet.getByLabel('Phone').last().fill('555-0131');
  await sheet.getByLabel('Drive').last().fill('0');
  for (const label of ['Monday to Friday', 'Saturday', 'Sunday'])
    await sheet.getByLabel(label).last().fill('0:00 to noon');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await refused(sheet.getByLabel('Sunday').last(), /A time like .* to another/);
  for (const label of ['Monday to Friday', 'Saturday', 'Sunday'])
    await sheet.getByLabel(label).last().fill('0:00 to 23:59');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet).toBeHidden();
  const counters = page.getByRole('region', { name: 'Parts counters' });
  await expect(counters.getByRole('listitem').filter({ hasText: 'Millrace Implement' })).toContainText(/leave by .* left, open until 11:59 pm/); // prettier-ignore
  // It stands on Haul as what it is, and in who is where.
  await page.goto(`${OWN}/haul`);
  await expect(page.getByRole('region', { name: 'Trucks' }).getByRole('row').filter({ hasText: 'Truck 62' })).toContainText('■ is down Brake line cut'); // prettier-ignore
  await expect(page.getByRole('region', { name: 'Who is where' }).getByRole('list', { name: 'Vehicles' })).toContainText('Cart 62 Down Bend'); // prettier-ignore
  // Loading it asks first; with a reason it goes into the book.
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await sheet.getByLabel('From').selectOption(cart);
  await sheet.getByLabel('To', { exact: true }).selectOption(truck);
  await expect(sheet.getByRole('alert').filter({ hasText: 'Truck 62 is down: Brake line cut. Does it run again?' })).toBeVisible(); // prettier-ignore
});

test('how long grain keeps: two tables, the cautious one in heat, and what standing still does', async ({ page }) => {
  await enterDemo(page);
  await page.goto(`${DEMO}/dry/keeps`);
  const about = page.getByRole('region', { name: 'What is asked about' });
  const answer = page.getByRole('region', { name: 'How long it keeps' });
  await about.getByLabel('Grain in').selectOption('');
  await about.getByLabel('Moisture').fill('20');
  await about.getByLabel('Grain temperature').fill('80');
  await expect(answer).toContainText(/^Corn at 20.0 % and 80 °F, aired\s*7 days/);
  await expect(answer).toContainText('By the cautious table.');
  const row = answer.getByRole('row').filter({ hasText: '80 °F' });
  await expect(row).toContainText('7 days7 days9 days');
  // The other school is a choice of the farm.
  await pick(about.getByRole('group', { name: 'Above 75 °F' }), 'standard');
  await expect(answer).toContainText('By the standard’s formula.');
  await expect(answer).toContainText(/9 days/);
  await pick(about.getByRole('group', { name: 'Above 75 °F' }), 'cautious');
  await expect(answer).toContainText('By the cautious table.');
  // Without air it heats itself: two days, and hot at the end.
  await about.getByLabel('Moisture').fill('24');
  await about.getByLabel('Grain temperature').fill('84');
  await expect(answer).toContainText(
    /Standing still, without air, it heats itself: about (4\d hours|2 days), and 1[23]\d °F/,
  );
  // Hotter than the table: at most so long; wetter than any of them: it says so and does not guess.
  await expect(answer).toContainText(/under \d+ (hours|days)/);
  await about.getByLabel('Moisture').fill('36');
  await expect(answer).toContainText('No table says');
  await about.getByLabel('Moisture').fill('lots');
  await refused(about.getByLabel('Moisture'), '“lots” is not a number');
});

test('stay or switch before the rain: both ways in dollars, and from how many dry hours on the switch pays', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const corn = await addField(farm, 'Stay Corn', 'SC1', 200);
  await addField(farm, 'Switch Beans', 'SB1', 80, 'soybean');
  const combine = await addPlace(farm, 'Switch combine', 'combine', 350);
  const cart = await addPlace(farm, 'Switch cart', 'cart', 1100);
  await farm.post('entries', { entries: [{ id: ulid(), type: 'harvest', lot: corn.lotId, to: cart, wetKg: 9000, moisture: 0.15, at: new Date(Date.now() - 60_000).toISOString(), method: 'cartScale' }] }); // prettier-ignore
  await page.goto(`${OWN}/cut/switch?machine=${combine}`);
  const now = page.getByRole('group', { name: 'Where it cuts now' });
  const could = page.getByRole('group', { name: 'Where it could cut' });
  await expect(now.getByLabel('It cuts now')).toHaveValue(corn.lotId);
  await expect(could.getByLabel('Left to cut')).toHaveValue('80');
  await expect(page.getByLabel('Changing over takes')).toHaveValue('1.5');
  await page.getByLabel('It stays dry').fill('5');
  await page.getByLabel('The road takes').fill('0');
  const type = async (side: typeof now, rate: string, bu: string, price: string): Promise<void> => {
    await side.getByLabel('It cuts', { exact: true }).fill(rate);
    await side.getByLabel('Yield').fill(bu);
    await side.getByLabel('Price after moisture').fill(price);
  };
  await now.getByLabel('Left to cut').fill('200');
  await type(now, '9', '180', '4.20');
  await type(could, '12', '55', '10.20');
  const answer = page.getByRole('region', { name: 'Stay or switch' });
  await expect(answer).toContainText('Stay');
  await expect(answer.getByRole('row', { name: /^Brings/ })).toContainText('$34,020$23,562');
  // A dryer that cannot keep up turns it around.
  await now.getByLabel('Dryer or buyer take').fill('600');
  await expect(answer).toContainText('to Switch Beans');
  await expect(answer.getByRole('row', { name: /^What ends it/ })).toContainText('what is taken');
  await expect(answer).toContainText(/The switch pays from \d h/);
  await page.getByLabel('It stays dry').fill('99');
  await refused(page.getByLabel('It stays dry'), 'From 0 to 48 h');
});
