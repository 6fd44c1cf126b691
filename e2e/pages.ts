import { expect, type Locator, type Page } from '@playwright/test';
import { EN } from '../apps/web/src/words/en';

/** Of several addresses the one of this worker: what one walk does, another beside it must not meet. */
export const ofThisWorker = (addresses = ''): string => {
  const each = addresses.split(' ');
  return each[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % each.length]!;
};
export const DEMO = ofThisWorker(process.env.FANEGA_E2E_DEMO);
export const EMPTY = process.env.FANEGA_E2E_EMPTY ?? '';
/** What a first run asks for. */
export const SET_UP_CODE = process.env.FANEGA_E2E_CODE ?? '';

/** Every page of the program, over the demo farm. */
export const PAGES = [
  '/',
  '/fields',
  '/fields/lot-wr-2026',
  '/fields/next',
  '/cut',
  '/cut/settings',
  '/cut/loss',
  '/cut/monitor',
  '/cut/strips',
  '/cut/wear',
  '/cut/heads',
  '/cut/switch',
  '/cut/loads',
  '/haul',
  '/haul/last-load',
  '/haul/moves',
  '/haul/trucks',
  '/haul/scales',
  '/haul/legal',
  '/haul/weights',
  '/cab',
  '/dry',
  '/dry/keeps',
  '/dry/deadlines',
  '/dry/bin',
  '/dry/cost',
  '/dry/down',
  '/store/routes',
  '/store/air',
  '/store/piles',
  '/store/blend',
  '/store/rest',
  '/store/tape',
  '/store',
  '/store/bin-a',
  '/sell',
  '/sell/next',
  '/sell/where',
  '/sell/position',
  '/sell/contracts',
  '/sell/settle',
  '/sell/buyers',
  '/sell/hold',
  '/trace',
  '/trace/day',
  '/trace/year',
  '/trace/years',
  '/trace/owners',
  '/trace/insurance',
  '/trace/data',
  '/trace/book',
  '/trace/lot/lot-hs-2026',
  '/trace/place/bin-d',
  '/settings',
  '/settings/farm',
  '/settings/prices',
  '/settings/account',
  '/settings/programs',
  '/settings/changes',
  '/start',
  '/start/bins',
  '/shed',
  '/shed/flex-35',
  '/shed/combine-2',
  '/shed/combine-2/changeover',
  '/shed/breakdowns',
  '/shed/crew',
  '/shed/devices',
] as const;

/** Opens a page and waits until nothing of it is on its way any more. */
export async function openPage(page: Page, path: string, address = DEMO): Promise<void> {
  await page.goto(address + path);
  await settled(page);
}

async function settled(page: Page): Promise<void> {
  await expect(page.locator('main h1').first()).toBeAttached();
  await expect(page.locator('.animate-spin')).toHaveCount(0);
  await expect(page.getByRole('progressbar')).toHaveCount(0);
}

/** Goes on to another page as a link does, without loading the program again; waits as `openPage` does. */
export async function walkTo(page: Page, path: string): Promise<void> {
  const inFrame = page.locator('#station');
  // The cab has no frame to go on from or into.
  if (path === '/cab' || (await inFrame.count()) === 0) return openPage(page, path);
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, path);
  await expect(inFrame).toHaveAttribute('data-page', path);
  await settled(page);
}

/** Finds a thing to do by typing, once the finder listens. */
export async function find(page: Page, words: string): Promise<void> {
  await page.keyboard.press('/');
  const box = page.getByPlaceholder('A field, a bin, a ticket');
  await expect(box).toBeFocused();
  await box.pressSequentially(words);
  // The finder has come to what was typed: Enter takes what is marked.
  const marked = page.getByRole('option', { selected: true });
  await expect(marked).toContainText(new RegExp(`^\\s*${words.split(' ')[0]!}`, 'i'));
  await page.keyboard.press('Enter');
}

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
  /** How long it may take until it is in the book or in the queue, ms. */
  readonly within?: number;
}

/** Takes one of a few choices side by side, as the keyboard does. */
export async function pick(scope: Locator | Page, name: string): Promise<void> {
  const choice = scope.getByRole('radio', { name, exact: true });
  await choice.focus();
  await choice.press(' ');
  await expect(choice).toBeChecked();
}

/** Opens or closes what stands behind a line. */
export const unfold = (scope: Locator | Page, name: string | RegExp): Promise<void> =>
  scope.locator('summary').filter({ hasText: name }).click();

