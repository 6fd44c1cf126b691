import { expect, type Page, test } from '@playwright/test';
import { pick, shows, told } from './pages';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { ulid } from 'ulid';
import { addField, addPlace, keep, OWN, ownFarm, type OwnFarm, records, setUp } from './own-farm';
import { onWire } from './stand-in';

const LB = 0.45359237;
const BU = 56 * LB;
const FT = 0.3048;

interface Line {
  entry: {
    id: string;
    type: string;
    from?: string;
    to?: string;
    place?: string;
    of?: string;
    wetKg?: number;
    method?: string;
    moisture?: number;
  };
  voided: boolean;
}
const lines = (farm: OwnFarm): Promise<Line[]> => farm.get<Line[]>('entries?limit=500');
const held = async (farm: OwnFarm, place: string): Promise<number> =>
  (await farm.get<{ positions: Record<string, { wetKg: number }> }>('now')).positions[place]?.wetKg ?? 0;

async function intoCab(page: Page, name: string, machine: string): Promise<void> {
  await page.goto(`${OWN}/cab`);
  await page.getByLabel('Your name').fill(name);
  await page.getByRole('button', { name: machine, exact: true }).click();
  await expect(page.getByRole('heading', { name: `Cab: ${machine}` })).toBeAttached();
}

test('a cart’s scale is read live in both cabs, zeroed and held; the load it saw is one tap', async ({
  page,
  browser,
}) => {
  test.setTimeout(180_000);
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Plover Flat', 'PF', 40);
  const cart = await addPlace(farm, 'Cart 21', 'cart', 1100);
  await addPlace(farm, 'Combine 21', 'combine', 350);
  const tank = await addPlace(farm, 'Overhead 21', 'overhead', 5000);
  // A first load by hand tells which field it is.
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: tank,
        wetKg: 200 * BU,
        moisture: 0.181,
        at: new Date().toISOString(),
        method: 'cartScale',
      },
    ],
  });
  const scale = await onWire(farm, 'cartScale', 'Scale 21', cart);
  await intoCab(page, 'Dell', 'Cart 21');
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const combine = await context.newPage();
  await ownFarm(combine);
  await intoCab(combine, 'Oona', 'Combine 21');

  // Empty it stands on the wire with 320 lb of mud and a spare wheel.
  const standing = scale.run('cart-scale', '--on', '320', '--play', '1', '--speed', '5');
  const readout = page.getByRole('region', { name: 'Scale 21' });
  await expect(readout).toContainText(/3[12]\d lb/);
  await readout.getByRole('button', { name: 'Zero' }).click();
  await standing;
  await expect(readout).toContainText(/^Scale 21.*?-?\d lb/);
  await expect
    .poll(async () => Math.abs(Number(/(-?[\d,]+) lb/.exec(await readout.innerText())?.[1]?.replace(/,/g, ''))))
    .toBeLessThan(30);

  const playing = scale.run('cart-scale', '--on', '320', '--play', '14000', '--speed', '8');
  await expect(readout).toContainText('moving');
  await playing;
  await expect(readout).toContainText(/14,0[0-4]0 lb/);
  await expect(readout).toContainText('250 bu');
  // The combine operator sees the same figure on his own screen.
  await expect(combine.getByRole('region', { name: 'Scale 21' })).toContainText(/14,0[0-4]0 lb/);
  await expect(combine.getByRole('region', { name: 'Scale 21' }).getByRole('button')).toHaveCount(0);
  await readout.getByRole('button', { name: 'Hold' }).click();
  await expect(readout).toContainText('held');
  await readout.getByRole('button', { name: 'Let go' }).click();

  const seen = page.getByRole('region', { name: 'Seen by the scale' });
  await seen.getByRole('button', { name: /Plover Flat → Cart 21, 250 bu at 18\.1 %/ }).click();
  await expect(seen).toBeHidden();
  await expect.poll(() => held(farm, cart).then((kg) => Math.round(kg / LB / 50))).toBe(280);
  const recorded = (await lines(farm)).find(({ entry }) => entry.to === cart)!;
  expect([recorded.entry.method, recorded.entry.moisture]).toEqual(['cartScale', 0.181]);
  await context.close();
});

