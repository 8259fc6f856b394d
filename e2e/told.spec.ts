import { choose, expect, test } from './support.js';
import { addPlace, compose, row } from './composing.js';

test('where the link of a cancelled session stood it is said that it is, and at the door to those it is for', async ({
  school,
}) => {
  const page = await compose(school, 'Starts soon.');
  await choose(page, 'What it is about', /each session/);
  await choose(page, 'When it goes out', /now, for all to come/);
  await addPlace(page, /the class stream/, /Coastal Navigation, period 3/);
  await page.getByRole('button', { name: /Take away: the class stream of Coastal .+ 1/ }).click();
  await page.getByLabel('Link words').fill('Join at {time}, {date}');
  await page.getByRole('button', { name: /^Post for \d+ sessions now$/ }).click();
  await expect(row(page, 'Starts soon').getByText('Out', { exact: true })).toBeVisible();
  await page.goto(`${school.url}/today`);
  await page.getByRole('link', { name: 'Change it' }).click();
  await page.getByLabel('Why it is cancelled').fill('storm');
  await page.getByRole('button', { name: 'Cancel the session' }).click();

  const said = 'Cancelled: Coastal Navigation, period 3, Wed 14 Oct 10:45 (storm)';
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await expect(student.getByText(said)).toBeVisible();
  const stranger = await school.openPhone();
  await stranger.goto(school.door('N3'));
  await expect(stranger.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(stranger.getByText(said)).toHaveCount(0);
  await school.stream(stranger, 'nav-3', 'Ottoline Marsh');
  await expect(async () => {
    await stranger.reload();
    await expect(stranger.getByText(said)).toBeVisible({ timeout: 500 });
  }).toPass();
  await expect(stranger.getByRole('link', { name: 'Join at 10:45, Wed 14 Oct' })).toHaveCount(0);
  await school.setTime('11:50');
  await expect(async () => {
    await stranger.reload();
    await expect(stranger.getByText(said)).toHaveCount(0, { timeout: 500 });
  }).toPass();
});

test('fields without a value vanish with their words; link words differ by place; the list shows what students read', async ({
  school,
}) => {
  const page = await compose(school, 'Bring {bring}.');
  await addPlace(page, /the class stream/, /Chartwork clinic/);
  const places = page.getByRole('region', { name: 'Where it goes' });
  await places.getByRole('button', { name: 'Other words here' }).last().click();
  await page.getByLabel('Link words for Chartwork clinic alone').fill('To the clinic');
  await page
    .getByRole('textbox', { name: 'Words for Chartwork clinic alone', exact: true })
    .fill('Come by.');
  const shown = page.getByRole('region', { name: 'As students will see it' });
  await choose(page, 'Place shown', 'Stream of Chartwork clinic');
  await expect(shown.getByRole('link', { name: 'To the clinic' })).toBeVisible();
  await choose(page, 'Place shown', 'Stream of Coastal Navigation, period 1');
  await expect(shown.getByText('Bring')).toHaveCount(0);
  const margin = page.getByRole('complementary', { name: 'In the margin' });
  await expect(margin.getByText('{bring} says nothing there')).toBeVisible();
  // Those on both rolls are counted once.
  await expect(margin.getByText(/^\d+ students read it$/)).toBeVisible();
  await page.getByRole('button', { name: 'Post it now to 2 places' }).click();
  await expect(page.getByText('Join Coastal Navigation, period 1').first()).toBeVisible();
  await expect(page.getByText('{class}')).toHaveCount(0);
});

test('two posts share a heading, and their order under it is changed by keys and taken back', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const { id } = school.classOf('N1');
  const post = async (linkWords: string): Promise<void> => {
    await page.goto(`${school.url}/classes/${id}/posts?new`);
    await page.getByLabel('Link words').fill(linkWords);
    await choose(page, 'Kind of place', /the course page/);
    await page.getByRole('button', { name: 'Add this place' }).click();
    await page.getByRole('button', { name: /Take away: the class stream/ }).click();
  };
  await post('First door');
  await choose(page, 'Section', 'a section of its own');
  await page.getByLabel('Its heading').fill('Our doors');
  await page.getByRole('button', { name: 'Post it now' }).click();
  await expect(row(page, 'First door').getByText('Out', { exact: true })).toBeVisible();
  await post('Second door');
  await choose(page, 'Section', '“Our doors”');
  await page.getByRole('button', { name: 'Post it now' }).click();
  const list = page.getByRole('list', { name: 'Under “Our doors” in their order' });
  await expect(list.getByRole('listitem')).toHaveText(['First door', 'Second door']);
  await list.getByRole('button', { name: 'Move Second door' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(/^Second door (is picked up|would be)/)).toBeAttached();
  const isFirst = page.getByText('Second door would be 1 of 2.');
  await expect(async () => {
    if ((await isFirst.count()) === 0) await page.keyboard.press('ArrowUp');
    await expect(isFirst).toBeAttached({ timeout: 500 });
  }).toPass();
  await page.keyboard.press('Space');
  await expect(list.getByRole('listitem')).toHaveText(['Second door', 'First door']);
  const student = await school.openPhone();
  const items = student.locator('section', { hasText: 'Our doors' }).getByRole('listitem');
  await school.stream(student, 'nav-1', 'Ottoline Marsh');
  await expect(async () => {
    await student.reload();
    await expect(items.filter({ hasText: 'door' })).toHaveCount(2, { timeout: 500 });
    await expect(items.first()).toContainText('Second door', { timeout: 500 });
  }).toPass();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(list.getByRole('listitem')).toHaveText(['First door', 'Second door']);
});

test('an entry that somebody put in the calendar beside Glen’s own for the same lesson is found', async ({
  school,
}) => {
  const page = await compose(school, '');
  await choose(page, 'What it is about', /each session/);
  await addPlace(page, /the course calendar/, /Coastal Navigation, period 3/);
  await page.getByRole('button', { name: /Take away: the class stream/ }).click();
  await page.getByRole('button', { name: /^Queue \d+ posts$/ }).click();
  await expect(row(page, 'Coastal').getByText('Out', { exact: true }).first()).toBeVisible();
  await page.goto(`${school.url}/posts/reach?link=${school.classOf('N3').link.id}`);
  const margin = page.getByRole('complementary', { name: 'In the margin' });
  await expect(margin.getByText('The calendar has the lesson twice')).toBeVisible();
  await expect(margin).toContainText('Mon 19 Oct 11:05');
});

test('the door tells its time by the school’s clock, and by one’s own where that differs', async ({
  school,
}) => {
  const door = async (timezoneId: string): Promise<string> => {
    const student = await school.openPhone('Ansel Grue', { timezoneId });
    await student.goto(school.door('N3'));
    const main = student.getByRole('main');
    await expect(main).toContainText('Wed 14 Oct, 10:45–11:35');
    return main.innerText();
  };
  expect(await door('America/Halifax')).not.toMatch(/on your clock|school time/i);
  expect(await door('Europe/Oslo')).toContain('school time, Halifax; 15:45 on your clock');
  expect(await door('Asia/Tokyo')).toContain('school time, Halifax; 22:45 on your clock');
  expect(await door('Pacific/Auckland')).toContain('Thu 15 Oct, 02:45 on your clock');
});

test('the history of a post is in school time, in true verbs', async ({ school }) => {
  const page = await compose(school, 'Kept for later.');
  await choose(page, 'When it goes out', /when I release it/);
  await page.getByRole('button', { name: 'Keep the draft' }).click();
  const post = row(page, 'Kept for later.');
  await post.getByRole('button', { name: 'Release the post' }).click();
  await expect(post.getByText('Out', { exact: true })).toBeVisible();
  await post.getByRole('button', { name: 'Where it stands' }).click();
  await post.getByRole('button', { name: 'Its history' }).click();
  await expect(post.getByRole('list', { name: 'History' }).getByRole('listitem')).toHaveText([
    /^Wed 14 Oct \d\d:\d\d: Ottoline Marsh released it$/,
    /^Wed 14 Oct \d\d:\d\d: Ottoline Marsh wrote a draft of it$/,
  ]);
});
