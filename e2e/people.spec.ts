import { execFile } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { ulid } from 'ulid';
import { addField, addPlace, OWN, ownFarm } from './own-farm';

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
  await expect(his.getByText('Records: drives, weighs, dries, hauls')).toBeVisible();
  await his.getByLabel('Your name').fill('Ruiz');
  await his.getByLabel('Mail address').fill('ruiz@example.invalid');
  await his.getByLabel('Password').fill('short');
  await his.getByRole('button', { name: 'Come in' }).click();
  await expect(his.getByText('The password needs 10 characters or more').first()).toBeVisible();
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
  await expect(his.getByText('not a member of any farm')).toBeVisible();
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
