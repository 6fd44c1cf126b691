import { expect, test } from '@playwright/test';
import { pick, shows } from './pages';
import { readFileSync } from 'node:fs';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, type OwnFarm, ownFarm, records, setUp } from './own-farm';
import { onWire } from './stand-in';

const MINUTE = 60_000;
const profile = { kind: 'rotary', headWidth: 9.144, heads: [{ name: '12 rows', width: 9.144, rows: 12 }], headOn: '12 rows', headConfirmed: '', goodRate: 60_000, speedLimit: 2.9, tankBu: 350, fieldEfficiency: 0.65, ranges: {} }; // prettier-ignore
const cut = (farm: OwnFarm, lot: string, to: string, minutesAgo: number, by = 'Bea'): Promise<unknown> =>
  farm.post('entries', { entries: [{ id: ulid(), type: 'harvest', lot, to, wetKg: 5000, moisture: 0.18, by, at: new Date(Date.now() - minutesAgo * MINUTE).toISOString(), method: 'monitor' }] }); // prettier-ignore
const square = (lon: number, lat: number, size: number) => [[lon, lat], [lon + size, lat], [lon + size, lat + size], [lon, lat + size], [lon, lat]].map(([east, north]) => ({ part: 0, ring: 0, lon: east, lat: north })); // prettier-ignore

