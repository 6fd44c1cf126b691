import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { balances, EMPTY, find, record, refused, SET_UP_CODE, shows, tape, told } from './pages';

async function addField(page: Page, name: string, acres: string, tag: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a field' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name').fill(name);
  await sheet.getByLabel('Area').fill(acres);
  await sheet.getByLabel('Tag').fill(tag);
  await sheet.getByRole('button', { name: 'Add the field' }).click();
  await expect(sheet).toBeHidden();
}

async function addPlace(page: Page, what: string, name: string, out?: RegExp, holds?: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a place' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('What it is').selectOption({ label: what });
  await sheet.getByLabel('Name').fill(name);
  if (out) {
    const label = await sheet.getByLabel('Grain comes out').locator('option').filter({ hasText: out }).innerText();
    await sheet.getByLabel('Grain comes out').selectOption({ label });
  }
  if (holds) await sheet.getByLabel('Holds').fill(holds);
  await sheet.getByRole('button', { name: 'Add the place' }).click();
  await expect(sheet).toBeHidden();
}

test('a real farm begins empty, and a bushel goes the whole way', async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto(EMPTY);
  await expect(page.getByRole('button', { name: 'Walk into the demo farm' })).toHaveCount(0);

  // The first run: what is missing is said at its place, and nothing typed is lost.
  await page.getByLabel('Name of the farm').fill('Lower Levee');
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Begin' }).click();
  await refused(page.getByLabel('Password'), 'The password needs 12 characters or more');
  await expect(page.getByLabel('Name of the farm')).toHaveValue('Lower Levee');
  // What everybody would try is told as he types, and what he typed can be looked at.
  await page.getByLabel('Password').fill('lowerlevee12');
  await expect(page.getByLabel('Password')).toHaveAccessibleDescription(
    /Too easy: this is guessed from your name, address or farm/,
  );
  await expect(page.getByLabel('Password')).toHaveAttribute('type', 'password');
  await page.getByRole('button', { name: 'Show what is typed' }).click();
  await expect(page.getByLabel('Password')).toHaveAttribute('type', 'text');
  await page.getByLabel('Your name').fill('Dell');
  await page.getByLabel('Mail address').fill('dell@example.invalid');
  await page.getByLabel('Password').fill('ten characters and more');
  await page.getByLabel('Time zone').fill('America/Chicago');
  // Whoever finds the address first is not yet its owner: the code stands where the server was started.
  await page.getByLabel('Code').fill('a guess');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(told(page, 'The code is wrong: npm start prints it')).toBeVisible();
  await page.getByLabel('Code').fill(SET_UP_CODE);
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('heading', { name: 'What stands on the farm?' })).toBeVisible();

  await page
    .getByRole('link', { name: /^Fields/ })
    .first()
    .click();
  await addField(page, 'Heron Slough', '62.5', 'HS');
  await addField(page, 'Pecan Turn', '118', 'PT');
  await page.getByRole('link', { name: /^Store/ }).click();
  await addPlace(page, 'Grain cart', 'Cart 1', undefined, '1,100');
  await addPlace(page, 'Truck', 'Truck 1', undefined, '940');
  await addPlace(page, 'Bin', 'Bin A', /^newest first/, '18,000');
  await addPlace(page, 'Buyer', 'Redbud Elevator');

  // Two fields in one cart: 9,000 lb at 18 % (7,380 dry) and 27,000 lb at 16 % (22,680 dry).
  await record(page, { what: 'Cut', Field: 'Heron Slough', To: 'Cart 1', Weight: '9,000', moisture: '18' });
  await record(page, { what: 'Cut', Field: 'Pecan Turn', To: 'Cart 1', Weight: '27,000', moisture: '16' });
  await page
    .getByRole('main')
    .getByRole('button', { name: /^Cart 1/ })
    .click();
  const detail = page.getByRole('region', { name: 'Cart 1' });
  await expect(detail.getByRole('row', { name: /Heron Slough/ })).toContainText('25.0 %');
  await expect(detail).toContainText('16.5 %');
  await record(page, { what: 'Load', From: 'Cart 1', To: 'Truck 1', amount: 'All of it' });
  // In the book before it goes on: what is asked next is read from there.
  await expect(tape(page).first()).toContainText('Cart 1 → Truck 1');
  await record(page, { what: 'Load', From: 'Truck 1', To: 'Bin A', amount: 'All of it' });

  // A second load on top of it in the bin: 12,000 lb of Pecan Turn at 16 % (10,080 dry).
  await record(page, { what: 'Cut', Field: 'Pecan Turn', To: 'Cart 1', Weight: '12,000', moisture: '16' });
  await record(page, { what: 'Load', From: 'Cart 1', To: 'Truck 1', amount: 'All of it' });
  // In the book before it goes on: what is asked next is read from there.
  await expect(tape(page).first()).toContainText('Cart 1 → Truck 1');
  await record(page, { what: 'Load', From: 'Truck 1', To: 'Bin A', amount: 'All of it' });

  // Dried to 15 %: 35,364.7 lb below, 11,858.8 lb on top.
  await record(page, { what: 'Dry', Place: 'Bin A', moisture: '15' });
  await page
    .getByRole('main')
    .getByRole('button', { name: /^Bin A/ })
    .click();
  await expect(page.getByRole('region', { name: 'Bin A' })).toContainText('47,224 lb');

  // Out of the flat bin comes the newest first: all 11,858.8 lb of the top, then 8,141.2 lb of the mixed layer, of which
  // 7,380 / 30,060 are Heron Slough. The ticket weighs 20,100 lb where the book has 20,000.
  await record(page, { what: 'Load', From: 'Bin A', To: 'Truck 1', amount: 'Net', Weight: '20,000' });
  await record(page, {
    what: 'Load',
    From: 'Truck 1',
    To: 'Redbud Elevator',
    amount: 'Gross and tare',
    Gross: '46,100',
    Tare: '26,000',
    ticket: '40118',
  });

  await page.getByRole('link', { name: /^Sell/ }).click();
  const ticket = page.getByRole('row').filter({ hasText: '40118' });
  await expect(ticket).toContainText('20,100');
  await ticket.getByRole('link', { name: '40118' }).click();
  await expect(page.getByRole('heading', { name: /Ticket 40118/ })).toBeVisible();
  const shares = page.getByRole('table', { name: 'Shares by field' });
  await expect(shares.getByRole('row', { name: /Heron Slough/ })).toContainText('2,009 lb');
  await expect(shares.getByRole('row', { name: /Heron Slough/ })).toContainText('10.0 %');
  await expect(shares.getByRole('row', { name: /Pecan Turn/ })).toContainText('18,091 lb');
  await shows(page, 'The shares sum to 20,100 lb.');
  await expect(page.getByRole('heading', { name: 'Down to 3 loads off the field' })).toBeVisible();

  // The field's own account closes: 7,380 lb dry cut are 155.0 bu at 15 %.
  await shares.getByRole('link', { name: 'Heron Slough' }).click();
  const balance = page.getByLabel('Balance of the field');
  await expect(balance).toContainText('cut155.0 bu');
  const figures = (await balance.locator('dd').allInnerTexts()).map((text) => Number(text.replace(/[^\d.]/g, '')));
  const [cut, restated, lost, stock, delivered] = figures as [number, number, number, number, number];
  expect(Math.abs(cut + restated - lost - stock - delivered)).toBeLessThan(0.11);
  await balances(page);
  await expect(tape(page)).toHaveCount(10);

  // A stratum clicked in the yard leads to its field.
  await page.getByRole('link', { name: /^Store/ }).click();
  await page
    .getByRole('main')
    .getByRole('button', { name: /^Bin A/ })
    .click();
  await page.getByRole('region', { name: 'Bin A' }).locator('svg rect.cursor-pointer').last().dispatchEvent('click');
  await expect(page.getByRole('heading', { level: 1, name: /Heron Slough|Pecan Turn/ })).toBeVisible();

  // Out and in again: a wrong password is told from a right one, and the book is as it was.
  await find(page, 'sign out');
  await page.getByLabel('Mail address').fill('dell@example.invalid');
  await page.getByLabel('Password').fill('not the password');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toHaveText('Address or password is wrong.');
  await page.getByLabel('Password').fill('ten characters and more');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await balances(page);
  await expect(tape(page)).toHaveCount(10);
});

test('a saved book is brought into an empty farm only', async ({ page, request }) => {
  await page.goto(EMPTY);
  await page.getByLabel('Mail address').fill('dell@example.invalid');
  await page.getByLabel('Password').fill('ten characters and more');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await balances(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    (async () => {
      await find(page, 'save the whole book');
    })(),
  ]);
  const book = JSON.parse(await readFile(await download.path(), 'utf8')) as { format: string; entries: object[] };
  expect([book.format, book.entries.length]).toEqual(['fanega-book', 10]);
  await expect(page.getByLabel(/saved book file/)).toHaveCount(0);
  expect((await request.post(`${EMPTY}/api/farms/x/book`, { data: book, headers: { Origin: EMPTY } })).status()).toBe(
    401,
  );
});
