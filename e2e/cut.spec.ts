import { expect, type Locator, type Page, test } from '@playwright/test';
import { ulid } from 'ulid';
import { balances, pick, refused, shows, tape } from './pages';
import { addField, addPlace, keep, OWN, ownFarm, setUp } from './own-farm';

async function countFrames(sheet: Locator, kernels: readonly number[]): Promise<void> {
  for (const count of kernels) {
    await sheet.getByLabel(/^Kernels in frame/).fill(String(count));
    await sheet.getByRole('button', { name: 'Next frame' }).click();
  }
}

/** From the frame to the record; what was counted before harvest is kept from the last count of the field. */
async function countLoss(
  page: Page,
  frameFt: string,
  behind: readonly number[],
  first?: { before: readonly number[] },
): Promise<Locator> {
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Frame', { exact: true }).fill(frameFt);
  await sheet.getByRole('button', { name: 'Go on' }).click();
  if (first) await countFrames(sheet, first.before);
  await sheet.getByRole('button', { name: 'Go on' }).click();
  await sheet.getByLabel('The machine stands, the key is in my pocket').check();
  await sheet.getByRole('button', { name: 'Go on' }).click();
  await sheet.getByRole('button', { name: 'Skip it' }).click();
  await countFrames(sheet, behind);
  return sheet;
}

