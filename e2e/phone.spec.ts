import { expectNoViolations, sideways } from './seen.js';
import { choose, enterRoom, expect, test } from './support.js';

// What a teacher does standing in a corridor, on a phone.

test('Today has the big card first; the door is opened and whoever knocks is let in', async ({
  school,
}) => {
  const teacher = await school.openPhone('Ottoline Marsh');
  await teacher.goto(school.url);
  const places = teacher.getByRole('navigation', { name: 'Places' });
  await expect(places.getByRole('link', { name: 'Today' })).toBeInViewport();
  const open = teacher.getByRole('button', { name: 'Open the door now' });
  await expect(open).toBeInViewport();
  await expect(teacher.getByText('Earlier today: 2 sessions')).toBeVisible();
  const room = await enterRoom(teacher, 'Open the door now');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await student.getByRole('button', { name: 'Knock' }).click();
  await teacher.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  await expect(teacher.getByRole('button', { name: 'Let all in' })).toBeInViewport();
  const letIn = teacher.getByRole('button', { name: 'Let Ansel Grue in' });
  await letIn.scrollIntoViewIfNeeded();
  expect((await letIn.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await letIn.click();
  await expect(room.locator('#seats')).toContainText('Ansel Grue');
  expect(await sideways(teacher)).toBe(0);
});

test('the plan is a list by day: a session is cancelled where it stands, and taken back', async ({
  school,
}) => {
  const teacher = await school.openPhone('Ottoline Marsh');
  await teacher.goto(`${school.url}/plan`);
  const friday = teacher.getByRole('region', { name: 'Fri 16 Oct' });
  await friday.getByRole('button', { name: /Coastal Navigation, period 1/ }).click();
  await expectNoViolations(teacher);
  await friday.getByRole('button', { name: 'Cancel it' }).click();
  await expect(friday.getByText('cancelled', { exact: true })).toBeVisible();
  await teacher.getByRole('button', { name: 'Undo' }).first().click();
  await expect(friday.getByText('cancelled', { exact: true })).toHaveCount(0);
  await expect(teacher.getByRole('region', { name: 'Thu 29 Oct' })).toHaveCount(0);
  await teacher.getByRole('button', { name: 'Two weeks more' }).click();
  await expect(teacher.getByRole('region', { name: 'Thu 29 Oct' })).toBeVisible();
  await expect(teacher.getByTestId('strip')).toBeHidden();
  await teacher.getByText('Autumn term at a glance').click();
  await expect(teacher.getByTestId('strip')).toBeVisible();
  expect(await sideways(teacher)).toBe(0);
});

test('a session is scheduled in a sentence', async ({ school }) => {
  const teacher = await school.openPhone('Ottoline Marsh');
  await teacher.goto(`${school.url}/plan`);
  await teacher.getByRole('link', { name: /^Schedule a session/ }).click();
  await teacher.getByLabel('Or type it').fill('Nav 3 thu 22 oct 15:30 to 16:00');
  await teacher.getByRole('button', { name: /^Schedule/ }).click();
  await expect(teacher.getByText(/^Scheduled/).first()).toBeVisible();
  await teacher.goto(`${school.url}/plan`);
  const thursday = teacher.getByRole('region', { name: 'Thu 22 Oct' });
  await expect(thursday.getByRole('button', { name: /^15:30/ })).toBeVisible();
});

test('a post is written, and it is seen who sees which link', async ({ school }) => {
  const teacher = await school.openPhone('Ottoline Marsh');
  await teacher.goto(`${school.url}/posts`);
  await teacher.getByRole('button', { name: 'Write a post' }).click();
  await teacher.getByRole('textbox', { name: 'Words', exact: true }).fill('Bring a pencil.');
  await choose(teacher, 'When it goes out', 'now');
  await teacher.getByRole('button', { name: /^Post it now/ }).click();
  await expect(
    teacher.getByRole('listitem').filter({ hasText: 'Bring a pencil.' }).first(),
  ).toBeVisible();
  await teacher.getByRole('link', { name: 'Who sees which link' }).click();
  await expect(teacher.getByRole('heading', { name: 'Who sees which link' })).toBeVisible();
  expect(await sideways(teacher)).toBe(0);
});

test('the margin opens as a sheet from below', async ({ school }) => {
  const teacher = await school.openPhone('Ottoline Marsh');
  await teacher.goto(school.url);
  await teacher.getByRole('button', { name: /^In the margin/ }).click();
  const sheet = teacher.getByRole('dialog', { name: 'In the margin' });
  await expect(sheet).toBeVisible();
  const box = (await sheet.boundingBox())!;
  expect(Math.round(box.y + box.height)).toBe(844);
  expect(box.width).toBe(390);
  await expectNoViolations(teacher);
  await sheet.getByRole('button', { name: 'Close the margin' }).click();
  await expect(sheet).toHaveCount(0);
});
