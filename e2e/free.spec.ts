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

test('guests choose between offered times on a phone, and what suits is scheduled by itself', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/free`);
  await teacher.getByLabel('What it is called').fill('About the boat trip');
  await teacher.getByLabel('Offer Thu 15 Oct, 11:35 to guests').check();
  await expect(teacher.getByRole('button', { name: 'Tick two times at least' })).toBeDisabled();
  await teacher.getByLabel('Offer Fri 16 Oct, 12:30 to guests').check();
  await teacher.getByLabel('Offer Mon 19 Oct, 11:45 to guests').check();
  await teacher.getByLabel(/^To which guests/).fill('Ida Quill');
  await teacher.getByRole('button', { name: 'Offer these 3 times' }).click();
  await expect(teacher.getByText(/^Line 1 holds no address/)).toBeVisible();
  await teacher.getByLabel(/^To which guests/).fill('Ida Quill <ida@home.example>');
  await expectNoViolations(teacher);
  await teacher.getByRole('button', { name: 'Offer these 3 times' }).click();
  const told = teacher.getByRole('region', { name: 'Where they choose' });
  await expect(told).toContainText('1 guest is asked.');
  const address = (await told.locator('.font-mono').textContent())!;

  const guest = await school.openPhone();
  await guest.goto(address.replace(/^http:\/\/[^/]+/, school.url));
  await expect(guest.getByText(/^You answer for ida@home\.example/)).toBeVisible();
  await guest.getByLabel(/Fri 16 Oct 2026/).check();
  expect(await sideways(guest)).toBe(0);
  await expectNoViolations(guest);
  await guest.getByRole('button', { name: 'These suit me' }).click();
  await expect(async () => {
    await guest.reload();
    await expect(guest.getByText(/^It is held/)).toBeVisible({ timeout: 1000 });
  }).toPass();
  const offered = teacher.getByRole('region', { name: 'Offered' });
  await expect(offered.getByText('scheduled', { exact: true })).toBeVisible();
  await expect(offered).toContainText('suits 1 of 1');
});

test('an offer is taken back only after it is asked once more', async ({ school }) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/free`);
  await teacher.getByLabel('Offer Thu 15 Oct, 11:35 to guests').check();
  await teacher.getByLabel('Offer Fri 16 Oct, 12:30 to guests').check();
  await teacher.getByLabel(/^To which guests/).fill('jon@home.example');
  await teacher.getByRole('button', { name: 'Offer these 2 times' }).click();
  const offered = teacher.getByRole('region', { name: 'Offered' });
  await offered.getByRole('button', { name: /^Take back/ }).click();
  await offered.getByRole('button', { name: 'Keep it' }).click();
  await expect(offered.getByText('open', { exact: true })).toBeVisible();
  await offered.getByRole('button', { name: /^Take back/ }).click();
  await expectNoViolations(teacher);
  await offered.getByRole('button', { name: 'Take it back', exact: true }).click();
  await expect(offered.getByText('taken back', { exact: true })).toBeVisible();
});