test.describe('behind the combine', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('M18: a loss check from counts to the next change, what it gained, and the undo of one that made it worse', async ({
    page,
  }) => {
    test.setTimeout(180_000);
    const farm = await ownFarm(page);
    const { lotId } = await addField(farm, 'Heron Slough', 'HS', 640);
    const machineId = await addPlace(farm, 'Combine 9', 'combine', 350);
    await setUp(farm, 'combineProfile', machineId, {
      kind: 'rotary',
      headWidth: 9.144,
      headConfirmed: '',
      goodRate: 100_000,
      speedLimit: 2.9,
      tankBu: 350,
      fieldEfficiency: 0.72,
      acceptedLoss: { corn: 30 },
      ranges: { rotor: [250, 600] },
    });
    await keep(farm, 'settingsEntry', {
      id: ulid(),
      at: new Date(Date.now() - 3_600_000).toISOString(),
      machineId,
      lotId,
      values: { rotor: 400, speed: 1.9 },
      why: 'to begin with',
    });
    await page.goto(`${OWN}/cut/loss?machine=${machineId}`);
    await page.getByLabel('Field', { exact: true }).selectOption(lotId);
    await page.getByRole('button', { name: 'Count a loss' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('Price').fill('4.40');
    await sheet.getByLabel('Left of corn').fill('640');
    await sheet.getByLabel('Frame', { exact: true }).fill('10');
    await sheet.getByRole('button', { name: 'Go on' }).click();
    // A count of -3 is refused at its place and stays typed.
    await sheet.getByLabel('Kernels in frame 1').fill('-3');
    await sheet.getByRole('button', { name: 'Next frame' }).click();
    await refused(sheet.getByLabel('Kernels in frame 1'), 'A count cannot be less than zero');
    await expect(sheet.getByLabel('Kernels in frame 1')).toHaveValue('-3');
    await sheet.getByLabel('Kernels in frame 1').fill('4');
    await sheet.getByRole('button', { name: 'Next frame' }).click();
    // What was counted is kept over a reload.
    await page.reload();
    await page.getByLabel('Field', { exact: true }).selectOption(lotId);
    await page.getByRole('button', { name: 'Count a loss' }).click();
    await expect(sheet.getByRole('list', { name: 'Frames counted' })).toContainText('4');
    await sheet.getByRole('button', { name: 'Go on' }).click();
    // Nobody goes behind a machine that turns.
    await sheet.getByRole('button', { name: 'Go on' }).click();
    await expect(sheet.getByRole('alert')).toContainText('Stay out from behind the machine until it has stopped');
    await sheet.getByLabel('The machine stands, the key is in my pocket').check();
    await sheet.getByRole('button', { name: 'Go on' }).click();
    await sheet.getByRole('button', { name: 'Skip it' }).click();
    // By the keypad: 3, 1.
    await sheet.getByRole('button', { name: '3', exact: true }).tap();
    await sheet.getByRole('button', { name: '1', exact: true }).tap();
    await sheet.getByRole('button', { name: 'Next frame' }).tap();
    await countFrames(sheet, [27, 36, 22, 34]);
    await expect(sheet.getByLabel('Machine loss so far')).toContainText('1.30 bu/ac');
    await expect(sheet.getByLabel('Machine loss so far')).toContainText('$3,661 on what is left');
    await sheet.getByRole('button', { name: 'Go on' }).click();
    await sheet.getByRole('button', { name: 'Record the count' }).click();
    await expect(sheet).toBeHidden();

    const next = page.getByRole('region', { name: 'What next' });
    await expect(next).toContainText('Ground speed 4.3 mph → 3.8 mph');
    await next.getByRole('button', { name: 'Changed: write it down' }).click();
    await expect(next).toContainText('Count again first');
    await page.getByRole('button', { name: 'Count again' }).click();
    await countLoss(page, '10', [13, 17, 14, 16, 15]);
    await sheet.getByRole('button', { name: 'Go on' }).click();
    await sheet.getByRole('button', { name: 'Record the count' }).click();
    const trail = page.getByRole('region', { name: 'Trail' });
    await expect(trail.getByRole('listitem').first()).toContainText('better: saves 0.75 bu/ac, $2,112 on what is left');
    await expect(page.getByRole('region', { name: 'Last count' })).toContainText('0.55');

    // The next one makes it worse: the program goes back, and says so in the trail.
    await shows(next, 'Next change, this one only');
    await next.getByLabel('What is seen').selectOption('cracked');
    await expect(next).toContainText('400 rpm → 370 rpm');
    await next.getByRole('button', { name: 'Changed: write it down' }).click();
    await expect(next).toContainText('Count again first');
    await page.getByRole('button', { name: 'Count again' }).click();
    await countLoss(page, '10', [34, 33, 35, 34, 34]);
    await sheet.getByRole('button', { name: 'Go on' }).click();
    await sheet.getByRole('button', { name: 'Record the count' }).click();
    await expect(next).toContainText('Go back.');
    await next.getByRole('button', { name: 'Rotor or cylinder speed back to 400 rpm' }).click();
    await expect(trail.getByRole('listitem').first()).toContainText('back to the sheet before');
    await expect(trail.getByRole('listitem').nth(1)).toContainText('taken back: costs 0.95 bu/ac');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });
});

test('M6: one speed for the rate, by yield and head; none before the head is confirmed', async ({ page }) => {
  const farm = await ownFarm(page);
  await addField(farm, 'Crane Bend', 'CB', 71.5);
  const machineId = await addPlace(farm, 'Combine 6', 'combine', 350);
  await page.goto(`${OWN}/cut?machine=${machineId}`);
  await page.getByRole('button', { name: 'Write its profile' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Good rate').fill('4,100');
  await sheet.getByLabel('Tank').fill('350');
  await sheet.getByRole('button', { name: 'Add a head' }).click();
  await sheet.getByLabel('Name').fill('Platform');
  await sheet.getByLabel('ft', { exact: true }).fill('30');
  await sheet.getByRole('button', { name: 'Save the profile' }).click();
  await expect(sheet).toBeHidden();
  const speed = page.getByRole('region', { name: 'Speed to drive' });
  await page.getByLabel('Yield here').fill('235');
  await expect(speed).toContainText('Confirm which head is on today, and the speed stands here.');
  await expect(speed.getByLabel('Drive')).toHaveText('–');
  await speed.getByRole('button', { name: 'Platform, 30.0 ft, is on' }).click();
  await expect(speed.getByLabel('Drive')).toHaveText('4.8 mph');
  await page.getByLabel('Yield here').fill('150');
  await expect(speed.getByLabel('Drive')).toHaveText('6.5 mph (limit)');
  await expect(speed).toContainText('3,545 bu/h there; the rate alone would ask for 7.5 mph.');

  // Twelve rows at twenty inches are twenty feet: another head, to be confirmed again.
  await page.getByRole('button', { name: 'Machine profile' }).click();
  await sheet.getByRole('button', { name: 'Add a head' }).click();
  await sheet.getByLabel('Name').nth(1).fill('Rows');
  await sheet.getByLabel('rows', { exact: true }).nth(1).fill('12');
  await sheet.getByLabel('in', { exact: true }).nth(1).fill('20');
  await sheet.getByRole('button', { name: 'Save the profile' }).click();
  await expect(sheet).toBeHidden();
  await speed.getByRole('button', { name: 'Another head' }).click();
  await speed.getByRole('button', { name: 'Rows, 20.0 ft, is on' }).click();
  await page.getByLabel('Yield here').fill('235');
  await expect(speed.getByLabel('Drive')).toHaveText('6.5 mph (limit)');
  await expect(speed).toContainText('the rate alone would ask for 7.2 mph');
  await page.getByLabel('Yield here').fill('many');
  await refused(page.getByLabel('Yield here'), '“many” is not a number');
  // The tank under it.
  await page.getByLabel('In the tank now').fill('180');
  await page.getByLabel('Yield here').fill('235');
  await expect(page.getByRole('region', { name: 'Tank' })).toContainText('min');
});

test('strips: a gain within its scatter is not shown to differ', async ({ page }) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Lower Gum', 'LG', 54.6);
  await addPlace(farm, 'Combine 5', 'combine', 350);
  await page.goto(`${OWN}/cut/strips`);
  const form = page.getByRole('main');
  await form.getByLabel('Field', { exact: true }).selectOption(lotId);
  await form.getByLabel('What was compared').fill('Deck plates');
  for (const [i, fresh] of [204.1, 199.4, 202.5].entries()) {
    await form.getByLabel(`New, pair ${i + 1}`).fill(String(fresh));
    await form.getByLabel(`Old, pair ${i + 1}`).fill('200');
  }
  await form.getByRole('button', { name: 'Record the strips' }).click();
  const so = page.getByRole('region', { name: 'Strips so far' });
  await expect(so).toContainText('+2.0 bu/ac, standard error 1.4: ◐ not shown to differ');
});

test('a calibration from five loads, and the restatement of what only the display measured', async ({ page }) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Lantern Ridge', 'LR', 64, 'sorghum');
  const tank = await addPlace(farm, 'Combine 7', 'combine', 350);
  const BU = 56 * 0.45359237;
  // Loads into the tank of this combine, a quarter of an hour apart: scale 6,640 bu, display 6,912 (in fifths of a load).
  const scale = [240, 260, 280, 268, 280];
  const shown = [250, 271, 291.2, 279, 291.2];
  const start = Date.now() - 3 * 3_600_000;
  const loads = scale.map((bushels, i) => ({
    id: ulid(),
    type: 'harvest',
    lot: lotId,
    to: tank,
    wetKg: bushels * BU,
    moisture: 0.15,
    method: 'cartScale',
    at: new Date(start + i * 900_000).toISOString(),
  }));
  await farm.post('entries', {
    entries: [
      ...loads,
      { ...loads[0], id: ulid(), wetKg: 300 * BU, method: 'monitor', at: new Date(start + 5 * 900_000).toISOString() },
      ...loads.slice(1).map((load, i) => ({
        id: ulid(),
        type: 'witness',
        of: load.id,
        at: load.at,
        wetKg: shown[i + 1]! * BU,
        method: 'monitor',
      })),
    ],
  });
  // The last pair is put beside its load on the page.
  await page.goto(`${OWN}/cut/loads?machine=${tank}`);
  await page.getByRole('row').filter({ hasText: '240 bu' }).getByRole('button').click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Another measurement' }).click();
  const form = sheet.getByRole('form', { name: 'Another measurement' });
  await pick(form, 'bu');
  await form.getByLabel('Weight').fill('250');
  await form.getByRole('button', { name: 'Put it beside' }).click();
  await expect(sheet.getByRole('heading', { name: 'Also weighed' })).toBeVisible();
  await sheet.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('navigation', { name: 'Cut' }).getByRole('link', { name: 'Monitor' }).click();
  const display = page.getByRole('region', { name: 'The display' });
  // 1,328 / 1,382.4 = 0.96065.
  await expect(display).toContainText('0.9606');
  await expect(display).toContainText('It reads 4.1 % high, from 5 loads');
  const season = page.getByRole('region', { name: 'Restatement' });
  await expect(season).toContainText('Lantern Ridge: 300 bu on the display, 288 bu restated');
  await season.getByRole('button', { name: 'Restate them in the book …' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Restate 1 load in the book' }).click();
  await expect(season).toContainText('nothing depends on the display');
  await expect(tape(page).first()).toContainText('288 bu');
  await balances(page);
});
