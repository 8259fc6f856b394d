import type { Page } from '@playwright/test';
import { inLetter, letterFor } from './letters.js';
import { expectNoViolations, sideways } from './seen.js';
import { choose, enterRoom, expect, test, type School } from './support.js';

// Families see several teachers on one evening, each by appointment: the demo's evening is a week ahead, on Wed 21 Oct.

const EVENING = '2026-10-21';
const IDA = 'ida@home.example';
const TEACHERS = ['Bram Osterholt', 'Ottoline Marsh', 'Tomas Verhage'];

/** The office plans an evening of three teachers, from six to seven. */
async function plan(school: School): Promise<Page> {
  const office = await school.open('Perpetua Lund');
  await office.goto(`${school.url}/plan`);
  await office.getByRole('link', { name: 'Appointments' }).click();
  await office.getByRole('button', { name: 'Plan an evening' }).click();
  await office.getByRole('button', { name: 'Plan it and invite them' }).click();
  await expect(office.getByText('Tick one teacher at least.')).toBeVisible();
  for (const name of TEACHERS) await office.getByLabel(name, { exact: true }).check();
  await choose(office, 'As which class period, Ottoline Marsh', 'Marine Weather, period 2');
  await office.getByLabel('Minutes in all').fill('60');
  await expect(office.getByText('5 times with each until 19:00.')).toBeVisible();
  await office
    .getByLabel(/^Which guests choose/)
    .fill(`Ida Quill <${IDA}>\nJon Vane <jon@home.example>`);
  await expectNoViolations(office);
  await office.getByRole('button', { name: 'Plan it and invite them' }).click();
  await expect(office.getByRole('heading', { level: 1, name: 'Families’ evening' })).toBeVisible();
  return office;
}

/** The page that a letter leads a guest to, on a phone. */
async function chooses(school: School, address: string): Promise<Page> {
  const guest = await school.openPhone();
  await letterFor(school, guest, { address, subject: 'Choose your times: Families’ evening' });
  const way = inLetter(guest).getByRole('link', { name: 'Choose my times' });
  await guest.goto((await way.getAttribute('href'))!);
  await expect(guest.getByRole('heading', { level: 1 })).toHaveText('Families’ evening');
  return guest;
}

test('a parent of two sees three teachers, whose times are fitted in one after another', async ({
  school,
}) => {
  const office = await plan(school);
  const ida = await chooses(school, IDA);
  for (const name of TEACHERS) await ida.getByRole('button', { name: `See ${name}` }).click();
  await ida.getByLabel('About whom, Ottoline Marsh').fill('Odo');
  await ida.getByRole('button', { name: 'See Ottoline Marsh once more' }).click();
  await ida.getByLabel('About whom, Ottoline Marsh').last().fill('Liv');
  await choose(ida, 'When, Bram Osterholt', '18:48');
  await expect(ida.getByRole('button', { name: 'Take these 4 times' })).toBeVisible();
  expect(await sideways(ida)).toBe(0);
  await expectNoViolations(ida);
  await ida.reload();
  await ida.getByRole('button', { name: 'Take these 4 times' }).click();
  const mine = ida.getByRole('region', { name: 'Your appointments' });
  await expect(mine.getByRole('listitem')).toHaveCount(4);
  await expect(mine.getByRole('listitem').first()).toContainText('18:00–18:10 Ottoline Marsh Odo');
  await expect(mine.getByRole('listitem').last()).toContainText('18:48–18:58 Bram Osterholt');

  const jon = await chooses(school, 'jon@home.example');
  await jon.getByRole('button', { name: 'See Ottoline Marsh' }).click();
  await expect(jon.getByText('Ida')).toHaveCount(0);
  await jon.getByRole('combobox', { name: 'When, Ottoline Marsh' }).click();
  await expect(jon.getByRole('option', { name: '18:00', exact: true })).toHaveCount(0);
  await jon.keyboard.press('Escape');

  await mine.getByRole('button', { name: 'Give up 18:48, Bram Osterholt' }).click();
  await mine.getByRole('button', { name: 'Give up 18:48' }).click();
  await expect(mine.getByRole('listitem')).toHaveCount(3);
  const ottoline = office.getByRole('region', { name: 'Ottoline Marsh' });
  await expect(ottoline.getByRole('listitem').first()).toContainText('Ida Quill about Odo');
  await expect(ottoline).toContainText('2 of 5 taken');
  await expectNoViolations(office);
});

test('on the evening a parent goes from door to door, let in at each when it is their turn', async ({
  school,
}) => {
  await plan(school);
  const ida = await chooses(school, IDA);
  await ida.getByRole('button', { name: 'See Ottoline Marsh' }).click();
  await ida.getByRole('button', { name: 'See Tomas Verhage' }).click();
  await ida.getByRole('button', { name: 'Take these 2 times' }).click();
  await ida.getByRole('button', { name: 'Send me my way in' }).click();
  await expect(ida.getByText(`Your way in goes to ${IDA}.`)).toBeVisible();
  const page = ida.url();
  await letterFor(school, ida, { address: IDA, subject: 'You are invited: Marine Weather' });
  const way = inLetter(ida).getByRole('link', { name: 'My way in' });
  await ida.goto((await way.getAttribute('href'))!);
  await ida.getByLabel('What you are called').fill('Ida Quill');
  await ida.getByRole('button', { name: 'This is me: to the door' }).click();
  await ida.waitForURL(/\/door\//);
  await ida.goto(page);
  await expect(ida.getByText('You are signed in on this device')).toBeVisible();

  for (const [name, time, nth] of [
    ['Ottoline Marsh', '18:00', 0],
    ['Tomas Verhage', '18:12', 1],
  ] as const) {
    await school.setTime(time, EVENING);
    const teacher = await school.open(name);
    await teacher.goto(`${school.url}/appointments`);
    await teacher.getByRole('link', { name: 'Families’ evening' }).click();
    await teacher.getByRole('link', { name: 'Your desk' }).click();
    const room = await enterRoom(teacher, 'Open the door now');
    await ida.goto(page);
    await ida.getByRole('link', { name: 'To the door' }).nth(nth).click();
    await ida.getByRole('button', { name: /^(Go in|Knock)$/ }).click();
    await expect(room.locator('#seats')).toContainText('Ida Quill');
  }
});
