import { expect, test } from '@playwright/test';
import { shows } from './pages';
import isoxml from 'isoxml';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, ownFarm } from './own-farm';

const at = (minutes: number): string => new Date(Date.now() - minutes * 60_000).toISOString();
const BU = 25.40117272;
const season = new Date().getFullYear();

test('a ticket is found by its number, says how sure it is, and its link opens without an account', async ({
  page,
  browser,
}) => {
  const farm = await ownFarm(page);
  const [north, south] = [await addField(farm, 'Trace North', 'TN1', 60, 'corn'), await addField(farm, 'Trace South', 'TS1', 60, 'corn')]; // prettier-ignore
  const bin = await addPlace(farm, 'Trace bin', 'bin', 20_000);
  const truck = await addPlace(farm, 'Trace truck', 'truck', 1200);
  const mill = await addPlace(farm, 'Trace Mill', 'buyer');
  const ticket = `OR-${Date.now() % 1e6}`;
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: north.lotId, to: bin, wetKg: 3000 * BU, moisture: 0.15, method: 'cartScale', at: at(400) },
      { id: ulid(), type: 'harvest', lot: south.lotId, to: bin, wetKg: 2000 * BU, moisture: 0.15, method: 'cartScale', at: at(390) },
      { id: ulid(), type: 'move', from: bin, to: truck, wetKg: 900 * BU, at: at(200) },
      { id: ulid(), type: 'move', from: truck, to: mill, emptied: true, ticket, method: 'ticket', at: at(100) },
    ],
  }); // prettier-ignore
  await page.goto(`${OWN}/trace`);
  await page.getByRole('searchbox', { name: 'Find grain' }).fill(ticket.toLowerCase());
  await page.getByRole('link', { name: `Ticket ${ticket}` }).click();
  const sure = page.getByRole('region', { name: 'How sure' });
  await expect(sure).toContainText('The shares follow from how the bins are held to empty.');
  await sure.getByRole('button', { name: 'What if the bins empty another way?' }).click();
  await expect(sure.getByRole('region', { name: 'Divided other ways' })).toContainText('First in, first out');
  await sure.getByRole('button', { name: 'A link for the buyer' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('For whom').fill('Trace Mill, quality desk');
  await drawer.getByRole('button', { name: 'Make the link' }).click();
  const address = await drawer.getByLabel('Link', { exact: true }).innerText();
  await expect(drawer.getByRole('region', { name: 'Links given before' })).toContainText('Trace Mill, quality desk');

  // Somebody else's browser: no account, and nothing but this.
  const other = await browser.newContext();
  const stranger = await other.newPage();
  const asked: string[] = [];
  stranger.on('request', (request) => void (request.url().includes('/api/') && asked.push(new URL(request.url()).pathname))); // prettier-ignore
  await stranger.goto(address);
  await expect(stranger.getByRole('heading', { level: 1 })).toHaveText(`Where ticket ${ticket} came from`);
  await expect(stranger.getByRole('region', { name: 'Fields' })).toContainText('Trace South');
  await shows(stranger, 'The farm’s book says the same today.');
  expect(asked.every((path) => path.startsWith('/api/origin/'))).toBe(true);
  const saved = stranger.waitForEvent('download');
  await stranger.getByRole('button', { name: 'Save it as a file' }).click();
  expect((await saved).suggestedFilename()).toBe(`origin-${ticket}.json`);
  await stranger.goto(`${OWN}/trace`);
  await expect(stranger.getByRole('heading', { name: 'The farm’s grain book' })).toBeVisible();
  await drawer.getByRole('button', { name: 'Cut it off' }).click();
  await expect(drawer.getByRole('region', { name: 'Links given before' })).toContainText('cut off');
  await stranger.goto(address);
  await expect(stranger.getByRole('heading', { name: 'Nothing to show' })).toBeVisible();
  await other.close();
});

