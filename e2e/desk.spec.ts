import type { Page } from '@playwright/test';
import { enterRoom, expect, test, type School } from './support.js';

/** A running lesson of period 3: the teacher's desk and room, and a student knocking. */
async function lesson(
  school: School,
  time = '10:46',
): Promise<{ desk: Page; room: Page; student: Page }> {
  await school.setTime(time);
  const desk = await school.open('Ottoline Marsh');
  await desk.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  const room = await enterRoom(desk, 'Open the door now');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await student.getByRole('button', { name: 'Knock' }).click();
  await expect(student.getByRole('heading', { name: 'You are in the lobby' })).toBeVisible();
  return { desk, room, student };
}

test('turn away and let back', async ({ school }) => {
  const { desk, student } = await lesson(school);
  await desk.getByRole('button', { name: 'Turn Ansel Grue away' }).click();
  await desk.getByLabel('A word for Ansel Grue').fill('Period 3 is full; come in period 6.');
  await desk.getByRole('button', { name: 'Turn away', exact: true }).click();
  await expect(student.getByRole('heading', { name: 'You were not let in' })).toBeVisible();
  await expect(
    student.getByText('Ottoline Marsh says: “Period 3 is full; come in period 6.”'),
  ).toBeVisible();
  await expect(desk.getByText('Turned away or put out')).toBeVisible();
  await desk.getByRole('button', { name: 'Let Ansel Grue back' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
});

test('put out and let back', async ({ school }) => {
  const { desk, room, student } = await lesson(school);
  await desk.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
  await desk.getByRole('button', { name: 'Put Ansel Grue out' }).click();
  await expect(student.getByRole('heading', { name: 'You were put out' })).toBeVisible();
  await expect(room.locator('#seats')).not.toContainText('Ansel Grue');
  await student.goto(school.door('N3'));
  await expect(student.getByRole('heading', { name: 'You were put out' })).toBeVisible();
  await desk.getByRole('button', { name: 'Let Ansel Grue back' }).click();
  await student.getByRole('button', { name: 'Go in' }).click();
  await expect(room.locator('#seats')).toContainText('Ansel Grue');
});

test('dropped lines: the student comes back without knocking, the host finds the room still theirs', async ({
  school,
}) => {
  const { desk, room, student } = await lesson(school);
  await desk.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
  await student.goto('about:blank');
  await expect(room.locator('#seats')).not.toContainText('Ansel Grue');
  await expect(desk.getByRole('heading', { name: 'Missing from the roll 24' })).toBeVisible();
  await student.goto(school.door('N3'));
  await student.getByRole('button', { name: 'Go in' }).click();
  await expect(desk.getByRole('region', { name: 'Inside' })).toContainText('Ansel Grue');
  const address = room.url();
  await room.close();
  await expect(desk.getByRole('region', { name: 'Inside' })).not.toContainText('Ottoline Marsh');
  const again = await enterRoom(desk, 'Go in');
  expect(again.url()).toBe(address);
  await expect(again.locator('#seats')).toContainText('Ansel Grue');
});

test('a session runs over: the door stays open while the host is in', async ({ school }) => {
  const { desk, student } = await lesson(school);
  await student.goto('about:blank');
  await school.setTime('11:50');
  await expect(desk.getByText('Past its end')).toBeVisible();
  const late = await school.openPhone('Birgit Tideman');
  await late.goto(school.door('N3'));
  await late.getByRole('button', { name: 'Knock' }).click();
  await expect(desk.getByRole('button', { name: 'Let Birgit Tideman in' })).toBeVisible();
  await desk.getByRole('button', { name: 'Close the room' }).click();
  await expect(
    late.getByRole('heading', { name: /The door opens at|You are in the lobby/ }),
  ).not.toHaveText('You are in the lobby');
});

test('two desks of two hosts show the same, at once', async ({ school }) => {
  const { desk } = await lesson(school);
  const tomas = await school.open('Tomas Verhage');
  await tomas.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  await tomas.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(desk.getByRole('region', { name: 'Inside' })).toContainText('Ansel Grue');
  await expect(desk.getByRole('heading', { name: 'In the lobby 0' })).toBeVisible();
});

test('Glen restarts in the middle: who waits still waits, who is in is still in', async ({
  school,
}) => {
  const { desk, room, student } = await lesson(school);
  await school.demo.restartServer('SIGKILL');
  await expect(desk.getByRole('button', { name: 'Let Ansel Grue in' })).toBeVisible();
  await desk.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(desk.getByRole('heading', { name: 'In the lobby 0' })).toBeVisible();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
  await expect(room.locator('#seats')).toContainText('Ansel Grue');
  await expect(desk.getByRole('region', { name: 'Inside' })).toContainText('Ansel Grue');
  await expect(desk.getByRole('region', { name: 'Inside' })).toContainText('Ottoline Marsh');
});

test('a page whose server is gone says so, and goes on by itself once it is back', async ({
  school,
}) => {
  const { desk, student } = await lesson(school);
  const gone = (page: Page) => page.getByText('Glen cannot be reached just now. Leave this page');
  await school.demo.stopServer('SIGKILL');
  for (const page of [desk, student]) await expect(gone(page)).toBeVisible();
  await school.demo.restartServer('SIGKILL');
  for (const page of [desk, student]) await expect(gone(page)).toBeHidden();
  await desk.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
});

test('mute one and let all share, from the desk, for this session', async ({ school }) => {
  const { desk, room, student } = await lesson(school);
  await desk.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
  await expect(student.locator('#share')).toBeHidden();
  await desk.getByRole('button', { name: 'For all inside' }).click();
  await desk.getByRole('menuitem', { name: 'Let everybody share' }).click();
  await expect(desk.getByText('Everybody may share in this session.')).toBeVisible();
  await expect(student.locator('#share')).toBeVisible();
  const seat = room.getByRole('row', { name: /Ansel Grue/ });
  await student.evaluate(() =>
    fetch(`${location.pathname}/speak`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{"on":true}',
    }),
  );
  await expect(seat.getByRole('cell').nth(2)).toHaveText('on');
  await desk.getByRole('button', { name: 'More with Ansel Grue' }).click();
  await desk.getByRole('menuitem', { name: 'Mute' }).click();
  await expect(seat.getByRole('cell').nth(2)).toHaveText('muted');
  await expect(student.getByText('A host has switched your microphone off.')).toBeVisible();
});
