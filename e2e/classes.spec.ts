import { expect, test, toPart } from './support.js';

test('a class period is put away with what that touches said first, is looked at, and comes back', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  const learner = await school.openPhone('Ansel Grue');
  await learner.goto(school.url);
  const classes = learner.getByText('Coastal Navigation, period 3');
  await expect(classes.first()).toBeVisible();
  await page.goto(`${school.url}/classes/${n3.id}/about`);
  await expect(
    page.getByText(/Putting it away takes \d+ sessions to come off the plan/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Put it away' }).click();
  await expect(page.getByText('Put away on Wed 14 Oct.')).toBeVisible();
  await expect(classes).toHaveCount(0);

  const student = await school.openPhone('Caspian Holloway');
  await student.goto(`${school.url}/door/${n3.link.code}`);
  await expect(
    student.getByRole('heading', { name: 'Coastal Navigation, period 3 is over' }),
  ).toBeVisible();

  await page.getByRole('link', { name: 'Classes' }).click();
  await expect(page.getByRole('heading', { name: '5 class periods' })).toBeVisible();
  await page.getByText('1 is put away').click();
  await page.getByRole('link', { name: 'Coastal Navigation, period 3' }).click();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('button', { name: 'Copy link' })).toBeVisible();
  await expect(student.getByText('is over')).toBeHidden();
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: 'Bring it back' })).toBeVisible();
});

test('another class period is made like one there is, with its teachers and a link of its own', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/classes/${school.classOf('N3').id}/about`);
  await page.getByRole('button', { name: 'Make another like it' }).click();
  const title = page.getByLabel('What is the new one called?');
  await title.fill(' ');
  await page.getByRole('button', { name: 'Make the class period', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText('Say what it is called.');
  await title.fill('Night Navigation');
  await page.getByLabel('the roll').check();
  await page.getByRole('button', { name: 'Make the class period', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Night Navigation', level: 1 })).toBeVisible();
  await expect(page.getByText('Ottoline Marsh with Tomas Verhage')).toBeVisible();
});

test('the office changes the school’s time zone, told first what that moves, and keeps class periods to itself', async ({
  school,
}) => {
  const head = await school.open('Noor Achterberg');
  await head.goto(`${school.url}/school/about`);
  await head.getByLabel('What is the school called?').fill('Merrow Sound');
  await head.getByRole('combobox', { name: 'Time zone' }).click();
  await head.getByRole('option', { name: 'America/St_Johns' }).click();
  await expect(head.getByText(/\d+ sessions begin at another moment/)).toBeVisible();
  await head.getByRole('combobox', { name: 'Who makes class periods' }).click();
  await head.getByRole('option', { name: 'head and office alone' }).click();
  await head.getByRole('button', { name: 'Save the changes' }).click();
  await expect(head.getByText('It is changed.')).toBeVisible();

  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/classes`);
  await expect(teacher.getByRole('heading', { name: '6 class periods' })).toBeVisible();
  await expect(teacher.getByRole('link', { name: 'Make a class period' })).toBeHidden();
  await teacher.goto(`${school.url}/school/about`);
  await expect(teacher.getByText('goes by the times of America/St_Johns')).toBeVisible();
  await expect(teacher.getByText('Head and office make class periods.')).toBeVisible();

  await head.keyboard.press('u');
  await expect(head.getByLabel('What is the school called?')).toHaveValue(
    'Merrow Sound School of Seamanship',
  );
  await expect(teacher.getByText('goes by the times of America/Halifax')).toBeVisible();
});

test('while a roll is empty its teacher is told who gets in, lets anyone knock, and fills it by finding', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/begin`);
  await page.getByLabel('What is it called?').fill('Night Navigation');
  await page.getByRole('combobox', { name: 'Until the roll is filled' }).click();
  await page.getByRole('option', { name: 'nobody gets in' }).click();
  await page.getByRole('button', { name: 'Make its link' }).click();
  await page.getByRole('link', { name: 'Fill its roll' }).click();
  await expect(page.getByText('nobody but its hosts gets in by this link')).toBeVisible();

  await page.goto(page.url().replace('/roll', '/posts?new'));
  const margin = page.getByRole('complementary', { name: 'In the margin' });
  await expect(margin).toContainText('Night Navigation: the roll is empty');
  await margin.getByRole('button', { name: 'Let anyone with the link knock until then' }).click();
  await expect(margin).toContainText('anyone with the link may come');

  await toPart(page, /^Roll/);
  await expect(page.getByText('anyone with the link may come')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('ansel gr');
  await page.getByRole('button', { name: 'Put Ansel Grue on the roll' }).click();
  await expect(page.getByText('1 student on the roll. From now on it says')).toBeVisible();
  await expect(page.getByRole('list', { name: 'The roll' })).toContainText('Ansel Grue');
  await page.keyboard.press('u');
  await expect(page.getByText('anyone with the link may come')).toBeVisible();
});

test('two teachers rename a class period: the second sees what the first made of it, and nothing typed is lost', async ({
  school,
}) => {
  const about = `${school.url}/classes/${school.classOf('N3').id}/about`;
  const [first, second] = [await school.open('Tomas Verhage'), await school.open('Ottoline Marsh')];
  await first.goto(about);
  await second.goto(about);
  const title = second.getByLabel('What is it called?');
  await title.fill('Navigation by the stars');
  await first.getByLabel('What is it called?').fill('Navigation by day');
  await first.getByRole('button', { name: 'Save the changes' }).click();
  await expect(second.getByRole('heading', { name: 'Navigation by day', level: 1 })).toBeVisible();
  await expect(title).toHaveValue('Navigation by the stars');
  await second.getByRole('button', { name: 'Save the changes' }).click();
  await expect(second.getByRole('alert')).toContainText('Theirs is “Navigation by day, period 3”');
  await second.getByRole('button', { name: 'Save mine over it' }).click();
  await expect(first.getByLabel('What is it called?')).toHaveValue('Navigation by the stars');
});