test('fields of a spreadsheet and of a map: taken in, undone, taken in again; what cannot be read is named', async ({
  page,
}) => {
  await ownFarm(page);
  await page.goto(`${OWN}/trace/data`);
  const drawer = page.getByRole('dialog');
  const open = async (name: string, body: string | Buffer, mimeType = 'text/csv'): Promise<void> => {
    await page.getByRole('button', { name: 'Fields', exact: true }).click();
    await drawer.getByLabel(/^CSV, XLSX, GeoJSON/).setInputFiles({ name, mimeType, buffer: Buffer.from(body) });
  };
  const csv = ['Field;Acres;Crop;Landlord;Landlord share', 'File One;40,5;Corn;;', 'File Two;62;Milo;Ida Renfro;33', 'File Three;x;Corn;;', ';10;Corn;;'].join('\r\n'); // prettier-ignore
  await open('plan.csv', csv);
  await expect(drawer.getByRole('status')).toContainText(/2 new/);
  await expect(drawer).toContainText('Line 4: “x” is not an area');
  await expect(drawer).toContainText('Line 5: it has no name');
  await drawer.getByRole('button', { name: 'Take in 2 fields' }).click();
  await expect(drawer).toBeHidden();
  const taken = page.getByRole('list', { name: 'Files taken in' });
  await expect(taken).toContainText('plan.csv: 2 fields');
  await open('plan.csv', csv);
  await expect(drawer.getByRole('status')).toContainText(/2 known already/);
  await expect(drawer.getByRole('button', { name: 'Nothing new to take in' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await taken.getByRole('button', { name: 'Undo' }).first().click();
  await expect(taken).toContainText('undone');
  await open('plan.csv', csv);
  await drawer.getByRole('button', { name: 'Take in 2 fields' }).click();
  await expect(drawer).toBeHidden();

  const ring = [[-90, 35], [-89.994, 35], [-89.994, 35.006], [-90, 35.006], [-90, 35]]; // prettier-ignore
  const feature = (name: string, coordinates: number[][]) => ({ type: 'Feature', properties: { Name: name, Crop: 'corn' }, geometry: { type: 'Polygon', coordinates: [coordinates] } }); // prettier-ignore
  const map = { type: 'FeatureCollection', features: [feature('Map Field', ring), feature('Swapped', ring.map(([lon, lat]) => [lat!, lon!])), feature('Bow', [ring[0]!, ring[2]!, ring[1]!, ring[3]!, ring[0]!])] }; // prettier-ignore
  await open('map.geojson', JSON.stringify(map), 'application/geo+json');
  await expect(drawer).toContainText('longitude and latitude of Swapped are swapped');
  await expect(drawer).toContainText('the boundary of Bow crosses itself');
  await expect(drawer.getByRole('region', { name: 'The fields' })).toContainText(/Map Field.*90\.\d ac.*new, with its boundary/); // prettier-ignore
  await drawer.getByRole('button', { name: 'Take in 1 field' }).click();
  await expect(drawer).toBeHidden();
  await open('photo.geojson', 'not a map');
  await expect(drawer).toContainText('This file is called JSON, and is none.');

  const manager = new isoxml.ISOXMLManager({ version: 4 });
  const field = manager.createEntityFromAttributes(isoxml.TAGS.Partfield, { PartfieldDesignator: 'Iso Field', PartfieldArea: 202_343, PartfieldCode: 'IF' } as never); // prettier-ignore
  manager.registerEntity(field);
  manager.rootElement.attributes.Partfield = [field as never];
  await drawer.getByLabel(/^CSV, XLSX, GeoJSON/).setInputFiles({ name: 'TASKDATA.zip', mimeType: 'application/zip', buffer: Buffer.from(await manager.saveISOXML()) }); // prettier-ignore
  await expect(drawer).toContainText('it names no crop');
  await drawer.getByLabel('Crop of those that name none').selectOption('corn');
  await expect(drawer.getByRole('region', { name: 'The fields' })).toContainText(/Iso Field.*50(\.0)? ac/);
});

test('a cart’s export: columns matched, only new loads taken in, undone as one', async ({ page }) => {
  const farm = await ownFarm(page);
  await addField(farm, 'Export Bottom', 'XB1', 60, 'corn');
  await addPlace(farm, 'Export cart', 'cart', 1000);
  const line = (n: number, weight: string): string => `${n},${season}-01-0${n} 14:05,Export Bottom,${weight},17.${n},Export cart`; // prettier-ignore
  const file = (rows: readonly string[]) => ({ name: 'cart.csv', mimeType: 'text/csv', buffer: Buffer.from(['Load #,Unload Time,Field Name,Weight (lb),Moisture (%),Truck', ...rows].join('\n')) }); // prettier-ignore
  await page.goto(`${OWN}/trace/data`);
  const open = async (rows: readonly string[]): Promise<void> => {
    await page.getByRole('button', { name: 'Loads of a cart or a display' }).click();
    await drawer.getByLabel('CSV or XLSX of a cart or a display').setInputFiles(file(rows));
    await drawer.getByRole('button', { name: 'Look which are new' }).click();
  };
  const drawer = page.getByRole('dialog');
  await open([line(1, '12000'), line(2, '"11,500"'), `3,someday,Export Bottom,12000,17,Export cart`]);
  await expect(drawer.getByRole('status')).toContainText(/2 loads can be read, 1 line cannot\. 2 new, 0 known already/);
  await expect(drawer).toContainText('Line 4: “someday” is not a date and time');
  await drawer.getByRole('button', { name: 'Take in 2 loads' }).click();
  await expect(drawer).toBeHidden();
  await open([line(1, '12000'), line(2, '11900'), line(3, '12100')]);
  await expect(drawer.getByRole('status')).toContainText(/1 new, 1 known already, 1 different/);
  await page.keyboard.press('Escape');
  const taken = page.getByRole('list', { name: 'Files taken in' });
  const own = taken.getByRole('listitem').filter({ hasText: 'cart.csv' });
  await own.getByRole('button', { name: 'Undo' }).click();
  await expect(own).toContainText('undone');
  await open([line(1, '12000')]);
  await expect(drawer.getByRole('status')).toContainText(/1 new/);
});

test('tickets of a buyer’s file and last years’ totals are taken in, and undone as one', async ({ page }) => {
  const farm = await ownFarm(page);
  await addField(farm, 'Totals Bottom', 'TB1', 80, 'corn');
  await addPlace(farm, 'Totals truck', 'truck', 1000);
  await addPlace(farm, 'Totals mill', 'buyer');
  const csv = (name: string, lines: readonly string[]) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) }); // prettier-ignore
  await page.goto(`${OWN}/trace/data`);
  const drawer = page.getByRole('dialog');
  await page.getByRole('button', { name: 'A buyer’s tickets' }).click();
  await drawer
    .getByLabel('CSV or XLSX of a buyer or an elevator')
    .setInputFiles(
      csv('mill.csv', [
        'Ticket #,Date,Elevator,Truck,Gross (lb),Tare (lb),Net (lb),Moisture',
        `T-1,${season}-01-05 14:05,Totals mill,Totals truck,80000,28000,52000,15.1`,
        `T-2,${season}-01-05 16:05,Totals mill,Totals truck,80000,28000,52000,15.3`,
        `T-3,${season}-01-05 17:05,Nobody,Totals truck,80000,28000,52000,15.3`,
      ]),
    );
  await expect(drawer.getByRole('status')).toContainText('2 tickets can be read, 1 line cannot');
  await expect(drawer).toContainText('Line 4, Buyer: nothing is called “Nobody”');
  await drawer.getByRole('button', { name: 'Look which are new' }).click();
  await drawer.getByRole('button', { name: 'Take in 2 tickets' }).click();
  await expect(drawer).toBeHidden();
  const taken = page.getByRole('list', { name: 'Files taken in' });
  const tickets = taken.getByRole('listitem').filter({ hasText: 'mill.csv' });
  await expect(tickets).toContainText('2 tickets');

  // A year before the field was in the book: it is put into that season with its crop then.
  await page.getByRole('button', { name: 'Loads of a cart or a display' }).click();
  await drawer
    .getByLabel('CSV or XLSX of a cart or a display')
    .setInputFiles(
      csv('totals.csv', [
        'Field,Date,Weight (bu),Moisture,Unloaded into,Crop',
        `Totals Bottom,${season - 1}-10-15,14400,15,Totals mill,Corn`,
      ]),
    );
  await expect(drawer.getByRole('status')).toContainText('0 loads can be read');
  await drawer.getByRole('button', { name: 'Put it into its season' }).click();
  await expect(drawer).toContainText('is not a load’s weight');
  await drawer.getByLabel('Each line is a field’s whole harvest of a year').check();
  await expect(drawer.getByRole('status')).toContainText('1 load can be read');
  await drawer.getByRole('button', { name: 'Look which are new' }).click();
  await drawer.getByRole('button', { name: 'Take in 1 load' }).click();
  await expect(drawer).toBeHidden();

  await tickets.getByRole('button', { name: 'Undo' }).click();
  await expect(tickets).toContainText('undone');
});