/** A tractor and trailer on five axles, as the legal page knows it. */
async function fiveAxles(farm: OwnFarm, truck: string, combination: string, permit?: object): Promise<void> {
  const axles = [0, 14, 18.3, 47, 51.3].map((feet, i) => ({
    at: feet * FT,
    share: [0.05, 0.23, 0.23, 0.245, 0.245][i]!,
  }));
  await setUp(farm, 'truckSetup', truck, {
    combination,
    axles,
    singleLb: 20_000,
    tandemLb: 34_000,
    grossLb: 80_000,
    ...(permit ? { permit } : {}),
  });
}

const EMPTY = [10_300, 4300, 4200, 4060, 3960];
const loadedAxles = (netLb: number): number[] =>
  EMPTY.map((pounds, i) => Math.round(pounds + netLb * [0.05, 0.23, 0.23, 0.245, 0.245][i]!));
const tare = (
  farm: OwnFarm,
  machineId: string,
  combination: string,
  pounds: readonly number[],
  daysAgo: number,
): Promise<unknown> =>
  keep(farm, 'emptyWeight', {
    id: ulid(),
    at: new Date(Date.now() - daysAgo * 86_400_000).toISOString(),
    machineId,
    combination,
    axlesKg: pounds.map((lb) => lb * LB),
  });

async function pdfText(page: Page, farm: OwnFarm, number: number): Promise<string> {
  const response = await page.request.get(`${OWN}/api/farms/${farm.id}/weigh-tickets/${number}/pdf`);
  expect(response.headers()['content-type']).toContain('application/pdf');
  const pdf = await getDocument({ data: new Uint8Array(await response.body()), useSystemFonts: true, verbosity: 0 })
    .promise;
  const content = await (await pdf.getPage(1)).getTextContent();
  return content.items.map((item) => ('str' in item ? item.str : '')).join(' ');
}

test('axle by axle over the stand-in’s platform: the light, the sum, the ticket read back from its PDF; a number comes once', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Rail Eighty', 'RE', 80);
  const truck = await addPlace(farm, 'Truck 22', 'truck', 960);
  await fiveAxles(farm, truck, 'Truck 22, gray hopper');
  await tare(farm, truck, 'Truck 22, gray hopper', EMPTY, 5);
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: truck,
        wetKg: 50_000 * LB,
        moisture: 0.155,
        at: new Date().toISOString(),
        method: 'cartScale',
      },
    ],
  });
  const bridge = await onWire(farm, 'truckScale', 'Yard bridge');
  await page.goto(`${OWN}/haul/scales`);
  await page.getByLabel('Truck', { exact: true }).selectOption(truck);
  await pick(page, 'By axle');
  // Nothing was heard of the bridge yet: that is said, and the weight could be typed.
  await expect(told(page, 'The scale is silent')).toBeVisible();
  const net = 50_120;
  const axles = page.getByRole('list', { name: 'Axles' });
  await expect(axles).toContainText('5: not yet');
  // Every word that the light says while the truck drives over, however short.
  await page.evaluate(() => {
    const said = new Set<string>();
    (window as unknown as { said: Set<string> }).said = said;
    const look = (): void =>
      document.querySelectorAll('[role=status]').forEach((status) => said.add(status.textContent ?? ''));
    new MutationObserver(look).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
  await bridge.run('truck-scale', '--axles', loadedAxles(net).join(','), '--speed', '6');
  const said = (await page.evaluate(() => [...(window as unknown as { said: Set<string> }).said])).join(' | ');
  for (const words of ['Stop. Hold still', 'Taken. Drive on to the next axle', 'Drive on'])
    expect(said).toContain(words);
  await shows(page, 'All 5 axles taken. Drive off');
  await expect(axles).not.toContainText('not yet');
  await shows(page, /50,[01]\d\d lb net/);
  await shows(page, 'A sum of axles is an estimate of 1 to 2 %');
  await page.getByRole('button', { name: 'Into the book, with a ticket' }).click();
  const printed = told(page, /No\. \d+/);
  const number = Number(/No\. (\d+)/.exec(await printed.innerText())![1]);
  expect(number).toBeGreaterThanOrEqual(1);
  const text = await pdfText(page, farm, number);
  for (const words of [
    'Weight ticket',
    `No. ${number}`,
    'Truck 22',
    'Truck 22, gray hopper',
    'axle by axle',
    'axle 5',
    'Rail Eighty',
    '100.0 %',
    'estimate of 1 to 2 %',
  ])
    expect(text).toContain(words);
  const netText = /Net\s+([\d,]+) lb/.exec(text)![1]!;
  expect(Math.abs(Number(netText.replace(/,/g, '')) - net)).toBeLessThan(120);
  // It speaks in the book beside the cart: one load was on the truck.
  const witness = (await lines(farm)).find(({ entry }) => entry.type === 'witness' && entry.method === 'bridge')!;
  expect(Math.abs(witness.entry.wetKg! / LB - net)).toBeLessThan(120);

  // Void, and its number stays used: the next one is another.
  const own = page
    .getByRole('region', { name: 'Own tickets' })
    .getByRole('listitem')
    .filter({ hasText: `No. ${number} ` });
  await own.getByRole('button', { name: 'Void' }).click();
  await own.getByRole('button', { name: 'Yes, void it' }).click();
  await expect(own).toContainText('void');
  expect(await pdfText(page, farm, number)).toContain('VOID');
  await page.getByRole('button', { name: 'The next truck' }).click();
  await pick(page, 'Type it');
  await page.getByLabel('What the scale shows').fill('77,000');
  await page.getByRole('button', { name: 'Into the book, with a ticket' }).click();
  await expect(told(page, new RegExp(`No\\. ${number + 1}`))).toBeVisible();
  expect(await pdfText(page, farm, number + 1)).toContain('typed by hand');
});

