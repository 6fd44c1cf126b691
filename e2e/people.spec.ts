import { execFile } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { refused, shows, told } from './pages';
import { EN } from '../apps/web/src/words/en';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, ownFarm, setUp } from './own-farm';

test('somebody is invited by a link, records under his own name, and is removed', async ({ page, browser }) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'People Bottom', 'PB1', 40, 'corn');
  const cart = await addPlace(farm, 'People cart', 'cart', 900);
  await page.goto(`${OWN}/settings`);
  await page.getByRole('button', { name: 'Invite somebody' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('For whom').fill('Ruiz, truck 3');
  await drawer.getByRole('button', { name: 'Make the link' }).click();
  const link = await drawer.getByLabel('The link, shown this once:').innerText();
  await expect(drawer.getByRole('img', { name: 'The same for a phone’s camera' })).toBeVisible();
  await page.keyboard.press('Escape');

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const his = await phone.newPage();
  await his.goto(link);
  await shows(his, 'Records: drives, weighs, dries, hauls');
  await his.getByLabel('Your name').fill('Ruiz');
  await his.getByLabel('Mail address').fill('ruiz@example.invalid');
  await his.getByLabel('Password').fill('short');
  await his.getByRole('button', { name: 'Come in' }).click();
  await refused(his.getByLabel('Password'), 'The password needs 12 characters or more');
  await his.getByLabel('Password').fill('a long enough one');
  await his.getByRole('button', { name: 'Come in' }).click();
  await expect(his.getByRole('heading', { level: 1, name: 'Today' })).toBeAttached();
  const id = ulid();
  const entry = { id, type: 'harvest', lot: lotId, to: cart, wetKg: 5000, moisture: 0.16, at: new Date().toISOString() }; // prettier-ignore
  const sent = await his.request.post(`${OWN}/api/farms/${farm.id}/entries`, { headers: { Origin: OWN }, data: { entries: [entry] } }); // prettier-ignore
  expect(sent.ok()).toBe(true);
  expect((await farm.get<{ entry: { by: string } }>(`entries/${id}`)).entry.by).toBe('Ruiz');
  await his.goto(`${OWN}/settings/account`);
  await expect(his.getByRole('list', { name: 'Sessions' })).toContainText('this one');
  await his.goto(link);
  await expect(his.getByRole('heading', { name: 'This link opens nothing' })).toBeVisible();

  await page.reload();
  const ruiz = page.getByRole('list', { name: 'Members' }).getByRole('listitem').filter({ hasText: 'ruiz@example.invalid' }); // prettier-ignore
  await expect(ruiz).toContainText('operator');
  await ruiz.getByRole('button', { name: 'Change' }).click();
  await ruiz.getByRole('button', { name: 'Remove' }).click();
  await ruiz.getByRole('button', { name: 'Yes, remove Ruiz' }).click();
  await expect(ruiz).toBeHidden();
  await his.goto(`${OWN}/`);
  await expect(told(his, 'not a member of any farm')).toBeVisible();
  await phone.close();
  await page.goto(`${OWN}/settings/changes`);
  await expect(page.getByRole('table', { name: 'Who changed what' })).toContainText('members/invites');
});

