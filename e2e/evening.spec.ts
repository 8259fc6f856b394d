import { expectNoViolations, sideways } from './seen.js';
import type { Answer } from '@glen/contract';
import { row } from './composing.js';
import { choose, enterRoom, expect, test } from './support.js';

// An evening with a programme: from its rehearsal to its end. The demo's Harbour Evening is on Thu 5 Nov, 19:00 to 20:30.

const EVENING = '2026-11-05';

test('an evening is rehearsed, and its door says what is on and what comes next', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/classes/${school.classOf('HE').id}`);
  await teacher.getByRole('link', { name: 'Programme of Harbour Evening, Thu 5 Nov' }).click();
  const lines = teacher.getByLabel(/^What comes after what/);
  await expect(lines).toHaveValue(/19:10 Charts and what they are for \(Tomas Verhage\)/);
  await lines.fill('19:00 Welcome (Ottoline Marsh)\nCharts\n19:40 Questions');
  await expect(teacher.getByText('Line 2: It begins with no time, such as 18:30.')).toBeVisible();
  await teacher.getByRole('button', { name: 'Save the programme' }).click();
  await expect(teacher.getByText(/^Line 2, “Charts”/)).toBeVisible();
  await lines.fill('19:00 Welcome (Ottoline Marsh)\n19:10 Charts\n19:40 Questions');
  await teacher.getByRole('button', { name: 'Save the programme' }).click();
  await expect(teacher.getByText('It is changed.')).toBeVisible();
  await teacher.getByRole('button', { name: 'Try it at each point' }).click();
  const tried = teacher.getByRole('region', { name: 'The door at each point' });
  await expect(tried.getByRole('row', { name: /^19:10 Charts/ })).toContainText('The door is open');
  await expect(tried.getByRole('row')).toHaveCount(6);
  await expectNoViolations(teacher);

  await school.setTime('18:58', EVENING);
  const door = school.door('HE');
  const guest = await school.openPhone();
  await guest.goto(door);
  const programme = guest.getByRole('region', { name: 'Programme' });
  await expect(programme.getByRole('listitem').first()).toContainText('in 2 min');
  await expect(programme).toContainText('Ottoline Marsh');
  await expect(guest.getByText(/^Questions can be written down/)).toBeVisible();
  expect(await sideways(guest)).toBe(0);
  await expectNoViolations(guest);

  await teacher.goto(`${school.url}/desk/${school.classOf('HE').link.id}`);
  const room = await enterRoom(teacher, 'Open the door now');
  await school.setTime('19:08', EVENING);
  await expect(room.getByText('In two minutes: Charts.')).toBeVisible();
  const atDesk = teacher.getByRole('region', { name: 'Programme' });
  await expect(atDesk.getByRole('listitem').first()).toContainText('now');
  await atDesk.getByRole('button', { name: '20 min' }).click();
  await expect(atDesk.getByRole('listitem').nth(1)).toContainText('19:30');
  await expect(programme.getByRole('listitem').nth(2)).toContainText('20:00');
  await expectNoViolations(teacher);
  await school.setTime('20:31', EVENING);
  await expect(programme.getByText('now', { exact: true })).toHaveCount(0);
});

const ON_THE_DAY = {
  title: 'An evening of charts',
  description: '',
  plan: { first: EVENING, at: { time: '19:00', minutes: 90 } },
  freshLink: true,
};

test('an evening goes from its dry run to a post that says it is over', async ({ school }) => {
  const teacher = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3').id;
  const planned = await teacher.request.post(`${school.url}/api/classes/${n3}/sessions`, {
    headers: { Origin: school.url },
    data: ON_THE_DAY,
  });
  const { session } = (await planned.json()) as Answer<'addSession'>;

  // The dry run: the door at each point, for each kind of people.
  await teacher.goto(`${school.url}/programme/${session.seriesId}/${EVENING}`);
  await teacher
    .getByLabel(/^What comes after what/)
    .fill('19:00 Welcome\n19:10 Charts (Tomas Verhage)\n20:00 Questions');
  await teacher.getByRole('button', { name: 'Save the programme' }).click();
  await expect(teacher.getByText('It is changed.')).toBeVisible();
  await teacher.getByRole('button', { name: 'Try it at each point' }).click();
  const tried = teacher.getByRole('region', { name: 'The door at each point' });
  await expect(tried.getByRole('row', { name: /^19:10 Charts/ })).toBeVisible();

  // Its post goes out a while before, by itself.
  await teacher.goto(`${school.url}/classes/${n3}/sessions`);
  await expect(teacher.getByRole('heading', { name: 'Ahead' })).toBeVisible();
  await teacher.getByRole('link', { name: 'Posts', exact: true }).first().click();
  await teacher.getByRole('button', { name: 'Write a post' }).click();
  await teacher
    .getByRole('textbox', { name: 'Words', exact: true })
    .fill('The evening begins soon.');
  await choose(teacher, /^Link at Coastal Navigation, period 3/, /“An evening of charts”/);
  await choose(teacher, 'What it is about', /the session of one day/);
  await teacher.getByLabel('Day of the session').fill('5 Nov');
  await choose(teacher, 'When it goes out', /some minutes before/);
  await choose(teacher, 'What becomes of it', 'is struck through');
  await teacher.getByLabel('Link words').fill('To the evening');
  await teacher.getByRole('button', { name: 'Queue 1 post' }).click();
  await expect(row(teacher, 'The evening begins soon.')).toContainText('Goes out Thu 5 Nov 18:50');

  await school.setTime('18:55', EVENING);
  const reader = await school.openPhone();
  await school.stream(reader, 'nav-3', 'Ansel Grue');
  await expect(async () => {
    await reader.reload();
    await expect(reader.getByText('The evening begins soon.')).toBeVisible({ timeout: 500 });
  }).toPass();
  const link = reader.getByRole('link', { name: 'To the evening' });
  const door = new URL((await link.getAttribute('href'))!);

  await teacher.goto(`${school.url}/desk/${session.linkId}`);
  await enterRoom(teacher, 'Open the door now');
  await school.setTime('19:11', EVENING);
  const student = await school.openPhone('Ansel Grue');
  await student.goto(`${school.url}${door.pathname}`);
  const programme = student.getByRole('region', { name: 'Programme' });
  await expect(programme.getByRole('listitem').nth(1)).toContainText('now');

  // Its door closes two hours after its end, unless its host ends it before.
  await school.setTime('22:31', EVENING);
  await expect(async () => {
    await reader.reload();
    await expect(reader.getByText('It is over.')).toBeVisible({ timeout: 500 });
  }).toPass();
  await expect(reader.locator('del').getByText('The evening begins soon.')).toBeVisible();
});
