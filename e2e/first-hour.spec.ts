import { expect, type Page, test } from '@playwright/test';
import { shows, told } from './pages';
import { OWN, ownFarm } from './own-farm';

/** An empty farm of the same owner, open on the page. */
async function emptyFarm(page: Page, name: string): Promise<string> {
  await ownFarm(page);
  await page.goto(`${OWN}/settings/account`);
  await page.getByRole('button', { name: 'Begin another farm' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('Name of the farm').fill(name);
  await drawer.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('heading', { name: 'What stands on the farm?' })).toBeVisible();
  return page.evaluate(() => localStorage.getItem('fanega.farm') ?? '');
}
interface Header {
  lots: { fieldName: string; acres: number; crop: string; tag: string }[];
  places: { name: string; kind: string; capacityBu: number | null }[];
}
const header = async (page: Page, farmId: string): Promise<Header> =>
  (await (await page.request.get(`${OWN}/api/farms/${farmId}/header`)).json()) as Header;

test('the first hour by the keyboard: fields, machines, bins, a buyer, and the first load', async ({ page }) => {
  const farmId = await emptyFarm(page, 'Keyboard Bend');
  const type = async (text: string): Promise<void> => page.keyboard.type(text);
  const press = async (...keys: string[]): Promise<void> => {
    for (const key of keys) await page.keyboard.press(key);
  };
  await page.getByRole('link', { name: 'Set the farm up' }).focus();
  await press('Enter');
  // An example to look at, and away with it.
  await page.getByRole('button', { name: 'See an example' }).click();
  await expect(page.getByRole('textbox', { name: 'Field, row 3' })).toHaveValue('Lower Gum');
  await page.getByRole('button', { name: 'Clear the example' }).click();
  await expect(page.getByRole('textbox', { name: 'Field, row 1' })).toHaveValue('');
  await page.getByRole('textbox', { name: 'Field, row 1' }).focus();
  await type('Heron Slough');
  await press('Tab');
  await type('62.5');
  await press('Tab', 'Tab');
  await type('early 102');
  await press('Enter');
  await expect(page.getByRole('textbox', { name: 'Field, row 2' })).toBeFocused();
  await type('Pecan Turn');
  await press('Tab');
  await type('many');
  await press('Enter', 'Enter');
  // Wrong in its cell; the rest waits with it, and over a reload.
  await expect(told(page, /^Area: /)).toBeVisible();
  await page.reload();
  const area = page.getByRole('textbox', { name: 'Area, row 2' });
  await expect(area).toHaveValue('many');
  await area.focus();
  await press('Control+a');
  await type('118');
  await page.getByRole('button', { name: 'Save 2 fields' }).focus();
  await press('Enter');
  await expect(page.getByRole('list', { name: 'fields on the farm' })).toContainText('Pecan Turn');
  await expect(page.getByRole('textbox', { name: 'Field, row 1' })).toHaveValue('');
  // The same again is refused in its cell.
  await page.getByRole('textbox', { name: 'Field, row 1' }).focus();
  await type('heron slough');
  await press('Tab');
  await type('10');
  await press('Tab', 'Tab', 'Tab', 'Tab');
  await page.getByRole('button', { name: 'Save 1 field' }).focus();
  await press('Enter');
  await expect(told(page, 'heron slough is there already this season')).toBeVisible();
  await page.getByRole('button', { name: 'Take out row 1' }).focus();
  await press('Enter');

  await page.getByRole('link', { name: 'Next: machines' }).focus();
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'What cuts, carries and dries?' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Name, row 1' }).focus();
  await type('Combine 1');
  await press('Tab');
  await type('400');
  await press('Enter');
  await page.getByRole('combobox', { name: 'What, row 2' }).selectOption('cart');
  await page.getByRole('textbox', { name: 'Name, row 2' }).focus();
  await type('Cart 1');
  // The line is slow: what is typed while two are saved stays, and so does the place where it is typed.
  let letThrough = (): void => undefined;
  const held = new Promise<void>((resolve) => (letThrough = resolve));
  await page.route(/\/places$/, async (route) => {
    if (route.request().method() === 'POST') await held;
    await route.continue();
  });
  await expect(page.getByRole('button', { name: 'Save 2 machines' })).toBeEnabled();
  const sent = page.waitForRequest((request) => request.method() === 'POST' && request.url().endsWith('/places'));
  // On to the empty row at the end, and from there it is sent.
  await press('Enter', 'Enter');
  await sent;
  await page.getByRole('textbox', { name: 'Name, row 3' }).focus();
  await type('Comb');
  letThrough();
  await expect(page.getByRole('list', { name: 'machines on the farm' })).toContainText('Cart 1');
  const third = page.getByRole('textbox', { name: 'Name, row 1' });
  await expect(third).toHaveValue('Comb');
  await expect(third).toBeFocused();
  await type('ine 2');
  await expect(third).toHaveValue('Combine 2');
  await page.getByRole('button', { name: 'Take out row 1' }).click();
  await page.unroute(/\/places$/);

  await page.getByRole('link', { name: 'Next: bins' }).focus();
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Where does grain lie?' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Name, row 1' }).focus();
  await type('Bin A');
  await press('Tab');
  await type('36');
  await press('Tab');
  await type('22');
  await shows(page, /Bin A holds [\d,]+ bu level with the eave/);
  await page.getByRole('button', { name: 'Save 1 bin' }).focus();
  await press('Enter');
  await expect(page.getByRole('list', { name: 'bins on the farm' })).toContainText('Bin A');
  await page.getByRole('link', { name: 'Next: buyers' }).focus();
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Who buys it?' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Buyer, row 1' }).focus();
  await type('Redbud Elevator');
  await page.getByRole('button', { name: 'Save 1 buyer' }).focus();
  await press('Enter');
  await expect(page.getByRole('list', { name: 'buyers on the farm' })).toContainText('Redbud Elevator');
  await page.getByRole('link', { name: 'Next: first load' }).focus();
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'The first load' })).toBeVisible();
  await page.getByRole('button', { name: 'Record the first load' }).focus();
  await press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();

  const { lots, places } = await header(page, farmId);
  expect(lots.map(({ fieldName, acres, tag }) => [fieldName, acres, tag])).toEqual([['Heron Slough', 62.5, 'HS'], ['Pecan Turn', 118, 'PT']]); // prettier-ignore
  expect(places.map(({ name, kind }) => `${name} ${kind}`).sort()).toEqual(['Bin A bin', 'Cart 1 cart', 'Combine 1 combine', 'Redbud Elevator buyer']); // prettier-ignore
  expect(places.find(({ name }) => name === 'Combine 1')!.capacityBu).toBe(400);
  // A cylinder 36 ft across and 22 ft high is 17,990 struck bushels of 1.2445 ft³; corn settles by some percent.
  expect(places.find(({ name }) => name === 'Bin A')!.capacityBu).toBeGreaterThan(17_990);
  expect(places.find(({ name }) => name === 'Bin A')!.capacityBu).toBeLessThan(17_990 * 1.1);
  await page.goto(`${OWN}/shed`);
  await expect(page.getByRole('main')).toContainText('Combine 1');
});

