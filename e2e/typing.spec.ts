import { expect, test } from './support.js';
import { held, margin } from './stripSteps.js';

test('s puts the cursor into the line, and what is typed meanwhile is typed, not pressed', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/today`);
  await expect(page.getByRole('heading', { name: /Wednesday/ }).first()).toBeVisible();
  // The plan's part of the app comes late: keys pressed until then would turn pages and undo.
  await page.route('**/assets/PlanWithFeeds*', async (route) => {
    await page.keyboard.type('n3 tues 2 5pm u');
    await route.continue();
  });
  await page.keyboard.press('s');
  const line = page.getByLabel('Or type it');
  await expect(line).toBeFocused();
  await expect(line).toHaveValue('n3 tues 2 5pm u');
  await line.fill('n3 tues 2pm');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Scheduled: Coastal Navigation, period 3')).toBeVisible();
  expect((await held(school, page, 'N3')).filter((s) => s.date === '2026-10-20')).toMatchObject([
    { time: '14:00' },
  ]);
});

test('what is not understood is marked in the line, and nothing is saved until it is said', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  const line = page.getByLabel('Or type it');
  await line.fill('Nav 3 Mondays until the break p3 bring dividers');
  const ask = page.getByRole('button', { name: 'What is “until the break”?' });
  await expect(ask).toBeDisabled();
  await expect(page.locator('[data-unclear]')).toHaveText(['until the break', 'bring dividers']);
  await expect(page.getByRole('button', { name: 'Keep as a draft' })).toHaveCount(0);
  // Enter saves nothing; it shows the place.
  await line.press('Enter');
  await expect.poll(() => line.evaluate((el: HTMLInputElement) => el.selectionStart)).toBe(14);
  await page.getByRole('button', { name: 'Leave it out' }).first().click();
  await expect(line).toHaveValue('Nav 3 Mondays p3 bring dividers');
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(line).toHaveValue('Nav 3 Mondays p3');
  await expect(page.getByRole('button', { name: 'Schedule 8 sessions' })).toBeEnabled();
});

test('a time that is missing is asked for, in the line or by hand', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page.getByLabel('Or type it').fill('clinic thursday');
  await expect(page.getByRole('button', { name: 'At what time?' })).toBeDisabled();
  await page.getByRole('combobox', { name: 'Bell period or time' }).click();
  await page.getByRole('option', { name: 'in period 4' }).click();
  await expect(page.getByRole('button', { name: 'Schedule Thursday’s session' })).toBeEnabled();
});

test('what was assumed stands in the margin, and is changed at one press', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  const line = page.getByLabel('Or type it');
  await line.fill('every other Monday nav 3 at 9');
  await expect(margin(page)).toContainText('“every other Monday” as from Mon 19 Oct on');
  await margin(page).getByRole('button', { name: 'No: every other Monday from 26 Oct' }).click();
  await expect(line).toHaveValue('every other Monday from 26 Oct nav 3 at 9');
  await expect(page.getByText(/every second week on Mon.*26 Oct/i).first()).toBeVisible();
  await margin(page).getByRole('button', { name: 'No: all year' }).click();
  await expect(page.getByRole('combobox', { name: 'Until when' })).toHaveText(/year/);
  await margin(page).getByRole('button', { name: 'No: 21:00' }).click();
  await expect(page.getByLabel('Time', { exact: true })).toHaveValue('21:00');
});

test('a link is named by its label, and its session is met by it', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page.getByLabel('Or type it').fill('port watch fri p4 x3');
  await expect(page.getByRole('combobox', { name: 'By the link' })).toHaveText('“Port watch”');
  await expect(page.getByLabel('Title')).toHaveValue('Port watch');
});

test('dates are left out of a series that is being made: on the strip, in its list, in a month', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page.getByLabel('Or type it').fill('clinic thursdays 16:00 until term ends');
  const schedule = (n: number) => page.getByRole('button', { name: `Schedule ${n} sessions` });
  await expect(schedule(10)).toBeVisible();
  await page.getByText('All its dates in words').click();
  await page.getByRole('button', { name: 'Leave out: Thu 22 Oct' }).click();
  await expect(schedule(9)).toBeVisible();
  await page.getByRole('button', { name: 'Dates left out' }).click();
  // Only its own dates can be left out, and the month shows which those are.
  await expect(page.getByRole('button', { name: /Friday, October 23rd/ })).toBeDisabled();
  await page.getByRole('button', { name: /Thursday, October 29th/ }).click();
  await page.keyboard.press('Escape');
  await expect(schedule(8)).toBeVisible();
  await page.getByRole('button', { name: 'Take in again: Thu 22 Oct' }).click();
  await expect(schedule(9)).toBeVisible();
  // On the strip by keys: the cell says what Enter does there.
  const strip = page.getByTestId('strip');
  await strip.focus();
  for (let row = 0; row < 5; row++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('gridcell')).toHaveAccessibleName(/Thu 15 Oct.*Enter leaves it out/);
  await page.keyboard.press('Enter');
  await expect(schedule(8)).toBeVisible();
  await expect(page.getByRole('gridcell')).toHaveAccessibleName(/Enter takes it in again/);
  await schedule(8).click();
  await expect(page.getByText(/^Scheduled: Chartwork clinic, 8 sessions/)).toBeVisible();
  const dates = (await held(school, page, 'C'))
    .filter((s) => s.time === '16:00')
    .map((s) => s.date);
  expect(dates).toHaveLength(8);
  expect(dates).not.toContain('2026-10-15');
});

test('a date that falls out is held on the next school day that is free', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page.getByLabel('Or type it').fill('clinic mondays 16:00 until term ends');
  await margin(page).getByRole('button', { name: 'Tue 24 Nov instead of Mon 23 Nov' }).click();
  await expect(page.getByRole('button', { name: 'Schedule 9 sessions' })).toBeVisible();
  await expect(page.getByText('and also on Tue 24 Nov')).toBeVisible();
});
