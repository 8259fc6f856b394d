import type { Page } from '@playwright/test';
import { choose, enterRoom, expect, test, type School } from './support.js';

/** A lesson of period 3 whose host has closed the room's tab, with a student in it, at a size of screen. */
async function leftAlone(
  school: School,
  viewport: { width: number; height: number },
): Promise<{ desk: Page; student: Page }> {
  await school.setTime('10:46');
  const desk = await school.open('Ottoline Marsh', { viewport });
  await desk.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  const room = await enterRoom(desk, 'Open the door now');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await student.getByRole('button', { name: 'Knock' }).click();
  await desk.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
  const inside = desk.getByRole('region', { name: 'Inside' });
  await expect(inside).toContainText('Ansel Grue');
  await room.close();
  await expect(inside).not.toContainText('Ottoline Marsh');
  return { desk, student };
}

const SIZES = [
  ['wide', { width: 1280, height: 800 }],
  ['phone', { width: 390, height: 844 }],
] as const;

for (const [width, viewport] of SIZES)
  test(`a lesson is not left alone: desk, Today and the day line say it, and the room closes, ${width}`, async ({
    school,
  }) => {
    const { desk, student } = await leftAlone(school, viewport);
    await school.setTime('10:50');
    await expect(desk.getByText('No host is in the room')).toBeVisible();

    await desk.goto(`${school.url}/today`);
    await expect(desk.getByText('No host is in: Coastal Navigation')).toBeVisible();
    const line = desk.getByRole('navigation', { name: 'Today’s hours' });
    await expect(line.getByRole('button', { name: /no host is in/ })).toBeVisible();
    await line.getByRole('button', { name: /no host is in/ }).click();
    await expect(desk.getByRole('region', { name: 'Inside' })).toContainText('Ansel Grue');

    await school.setTime('10:53');
    await expect(student.getByRole('heading', { name: 'The room is closed' })).toBeVisible();
    await expect(desk.getByText('Nobody is in the room.')).toBeVisible();
    await expect(desk.getByRole('button', { name: 'Open the door now' })).toBeVisible();
  });

test('for how long people may be in alone is set in the sentence, and taken back', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/classes/${school.classOf('N3').id}/entry`);
  const label = /^When everybody is out after all hosts have left/;
  const minutes = teacher.getByRole('combobox', { name: label });
  await expect(minutes).toHaveText('5 min');
  await choose(teacher, label, '20 min');
  await expect(minutes).toHaveText('20 min');
  await teacher.reload();
  await expect(minutes).toHaveText('20 min');
  await choose(teacher, label, 'Back to 5 min');
  await expect(minutes).toHaveText('5 min');
  await teacher.getByRole('button', { name: 'Undo' }).click();
  await expect(minutes).toHaveText('20 min');
});
