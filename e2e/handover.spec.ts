import { clipboard, enterRoom, expect, saved, type School, test } from './support.js';
import type { Page } from '@playwright/test';

async function running(school: School): Promise<{ desk: Page; room: Page; door: string }> {
  await school.setTime('10:46');
  const desk = await school.open('Ottoline Marsh');
  await desk.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  const room = await enterRoom(desk, 'Open the door now');
  return { desk, room, door: school.door('N3') };
}

test('the host hands over and leaves; the acting host lets people in, till the end', async ({
  school,
}) => {
  const { desk, room, door } = await running(school);
  const signe = await school.open('Signe Aalto');
  await signe.goto(door);
  await signe.getByRole('button', { name: 'Knock' }).click();
  await desk.getByRole('button', { name: 'Let Signe Aalto in' }).click();
  await expect(signe.locator('#you')).toContainText('You are Signe Aalto, presenter.');
  await expect(desk.getByRole('region', { name: 'Inside' })).toContainText('Signe Aalto');

  await desk.getByRole('button', { name: 'Hand over…' }).click();
  await desk.getByRole('radio', { name: /Signe Aalto named presenter, inside/ }).check();
  await desk.getByRole('button', { name: 'Hand over to Signe Aalto and leave' }).click();
  await expect(room.getByRole('heading', { name: 'You have left' })).toBeVisible();
  await expect(signe.locator('#you')).toContainText('You are Signe Aalto, host.');

  const student = await school.openPhone('Ansel Grue');
  await student.goto(door);
  await student.getByRole('button', { name: 'Knock' }).click();
  await expect(student.getByRole('heading', { name: 'You are in the lobby' })).toBeVisible();
  const hers = await signe.context().newPage();
  await hers.goto(`${school.url}/today`);
  await hers.getByRole('link', { name: 'To the desk' }).click();
  await expect(hers.getByText('You are acting host')).toBeVisible();
  await hers.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue, inside.');
  await hers.getByRole('button', { name: 'Close the room' }).click();
  for (const page of [signe, student])
    await expect(page.getByRole('heading', { name: 'The room is closed' })).toBeVisible();
  await expect(hers.getByText('Your turn as acting host is over')).toBeVisible();
});

test('the desk by keyboard and in its small form: knock signal, next one in, all of the roll', async ({
  school,
}) => {
  const { desk, door } = await running(school);
  await expect(desk).toHaveTitle('Desk: Coastal Navigation, period 3 · Glen');
  const students = await Promise.all(
    ['Ansel Grue', 'Birgit Tideman', 'Caspian Holloway'].map((name) => school.openPhone(name)),
  );
  for (const student of students) {
    await student.goto(door);
    await student.getByRole('button', { name: 'Knock' }).click();
  }
  await expect(desk).toHaveTitle('(3) Desk: Coastal Navigation, period 3 · Glen');
  await expect(students[2]!.getByText('2 people have waited longer.')).toBeVisible();
  await desk.keyboard.press('i');
  await expect(desk.getByRole('heading', { name: 'In the lobby 2' })).toBeVisible();
  await expect(students[0]!.locator('#you')).toContainText('You are Ansel Grue');
  await desk.getByRole('button', { name: 'Knocks sound' }).click();
  await desk.reload();
  await expect(desk.getByRole('button', { name: 'Knocks are silent' })).toHaveAttribute(
    'aria-pressed',
    'false',
  );

  // The window that stays on top, where the browser has it: the same desk in it, with keys of its own.
  const [onTop] = await Promise.all([
    desk.context().waitForEvent('page'),
    desk.getByRole('button', { name: 'Small desk' }).click(),
  ]);
  await expect(onTop.getByRole('button', { name: 'Let the roll in (2)' })).toBeVisible();
  expect(
    await desk.evaluate(
      () =>
        (window as unknown as { documentPictureInPicture: { window: Window | null } })
          .documentPictureInPicture.window !== null,
    ),
  ).toBe(true);
  await onTop.close();

  const small = await desk.context().newPage();
  await small.setViewportSize({ width: 340, height: 560 });
  await small.goto(`${school.url}/desk/${school.classOf('N3').link.id}/small`);
  await expect(small.getByRole('button', { name: 'Let the roll in (2)' })).toBeVisible();
  expect(
    await small.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    ),
  ).toBe(0);
  await small.keyboard.press('a');
  await expect(small.getByText('Nobody knocks.')).toBeVisible();
  for (const [i, name] of (['Birgit Tideman', 'Caspian Holloway'] as const).entries())
    await expect(students[i + 1]!.locator('#you')).toContainText(`You are ${name}`);
});

