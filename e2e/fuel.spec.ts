import { expect, test } from '@playwright/test';
import { refused } from './pages';
import { ulid } from 'ulid';
import { addField, addPlace, keep, OWN, ownFarm } from './own-farm';

const HOUR = 3_600_000;

test('fuel: the tank is told in the shed, a full one recorded in the cab, and the cab says until when it lasts', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Fuel Bottom', 'FB1', 40, 'corn');
  const combine = await addPlace(farm, 'Fuel combine', 'combine', 400);
  // It works since nine hours, a load every half an hour.
  const now = Date.now();
  const entries = Array.from({ length: 19 }, (_, i) => ({ id: ulid(), type: 'harvest', lot: lotId, to: combine, wetKg: 500, moisture: 0.16, at: new Date(now - 60_000 - (18 - i) * (HOUR / 2)).toISOString() })); // prettier-ignore
  await farm.post('entries', { entries });
  await keep(farm, 'fuelFill', { id: ulid(), at: new Date(now - 9 * HOUR).toISOString(), placeId: combine, gallons: 200, full: true }); // prettier-ignore
  await page.goto(`${OWN}/shed/${combine}`);
  const fuel = page.getByRole('region', { name: 'Fuel' });
  await fuel.getByRole('button', { name: 'Tell its tank' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('The tank holds').fill('300');
  await drawer.getByLabel('It burns an hour').fill('25');
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  // 300 less nine hours of 25 is 75, of which 30 stay: 1.8 hours.
  await expect(fuel).toContainText('75 gal left, 1.8 h of work to the reserve');
  await expect(fuel).toContainText(/Fill by \d+:\d\d [ap]m if it works on/);

  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${OWN}/cab`);
  await page.getByLabel('Your name').fill('Dell');
  await page.getByRole('button', { name: 'Fuel combine', exact: true }).click();
  // Two taps: what it likely took stands there already.
  await page.getByRole('button', { name: /^Fuel: fill by/ }).click();
  await expect(page.getByRole('dialog').getByLabel('Went in')).toHaveValue('225');
  // More than the tank holds is a slip of the pad: said at its box, and what was typed stays.
  await page.getByRole('dialog').getByLabel('Went in').fill('2250');
  await page.getByRole('dialog').getByRole('button', { name: 'Record it' }).click();
  await refused(page.getByRole('dialog').getByLabel('Went in'), 'More than the tank holds, 300 gal');
  await page.getByRole('dialog').getByLabel('Went in').fill('225');
  await page.getByRole('dialog').getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByRole('button', { name: /^Fuel: fill by/ })).toContainText('300 gal left');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${OWN}/shed/${combine}`);
  await expect(fuel).toContainText('by its own fills, the middle of one pair of full tanks');
  const fills = fuel.getByRole('list', { name: 'Fills' });
  await expect(fills.getByRole('listitem')).toHaveCount(2);
  await fills.getByRole('button', { name: 'Take it back' }).first().click();
  await fills.getByRole('button', { name: 'Yes, take it back' }).click();
  await expect(fuel).toContainText('75 gal left');
});

test('two small signs point to one part by what hangs on what; what was mended in the night is looked at again', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const combine = await addPlace(farm, 'Sign combine', 'combine', 400);
  const saw = (part: string, noticed: string) => keep(farm, 'partHeat', { id: ulid(), at: new Date(Date.now() - 20 * 60_000).toISOString(), placeId: combine, part, feels: 'warm', noticed, greased: false }); // prettier-ignore
  await saw('Chopper', 'it squeaks');
  await saw('Fan control', 'does nothing');
  await page.goto(`${OWN}/shed/${combine}`);
  const heat = page.getByRole('region', { name: 'Heat of parts' });
  const add = async (part: string, on: string): Promise<void> => {
    await heat.getByRole('button', { name: 'Add a part' }).click();
    const drawer = page.getByRole('dialog');
    await drawer.getByLabel('This part').fill(part);
    await drawer.getByLabel('is driven or carried by').fill(part);
    await drawer.getByRole('button', { name: 'Keep it' }).click();
    await refused(drawer.getByLabel('is driven or carried by'), 'A part does not drive itself');
    await drawer.getByLabel('is driven or carried by').fill(on);
    await drawer.getByRole('button', { name: 'Keep it' }).click();
    await expect(drawer).toBeHidden();
  };
  await add('Chopper', 'Beater shaft');
  await expect(heat.getByRole('status')).toBeHidden();
  await add('Fan control', 'Beater shaft');
  await expect(heat.getByRole('status')).toContainText(/Chopper and Fan control|Fan control and Chopper/);
  await expect(heat.getByRole('status')).toContainText('look at Beater shaft first');

  // The last night's repair: after 8 pm or before 6 am of the farm's clock, within the last day.
  const wall = (ms: number): number => Number(new Intl.DateTimeFormat('en-US', { timeZone: 'America/Chicago', hour: '2-digit', hourCycle: 'h23' }).format(ms)); // prettier-ignore
  let mended = Date.now() - 60_000;
  while (wall(mended) >= 6 && wall(mended) < 20) mended -= 3_600_000;
  await keep(farm, 'breakdown', { id: ulid(), at: new Date(mended).toISOString(), assetId: combine, what: 'Feeder chain jumped', cause: 'wear', cost: 0, hoursLost: 1, acresLost: 0, missingSpare: '', mended: true }); // prettier-ignore
  await page.goto(`${OWN}/`);
  const alarms = page.getByRole('region', { name: 'What cannot wait' });
  await expect(alarms).toContainText('Sign combine: Feeder chain jumped was mended in the night by Oona. Look at it again by daylight'); // prettier-ignore
  await alarms.getByRole('listitem').filter({ hasText: 'Feeder chain' }).getByRole('button', { name: 'I’ll take care of it' }).click(); // prettier-ignore
  await expect(alarms.filter({ hasText: 'Feeder chain' })).toBeHidden();
});
