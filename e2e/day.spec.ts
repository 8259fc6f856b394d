import { choose, enterRoom, expect, test } from './support.js';

test('a student’s day: doors in order, what changed, and the way to each', async ({ school }) => {
  const teacher = await school.open('Ottoline Marsh');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.url);
  await expect(student.getByRole('heading', { name: 'Your doors' })).toBeVisible();
  await expect(student.getByRole('listitem').filter({ hasText: 'To the door' })).toHaveCount(2);
  await expect(student.getByText('Opens 10:40 · in')).toBeVisible();

  await teacher.goto(`${school.url}/today`);
  await teacher.getByRole('link', { name: 'Details of Chartwork clinic, 11:40' }).click();
  await teacher.getByLabel('Time', { exact: true }).fill('12:10');
  await teacher.getByLabel('Description').fill('Bring your dividers.');
  await teacher.getByRole('button', { name: 'Save the change' }).click();
  await expect(teacher.getByText('Changed.')).toBeVisible();
  await student.bringToFront();
  await student.reload();
  const clinic = student
    .getByRole('listitem')
    .filter({ hasText: 'with Ottoline Marsh' })
    .filter({ hasText: 'Chartwork clinic' });
  await expect(clinic.getByText('Moved from 11:40')).toBeVisible();
  await expect(clinic.getByText('Bring your dividers.')).toBeVisible();
  await student.getByRole('link', { name: 'To the door of Coastal Navigation, period 3' }).click();
  await expect(student.getByRole('heading', { name: 'The door opens at 10:40' })).toBeVisible();
  expect(
    await student.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    ),
  ).toBe(0);
});

test('a draft is nobody’s till it is put on the books at one press, and the press can be undone', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/today`);
  await expect(teacher.getByText('Draft: students see nothing of it')).toBeVisible();
  await teacher.getByRole('button', { name: 'Schedule it' }).click();
  await expect(teacher.getByRole('heading', { name: 'Wednesday, 8 sessions' })).toBeVisible();
  await expect(teacher.getByText('Draft: students see nothing of it')).toHaveCount(0);
  await teacher.getByRole('button', { name: 'Undo' }).click();
  await expect(teacher.getByRole('heading', { name: 'Wednesday, 7 sessions' })).toBeVisible();
  await teacher.goto(`${school.url}/plan/new?class=${school.classOf('N1').id}`);
  await teacher.getByLabel('Title').fill('Maybe a quiz');
  await teacher.getByRole('button', { name: 'Keep as a draft' }).click();
  await expect(
    teacher
      .getByRole('listitem')
      .filter({ hasText: 'Maybe a quiz' })
      .getByText('Draft', { exact: true }),
  ).toBeVisible();
});

test('the margin’s notes are true and mend: a link that nobody sees is posted, a presenter who waits goes straight in', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/today`);
  const margin = teacher.getByRole('complementary');
  await margin
    .getByRole('listitem')
    .filter({ hasText: 'Ropework, period 5: 23 students see no link' })
    .getByRole('button', { name: 'Post it' })
    .click();
  await teacher.getByRole('button', { name: 'Post it now' }).click();
  await expect(teacher.getByText('Out', { exact: true })).toBeVisible();
  await teacher.goto(`${school.url}/classes/${school.classOf('N3').id}/entry`);
  await margin.getByRole('button', { name: 'Let them straight in' }).click();
  await expect(teacher.getByRole('row', { name: /Signe Aalto/ })).toContainText(
    'straight in, presents',
  );
  await expect(margin.getByRole('heading', { name: 'Presenters wait in the lobby' })).toHaveCount(
    0,
  );
  await teacher.getByRole('button', { name: 'Undo' }).click();
  await expect(margin.getByRole('heading', { name: 'Presenters wait in the lobby' })).toBeVisible();
});

