import type { Page } from '@playwright/test';
import { expect, type School } from './support.js';

/** Opens a class period's own link, where it is looked after. */
export async function openLink(page: Page, school: School, letters: string): Promise<void> {
  const c = school.classOf(letters);
  await page.goto(`${school.url}/classes/${c.id}/links/${c.link.id}`);
  await expect(page.getByRole('heading', { name: 'Its addresses' })).toBeVisible();
}

export const codeShown = async (page: Page): Promise<string> =>
  (await page.locator('main code').first().textContent())!.replace('/door/', '');