test('another tractor before the trailer stops the weighing; loads with the wrong empty weight are listed with what each changes', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Bayou Strip', 'BS', 30);
  const truck = await addPlace(farm, 'Truck 23', 'truck', 960);
  const combination = 'Truck 23, old tractor';
  await fiveAxles(farm, truck, combination);
  await tare(farm, truck, combination, EMPTY, 6);
  const tareId = (await records(farm, 'emptyWeight')).find(({ machineId }) => machineId === truck)!.id;
  const numbers: number[] = [];
  for (const [netLb, hours] of [
    [50_000, 60],
    [49_200, 40],
    [50_400, 20],
  ] as const) {
    const harvest = {
      id: ulid(),
      type: 'harvest',
      lot: lotId,
      to: truck,
      wetKg: netLb * LB,
      moisture: 0.15,
      at: new Date(Date.now() - hours * 3_600_000).toISOString(),
      method: 'cartScale',
    };
    await farm.post('entries', { entries: [harvest] });
    const ticket = await farm.post<{ number: number }>('weigh-tickets', {
      id: ulid(),
      at: new Date(Date.now() - (hours - 0.2) * 3_600_000).toISOString(),
      machineId: truck,
      combination,
      grossKg: loadedAxles(netLb).map((lb) => lb * LB),
      tareKg: EMPTY.map((lb) => lb * LB),
      tareId,
      byHand: false,
      entry: {
        id: ulid(),
        type: 'witness',
        of: harvest.id,
        at: new Date(Date.now() - (hours - 0.2) * 3_600_000).toISOString(),
        wetKg: netLb * LB,
        method: 'bridge',
      },
    });
    numbers.push(ticket.number);
    await farm.post('entries', {
      entries: [
        {
          id: ulid(),
          type: 'loss',
          place: truck,
          wetKg: netLb * LB,
          reason: 'test',
          at: new Date(Date.now() - (hours - 0.5) * 3_600_000).toISOString(),
        },
      ],
    });
  }
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: truck,
        wetKg: 50_000 * LB,
        moisture: 0.15,
        at: new Date().toISOString(),
        method: 'cartScale',
      },
    ],
  });
  await page.goto(`${OWN}/haul/scales`);
  await page.getByLabel('Truck', { exact: true }).selectOption(truck);
  await pick(page, 'Type it');
  // The new tractor is 2,200 lb heavier on its steer axle, 700 lb on its drivers.
  const heavier = EMPTY.map((pounds, i) => pounds + [2200, 350, 350, 0, 0][i]!);
  const type = async (axles: readonly number[]): Promise<void> => {
    for (let i = 1; i < axles.length; i++) await page.getByRole('button', { name: 'Another axle' }).click();
    for (const [i, pounds] of axles.entries())
      await page.getByLabel(`Axle ${i + 1}`, { exact: true }).fill(String(pounds));
  };
  await type(loadedAxles(50_000).map((pounds, i) => pounds + heavier[i]! - EMPTY[i]!));
  const stop = page.getByRole('alert').filter({ hasText: 'Weigh empty?' });
  await expect(stop).toContainText(/Axle 1 shows 15,000 lb where 12,8\d\d lb is usual/);
  await expect(page.getByRole('button', { name: 'Into the book, with a ticket' })).toBeDisabled();
  await stop.getByRole('button', { name: 'Weigh it empty' }).click();
  await type(heavier);
  await shows(page, '10.8 % over the empty weight of');
  await page.getByRole('button', { name: `Keep as the empty weight of ${combination}` }).click();

  const wrong = page.getByRole('region', { name: 'Loads with the wrong tare' });
  // 2,900 lb too much on each of three loads: 155 bu in all.
  await expect(wrong.getByRole('heading')).toContainText('3 loads were weighed with the old one: −155 bu');
  const first = wrong.getByRole('listitem').filter({ hasText: `No. ${numbers[2]!}, ` });
  await expect(first).toContainText('50,400 lb → 47,500 lb');
  await first.getByRole('button', { name: 'Correct' }).click();
  await expect(first).toContainText('corrected');
  const tickets = await farm.get<{ number: number; voided: boolean; netKg: number; entryId: string | null }[]>('weigh-tickets'); // prettier-ignore
  const old = tickets.find(({ number }) => number === numbers[2])!;
  const [made] = tickets;
  expect([old.voided, Math.round(old.netKg / LB)]).toEqual([true, 50_400]);
  expect([made!.voided, Math.round(made!.netKg / LB)]).toEqual([false, 47_500]);
  // The original stays in the book, crossed out, and the corrected one speaks for it.
  const all = await lines(farm);
  expect(all.find(({ entry }) => entry.id === old.entryId)!.voided).toBe(true);
  expect(Math.round(all.find(({ entry }) => entry.id === made!.entryId)!.entry.wetKg! / LB)).toBe(47_500);
  expect(tickets.filter(({ number, voided }) => numbers.slice(0, 2).includes(number) && !voided).length).toBe(2);
});

