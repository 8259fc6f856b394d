import { expectNoViolations, sideways } from './seen.js';
import { expect, test } from './support.js';

// Times at which people are free, and what comes of them.

test('times are ranked, shown beside everybody’s busy times, and scheduled at one press', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/plan`);
  await teacher.getByRole('link', { name: 'Free times' }).click();
  await teacher.getByRole('button', { name: 'Who may come' }).click();
  for (const [typed, name] of [
    ['aalto', 'Signe Aalto'],
    ['ansel', 'Ansel Grue'],
  ] as const) {
    await teacher.getByLabel('Add somebody by name').fill(typed);
    await teacher.getByRole('button', { name: new RegExp(`^${name}`) }).click();
  }
  await teacher.keyboard.press('Escape');
  const strip = teacher.getByRole('region', { name: 'When they are busy' });
  await expect(strip).toContainText('Ansel Grue');
  await expect(strip).not.toContainText('Navigation');
  const times = teacher.getByRole('list').filter({ hasText: 'everybody can' });
  await expect(times.getByRole('listitem').first()).toContainText('Thu 15 Oct 11:35–12:20');
  await expectNoViolations(teacher);
  await expect(teacher.getByLabel('What it is called')).toHaveValue(
    'Talk with Signe Aalto and Ansel Grue',
  );
  await teacher.getByRole('button', { name: 'Schedule it on Thu 15 Oct, 11:35' }).click();
  await expect(teacher.getByText(/^Scheduled: Talk with Signe Aalto and Ansel Grue/)).toBeVisible();
  await expect(times.getByRole('listitem').first()).toContainText('Thu 15 Oct 12:20–13:05');

  const student = await school.openPhone('Ansel Grue');
  await school.setTime('08:00', '2026-10-15');
  await student.goto(school.url);
  await expect(student.getByText('Talk with Signe Aalto and Ansel Grue').first()).toBeVisible();
});

test('where nobody is free, the nearest misses say who is in the way', async ({ school }) => {
  const teacher = await school.openPhone('Ottoline Marsh');
  await teacher.goto(`${school.url}/free`);
  await teacher.getByLabel('Minutes').fill('500');
  await expect(teacher.getByText('At most 480.')).toBeVisible();
  await teacher.getByLabel('Minutes').fill('240');
  await expect(teacher.getByText(/^No time at which all who must come are free/)).toBeVisible();
  await expect(teacher.getByText('without Ottoline Marsh').first()).toBeVisible();
  expect(await sideways(teacher)).toBe(0);
  await expectNoViolations(teacher);
});
