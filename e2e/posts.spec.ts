import { choose, clipboard, expect, test } from './support.js';
import { compose, addPlace, row } from './composing.js';

test('one post goes to three class periods at once, each with its own link, and is found in one place', async ({
  school,
}) => {
  const page = await compose(school, 'Bring dividers, all of you.');
  await addPlace(page, /the class stream/, /Coastal Navigation, period 3/);
  await addPlace(page, /the class stream/, /Coastal Navigation, period 6/);
  const margin = page.getByRole('complementary', { name: 'In the margin' });
  await expect(margin.getByText('Goes to 3 class periods')).toBeVisible();
  await expect(margin.getByText('68 students read it')).toBeVisible();
  // What each will see, before anything is sent.
  await choose(page, 'Place shown', 'Stream of Coastal Navigation, period 6');
  await expect(
    page
      .getByRole('region', { name: 'As students will see it' })
      .getByRole('link', { name: 'Join Coastal Navigation, period 6' }),
  ).toHaveAttribute('href', school.door('N6'));
  await page.getByRole('button', { name: 'Post it now to 3 places' }).click();
  await expect(
    row(page, 'Bring dividers, all of you.').getByText('Out', { exact: true }),
  ).toBeVisible();
  const student = await school.openPhone();
  for (const [ref, letters] of [
    ['nav-1', 'N1'],
    ['nav-3', 'N3'],
    ['nav-6', 'N6'],
  ] as const) {
    await school.stream(student, ref, 'Ottoline Marsh');
    await expect(student.getByText('Bring dividers, all of you.')).toHaveCount(1);
    await expect(
      student.getByRole('link', { name: `Join Coastal Navigation, period ${letters[1]}` }).first(),
    ).toHaveAttribute('href', school.door(letters));
    await student.getByRole('button', { name: 'Change reader' }).click();
  }
});

test('ten minutes before, follows the moved session, and is taken down after it', async ({
  school,
}) => {
  const page = await compose(school, 'Starts soon: {title}.');
  await addPlace(page, /the class stream/, /Coastal Navigation, period 3/);
  await page
    .getByRole('button', { name: /Take away: the class stream of Coastal Navigation, period 1/ })
    .click();
  await choose(page, 'What it is about', /the session of one day/);
  await expect(
    page.getByRole('complementary', { name: 'In the margin' }).getByText('Out Wed 14 Oct 10:35'),
  ).toBeVisible();
  await page.getByLabel('Link words').fill('Join at {time}');
  await page.getByRole('button', { name: 'Queue 1 post' }).click();
  await expect(row(page, 'Starts soon').getByText('Goes out Wed 14 Oct 10:35')).toBeVisible();
  const student = await school.openPhone();
  await school.stream(student, 'nav-3', 'Ottoline Marsh');
  await expect(student.getByText('Starts soon')).toHaveCount(0);
  // The clock is moved from the top bar, as people move it in the demo.
  await page.getByRole('button', { name: /Demo day/ }).click();
  await page.getByLabel('Time', { exact: true }).fill('10:35');
  await page.getByRole('button', { name: 'Go there' }).click();
  await expect(row(page, 'Starts soon').getByText('Out', { exact: true })).toBeVisible();
  await student.reload();
  await expect(student.getByRole('link', { name: 'Join at 10:45' })).toHaveCount(1);
  // Moved to the afternoon: what stands follows within seconds, and once.
  await page.goto(`${school.url}/today`);
  await page.getByRole('link', { name: 'Change it' }).click();
  await choose(page, 'Bell period or time', /at a time of day/);
  await page.getByLabel('Time', { exact: true }).fill('15:20');
  await page.getByRole('button', { name: /^Save/ }).click();
  await expect(page).not.toHaveURL(/\/plan\/\d+/);
  await expect(async () => {
    await student.reload();
    await expect(student.getByRole('link', { name: 'Join at 15:20' })).toHaveCount(1, {
      timeout: 500,
    });
  }).toPass();
  await school.setTime('17:00');
  await expect(async () => {
    await student.reload();
    await expect(student.getByText('Starts soon')).toHaveCount(0, { timeout: 500 });
  }).toPass();
});

