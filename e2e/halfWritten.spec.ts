import { choose, expect, test } from './support.js';

test('a half-written post is there again after a reload and other pages, until it is thrown away', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/posts?new`);
  await page.getByRole('textbox', { name: 'Words', exact: true }).fill('Bring oilskins.');
  await page.getByLabel('Link words').fill('To the pier');
  await page.reload();
  const words = page.getByRole('textbox', { name: 'Words', exact: true });
  await expect(words).toHaveText('Bring oilskins.');
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await page.getByRole('link', { name: 'Posts', exact: true }).click();
  await page.getByRole('button', { name: 'Write a post' }).click();
  await expect(page.getByText('You had begun this and not saved it.')).toBeVisible();
  await expect(page.getByLabel('Link words')).toHaveValue('To the pier');
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await expect(words).toHaveText('');
  await expect(page.getByText('You had begun this')).toHaveCount(0);
  // Left on purpose it is thrown away too, and can be had back.
  await words.fill('Second try.');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await page.getByRole('button', { name: 'Write a post' }).click();
  await expect(words).toHaveText('');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/^Undone: /)).toBeVisible();
  await page.getByRole('button', { name: 'Write a post' }).click();
  await expect(words).toHaveText('Second try.');
  await page.getByRole('button', { name: 'Post it now' }).click();
  await expect(page.getByText('Out', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Write a post' }).click();
  await expect(words).toHaveText('');
});

test('a half-written session and calendar come back too, and are saved over what they were begun on', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page.getByLabel('Title', { exact: true }).fill('Knots by night');
  await page.reload();
  await expect(page.getByText('You had begun this and not saved it.')).toBeVisible();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Knots by night');
  await page.getByRole('button', { name: 'Keep as a draft' }).click();
  await expect(page).toHaveURL(/\/classes\/\d+/);
  await page.goto(`${school.url}/plan/new`);
  await expect(page.getByLabel('Title', { exact: true })).not.toHaveValue('Knots by night');
  await expect(page.getByText('You had begun this')).toHaveCount(0);

  const office = await school.open('Perpetua Lund');
  await office.goto(`${school.url}/school`);
  const name = office.getByRole('textbox', { name: 'Name of term 1' });
  await name.fill('Autumn gales');
  await office.reload();
  await expect(name).toHaveValue('Autumn gales');
});

test('whoever signs out leaves nothing half-written to the next at that browser', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const halves = (): Promise<number> =>
    page.evaluate(() => Object.keys(localStorage).filter((k) => k.startsWith('glen-half')).length);
  await page.goto(`${school.url}/posts?new`);
  await page.getByLabel('Link words').fill('To the pier');
  await expect.poll(halves).toBe(1);
  await page.getByRole('button', { name: /Ottoline Marsh/ }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect.poll(halves).toBe(0);
});

test('a new post starts with the class period somebody comes from, else with the next lesson', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const place = page.getByRole('region', { name: 'Where it goes' }).getByRole('listitem');
  await page.goto(`${school.url}/posts`);
  await page.getByRole('button', { name: 'Write a post' }).click();
  await expect(place).toContainText('Coastal Navigation, period 3');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await page.goto(`${school.url}/classes/${school.classOf('R5').id}/sessions`);
  await expect(page.getByRole('heading', { name: 'Ahead' })).toBeVisible();
  await page.getByRole('link', { name: 'Posts', exact: true }).first().click();
  await page.getByRole('button', { name: 'Write a post' }).click();
  await expect(place).toContainText('Ropework, period 5');
});

test('a time that is past is asked about on the button', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/posts?new`);
  await choose(page, 'When it goes out', /at a time/);
  await page.getByLabel('Time', { exact: true }).fill('09:00');
  await expect(page.getByRole('button', { name: 'That time is past: post it now?' })).toBeVisible();
});
