import { expect, test } from '@playwright/test';
import { refused } from './pages';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, ownFarm, setUp } from './own-farm';

const BEAN_BU = 60 * 0.45359237;
/** Dry bushels at 13 %, as the contract counts them, in kg as they lie at 12 %. */
const kgOf = (bushels: number): number => (bushels * BEAN_BU * 0.87) / 0.88;

test('M12: the next load crosses the end of a contract; a late one comes first; bad dates are said at their box', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Contract Bottom', 'CTX', 400, 'soybean');
  const mill = await addPlace(farm, 'Mill 12', 'buyer');
  const truck = await addPlace(farm, 'Truck 12', 'truck', 1200);
  const window = {
    tooDryBelow: 0.1, bestFrom: 0.115, bestTo: 0.13, refuseAbove: 0.14, price: 10.05, shrinkPerPoint: 1.4, dockPerPoint: 0.05,
  }; // prettier-ignore
  await setUp(farm, 'cuttingWindow', `soybean@${mill}`, window);
  const at = (minutes: number): string => new Date(Date.now() - minutes * 60_000).toISOString();
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: truck, wetKg: kgOf(9483.5), moisture: 0.12, at: at(300) },
      {
        id: ulid(),
        type: 'move',
        from: truck,
        to: mill,
        at: at(200),
        ticket: 'T-1',
        method: 'ticket',
        wetKg: kgOf(9483.5),
      },
      { id: ulid(), type: 'harvest', lot: lotId, to: truck, wetKg: kgOf(949.6), moisture: 0.12, at: at(60) },
    ],
  });
  await page.goto(`${OWN}/sell/contracts`);
  await page.getByRole('button', { name: 'Add a contract' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('Number').fill('118');
  await drawer.getByLabel('Buyer').selectOption(mill);
  await drawer.getByLabel('Crop').selectOption('soybean');
  await drawer.getByLabel('Bushels', { exact: true }).fill('10,000');
  const day = (days: number): string => {
    const on = new Date(Date.now() + days * 86_400_000);
    return `${on.getMonth() + 1}/${on.getDate()}/${on.getFullYear()}`;
  };
  await drawer.getByLabel('Delivered from', { exact: true }).fill(day(40));
  await drawer.getByLabel('until', { exact: true }).fill(day(30));
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(drawer).toContainText('This part is missing');
  await drawer.getByLabel('Price', { exact: true }).fill('10.62');
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(drawer).toContainText('It ends before it begins');
  await drawer.getByLabel('Delivered from', { exact: true }).fill(day(-20));
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  const contracts = page.getByRole('list', { name: 'All contracts' });
  await expect(contracts).toContainText(/118\s*Mill 12, beans/);
  await expect(contracts).toContainText(/9,48[34] bu of 10,000 bu delivered, 51[67] bu left/);
  // The truck, before it leaves.
  await page.goto(`${OWN}/sell/next`);
  const next = page.getByRole('region', { name: 'The next load' });
  await expect(next).toBeVisible();
  // Another walk’s trucks may stand there loaded too.
  const ours = page
    .getByRole('region', { name: 'The load', exact: true })
    .getByRole('radio', { name: 'Truck 12', exact: true });
  if (await ours.isVisible()) await ours.press(' ');
  await expect(next.getByRole('table', { name: 'By buyer' })).toContainText(/Mill 12\s*118, by .*\$9,837\.89/);
  await expect(next).toContainText('To Mill 12 it crosses the end of 118: 516.5');
  await expect(next).toContainText(/433\.1\d? bu over/);
  await expect(next).toContainText('$9,837.89');
  await expect(next).toContainText('$10,084.75');
  await expect(next).toContainText('$246.87 depend on his rule');
  await expect(next).toContainText('Load 517 bu only');
  // A pit that takes hopper bottoms only, and a truck that is an end dump: said before it leaves.
  await page.goto(`${OWN}/sell/buyers`);
  await page.getByRole('listitem').filter({ hasText: 'Mill 12' }).getByRole('button', { name: 'Hours and whom to call' }).click(); // prettier-ignore
  const kinds = ['hopper bottoms', 'end dumps', 'side dumps', 'live floors', 'gravity wagons'];
  for (const kind of kinds) await drawer.getByRole('checkbox', { name: kind }).click();
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(drawer).toContainText('choose one at least');
  await drawer.getByRole('checkbox', { name: 'hopper bottoms' }).click();
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(drawer).toBeHidden();
  await expect(page.getByRole('main')).toContainText('Takes hopper bottoms only.');
  const axles = [{ at: 0, share: 0.2 }, { at: 5, share: 0.8 }]; // prettier-ignore
  await setUp(farm, 'truckSetup', truck, { combination: 'Truck 12', body: 'endDump', axles, singleLb: 20_000, tandemLb: 34_000, grossLb: 80_000 }); // prettier-ignore
  await page.goto(`${OWN}/sell/next`);
  await expect(next).toContainText('No buyer takes this truck');
  await expect(next.getByRole('table', { name: 'By buyer' })).toContainText('does not take this truck');
  // A window that is over with bushels missing comes before everything.
  await page.goto(`${OWN}/sell/contracts`);
  await contracts.getByRole('button', { name: /^118/ }).click();
  await drawer.getByLabel('until', { exact: true }).fill(day(-2));
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('region', { name: 'Contracts' })).toContainText(/51[67]\s*bu missing/);
});