test('try the door as anybody, at any time', async ({ school }) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/classes/${school.classOf('N3').id}/entry`);
  const card = teacher.getByRole('region', { name: 'Try the door as…' });
  await choose(card, 'Try as', 'Ansel Grue');
  await expect(card).toContainText('waits till 10:40');
  await card.getByLabel('At what time').fill('10:50');
  await expect(card).toContainText('waits for a host');
  await choose(card, 'With a host', 'With a host in');
  await expect(card).toContainText('lobby');
  await choose(card, 'Try as', 'Ansel Grue, home account');
  await expect(card).toContainText('asked to switch');
  await expect(card).toContainText('This door needs your school account');
  await choose(card, 'Try as', 'Somebody not signed in');
  await expect(card).toContainText('asked to sign in');
  await teacher.keyboard.press('Escape');
  await teacher.goto(`${school.url}/today`);
  await expect(teacher.getByRole('heading', { name: 'Wednesday, 7 sessions' })).toBeVisible();
  await teacher.keyboard.press('/');
  await expect(teacher.getByRole('combobox', { name: 'Find or do' })).toBeFocused();
  await teacher.keyboard.type('ansel gr');
  await teacher.getByRole('option', { name: /Ansel Grue, student try the door of/ }).click();
  await expect(
    teacher.getByRole('region', { name: 'Try the door as…' }).getByLabel('Try as'),
  ).toContainText('Ansel Grue');
});

test('sleep, a changed network, reload and back lose nothing of who waits', async ({ school }) => {
  await school.setTime('10:46');
  const desk = await school.open('Ottoline Marsh');
  await desk.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  await enterRoom(desk, 'Open the door now');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await student.getByRole('button', { name: 'Knock' }).click();
  await expect(desk.getByRole('heading', { name: 'In the lobby 1' })).toBeVisible();

  // Asleep in a pocket: no network, while the host lets them in.
  await student.context().setOffline(true);
  await desk.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(desk.getByRole('heading', { name: 'In the lobby 0' })).toBeVisible();
  await student.context().setOffline(false);
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');

  // Back from the room: a door again, and in without knocking.
  await student.goBack();
  await student.getByRole('button', { name: 'Go in' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');

  const second = await school.openPhone('Birgit Tideman');
  await second.goto(school.door('N3'));
  await second.getByRole('button', { name: 'Knock' }).click();
  await expect(second.getByRole('heading', { name: 'You are in the lobby' })).toBeVisible();
  await second.reload();
  await expect(second.getByRole('heading', { name: 'You are in the lobby' })).toBeVisible();
  await expect(desk.getByRole('heading', { name: 'In the lobby 1' })).toBeVisible();
});

test('what is typed at a door outlives a reload', async ({ school }) => {
  const host = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  const { version } = await (
    await host.request.get(`${school.url}/api/classes/${n3.id}/rules`)
  ).json();
  await host.request.put(`${school.url}/api/classes/${n3.id}/rules`, {
    headers: { Origin: school.url },
    data: { version, rules: { whoMayEnter: 'anyone', entryCode: 'Tide 42', withoutHost: true } },
  });
  await school.setTime('10:46');
  const guest = await school.openPhone();
  await guest.goto(n3.link.address);
  await guest.getByLabel('Your name').fill('Milo Sandoval-Fisk');
  await guest.getByLabel('Entry code').fill('Tide');
  await guest.reload();
  await expect(guest.getByLabel('Your name')).toHaveValue('Milo Sandoval-Fisk');
  await expect(guest.getByLabel('Entry code')).toHaveValue('Tide');
});

test('the course site: page, dates and notices, as any of the school’s people sees them', async ({
  school,
}) => {
  const reader = await school.open();
  await school.stream(reader, 'nav-3', 'Ansel Grue');
  await expect(reader.getByRole('heading', { name: 'Notices' })).toBeVisible();
  await expect(reader.getByRole('heading', { name: 'Week 6: tidal streams' })).toBeVisible();
  await expect(reader.getByRole('row', { name: /Chart symbols quiz/ })).toContainText(
    '10:45–11:35',
  );
  const [door] = await Promise.all([
    reader.context().waitForEvent('page'),
    reader.getByRole('link', { name: 'Our door, all year' }).click(),
  ]);
  await expect(door.getByRole('heading', { name: 'Coastal Navigation, period 3' })).toBeVisible();
  await reader.goto(`${school.demo.courseSite}/class/nav-6`);
  await expect(reader.getByText('This class does not list you.')).toBeVisible();
  await reader.getByRole('button', { name: 'Change reader' }).click();
  await school.stream(reader, 'nav-6', 'Ottoline Marsh');
  const [old] = await Promise.all([
    reader.context().waitForEvent('page'),
    reader.getByRole('link', { name: 'Join the lesson' }).click(),
  ]);
  await expect(old.getByRole('heading', { name: 'This link is no longer used' })).toBeVisible();
});
