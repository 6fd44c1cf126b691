import { readFile } from 'node:fs/promises';
import { expect, type Locator, type Page, test } from '@playwright/test';
import exceljs from 'exceljs';
import Papa from 'papaparse';
import { DEMO, enterDemo, openPage, shows } from './pages';

const tickets = (page: Page): Locator => page.getByRole('table', { name: 'Tickets' });
const column = (table: Locator, n: number): Promise<string[]> =>
  table.locator(`tbody td:nth-child(${n})`).allInnerTexts();
const numbers = (texts: readonly string[]): number[] =>
  texts.map((text) => (text === '' ? NaN : Number(text.replace(/[$,]/g, ''))));
const sorted = (values: readonly number[], down = false): boolean => {
  const known = values.filter((value) => !Number.isNaN(value));
  return known.every((value, i) => i === 0 || (down ? known[i - 1]! >= value : known[i - 1]! <= value));
};

async function saved(page: Page): Promise<string[][]> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('tickets.csv');
  const text = await readFile(await download.path(), 'utf8');
  // Another reader of such files finds what is on the screen.
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''));
  expect(errors).toEqual([]);
  return data;
}

async function workbook(page: Page): Promise<exceljs.Worksheet> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'XLSX' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('tickets.xlsx');
  const book = new exceljs.Workbook();
  await book.xlsx.readFile(await download.path());
  return book.worksheets[0]!;
}

test('a table by keyboard: sorted, searched, filtered, its columns chosen, saved and read back', async ({ page }) => {
  await enterDemo(page);
  await openPage(page, '/sell');
  const table = tickets(page);
  const status = page.getByRole('main').getByRole('status');
  // The list may still be arriving: it is whole once it says as many as it shows.
  let all = 0;
  await expect(async () => {
    all = await table.locator('tbody tr').count();
    await expect(status).toHaveText(`${all} tickets`, { timeout: 1_000 });
  }).toPass();

  // Sorted by its heads: newest first as it comes; by weight up, then down, and it says so to who cannot see it.
  const net = table.getByRole('columnheader', { name: /^Net/ });
  await net.getByRole('button').focus();
  await page.keyboard.press('Enter');
  const first = await net.getAttribute('aria-sort');
  expect(sorted(numbers(await column(table, 5)), first === 'descending')).toBe(true);
  await page.keyboard.press('Enter');
  const second = await net.getAttribute('aria-sort');
  expect([first, second].sort()).toEqual(['ascending', 'descending']);
  expect(sorted(numbers(await column(table, 5)), second === 'descending')).toBe(true);
  // What is not known stands last, either way.
  const price = table.getByRole('columnheader', { name: /^Price/ }).getByRole('button');
  await price.click();
  expect(sorted(numbers(await column(table, 8)), true) || sorted(numbers(await column(table, 8)))).toBe(true);
  const unknownLast = async (): Promise<boolean> => {
    const prices = numbers(await column(table, 8)).map(Number.isNaN);
    return prices.includes(true) && prices.indexOf(true) > prices.lastIndexOf(false);
  };
  expect(await unknownLast()).toBe(true);
  await price.click();
  expect(await unknownLast()).toBe(true);

  // Filtered by one of a column's values, then searched in what is left.
  await page.getByLabel('Only Buyer').selectOption('Redbud Elevator');
  const atRedbud = await table.locator('tbody tr').count();
  expect(atRedbud).toBeLessThan(all);
  expect(new Set(await column(table, 3))).toEqual(new Set(['Redbud Elevator']));
  await expect(status).toHaveText(`${atRedbud} of ${all} tickets`);
  await page.getByRole('searchbox', { name: 'Find in tickets' }).fill('40143');
  await expect(table.locator('tbody tr')).toHaveCount(1);
  // A day is found as it is said.
  await page.getByRole('searchbox', { name: 'Find in tickets' }).fill('sep 8');
  await expect(table.locator('tbody tr').first()).toContainText('Sep 8');
  await page.getByRole('searchbox', { name: 'Find in tickets' }).fill('nothing like it');
  await shows(page, `None of the ${all} tickets is so.`);
  await page.getByRole('searchbox', { name: 'Find in tickets' }).fill('');

  // The sum at its foot is of what is shown.
  const weights = numbers(await column(table, 5));
  const sum = numbers([await table.locator('tfoot td:nth-child(5)').innerText()])[0]!;
  expect(Math.abs(sum - weights.reduce((a, b) => a + b, 0))).toBeLessThanOrEqual(weights.length);

  // A column less, one more; the file has what is on the screen, and it is kept over a reload.
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Dry' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Crop' }).click();
  await page.keyboard.press('Escape');
  const heads = ['Ticket', 'When', 'Buyer', 'Crop', 'Fields', 'Net, lb', 'Moist., %', 'Price, $/bu', 'Check', 'Brings']; // prettier-ignore
  const [head, ...lines] = await saved(page);
  expect(head).toEqual(heads);
  expect(lines).toHaveLength(atRedbud);
  expect(lines.map((line) => line[0])).toEqual((await column(table, 1)).map((text) => text.replace(/\s*\d×.*/s, '')));
  expect(lines.map((line) => Math.round(Number(line[5])))).toEqual(numbers(await column(table, 6)));
  expect(lines.every((line) => /^\d{4}-\d\d-\d\d \d\d:\d\d$/.test(line[1]!))).toBe(true);
  // The same rows as a workbook, read by another library: days are words, figures are figures.
  const sheet = await workbook(page);
  expect(sheet.rowCount).toBe(lines.length + 1);
  const rows = [...Array(sheet.rowCount).keys()].map((i) => lines[0]!.map((_, k) => String(sheet.getRow(i + 1).getCell(k + 1).value ?? ''))); // prettier-ignore
  const same = (a: string, b: string): boolean => a === b || (a !== '' && b !== '' && Number(a) === Number(b));
  expect(rows.slice(1).every((row, i) => row.every((cell, k) => same(cell, lines[i]![k]!)))).toBe(true);
  expect(
    rows
      .slice(1)
      .flat()
      .some((_, i) => typeof sheet.getRow(2).getCell(i + 1).value === 'number'),
  ).toBe(true);
  await page.reload();
  await expect(table.getByRole('columnheader', { name: /^Crop/ })).toBeVisible();
  await expect(table.getByRole('columnheader', { name: /^Dry/ })).toHaveCount(0);

  // Arrows, Home and End walk the rows; Enter opens.
  const link = (n: number) => table.locator('tbody tr').nth(n).getByRole('link');
  await link(0).focus();
  await page.keyboard.press('ArrowDown');
  await expect(link(1)).toBeFocused();
  await page.keyboard.press('End');
  await expect(link(all - 1)).toBeFocused();
  await page.keyboard.press('Home');
  await expect(link(0)).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await expect(link(0)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^Ticket 4/ })).toBeVisible();
});

