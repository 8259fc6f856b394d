import { expectNoViolations, sideways } from './seen.js';
import { enterRoom, expect, test, type School } from './support.js';

// Signing up on a phone, and the door that keeps slots apart. The demo's clinic is from 11:40 to 12:40, in four slots: the first two are
// Ansel Grue's and Arne Aucoin's.

const signUp = (school: School): string => `${school.url}/sign-up/${school.classOf('C').link.code}`;
const TODAY = 'Wed 14 Oct';

test('a slot is taken in three presses on a phone, changed, and given up', async ({ school }) => {
  const student = await school.openPhone('Birgit Tideman');
  await student.goto(school.url);
  await student.getByRole('link', { name: 'Take a slot: Chartwork clinic' }).click();
  const today = student.getByRole('region', { name: TODAY });
  await expect(today.getByText('taken')).toHaveCount(2);
  await expect(student.getByText('Ansel')).toHaveCount(0);
  await today.getByRole('button', { name: 'Take 12:10' }).click();
  await today.getByLabel('What it is about, in a line').fill('The log and the line');
  await today.getByLabel(/^Something to look at/).fill('files.merrow.example');
  await today.getByRole('button', { name: 'Take 12:10' }).last().click();
  await expect(today.getByText('An address begins with https://.')).toBeVisible();
  await today.getByLabel(/^Something to look at/).fill('https://files.merrow.example/log');
  expect(await sideways(student)).toBe(0);
  await expectNoViolations(student);
  await today.getByRole('button', { name: 'Take 12:10' }).last().click();
  const yours = student.getByRole('region', { name: 'Yours' });
  await expect(yours.getByText(`${TODAY}, 12:10–12:25`)).toBeVisible();
  await expect(yours.getByText('The log and the line')).toBeVisible();
  await expect(today.getByText('You have a slot in this week already.')).toBeVisible();

  await yours.getByRole('button', { name: 'Change it' }).click();
  await today.getByRole('button', { name: 'Move to 12:25' }).click();
  await expect(today.getByLabel('What it is about, in a line')).toHaveValue('The log and the line');
  await today.getByRole('button', { name: 'Move to 12:25' }).last().click();
  await expect(yours.getByText(`${TODAY}, 12:25–12:40`)).toBeVisible();
  await yours.getByRole('button', { name: 'Give it up' }).click();
  await expect(yours).toHaveCount(0);
  await expect(today.getByText('free')).toHaveCount(2);
});

test('whoever finds all taken waits, moves up as one is given up, and is told', async ({
  school,
}) => {
  for (const [name, time] of [
    ['Birgit Tideman', '12:10'],
    ['Brisa Penhale', '12:25'],
  ] as const) {
    const one = await school.openPhone(name);
    await one.goto(signUp(school));
    const today = one.getByRole('region', { name: TODAY });
    await today.getByRole('button', { name: `Take ${time}` }).click();
    await today
      .getByRole('button', { name: `Take ${time}` })
      .last()
      .click();
    await expect(one.getByRole('region', { name: 'Yours' })).toBeVisible();
  }
  const late = await school.openPhone('Caspian Holloway');
  await late.goto(signUp(school));
  const today = late.getByRole('region', { name: TODAY });
  await today.getByRole('button', { name: 'Wait for a slot' }).click();
  await today.getByRole('button', { name: 'Wait for a slot' }).last().click();
  const yours = late.getByRole('region', { name: 'Yours' });
  await expect(yours.getByText(`${TODAY}: you wait for a slot`)).toBeVisible();
  await expectNoViolations(late);

  const ansel = await school.openPhone('Ansel Grue');
  await ansel.goto(signUp(school));
  await ansel.getByRole('button', { name: 'Give it up' }).click();
  await expect(ansel.getByRole('region', { name: 'Yours' })).toHaveCount(0);
  await expect(async () => {
    await late.reload();
    await expect(yours.getByText(`${TODAY}, 11:40–11:55`)).toBeVisible({ timeout: 1000 });
  }).toPass();
  await late.goto(`${school.url}/word`);
  await expect(late.getByText(/A slot is yours: Wed 14 Oct, 11:40/)).toBeVisible();
});

