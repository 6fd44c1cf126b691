import { expect, type Page, test } from '@playwright/test';
import { refused, shows, told } from './pages';
import { EN } from '../apps/web/src/words/en';
import { ulid } from 'ulid';
import { addField, addPlace, keep, OWN, type OwnFarm, ownFarm, records, setUp } from './own-farm';
import { png } from './png';

const HOUR = 3_600_000;
/** Open water: nobody's field. */
const CORNER = { lon: -38.6, lat: 33.4 };

const inCab = async (page: Page, name: string, machine: string): Promise<void> => {
  await page.goto(`${OWN}/cab`);
  const change = page.getByRole('button', { name: /, change$/ });
  await change.or(page.getByLabel('Your name')).first().waitFor();
  if (await change.isVisible()) await change.click();
  await page.getByLabel('Your name').fill(name);
  await page.getByRole('button', { name: machine, exact: true }).click();
  await expect(page.getByLabel('In it now')).toBeVisible();
};
const cut = (farm: OwnFarm, lot: string, to: string, kg: number, ms: number): Promise<unknown> =>
  farm.post('entries', { entries: [{ id: ulid(), type: 'harvest', lot, to, wetKg: kg, moisture: 0.15, at: new Date(ms).toISOString(), method: 'monitor' }] }); // prettier-ignore
const profile = (tankBu: number) => ({ kind: 'rotary', headWidth: 9.144, heads: [{ name: '12 rows', width: 9.144, rows: 12 }], headOn: '12 rows', headConfirmed: new Date(Date.now() - 5 * HOUR).toISOString().slice(0, 10), goodRate: 70_000, speedLimit: 2.9, tankBu, fieldEfficiency: 0.65, ranges: {} }); // prettier-ignore