test('M14: a pile against harvest and against the elevator, to the cent, with the price it needs', async ({ page }) => {
  await ownFarm(page);
  await page.goto(`${OWN}/sell/hold`);
  const asked = page.getByRole('region', { name: 'What is compared' });
  const answer = page.getByRole('region', { name: 'Hold or sell' });
  await asked.getByRole('radio', { name: 'A pile', exact: true }).first().press(' ');
  await asked.getByLabel('Bushels', { exact: true }).fill('40,000');
  await asked.getByLabel('Price at harvest').fill('4.85');
  await asked.getByLabel('Interest a year').fill('8');
  await asked.getByLabel('A pile: price then').fill('5.62');
  await asked.getByLabel('A pile: months').fill('3');
  await asked.getByLabel('A pile: lost').fill('0.8');
  await asked.getByLabel('A pile: storage a month').fill('0');
  await asked.getByLabel('A pile: in and out').fill('0');
  // Fuel 240 gal × $3.60, three people × 26 h × $24, the tarp.
  await asked.getByLabel('A pile: costs once').fill('4636');
  await expect(answer).toContainText('$214,485.60');
  await expect(answer).toContainText(/\$20,486\s*more/);
  await expect(answer).toContainText('$5.10 a bushel');
  // Against storing at the elevator, under the same interest.
  await asked.getByRole('radio', { name: 'Elevator storage', exact: true }).last().press(' ');
  await asked.getByLabel('Elevator storage: price then').fill('5.62');
  await asked.getByLabel('Elevator storage: months').fill('3');
  await asked.getByLabel('Elevator storage: lost').fill('0');
  await asked.getByLabel('Elevator storage: storage a month').fill('0.055');
  await asked.getByLabel('Elevator storage: in and out').fill('0');
  await expect(answer).toContainText('$214,320.00');
  await expect(answer).toContainText(/\$166\s*more/);
  // What does not fit is said at its box.
  await asked.getByLabel('Interest a year').fill('90');
  await refused(asked.getByLabel('Interest a year'), /^From 0(\.0)? to 50/);
});

test('where it brings most: road and dock against the highest bid, and who refuses it as wet as it is', async ({
  page,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Road Bottom', 'RDX', 80, 'sorghum');
  const [near, far] = [await addPlace(farm, 'Near 31', 'buyer'), await addPlace(farm, 'Far 31', 'buyer')];
  const bin = await addPlace(farm, 'Bin 31', 'bin', 9000);
  await addPlace(farm, 'Truck 131', 'truck', 900);
  const window = (price: number, refuseAbove: number) => ({
    tooDryBelow: 0.1, bestFrom: 0.12, bestTo: 0.14, refuseAbove, price, shrinkPerPoint: 1.4, dockPerPoint: 0.03,
  }); // prettier-ignore
  await setUp(farm, 'cuttingWindow', `sorghum@${near}`, window(4.4, 0.2));
  await setUp(farm, 'cuttingWindow', `sorghum@${far}`, window(4.46, 0.16));
  const kept = await farm.get<{ settings: { haulTimes: { farm?: { revision: number; value: object } } } }>(
    'haul/records',
  );
  await farm.put('haul/haul-times/farm', {
    revision: kept.settings.haulTimes.farm?.revision ?? 0,
    value: {
      ...{
        roadMin: {},
        loadMin: 6,
        tarpMin: 3,
        unloadMin: 11,
        othersPerHour: 0,
        lidsCloseBu: 300,
        truckCostPerHour: 90,
      },
      ...kept.settings.haulTimes.farm?.value,
      roadMin: { [near]: 20, [far]: 60 },
    },
  });
  await farm.post('entries', {
    entries: [
      { id: ulid(), type: 'harvest', lot: lotId, to: bin, wetKg: 5000 * 56 * 0.45359237, moisture: 0.14, at: new Date().toISOString() },
    ],
  }); // prettier-ignore
  await page.goto(`${OWN}/sell/where`);
  const asked = page.getByRole('region', { name: 'What is asked about' });
  await asked.getByLabel('Grain in').selectOption(bin);
  await asked.getByLabel('A load').fill('900');
  const answer = page.getByRole('region', { name: 'Where it brings most' });
  await expect(answer).toContainText('Near 31');
  await expect(answer).toContainText('The highest bid is not the best');
  await expect(answer.getByRole('table', { name: 'By buyer' })).toContainText('the highest');
  // As wet as that the far one refuses it.
  await asked.getByLabel('Moisture').fill('17');
  await expect(answer).toContainText('refuses it: too wet');
  await asked.getByLabel('Moisture').fill('30');
  await expect(answer).toContainText('No buyer takes it');
});
