import type { Page } from '@playwright/test';
import { choose, type School } from './support.js';

/** Opens the composer of the Posts place. */
export async function compose(school: School, words: string): Promise<Page> {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/posts`);
  await page.getByRole('button', { name: 'Write a post' }).click();
  await page.getByRole('textbox', { name: 'Words', exact: true }).fill(words);
  return page;
}

export const addPlace = async (
  page: Page,
  kind: string | RegExp,
  of: string | RegExp,
): Promise<void> => {
  await choose(page, 'Kind of place', kind);
  await choose(page, 'Class period of the place', of);
  await page.getByRole('button', { name: 'Add this place' }).click();
};

export const row = (page: Page, words: string) =>
  page.getByRole('listitem').filter({ hasText: words }).first();