test('legal weight: axle groups, the bridge formula and a permit say how many bushels may still go on, also while the cart unloads', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Toll Corner', 'TC', 30);
  const truck = await addPlace(farm, 'Truck 24', 'truck', 1200);
  const cart = await addPlace(farm, 'Cart 24', 'cart', 1100);
  const at = new Date().toISOString();
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: truck, wetKg: 500 * BU, moisture: 0.155, at, method: 'cartScale' },
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: cart,
        wetKg: 20_000 * LB,
        moisture: 0.155,
        at,
        method: 'cartScale',
      },
    ],
  });
  await page.goto(`${OWN}/haul/legal`);
  await page.getByLabel('Truck', { exact: true }).selectOption(truck);
  await shows(page, 'The axles of Truck 24 are not set up');
  await page.getByRole('button', { name: 'Set up its axles' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('of the load').first().fill('5');
  await sheet.getByRole('button', { name: 'Keep the truck' }).click();
  await expect(told(sheet, /come to 10\d\.0 %, not to 100/)).toBeVisible();
  for (const [i, share] of [5, 23, 23, 24.5, 24.5].entries())
    await sheet.getByLabel('of the load').nth(i).fill(String(share));
  await sheet.getByRole('button', { name: 'Keep the truck' }).click();
  await expect(sheet).toBeHidden();
  await shows(page, 'was never weighed empty');
  await tare(farm, truck, 'Truck 24', EMPTY, 1);
  const answer = page.getByRole('region', { name: 'What may still go on' });
  await page.reload();
  await page.getByLabel('Truck', { exact: true }).selectOption(truck);
  // Trailer tandem: 34,000 − 8,020 lb empty = 25,980 lb of 49 % of the load: 53,020 lb of grain, 25,020 lb = 447 bu beside the 500 on it.
  await expect(answer).toContainText('447 bu of corn');
  await expect(answer).toContainText('axles 4 to 5');
  await expect(answer).toContainText('Local law, posted bridges and the permit’s own text rule.');
  // A permit of 10 % on axles counts on its days, and is shown when it does not.
  await page.getByRole('button', { name: 'Axles, limits, permit' }).click();
  await sheet.getByLabel('Permit, as it is headed').fill('Harvest permit');
  await sheet.getByLabel('On axles').fill('10');
  await sheet.getByLabel('On the gross').fill('10');
  const today = new Intl.DateTimeFormat('en-CA', {
    timeZone: 'America/Chicago',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  });
  await sheet.getByLabel('From', { exact: true }).fill(today.format(Date.now() - 86_400_000));
  await sheet.getByLabel('Until', { exact: true }).fill(today.format(Date.now() + 86_400_000));
  await sheet.getByRole('button', { name: 'Keep the truck' }).click();
  await expect(sheet).toBeHidden();
  await expect(answer).toContainText('Harvest permit: 10 % on axles, 10 % gross');
  const permitted = Number(/(\d+) bu of corn/.exec(await answer.innerText())![1]);
  expect(permitted).toBeGreaterThan(447);
  // The cart unloads: what it is lighter than the book is on the truck already.
  const scale = await onWire(farm, 'cartScale', 'Scale 24', cart);
  await scale.run('cart-scale', '--on', '20000', '--play=-5600', '--speed', '40');
  await expect(answer).toContainText(/Cart 24 is 5,[56]\d\d lb lighter than the book/);
  const left = Number(/(\d+) bu of corn/.exec(await answer.innerText())![1]);
  expect(Math.abs(permitted - left - 100)).toBeLessThan(3);
});

