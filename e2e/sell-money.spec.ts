import { expect, type Page, test } from '@playwright/test';
import { pick, refused, shows, toasted } from './pages';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, ownFarm, records, setUp } from './own-farm';
import { png } from './png';

const LB = 0.45359237;
const at = (minutes: number): string => new Date(Date.now() - minutes * 60_000).toISOString();
const day = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const sheet = (buyerId: string, more: object = {}) => ({
  buyerId, crop: 'corn', from: day(-60), base: 0.15, shrink: 'flat', shrinkPerPoint: 1.4, moistureStep: 0.001, moistureRounding: 'halfUp',
  dryingPerPoint: 0.04, dryingStep: 0.5, dockage: false, discountsOn: 'paid', factors: [], bushelDecimals: 2, ...more,
}); // prettier-ignore

/** A farm's buyer with loads of 50,000 lb at 18.0 %, ticketed at $4.50. */
async function sold(page: Page, name: string, tag: string, tickets: readonly string[]) {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, `${name} Bottom`, tag, 400, 'corn');
  const buyer = await addPlace(farm, name, 'buyer');
  const truck = await addPlace(farm, `${name} truck`, 'truck', 1200);
  await farm.post('entries', {
    entries: tickets.flatMap((ticket, i) => {
      const minutes = 600 - 20 * i;
      const load = { wetKg: 50_000 * LB, moisture: 0.18 };
      return [
        { id: ulid(), type: 'harvest', lot: lotId, to: truck, ...load, at: at(minutes) },
        { id: ulid(), type: 'move', from: truck, to: buyer, emptied: true, ticket, method: 'ticket', pricePerBu: 4.5, ...load, at: at(minutes - 10) },
      ];
    }),
  }); // prettier-ignore
  return { farm, buyer };
}

