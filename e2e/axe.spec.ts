import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { enterDemo, foreignUnit, PAGES, walkTo } from './pages';

/** Pages that one walk looks at: whoever came in for one need not come in again for the next. */
const AT_ONCE = 6;
// Each with a farm of its worker's: they may walk side by side.
test.describe.configure({ mode: 'parallel' });
for (let from = 0; from < PAGES.length; from += AT_ONCE) {
  const paths = PAGES.slice(from, from + AT_ONCE);
  test(`axe finds nothing serious in three themes, and all is in US units: ${paths.join(' ')}`, async ({ page }) => {
    test.setTimeout(60_000 + paths.length * 60_000);
    await enterDemo(page);
    for (const [i, path] of paths.entries()) {
      await walkTo(page, path);
      expect(await foreignUnit(page, 'us'), path).toBeNull();
      const check = async (theme: string, rules?: readonly string[]): Promise<void> => {
        await page.evaluate((name) => (document.documentElement.dataset.theme = name), theme);
        // What is right is not gathered up; no page has a frame: looked at in one go, without a second tab.
        const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode(true);
        if (rules) axe.withRules([...rules]);
        // The tape is looked at once.
        const { violations } = await (path === '/' ? axe : axe.exclude('aside')).analyze();
        const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
        expect(serious.map(({ id, nodes }) => `${path} ${theme} ${id}: ${nodes[0]?.html}`)).toEqual([]);
      };
      await check('day');
      // Nothing but the colors is another, and pages are made of the same parts: each in one theme more, by turns.
      const theme = (['glare', 'night'] as const)[(from + i) % 2]!;
      await check(theme, ['color-contrast']);
    }
  });
}
