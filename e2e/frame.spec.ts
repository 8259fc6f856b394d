import type { Page } from '@playwright/test';
import { choose, expect, test } from './support.js';
import { expectNoViolations, sideways } from './seen.js';

for (const colorScheme of ['light', 'dark'] as const) {
  test(`nothing that opens over a view breaks them either, ${colorScheme}`, async ({ school }) => {
    const page = await school.open('Ottoline Marsh', { colorScheme, reducedMotion: 'reduce' });
    await page.goto(`${school.url}/today`);
    await page.getByRole('button', { name: 'Copy as…' }).first().click();
    await expect(page.getByRole('region', { name: 'What will be copied' })).toBeVisible();
    await expectNoViolations(page);
    await page.keyboard.press('Escape');
    await page.keyboard.press('/');
    await expect(page.getByRole('combobox', { name: 'Find or do' })).toBeFocused();
    await page.keyboard.type('nav');
    await expect(
      page.getByRole('option', { name: 'Coastal Navigation, period 3', exact: true }),
    ).toBeVisible();
    await expectNoViolations(page);
    await page.keyboard.press('Escape');
    await page.setViewportSize({ width: 960, height: 800 });
    await page.getByRole('button', { name: 'In the margin: 5 notes' }).click();
    await expect(
      page.getByRole('dialog').getByText('Harbour Evening, rehearsal is a draft'),
    ).toBeVisible();
    await expectNoViolations(page);
  });

  test(`no door, no student’s day and no sign-in breaks them, ${colorScheme}`, async ({
    school,
  }) => {
    const phone = await school.openPhone('Ansel Grue', { colorScheme, reducedMotion: 'reduce' });
    for (const letters of ['N3', 'W2', 'C']) {
      await phone.goto(school.door(letters));
      await expect(phone.getByRole('region', { name: 'Your account' })).toBeVisible();
      await expectNoViolations(phone);
    }
    await phone.goto(school.url);
    await expect(
      phone.getByRole('link', { name: 'To the door of Chartwork clinic' }),
    ).toBeVisible();
    for (const width of [390, 960]) {
      await phone.setViewportSize({ width, height: 844 });
      await expectNoViolations(phone);
    }
    const nobody = await school.openPhone(undefined, { colorScheme });
    for (const path of [
      '/',
      '/door',
      '/door/heron-00000000000',
      new URL(`${school.door('N3')}/how`).pathname,
    ]) {
      await nobody.goto(school.url + path);
      await expect(nobody.getByRole('heading', { level: 1 })).toBeVisible();
      await expectNoViolations(nobody);
    }
  });
}

test('the door does not scroll sideways on a phone', async ({ school }) => {
  const phone = await school.openPhone('Ansel Grue');
  await phone.goto(school.door('N3'));
  await expect(phone.getByRole('region', { name: 'Your account' })).toBeVisible();
  expect(await sideways(phone)).toBe(0);
});

test('the keyboard alone schedules a session, finds a class period and undoes', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/today`);
  await expect(page.getByRole('heading', { name: 'Wednesday, 7 sessions' })).toBeVisible();
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { name: 'New session' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Class period' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('option', { selected: true })).toBeFocused();
  await page.keyboard.press('m');
  await expect(page.getByRole('option', { name: /^Marine Weather/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: 'Class period' })).toContainText(
    'Marine Weather',
  );
  await page.getByLabel('Title').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('1 storm, 2 fronts');
  await expect(page).toHaveURL(/plan\/new/);
  for (let i = 0; i < 2; i++) await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: /^Schedule/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 storm, 2 fronts').first()).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText(/^Undone: /)).toBeVisible();
  await page.keyboard.press('/');
  await expect(page.getByRole('combobox', { name: 'Find or do' })).toBeFocused();
  await page.keyboard.type('ropework');
  await expect(page.getByRole('option', { name: 'Ropework, period 5', exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('3');
  await expect(page.getByRole('heading', { name: '6 class periods' })).toBeVisible();
});

test('entry rules: the sentences, the outcome table, where each comes from and the way back', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/classes/${school.classOf('N3').id}/entry`);
  const table = page.getByRole('table');
  await expect(table.getByRole('row', { name: /Student on the roll/ })).toHaveText(
    /lobby.*no.*waits till 10:40.*waits.*lobby.*turned away/,
  );
  await expect(table.getByRole('row', { name: /Same student, home account/ })).toContainText(
    'asked to switch',
  );
  await expect(page.getByText('off', { exact: true }).locator('svg')).toHaveAttribute(
    'aria-label',
    'fixed by the school',
  );
  await choose(page, /^Chat, from the school/, 'off');
  await expect(page.getByRole('combobox', { name: /^Chat, set for this class/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('combobox', { name: /^Chat, set for this class/ })).toBeVisible();
  await page.getByRole('button', { name: 'Show sources' }).click();
  await page.getByRole('button', { name: 'Chat: back to the default' }).click();
  await expect(page.getByRole('combobox', { name: /^Chat, from the school/ })).toBeVisible();
});