test('the next move: who goes when, who drives ahead, and the farm’s own minutes after the first one', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const [here, there] = [await addField(farm, 'Moves East', 'ME', 60), await addField(farm, 'Moves West', 'MW', 80)];
  const combine = await addPlace(farm, 'Moves combine', 'combine', 350);
  await setUp(farm, 'combineProfile', combine, profile);
  const facts = Object.fromEntries([here, there].map(({ fieldId }) => [fieldId, { standability: 0, distance: 0, yieldKgPerHa: 11_000 }])); // prettier-ignore
  await setUp(farm, 'nextFieldPlan', 'farm', { school: 'steady', weights: { dryer: 1 }, ownOrder: [], facts, mostStep: 2, bushelPointsPerHour: 0, dryTo: 0.15 }); // prettier-ignore
  await setUp(farm, 'fieldBoundary', 'b1', { field: here.fieldId, points: square(-90.6, 27.1, 0.005) });
  await setUp(farm, 'fieldBoundary', 'b2', { field: there.fieldId, points: square(-90.53, 27.1, 0.005) });
  await setUp(farm, 'crew', 'farm', { people: [{ name: 'Bea', phone: '', trainee: false }, { name: 'Ida', phone: '', trainee: false, vehicle: 'blue pickup' }], call: '', mostHours: 12 }); // prettier-ignore
  await cut(farm, here.lotId, combine, 20, 'Ida');
  await cut(farm, here.lotId, combine, 5);

  await page.goto(`${OWN}/haul/moves`);
  const next = page.getByRole('region', { name: 'The next move' });
  await expect(next).toContainText('Moves combine to Moves West');
  // 0.07° of longitude at 27° north are 6.9 km straight, 8.8 on the roads: at 17.9 mph, as it is assumed, 18 minutes.
  await expect(next).toContainText('18 min on the road');
  const move = page.getByRole('region', { name: 'Move 1', exact: true });
  await expect(move).toContainText('12 rows, on its cart');
  await expect(move).toContainText('Ida drives ahead in the blue pickup');
  await expect(page.getByRole('list', { name: 'Machines on the road' })).toContainText('assumed');

  // How it really goes: without an escort, and slower.
  await page.getByRole('list', { name: 'Machines on the road' }).getByRole('button', { name: 'Enter it' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Road speed').fill('0.2');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet.getByLabel('Road speed')).toHaveAttribute('aria-invalid', 'true');
  await sheet.getByLabel('Road speed').fill('9');
  await sheet.getByRole('checkbox', { name: 'A pickup drives ahead or behind' }).click();
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(next).toContainText('36 min on the road');
  await expect(move).not.toContainText('drives ahead');

  // It went: from now on its own minutes stand in the plan, for the way back too.
  await move.getByRole('button', { name: 'A machine is there' }).click();
  await sheet.getByRole('button', { name: 'Record the move' }).click();
  await expect(page.getByRole('list', { name: 'Moves so far' })).toContainText('Moves East to Moves West: 20 min');
  await expect(next).toContainText('20 min on the road');
  await expect(next).toContainText('as it took once before');
  expect((await records(farm, 'rigMove'))[0]).toMatchObject({ placeId: combine, toLot: there.lotId });

  // The one who sits in it sees the same.
  await page.goto(`${OWN}/cab`);
  await page.getByLabel('Your name').fill('Bea');
  await page.getByRole('button', { name: 'Moves combine', exact: true }).click();
  await expect(page.getByRole('region', { name: 'The next move' })).toContainText('Next: Moves West');
  await expect(page.getByRole('region', { name: 'The next move' })).toContainText('20 min on the road');
});

test('too many fines lead back to a setting; a neighbor’s settings come in, are used, and are given on', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Fines Bottom', 'FB', 60);
  const combine = await addPlace(farm, 'Fines combine', 'combine', 350);
  const sheet = (rotor: number, minutesAgo: number) =>
    farm.post('cut/settings-entry', { id: ulid(), at: new Date(Date.now() - minutesAgo * MINUTE).toISOString(), machineId: combine, lotId, values: { rotor, fan: 950 }, why: 'tried' }); // prettier-ignore
  const sample = (fines: number, minutesAgo: number) =>
    farm.post('cut/grain-sample', { id: ulid(), at: new Date(Date.now() - minutesAgo * MINUTE).toISOString(), machineId: combine, lotId, takenAt: 'tank', fines }); // prettier-ignore
  await sheet(360, 180);
  await sample(1.4, 170);
  await sheet(430, 60);
  await page.goto(`${OWN}/cut/settings`);
  const says = page.getByRole('region', { name: 'What the samples say' });
  await says.getByRole('button', { name: 'Record a sample' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByRole('button', { name: 'Record the sample' }).click();
  await expect(drawer).toContainText('At least one of the three');
  await drawer.getByLabel('Fines').fill('4.4');
  await drawer.getByRole('button', { name: 'Record the sample' }).click();
  await expect(says).toContainText('4.4 %');
  await expect(says).toContainText('it was 1.4 %');
  await expect(says).toContainText('rotor or cylinder speed 360 rpm');
  await says.getByRole('button', { name: 'Set it like this' }).click();
  await expect(drawer.getByLabel('Rotor or cylinder speed')).toHaveValue('360');
  await expect(drawer.getByLabel('Why')).toHaveValue('fines 4.4 %');
  await drawer.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('table', { name: 'Settings now' })).toContainText('360 rpm');

  // The neighbor's file: one line that can be read, two that say why they cannot.
  await says.getByRole('button', { name: 'Take in a neighbor’s settings' }).click();
  const file = 'Combine,Crop,Hybrid,Rotor rpm,Concave (in),Loss bu/ac\nthe long one,corn,KL 1180,340,1.1,0.4\nx,clover,400,1,1\ny,corn,,99999,1,1\n'; // prettier-ignore
  await drawer.getByLabel('CSV or XLSX').setInputFiles({ name: 'pruitt.csv', mimeType: 'text/csv', buffer: Buffer.from(file) }); // prettier-ignore
  await expect(drawer.getByRole('status')).toContainText('1 sheet can be read, 2 lines cannot');
  await expect(drawer.getByRole('list', { name: 'What cannot be read' })).toContainText('Line 3, Crop: no crop is called “clover”'); // prettier-ignore
  await drawer.getByRole('button', { name: 'Take them in' }).click();
  await expect(drawer).toContainText('Whose settings are they?');
  await drawer.getByLabel('Whose').fill('Otha Pruitt');
  await drawer.getByRole('button', { name: 'Take them in' }).click();
  const best = page.getByRole('region', { name: 'Last time' });
  await expect(best.getByRole('listitem').first()).toContainText('Otha Pruitt’s the long one');
  // The same file again brings nothing twice.
  await says.getByRole('button', { name: 'Take in a neighbor’s settings' }).click();
  await drawer.getByLabel('CSV or XLSX').setInputFiles({ name: 'pruitt.csv', mimeType: 'text/csv', buffer: Buffer.from(file) }); // prettier-ignore
  await expect(drawer).toContainText('These sheets are here already.');
  await page.keyboard.press('Escape');
  await says.getByRole('list', { name: 'Neighbors’ settings' }).getByRole('button', { name: 'Take it back' }).click();
  await says.getByRole('button', { name: 'Yes, take it back' }).click();
  await expect(best).not.toContainText('Pruitt');

  const saved = page.waitForEvent('download');
  await says.getByRole('button', { name: 'Give ours to a neighbor' }).click();
  const text = readFileSync((await (await saved).path())!, 'utf8');
  expect(text).toContain('Rotor rpm');
  expect(text.trim().split('\n')).toHaveLength(4);
});

test('a borrowed head: hours, grain and rent as one answer; what is missing is asked for', async ({ page }) => {
  const farm = await ownFarm(page);
  await addField(farm, 'Heads Flat', 'HF', 120);
  await addPlace(farm, 'Heads combine', 'combine', 350);
  await page.goto(`${OWN}/cut/heads`);
  await expect(page.getByRole('region', { name: 'In dew or in the dry' })).toContainText('Count more');
  const answer = page.getByRole('region', { name: 'Does a borrowed head pay?' });
  await expect(answer).toContainText('Type what the other head does');
  for (const [label, typed] of [
    ['Left to cut', '300'],
    ['Price', '10.20'],
    ['Own head cuts', '8'],
    ['The other cuts', '11'],
    ['Own head loses', '1.2'],
    ['The other loses', '0.8'],
    ['An hour of the combine', '250'],
    ['Rent for an acre', '5'],
  ] as const)
    // prettier-ignore
    await page.getByLabel(label, { exact: true }).fill(typed);
  await expect(answer).toContainText('Borrow it');
  await expect(answer).toContainText('$1,531');
  await page.getByLabel('Rent for an acre', { exact: true }).fill('40');
  await expect(answer).toContainText('Keep your own');
});

test('the display says which part a load is from and what is left of the field', async ({ page }) => {
  const farm = await ownFarm(page);
  const { lotId, fieldId } = await addField(farm, 'Shown Tract', 'SH', 50);
  const combine = await addPlace(farm, 'Shown combine', 'combine', 350);
  const cart = await addPlace(farm, 'Shown cart', 'cart', 1000);
  await setUp(farm, 'combineProfile', combine, profile);
  const ring = square(-90.6, 27.1, 0.003).map(({ lon, lat }) => ({ lon, lat })).slice(0, 4); // prettier-ignore
  await setUp(farm, 'fieldZone', 'wet', { fieldId, season: new Date().getUTCFullYear(), name: 'Wet hole', kind: 'wet', acres: 4, ring, why: '' }); // prettier-ignore
  await cut(farm, lotId, cart, 30);
  const display = await onWire(farm, 'monitor', 'Shown display', combine);
  await page.goto(`${OWN}/cab`);
  await page.getByLabel('Your name').fill('Bea');
  await page.getByRole('button', { name: 'Shown combine', exact: true }).click();
  await expect(page.getByLabel('In it now')).toBeVisible();
  await display.run('monitor', '--minutes', '4', '--ago', '4', '--speed', 'max', '--field', 'SH', '--cut', '20', '--lon=-90.5985', '--lat=27.1015'); // prettier-ignore
  // 20 acres that it had counted, and 240 s x 1.9 m/s x 9.14 m: 21.0 of 50.
  await expect(page.getByRole('button', { name: /^Shown Tract: / })).toContainText('29.0 ac left');
  await expect(page.getByRole('button', { name: /^Shown Tract: / })).toContainText('by the display’s own count');
  await page.getByRole('button', { name: /^Dump .* on Shown cart/ }).click();
  await expect(async () => {
    const loads = await farm.get<{ entry: { type: string; zone?: string } }[]>('entries?limit=20');
    expect(loads.filter(({ entry }) => entry.type === 'harvest')[0]!.entry.zone).toBe('wet');
  }).toPass();
});

test('prices in one place reach the pages that ask for them; a field’s own road is typed with its buyer; a truck added in Store has its list', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { fieldId } = await addField(farm, 'Prices Bottom', 'PB', 60);
  const mill = await addPlace(farm, 'Prices mill', 'buyer');
  await addPlace(farm, 'Prices combine', 'combine', 350);
  await page.goto(`${OWN}/settings/prices`);
  await expect(page.getByLabel('Hands, trucks and money').last()).toContainText('assumed, not set here');
  await page.getByRole('button', { name: 'Change labor, interest, diesel' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('An hour of labor').fill('37');
  await sheet.getByLabel('Interest, a year').fill('80');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet.getByLabel('Interest, a year')).toHaveAttribute('aria-invalid', 'true');
  await sheet.getByLabel('Interest, a year').fill('6.5');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByLabel('Hands, trucks and money').last()).toContainText('6.5 % a year');
  await page.goto(`${OWN}/cut/wear`);
  await expect(page.getByLabel('An hour of labor')).toHaveValue('37');
  await page.goto(`${OWN}/sell/hold`);
  await expect(page.getByLabel('Interest')).toHaveValue('6.5');

  await page.goto(`${OWN}/sell/buyers`);
  await page.getByRole('button', { name: 'Roads' }).click();
  await sheet.getByLabel('From the yard').fill('12');
  await sheet.getByLabel('Field 1').selectOption({ label: 'Prices Bottom' });
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet).toContainText('How long does it take?');
  await sheet.getByLabel('One way').fill('34');
  await sheet.getByRole('button', { name: 'One more' }).click();
  await sheet.getByLabel('Field 2').selectOption({ label: 'Prices Bottom' });
  await sheet.getByLabel('One way').nth(1).fill('20');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet.getByLabel('Field 2')).toHaveAttribute('aria-invalid', 'true');
  await sheet.getByLabel('Field 2').selectOption('');
  await sheet.getByLabel('One way').nth(1).fill('');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await shows(page, 'Road 12.0 mi from the yard; from Prices Bottom 34 min.');
  const { settings } = await farm.get<{ settings: { buyerRoads: Record<string, { value: object }> } }>('haul/records');
  expect(settings.buyerRoads[mill]!.value).toMatchObject({ legs: [{ from: fieldId, minutes: 34 }] });

  await page.goto(`${OWN}/store`);
  await page.getByRole('button', { name: 'Add a place' }).click();
  await sheet.getByLabel('What it is').selectOption({ label: 'Truck' });
  await sheet.getByLabel('Name').fill('Prices truck');
  await sheet.getByRole('button', { name: 'Add the place' }).click();
  await expect(sheet).toBeHidden();
  await page.goto(`${OWN}/shed`);
  await page
    .getByRole('link', { name: /Prices truck/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'Prices truck' })).toBeVisible();
  const shed = await farm.get<{ settings: { machine: Record<string, { value: { name: string; items: object[] } }> } }>('shed/records'); // prettier-ignore
  const made = Object.values(shed.settings.machine).filter(({ value }) => value.name === 'Prices truck');
  expect(made.map(({ value }) => value.items.length)).toEqual([3]);
});