test('a student presents for a while; somebody from outside is brought in; the session runs longer', async ({
  school,
}) => {
  const { desk, door } = await running(school);
  const student = await school.openPhone('Ansel Grue');
  await student.goto(door);
  await student.getByRole('button', { name: 'Knock' }).click();
  await desk.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(student.locator('#you')).toContainText(', inside.');
  await expect(student.locator('#share')).toBeHidden();
  await desk.getByRole('button', { name: 'Let Ansel Grue present' }).click();
  await expect(student.locator('#you')).toContainText('You are Ansel Grue, presenter.');
  await student.getByLabel('Slide').selectOption('Chart symbols');
  await student.getByRole('button', { name: 'Share it' }).click();
  await expect(student.getByText('Ansel Grue shares')).toBeVisible();
  await desk.getByRole('button', { name: 'Ansel Grue presents no longer' }).click();
  await expect(student.locator('#you')).toContainText(', inside.');

  const hedda = await school.openPhone('Hedda Grue', { kinds: ['personal'] });
  await hedda.goto(door);
  await expect(
    hedda.getByRole('heading', { name: 'This door needs your school account' }),
  ).toBeVisible();
  await desk.getByRole('button', { name: 'Bring in…' }).click();
  await desk.getByLabel('Name or mail address').fill('Hedda');
  await desk.getByRole('button', { name: 'Hedda Grue guest, from outside the school' }).click();
  await expect(
    desk.getByRole('status').filter({ hasText: 'from outside the school' }),
  ).toBeVisible();
  await desk.keyboard.press('Escape');
  await hedda.getByRole('button', { name: 'Go in' }).click();
  await expect(hedda.locator('#you')).toContainText('You are Hedda Grue');

  await desk.getByRole('button', { name: 'Run longer…' }).click();
  await expect(desk.getByText('till 11:50, into Chartwork clinic')).toBeVisible();
  await desk.getByRole('button', { name: '5 min more', exact: true }).click();
  await expect(desk.getByText('Wed 14 Oct, 10:45–11:40')).toBeVisible();
  await desk.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(desk.getByText('5 min longer')).toBeVisible();
});