test('a settlement’s file: mistakes found, disputed, corrected; known the second time; undone as one', async ({
  page,
}) => {
  const { farm, buyer } = await sold(page, 'Coop 61', 'MNX', ['T61-1', 'T61-2', 'T61-3']);
  await setUp(farm, 'buyerSheet', `sheet-61-${Date.now()}`, sheet(buyer));
  // Each is 855.36 bu at 4.50, 107.14 for drying: 3,741.98. One is paid 12.5 bu short, one has its drying charged twice.
  const file = {
    name: 'coop.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      [
        'Ticket No,Check #,Check Date,Net Bu,Price,Discounts,Net Amount',
        `T61-1,C-61,${day(-1)},855.36,4.50,(107.14),"$3,741.98"`,
        `T61-2,C-61,${day(-1)},842.86,4.50,(107.14),"$3,685.73"`,
        `T61-3,C-61,${day(-1)},855.36,4.50,(214.28),"$3,634.84"`,
        `T61-9,C-61,${day(-1)},900.00,4.50,,"4,050.00"`,
        `T61-7,C-61,${day(-1)},many,4.50,,12`,
      ].join('\r\n'),
    ),
  };
  await page.goto(`${OWN}/sell/settle`);
  const top = page.getByRole('region', { name: 'Settle' });
  await top.getByRole('button', { name: 'Take in a buyer’s file' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('Buyer', { exact: true }).selectOption(buyer);
  await drawer.getByLabel('CSV or XLSX').setInputFiles(file);
  await expect(drawer.getByRole('status')).toContainText(/4 new, 0 known already, 0 different, 1 that cannot be read/);
  await expect(drawer).toContainText('Line 6: “many” is not a number for the paid bushels');
  await drawer.getByRole('button', { name: 'Take in 4 lines' }).click();
  await expect(drawer).toBeHidden();
  await expect(top).toContainText(/\$163\.39\s*short on 2 tickets/);

  const sheets = page.getByRole('list', { name: 'Settlements' });
  await sheets.getByRole('button', { name: /C-61/ }).click();
  await expect(drawer).toContainText(
    'you paid 842.9 bu; 50,000 lb at 18.0 % by your posted shrink are 855.4 bu. That is $56.25 short',
  );
  await expect(drawer).toContainText('you took $214.28 off; by your posted sheet it is $107.14');
  await expect(drawer.getByRole('region', { name: 'Lines of the sheet' })).toContainText(/T61-9.*no load of yours/s);
  // The buyer agrees to one of them.
  await drawer.getByRole('button', { name: 'Enter his correction' }).first().click();
  await expect(drawer.getByLabel('Money', { exact: true })).toHaveValue('56.25');
  await drawer.getByRole('button', { name: 'Take it in' }).click();
  await expect(drawer).toContainText('The number of the check or the sheet');
  await drawer.getByLabel('Check or sheet number').fill('C-62');
  await drawer.getByRole('button', { name: 'Take it in' }).click();
  await expect(top).toContainText(/\$107\.14\s*short on 1 ticket/);
  await sheets.getByRole('button', { name: /C-61/ }).click();
  await expect(drawer).toContainText('Set right by a later sheet.');
  await page.keyboard.press('Escape');
  // Whose it is: all of it is the farm's, and the sums are the same.
  const owners = page.getByRole('region', { name: 'By owner' });
  await expect(owners).toContainText(/All of it \$15,168\.80; what the sheets come to: \$15,168\.80/);
  const rows = await owners.getByRole('table', { name: 'By owner' }).getByRole('row').allInnerTexts();
  const parts = rows.flatMap((row) => /\$([\d,]+\.\d\d)/.exec(row)?.[1]?.replaceAll(',', '') ?? []);
  expect(parts.reduce((sum, part) => sum + Number(part), 0)).toBeCloseTo(15_168.8, 2);

  // The same file again is known, and nothing is doubled.
  await top.getByRole('button', { name: 'Take in a buyer’s file' }).click();
  await drawer.getByLabel('Buyer', { exact: true }).selectOption(buyer);
  await drawer.getByLabel('CSV or XLSX').setInputFiles(file);
  await expect(drawer.getByRole('status')).toContainText(/0 new, 4 known already/);
  await expect(drawer.getByRole('button', { name: 'Nothing new to take in' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await top.getByRole('button', { name: 'Take it back as one' }).click();
  await top.getByRole('button', { name: 'Yes, take all of it back' }).click();
  await expect(sheets.getByRole('button', { name: /C-61/ })).toHaveCount(0);
  await expect(sheets.getByRole('button', { name: /C-62/ })).toBeVisible();
});

test('a ticket’s paper against the posted sheet, and a sheet whose bands overlap is named at its box', async ({
  page,
}) => {
  const { buyer } = await sold(page, 'Coop 71', 'PPX', ['T71-1']);
  await page.goto(`${OWN}/sell/buyers`);
  const list = page.getByRole('list', { name: 'By buyer' });
  await list
    .getByRole('listitem')
    .filter({ hasText: 'Coop 71' })
    .getByRole('button', { name: 'Enter his sheet' })
    .click();
  const drawer = page.getByRole('dialog');
  await expect(drawer.getByLabel('Buyer', { exact: true })).toHaveValue(buyer);
  await drawer.getByLabel('Posted from', { exact: true }).fill('1/1/2026');
  await drawer.getByLabel('Base moisture').fill('15');
  await drawer.getByRole('button', { name: 'Another discount' }).click();
  await drawer.getByLabel('Below').fill('54');
  await drawer.getByLabel('Takes').fill('0.02');
  await drawer.getByRole('button', { name: 'Another band' }).click();
  await drawer.getByLabel('Below').nth(1).fill('56');
  await drawer.getByLabel('Takes').nth(1).fill('0.03');
  await drawer.getByRole('button', { name: 'Keep the sheet' }).click();
  await refused(drawer.getByLabel('Below').nth(1), 'Each band begins where the one before ends');
  await drawer.getByLabel('Below').nth(1).fill('52');
  await expect(drawer.getByLabel('By this sheet')).toContainText('paid');
  await drawer.getByRole('button', { name: 'Keep the sheet' }).click();
  await expect(drawer).toBeHidden();
  await expect(list.getByRole('listitem').filter({ hasText: 'Coop 71' })).toContainText('shrink 1.4 % a point');

  await page.goto(`${OWN}/sell`);
  const row = page.getByRole('row').filter({ hasText: 'T71-1' });
  await row.getByRole('button', { name: /not paid/ }).click();
  await expect(drawer.getByRole('table', { name: 'Worked out' })).toContainText(/Due\s*\$3,741\.98/);
  // 53 lb: one started pound under 54 at 2 cents.
  await drawer.getByLabel('Test weight').fill('53');
  await drawer.getByLabel('Paid bushels').fill('845');
  await drawer.getByLabel('Money', { exact: true }).fill('3678.26');
  await drawer.getByRole('button', { name: 'Keep what it says' }).click();
  await expect(drawer).toBeHidden();
  await expect(row.getByRole('button', { name: /short$/ })).toBeVisible();
  await row.getByRole('button', { name: /short$/ }).click();
  await expect(drawer).toContainText(
    'your paid bushels says 845.0 bu; by your posted sheet 50,000 lb at 18.0 % come to 855.4 bu',
  );
  await expect(drawer.getByRole('table', { name: 'Worked out' })).toContainText(/Discount for test weight/);
});

test('a price fixed in two parts on two days; a bid is the price of the day', async ({ page }) => {
  const { farm, buyer } = await sold(page, 'Coop 81', 'FXX', ['T81-1']);
  await setUp(farm, 'contract', `contract-81-${Date.now()}`, {
    number: 'K-81', buyerId: buyer, crop: 'corn', kind: 'basisFixed', basis: -0.2, bushels: 1000, opens: day(-30), closes: day(60), overage: 'spot', done: false,
  }); // prettier-ignore
  await page.goto(`${OWN}/sell/contracts`);
  const contract = page.getByRole('list', { name: 'All contracts' }).getByRole('listitem').filter({ hasText: 'K-81' });
  const drawer = page.getByRole('dialog');
  const fix = async (price: string, bushels: string, when: string): Promise<void> => {
    await contract.getByRole('button', { name: 'Fix the futures' }).click();
    await drawer.getByLabel('Futures', { exact: true }).fill(price);
    await drawer.getByLabel('Bushels', { exact: true }).fill(bushels);
    if (when !== '') await drawer.getByLabel('When').fill(when);
    await drawer.getByRole('button', { name: 'Fix it' }).click();
    await expect(drawer).toBeHidden();
  };
  const before = new Date(Date.now() - 5 * 86_400_000);
  await fix('4.60', '400', `${before.getMonth() + 1}/${before.getDate()}/${before.getFullYear()} 9:00 am`);
  await expect(contract).toContainText('400 bu fixed at a mean of $4.60 a bushel, 600 bu open');
  await fix('4.90', '600', '');
  await expect(contract).toContainText('Both parts are fixed.');
  await expect(contract).toContainText('$4.58 a bushel');
  await contract.getByRole('button', { name: 'What was fixed' }).click();
  await expect(drawer.getByRole('list', { name: 'Fixed before' }).getByRole('listitem')).toHaveCount(2);
  await page.keyboard.press('Escape');

  await page.goto(`${OWN}/sell/buyers`);
  const row = page.getByRole('list', { name: 'By buyer' }).getByRole('listitem').filter({ hasText: 'Coop 81' });
  await row.getByRole('button', { name: 'Enter a bid' }).click();
  await pick(drawer, 'futures and basis');
  await drawer.getByLabel('Futures', { exact: true }).fill('4.80');
  await drawer.getByRole('button', { name: 'Keep the bid' }).click();
  await expect(drawer).toContainText('This part is missing');
  await drawer.getByLabel('Basis', { exact: true }).fill('-0.15');
  await drawer.getByRole('button', { name: 'Keep the bid' }).click();
  await expect(row).toContainText('$4.65 a bushel');
});

test.describe('with its own files kept', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a ticket photographed in the truck waits at the desk; the cab says where the next load goes, without a signal too', async ({
    page,
    context,
  }) => {
    const { farm, buyer } = await sold(page, 'Coop 91', 'PHX', ['T91-1']);
    const truck = (await farm.get<{ places: { id: string; name: string }[] }>('header')).places.find(({ name }) => name === 'Coop 91 truck')!; // prettier-ignore
    const lot = (await farm.get<{ lots: { id: string; tag: string }[] }>('header')).lots.find(
      ({ tag }) => tag === 'PHX',
    )!;
    await setUp(farm, 'contract', `contract-91-${Date.now()}`, {
    number: 'K-91', buyerId: buyer, crop: 'corn', kind: 'flat', price: 9.8, bushels: 1200, opens: day(-30), closes: day(60), overage: 'spot', done: false,
  }); // prettier-ignore
    await setUp(farm, 'cuttingWindow', `corn@${buyer}`, { tooDryBelow: 0.1, bestFrom: 0.14, bestTo: 0.2, refuseAbove: 0.25, price: 9.4, shrinkPerPoint: 1.4, dockPerPoint: 0.02 }); // prettier-ignore
    await farm.post('entries', {
      entries: [
        { id: ulid(), type: 'harvest', lot: lot.id, to: truck.id, wetKg: 50_000 * LB, moisture: 0.15, at: at(30) },
      ],
    });
    await page.goto(`${OWN}/cab`);
    await page.getByLabel('Your name').fill('Ames');
    await page.getByRole('button', { name: 'Coop 91 truck', exact: true }).click();
    const next = page.getByRole('region', { name: 'The next load' });
    await expect(next).toContainText('Goes to Coop 91, on contract K-91');
    await expect(next).toContainText(/It crosses the end of K-91: 55\d bu over\. 339 bu fill it\./);
    await page.getByLabel('Photograph a ticket').setInputFiles({
    name: 'ticket.png',
    mimeType: 'image/png',
    buffer: png(),
  }); // prettier-ignore
    await toasted(page, 'It waits at the desk to be typed');
    // Once more through the program's own worker, then without a signal: the page still says it.
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await page.reload();
    await expect(next).toContainText('Goes to Coop 91');
    await context.setOffline(true);
    await page.reload();
    await expect(next).toContainText('Goes to Coop 91, on contract K-91');
    // What the yard's scale shows is photographed without a signal too: it waits in the queue.
    await page
      .getByLabel('Photograph the scale')
      .setInputFiles({ name: 'scale.png', mimeType: 'image/png', buffer: png() });
    await toasted(page, 'It waits at the desk to be typed');
    await context.setOffline(false);
    await expect.poll(async () => (await records(farm, 'displayPhoto')).length).toBe(1);
    await page.goto(`${OWN}/haul/weights`);
    const displays = page.getByRole('region', { name: 'Photographed displays' });
    await displays.getByRole('button', { name: /^Scale, Coop 91 truck, / }).click();
    const typing = page.getByRole('dialog');
    await expect(typing.getByRole('img', { name: 'The scale’s display' })).toBeVisible();
    await typing.getByRole('list', { name: 'Loads near it' }).getByRole('button').first().click();
    await typing.getByLabel('Weight').fill('50,120');
    await typing.getByRole('button', { name: 'Put it beside' }).click();
    await expect(displays).toBeHidden();
    const [line] = await farm.get<{ witnesses: { wetKg: number }[] }[]>(`entries?limit=1&types=harvest&places=${truck.id}`); // prettier-ignore
    expect(line!.witnesses.map(({ wetKg }) => Math.round(wetKg / LB))).toEqual([50_120]);

    await page.goto(`${OWN}/sell`);
    await page.getByRole('button', { name: /^Coop 91 truck, / }).click();
    const drawer = page.getByRole('dialog');
    await expect(drawer.getByRole('img', { name: 'The ticket' })).toBeVisible();
    await drawer.getByRole('button', { name: /^T91-1, Coop 91/ }).click();
    await expect(drawer.getByRole('img', { name: 'The ticket’s paper' })).toBeVisible();
    await drawer.getByLabel('Test weight').fill('56');
    await drawer.getByRole('button', { name: 'Keep what it says' }).click();
    await expect(drawer).toBeHidden();
    await expect(page.getByRole('button', { name: /^Coop 91 truck, / })).toHaveCount(0);
  });
});

