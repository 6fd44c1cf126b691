import { expect, test } from '@playwright/test';
import { refused, shows, unfold } from './pages';
import { addPlace, OWN, ownFarm } from './own-farm';
import { png } from './png';

const day = (ahead: number): string => {
  // The farm's own calendar, not the machine's.
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone: 'America/Chicago',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).format(Date.now() + ahead * 86_400_000);
  return parts;
};

test('a part whose lead time passes the first day of harvest: days short, alternatives, and the caution before it is done', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  await farm.post('fields', {
    name: 'Possum Tail',
    acres: 55,
    crop: 'soybean',
    variety: '',
    tag: 'PO',
    season: new Date().getUTCFullYear(),
  });
  await page.goto(`${OWN}/shed`);
  await page.getByRole('button', { name: 'First days and cards' }).click();
  const sheet = page.getByRole('dialog');
  // A day that is none is said to be none, and nothing else that was typed is lost; a month is there for who would rather choose.
  const beans = sheet.getByLabel('First day of beans', { exact: true });
  await beans.fill('2/30');
  await sheet.getByRole('button', { name: 'Save', exact: true }).click();
  await refused(beans, /^There is no 2\/30: month before day, a day like \d\d\/\d\d\/20\d\d$/);
  await beans.fill('10/14/2026');
  await sheet.getByRole('button', { name: 'First day of beans: a month to choose from' }).click();
  await expect(page.getByRole('grid', { name: 'October 2026' })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(beans).toHaveValue('10/21/2026');
  await beans.fill(day(9));
  await sheet.getByLabel('Under the header').check();
  await sheet.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(sheet).toBeHidden();

  await page.getByRole('button', { name: 'Add a machine' }).click();
  await sheet.getByLabel('What it is').selectOption('header');
  await sheet.getByRole('button', { name: 'Add the machine' }).click();
  await refused(sheet.getByLabel('Name', { exact: true }), 'The machine needs a name');
  await sheet.getByLabel('Name').fill('Flex platform');
  await sheet.getByLabel('Who takes care of it').fill('Ruiz');
  await sheet.getByRole('button', { name: 'Add the machine' }).click();
  await expect(page.getByRole('heading', { name: /Flex platform/ })).toBeVisible();

  const line = page.getByRole('listitem', { name: /^Knives and guards/ });
  await line.getByRole('button', { name: 'Change' }).click();
  await sheet.getByLabel('Which part, if any').fill('Knife drive gearbox');
  await sheet.getByLabel('Lead time').fill('soon');
  await sheet.getByRole('button', { name: 'Save the line' }).click();
  await refused(sheet.getByLabel('Lead time'), '“soon” is not a number');
  await expect(sheet.getByLabel('Which part, if any')).toHaveValue('Knife drive gearbox');
  await sheet.getByLabel('Lead time').fill('12');
  await sheet.getByRole('button', { name: 'Save the line' }).click();
  await expect(sheet).toBeHidden();
  await expect(line).toContainText('3 days too late. Not ordered.');

  await page.getByRole('link', { name: 'Ready?' }).click();
  const ready = page.getByRole('region', { name: 'Ready for harvest?' });
  await expect(ready).toContainText('3 days short');
  await expect(ready).toContainText('It is not ordered yet.');
  await expect(ready.getByRole('list', { name: 'Alternatives' })).toContainText('Move the first day back by 3 days');

  // It was on the shelf after all: what is left is the caution, and then it is done.
  await page.getByRole('row').filter({ hasText: 'Flex platform' }).getByRole('link').click();
  await line.getByRole('button', { name: 'Change' }).click();
  await sheet.getByLabel('It is on the shelf').check();
  await sheet.getByRole('button', { name: 'Save the line' }).click();
  await expect(line).toContainText('Knife drive gearbox is on the shelf');
  await expect(line.getByRole('button', { name: 'Done', exact: true })).toBeDisabled();
  await line.getByRole('button', { name: 'I have done this' }).click();
  await line.getByRole('button', { name: 'Done', exact: true }).click();
  await unfold(page, '1 done or left out');
  await expect(page.getByRole('list', { name: 'Done' })).toContainText('Knives and guards');
});

