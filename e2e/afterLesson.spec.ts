import { expectNoViolations, sideways } from './seen.js';
import type { Answer } from '@glen/contract';
import { choose, enterRoom, expect, test } from './support.js';

test('a note stands at the door of a lesson for those whom it is for, until a host takes it away', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/register/3/2026-10-07`);
  await teacher.getByRole('button', { name: 'Put a note or an address there' }).click();
  const part = teacher.getByRole('region', { name: 'After the lesson' });
  await part.getByRole('button', { name: 'Put it there' }).click();
  await expect(part.getByText('Say what it is, in a few words.')).toBeVisible();
  await part.getByLabel('What it is').fill('Homework');
  await part.getByLabel('Its address, where it has one').fill('files.merrow.example');
  await part.getByRole('button', { name: 'Put it there' }).click();
  await expect(part.getByText('An address begins with https://.')).toBeVisible();
  await part.getByLabel('Its address, where it has one').fill('https://files.merrow.example/n3');
  await part.getByLabel('In words').fill('Plot the passage to Merrow Point.');
  await expectNoViolations(teacher);
  await part.getByRole('button', { name: 'Put it there' }).click();
  await expect(part.getByRole('link', { name: 'Homework' })).toBeVisible();

  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await expect(student.getByRole('link', { name: 'Homework' })).toHaveAttribute(
    'href',
    'https://files.merrow.example/n3',
  );
  await expect(student.getByText('Plot the passage to Merrow Point.')).toBeVisible();
  expect(await sideways(student)).toBe(0);
  await expectNoViolations(student);
  const stranger = await school.openPhone();
  await stranger.goto(school.door('N3'));
  await expect(stranger.getByRole('heading', { level: 2 }).first()).toBeVisible();
  await expect(stranger.getByText('After the lessons')).toHaveCount(0);

  await part.getByRole('button', { name: 'Change Homework' }).click();
  await part.getByRole('radio', { name: 'for its hosts alone' }).click();
  await part.getByRole('button', { name: 'Save the changes' }).click();
  await expect(part.getByText(/^for its hosts alone, until/)).toBeVisible();
  await student.reload();
  await expect(student.getByRole('heading', { level: 2 }).first()).toBeVisible();
  await expect(student.getByRole('link', { name: 'Homework' })).toHaveCount(0);
  await part.getByRole('button', { name: 'Take Homework away' }).click();
  await part.getByRole('button', { name: 'Leave it there' }).click();
  await expect(part.getByText('Homework')).toBeVisible();
  await part.getByRole('button', { name: 'Take Homework away' }).click();
  await part.getByRole('button', { name: 'Take it away' }).click();
  await expect(part.getByText('Nothing is there yet.')).toBeVisible();
});

test('a post on the course page lists what is there for everyone, and leads to it at the door', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/classes/${school.classOf('N1').id}/posts?new`);
  await teacher.getByLabel('Link words').fill('Our door');
  await choose(teacher, 'Kind of place', /the course page/);
  await teacher.getByRole('button', { name: 'Add this place' }).click();
  await teacher.getByRole('button', { name: /Take away: the class stream/ }).click();
  await choose(teacher, 'Section', 'a section of its own');
  await teacher.getByRole('checkbox', { name: /^Below it, a list/ }).check();
  const preview = teacher.getByRole('region', { name: 'As students will see it' });
  await expect(preview.getByRole('link', { name: 'For next time' })).toBeVisible();
  await expectNoViolations(teacher);
  await teacher.getByRole('button', { name: 'Post it now' }).click();

  const page = await school.openPhone();
  await school.stream(page, 'nav-1', 'Ottoline Marsh');
  const listed = page.getByRole('link', { name: 'For next time' });
  await expect(async () => {
    await page.reload();
    await expect(listed).toBeVisible({ timeout: 500 });
  }).toPass();
  await expect(page.getByText('What we had on the board')).toHaveCount(0);
  const student = await school.openPhone('Ottoline Marsh');
  await student.goto((await listed.getAttribute('href'))!);
  await expect(student.getByText(/^Plot the passage from Merrow Point/)).toBeInViewport();
});

test('who comes knows of being recorded; the recording is its hosts’ until they give it to others', async ({
  school,
}) => {
  const head = await school.open('Noor Achterberg');
  const { version, layers } = (await (
    await head.request.get(`${school.url}/api/school/rules`)
  ).json()) as Answer<'schoolRules'>;
  await head.request.put(`${school.url}/api/school/rules`, {
    data: { version, rules: { ...layers[0]!.rules, recording: 'by-host' }, locked: [] },
    headers: { Origin: school.url },
  });
  await school.setTime('10:45');
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  const room = await enterRoom(teacher, 'Open the door now');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await expect(student.getByText('The host may record this session, and says so.')).toBeVisible();
  await room.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(room.getByText(/^This room is being recorded\./)).toBeVisible();
  await room.getByRole('button', { name: 'Stop recording' }).click();

  await teacher.goto(`${school.url}/register/3/2026-10-14`);
  const part = teacher.getByRole('region', { name: 'After the lesson' });
  await expect(part.getByRole('link', { name: 'Recording' })).toBeVisible();
  await expect(part.getByText(/^for its hosts alone, until/)).toBeVisible();
  await part.getByRole('button', { name: 'Change Recording' }).click();
  await part.getByRole('radio', { name: 'for everybody whom the link is for' }).click();
  await part.getByRole('button', { name: 'Save the changes' }).click();
  await expect(part.getByText(/^for everybody whom the link is for, until/)).toBeVisible();
  await student.reload();
  // A browser plays it; what it gets is a sound file.
  const way = await student.getByRole('link', { name: 'Recording' }).getAttribute('href');
  const file = await student.request.get(school.url + way!);
  expect((await file.body()).toString('latin1', 0, 4)).toBe('RIFF');
});
