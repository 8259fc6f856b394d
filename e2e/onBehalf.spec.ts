import { expectNoViolations } from './seen.js';
import { choose, expect, test } from './support.js';

test('the office prepares on a teacher’s behalf: what it is let, with both names, until it is taken back', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/school/cover`);
  const behalf = teacher.getByRole('region', { name: 'On behalf' });
  // As the demo school has it, until it is said anew.
  await behalf.getByRole('button', { name: 'No longer Perpetua Lund' }).click();
  await expect(behalf.getByRole('listitem')).toHaveCount(0);
  await choose(teacher, 'Who acts for me', 'Perpetua Lund');
  await choose(teacher, 'What they may do', 'schedule and post');
  await behalf.getByRole('button', { name: 'Let them act for me' }).click();
  await expect(behalf.getByRole('listitem')).toContainText('Perpetua Lund: schedule and post');
  await expectNoViolations(teacher);

  const office = await school.openPhone('Perpetua Lund');
  await office.goto(`${school.url}/school/cover`);
  await office.getByRole('button', { name: 'Act for Ottoline Marsh' }).click();
  await office.waitForURL(/\/plan/);
  await expect(office.getByRole('status').filter({ hasText: 'You act for' })).toContainText(
    'Ottoline Marsh',
  );
  await expect(office.getByRole('heading', { level: 1 })).toBeVisible();
  await expectNoViolations(office);
  await office.goto(`${school.url}/plan/new`);
  const sheet = office.getByRole('region', { name: 'New session' });
  await expect(sheet).toBeVisible();
  await sheet.getByRole('button', { name: /^Schedule / }).click();
  await expect(office.getByRole('button', { name: 'Undo' }).first()).toBeVisible();

  const n3 = school.classOf('N3');
  await office.goto(`${school.url}/classes/${n3.id}/entry`);
  await expect(office.getByRole('heading', { name: 'So, at the door' })).toBeVisible();

  await behalf.getByRole('button', { name: 'No longer Perpetua Lund' }).click();
  await expect(behalf.getByRole('listitem')).toHaveCount(0);
  await office.goto(`${school.url}/plan`);
  await expect(
    office.getByText('You may not act on their behalf, or no longer.').first(),
  ).toBeVisible();
  await office.getByRole('button', { name: 'Back to yourself' }).click();
  await expect(office.getByRole('heading', { name: 'Who covers' })).toBeVisible();
  await expect(office.getByText('You act for')).toHaveCount(0);
  await office.goto(`${school.url}/school/happened`);
  await expect(office.getByText('by Perpetua Lund, on their behalf').first()).toBeVisible();
});