test('a program follows new entries with a token, until it is revoked', async ({ page }) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Token Bottom', 'TB1', 40, 'corn');
  const cart = await addPlace(farm, 'Token cart', 'cart', 900);
  await page.goto(`${OWN}/settings/programs`);
  await page.getByRole('button', { name: 'Make a token' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('What it is for').fill('spreadsheet');
  await drawer.getByRole('button', { name: 'Make it' }).click();
  const token = await drawer.getByLabel('Its token, shown this once:').innerText();
  await page.keyboard.press('Escape');
  const id = ulid();
  const followed = new Promise<string>((done, failed) => {
    const child = execFile('node', ['examples/follow.mjs', OWN, farm.id, token, '1'], (error, stdout) => (error ? failed(error) : done(stdout))); // prettier-ignore
    // Once it follows, something comes.
    child.stderr!.on('data', (text: string) => {
      if (text.includes('following'))
        void farm.post('entries', { entries: [{ id, type: 'harvest', lot: lotId, to: cart, wetKg: 4000, moisture: 0.16, at: new Date().toISOString() }] }); // prettier-ignore
    });
  });
  expect(JSON.parse(await followed)).toMatchObject({ id, type: 'harvest', wetKg: 4000 });
  const line = page.getByRole('list', { name: 'Tokens' }).getByRole('listitem').filter({ hasText: 'spreadsheet' });
  await line.getByRole('button', { name: 'Revoke' }).click();
  await expect(line).toContainText('revoked');
  const refused = await page.request.get(`${OWN}/api/farms/${farm.id}/now`, { headers: { Authorization: `Bearer ${token}` } }); // prettier-ignore
  expect(refused.status()).toBe(401);
});

test('a hired driver’s phone is paired by a link, records its truck without a signal, and is cut off', async ({
  page,
  browser,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Paired Bottom', 'PD1', 40, 'corn');
  // The fullest cart is offered first: other walks leave carts on this farm.
  const cart = await addPlace(farm, 'Paired cart', 'cart', 3000);
  const truck = await addPlace(farm, 'Paired truck', 'truck', 3000);
  const at = (): string => new Date().toISOString();
  const cut = { id: ulid(), type: 'harvest', lot: lotId, to: cart, wetKg: 60_000, moisture: 0.16, at: at() };
  await farm.post('entries', { entries: [cut] });
  await page.goto(`${OWN}/settings`);
  await page.getByRole('button', { name: 'Pair a phone' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('It records').selectOption({ label: 'Paired truck' });
  await expect(drawer.getByLabel('The phone is called')).toHaveValue('Paired truck’s phone');
  await drawer.getByRole('button', { name: 'Make the link' }).click();
  const link = await drawer.getByLabel('Open it on that phone').innerText();
  await page.keyboard.press('Escape');

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, serviceWorkers: 'allow' }); // prettier-ignore
  const his = await phone.newPage();
  await his.goto(link);
  await expect(his.getByRole('heading', { name: 'Paired truck’s phone' })).toBeVisible();
  await his.getByRole('button', { name: 'Start' }).click();
  await expect(his.getByLabel(EN.yourName)).toBeVisible();
  await his.getByLabel('Your name').fill('Ana');
  await his.getByRole('button', { name: 'Start' }).click();
  await expect(his.getByRole('heading', { level: 1, name: 'Cab: Paired truck' })).toBeAttached();
  await his.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await his.reload();
  await expect.poll(() => his.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  // Wherever it goes it is in its cab, and nothing of the office is answered.
  await his.goto(`${OWN}/sell`);
  await expect(his.getByRole('heading', { level: 1, name: 'Cab: Paired truck' })).toBeAttached();
  expect((await his.request.get(`${OWN}/api/farms/${farm.id}/sell/records`)).status()).toBe(403);
  await his.getByRole('button', { name: 'Not the usual' }).click();
  await expect(his.getByRole('dialog').getByRole('button', { name: 'Filled up elsewhere' })).toBeVisible();
  await expect(his.getByRole('dialog').getByRole('button', { name: 'Something else' })).toHaveCount(0);
  await his.keyboard.press('Escape');

  await phone.setOffline(true);
  await his.reload();
  await his.getByRole('button', { name: /^Paired cart → Paired truck/ }).click();
  await expect(his.getByRole('region', { name: 'In it now' })).not.toContainText('empty');
  // It is not given back while a load waits here.
  await his.getByRole('button', { name: /Ana, change/ }).click();
  await expect(told(his, 'Not yet: 1 wait here for a signal')).toBeVisible();
  await his.getByRole('button', { name: 'Go on' }).click();
  await phone.setOffline(false);
  await expect.poll(async () => (await farm.get<{ tape: { entry: { by?: string; to?: string } }[] }>('now')).tape.find(({ entry }) => entry.to === truck)?.entry.by).toBe('Ana (on Paired truck’s phone)'); // prettier-ignore

  await page.reload();
  const line = page.getByRole('list', { name: 'Phones and tablets' }).getByRole('listitem').filter({ hasText: 'Paired truck’s phone' }); // prettier-ignore
  await expect(line).toContainText('with Ana');
  await line.getByRole('button', { name: 'Cut it off' }).click();
  await line.getByRole('button', { name: 'Yes, cut off Paired truck’s phone' }).click();
  await expect(line).toContainText('cut off');
  await his.reload();
  await expect(told(his, 'Paired truck’s phone was cut off')).toBeVisible();
  await his.goto(link);
  await expect(his.getByRole('heading', { name: 'This link opens nothing' })).toBeVisible();
  await phone.close();
});

test('the other family of a shared bin site sees its grain by a link, and keeps it among its own bins', async ({
  page,
  browser,
}) => {
  const farm = await ownFarm(page);
  const { lotId } = await addField(farm, 'Shared Bottom', 'SB1', 40, 'corn');
  const bin = await addPlace(farm, 'Shared bin', 'bin', 9000);
  const shares = [{ owner: farm.name, part: 0.5 }, { owner: 'Willow Bend', part: 0.5 }]; // prettier-ignore
  await farm.post('revisions', { id: ulid(), reason: 'shared', change: { what: 'shares', lot: lotId, shares } });
  const bu = 25.40117272;
  await farm.post('entries', { entries: [{ id: ulid(), type: 'harvest', lot: lotId, to: bin, wetKg: 1000 * bu, moisture: 0.15, at: new Date().toISOString() }] }); // prettier-ignore
  await page.goto(`${OWN}/settings`);
  await page.getByRole('button', { name: 'Give a link' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('Whose grain').selectOption('Willow Bend');
  await drawer.getByLabel('For whom').fill('Iwona');
  await drawer.getByRole('button', { name: 'Make the link' }).click();
  const link = await drawer.getByLabel('The link, shown this once:').innerText();
  await page.keyboard.press('Escape');

  const elsewhere = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const hers = await elsewhere.newPage();
  await hers.goto(link);
  await expect(hers.getByRole('heading', { level: 1 })).toContainText(`Willow Bend: your grain at ${farm.name}`);
  await expect(hers.getByRole('main')).toContainText('500 bu corn');
  await expect(hers.getByRole('button', { name: /Store$/ })).toHaveCount(0);
  await expect.poll(() => hers.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await elsewhere.close();

  // The same person has a farm of her own here: there it stands beside her own bins.
  await page.goto(`${OWN}/settings/account`);
  await page.getByRole('button', { name: 'Begin another farm' }).click();
  await drawer.getByLabel('Name of the farm').fill('Willow Bend');
  await drawer.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('heading', { name: 'What stands on the farm?' })).toBeVisible();
  await page.goto(link);
  await page.getByRole('button', { name: 'Show it in Willow Bend’s Store' }).click();
  const kept = page.getByRole('region', { name: 'Yours in other farms’ bins' });
  await expect(kept).toContainText('500 bu corn');
  await expect(kept).toContainText('Shared bin');
  await kept.getByRole('button', { name: 'Show it no more' }).click();
  await kept.getByRole('button', { name: /^Yes, show/ }).click();
  await expect(kept).toHaveCount(0);
});

test('what a farm adds to a caution stands behind it where the hazard is met', async ({ page }) => {
  const farm = await ownFarm(page);
  const bin = await addPlace(farm, 'Caution bin', 'bin');
  await setUp(farm, 'binSetup', bin, { diameter: 9, eave: 6, hopper: 0 });
  await page.goto(`${OWN}/settings/farm`);
  await page.getByRole('button', { name: 'Your words: Bins' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByLabel('On this farm').fill('Lockout at the gray panel by bin C.');
  await drawer.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('region', { name: 'Safety, in your own words' })).toContainText('gray panel');
  await page.goto(`${OWN}/store/tape?bin=${bin}`);
  const caution = page.getByRole('complementary', { name: 'Caution: Bins' });
  await expect(caution).toContainText('going in is the last resort');
  await expect(caution).toContainText('On this farm: Lockout at the gray panel by bin C.');
});