test.describe('in the field at 390 px', () => {
  test.use({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    geolocation: { longitude: CORNER.lon, latitude: CORNER.lat, accuracy: 5 },
    permissions: ['geolocation'],
  });

  test('rows counted from the seat without a signal say what is left; a spot is marked and warned of', async ({
    page,
    context,
  }) => {
    const farm = await ownFarm(page);
    const { lotId, fieldId } = await addField(farm, 'Rows Bottom', 'RB1', 40);
    const combine = await addPlace(farm, 'Rows combine', 'combine', 350);
    await addPlace(farm, 'Rows truck', 'truck', 900);
    await setUp(farm, 'combineProfile', combine, profile(350));
    await cut(farm, lotId, combine, 5000, Date.now() - 60_000);
    await inCab(page, 'Dell', 'Rows combine');
    const left = page.getByRole('button', { name: /^Rows Bottom: / });
    await expect(left).toContainText('40.0 ac left');
    await context.setOffline(true);
    await left.tap();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('How many rows are left?').tap();
    for (const digit of '18') await sheet.getByRole('button', { name: digit, exact: true }).tap();
    await sheet.getByLabel('How long is a row?').fill('1320');
    await expect(sheet.getByLabel('Between rows')).toHaveValue('30');
    await sheet.getByRole('button', { name: 'Record it' }).tap();
    // 18 rows of 30 in, a quarter of a mile: 1.36 ac, two passes of twelve rows, six of them in the last.
    await expect(left).toContainText('1.4 ac left');
    await expect(left).toContainText('6 rows stay after this pass');
    await expect(left).toContainText('2 passes, 18 rows');

    // The washout that everybody knows: marked where the phone stands, without a signal.
    await page.getByRole('button', { name: 'Not the usual' }).tap();
    await page.getByRole('button', { name: 'Warn of this spot' }).tap();
    await sheet.getByLabel('A word about it').fill('old ditch');
    await sheet.getByRole('button', { name: 'Washout' }).tap();
    const warning = page.getByRole('alert').filter({ hasText: 'Washout' });
    await expect(warning).toContainText('old ditch');
    // Seen: away until one has left it and comes near again.
    await warning.getByRole('button').tap();
    await expect(warning).toBeHidden();
    // Who hardly knows where he is warns of nothing, and says so.
    await context.setGeolocation({ longitude: CORNER.lon, latitude: CORNER.lat, accuracy: 300 });
    await expect(told(page, 'Position is only good to 984 ft')).toBeVisible();
    await expect(warning).toBeHidden();
    await context.setGeolocation({ longitude: CORNER.lon, latitude: CORNER.lat + 0.0001, accuracy: 5 });
    await expect(warning).toContainText('Washout in 33 ft');
    await context.setGeolocation({ longitude: CORNER.lon, latitude: CORNER.lat + 0.003, accuracy: 5 });
    await expect(warning).toBeHidden();
    await context.setOffline(false);
    await expect.poll(async () => (await records(farm, 'fieldPin')).filter((pin) => pin.fieldId === fieldId).length).toBe(1); // prettier-ignore
    await expect.poll(async () => (await records(farm, 'rowsLeft')).find((one) => one.lotId === lotId)?.rows).toBe(18);
  });

  test('a load names the part of the field that the phone stands in; yield and moisture stand by part', async ({
    page,
  }) => {
    const farm = await ownFarm(page);
    const { lotId, fieldId } = await addField(farm, 'Parts Sixty', 'PS1', 60);
    await addPlace(farm, 'Parts cart', 'cart', 9000);
    const ring = [[-0.001, -0.001], [0.001, -0.001], [0.001, 0.001], [-0.001, 0.001]].map(([lon, lat]) => ({ lon: CORNER.lon + lon!, lat: CORNER.lat + lat! })); // prettier-ignore
    await setUp(farm, 'fieldZone', 'wethole', { fieldId, season: new Date().getUTCFullYear(), name: 'Wet hole', kind: 'wet', acres: 10, ring, why: '' }); // prettier-ignore
    const cart = (await farm.get<{ places: { id: string; name: string }[] }>('header')).places.find(({ name }) => name === 'Parts cart')!.id; // prettier-ignore
    await cut(farm, lotId, cart, 25_401, Date.now() - 60_000);
    await inCab(page, 'Dell', 'Parts cart');
    await page.getByRole('button', { name: /^Cut Parts Sixty/ }).tap();
    const pad = page.getByRole('dialog');
    await expect(pad.getByLabel('Which part of it')).toHaveValue('wethole');
    await pad.getByLabel('How much').fill('1200 bu');
    await pad.getByLabel('Moisture').fill('19');
    await pad.getByRole('button', { name: 'Record it' }).tap();
    await expect(pad).toBeHidden();
    await page.goto(`${OWN}/fields/${lotId}`);
    const part = (name: string) => page.getByRole('list', { name: 'What each part brought' }).getByRole('listitem').filter({ hasText: name }); // prettier-ignore
    await expect(part('Wet hole')).toContainText('still cut');
    await page.getByRole('list', { name: 'Parts of the field' }).getByRole('button', { name: 'It is cut' }).tap();
    // 1,200 bu at 19 % are 1,143.5 at 15 %, off ten acres.
    await expect(part('Wet hole')).toContainText(
      /114\.\d bu\/ac.*Area, ac\s*10\.0.*Dry, bu\s*1,144.*Came off at, %\s*19\.0/s,
    );
    await expect(part('the rest of it')).toContainText(/Area, ac\s*50\.0/);
    // What is known of the field is what its other loads read.
    await shows(page, /15\.0 %\s+off the combine/);
    // In the book it says where it came from.
    await page.goto(`${OWN}/`);
    await page.getByRole('button', { name: 'Tape' }).tap();
    await page.getByRole('list', { name: 'Latest entries' }).getByRole('listitem').first().click();
    await expect(page.getByRole('dialog')).toContainText('Wet hole');
  });

  test('a field is walked around with the phone, without a signal on the way, and its edge is kept', async ({
    page,
    context,
  }) => {
    const farm = await ownFarm(page);
    const { lotId, fieldId } = await addField(farm, 'Walked Forty', 'WF1', 40);
    await page.goto(`${OWN}/fields/${lotId}`);
    const ground = page.getByRole('region', { name: 'Ground' });
    await ground.getByRole('button', { name: 'Walk or drive around it' }).tap();
    await expect(ground.getByRole('status')).toContainText('One corner');
    await context.setOffline(true);
    // A quarter of a mile each way: 40 acres. A corner from a bad position is none.
    const side = 402.336;
    const north = side / 111_195;
    const east = north / Math.cos((CORNER.lat * Math.PI) / 180);
    const stand = (x: number, y: number, accuracy = 5) => context.setGeolocation({ longitude: CORNER.lon + x * east, latitude: CORNER.lat + y * north, accuracy }); // prettier-ignore
    await stand(0.5, 0.5, 400);
    await expect(ground).toContainText('no corner is taken from it');
    for (const [i, [x, y]] of (
      [
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const
    ).entries()) {
      await stand(x, y);
      await expect(ground.getByRole('status').filter({ hasText: `${i + 2} corners` })).toBeVisible();
    }
    await ground.getByRole('button', { name: 'I am around' }).tap();
    await expect(ground.getByRole('status').filter({ hasText: 'corners' })).toContainText(/(39\.9|40\.\d) ac so far/);
    await context.setOffline(false);
    await ground.getByRole('button', { name: 'It is the field’s edge' }).tap();
    await expect(ground.getByRole('status').filter({ hasText: 'corners' })).toBeHidden();
    const trace = await farm.get<{ settings: { fieldBoundary: Record<string, { value: { field: string; points: object[] } }> } }>('trace/records'); // prettier-ignore
    const edge = Object.values(trace.settings.fieldBoundary).find(({ value }) => value.field === fieldId)!;
    expect(edge.value.points).toHaveLength(5);
  });

  test('a trainee sees one step, the alarms first, and whom to call; a hot bearing stops; the next one reads what was handed over', async ({
    page,
    context,
  }) => {
    // A browser that hears well.
    await context.addInitScript(() => {
      class Hears {
        onresult: ((event: object) => void) | null = null;
        onend: (() => void) | null = null;
        start(): void {
          this.onresult?.({ results: [[{ transcript: ' Feeder bearing runs hot, grease at noon ' }]] });
          this.onend?.();
        }
        abort(): void {}
      }
      Object.assign(window, { SpeechRecognition: Hears });
    });
    // Far from what other walks marked.
    await context.setGeolocation({ longitude: CORNER.lon + 1, latitude: CORNER.lat, accuracy: 5 });
    const farm = await ownFarm(page);
    const { lotId } = await addField(farm, 'Trainee Forty', 'TF1', 40);
    const combine = await addPlace(farm, 'Old combine', 'combine', 300);
    await addPlace(farm, 'Trainee cart', 'cart', 900);
    await setUp(farm, 'combineProfile', combine, profile(300));
    await setUp(farm, 'crew', 'farm', { people: [{ name: 'Marlo', phone: '', trainee: true }, { name: 'Iwona', phone: '555-0147', trainee: false }], call: 'Iwona', mostHours: 12 }); // prettier-ignore
    await cut(farm, lotId, combine, 6000, Date.now() - 30_000);
    await inCab(page, 'Marlo', 'Old combine');
    await shows(page, EN.traineeDump);
    await expect(page.getByRole('link', { name: /Call Iwona/ })).toHaveAttribute('href', 'tel:5550147');
    await expect(page.getByRole('button', { name: /^Trainee Forty: / })).toBeHidden();
    // His first load: one button.
    await page.getByRole('button', { name: /Old combine → Trainee cart/ }).tap();
    await shows(page, 'Dump at three quarters: 225 bu');

    // A bearing that no hand stays on.
    await page.getByRole('button', { name: 'Not the usual' }).tap();
    await page.getByRole('button', { name: 'A hot part' }).tap();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('Which part').fill('Feeder bearing');
    await sheet.getByRole('button', { name: 'Record it' }).tap();
    await expect(told(sheet, 'How hot is it, or how does it feel?')).toBeVisible();
    await sheet.getByLabel('By hand').selectOption({ label: 'too hot to hold' });
    await sheet.getByRole('button', { name: 'Record it' }).tap();
    const alarms = page.getByRole('region', { name: 'What cannot wait' });
    await expect(alarms).toContainText('Old combine, Feeder bearing: stop, cool, look');
    await alarms.getByRole('listitem').filter({ hasText: 'Feeder bearing' }).getByRole('button', { name: 'I’ll take care of it' }).tap(); // prettier-ignore
    await expect(alarms.filter({ hasText: 'Feeder bearing' })).toBeHidden();

    // Handed over: the next one reads it once, with what is in it.
    await page.getByRole('button', { name: 'Not the usual' }).tap();
    await page.getByRole('button', { name: 'Hand over the machine' }).tap();
    // Said instead of typed, where the browser listens.
    await sheet.getByRole('button', { name: 'Say it' }).first().tap();
    await expect(sheet.getByLabel('What is wrong with it, what to watch')).toHaveValue('Feeder bearing runs hot, grease at noon'); // prettier-ignore
    await sheet.getByLabel('What was promised to whom').fill('Two rows left for the neighbor');
    await sheet.getByRole('button', { name: 'Record it' }).tap();
    await expect.poll(async () => (await records(farm, 'handover')).length).toBeGreaterThan(0);
    await inCab(page, 'Iwona', 'Old combine');
    const handed = page.getByRole('dialog', { name: /^Marlo handed it over/ });
    await expect(handed).toContainText('Feeder bearing runs hot, grease at noon');
    await expect(handed).toContainText('Two rows left for the neighbor');
    await handed.getByRole('button', { name: 'I have read it' }).tap();
    await page.reload();
    await expect(page.getByRole('region', { name: 'In it now' })).toBeVisible();
    await expect(handed).toBeHidden();
    // Who knows the work may look at what the trainee sees.
    await page.getByRole('button', { name: 'As a trainee sees it' }).tap();
    await expect(page.getByRole('heading', { name: 'Now', exact: true })).toBeVisible();

    // How this job is done here: written once with a picture, and open in the cab of who is new.
    await page.goto(`${OWN}/shed/crew`);
    const cards = page.getByRole('region', { name: 'Job cards' });
    await cards.getByRole('listitem').filter({ hasText: 'Combine' }).getByRole('button', { name: 'Write the card' }).tap(); // prettier-ignore
    await sheet.getByRole('button', { name: 'Keep the card' }).tap();
    await refused(sheet.getByLabel('Step 1'), 'The first step is missing');
    await sheet.getByLabel('Step 1').fill('Key off, ladder up, look under it before you start');
    await sheet.getByLabel('Photograph it').setInputFiles({ name: 'ladder.png', mimeType: 'image/png', buffer: png() });
    await expect(sheet.getByRole('img', { name: 'Step 1' })).toBeVisible();
    await sheet.getByRole('button', { name: 'Keep the card' }).tap();
    await expect(cards).toContainText('Combine: one step, one picture');
    await inCab(page, 'Marlo', 'Old combine');
    await shows(page, 'Key off, ladder up, look under it before you start');
    await expect(page.getByRole('img', { name: /^Key off, ladder up/ })).toBeVisible();
  });
});

test('rain before night: lids that do not close yet, closed by two people on two devices', async ({
  page,
  browser,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Rain Forty', 'RF1', 40);
  const [truck, tank] = [await addPlace(farm, 'Rain truck', 'truck', 900), await addPlace(farm, 'Rain tank', 'combine', 400)]; // prettier-ignore
  await setUp(farm, 'cover', truck, { kind: 'tarp', minutes: 4, who: 'Ruiz' });
  await setUp(farm, 'cover', tank, { kind: 'lid', minutes: 2, closesUpTo: 300, who: '' });
  await cut(farm, lotId, truck, 12_000, Date.now() - 50 * 60_000);
  await cut(farm, lotId, tank, 350 * 25.40117272, Date.now() - 40 * 60_000);
  const hour = Math.floor(Date.now() / HOUR) * HOUR;
  const weather = Array.from({ length: 12 }, (_, i) => ({ at: new Date(hour + i * HOUR).toISOString(), temperature: 24, humidity: 0.6, wind: 3, rainChance: i >= 4 ? 0.8 : 0.1, wet: i >= 4, forecast: true })); // prettier-ignore
  await farm.post('weather', { hours: weather });
  await page.goto(OWN);
  const alarms = page.getByRole('region', { name: 'What cannot wait' });
  await expect(alarms).toContainText(/Rain about \d+:00 [ap]m: \d+ to close before/);
  await expect(alarms).toContainText('50 bu must leave Rain tank first');
  await expect(alarms.getByRole('button', { name: 'Rain tank: Closed' })).toBeDisabled();
  await expect(alarms).toContainText(/close Rain truck, begin by \d+:56 [ap]m, Ruiz/);

  // The driver closes his tarp in the truck; the office sees it.
  const other = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const driver = await other.newPage();
  await ownFarm(driver);
  await inCab(driver, 'Ruiz', 'Rain truck');
  const his = driver.getByRole('region', { name: 'What cannot wait' });
  await expect(his).not.toContainText('Rain tank');
  await his.getByRole('button', { name: 'Rain truck: Closed' }).tap();
  await expect(alarms).toContainText('Rain truck closed');
  // What was put in after it was closed stands open again.
  await farm.post('entries', { entries: [{ id: ulid(), type: 'move', from: tank, to: truck, wetKg: 60 * 25.40117272, at: new Date().toISOString() }] }); // prettier-ignore
  await expect(alarms).toContainText(/close Rain truck, begin by/);
  await alarms.getByRole('button', { name: 'Rain tank: Closed' }).click();
  await expect(alarms).toContainText('Rain tank closed');
  // Somebody sees to the rest: quiet for all.
  await alarms.getByRole('listitem').filter({ hasText: 'Rain about' }).getByRole('button', { name: 'I’ll take care of it' }).click(); // prettier-ignore
  await expect(page.getByRole('listitem').filter({ hasText: 'Rain about' })).toHaveCount(0);
  await expect(his.filter({ hasText: 'Rain about' })).toBeHidden();
  await other.close();
});

test('parts of a field: typed, drawn and refused; a part’s reading stays its own; a spot pinned on the map', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId, fieldId } = await addField(farm, 'Zone Eighty', 'ZE1', 40);
  const ring = [[0, 0], [0.0043, 0], [0.0043, 0.0036], [0, 0.0036], [0, 0]] as const; // prettier-ignore
  await setUp(farm, 'fieldBoundary', ulid(), { field: fieldId, points: ring.map(([lon, lat]) => ({ part: 0, ring: 0, lon: CORNER.lon + lon, lat: CORNER.lat + lat })) }); // prettier-ignore
  await keep(farm, 'reading', { id: ulid(), at: new Date(Date.now() - HOUR).toISOString(), fieldId, moisture: 0.16, source: 'hand' }); // prettier-ignore
  await page.goto(`${OWN}/fields/${lotId}`);
  const ground = page.getByRole('region', { name: 'Ground' });
  await ground.getByRole('button', { name: 'Add a part of it' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Called').fill('Wet hole');
  await sheet.getByLabel('Size').fill('55');
  await sheet.getByLabel('Leave it until', { exact: true }).fill('12/31');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await refused(sheet.getByLabel('Size', { exact: true }), 'It is larger than its field');
  await sheet.getByLabel('Size').fill('6');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  const parts = ground.getByRole('list', { name: 'Parts of the field' });
  await expect(parts).toContainText('Wet hole, wet, 6.0 ac');
  await expect(parts).toContainText('leave until Dec 31');

  await parts.getByRole('button', { name: 'Read it' }).click();
  await sheet.getByLabel('Moisture').fill('27');
  await sheet.getByRole('button', { name: 'Record the reading' }).click();
  await expect(parts).toContainText('Read 27.0 %');
  await shows(page, '16.0');
  const rows = await farm.get<{ lot: { id: string }; lastMoisture: { moisture: number } }[]>('lots');
  expect(rows.find(({ lot }) => lot.id === lotId)!.lastMoisture.moisture).toBe(0.16);

  // Drawn by hand on the map.
  await ground.getByRole('button', { name: 'Draw a part' }).click();
  const map = ground.getByRole('img', { name: /^Zone Eighty, north up/ });
  const box = (await map.boundingBox())!;
  for (const [x, y] of [
    [0.4, 0.4],
    [0.5, 0.4],
    [0.5, 0.55],
    [0.4, 0.55],
  ] as const)
    // prettier-ignore
    await map.click({ position: { x: x * box.width, y: y * box.height } });
  await ground.getByRole('button', { name: /^That is it: [\d.]+ ac$/ }).click();
  await sheet.getByLabel('Called').fill('Strip of the other seed');
  await sheet.getByLabel('Size').fill('30');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await refused(sheet.getByLabel('Size', { exact: true }), /The line around it says [\d.]+ ac: which is right\?/);
  await sheet.getByRole('checkbox', { name: 'the typed size is right' }).click();
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(parts).toContainText('Strip of the other seed');
  await ground.getByRole('button', { name: 'Pin a spot' }).click();
  await map.click({ position: { x: 0.45 * box.width, y: 0.3 * box.height } });
  await sheet.getByLabel('What is there').selectOption({ label: 'Low wire' });
  await sheet.getByRole('button', { name: 'Mark it' }).click();
  await expect(ground.getByRole('list', { name: 'Spots' })).toContainText('Low wire');
  // Which field next goes by what can be cut, and says what waits.
  await page.goto(`${OWN}/fields/next`);
  await expect(page.getByRole('listitem', { name: 'Zone Eighty' })).toContainText('6.0 ac wait until Dec 31: Wet hole');
  await page.goto(`${OWN}/fields/${lotId}`);
  await parts.getByRole('listitem').filter({ hasText: 'Wet hole' }).getByRole('button', { name: 'It is cut' }).click();
  await expect(parts).toContainText(/Wet hole, 6\.0 ac, cut/);
});

test('a wear part against the grain that it saves, and the crew of the farm', async ({ page }) => {
  const farm = await ownFarm(page);
  await addField(farm, 'Wear Section', 'WS1', 640);
  const combine = await addPlace(farm, 'Wear combine', 'combine', 350);
  await setUp(farm, 'combineProfile', combine, profile(350));
  await page.goto(`${OWN}/cut/wear?machine=${combine}`);
  const answer = page.getByRole('region', { name: 'Does the part pay?' });
  for (const [label, text] of [
    ['Less lost with the new one', '0.75'],
    ['Give or take', '0.3'],
    ['Left to cut', '640'],
    ['Price', '4.40'],
    ['The part costs', '1500'],
    ['Time to put it on', '6'],
    ['An hour of labor', '30'],
  ] as const)
    // prettier-ignore
    await page.getByLabel(label, { exact: true }).fill(text);
  await expect(answer).toContainText('It pays this season');
  await expect(answer).toContainText('It has paid after 509');
  await expect(answer).toContainText('$2,112');
  await page.getByLabel('Give or take', { exact: true }).fill('0.9');
  await expect(answer).toContainText('Not shown to differ');
  await page.getByLabel('The part costs').fill('-5');
  await expect(answer).toContainText('With every figure typed, the answer stands here.');
  await page.reload();
  await expect(page.getByLabel('Give or take', { exact: true })).toHaveValue('0.9');

  await page.goto(`${OWN}/shed/crew`);
  await page.getByRole('button', { name: /Enter who works here|Change the crew/ }).click();
  const sheet = page.getByRole('dialog');
  const box = sheet.getByLabel(/^Name \d+$/).last();
  await box.fill('Sunday help');
  await sheet.getByRole('checkbox', { name: 'new here' }).last().click();
  await sheet.getByLabel('Quiet from').fill('10 pm');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await refused(sheet.getByLabel('Quiet to'), 'From and to, or neither');
  await sheet.getByLabel('Quiet to').fill('5 am');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('list', { name: 'People', exact: true }).first()).toContainText('Sunday help, new here');
  await shows(page, 'Alarms that can wait are quiet from 10:00 pm to 5:00 am');
});
