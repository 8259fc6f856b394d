import type { Page } from '@playwright/test';
import { expectNoViolations } from './seen.js';
import { expect, test, type School } from './support.js';

// Letters as people meet them: in their mailbox, and in Glen.

/** The newest letter with some words in its subject in somebody's mailbox, opened. */
async function letterFor(
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

const inLetter = (page: Page) => page.frameLocator('iframe[title="The letter"]');

test('a guest proves who they are by the letter that the host sends by one press', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  await host.goto(`${school.url}/classes/${school.classOf('HE').id}/people`);
  const address = 'rasmus.vane@home.example';
  await host.getByRole('button', { name: `Mail the way in to ${address}` }).click();
  await expect(host.getByText(`Their way in is on its way to ${address}.`)).toBeVisible();
  const guest = await school.openPhone();
  await letterFor(school, guest, { address, subject: 'You are invited: Harbour Evening' });
  const way = inLetter(guest).getByRole('link', { name: 'My way in' });
  await expect(way).toBeVisible();
  await guest.goto((await way.getAttribute('href'))!);
  await expect(
    guest.getByRole('heading', { name: 'You are invited: Harbour Evening' }),
  ).toBeVisible();
});

test('a reminder comes an hour before, and no more after one press in it', async ({ school }) => {
  const host = await school.open('Ottoline Marsh');
  await host.goto(`${school.url}/account`);
  const wish = host.getByRole('radiogroup', {
    name: 'An hour before what you teach or attend begins',
  });
  await wish.getByRole('radio', { name: 'by mail, and in Glen', exact: true }).click();
  await host.getByRole('button', { name: 'Save it' }).click();
  await expect(host.getByRole('button', { name: 'Save it' })).toBeDisabled();
  await school.setTime('07:45', '2026-10-16');
  const mailbox = await school.openPhone();
  const address = 'o.marsh@merrow.example';
  const subject = 'At 08:40: Coastal Navigation, period 1';
  await letterFor(school, mailbox, { address, subject });
  await expect(inLetter(mailbox).getByRole('link', { name: 'To the door' })).toBeVisible();
  const stop = inLetter(mailbox).getByRole('link', { name: 'No more of these letters' });
  await mailbox.goto((await stop.getAttribute('href'))!);
  await expect(mailbox.getByText('You get letters before what you teach')).toBeVisible();
  await expectNoViolations(mailbox);
  await mailbox.getByRole('button', { name: 'No more of these' }).click();
  await expect(mailbox.getByText('You get no letters before what you teach')).toBeVisible();
  await host.goto(`${school.url}/word`);
  await host.getByRole('button', { name: `I have read it: ${subject}` }).click();
  await expect(host.getByRole('button', { name: `I have read it: ${subject}` })).toHaveCount(0);
  await host.reload();
  await expect(host.getByText(subject)).toBeVisible();
  await host.goto(`${school.url}/account`);
  await expect(wish.getByRole('radio', { name: 'in Glen alone', exact: true })).toBeChecked();
});

test('a student finds on the phone what they were told', async ({ school }) => {
  const pupil = await school.openPhone('Ansel Grue');
  await pupil.goto(`${school.url}/`);
  await pupil.getByRole('button', { name: 'Ansel Grue' }).click();
  await pupil.getByRole('link', { name: 'Word for you' }).click();
  await expect(pupil.getByText('No word for you yet')).toBeVisible();
  await expectNoViolations(pupil);
});