test('a section of the course page bears the next date by itself; a replaced link is put there too', async ({
  school,
}) => {
  const page = await compose(school, '');
  await page.getByLabel('Link words').fill('Our door');
  await addPlace(page, /the course page/, /Coastal Navigation, period 6/);
  await page.getByRole('button', { name: /Take away: the class stream/ }).click();
  await choose(page, 'Section', /a section of its own/);
  await expect(
    page
      .getByRole('region', { name: 'As students will see it' })
      .getByText('Next lesson: Wed 14 Oct'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Post it now' }).click();
  await expect(row(page, 'Our door').getByText('Out', { exact: true })).toBeVisible();
  const student = await school.openPhone();
  await school.stream(student, 'nav-6', 'Ottoline Marsh');
  await expect(student.getByRole('heading', { name: 'Next lesson: Wed 14 Oct' })).toBeVisible();
  await school.setTime('15:30');
  await expect(async () => {
    await student.reload();
    await expect(student.getByRole('heading', { name: 'Next lesson: Thu 15 Oct' })).toBeVisible({
      timeout: 500,
    });
  }).toPass();
  const old = school.door('N6');
  await page.goto(
    `${school.url}/classes/${school.classOf('N6').id}/links/${school.classOf('N6').link.id}`,
  );
  await page.getByRole('button', { name: 'Replace the link…' }).click();
  await page.getByRole('button', { name: 'Replace it' }).click();
  await expect(page.getByRole('button', { name: 'Replace it' })).toHaveCount(0);
  await expect(async () => {
    await student.reload();
    await expect(student.getByRole('link', { name: 'Our door' })).not.toHaveAttribute('href', old, {
      timeout: 500,
    });
  }).toPass();
});

test('by hand: asked at the right minute with what to paste, ticked, and asked again when the link changes', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/today`);
  await expect(
    page
      .getByRole('navigation', { name: 'Today’s hours' })
      .getByRole('button', { name: /^14:10 by hand: Wall screen/ }),
  ).toBeVisible();
  await school.setTime('14:10');
  const note = page
    .getByRole('complementary', { name: 'In the margin' })
    .getByRole('listitem')
    .filter({ hasText: 'By hand: Wall screen in the chart room' });
  await note.getByRole('button', { name: 'Show what to paste' }).click();
  const paste = page.getByRole('region', { name: 'What to paste' });
  await paste.getByRole('button', { name: 'Copy the text' }).click();
  await expect(page.getByText('Copied, rich and plain.')).toBeVisible();
  const copied = await clipboard(page);
  expect(copied.html).toContain(`href="${school.door('N6')}"`);
  expect(copied.plain).toContain(school.door('N6'));
  await paste.getByRole('radio', { name: 'Markdown' }).click();
  await expect(paste.getByText(`](${school.door('N6')})`)).toBeVisible();
  await paste.getByRole('button', { name: 'Done, it stands there' }).click();
  const post = row(page, 'Tide tables ready?');
  await expect(post.getByText('done by hand').first()).toBeVisible();
  await page.request.post(`${school.url}/api/links/${school.classOf('N6').link.id}/replace`, {
    data: {
      version: (
        await (
          await page.request.get(`${school.url}/api/links/${school.classOf('N6').link.id}`)
        ).json()
      ).version,
      why: 'tidy-up',
      how: 'stop',
    },
    headers: { Origin: school.url },
  });
  await expect(post.getByText('by hand: to change')).toBeVisible();
});

test('a host who opens early is offered the post; many are withdrawn together; an item taken off the site is put back', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const { id } = school.classOf('C');
  await page.request.post(`${school.url}/api/classes/${id}/posts`, {
    data: { words: 'Clinic soon', linkWords: 'Come in', about: 'sessions', timing: { before: 10 } },
    headers: { Origin: school.url },
  });
  await school.setTime('11:20');
  await page.goto(`${school.url}/desk/${school.classOf('C').link.id}`);
  await expect(page.getByText('Its post is not out yet: it goes out at 11:30.')).toBeVisible();
  await page.getByRole('button', { name: 'Post it now' }).click();
  await expect(page.getByText('Its post is not out yet')).toHaveCount(0);
  const teacher = await school.open();
  await school.stream(teacher, 'clinic', 'Ottoline Marsh');
  // It is on its way: the desk has nothing more to say of it as soon as it goes.
  await expect(async () => {
    await teacher.reload();
    await expect(teacher.getByText('Clinic soon')).toHaveCount(1, { timeout: 500 });
  }).toPass();
  await teacher
    .getByRole('article')
    .filter({ hasText: 'Clinic soon' })
    .getByRole('button', { name: 'Take off the board' })
    .click();
  await expect(teacher.getByText('Clinic soon')).toHaveCount(0);
  await page.goto(`${school.url}/classes/${id}/posts`);
  await page.getByRole('button', { name: 'Look whether it all still stands there' }).click();
  await expect(row(page, 'Clinic soon').getByText('Gone from the site')).toBeVisible();
  await page
    .getByRole('complementary', { name: 'In the margin' })
    .getByRole('button', { name: 'Put it back' })
    .click();
  await expect(row(page, 'Clinic soon').getByText('Out', { exact: true })).toBeVisible();

  await page.keyboard.press('4');
  await expect(page.getByRole('heading', { name: 'Posts', level: 1 })).toBeVisible();
  await page.getByRole('radio', { name: /^Out/ }).click();
  await page.getByRole('checkbox', { name: /^Choose: Clinic soon/ }).check();
  await page.getByRole('checkbox', { name: /^Choose: We meet here/ }).check();
  await page.getByRole('button', { name: 'Withdraw 2' }).click();
  await page.getByRole('radio', { name: /^Over or withdrawn/ }).click();
  await expect(row(page, 'We meet here').getByText(/Withdrawn|Being taken down/)).toBeVisible();
});

test('course site down: the post waits, the screen says so, it goes out later, once', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  const student = await school.openPhone();
  await school.courseSite('down');
  await teacher.goto(`${school.url}/classes/${school.classOf('N1').id}/posts`);
  await teacher.getByRole('button', { name: 'Post the link' }).click();
  await teacher.getByLabel('Words', { exact: true }).fill('Storm post');
  await teacher.getByRole('button', { name: 'Post it now' }).click();
  const row = teacher.getByRole('listitem').filter({ hasText: 'Storm post' });
  await expect(row.getByText('Waits for the course site')).toBeVisible();
  await expect(row.getByText('closed for repairs')).toBeVisible();
  await school.courseSite('none');
  await expect(row.getByText('Out', { exact: true })).toBeVisible();
  await school.stream(student, 'nav-1', 'Ottoline Marsh');
  await expect(student.getByText('Storm post')).toHaveCount(1);
});

test('a queued post follows the clock; withdrawn, it goes; undone, it stays', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  const student = await school.openPhone();
  await teacher.goto(`${school.url}/classes/${school.classOf('N6').id}/posts`);
  const row = teacher.getByRole('listitem').filter({ hasText: 'Tidal streams today.' });
  await expect(row.getByText('Goes out Wed 14 Oct 14:05')).toBeVisible();
  await school.setTime('14:05');
  await expect(row.getByText('Out', { exact: true })).toBeVisible();
  await school.stream(student, 'nav-6', 'Ottoline Marsh');
  await expect(student.getByText('Tidal streams today.')).toHaveCount(1);
  await row.getByRole('button', { name: 'Withdraw' }).click();
  await expect(row.getByText('Being taken down')).toBeVisible();
  await teacher.getByRole('button', { name: 'Undo' }).click();
  await expect(row.getByText('Out', { exact: true })).toBeVisible();
  await row.getByRole('button', { name: 'Withdraw' }).click();
  await expect(row.getByText('Withdrawn', { exact: true })).toBeVisible();
  await student.reload();
  await expect(student.getByText('Nothing has been pinned up yet.')).toBeVisible();
});
