import { choose, enterRoom, expect, test } from './support.js';

test('a wrong account is told so and switched without losing the link', async ({ school }) => {
  await school.setTime('10:45');
  const student = await school.openPhone('Ansel Grue', { kinds: ['school', 'personal'] });
  await student.goto(school.door('N3'));
  await expect(
    student.getByRole('heading', { name: 'This door needs your school account' }),
  ).toBeVisible();
  await expect(student.getByText('home account', { exact: true })).toBeVisible();
  await student.getByRole('button', { name: 'Use ansel.grue@merrow.example' }).click();
  await expect(
    student.getByRole('heading', { name: 'Ottoline Marsh is not in yet' }),
  ).toBeVisible();
  await expect(student).toHaveURL(school.door('N3'));
});

test('someone who is not signed in signs in at the door itself', async ({ school }) => {
  await school.setTime('10:45');
  const student = await school.openPhone();
  await student.goto(school.door('N3'));
  await expect(
    student.getByRole('heading', { name: 'Sign in with your school account' }),
  ).toBeVisible();
  await student.getByRole('button', { name: 'By address and password' }).click();
  await student.getByLabel('Address').fill('ansel.grue@merrow.example');
  await student.getByLabel('Password').fill('fair-winds-2026');
  await student.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(
    student.getByRole('heading', { name: 'Ottoline Marsh is not in yet' }),
  ).toBeVisible();
  await expect(student).toHaveURL(school.door('N3'));
});

test('too early: waits, and is let on by itself when it opens', async ({ school }) => {
  const teacher = await school.open('Ottoline Marsh');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await expect(student.getByRole('heading', { name: 'The door opens at 10:40' })).toBeVisible();
  await teacher.goto(school.url);
  await teacher.getByRole('button', { name: /Move the clock/ }).click();
  await teacher.getByRole('button', { name: 'To the next bell' }).click();
  await expect(teacher.getByText('Demo day · Wed 14 Oct 10:45')).toBeVisible();
  await expect(
    student.getByRole('heading', { name: 'Ottoline Marsh is not in yet' }),
  ).toBeVisible();
  await teacher.keyboard.press('Escape');
  await enterRoom(teacher, 'Open the door now');
  await expect(student.getByRole('heading', { name: 'You are in the lobby' })).toBeVisible();
});

test('nothing planned: says so, and the page notices when a host opens', async ({ school }) => {
  const student = await school.openPhone('Ansel Grue');
  await school.setTime('20:15', '2026-12-20');
  await student.goto(school.door('N3'));
  await expect(student.getByRole('heading', { name: 'Nothing is planned here now' })).toBeVisible();
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  await expect(teacher.getByText('Nothing is planned on this link')).toBeVisible();
  await enterRoom(teacher, 'Open the door now');
  await expect(student.getByRole('heading', { name: 'You are in the lobby' })).toBeVisible();
  await teacher.goto(school.url);
  await expect(teacher.getByRole('heading', { name: 'Sunday, 1 session' })).toBeVisible();
});

test('straight in where the rules say so, and a mistyped code said kindly', async ({ school }) => {
  await school.setTime('11:40');
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/desk/${school.classOf('C').link.id}`);
  await enterRoom(teacher, 'Open the door now');
  const student = await school.openPhone('Ansel Grue');
  const { code } = school.classOf('C').link;
  await student.goto(`${school.url}/door`);
  await student.getByLabel('The code of your door').fill(`${code.slice(0, -2)}`);
  await student.getByRole('button', { name: 'To the door' }).click();
  await expect(student.getByText(/A code is a word and 11 letters or digits/)).toBeVisible();
  await student
    .getByLabel('The code of your door')
    .fill(`${code.slice(0, -1)}${code.endsWith('7') ? '8' : '7'}`);
  await student.getByRole('button', { name: 'To the door' }).click();
  await expect(student.getByRole('heading', { name: 'No door has this code' })).toBeVisible();
  await student
    .getByLabel('The code of your door')
    .fill(` ${code.toUpperCase().replace('-', ' ')} `);
  await student.getByRole('button', { name: 'To the door' }).click();
  await expect(student.getByRole('heading', { name: 'Chartwork clinic' })).toBeVisible();
  await student.getByRole('button', { name: 'Go in' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
});

test('an entry code is asked for at the door, and a guest for a name', async ({ school }) => {
  await school.setTime('10:45');
  const teacher = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await teacher.goto(`${school.url}/classes/${n3.id}/entry`);
  await choose(teacher, 'Anyone with the link: comes in', /^lobby/);
  await expect(teacher.getByRole('row', { name: /Anyone with the link/ })).toContainText('lobby');
  await teacher.getByRole('button', { name: 'Entry code: none' }).click();
  await teacher.getByRole('button', { name: 'Make one' }).click();
  const code = teacher.getByLabel('Entry code', { exact: true });
  await expect(code).toHaveValue(/^[a-z]+ [2-9]{3}$/);
  await code.fill('Tide 42');
  await teacher.getByRole('button', { name: 'Save the rule' }).click();
  await expect(teacher.getByRole('button', { name: 'Entry code: Tide 42' })).toBeVisible();
  await teacher.goto(`${school.url}/desk/${n3.link.id}`);
  await enterRoom(teacher, 'Open the door now');
  const guest = await school.openPhone();
  await guest.goto(n3.link.address);
  await expect(guest.getByRole('heading', { name: 'This door asks for a code' })).toBeVisible();
  await guest.getByLabel('Entry code').fill('Ebb 42');
  await guest.getByLabel('Your name').fill('Hedda <Grue>');
  await guest.getByRole('button', { name: 'Go in' }).click();
  await expect(guest.getByText('That code does not fit.').first()).toBeVisible();
  await guest.getByLabel('Entry code').fill('tide42');
  await guest.getByRole('button', { name: 'Go in' }).click();
  await expect(guest.getByRole('heading', { name: 'You are in the lobby' })).toBeVisible();
  await expect(teacher.getByText('Hedda <Grue>', { exact: true })).toBeVisible();
  await expect(teacher.getByText('not signed in · not on the roll')).toBeVisible();
});

test('where there is a watch-only way in, it can be taken at the door', async ({ school }) => {
  await school.setTime('10:45');
  const teacher = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  const rules = `${school.url}/api/classes/${n3.id}/rules`;
  const { version } = await (await teacher.request.get(rules)).json();
  await teacher.request.put(rules, {
    headers: { Origin: school.url },
    data: { version, rules: { watching: true } },
  });
  await teacher.goto(`${school.url}/desk/${n3.link.id}`);
  await enterRoom(teacher, 'Open the door now');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(n3.link.address);
  await expect(student.getByRole('button', { name: 'Knock' })).toBeVisible();
  await student.getByRole('button', { name: 'Only watch' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
  await expect(student.locator('#seats')).toContainText('watching');
});