test('the truth of the weights: a scale out of tolerance is flagged, and which scale counts is the farm’s own rule', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Weigh Lane', 'WL', 30);
  const cart = await addPlace(farm, 'Cart 25', 'cart', 2000);
  const truck = await addPlace(farm, 'Truck 25', 'truck', 2000);
  const mill = await addPlace(farm, 'Slack Water Mill', 'buyer');
  for (let i = 0; i < 4; i++) {
    const at = (minute: number) => new Date(Date.now() - (5 - i) * 3_600_000 + minute * 60_000).toISOString();
    const harvest = ulid();
    await farm.post('entries', {
      entries: [
        {
          id: harvest,
          type: 'harvest',
          lot: lotId,
          to: cart,
          wetKg: 20_000,
          moisture: 0.15,
          at: at(0),
          method: 'cartScale',
        },
        {
          id: ulid(),
          type: 'witness',
          of: harvest,
          wetKg: 20_800,
          at: at(1),
          method: 'monitor',
          device: 'Combine 25-tablet',
        },
        {
          id: ulid(),
          type: 'move',
          from: cart,
          to: truck,
          wetKg: 20_000,
          emptied: true,
          at: at(5),
          method: 'cartScale',
        },
        {
          id: ulid(),
          type: 'move',
          from: truck,
          to: mill,
          wetKg: 19_800 + i,
          emptied: true,
          moisture: 0.15,
          at: at(40),
          method: 'ticket',
          ticket: `W${i}`,
        },
      ],
    });
  }
  await page.goto(`${OWN}/haul/weights`);
  const row = page.getByRole('row').filter({ hasText: 'Cart 25: cart scale' });
  // 20,000 against 19,801.5 kg: 1 % over, twice the tolerance of half a percent.
  await expect(row).toContainText('+1.00 %');
  await expect(row).toContainText('■');
  await row.getByRole('button').first().click();
  const one = page.getByRole('region', { name: 'Cart 25: cart scale' });
  await expect(one.getByRole('table', { name: 'Load by load' }).getByRole('row')).toHaveCount(5);
  await expect(one.getByRole('row').nth(1)).toContainText('Slack Water Mill');

  // Certified first, and of the two of a dump the cart before the display. A farm may have it the other way: every load is weighed again.
  const cut = async (): Promise<number> =>
    (await farm.get<{ lot: { id: string }; cutWetKg: number }[]>('lots')).find(({ lot }) => lot.id === lotId)!.cutWetKg;
  expect(await cut()).toBeCloseTo(80_000, 3);
  const trust = page.getByRole('region', { name: 'Which scale counts' });
  const before = ['ticket', 'bridge', 'cartScale', 'volume', 'monitor', 'estimate'];
  try {
    for (let step = 0; step < 4; step++) {
      await trust.getByRole('button', { name: 'Trust yield monitor more' }).click();
      await expect(trust.getByRole('listitem').nth(3 - step)).toContainText('yield monitor');
    }
    await expect.poll(cut).toBeCloseTo(83_200, 3);
  } finally {
    await farm.post('revisions', { id: ulid(), reason: 'as it was', change: { what: 'trust', trust: before } });
  }
  expect(await cut()).toBeCloseTo(80_000, 3);
});