test('a long list goes on by pages and says how many there are', async ({ page }) => {
  await enterDemo(page);
  await openPage(page, '/cut/loads');
  const table = page.getByRole('table', { name: 'Entries' });
  const pages = page.getByRole('navigation', { name: 'Pages of entries' });
  await expect(table.locator('tbody tr')).toHaveCount(50);
  await expect(pages).toContainText(/Page 1 of \d+, [\d,]+ entries/);
  const first = await table.locator('tbody tr').first().innerText();
  await pages.getByRole('button', { name: 'Next' }).click();
  await expect(pages).toContainText('Page 2 of');
  const second = await table.locator('tbody tr').first().innerText();
  expect(second).not.toBe(first);
  // It does not end silently: what is older is asked for.
  await expect(pages).toContainText('120 entries');
  await page.getByRole('button', { name: 'Load older entries' }).click();
  await expect(pages).toContainText(/ (1[3-9]\d|[2-5]\d\d) entries/);
  // Who reads the second page stays there: older entries come behind it.
  await expect(pages).toContainText('Page 2 of');
  await expect(table.locator('tbody tr').first()).toHaveText(second.replace(/\t/g, ''));
  await pages.getByRole('button', { name: 'Back' }).click();
  await expect(table.locator('tbody tr').first()).toHaveText(first.replace(/\t/g, ''));
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('a list is cards, the verdict first, nothing off to the right', async ({ page }) => {
    await enterDemo(page);
    await page.goto(`${DEMO}/fields`);
    const card = page.getByRole('list', { name: 'Fields' }).getByRole('listitem').filter({ hasText: 'Willow Run' });
    await expect(card).toContainText('in the best window');
    const [box, width] = [(await card.boundingBox())!, page.viewportSize()!.width];
    expect(box.x + box.width).toBeLessThanOrEqual(width);
    await page.getByLabel('Sorted by').selectOption('-area');
    const areas = await page.getByRole('list', { name: 'Fields' }).getByRole('listitem').allInnerTexts();
    expect(
      sorted(
        areas.map((text) => Number(/Area, ac\s+([\d.]+)/.exec(text)![1])),
        true,
      ),
    ).toBe(true);
  });
});