test('motion stops where less of it is asked for', async ({ school }) => {
  const page = await school.open('Ottoline Marsh', { reducedMotion: 'reduce' });
  await page.goto(`${school.url}/today`);
  await page.getByRole('button', { name: 'Copy as…' }).first().click();
  await expect(page.getByRole('dialog')).toBeVisible();
  const moving = await page.evaluate(() => document.getAnimations().length);
  expect(moving).toBe(0);
  const styles = await page.evaluate(
    () =>
      [...document.querySelectorAll('*')]
        .map((e) => getComputedStyle(e))
        .filter(
          (s) =>
            s.animationName !== 'none' ||
            (s.transitionProperty !== 'none' && s.transitionDuration !== '0s'),
        ).length,
  );
  expect(styles).toBe(0);
});

test('the whole path by keyboard alone: schedule, rules, post, open the door, let in, end', async ({
  school,
}) => {
  await school.setTime('10:41');
  const page = await school.open('Ottoline Marsh');
  /** Goes on by Tab until the wished control has the focus. */
  const tabTo = async (
    role: Parameters<Page['getByRole']>[0],
    name: string | RegExp,
    within: Pick<Page, 'getByRole'> = page,
  ): Promise<void> => {
    const wished = within.getByRole(role, { name });
    await expect(wished.first()).toBeVisible();
    for (let i = 0; i < 120; i++) {
      await page.keyboard.press('Tab');
      if (await wished.first().evaluate((e) => e === document.activeElement)) return;
    }
    throw new Error(`Tab never came to ${String(name)}`);
  };
  await page.goto(`${school.url}/today`);
  await expect(page.getByRole('heading', { name: 'Wednesday, 7 sessions' })).toBeVisible();

  await tabTo('button', /^10:45 Coastal Navigation/);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^11:40 Chartwork clinic/ })).toBeFocused();

  await page.keyboard.press('s');
  await tabTo('textbox', 'Title');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('By keyboard');
  await tabTo('button', /^Schedule/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('By keyboard').first()).toBeVisible();

  await page.keyboard.press('/');
  await expect(page.getByRole('combobox', { name: 'Find or do' })).toBeFocused();
  await page.keyboard.type('entry rules of coastal navigation, period 3');
  await expect(
    page.getByRole('option', {
      name: 'Change the entry rules of Coastal Navigation, period 3',
      selected: true,
    }),
  ).toBeVisible();
  await page.keyboard.press('Enter');
  await tabTo('combobox', 'Signe Aalto: comes in');
  await page.keyboard.press('Enter');
  // The list takes letters once it has the focus.
  await expect(page.getByRole('option', { name: /^straight/ })).toBeVisible();
  await expect(page.getByRole('option').and(page.locator(':focus'))).toHaveCount(1);
  await page.keyboard.type('straight');
  await expect(page.getByRole('option', { name: /^straight/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: 'Signe Aalto: comes in' })).toHaveText(
    'straight',
  );

  await tabTo('link', 'Posts', page.getByRole('navigation', { name: /^About/ }));
  await page.keyboard.press('Enter');
  await tabTo('button', 'Post the link');
  await page.keyboard.press('Enter');
  await tabTo('textbox', 'Words');
  await page.keyboard.type('Typed, not clicked.');
  await tabTo('button', 'Post it now');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listitem').filter({ hasText: 'Typed, not clicked.' })).toBeVisible();

  await page.keyboard.press('1');
  await tabTo('button', 'Open the door now');
  const [room] = await Promise.all([
    page.context().waitForEvent('page'),
    page.keyboard.press('Enter'),
  ]);
  await expect(room.locator('#you')).toContainText('You are Ottoline Marsh');
  await page.bringToFront();
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await student.getByRole('button', { name: 'Knock' }).focus();
  await student.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'In the lobby 1' })).toBeVisible();
  await page.keyboard.press('a');
  await expect(student.locator('#you')).toContainText('You are Ansel Grue');
  await tabTo('button', 'Close the room');
  await page.keyboard.press('Enter');
  await expect(student.getByRole('heading', { name: 'The room is closed' })).toBeVisible();
});
