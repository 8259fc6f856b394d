import { formerNamesIn } from '../scripts/formerNames.mjs';
import type { Page } from '@playwright/test';
import { byTab, expectNoViolations, sideways, tooSmall } from './seen.js';
import { expect, test } from './support.js';
import { VIEWS } from './views.js';

/** A large screen, and half of one, where the margin folds into a drawer; a laptop is what a view is opened on. */
const WIDTHS = [1680, 960];

/** A teacher's phone, and the narrowest that there are. */
const PHONE = { width: 390, height: 844 };
const NARROW = 320;

/** Dark as it comes, then light: within the rules, pressed by a thumb, and nothing to scroll sideways. */
async function onPhones(page: Page): Promise<void> {
  await page.setViewportSize(PHONE);
  await expect.poll(() => sideways(page), 'on a phone').toBe(0);
  expect(await tooSmall(page)).toEqual([]);
  await expectNoViolations(page);
  await page.emulateMedia({ colorScheme: 'light' });
  await expectNoViolations(page, 'colours');
  await page.setViewportSize({ width: NARROW, height: 700 });
  await expect.poll(() => sideways(page), `at ${NARROW} pixels`).toBe(0);
}

for (const { path, shows, tab, who } of VIEWS)
  test(`${tab}: named, within the rules of accessibility in both themes and at each width, worked by Tab`, async ({
    shown,
  }) => {
    const page = await shown.open(who, { colorScheme: 'light', reducedMotion: 'reduce' });
    await page.goto(shown.url + path(shown));
    await expect(page.getByRole('heading', { name: shows }).first()).toBeVisible();
    await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);

    const words = await page.locator('body').innerText();
    expect(formerNamesIn(words)).toEqual([]);
    expect(words).not.toContain('participant');
    await expect(page).toHaveTitle(`${tab} · Glen`);
    await expect(page.locator('h1')).toHaveCount(1);
    expect(await sideways(page)).toBe(0);
    await expectNoViolations(page);
    expect(await byTab(page)).toEqual({ missed: [], unmarked: [] });

    await page.emulateMedia({ colorScheme: 'dark' });
    await expectNoViolations(page, 'colours');
    for (const width of WIDTHS) {
      await page.setViewportSize({ width, height: 800 });
      // What is drawn to the width of the window follows it a moment later.
      await expect.poll(() => sideways(page), `at ${width} pixels`).toBe(0);
    }
    await expectNoViolations(page, 'but-colours');
    await onPhones(page);
    await page.context().close();
  });
