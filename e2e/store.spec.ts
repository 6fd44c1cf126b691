import { expect, test } from '@playwright/test';
import { ulid } from 'ulid';
import { binReadings, Link, STAND_IN_CABLES } from '@fanega/devices';
import { addField, addPlace, OWN, ownFarm, setUp } from './own-farm';
import { DEMO, enterDemo } from './pages';

const CORN_BU = 56 * 0.45359237;

test('does the rest fit: a verdict by the solver, other figures another answer, and a bin out of service takes nothing', async ({
  page,
}) => {
  await enterDemo(page);
  await page.goto(`${DEMO}/store/rest`);
  const answer = page.getByRole('region', { name: 'Does the rest fit?' });
  await expect(answer).toContainText(/It fits\s*[\d,]+ bu to spare/);
  const plan = page.getByRole('table', { name: 'What goes where' });
  await expect(plan).toContainText('over the dryer');
  const given = page.getByRole('region', { name: 'What it is worked out with' });
  // A dryer that runs an hour a day dries no 13,000 bushels of 21 % corn in a few days.
  await given.getByLabel('The dryer runs a day').fill('0.5');
  await expect(answer).toContainText(/[\d,]+ bu\s*too many for the bins/);
  await expect(answer).toContainText('The dryer is too slow for more.');
  await expect(answer.getByRole('list', { name: 'What more would be worth' })).toContainText('One more dryer hour');
  await given.getByLabel('The dryer runs a day').fill('25');
  await expect(given.getByText(/From 0(\.0)? to 24/)).toBeVisible();
});

test('a place out of service is said wherever grain is put there, and its note to whoever pulls from it', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Sweep Hollow', 'SH', 40, 'corn');
  const bin = await addPlace(farm, 'Bin 91', 'bin', 8000);
  await addPlace(farm, 'Truck 91', 'truck', 900);
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: bin, wetKg: 500 * CORN_BU, moisture: 0.15, at: new Date().toISOString() }, // prettier-ignore
    ],
  });
  await page.goto(`${OWN}/store/${bin}`);
  const detail = page.getByRole('region', { name: 'Bin 91' });
  await detail.getByRole('button', { name: 'Note or out of service' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByRole('button', { name: 'From now on' }).click();
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(drawer).toContainText('Say why it is out of service');
  await drawer.getByLabel('Why').fill('sweep auger broke');
  await drawer.getByLabel('Note').fill('fines in the center');
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(detail).toContainText('Out of service: sweep auger broke');
  await detail.getByRole('button', { name: 'Take out' }).click();
  await expect(drawer).toContainText('Note: fines in the center');
  await drawer.getByLabel('To', { exact: true }).selectOption({ label: 'Truck 91, empty' });
  await expect(drawer).toContainText('sweep auger broke');
});

test('cables by the stand-in: a hot spot is named, the fan is switched by a tap and its hours counted', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Cable Ridge', 'CR', 60, 'corn');
  const bin = await addPlace(farm, 'Bin 95', 'bin', 12_000);
  await setUp(farm, 'binSetup', bin, { diameter: 9.14, eave: 7, hopper: 0, packFactor: 1.05 });
  await setUp(farm, 'binCables', bin, { cables: STAND_IN_CABLES });
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: bin, wetKg: 9900 * CORN_BU, moisture: 0.15, at: new Date().toISOString() }, // prettier-ignore
    ],
  });
  await page.goto(`${OWN}/store/air?bin=${bin}`);
  const warm = page.getByRole('region', { name: 'How warm it is' });
  await expect(warm).toContainText('Its cables have sent nothing');
  const { token } = await farm.post<{ token: string }>('devices', { name: 'Cables 95', kind: 'binCables' });
  const link = new Link(OWN, token, 40);
  const { now } = await link.hello();
  const readings = binReadings({ placeId: bin, now: Date.parse(now), days: 12, levelM: 5.2, hot: true, seed: 9 });
  for (const from of [0, 432]) await link.send('cables', { readings: readings.slice(from, from + 432) });
  await expect(warm).toContainText('A hot spot');
  await expect(warm).toContainText('cable 2');
  await expect(warm.getByRole('region', { name: 'Every sensor' })).toContainText('▲▲');
  const fan = page.getByRole('region', { name: 'The fan' });
  await fan.getByRole('button', { name: 'I switched it on' }).click();
  await expect(fan).toContainText('By the log it runs.');
  await fan.getByRole('button', { name: 'I switched it off' }).click();
  await expect(fan).toContainText('By the log it stands.');
});
