import { expect, test } from '@playwright/test';
import { pick, refused } from './pages';
import { ulid } from 'ulid';
import { addField, addPlace, keep, OWN, ownFarm, records, setUp } from './own-farm';

const MINUTE = 60_000;
const BU = 25.40117272;

test('what machines saw and are not sure of is asked once: yes is a tap, something else is typed, or it was no load', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Seen Sixty', 'SS1', 60);
  await addField(farm, 'Other Forty', 'OF1', 40);
  const cart = await addPlace(farm, 'Seen cart', 'cart', 900);
  const truck = await addPlace(farm, 'Seen truck', 'truck', 900);
  const saw = (minutes: number, more: object) => keep(farm, 'seenLoad', { id: ulid(), at: new Date(Date.now() - minutes * MINUTE).toISOString(), machineId: cart, emptied: false, why: 'two beside it', ...more }); // prettier-ignore
  await saw(40, { kind: 'cut', to: cart, lotId, kg: 300 * BU, moisture: 0.171 });
  await saw(20, { kind: 'cut', to: cart, kg: 280 * BU, moisture: 0.172, why: 'field is not known' });
  await saw(8, { kind: 'dump', from: cart, to: truck, kg: 580 * BU, emptied: true, why: 'more than it had' });
  await page.goto(`${OWN}/`);
  const asked = page.getByRole('region', { name: 'Was this a load?' });
  await expect(asked.getByRole('heading')).toContainText('(3)');
  await expect(asked.getByRole('listitem').first()).toContainText(
    /Seen cart took on 300 bu at [\d:]+ [ap]m\.\s*Two stood next to it/,
  );
  await asked.getByRole('button', { name: 'Yes: Seen Sixty → Seen cart' }).first().click();
  await expect(asked.getByRole('heading')).toContainText('(2)');
  // The second came off another field than the one before: typed, with the rest filled in.
  await asked.getByRole('listitem').filter({ hasText: 'Which field is not known' }).getByRole('button', { name: 'Something else' }).click(); // prettier-ignore
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Field').selectOption({ label: `Other Forty, corn ${new Date().getUTCFullYear()}` });
  await sheet.getByLabel('Moisture').fill('17.2');
  await sheet.getByRole('button', { name: /^(Record|Keep)/ }).click();
  await expect(sheet).toBeHidden();
  await expect(asked.getByRole('listitem')).toHaveCount(1);
  await asked.getByRole('button', { name: 'It was no load' }).click();
  await expect(asked).toBeHidden();
  const { entries } = await farm.get<{ entries: { type: string; to?: string; lot?: string; wetKg?: number }[] }>(
    'book',
  );
  expect(entries.filter(({ type }) => type === 'harvest').map(({ wetKg }) => Math.round(wetKg! / BU))).toEqual([300, 280]); // prettier-ignore
  expect(entries.filter(({ type }) => type === 'move')).toEqual([]);
  expect((await records(farm, 'seenLoad')).length).toBe(3);
});

test('loads record themselves where the farm wants it, and it says what is missing; a place of the map is checked at its box', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  await addField(farm, 'Undrawn Forty', 'UF1', 40);
  await addPlace(farm, 'Lone cart', 'cart', 900);
  await addPlace(farm, 'Home pit', 'pit');
  await page.goto(`${OWN}/haul/scales`);
  await pick(page, 'By itself');
  await expect(page.getByRole('region', { name: 'What is missing for it' })).toContainText('Lone cart has no scale on the wire'); // prettier-ignore
  await expect(page.getByRole('region', { name: 'What is missing for it' })).toContainText('Undrawn Forty has no edge drawn'); // prettier-ignore
  const wanted = page.getByRole('switch', { name: /^Loads that the machines are sure of record themselves/ });
  await wanted.press(' ');
  await expect(wanted).toBeChecked();
  await page.getByRole('button', { name: 'Add a place' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('It goes into').selectOption({ label: 'Home pit' });
  await sheet.getByLabel('North').fill('133.4');
  await sheet.getByLabel('East').fill('-38.6');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await refused(sheet.getByLabel('North'), /From .*90/);
  await sheet.getByLabel('North').fill('33.4');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('region', { name: 'Where trucks are emptied' })).toContainText('Home pit, within 197 ft of 33.40000 °, -38.60000 °'); // prettier-ignore
  await page.reload();
  await pick(page, 'By itself');
  await expect(wanted).toBeChecked();
});

test.describe('a phone in a cab', () => {
  test.use({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    geolocation: { longitude: -38.6, latitude: 33.4, accuracy: 5 },
    permissions: ['geolocation'],
  });

  test('tells where its machine is where the farm lets loads record themselves, and only when it is wanted', async ({
    page,
  }) => {
    const farm = await ownFarm(page);
    await addPlace(farm, 'Phone truck', 'truck', 900);
    await setUp(farm, 'selfRecording', 'farm', { on: true, yards: [] });
    const told: string[] = [];
    page.on('request', (asked) => {
      if (asked.url().endsWith('/positions')) told.push(asked.postData() ?? '');
    });
    await page.goto(`${OWN}/cab`);
    await page.getByLabel('Your name').fill('Ames');
    await page.getByRole('button', { name: 'Phone truck', exact: true }).tap();
    const wanted = page.getByRole('switch', { name: 'Tell the farm where this machine is' });
    await expect(wanted).not.toBeChecked();
    expect(told).toEqual([]);
    const answer = page.waitForResponse((one) => one.url().endsWith('/positions'), { timeout: 30_000 });
    await wanted.tap();
    expect((await answer).status()).toBe(200);
    expect(told[0]).toContain('"lat":33.4');
  });
});