test('years side by side: by field, and by the settings that it was cut with', async ({ page }) => {
  const farm = await ownFarm(page);
  const year = new Date().getUTCFullYear();
  const { fieldId, lotId } = await addField(farm, 'Years Flat', 'YF', 10);
  const combine = await addPlace(farm, 'Years combine', 'combine', 350);
  const { lotIds } = await farm.post<{ lotIds: string[] }>('seasons', { season: year - 1, lots: [{ fieldId, crop: 'corn', tag: 'YO', acres: 10 }] }); // prettier-ignore
  const load = (lot: string, bushels: number, at: string) => ({ id: ulid(), type: 'harvest', lot, to: combine, wetKg: bushels * 56 * 0.45359237, moisture: 0.15, at, method: 'bridge' }); // prettier-ignore
  const before = `${year - 1}-10-01T18:00:00Z`;
  await farm.post('cut/settings-entry', { id: ulid(), at: `${year - 1}-10-01T12:00:00Z`, machineId: combine, lotId: lotIds[0], values: { rotor: 370 }, why: 'opened' }); // prettier-ignore
  await farm.post('entries', { entries: [load(lotIds[0]!, 1800, before), load(lotId, 2000, new Date(Date.now() - 9 * 86_400_000).toISOString())] }); // prettier-ignore
  await page.goto(`${OWN}/trace/years`);
  const row = page.getByRole('table', { name: 'Years by field' }).getByRole('row', { name: /Years Flat/ });
  await expect(row).toContainText('180');
  await expect(row).toContainText('200');
  await pick(page, 'Settings');
  await expect(page.getByRole('table', { name: 'Years by settings' })).toContainText('rotor or cylinder speed 370 rpm');
});
