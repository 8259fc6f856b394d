import type { Page } from '@playwright/test';
import { expect, type School } from './support.js';

/** The newest letter with some words in its subject in somebody's mailbox, opened. */
export async function letterFor(
  school: School,
  page: Page,
  { address, subject }: { address: string; subject: string },
): Promise<void> {
  const letter = page.getByRole('link', { name: subject }).first();
  await expect(async () => {
    await page.goto(`${school.demo.mail}/boxes/${address}`);
    await expect(letter).toBeVisible({ timeout: 1000 });
  }).toPass();
  await letter.click();
}

/** What it says, whose links can be followed. */
export const inLetter = (page: Page) => page.frameLocator('iframe[title="The letter"]');
