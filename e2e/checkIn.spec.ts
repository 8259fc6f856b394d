import { expectNoViolations, sideways } from './seen.js';
import type { Page } from '@playwright/test';
import { copied, enterRoom, expect, test, type School } from './support.js';

/** A lesson that runs, its host at the desk and one of its roll let in. */
async function lesson(school: School): Promise<{ teacher: Page; student: Page }> {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  await enterRoom(teacher, 'Open the door now');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await student.getByRole('button', { name: 'Knock' }).click();
  await teacher.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  // Whoever waits is led on by the page itself.
  await expect(student.locator('#you')).toContainText('You are');
  return { teacher, student };
}

test('a check-in is copied for the chat, given on a phone by its letters, and stands in the register', async ({
  school,
}) => {
  await school.setTime('10:45');
  const { teacher, student } = await lesson(school);

  await teacher.getByRole('button', { name: 'Check-in…' }).click();
  const card = teacher.getByRole('dialog', { name: 'Check-in' });
  await card.getByLabel('Open for so many minutes').fill('0');
  await card.getByRole('button', { name: 'Ask for a check-in' }).click();
  await expect(card.getByText('At least one minute.')).toBeVisible();
  await card.getByLabel('Open for so many minutes').fill('10');
  await card.getByLabel('With a question, perhaps').fill('Which buoy is it?');
  await card.getByRole('button', { name: 'Ask for a check-in' }).click();
  await card.getByRole('button', { name: 'Copy for the chat' }).click();
  const { plain } = await copied(teacher, /^Check in until \d\d:\d\d: /);
  expect(plain).toContain('Question: Which buoy is it?');
  await expectNoViolations(teacher);
  const [, letters] = /type ([A-Z](?: [A-Z]){3}) at/.exec(plain)!;

  const page = await student.context().newPage();
  await page.goto(`${school.url}/check-in`);
  await page.getByLabel('The four letters that your teacher read out').fill('abc');
  await page.getByRole('button', { name: 'To the check-in' }).click();
  await expect(page.getByText('A check-in has four letters.')).toBeVisible();
  await page.getByLabel('The four letters that your teacher read out').fill(letters!.toLowerCase());
  await page.getByRole('button', { name: 'To the check-in' }).click();
  await page.getByRole('button', { name: 'I am here' }).click();
  await expect(page.getByText('Answer in a few words.')).toBeVisible();
  await expectNoViolations(page);
  await page.getByLabel('Which buoy is it?').fill('The red one');
  await page.getByRole('button', { name: 'I am here' }).click();
  await expect(page.getByText('You have checked in.')).toBeVisible();
  expect(await sideways(page)).toBe(0);

  await expect(card.getByRole('list', { name: 'Checked in' })).toContainText(
    'Ansel Grue: The red one',
  );
  await card.getByRole('button', { name: 'End the check-in' }).click();
  await expect(card.getByText('The last one is over')).toBeVisible();

  const friend = await school.openPhone();
  await friend.goto(/https?:\S+/.exec(plain)![0]);
  await expect(friend.getByText('Only whoever has been let in at the door')).toBeVisible();

  await teacher.goto(`${school.url}/register/3/2026-10-14`);
  const row = teacher.getByRole('listitem').filter({ hasText: 'Ansel Grue' });
  await expect(row).toContainText('“The red one”');
});

test('the desk tells who of the roll came late, has gone and is back', async ({ school }) => {
  await school.setTime('10:58');
  const { teacher, student } = await lesson(school);
  const here = teacher.getByRole('list', { name: 'Here, on the roll' });
  await expect(here).toContainText(/Ansel Grue\s*late by 13 min/);
  await school.setTime('11:05');
  await student.getByRole('button', { name: 'Leave' }).click();
  const missing = teacher.getByRole('region', { name: 'Missing from the roll' });
  await expect(missing.getByText(/^was in until 11:0\d$/)).toBeVisible();
  await school.setTime('11:09');
  await student.goto(school.door('N3'));
  await student.getByRole('button', { name: 'Go in' }).click();
  await expect(here).toContainText(/late by 13 min, back again/);
  await expectNoViolations(teacher);
});
