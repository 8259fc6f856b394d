import type { Page } from '@playwright/test';
import { expect, type School } from './support.js';

/** Chooses from a marked part of a sentence. */
export async function choose(
  page: Page,
  part: string | RegExp,
  option: string | RegExp,
): Promise<void> {
  await page.getByRole('combobox', { name: part, exact: true }).click();
  await page.getByRole('option', { name: option }).click();
}

/** Opens a class period's own link, where it is looked after. */
export async function openLink(page: Page, school: School, letters: string): Promise<void> {
  const c = school.classOf(letters);
  await page.goto(`${school.url}/classes/${c.id}/links/${c.link.id}`);
  await expect(page.getByRole('heading', { name: 'Its addresses' })).toBeVisible();
}

export const codeShown = async (page: Page): Promise<string> =>
  (await page.locator('main code').first().textContent())!.replace('/door/', '');