/** A box is refused at its place: it is marked, and told why. */
export async function refused(box: Locator, why: string | RegExp): Promise<void> {
  await expect(box).toHaveAttribute('aria-invalid', 'true');
  const words = typeof why === 'string' ? new RegExp(why.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), 'i') : why;
  await expect(box).toHaveAccessibleDescription(words);
}

/** Words that stand in a part of the page, or in its main part, for everybody to see. */
export const shows = (where: Locator | Page, words: string | RegExp): Promise<void> =>
  expect('goto' in where ? where.getByRole('main') : where).toContainText(words, { useInnerText: true });

/** The bar says that nothing is missing. */
export const balances = (page: Page): Promise<void> =>
  expect(page.getByRole('link', { name: /^Book balances/ })).toBeVisible();

/** What was done is told at the edge of the screen. */
export const toasted = (page: Page, words: string | RegExp): Promise<void> =>
  expect(page.getByRole('region', { name: /Notifications/ }).getByRole('listitem').filter({ hasText: words }).first()).toBeVisible(); // prettier-ignore

/** The line is down, in the words of the cab. */
export const OFFLINE = new RegExp(EN.offline.split('{')[0]!);

/** What the page itself tells without being asked: refusals, what was kept, what is wrong with the line. */
export const told = (scope: Locator | Page, words: string | RegExp): Locator =>
  scope.getByRole('alert').or(scope.getByRole('status')).filter({ hasText: words }).first();

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
  await pick(sheet, typed.what);
  for (const label of ['Field', 'From', 'To', 'Place'] as const) {
    const name = typed[label];
    if (name) await choose(sheet.getByLabel(label, { exact: true }), name);
  }
  if (typed.amount) await pick(sheet, typed.amount);
  for (const label of ['Weight', 'Gross', 'Tare'] as const) {
    const text = typed[label];
    if (text) await sheet.getByLabel(label, { exact: true }).fill(text);
  }
  if (typed.moisture) await sheet.getByLabel(/^Moisture/).fill(typed.moisture);
  if (typed.ticket) await sheet.getByLabel('Ticket number').fill(typed.ticket);
  await sheet.getByRole('button', { name: 'Record it' }).click();
  await expect(sheet).toBeHidden(typed.within === undefined ? {} : { timeout: typed.within });
}

/** Minute of the day of a time on the screen, "6:26 pm". */
export function minuteOf(text: string): number {
  const [, hours, minutes, half] = /(\d+):(\d\d) ([ap])m/.exec(text)!;
  return ((Number(hours) % 12) + (half === 'p' ? 12 : 0)) * 60 + Number(minutes);
}

/** Units of one system that stand behind a figure, or head a column. */
const US = /(?:\d |, |\(|^)(bu|lb|ac|mph|ft|mi|lb\/bu|bu\/ac|bu\/h|ac\/h|lb\/s|\$\/bu|°F|gal)(?![\w/'’])/m;
const METRIC = /(?:\d |, |\(|^)(t|kg|ha|km|cm|t\/ha|kg\/ha|t\/h|ha\/h|kg\/s|kg\/hl|\$\/t|°C|L)(?![\w/'’])/m;

/** What a page says, and what its boxes are typed in; names and notes that people wrote are theirs. */
const saidOn = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const words = document.body.innerText;
    const drawn = [...document.querySelectorAll('svg text, [aria-label]')].map(
      (one) => one.getAttribute('aria-label') ?? one.textContent ?? '',
    );
    return [words, ...drawn].join('\n');
  });

/** A machine's book, a display and a ticket on paper say what they say. */
// Where the farm's units are chosen, both are named.
const THEIRS = [/Flex platform, \d+ ft/g, /Row head, \d+ at \d+ in/g, /US: bu, ac, ft, °F/g, /metric: t, ha, m, °C/g];

/** Where a page says a unit of a system that is not read; null where it does not. */
export async function foreignUnit(page: Page, read: 'us' | 'metric'): Promise<string | null> {
  const text = THEIRS.reduce((words, theirs) => words.replace(theirs, ''), await saidOn(page));
  const hit = (read === 'us' ? METRIC : US).exec(text);
  return hit && `…${text.slice(Math.max(0, hit.index - 60), hit.index + 40).replace(/\n/g, ' | ')}…`;
}
