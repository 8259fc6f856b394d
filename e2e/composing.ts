import type { Page } from '@playwright/test';
import { choose, expect, type School } from './support.js';

/** Opens the composer of the Posts place, coming from the page of Coastal Navigation, period 1: it starts with that. */
export async function compose(school: School, words: string): Promise<Page> {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/classes/${school.classOf('N1').id}/sessions`);
  await expect(page.getByRole('heading', { name: 'Ahead' })).toBeVisible();
  await page.getByRole('link', { name: 'Posts', exact: true }).first().click();
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
  await page.getByRole('button', { name: 'Class periods of the places' }).click();
  const card = page.getByRole('dialog', { name: 'Class periods of the places' });
  for (const box of await card.getByRole('checkbox', { checked: true }).all()) await box.uncheck();
  await card.getByRole('checkbox', { name: of }).check();
  await page.getByRole('button', { name: 'Add this place' }).click();
};

export const row = (page: Page, words: string) =>
  page.getByRole('listitem').filter({ hasText: words }).first();