test('the door says who is next, and lets the next one in at their time while the first still talks', async ({
  school,
}) => {
  const door = school.door('C');
  await school.setTime('11:38');
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/desk/${school.classOf('C').link.id}`);
  await enterRoom(teacher, 'Open the door now');
  const first = await school.openPhone('Ansel Grue');
  await first.goto(door);
  await first.getByRole('button', { name: 'Knock' }).click();
  await expect(first.getByText(/^You are next, about 11:40\./)).toBeVisible();
  const second = await school.openPhone('Arne Aucoin');
  await second.goto(door);
  await second.getByRole('button', { name: 'Knock' }).click();
  await expect(second.getByText(/^1 before you; your slot begins about 11:55\./)).toBeVisible();
  expect(await sideways(second)).toBe(0);
  await expectNoViolations(second);
  const line = teacher.getByRole('region', { name: 'The line of slots' });
  await expect(line.getByRole('listitem').first()).toContainText('A fix by two bearings');
  await expect(line.getByRole('listitem').nth(1)).toContainText('in the lobby');
  await expectNoViolations(teacher);

  await school.setTime('11:40');
  await expect(first.locator('#you')).toContainText('You are Ansel Grue');
  await expect(second.getByText(/^You are next, about 11:55\./)).toBeVisible();
  await school.setTime('11:53');
  await expect(
    first.getByText('Your slot ends in two minutes. Somebody else comes next.'),
  ).toBeVisible();
  await school.setTime('11:55');
  await expect(second.locator('#you')).toContainText('You are Arne Aucoin');
  await expect(second.locator('#seats')).toContainText('Ansel Grue');
});

test('a host cuts lessons into slots in a sentence, gives one away, and ends them', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/classes/${school.classOf('N3').id}`);
  await teacher
    .getByRole('link', { name: /^Slots of Coastal Navigation/ })
    .first()
    .click();
  await teacher.getByRole('button', { name: 'Cut it into slots of 15 minutes' }).click();
  await teacher.getByLabel('Minutes of a slot').fill('0');
  await teacher.getByRole('button', { name: 'Save the slots' }).click();
  await expect(teacher.getByText('At least 2 minutes.')).toBeVisible();
  await teacher.getByLabel('Minutes of a slot').fill('20');
  await teacher.getByLabel('Minutes between two').fill('5');
  await teacher.getByRole('button', { name: 'Save the slots' }).click();
  const today = teacher.getByRole('region', { name: TODAY });
  // 10:45 to 11:35: twice 20 minutes with 5 between.
  await expect(today.getByRole('listitem')).toHaveCount(2);
  await expectNoViolations(teacher);
  await today.getByRole('button', { name: 'Give the slot at 11:10 to somebody' }).click();
  await today.getByLabel('What it is about, in a line').fill('Catching up');
  await today.getByRole('button', { name: 'Give it to them' }).click();
  await expect(today.getByText('Catching up')).toBeVisible();
  await today.getByRole('button', { name: /^Take the slot at 11:10 from/ }).click();
  await expect(today.getByText('Catching up')).toHaveCount(0);
  const said = teacher.getByRole('listitem').filter({ hasText: /^11:10 is .+ no longer/ });
  await said.getByRole('button', { name: 'Undo' }).click();
  await expect(today.getByText('Catching up')).toBeVisible();
  await teacher.getByRole('button', { name: 'No slots any more…' }).click();
  await expect(teacher.getByText(/^1 taken slots? (are|is) off/)).toBeVisible();
  await teacher.getByRole('button', { name: 'End the slots' }).click();
  await expect(teacher.getByText('People come whenever it is open')).toBeVisible();
});

test('slots are said in the line as a session is planned, and shown on the strip', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/plan/new`);
  const line = teacher.getByLabel('Or type it');
  await line.fill('clinic fridays 12 to 13 in slots of 15 minutes with 5 between');
  await expect(teacher.getByLabel('Minutes of a slot')).toHaveValue('15');
  await expect(teacher.getByText(/^12:00, 12:20, 12:40 on the first day/)).toBeVisible();
  await teacher.getByLabel('Minutes between two').fill('200');
  await teacher.getByRole('button', { name: /^Schedule/ }).click();
  await expect(teacher.getByText('At most 120 minutes.')).toBeVisible();
  await teacher.getByLabel('Minutes between two').fill('10');
  await expectNoViolations(teacher);
  const wide = teacher.viewportSize()!;
  await teacher.setViewportSize({ width: 390, height: 844 });
  await expect.poll(() => sideways(teacher)).toBe(0);
  await teacher.setViewportSize(wide);
  await teacher.getByRole('button', { name: /^Schedule/ }).click();
  await expect(teacher.getByText(/^Scheduled: Chartwork clinic/)).toBeVisible();

  await teacher.goto(`${school.url}/plan?view=week`);
  await teacher
    .getByRole('button', { name: /^Fri 16 Oct, 12:00–13:00: Chartwork clinic, planned, 2 slots/ })
    .click();
  await teacher.getByRole('link', { name: 'Slots…' }).click();
  await teacher.getByLabel('Whether there are breaks').click();
  await teacher.getByRole('option', { name: 'with a break of' }).click();
  await teacher.getByLabel('Slots before a break').fill('1');
  await teacher.getByLabel('Minutes of a break').fill('30');
  await teacher.getByRole('button', { name: 'Save the slots' }).click();
  const friday = teacher.getByRole('region', { name: 'Fri 16 Oct' });
  await expect(friday.getByRole('listitem').nth(1)).toContainText('12:45–13:00');
});