test('an insured unit: three loads filed wrong are moved, a bin is measured, and the sheet is printed', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const [east, west] = [await addField(farm, 'Insured East', 'IE1', 50, 'corn'), await addField(farm, 'Insured West', 'IW1', 50, 'corn')]; // prettier-ignore
  const cart = await addPlace(farm, 'Insured cart', 'cart', 1000);
  const bin = await addPlace(farm, 'Insured bin', 'bin', 20_000);
  // Ten days ago, so that it is over.
  const cut = (lotId: string, n: number) => ({ id: ulid(), type: 'harvest', lot: lotId, to: cart, wetKg: 400 * BU, moisture: 0.15, by: 'Wes', method: 'cartScale', at: at(15_000 - 30 * n) }); // prettier-ignore
  const loads = Array.from({ length: 9 }, (_, n) => cut((n >= 3 && n < 6 ? east : west).lotId, n));
  await farm.post('entries', { entries: [...loads, { id: ulid(), type: 'move', from: cart, to: bin, emptied: true, at: at(14_000) }] }); // prettier-ignore
  await page.goto(`${OWN}/trace/insurance`);
  await page.getByRole('button', { name: /^(Enter|Add) a policy$/ }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('Policy number').fill('P-77');
  await drawer.getByLabel('Crop', { exact: true }).selectOption('corn');
  await drawer.getByLabel(/^Coverage/).fill('75');
  await drawer.getByLabel(/^Price/).fill('4.50');
  await drawer.getByLabel(/^The policy’s own moisture table/).fill('16 x');
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(drawer).toContainText('Line 1: moisture in percent and factor');
  await drawer.getByLabel(/^The policy’s own moisture table/).fill('16 0.988\n17 0.976');
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(drawer).toBeHidden();
  const unit = async (number: string, field: RegExp): Promise<void> => {
    await page.getByRole('button', { name: 'Add a unit' }).first().click();
    await drawer.getByLabel('Unit number').fill(number);
    await drawer.getByRole('checkbox', { name: field }).click();
    await drawer.getByLabel(/^Approved yield/).fill('180');
    await drawer.getByRole('button', { name: 'Keep it' }).click();
    await expect(drawer).toBeHidden();
  };
  await unit('0001', /Insured East/);
  await unit('0002', /Insured West/);
  await page.getByRole('button', { name: 'Move them to Insured West' }).click();
  await expect(page.getByRole('button', { name: 'Move them to Insured West' })).toBeHidden();
  const west2 = page.getByRole('region', { name: 'Unit 0002', exact: true });
  const cells = west2.getByRole('row').filter({ hasText: 'Insured West' }).getByRole('cell');
  await expect(cells).toHaveText(['Insured West', '50.0', '0 (0)', '0', '3,600', '3,600']);
  // 50 acres × 180 × 75 % = 6,750; 3,150 short at $4.50.
  await expect(west2).toContainText('$14,175.00');
  await page.getByRole('button', { name: 'Measure a bin' }).click();
  await drawer.getByLabel('Bin', { exact: true }).selectOption(bin);
  // 30 ft across and 6.4 ft deep: 3,635 bushels of volume at 56 lb.
  await drawer.getByLabel(/^Around it/).fill('94.2');
  await drawer.getByLabel(/^Depth of level grain/).fill('6.4');
  await drawer.getByLabel(/^Moisture/).fill('15');
  await drawer.getByLabel(/^Test weight/).fill('56');
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(drawer).toBeHidden();
  await expect(page.getByRole('list', { name: 'Bins measured' })).toContainText(
    /3,63\d bu to count.*the book had 3,600 bu/,
  );
  await expect(cells.nth(3)).toHaveText(/^3,63\d$/);
  const link = page.getByRole('link', { name: /^Print it for the agent/ });
  const printed = await page.request.get(new URL((await link.getAttribute('href'))!, OWN).href);
  expect(printed.headers()['content-type']).toBe('application/pdf');
});
