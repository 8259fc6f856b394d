import { test, expect } from '@playwright/test';
import { serveParts } from '../scripts/parts.mjs';
import { byTab, expectNoViolations, sideways } from './seen.js';

let parts: Awaited<ReturnType<typeof serveParts>>;

test.beforeAll(async () => {
  parts = await serveParts();
});
test.afterAll(() => parts.stop());

for (const colorScheme of ['light', 'dark'] as const)
  test(`each part in its states: within the rules of accessibility, worked by Tab, ${colorScheme}`, async ({
    browser,
  }) => {
    const context = await browser.newContext({ colorScheme, reducedMotion: 'reduce' });
    const page = await context.newPage();
    await page.goto(parts.url);
    await expect(page.getByRole('region', { name: 'States of a list or a screen' })).toBeVisible();
    await expectNoViolations(page);
    expect(await byTab(page)).toEqual({ missed: [], unmarked: [] });
    for (const width of [960, 390]) {
      await page.setViewportSize({ width, height: 844 });
      expect({ width, over: await sideways(page) }).toEqual({ width, over: 0 });
    }
    await context.close();
  });

test('a time and a date are read as they are typed, or taken from the bells and the month', async ({
  page,
}) => {
  await page.goto(parts.url);
  const time = page.getByLabel('Time, day first, 24 hours');
  for (const [typed, shown] of [
    ['9', '09:00'],
    ['0915', '09:15'],
    ['2:15pm', '14:15'],
  ] as const) {
    await time.fill(typed);
    await time.press('Enter');
    await expect(time).toHaveValue(shown);
  }
  // What cannot be read stays, and is said.
  await time.fill('soon');
  await time.blur();
  await expect(time).toHaveValue('soon');
  await expect(time).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByText('No time; write it like 9:15.').first()).toBeVisible();
  await time.press('ArrowDown');
  await page.getByRole('menuitem', { name: '09:30 1 ends' }).click();
  await expect(time).toHaveValue('09:30');

  const other = page.getByLabel('Time, month first, twice 12 hours');
  await other.fill('14:05');
  await other.blur();
  await expect(other).toHaveValue('2:05 pm');

  const day = page.getByLabel('Day, day first, 24 hours');
  await day.fill('3/11');
  await day.blur();
  await expect(day).toHaveValue('Tue 3 Nov 2026');
  const americans = page.getByLabel('Day, month first, twice 12 hours');
  await americans.fill('3/11');
  await americans.blur();
  await expect(americans).toHaveValue('Thu Mar 11, 2027');
  await page.getByRole('button', { name: 'Month' }).first().click();
  await page.getByRole('button', { name: /November 20/ }).click();
  await expect(day).toHaveValue('Fri 20 Nov 2026');
});
