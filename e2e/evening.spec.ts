import { expectNoViolations, sideways } from './seen.js';
import { enterRoom, expect, test } from './support.js';

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
  await teacher.getByRole('button', { name: 'Have it so' }).click();
  await expect(teacher.getByText(/^Line 2, “Charts”/)).toBeVisible();
  await lines.fill('19:00 Welcome (Ottoline Marsh)\n19:10 Charts\n19:40 Questions');
  await teacher.getByRole('button', { name: 'Have it so' }).click();
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