test('the link is taken along in every form, and a code about to stand in public is stopped', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await page.goto(`${school.url}/classes/${n3.id}/entry`);
  await page.getByRole('button', { name: 'Entry code: none' }).click();
  await page.getByLabel('Entry code', { exact: true }).fill('Tide 42');
  await page.getByRole('button', { name: 'Save the rule' }).click();
  await page.getByRole('button', { name: 'Copy as…' }).click();
  const preview = page.getByRole('region', { name: 'What will be copied' });
  await expect(
    preview.getByRole('link', { name: 'Coastal Navigation, period 3, Wed 14 Oct 10:45' }),
  ).toHaveAttribute('href', n3.link.address);
  await expect(page.getByText('The code is not in it')).toBeVisible();
  await page.getByRole('button', { name: 'Everything' }).click();
  await expect(preview).toContainText('Entry code: Tide 42');
  await expect(preview).toContainText(
    'Wednesday, 14 October 2026, 10:45 to 11:35 (school time, Halifax)',
  );

  await page.getByLabel('Anyone: it goes on a public page').check();
  await expect(page.getByText('The entry code would stand in public')).toBeVisible();
  await page.getByRole('button', { name: 'Leave the code out' }).click();
  await expect(preview).not.toContainText('Tide 42');
  await page.getByLabel('The class, or whom I send it to').check();
  await page.getByRole('checkbox', { name: 'How to get in' }).uncheck();
  await page.getByRole('button', { name: 'Copy it, rich and plain' }).click();
  await expect
    .poll(async () => (await clipboard(page)).plain)
    .toBe(
      `Coastal Navigation, period 3, Wed 14 Oct 10:45:\n${n3.link.address}\n\nWednesday, 14 October 2026, 10:45 to 11:35 (school time, Halifax)`,
    );
  expect((await clipboard(page)).html).toContain('target="_blank"');
  await page.getByRole('radio', { name: 'Markdown' }).click();
  await page.getByRole('button', { name: 'Copy it as Markdown' }).click();
  await expect
    .poll(async () => (await clipboard(page)).plain)
    .toContain(`[Coastal Navigation, period 3, Wed 14 Oct 10:45](${n3.link.address})`);

  const take = (button: string) => saved(page, button);
  const svg = await take('QR code, SVG');
  expect([svg.name, svg.bytes.toString().slice(0, 4)]).toEqual([
    'coastal-navigation-period-3-door.svg',
    '<svg',
  ]);
  const png = await take('QR code, PNG');
  expect(png.bytes.subarray(1, 4).toString()).toBe('PNG');
  // Read back by the browser's own reader where it has one; else its size tells that it is a picture.
  expect(png.bytes.readUInt32BE(16)).toBe(1024);
  const ics = await take('Calendar file, Wed 14 Oct 10:45');
  expect(ics.name).toBe('coastal-navigation-period-3-2026-10-14.ics');
  expect(ics.bytes.toString()).toContain('DTSTART:20261014T134500Z');
  expect(ics.bytes.toString()).not.toContain('Tide 42');
  await page.getByRole('checkbox', { name: 'Entry code' }).check();
  const withCode = await take('Calendar file, Wed 14 Oct 10:45');
  const unfolded = withCode.bytes.toString().replace(/\r\n[ \t]/g, '');
  expect(unfolded).toContain('Entry code: Tide 42');
});

test('a host who leaves is told who is inside, in the room and as they hand over', async ({
  school,
}) => {
  const { desk, room, door } = await running(school);
  const student = await school.openPhone('Ansel Grue');
  await student.goto(door);
  await student.getByRole('button', { name: 'Knock' }).click();
  await desk.getByRole('button', { name: 'Let Ansel Grue in' }).click();
  await expect(room.locator('#seats')).toContainText('Ansel Grue');

  await desk.getByRole('button', { name: 'Hand over…' }).click();
  await expect(desk.getByText('Still inside: Ansel Grue.')).toBeVisible();
  await desk.getByRole('radio', { name: /Tomas Verhage/ }).check();
  await expect(desk.getByText('They are without a host until somebody comes.')).toBeVisible();
  await desk.keyboard.press('Escape');

  // The tab is closed by mistake: the browser asks, and whoever stays is still in.
  await room.bringToFront();
  await room.getByRole('button', { name: 'Take the floor' }).click();
  const asked = room.waitForEvent('dialog');
  await room.close({ runBeforeUnload: true });
  const dialog = await asked;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.dismiss();
  await room.getByRole('button', { name: 'Leave the room' }).click();
  await expect(room.getByText('Still inside: Ansel Grue. Nobody hosts them then.')).toBeVisible();
  await room.getByRole('button', { name: 'Stay' }).click();
  await room.getByRole('button', { name: 'Leave the room' }).click();
  await room.getByRole('button', { name: 'Leave all the same' }).click();
  await expect(room.getByRole('heading', { name: 'You have left' })).toBeVisible();
  await expect(desk.getByRole('region', { name: 'Inside' })).not.toContainText('host ·');
});
