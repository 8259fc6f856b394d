import type { Locator, Page } from '@playwright/test';
import type { School } from './support.js';

export const strip = (page: Page): Locator => page.getByRole('grid', { name: /^Autumn term/ });

export const cell = (page: Page): Locator => page.getByRole('gridcell');

export const margin = (page: Page): Locator =>
  page.getByRole('complementary', { name: 'What will happen' });

/** The plan, with the strip's cursor on a date in a class period's row: by keys, as anybody could. */
export async function planAt(
  school: School,
  page: Page,
  row: number,
  words: string,
): Promise<void> {
  await page.goto(`${school.url}/plan`);
  await strip(page).focus();
  for (let i = 0; i < row; i++) await page.keyboard.press('ArrowDown');
  for (let i = 0; i < 80; i++) {
    if ((await cell(page).getAttribute('aria-label'))!.includes(words)) return;
    await page.keyboard.press('ArrowRight');
  }
  throw new Error(`The strip has no ${words}`);
}

/** Rows of the demo's strip, in order. */
export const ROW = { N1: 0, W2: 1, N3: 2, R5: 3, N6: 4 };

export const held = async (
  school: School,
  page: Page,
  letters: string,
): Promise<{ date: string; time: string; title: string; status: string }[]> =>
  (
    (await (
      await page.request.get(`${school.url}/api/classes/${school.classOf(letters).id}`)
    ).json()) as { sessions: { date: string; time: string; title: string; status: string }[] }
  ).sessions.filter((s) => s.status === 'planned' || s.status === 'moved');