/** What a spreadsheet puts on the clipboard, into the box that has the focus. */
const paste = (page: Page, text: string): Promise<void> =>
  page.evaluate((pasted) => {
    const data = new DataTransfer();
    data.setData('text/plain', pasted);
    document.activeElement!.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })); // prettier-ignore
  }, text);

test('the first hour by pasting a spreadsheet, on a phone, with what is wrong in its row', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const farmId = await emptyFarm(page, 'Spreadsheet Bend');
  await page.getByRole('link', { name: 'Set the farm up' }).click();
  await page.getByRole('textbox', { name: 'Field, row 1' }).focus();
  const fields = Array.from({ length: 40 }, (_, i) => `${i % 2 ? 'beans' : 'Corn'}\tPaste ${i + 1}\t${i === 7 ? 'n/a' : 40 + i}`); // prettier-ignore
  await paste(page, `Crop\tField name\tAcres\r\n${fields.join('\r\n')}\r\n`);
  await page.getByRole('button', { name: 'Save 40 fields' }).click();
  await expect(page.getByRole('alert').filter({ hasText: /^Area: / })).toHaveCount(1);
  await page.getByRole('textbox', { name: 'Area, row 8' }).fill('47');
  await page.getByRole('button', { name: 'Save 40 fields' }).click();
  await expect(page.getByRole('list', { name: 'fields on the farm' }).getByRole('listitem')).toHaveCount(40);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('link', { name: 'Next: machines' }).click();
  await expect(page.getByRole('heading', { name: 'What cuts, carries and dries?' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Name, row 1' }).focus();
  // No heads: from where it was pasted.
  await paste(page, 'Combine 2\t380\nCombine 3\t410\n');
  await page.getByRole('button', { name: 'Save 2 machines' }).click();
  await expect(page.getByRole('list', { name: 'machines on the farm' })).toContainText('Combine 3');
  await page.getByRole('link', { name: 'Next: bins' }).click();
  await expect(page.getByRole('heading', { name: 'Where does grain lie?' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Name, row 1' }).focus();
  await paste(page, 'Type\tBin\tDiameter (ft)\tEave height\tCapacity\nWet holding\tWet\t\t\t6,000\nBin\tBin 1\t30\t18\t\nBin\tBin 1\t24\t18\t\n'); // prettier-ignore
  await page.getByRole('button', { name: 'Save 3 bins' }).click();
  await expect(told(page, 'Name: Bin 1 is there already')).toBeVisible();
  await page.getByRole('textbox', { name: 'Name, row 3' }).fill('Bin 2');
  await page.getByRole('button', { name: 'Save 3 bins' }).click();
  await expect(page.getByRole('list', { name: 'bins on the farm' })).toContainText('Bin 2');
  const { lots, places } = await header(page, farmId);
  expect(lots).toHaveLength(40);
  expect(new Set(lots.map(({ tag }) => tag)).size).toBe(40);
  expect(lots.filter(({ crop }) => crop === 'soybean')).toHaveLength(20);
  expect(places.find(({ name }) => name === 'Wet')).toMatchObject({ kind: 'wetBin', capacityBu: 6000 });
  // The list that was typed is undone as one.
  await page.goto(`${OWN}/trace/data`);
  await shows(page, 'typed as a list');
});
