import { expect, test } from '@playwright/test';
import { dryerNight, Link } from '@fanega/devices';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, ownFarm, setUp, takeBack } from './own-farm';
import { DEMO, enterDemo, pick, refused, shows, told, unfold } from './pages';

const BEAN_BU = 60 * 0.45359237;

test('M3: two bins for a load of a wanted moisture, and no old ratio after a retest', async ({ page }) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Blend Bottom', 'BL', 90, 'soybean');
  const wet = await addPlace(farm, 'Bin 71', 'bin', 6000);
  const dry = await addPlace(farm, 'Bin 72', 'bin', 6000);
  const truck = await addPlace(farm, 'Truck 71', 'truck', 1200);
  const at = new Date().toISOString();
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: wet, wetKg: 3000 * BEAN_BU, moisture: 0.142, at },
      { id: ulid(), type: 'harvest', lot: lotId, to: dry, wetKg: 3000 * BEAN_BU, moisture: 0.106, at },
    ],
  });
  await page.goto(`${OWN}/store/blend`);
  const bins = page.getByRole('region', { name: 'The two bins' });
  const blend = page.getByRole('region', { name: 'The blend' });
  await bins.getByLabel('First bin').selectOption(wet);
  await bins.getByLabel('Second bin').selectOption(dry);
  await bins.getByLabel('Wanted').fill('12.9');
  await bins.getByLabel('The load').fill('950');
  await expect(blend).toContainText(/from Bin 71\s*607\s*bu\s*63.9 %/);
  await expect(blend).toContainText(/from Bin 72\s*343\s*bu\s*36.1 %/);
  // The time of each gate follows from its own auger.
  await bins.getByLabel('Bin 71 unloads').fill('3,000');
  await bins.getByLabel('Bin 72 unloads').fill('6,000');
  await expect(blend).toContainText('gate open 12 min 8 s');
  await expect(blend).toContainText('gate open 3 min 26 s');
  await blend.getByRole('button', { name: 'Set the gates by this' }).click();
  await expect(blend.getByRole('button', { name: '● The gates are set' })).toBeVisible();
  // A retest of the first bin: the old ratio is refused, the new one stands there.
  await bins.getByLabel('Bin 71 reads').fill('14.7');
  await expect(blend.getByRole('alert')).toContainText('the old 63.9 % of Bin 71 no longer makes 12.9 %');
  await expect(blend).toContainText(/from Bin 71\s*533\s*bu\s*56.1 %/);
  await expect(blend).toContainText(/from Bin 72\s*417\s*bu/);
  // Out of reach, not enough of it, and nonsense are each said.
  await bins.getByLabel('Wanted').fill('16');
  await expect(blend).toContainText('Both are drier than 16.0 %: the nearest is 14.7 %');
  await bins.getByLabel('Wanted').fill('12.9');
  await bins.getByLabel('The load').fill('6,000');
  await expect(blend).toContainText(/Bin 71 runs out: at this ratio it makes 5,\d\d\d bu at most/);
  await bins.getByLabel('Wanted').fill('wet');
  await refused(bins.getByLabel('Wanted'), '“wet” is not a number');
  // For test weight: by space, from what somebody weighed.
  await pick(bins, 'Test weight');
  await expect(blend).toContainText('Type what each bin tests and what you want.');
  await bins.getByLabel('Bin 71 reads').fill('58');
  await bins.getByLabel('Bin 72 reads').fill('52');
  await bins.getByLabel('Wanted').fill('56');
  await bins.getByLabel('The load').fill('950');
  // (1/56 − 1/52) ÷ (1/58 − 1/52) = 69.0 %.
  await expect(blend).toContainText(/from Bin 71\s*656\s*bu\s*69\.0 %/);
  await bins.getByLabel('Wanted').fill('60');
  await expect(blend).toContainText('Both are lighter than 60.0 lb/bu: the nearest is 58.0 lb/bu');

  // One of them has a side draw: only what lies above its spout can come by it.
  await page.goto(`${OWN}/store`);
  const sheet = page.getByRole('dialog');
  await page.getByRole('button', { name: 'Names and sizes' }).click();
  await sheet.getByRole('button', { name: /^Bin 71/ }).click();
  await sheet.getByLabel('Diameter').fill('30');
  await sheet.getByLabel('Wall to the eave').fill('20');
  await expect(sheet.getByLabel('Its height')).toBeHidden();
  await sheet.getByLabel('Side draw').selectOption('yes');
  await sheet.getByLabel('Its height').fill('21');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await refused(sheet.getByLabel('Its height'), /side draw is in the wall/i);
  await sheet.getByLabel('Its height').fill('2');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await page.keyboard.press('Escape');
  await page.goto(`${OWN}/store/${wet}`);
  const kept = page.getByRole('region', { name: 'Bin 71' });
  await expect(kept).toContainText(/1,[89]\d\d bu at most by the side draw/);
  await kept.getByRole('button', { name: 'Take out' }).click();
  await sheet.getByRole('checkbox', { name: /By its side draw/ }).click();
  await sheet.getByLabel('To', { exact: true }).selectOption(truck);
  await pick(sheet, 'Net');
  await sheet.getByLabel('Weight', { exact: true }).fill('6,000');
  await sheet.getByRole('button', { name: 'Record it' }).click();
  await expect(sheet).toBeHidden();
  const [line] = await farm.get<{ entry: object }[]>('entries?limit=1');
  expect(line?.entry).toMatchObject({ type: 'move', sideDraw: true });
  await page.goto(`${OWN}/store/blend`);
  await bins.getByLabel('First bin').selectOption(wet);
  await bins.getByLabel('Second bin').selectOption(dry);
  await bins.getByLabel('Wanted').fill('12.9');
  await bins.getByLabel('The load').fill('4,000');
  await expect(blend).not.toContainText('runs out');
  await bins.getByRole('checkbox', { name: /Bin 71 by its side draw/ }).click();
  await expect(blend).toContainText('Bin 71 runs out');
  await expect(blend).toContainText('A side draw loads one side of the wall');
});

