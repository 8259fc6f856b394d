import { expect, test } from './support.js';

test('course site down: the post waits, the screen says so, it goes out later, once', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  const student = await school.openPhone();
  await school.courseSite('down');
  await teacher.goto(`${school.url}/classes/${school.classOf('N1').id}/posts`);
  await teacher.getByRole('button', { name: 'Post the link' }).click();
  await teacher.getByLabel('Words', { exact: true }).fill('Storm post');
  await teacher.getByRole('button', { name: 'Post it now' }).click();
  const row = teacher.getByRole('listitem').filter({ hasText: 'Storm post' });
  await expect(row.getByText('Waits for the course site')).toBeVisible();
  await expect(row.getByText('closed for repairs')).toBeVisible();
  await school.courseSite('none');
  await expect(row.getByText('Out', { exact: true })).toBeVisible({ timeout: 20000 });
  await school.stream(student, 'nav-1', 'Ottoline Marsh');
  await expect(student.getByText('Storm post')).toHaveCount(1);
});

test('a queued post follows the clock; withdrawn, it goes; undone, it stays', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  const student = await school.openPhone();
  await teacher.goto(`${school.url}/classes/${school.classOf('N6').id}/posts`);
  const row = teacher.getByRole('listitem').filter({ hasText: 'Tidal streams today.' });
  await expect(row.getByText('Goes out Wed 14 Oct 14:05')).toBeVisible();
  await school.setTime('14:05');
  await expect(row.getByText('Out', { exact: true })).toBeVisible();
  await school.stream(student, 'nav-6', 'Ottoline Marsh');
  await expect(student.getByText('Tidal streams today.')).toHaveCount(1);
  await row.getByRole('button', { name: 'Withdraw' }).click();
  await expect(row.getByText('Being taken down')).toBeVisible();
  await teacher.getByRole('button', { name: 'Undo' }).click();
  await expect(row.getByText('Out', { exact: true })).toBeVisible();
  await row.getByRole('button', { name: 'Withdraw' }).click();
  await expect(row.getByText('Withdrawn', { exact: true })).toBeVisible({ timeout: 15000 });
  await student.reload();
  await expect(student.getByText('Nothing has been pinned up yet.')).toBeVisible();
});
