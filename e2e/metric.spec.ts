import { expect, test } from '@playwright/test';
import { OWN, ownFarm } from './own-farm';
import { find, record, refused, tape } from './pages';

/** The farm is that of other walks too. */
let back: (() => Promise<void>) | undefined;
test.afterEach(async () => {
  await back?.();
  back = undefined;
});

test('a metric farm from end to end: typed, kept and shown in t, ha, °C and $/t', async ({ page }) => {
  test.setTimeout(120_000);
  const farm = await ownFarm(page);
  back = () => farm.put('settings', { units: 'us', clock: '12' });
  const units = async (): Promise<string> => (await farm.get<{ farm: { units: string } }>('header')).farm.units;

  await page.goto(`${OWN}/fields`);
  // The farm's own setting, by whoever runs it, for everybody.
  await page.getByRole('heading', { name: 'Fields' }).waitFor();
  await find(page, 'units of the farm');
  await expect.poll(units).toBe('metric');
  // The page follows by itself, and is made again by it.
  await expect(page.getByRole('navigation', { name: 'The way of the grain' })).toContainText(' t today');

  await page.getByRole('button', { name: 'Add a field' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name').fill('Osprey Bend');
  await sheet.getByLabel('Tag').fill('OQX');
  // A comma is no point here, and nothing else that was typed is lost.
  await sheet.getByLabel('Area').fill('48,5');
  await sheet.getByRole('button', { name: 'Add the field' }).click();
  await refused(sheet.getByLabel('Area'), 'Write the part after a point: 48.5');
  await expect(sheet.getByLabel('Name')).toHaveValue('Osprey Bend');
  await sheet.getByLabel('Area').fill('48.5');
  await sheet.getByRole('button', { name: 'Add the field' }).click();
  await expect(sheet).toBeHidden();
  const row = page.getByRole('row').filter({ hasText: 'Osprey Bend' });
  await expect(row).toContainText('48.5');
  const lots = await farm.get<{ lot: { fieldName: string; acres: number } }[]>('lots');
  expect(lots.find(({ lot }) => lot.fieldName === 'Osprey Bend')!.lot.acres).toBeCloseTo(48.5 * 2.4710538, 5);

  // A size in acres is taken too, where it is named.
  await page.getByRole('link', { name: /^Store/ }).click();
  for (const [kind, name, holds] of [
    ['Truck', 'Truck 61', '24 t'],
    ['Bin', 'Bin 61', '20,000 bu'],
    ['Buyer', 'Gannet Quay', ''],
  ] as const) {
    await page.getByRole('button', { name: 'Add a place' }).click();
    const add = page.getByRole('dialog');
    await add.getByLabel('What it is').selectOption({ label: kind });
    await add.getByLabel('Name').fill(name);
    if (holds) await add.getByLabel('Holds').fill(holds);
    await add.getByRole('button', { name: 'Add the place' }).click();
    await expect(add).toBeHidden();
  }
  const { places } = await farm.get<{ places: { name: string; capacityBu: number | null }[] }>('header');
  const holds = (name: string) => places.find((place) => place.name === name)!.capacityBu;
  expect(holds('Truck 61')).toBeCloseTo(24_000 / 25.40117272, 6);
  expect(holds('Bin 61')).toBe(20_000);

  await record(page, { what: 'Cut', Field: 'Osprey Bend', To: 'Truck 61', Weight: '22.73', moisture: '18' });
  await expect(tape(page).first()).toContainText('22.73 t');
  // Gross and tare in tonnes; dry at 15 % it is 22.73 × 0.82 / 0.85 = 21.93 t.
  await record(page, {
    what: 'Load',
    From: 'Truck 61',
    To: 'Gannet Quay',
    amount: 'Gross and tare',
    Gross: '36.23',
    Tare: '13500 kg',
    ticket: '61',
  });
  await page.getByRole('link', { name: /^Sell/ }).click();
  const ticket = page.getByRole('row').filter({ hasText: 'Gannet Quay' });
  await expect(ticket).toContainText('22.73');
  await expect(ticket).toContainText('21.93');
  await ticket.getByRole('link').first().click();
  await expect(page.getByRole('heading', { name: 'Ticket 61' })).toBeVisible();
  await expect(page.getByRole('main')).toContainText('22.73 t by weight');
  await expect(page.getByRole('main')).toContainText('21.93 t dry at 15.0 %');

  // A reader who thinks in bushels sees the same load in them.
  await find(page, 'units for me US');
  await expect(page.getByRole('main')).toContainText('50,111 lb net');
  expect(await units()).toBe('metric');
});