test('a night at the dryer: what it takes, samples, the drift that is set, a run, and the step that is heard', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Night Slough', 'NS', 90);
  const bin = await addPlace(farm, 'Wet bin 73', 'wetBin', 9000);
  await addPlace(farm, 'Dryer 73', 'dryer', 1400);
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: bin,
        wetKg: 2000 * 56 * 0.45359237,
        moisture: 0.168,
        at: new Date(Date.now() - 3 * 3_600_000).toISOString(),
      },
    ],
  });
  await page.goto(`${OWN}/dry`);
  const dryers = page.getByRole('region', { name: 'The dryer now' });
  const at = (await dryers.count()) - 1;
  const dryer = dryers.nth(at);
  await dryer.getByRole('button', { name: 'Write down what it takes' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('It takes').fill('2,600');
  await sheet.getByLabel('Dry to').fill('60');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await refused(sheet.getByLabel('Dry to'), 'From 5 to 30 %');
  await sheet.getByLabel('Dry to').fill('15');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet).toBeHidden();
  await expect(dryer).toContainText('1,444 bu/h');
  // Nothing is cut wet: it says when it is done.
  await expect(dryer).toContainText('Nothing wet comes any more; done at');
  const sample = async (boxes: Readonly<Record<string, string>>): Promise<void> => {
    await dryer.getByRole('button', { name: 'Take a sample' }).click();
    for (const [label, value] of Object.entries(boxes)) await sheet.getByLabel(label).fill(value);
    await sheet.getByRole('button', { name: 'Record the sample' }).click();
    await expect(sheet).toBeHidden();
  };
  await dryer.getByRole('button', { name: 'Take a sample' }).click();
  await sheet.getByRole('button', { name: 'Record the sample' }).click();
  await expect(told(sheet, 'at least one figure')).toBeVisible();
  await page.keyboard.press('Escape');
  // Three samples out of its band, of the fourteen hundred bushels that it does: so much slower.
  await sample({ 'Coming out': '15.6', 'Going in': '16.8', 'It does': '1,444', 'Fuel meter': '400' });
  await sample({ 'Coming out': '15.7' });
  await sample({ 'Coming out': '15.8', 'Fuel meter': '437' });
  await expect(dryer).toContainText('It comes out 0.7 points too wet');
  await expect(dryer).toContainText(/Set the discharge to about 88\d bu\/h/);
  await expect(
    page
      .getByRole('region', { name: 'Moisture in and out' })
      .nth(at)
      .getByRole('img', { name: /3 samples, the last out 15.8 %/ }),
  ).toBeVisible();
  await dryer.getByRole('button', { name: 'How it is worked out' }).click();
  await expect(page.getByRole('dialog')).toContainText('BTU for each pound of water');
  await page.keyboard.press('Escape');
  const runs = page.getByRole('region', { name: 'Runs' }).nth(at);
  await runs.getByRole('button', { name: 'Begin a run' }).click();
  await runs.getByRole('button', { name: 'End the run' }).click();
  await expect(runs.getByRole('button', { name: 'Begin a run' })).toBeVisible();
  await expect(runs.getByRole('listitem')).toHaveCount(1);
  // The field that comes next is told before its first load, and the keeper says that he heard it.
  const notice = ulid();
  await farm.post('fields/next-field-notice', {
    id: notice,
    at: new Date().toISOString(),
    lotId,
    moisture: 0.213,
    step: 4.2,
  });
  const step = page.getByRole('region', { name: 'The step that comes' }).nth(at);
  await expect(step).toContainText('A step of 4.2 points; this dryer takes 2.0 at once.');
  await step.getByRole('button', { name: 'I heard it, the dryer is set' }).click();
  await expect(step).toContainText('● heard by Oona');
  await takeBack(farm, 'nextFieldNotice', notice);
  // With its maker's table that counts: a row that does not fall is refused at its box.
  await dryer.getByRole('button', { name: 'What it takes' }).click();
  for (const [row, points, rate] of [
    [1, '1', '2,000'],
    [2, '5', '2,100'],
  ] as const) {
    await sheet.getByLabel(`Points off, row ${row}`).fill(points);
    await sheet.getByLabel(`Takes, row ${row}`).fill(rate);
  }
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(told(sheet, 'Less than the row above')).toBeVisible();
  await sheet.getByLabel('Takes, row 2').fill('400');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet).toBeHidden();
  await dryer.getByRole('button', { name: 'How it is worked out' }).click();
  await expect(page.getByRole('dialog')).toContainText('its table, at these points');
  await page.keyboard.press('Escape');
});

