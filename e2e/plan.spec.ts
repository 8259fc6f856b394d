import { expect, test, type School } from './support.js';
import type { Page } from '@playwright/test';

async function openSheet(school: School, page: Page): Promise<void> {
  await page.goto(`${school.url}/today`);
  await page.getByRole('link', { name: 'Details of Chartwork clinic, 11:40' }).click();
  await expect(page.getByRole('heading', { name: 'Change a session' })).toBeVisible();
}

test('the foot of the sheet hides none of its fields, in a low window', async ({ school }) => {
  const page = await school.open('Ottoline Marsh', { viewport: { width: 1024, height: 768 } });
  await page.goto(`${school.url}/plan/new`);
  await expect(page.getByRole('grid', { name: /^Autumn term/ })).toBeVisible();
  const isOnTop = (): Promise<boolean> =>
    page.getByLabel('Title', { exact: true }).evaluate((field) => {
      const { x, y, width, height } = field.getBoundingClientRect();
      return document.elementFromPoint(x + width / 2, y + height / 2) === field;
    });
  await expect.poll(isOnTop).toBe(true);
});

test('a session in the evening goes on past midnight on Today, and one that ends before it starts is asked about', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page.getByLabel('Or type it').fill('clinic today 4pm to 3pm');
  await expect(page.getByRole('button', { name: /^What is “/ })).toBeDisabled();
  await page.getByLabel('Or type it').fill('clinic today 23:30 for 60 min');
  await page.getByRole('button', { name: /^Schedule today|^Schedule Wednesday/ }).click();
  await expect(page).toHaveURL(/\/classes\/\d+/);
  await school.setTime('00:10', '2026-10-15');
  await page.goto(`${school.url}/today`);
  await expect(page.getByText('Since yesterday')).toBeVisible();
  await expect(
    page.getByRole('navigation', { name: 'Today’s hours' }).getByRole('button', { name: /23:30/ }),
  ).toBeVisible();
});

test('a session that had been moved keeps its move through cancelling and holding again', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const open = async (): Promise<void> => {
    await page.goto(`${school.url}/today`);
    await page.getByRole('link', { name: /^Details of Rigging survey .+, 14:00/ }).click();
  };
  await open();
  await page.getByRole('button', { name: 'Cancel the session' }).click();
  await expect(page).not.toHaveURL(/\/plan\//);
  await open();
  await page.getByRole('button', { name: 'Hold it after all' }).click();
  await expect(page.getByText('This session is cancelled.')).toHaveCount(0);
  await page.goto(`${school.url}/today`);
  await expect(page.getByText('Moved from Thu 15 Oct, 15:10')).toBeVisible();
});

test('cancel and undo', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await openSheet(school, page);
  await page.getByRole('button', { name: 'Cancel the session' }).click();
  await page.goto(`${school.url}/today`);
  await expect(page.getByText('Cancelled', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Details of Chartwork clinic, 11:40' }).click();
  await page.getByRole('button', { name: 'Hold it after all' }).click();
  await page.getByRole('button', { name: 'Cancel the session' }).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Cancelled: Chartwork clinic' })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect(page.getByText(/^Undone: /)).toBeVisible();
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Wednesday, 7 sessions' })).toBeVisible();
  await expect(page.getByText('Cancelled', { exact: true })).toHaveCount(0);
});

test('a stale edit: the second of two teachers sees both versions and loses nothing', async ({
  school,
}) => {
  const [ottoline, tomas] = [
    await school.open('Ottoline Marsh'),
    await school.open('Tomas Verhage'),
  ];
  for (const page of [ottoline, tomas]) {
    await page.goto(`${school.url}/today`);
    await page
      .getByRole('link', { name: 'Details of Coastal Navigation, period 6, 14:15' })
      .click();
    // Read by both before either saves.
    await expect(page.getByRole('heading', { name: 'Change a session' })).toBeVisible();
  }
  await ottoline.getByLabel('Title').fill('Tides, from Ottoline');
  await ottoline.getByRole('button', { name: 'Save the change' }).click();
  // The sheet shows what is typed before it is saved; saved, it goes.
  await expect(ottoline).not.toHaveURL(/\/plan\/\d+/);
  await expect(ottoline.getByText('Tides, from Ottoline').first()).toBeVisible();
  await tomas.getByLabel('Title').fill('Tides, from Tomas');
  await tomas.getByRole('button', { name: 'Save the change' }).click();
  const both = tomas.getByRole('alert').filter({ hasText: 'Somebody changed this' });
  await expect(both.getByRole('row', { name: /Title/ })).toContainText('Tides, from Tomas');
  await expect(both.getByRole('row', { name: /Title/ })).toContainText('Tides, from Ottoline');
  await expect(tomas.getByLabel('Title')).toHaveValue('Tides, from Tomas');
  await tomas.getByRole('button', { name: 'Save mine over it' }).click();
  await expect(tomas.getByText('Tides, from Tomas').first()).toBeVisible();
  await expect(ottoline.getByText('Tides, from Tomas').first()).toBeVisible();
});

test('bad input is said beside its field and nothing typed is lost', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page.getByRole('combobox', { name: 'Bell period or time' }).click();
  await page.getByRole('option', { name: 'at a time of day' }).click();
  await page.getByLabel('Minutes').fill('2000');
  await expect(page.getByRole('alert')).toContainText('Give a whole number from 1 to 1440.');
  await page.getByLabel('Title').fill('x'.repeat(201));
  await page.getByRole('button', { name: /^Schedule/ }).click();
  await expect(page.getByText('At most 200 characters.')).toBeVisible();
  await expect(page.getByLabel('Minutes')).toHaveValue('2000');
  await expect(page.getByLabel('Title')).toHaveValue('x'.repeat(201));
  await page.getByLabel('Minutes').fill('40');
  await page.getByLabel('Title').fill('Fits now');
  await page.getByRole('button', { name: /^Schedule/ }).click();
  await expect(page.getByText('Fits now').first()).toBeVisible();
});

test('changing date and time leaves the link, and the day line follows', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await openSheet(school, page);
  await page.getByLabel('Time', { exact: true }).fill('19:30');
  await page.getByLabel('Title').fill('Evening clinic');
  await page.getByRole('button', { name: 'Save the change' }).click();
  await expect(page.getByText(`/door/${school.classOf('C').link.code}`)).toBeVisible();
  await expect(
    page
      .getByRole('navigation', { name: 'Today’s hours' })
      .getByRole('button', { name: '19:30 Evening clinic' }),
  ).toBeVisible();
});