test('the change of crop asks for a photograph, and a program is none', async ({ page }) => {
  await ownFarm(page);
  await page.goto(`${OWN}/shed`);
  await page.getByRole('button', { name: 'Add a machine' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name').fill('Big combine');
  await sheet.getByRole('button', { name: 'Add the machine' }).click();
  await page.getByRole('link', { name: 'Change of crop' }).click();
  await page.getByLabel('Out of', { exact: true }).selectOption('corn');
  await page.getByLabel('Into', { exact: true }).selectOption('soybean');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const step = page.getByRole('listitem', { name: 'Concaves' });
  await expect(step).toContainText('stays: look that it is so');
  await step.getByLabel('Photograph it').setInputFiles({
    name: 'concave.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('#!/bin/sh\necho I am no picture\n'),
  });
  await expect(step.getByRole('alert')).toHaveText(
    'This file is not a photograph. Choose a JPEG, PNG or WebP picture.',
  );
  await step.getByLabel('Photograph it').setInputFiles({ name: 'concave.png', mimeType: 'image/png', buffer: png() });
  const picture = step.getByRole('img', { name: 'Concaves, as it was left' });
  await expect(picture).toBeVisible();
  await expect.poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(64);
  const plates = page.getByRole('listitem', { name: 'Cover plates' });
  await plates.getByRole('button', { name: 'Without a photograph' }).click();
  await plates.getByRole('button', { name: 'It is done' }).click();
  await refused(plates.getByLabel('No photograph, because'), 'Say why');
  await plates.getByLabel('No photograph, because').fill('phone is flat');
  await plates.getByRole('button', { name: 'It is done' }).click();
  await expect(plates).toContainText('no photograph: phone is flat');
  await shows(page, '8 of 10 places to go');
});

test('a breakdown is added up by machine, cause and spare, and a machine that is down is not ready', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  await addPlace(farm, 'Big combine', 'combine', 350);
  await page.goto(`${OWN}/shed/breakdowns`);
  await page.getByRole('button', { name: 'Something broke' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Machine').selectOption({ label: 'Big combine' });
  await sheet.getByLabel('What broke').fill('Feeder chain jumped');
  await sheet.getByLabel('Cost').fill('-3');
  await sheet.getByRole('button', { name: 'Record it' }).click();
  await refused(sheet.getByLabel('Cost'), 'From $0 to $10,000,000');
  await sheet.getByLabel('Cost').fill('640');
  await sheet.getByLabel('Hours lost').fill('4.5');
  await sheet.getByLabel('Spare that was not there').fill('feeder slats');
  await sheet.getByLabel('It runs again').uncheck();
  await sheet.getByRole('button', { name: 'Record it' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('region', { name: 'Spares that were missing' })).toContainText('feeder slats');
  await expect(page.getByRole('region', { name: 'By machine' })).toContainText('4.5 h $640.00');
  await page.getByRole('link', { name: 'Ready?' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'Big combine' })).toContainText('■ down');
  await page.getByRole('link', { name: 'Breakdowns' }).click();
  // Other walks of this farm may have theirs.
  const row = page
    .getByRole('table', { name: 'Breakdowns' })
    .getByRole('row')
    .filter({ hasText: 'Feeder chain jumped' });
  await row.getByRole('button', { name: 'It runs again' }).click();
  // The old line goes when the new one is there.
  await expect(row.filter({ hasText: 'still down' })).toHaveCount(0);
  await expect(row).toHaveCount(1);
});

test('a weather station is added, its token shown once, and its weather stands on Fields', async ({ page }) => {
  const farm = await ownFarm(page);
  await page.goto(`${OWN}/shed/devices`);
  await page.getByRole('button', { name: 'Add a device' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Add the device' }).click();
  await refused(sheet.getByLabel('Name', { exact: true }), 'the device needs a name');
  await sheet.getByLabel('Name').fill('Roof station');
  await sheet.getByRole('button', { name: 'Add the device' }).click();
  const token = await sheet.getByLabel('Token').innerText();
  await sheet.getByRole('button', { name: 'It is copied' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Roof station' })).toContainText('never heard yet');

  const headers = { Authorization: `Bearer ${token}` };
  const now = Math.floor(Date.now() / 3_600_000) * 3_600_000;
  const hours = Array.from({ length: 30 }, (_, h) => ({
    at: new Date(now + (h - 1) * 3_600_000).toISOString(),
    temperature: 36,
    humidity: 0.12,
    wind: 11,
    rainChance: h > 20 ? 0.7 : 0,
    wet: false,
    forecast: h > 1,
  }));
  expect((await page.request.post(`${OWN}/api/device/weather`, { headers, data: { hours } })).ok()).toBe(true);
  await page.goto(`${OWN}/fields`);
  const weather = page.getByRole('region', { name: 'Weather' });
  await expect(weather).toContainText('97 °F');
  // Hot, dry and windy: the fire line says stop, and who decides.
  await expect(weather).toContainText('Fire danger ■ stop');
  await expect(weather).toContainText('Stop where the local authority’s limit is reached.');
  await expect(weather).toContainText(
    'Burn bans and the fire department have the last word, whatever this figure says.',
  );
  await expect(weather).toContainText('Rain likely (70 %)');
  await page.goto(`${OWN}/shed/devices`);
  const station = page.getByRole('listitem').filter({ hasText: 'Roof station' });
  await expect(station).toContainText('last heard');
  await station.getByRole('button', { name: 'Revoke' }).click();
  await station.getByRole('button', { name: 'Yes, revoke it' }).click();
  await shows(station, /^revoked$/m);
  expect((await page.request.get(`${OWN}/api/device/hello`, { headers })).status()).toBe(401);
  expect(farm.id).not.toBe('');
});