test('deadlines of wet grain, the nearest one on Today, Haul and in its cab; measured warmth changes them', async ({
  page,
}) => {
  await enterDemo(page);
  await page.goto(`${DEMO}/dry/deadlines`);
  const nearest = page.getByRole('region', { name: 'The nearest deadline' });
  await expect(nearest).toContainText(/^Wet bin, [\d,]+ bu of corn at 20.9 %/);
  await expect(nearest).toContainText('Without air it heats itself');
  const table = page.getByRole('table', { name: 'Deadlines' });
  await expect(table.getByRole('row').filter({ hasText: 'Bin F' })).toContainText(/\d+ layers/);
  const before = await table.getByRole('row').filter({ hasText: 'Cart 2' }).innerText();
  await table.getByRole('row').filter({ hasText: 'Cart 2' }).getByRole('button', { name: 'Measure it' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Record it' }).click();
  await refused(sheet.getByLabel('It is'), 'How warm is it?');
  await sheet.getByLabel('It is').fill('100');
  await sheet.getByLabel('Where in it').fill('the middle');
  await sheet.getByRole('button', { name: 'Record it' }).click();
  await expect(sheet).toBeHidden();
  // Warmer than the air: it is the nearest now.
  await expect(nearest).toContainText(/^Cart 2, /);
  expect(await table.getByRole('row').filter({ hasText: 'Cart 2' }).innerText()).not.toBe(before);
  await page.goto(`${DEMO}/`);
  await expect(page.getByRole('link', { name: /Wet grain in Cart 2: dry it, cool it or move it by/ })).toBeVisible();
  await page.goto(`${DEMO}/haul`);
  await page.getByRole('link', { name: /Wet grain in Cart 2/ }).click();
  await expect(nearest).toBeVisible();
  await page.goto(`${DEMO}/cab`);
  await page.getByLabel('Your name').fill('Dell');
  await page.getByRole('button', { name: 'Cart 2', exact: true }).click();
  await shows(page, '■ Wet grain in Cart 2: dry it, cool it or move it by');
});

test('the dryer is down: the ways out by bushels, hours and dollars, planned again with the repair; dry or sell wet', async ({
  page,
}) => {
  await enterDemo(page);
  await page.goto(`${DEMO}/dry/down`);
  const ways = page.getByRole('region', { name: 'Ways out' });
  const repair = page.getByRole('region', { name: 'The repair' });
  await repair.getByLabel('Back up in').fill('6');
  await expect(ways).toContainText('Wait for the repair');
  const table = ways.getByRole('table', { name: 'Ways side by side' });
  await expect(table.getByRole('row').filter({ hasText: 'Haul wet to Whistling Duck Feed Mill' })).toContainText(
    /[1-9] *[\d:]+ pm/,
  );
  await expect(table.getByRole('row').filter({ hasText: 'Stop the combines' })).toContainText('−$');
  // Longer than the grain lasts: the loads must go, and it says by when to start.
  await repair.getByLabel('Back up in').fill('120');
  await expect(ways).toContainText(/Haul wet to Whistling Duck Feed Mill\s*Start by [\d:]+ pm: \d loads/);
  await expect(table.getByRole('row').nth(1)).toContainText('Haul wet to Whistling Duck Feed Mill');
  // A neighbor's dryer is one more way.
  await repair.getByLabel('It does').fill('900');
  await expect(table.getByRole('row').filter({ hasText: 'The other dryer' })).toBeVisible();
  await repair.getByLabel('Back up in').fill('soon');
  await refused(repair.getByLabel('Back up in'), '“soon” is not a number');
  await expect(ways).toContainText('fans off first');

  await page.goto(`${DEMO}/dry/cost`);
  const cost = page.getByRole('region', { name: 'Dry it or sell it wet' });
  const about = page.getByRole('region', { name: 'What is asked about' });
  // What is wet on the demo's wheels depends on the hour.
  await about.getByLabel('Crop').selectOption('corn');
  await about.getByLabel('Moisture').fill('20');
  await about.getByLabel('Bushels as they are').fill('1,000');
  await expect(cost).toContainText(/(Dry it|Sell it wet)/);
  await expect(cost).toContainText('Sold now: the buyer’s base, and no drier.');
  await pick(about, 'till summer');
  await expect(cost).toContainText(/(to|Dry to) 1[34]\.\d %/);
  await about.getByLabel('Moisture').fill('14');
  await pick(about, 'sold now');
  await expect(cost).toContainText('Dry enough');
  await about.getByLabel('Moisture').fill('26');
  await expect(cost).toContainText('this buyer refuses it');
});

test('dry in the bin: by its own fan, whether the front is faster than the spoiling, and how deep it may be', async ({
  page,
}) => {
  await enterDemo(page);
  await page.goto(`${DEMO}/dry/bin`);
  const answer = page.getByRole('region', { name: 'Dry in the bin' });
  const about = page.getByRole('region', { name: 'What is asked about' });
  await about.getByLabel('Bin', { exact: true }).selectOption({ label: 'Bin F' });
  await expect(answer).toContainText(/[A-Z][a-z]{2} \d+\s*dry, \d+ days/);
  await expect(answer).toContainText(/The fan meets this grain at [\d.]+ in. of water and moves [\d,]+ cfm/);
  await expect(answer.getByRole('table', { name: 'What would change it' }).getByRole('row')).toHaveCount(5);
  // An empty bin, asked ahead: corn at 26 % and warm spoils first, and it says how deep it may be.
  await about.getByLabel('Bin', { exact: true }).selectOption({ label: 'Bin G' });
  await about.getByLabel('Crop').selectOption('corn');
  await about.getByLabel('Moisture').fill('26');
  await about.getByLabel('Grain temperature').fill('80');
  await about.getByLabel('Grain is deep').fill('16');
  await expect(answer).toContainText('Spoils first');
  await expect(answer).toContainText(/no deeper than [\d.]+ ft|At this moisture no depth is safe/);
  // Impossible figures are said at their box, and nothing else is lost.
  await about.getByLabel('Grain is deep').fill('80');
  await refused(about.getByLabel('Grain is deep'), /^From [\d.]+ (ft )?to [\d.]+ ft/);
  await about.getByLabel('Grain is deep').fill('6');
  await expect(about.getByLabel('Moisture')).toHaveValue('26');

  // Its fan by two rows of the maker's table: one that does not fall is refused at the field.
  await about.getByRole('button', { name: 'Enter its fan' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('it moves only').fill('15,000');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await refused(sheet.getByLabel('it moves only'), 'A fan moves less against more pressure');
  await sheet.getByLabel('Against', { exact: true }).fill('0.2');
  await sheet.getByLabel('it moves', { exact: true }).fill('300');
  await sheet.getByLabel('Against more').fill('0.6');
  await sheet.getByLabel('it moves only').fill('80');
  // More rows of it lie between those two.
  await unfold(sheet, 'More rows between them');
  await sheet.getByLabel('Against, row 1').fill('0.4');
  await sheet.getByLabel('it moves, row 1').fill('320');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(told(sheet, 'Between the rows beside it')).toBeVisible();
  await sheet.getByLabel('it moves, row 1').fill('230');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(sheet).toBeHidden();
  await about.getByLabel('Grain is deep').fill('16');
  await expect(answer).toContainText('Only cools');

  // A stirred bin: with the stirrer standing beside it.
  await about.getByLabel('Bin', { exact: true }).selectOption({ label: 'Bin D, stirred' });
  await about.getByLabel('Moisture').fill('21');
  await expect(answer.getByRole('row').filter({ hasText: 'The stirrer stands' })).toBeVisible();
  await about.getByRole('button', { name: 'Change the fall' }).click();
  await page.getByRole('dialog').getByLabel('Humidity, day and night').fill('98');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await expect(about).toContainText('98 % day and night');
});

test('a bin is taped: a load booked to the wrong bin is found and corrected, and only a real difference restates the book', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Tape Bottom', 'TB', 90, 'corn');
  const bin = await addPlace(farm, 'Bin 81', 'bin', 12_000);
  const other = await addPlace(farm, 'Bin 82', 'bin', 12_000);
  const truck = await addPlace(farm, 'Truck 81', 'truck', 950);
  for (const place of [bin, other])
    await setUp(farm, 'binSetup', place, { diameter: 9.144, eave: 5.4864, hopper: 0, packFactor: 1.05, crop: 'corn' });
  await page.goto(`${OWN}/store/tape`);
  const seen = page.getByRole('region', { name: 'What is seen' });
  const said = page.getByRole('region', { name: 'What the tape says' });
  const read = async (): Promise<void> => {
    await seen.getByLabel('Bin', { exact: true }).selectOption({ label: 'Bin 81' });
    await seen.getByLabel('Moisture').fill('15');
    await seen.getByLabel('Down from the eave').fill('10');
  };
  await read();
  // 8 ft of corn in 30 ft: 4,544 bushels by volume, packed by 1.05.
  await expect(said).toContainText(/4,[6-9]\d\d\s*bu by tape/);
  const byTape = Number(/([\d,]+)\s*bu by tape/.exec(await said.innerText())![1]!.replace(',', ''));
  const at = (minutes: number): string => new Date(Date.now() - minutes * 60_000).toISOString();
  const cornBu = 56 * 0.45359237;
  await farm.post('entries', {
    entries: [
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: bin,
        wetKg: (byTape - 900) * cornBu,
        moisture: 0.15,
        at: at(90),
        method: 'cartScale',
      },
      {
        id: ulid(),
        type: 'harvest',
        lot: lotId,
        to: truck,
        wetKg: 900 * cornBu,
        moisture: 0.15,
        at: at(60),
        method: 'cartScale',
      },
      { id: ulid(), type: 'move', from: truck, to: other, at: at(50) },
    ],
  });
  await page.reload();
  await read();
  await expect(said).toContainText('900 bu more than the book');
  await expect(said).toContainText('If the book were right, the tape would read 11.');
  const loads = said.getByRole('region', { name: 'Loads that would explain it' });
  await expect(loads.getByRole('button')).toHaveCount(1);
  await loads.getByRole('button', { name: /to Bin 82\s*900 bu/ }).click();
  await page.getByRole('button', { name: 'Void and make again' }).click();
  await page.getByRole('dialog').getByLabel('To', { exact: true }).selectOption(bin);
  await page.getByRole('button', { name: 'Void the old one and record this' }).click();
  await expect(said).toContainText('The book agrees');
  await expect(said.getByRole('button', { name: /^Restate/ })).toBeHidden();
  // Impossible levels are said at the box; a core drawn is less; empty and swept restates when somebody says so.
  await seen.getByLabel('Down from the eave').fill('40');
  await refused(seen.getByLabel('Down from the eave'), /^From 0(\.0)? (ft )?to 18/);
  await seen.getByLabel('Down from the eave').fill('10');
  await pick(seen, 'core drawn');
  await expect(said).toContainText('less than the book');
  await pick(seen, 'empty, swept');
  await said.getByRole('button', { name: 'Restate the book to 0 bu' }).click();
  await expect(said).toContainText('The book agrees');
});

test('a night at the dryer by its control: samples and the run write themselves, drift is told, and out of grain is an alarm', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const dryer = await addPlace(farm, 'Dryer 91', 'dryer', 1400);
  await setUp(farm, 'dryerSetup', dryer, {
    type: 'continuous', bushelPointsPerHour: 2600, fuel: 'propane', fuelPrice: 1.8, fuelPerPointBushel: 0.02, kWhPerPointBushel: 0.01, powerPrice: 0.12, mostStep: 2, dryTo: 0.15, band: 0.005, coolsInBin: false,
  }); // prettier-ignore
  const { token } = await farm.post<{ token: string }>('devices', { name: 'Control 91', kind: 'dryer' });
  const link = new Link(OWN, token, 40);
  const { now } = await link.hello();
  const night = dryerNight({
    placeId: dryer, fromMs: Date.parse(now) - 5 * 3_600_000, hours: 5, moistureIn: [0.19, 0.23], dryTo: 0.15, bushelsPerHour: 500, seed: 3, starves: true,
  }); // prettier-ignore
  await link.send('dryer', { samples: night.slice(0, -1) });
  await page.goto(`${OWN}/dry`);
  const its = page.getByRole('region', { name: 'The dryer now' }).last();
  await expect(its).toContainText(/It comes out [\d.]+ points too wet/);
  const runs = page.getByRole('region', { name: 'Runs' }).last();
  await expect(runs).toContainText('to now');
  await expect(runs).toContainText('30 samples, Control 91');
  // The rest of the night, and the same once more: nothing doubles.
  await link.send('dryer', { samples: night.slice(-1) });
  await link.send('dryer', { samples: night.slice(-1) });
  await expect(its).toContainText('Out of grain');
  await expect(runs).not.toContainText('to now');
  await expect(runs).toContainText('31 samples, Control 91');
});
