import { clipboard, enterRoom, expect, test } from './support.js';

test('the whole path: plan a session, copy and post its link, let a student in', async ({
  school,
}) => {
  const teacher = await school.open();
  await test.step('the teacher signs in by password and sees the day', async () => {
    await teacher.goto(school.url);
    await teacher.getByLabel('Address').fill('o.marsh@merrow.example');
    await teacher.getByLabel('Password').fill('wrong');
    await teacher.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(teacher.getByText('Address and password do not fit together.')).toBeVisible();
    await expect(teacher.getByLabel('Address')).toHaveValue('o.marsh@merrow.example');
    await teacher.getByLabel('Password').fill('fair-winds-2026');
    await teacher.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(teacher.getByRole('heading', { name: 'Wednesday, 7 sessions' })).toBeVisible();
    await expect(
      teacher.getByRole('button', { name: /Ottoline Marsh school account/ }),
    ).toBeVisible();
    await expect(teacher.getByText('Demo day · Wed 14 Oct 10:3')).toBeVisible();
  });

  await test.step('schedules a session in a sentence, with the dry run beside it', async () => {
    await teacher.getByRole('link', { name: /Schedule a session/ }).click();
    await teacher.getByRole('combobox', { name: 'Class period' }).click();
    await teacher.getByRole('option', { name: 'Coastal Navigation, period 3' }).click();
    await teacher.getByRole('button', { name: 'Date', exact: true }).click();
    await teacher.getByRole('button', { name: /Monday, October 19/ }).click();
    const margin = teacher.getByRole('complementary');
    await expect(margin).toContainText('Mon 19 Oct, a school day');
    await expect(margin).toContainText('Fog bells');
    await expect(margin).toContainText('Mon 19 Oct clashes');
    await expect(margin).toContainText(
      'Coastal Navigation, period 3, 11:05–11:45, has this link, you',
    );
    await teacher.getByRole('combobox', { name: 'Bell period or time' }).click();
    await teacher.getByRole('option', { name: 'at a time of day' }).click();
    await teacher.getByLabel('Time', { exact: true }).fill('16:20');
    await teacher.getByLabel('Minutes').fill('40');
    await expect(margin).not.toContainText('clashes');
    await expect(margin).toContainText(school.classOf('N3').link.code);
    await teacher.getByLabel('Title').fill('Chart <b>corrections</b>');
    await teacher.getByRole('button', { name: 'Schedule Monday’s session' }).click();
    await expect(teacher.getByText('Chart <b>corrections</b>').first()).toBeVisible();
    await expect(teacher).toHaveURL(/\/classes\/\d+/);
  });

  await test.step('copies the link, bare and in words', async () => {
    const address = school.door('N3');
    await teacher.getByRole('button', { name: 'Copy link' }).click();
    await expect.poll(() => teacher.evaluate(() => navigator.clipboard.readText())).toBe(address);
    await teacher.getByRole('button', { name: 'Copy as…' }).click();
    await teacher.getByLabel('The words that are the link').fill('To the lesson');
    await teacher.getByRole('button', { name: 'Copy it, rich and plain' }).click();
    await expect
      .poll(async () => (await clipboard(teacher)).plain)
      .toBe(`To the lesson:\n${address}`);
    expect((await clipboard(teacher)).html).toContain(`href="${address}"`);
    await teacher.keyboard.press('Escape');
  });

  await test.step('posts it to the class stream', async () => {
    await teacher
      .getByRole('navigation', { name: /^About/ })
      .getByRole('link', { name: 'Posts' })
      .click();
    await teacher.getByRole('button', { name: 'Post the link' }).click();
    await teacher.getByLabel('Words', { exact: true }).fill('Today we correct charts.');
    await teacher.getByLabel('Link words').fill('To the chart table');
    await expect(
      teacher
        .getByRole('region', { name: 'As students will see it' })
        .getByRole('link', { name: 'To the chart table' }),
    ).toBeVisible();
    await teacher.getByRole('button', { name: 'Post it now' }).click();
    const row = teacher.getByRole('listitem').filter({ hasText: 'Today we correct charts.' });
    await expect(row.getByText('Out', { exact: true })).toBeVisible();
  });

  const student = await school.openPhone('Ansel Grue');
  const door = await test.step('a student finds the post and follows it to the door', async () => {
    await school.stream(student, 'nav-3', 'Ansel Grue');
    await expect(student.getByText('Today we correct charts.')).toBeVisible();
    const [tab] = await Promise.all([
      student.context().waitForEvent('page'),
      student.getByRole('link', { name: 'To the chart table' }).click(),
    ]);
    await expect(tab.getByRole('heading', { name: 'Coastal Navigation, period 3' })).toBeVisible();
    await expect(tab.getByText('ansel.grue@merrow.example')).toBeVisible();
    await expect(tab.getByRole('heading', { name: 'The door opens at 10:40' })).toBeVisible();
    await expect(tab.getByLabel('Time until the door opens')).toHaveText(/^\d+ (min|s)$/);
    return tab;
  });

  const room =
    await test.step('the teacher opens the door before its time; the student is let on and waits in the lobby', async () => {
      await teacher.getByRole('link', { name: 'Today', exact: true }).click();
      const opened = await enterRoom(teacher, 'Open the door now');
      await expect(teacher.getByRole('heading', { name: 'In the lobby 1' })).toBeVisible();
      await expect(door.getByRole('heading', { name: 'You are in the lobby' })).toBeVisible();
      await expect(
        door.getByText('Ottoline Marsh is in the room and can see that you are waiting.'),
      ).toBeVisible();
      return opened;
    });

  await test.step('lets the student in; both see each other in the room', async () => {
    const knock = teacher.getByRole('region', { name: 'In the lobby' }).getByRole('listitem');
    await expect(knock).toContainText('Ansel Grue');
    await expect(knock).toContainText('school account · on the roll');
    await teacher.getByRole('button', { name: 'Let Ansel Grue in' }).click();
    await expect(door.locator('#you')).toContainText('You are Ansel Grue, inside.');
    for (const page of [room, door])
      await expect(page.locator('#seats')).toContainText('Ottoline Marsh');
    await expect(room.locator('#seats')).toContainText('Ansel Grue');
    await expect(teacher.getByRole('region', { name: 'Inside' })).toContainText('Ansel Grue');
    await expect(teacher.getByRole('heading', { name: 'Missing from the roll 23' })).toBeVisible();
  });

  await test.step('the room holds what the rules say, for all to see', async () => {
    await expect(door.getByRole('button', { name: 'Take the floor', exact: true })).toHaveCount(0);
    await door.getByRole('button', { name: 'Microphone on' }).click();
    await expect(room.getByRole('row', { name: 'Ansel Grue inside on off' })).toBeVisible();
    await expect(door.getByRole('button', { name: 'Cameras are off in this room' })).toBeDisabled();
    await room.getByRole('button', { name: 'Take the floor', exact: true }).click();
    await expect(
      door.getByRole('row', { name: /Ottoline Marsh host .* has the floor/ }),
    ).toBeVisible();
  });

  await test.step('simulated students come through the door like anyone', async () => {
    await room.getByLabel(/simulated students/).fill('3');
    await room.getByRole('button', { name: 'Send them to the door' }).click();
    await expect(teacher.getByRole('heading', { name: 'In the lobby 3' })).toBeVisible({
      timeout: 20000,
    });
    await teacher.getByRole('button', { name: 'Let all in' }).click();
    await expect(teacher.getByRole('heading', { name: 'Inside 5' })).toBeVisible();
    await expect(room.locator('#seats tr')).toHaveCount(5);
  });

  await test.step('closes the room', async () => {
    await teacher.getByRole('button', { name: 'Close the room' }).click();
    for (const page of [room, door])
      await expect(page.getByRole('heading', { name: 'The room is closed' })).toBeVisible();
    await expect(teacher.getByText('Ended', { exact: true }).first()).toBeVisible();
    await door.goto(school.door('N3'));
    await expect(door.getByRole('heading', { name: 'This session has ended' })).toBeVisible();
  });
});
