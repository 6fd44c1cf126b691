import { expect, type Locator, type Page } from '@playwright/test';

export const DEMO = process.env.FANEGA_E2E_DEMO ?? '';
export const EMPTY = process.env.FANEGA_E2E_EMPTY ?? '';

/** Walks into the demo farm as a newcomer does. */
export async function enterDemo(page: Page, address = DEMO): Promise<void> {
  await page.goto(address);
  await page.getByRole('button', { name: 'Walk into the demo farm' }).click();
  await expect(page.getByRole('navigation', { name: 'The way of the grain' })).toBeVisible();
}

export const tape = (page: Page): Locator => page.getByRole('list', { name: 'Latest entries' }).getByRole('listitem');

export interface Typed {
  readonly what: 'Cut' | 'Load' | 'Dry' | 'Level' | 'Spill';
  readonly Field?: string;
  readonly From?: string;
  readonly To?: string;
  readonly Place?: string;
  readonly amount?: 'All of it' | 'Net' | 'Gross and tare';
  readonly Weight?: string;
  readonly Gross?: string;
  readonly Tare?: string;
  readonly moisture?: string;
  readonly ticket?: string;
}

/** Chooses the option whose words begin with the name. */
async function choose(box: Locator, name: string): Promise<void> {
  const value = await box
    .locator('option')
    .filter({ hasText: new RegExp(`^${name}`) })
    .first()
    .getAttribute('value');
  await box.selectOption(value);
}

/** Fills the record sheet as a person does and sends it. */
export async function record(page: Page, typed: Typed): Promise<void> {
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByText(typed.what, { exact: true }).click();
  for (const label of ['Field', 'From', 'To', 'Place'] as const) {
    const name = typed[label];
    if (name) await choose(sheet.getByLabel(label, { exact: true }), name);
  }
  if (typed.amount) await sheet.getByText(typed.amount, { exact: true }).click();
  for (const label of ['Weight', 'Gross', 'Tare'] as const) {
    const text = typed[label];
    if (text) await sheet.getByLabel(label, { exact: true }).fill(text);
  }
  if (typed.moisture) await sheet.getByLabel(/^Moisture/).fill(typed.moisture);
  if (typed.ticket) await sheet.getByLabel('Ticket number').fill(typed.ticket);
  await sheet.getByRole('button', { name: 'Record it' }).click();
  await expect(sheet).toBeHidden();
}