test('bids are pasted, a wrong line is named; a buyer who is closed today says so', async ({ page }) => {
  const farm = await ownFarm(page);
  const buyer = await addPlace(farm, 'Quay 55', 'buyer');
  await addField(farm, 'Quay Bottom', 'QYX', 40, 'wheat');
  await page.goto(`${OWN}/sell/buyers`);
  await page.getByLabel('Crop').selectOption('wheat');
  await page.getByRole('button', { name: 'Paste the day’s bids' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('Or pasted').fill('Quay 55, wheat, 5.61\nQuay 99, wheat, 5.70');
  await shows(drawer, 'Line 2: no buyer, or more than one, is called “Quay 99”');
  await drawer.getByRole('button', { name: 'Keep 1 bid' }).click();
  await expect(drawer).toBeVisible();
  await drawer.getByLabel('Or pasted').fill('Quay 55, wheat, 5.61');
  await drawer.getByRole('button', { name: 'Keep 1 bid' }).click();
  await expect(drawer).toBeHidden();
  const row = page.getByRole('list', { name: 'By buyer' }).getByRole('listitem').filter({ hasText: 'Quay 55' });
  await expect(row).toContainText('$5.61 a bushel');
  await row.getByRole('button', { name: 'Hours and whom to call' }).click();
  await drawer.getByLabel('Whom to call').fill('Pru, 555 0114');
  await drawer.getByRole('button', { name: 'A day that is otherwise' }).click();
  const now = new Date();
  const local = new Intl.DateTimeFormat('en-US', { timeZone: 'America/Chicago' }).format(now);
  await drawer.getByLabel('On', { exact: true }).fill(local);
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(row).toContainText('Closed today; call Pru, 555 0114');
  expect(buyer).not.toBe('');
});

test('a landlord’s statement: given a number, printed, and what a correction changes stands beside it', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await farm.post<{ lotId: string }>('fields', {
    name: 'Third Ridge', acres: 90, crop: 'corn', variety: '', tag: 'TRX', season: new Date().getUTCFullYear(),
    shares: [{ owner: 'Ida Renfro', part: 1 / 3 }, { owner: farm.name, part: 2 / 3 }],
  }); // prettier-ignore
  const [buyer, truck] = [await addPlace(farm, 'Quay 66', 'buyer'), await addPlace(farm, 'Quay truck', 'truck', 1200)];
  const load = { wetKg: 50_400 * LB, moisture: 0.15 };
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: truck, ...load, at: at(300) },
      { id: ulid(), type: 'move', from: truck, to: buyer, emptied: true, ticket: 'T66-1', method: 'ticket', pricePerBu: 4.5, ...load, at: at(280) },
    ],
  }); // prettier-ignore
  const settlement = (number: string, line: object, net: number) =>
    farm.post('sell/settlement', { id: ulid(), at: at(5), number, buyerId: buyer, paidOn: day(0), deductions: [], lines: [{ ticket: 'T66-1', kind: 'ticket', bushels: 0, ...line }], net }); // prettier-ignore
  await settlement('Q-1', { bushels: 900, price: 4.5, taken: 0, money: 4050 }, 4050);
  await page.goto(`${OWN}/trace/owners`);
  await page.getByLabel('Owner', { exact: true }).selectOption('Ida Renfro');
  const verdict = page.getByRole('region', { name: 'Statement' });
  await expect(verdict).toContainText('$1,350.00');
  await expect(verdict).toContainText('300 bu paid');
  await page.getByRole('button', { name: /^Give it number \d+/ }).click();
  const given = page.getByRole('list', { name: 'Statements given' });
  await expect(given).toContainText('stands as it was given');
  const [address] = await given.getByRole('link', { name: 'Print' }).evaluateAll((links) => links.map((link) => (link as HTMLAnchorElement).href)); // prettier-ignore
  const pdf = await page.request.get(address!);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await settlement('Q-2', { kind: 'correction', money: 30 }, 30);
  await page.reload();
  await page.getByLabel('Owner', { exact: true }).selectOption('Ida Renfro');
  await expect(given).toContainText('one line is otherwise today, $10.00');
  await page.getByRole('button', { name: /^Give number \d+, which corrects \d+/ }).click();
  await expect(given.getByRole('listitem')).toHaveCount(2);
  await expect(given.getByRole('listitem').first()).toContainText(/\$1,360\.00, corrects \d+/);
});
