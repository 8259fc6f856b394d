import { choose, expect, test } from './support.js';
import { compose, addPlace, row } from './composing.js';

test('an item for one group is unseen by the others, and what a student sees is what the course site shows', async ({
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
    await page.goto(`${school.url}/posts/student-sees?class=${id}&person=${member}`);
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

test('all links of a day at one glance, the worst first, and the same on Today', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/today`);
  const margin = page.getByRole('complementary', { name: 'In the margin' });
  const said = 'Coastal Navigation, period 6: 22 students see an old link';
  await expect(margin.getByRole('heading', { name: said })).toBeVisible();
  await page.getByRole('link', { name: 'Posts', exact: true }).click();
  await page.getByRole('link', { name: 'Who sees which link' }).click();
  await expect(margin.getByRole('heading', { name: said })).toBeVisible();
  const day = page.getByRole('region', { name: 'For the day’s sessions, the worst first' });
  const rows = day.getByRole('listitem');
  await expect(rows.nth(0)).toContainText('23 people: no link');
  await expect(rows.nth(1)).toContainText('22 people: an old link');
  await expect(rows.filter({ hasText: 'period 3' })).toContainText(
    '24 people: exactly one right link',
  );
  await rows.nth(1).getByRole('link').click();
  await expect(page.getByRole('row', { name: /old link · Join the lesson/ })).toBeVisible();
  await choose(page, 'Link', 'all my links');
  await page.getByLabel('Day', { exact: true }).fill('15 Oct');
  await page.keyboard.press('Tab');
  const without = page.getByRole('region', { name: 'Without a session that day' });
  await expect(
    without.getByRole('listitem').filter({
      has: page.getByRole('link', { name: 'Coastal Navigation, period 3', exact: true }),
    }),
  ).toContainText('24 people: exactly one right link');
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
      audience: { classIds: [id], groupIds: [], personIds: [], hostIds: [] },
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
  ).toBeVisible();
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
