import type { Page } from '@playwright/test';
import { clipboard, expect, test, type School } from './support.js';

const choose = async (
  page: Page,
  label: string | RegExp,
  option: string | RegExp,
  nth = 0,
): Promise<void> => {
  await page.getByRole('combobox', { name: label }).nth(nth).click();
  await page.getByRole('option', { name: option }).click();
};
/** Opens the composer of the Posts place. */
async function compose(school: School, words: string): Promise<Page> {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/posts`);
  await page.getByRole('button', { name: 'Write a post' }).click();
  await page.getByRole('textbox', { name: 'Words', exact: true }).fill(words);
  return page;
}
const addPlace = async (page: Page, kind: string | RegExp, of: string | RegExp): Promise<void> => {
  await choose(page, 'Kind of place', kind);
  await choose(page, 'Class period of the place', of);
  await page.getByRole('button', { name: 'Add this place' }).click();
};
const row = (page: Page, words: string) =>
  page.getByRole('listitem').filter({ hasText: words }).first();

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
  await choose(page, 'Class period of the place', /Coastal Navigation, period 3/);
  await page.getByRole('button', { name: 'Add this place' }).click();
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
  await paste.getByRole('button', { name: 'Copy it' }).click();
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

test('an item for one group is unseen by the others, and see-as shows what the course site shows', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const { id } = school.classOf('R5');
  const { roll } = (await (await page.request.get(`${school.url}/api/classes/${id}`)).json()) as {
    roll: { id: number; name: string }[];
  };
  const { groups } = (await (
    await page.request.get(`${school.url}/api/classes/${id}/groups`)
  ).json()) as { groups: { members: number[] }[] };
  const student = await school.openPhone();
  for (const [member, sees, not] of [
    [groups[0]!.members[0], 'Port watch: your door', 'Starboard watch: your door'],
    [groups[1]!.members[0], 'Starboard watch: your door', 'Port watch: your door'],
  ] as const) {
    const { name } = roll.find((p) => p.id === member)!;
    await page.goto(`${school.url}/posts/see-as?class=${id}&person=${member}`);
    const board = page.getByRole('region', { name: `As ${name} sees it` });
    await expect(board.getByRole('link', { name: sees })).toBeVisible();
    await expect(board.getByText(not)).toHaveCount(0);
    await school.stream(student, 'ropework', name);
    await expect(student.getByRole('link', { name: sees })).toHaveAttribute(
      'href',
      (await board.getByRole('link', { name: sees }).getAttribute('href')) ?? '',
    );
    await expect(student.getByText(not)).toHaveCount(0);
    await student.getByRole('button', { name: 'Change reader' }).click();
  }
});

test('a private link about to go where others read is stopped, and says who would see it', async ({
  school,
}) => {
  const page = await compose(school, 'For the watch.');
  await addPlace(page, /the class stream/, /Ropework, period 5/);
  await page
    .getByRole('button', { name: /Take away: the class stream of Coastal Navigation, period 1/ })
    .click();
  await choose(page, 'Link at Ropework, period 5', /the link “Port watch”/);
  await choose(page, 'Who sees it at Ropework, period 5', /the whole class/);
  await expect(
    page
      .getByRole('region', { name: 'Where it goes' })
      .getByText(/This link would be seen by .+ and \d+ more, whom it is not for/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Post it now' }).click();
  await expect(page.getByRole('heading', { name: 'New post' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Words', exact: true })).toContainText(
    'For the watch.',
  );
  await page.getByRole('button', { name: 'Show it to the link’s own people only' }).click();
  await expect(page.getByText(/whom it is not for/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Post it now' }).click();
  await expect(row(page, 'For the watch.').getByText('Out', { exact: true })).toBeVisible();
});

test('reach: none is posted to, a leak is withdrawn, the second door hidden, the stale one pointed at', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const margin = page.getByRole('complementary', { name: 'In the margin' });
  const reach = (letters: string, linkId?: number): Promise<unknown> =>
    page.goto(`${school.url}/posts/reach?link=${linkId ?? school.classOf(letters).link.id}`);
  await reach('N1');
  await margin
    .getByRole('listitem')
    .filter({ hasText: '22 students see no link' })
    .getByRole('button', { name: 'Post it to the stream' })
    .click();
  await expect(margin.getByText('22 students see exactly one right link')).toBeVisible();
  await expect(page.getByRole('row', { name: /^Stream Join/ })).toBeVisible();

  // A second link for the same, posted too.
  const { id } = school.classOf('N1');
  const send = (path: string, data: object) =>
    page.request.post(school.url + path, { data, headers: { Origin: school.url } });
  const twin = (await (
    await send(`/api/classes/${id}/links`, {
      label: 'Spare door',
      purpose: 'Lessons',
      kind: 'lesson',
      shown: true,
      audience: { classIds: [id], groupIds: [], personIds: [], emails: [], hostIds: [] },
    })
  ).json()) as { id: number };
  await send(`/api/classes/${id}/posts`, {
    words: '',
    linkWords: 'Spare',
    places: [{ classId: id, linkId: twin.id, kind: 'stream' }],
  });
  await margin
    .getByRole('listitem')
    .filter({ hasText: '22 students see two doors for the same' })
    .getByRole('button', { name: /^Hide the second door/ })
    .click();
  await expect(margin.getByText('22 students see exactly one right link')).toBeVisible({
    timeout: 15000,
  });

  // The site takes no change while the link is replaced: the old one stays there until it is sent again.
  const refusing = (kind: string): Promise<unknown> =>
    page.request.post(`${school.demo.courseSite}/trouble`, {
      form: { kind, ref: 'nav-1' },
      maxRedirects: 0,
    });
  await refusing('refusing');
  const { version } = (await (
    await page.request.get(`${school.url}/api/links/${school.classOf('N1').link.id}`)
  ).json()) as { version: number };
  await send(`/api/links/${school.classOf('N1').link.id}/replace`, {
    version,
    why: 'leaked',
    how: 'stop',
  });
  await page.goto(`${school.url}/classes/${id}/posts`);
  await expect(
    page.getByText('The course site refused: this class takes no posts').first(),
  ).toBeVisible({ timeout: 15000 });
  await refusing('none');
  await reach('N1');
  await margin
    .getByRole('listitem')
    .filter({ hasText: '22 students see an old link' })
    .getByRole('button', { name: /^Put the new one there: Stream/ })
    .click();
  await expect(margin.getByText('22 students see exactly one right link')).toBeVisible({
    timeout: 15000,
  });

  await reach('N6');
  await expect(margin.getByText('22 students see an old link')).toBeVisible();
  await expect(
    page.getByRole('row', { name: /old link · Join the lesson · not put there by Glen/ }),
  ).toBeVisible();
  await choose(page, 'At what time', /when the next session begins/);
  await expect(page.getByRole('row', { name: /^Stream Tidal streams/ })).toBeVisible();

  // A group's post whose audience shrinks: those who have left it no longer read it.
  const { id: r5 } = school.classOf('R5');
  const links = (
    (await (await page.request.get(`${school.url}/api/classes/${r5}/links`)).json()) as {
      links: { id: number; label: string }[];
    }
  ).links;
  const port = links.find((l) => l.label === 'Port watch')!;
  await reach('R5', port.id);
  await expect(margin.getByText('12 students see exactly one right link')).toBeVisible();
  const starboard = (
    (await (await page.request.get(`${school.url}/api/classes/${r5}/groups`)).json()) as {
      groups: { id: number; name: string }[];
    }
  ).groups.find((g) => g.name === 'Starboard watch')!;
  // Entry for any school account lets the post stand there; then the door is for the watch alone again.
  const rules = async (whoMayEnter: string): Promise<void> => {
    const { version } = (await (
      await page.request.get(`${school.url}/api/links/${port.id}/rules`)
    ).json()) as { version: number };
    await page.request.put(`${school.url}/api/links/${port.id}/rules`, {
      data: { version, rules: { whoMayEnter } },
      headers: { Origin: school.url },
    });
  };
  await rules('school');
  await send(`/api/classes/${r5}/posts`, {
    words: 'To the wrong watch',
    linkWords: 'Join',
    places: [{ classId: r5, linkId: port.id, kind: 'stream', readers: { groupId: starboard.id } }],
  });
  await rules('roll');
  await page.reload();
  await margin
    .getByRole('listitem')
    .filter({ hasText: '11 people see what is not for them' })
    .getByRole('button', { name: /^Take it down/ })
    .click();
  await expect(margin.getByText('12 students see exactly one right link')).toBeVisible({
    timeout: 15000,
  });
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
  await expect(teacher.getByText('Clinic soon')).toHaveCount(1);
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

test('students read how to get in, from the rules in force, on a phone', async ({ school }) => {
  const page = await school.openPhone();
  await page.goto(`${school.door('N3')}/how`);
  await expect(
    page.getByRole('heading', { name: 'How to get in: Coastal Navigation, period 3' }),
  ).toBeVisible();
  await expect(
    page.getByText('The door opens 5 minutes before it begins', { exact: false }),
  ).toBeVisible();
  const width = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(width).toBeLessThanOrEqual(390);
  await page.getByRole('link', { name: 'To the door' }).click();
  await expect(page).toHaveURL(school.door('N3'));
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
  await expect(row.getByText('Out', { exact: true })).toBeVisible({ timeout: 20000 });
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
  await expect(row.getByText('Withdrawn', { exact: true })).toBeVisible({ timeout: 15000 });
  await student.reload();
  await expect(student.getByText('Nothing has been pinned up yet.')).toBeVisible();
});
