import { expect, test } from './support.js';
import { margin, held } from './stripSteps.js';

test('a term is booked in one sentence, with every date shown before anything is saved', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page
    .getByLabel('Or type it')
    .fill('N1 every Tue and Thu in period 3 until term ends from 15 Oct, with biscuits');
  await expect(
    page.getByRole('status').filter({ hasText: '“biscuits”: Not understood.' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByRole('combobox', { name: 'Class period' })).toHaveText(
    'Coastal Navigation, period 1',
  );
  await expect(page.getByRole('button', { name: 'Weekdays' })).toHaveText('Tue · Thu');
  await expect(page.getByRole('combobox', { name: 'Until when' })).toHaveText('until term ends');
  await expect(page.getByText('Every Tue and Thu, period 3, 15 Oct – 17 Dec 2026')).toBeVisible();
  await expect(margin(page)).toContainText('19 sessions');
  // The sentence and everything beside it follow each choice.
  await page.getByRole('button', { name: 'Weekdays' }).click();
  await page.getByRole('button', { name: 'Mon', exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(margin(page)).toContainText('27 sessions, 1 skipped');
  await expect(margin(page)).toContainText('Mon 23 Nov: Staff day');
  await expect(margin(page)).toContainText('Other bells move period 3');
  await page.getByRole('combobox', { name: 'Closures' }).click();
  await page.getByRole('option', { name: 'meet on closed days too' }).click();
  await expect(margin(page)).toContainText('1 session on closed days');
  await page.getByRole('combobox', { name: 'Closures' }).click();
  await page.getByRole('option', { name: 'skip closures' }).click();
  await page.getByLabel('Title').fill('Extra lessons');
  const before = (await held(school, page, 'N1')).length;
  await page.getByRole('button', { name: /^Schedule \d+ sessions$/ }).click();
  await expect(page.getByText(/^Scheduled: Extra lessons, \d+ sessions/)).toBeVisible();
  expect((await held(school, page, 'N1')).length).toBeGreaterThan(before + 18);
  // A fog day moves period 3.
  expect(
    (await held(school, page, 'N1')).filter(
      (s) => s.title === 'Extra lessons' && s.date === '2026-10-19',
    ),
  ).toMatchObject([{ time: '11:05' }]);
  await page.keyboard.press('u');
  await expect(page.getByText(/^Undone: /)).toBeVisible();
  await expect.poll(async () => (await held(school, page, 'N1')).length).toBe(before);
});

test('a clash names who is in both, and is remedied at one press', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new?class=${school.classOf('W2').id}`);
  await page.getByLabel('Or type it').fill('Thursdays 19:00 for 40 minutes from 29 Oct x3');
  await expect(margin(page)).toContainText('Thu 5 Nov clashes');
  await expect(margin(page)).toContainText('Harbour Evening, 19:00–20:30, has you too.');
  await margin(page).getByRole('button', { name: 'Skip it' }).click();
  await expect(margin(page)).not.toContainText('clashes');
  // Left out of what is only being made, it is none of the three.
  await expect(page.getByRole('button', { name: 'Schedule 3 sessions' })).toBeVisible();
  await page.getByRole('button', { name: 'Dates left out' }).click();
  await page.getByRole('button', { name: /5th, 2026.*selected/ }).click();
  await page.keyboard.press('Escape');
  await margin(page)
    .getByRole('button', { name: /^Move it to/ })
    .click();
  await expect(margin(page)).not.toContainText('clashes');
  await page.getByRole('button', { name: 'Schedule 3 sessions' }).click();
  await expect(page.getByText(/^Scheduled:/)).toBeVisible();
  expect(
    (await held(school, page, 'W2'))
      .filter((s) => !['09:35', '10:25'].includes(s.time))
      .map((s) => s.date),
  ).toHaveLength(3);
});

test('only one, from there on, and the whole are changed, each as said in the sheet', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const open = async (date: string): Promise<void> => {
    await page.goto(`${school.url}/classes/${school.classOf('N3').id}/sessions`);
    await page
      .getByRole('button', { name: /^Show all/ })
      .first()
      .click();
    await page.getByRole('link', { name: `Change Coastal Navigation, period 3, ${date}` }).click();
    await expect(page.getByRole('heading', { name: 'Change a session' })).toBeVisible();
  };
  const of = async (date: string) => (await held(school, page, 'N3')).find((s) => s.date === date);
  await open('Wed 21 Oct');
  await page.getByLabel('Title').fill('Quiz');
  await page.getByRole('button', { name: 'Save the change' }).click();
  await expect(page.getByText('Changed.')).toBeVisible();
  expect([(await of('2026-10-21'))!.title, (await of('2026-10-26'))!.title]).toEqual([
    'Quiz',
    'Coastal Navigation, period 3',
  ]);

  await open('Wed 18 Nov');
  await page.getByRole('combobox', { name: 'Which of them' }).click();
  await page.getByRole('option', { name: 'this one and all later ones' }).click();
  await page.getByRole('combobox', { name: 'Bell period or time' }).click();
  await page.getByRole('option', { name: 'in period 4' }).click();
  await page.getByRole('button', { name: /^Change \d+ sessions$/ }).click();
  await expect(page.getByText('Changed.')).toBeVisible();
  expect([
    (await of('2026-11-16'))!.time,
    (await of('2026-11-18'))!.time,
    (await of('2026-12-16'))!.time,
  ]).toEqual(['10:45', '11:40', '11:40']);
  await page.keyboard.press('u');
  await expect(page.getByText(/^Undone: /)).toBeVisible();
  await expect.poll(async () => (await of('2026-12-16'))!.time).toBe('10:45');
  await page.keyboard.press('Shift+u');
  await expect.poll(async () => (await of('2026-12-16'))!.time).toBe('11:40');

  await open('Wed 28 Oct');
  await page.getByRole('combobox', { name: 'Which of them' }).click();
  await page.getByRole('option', { name: 'the whole series' }).click();
  await page.getByLabel('Title').fill('Pilotage');
  await page.getByRole('button', { name: /^Change \d+ sessions$/ }).click();
  await expect(page.getByText('Changed.')).toBeVisible();
  // What stands for itself keeps its own words, and so does what is over.
  expect([
    (await of('2026-10-07'))!.title,
    (await of('2026-10-21'))!.title,
    (await of('2026-10-28'))!.title,
    (await of('2026-11-18'))!.title,
  ]).toEqual(['Coastal Navigation, period 3', 'Quiz', 'Pilotage', 'Coastal Navigation, period 3']);
});

test('a series is copied to other class periods, each at its own bell', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/classes/${school.classOf('N3').id}/sessions`);
  await page.getByRole('link', { name: 'Change Coastal Navigation, period 3, Wed 21 Oct' }).click();
  await page.getByRole('button', { name: 'Copy to…' }).click();
  await page.getByRole('checkbox', { name: 'Harbour Evening' }).check();
  await page.getByRole('checkbox', { name: 'Ropework, period 5' }).check();
  // What each copy would do is said before it is made: from tomorrow on, and what it meets.
  const card = page.getByRole('dialog', { name: 'Copy this series' });
  await expect(card.getByRole('button', { name: 'Copied from' })).toHaveText('Thu 15 Oct 2026');
  await expect(card).toContainText(/Ropework, period 5: \d+ sessions/);
  await expect(card).toContainText('The class meets then already');
  // Any of its dates can be left out of the copies.
  await expect(card).toContainText('all its dates');
  await card.getByRole('button', { name: 'Dates not copied' }).click();
  const month = page.getByRole('dialog', { name: 'Dates not copied' });
  await month.getByRole('button', { name: /October 28th, 2026/ }).click();
  await page.keyboard.press('Escape');
  await expect(card).toContainText('but not on Wed 28 Oct');
  await page.getByRole('button', { name: 'Copy to 2' }).click();
  await expect(page.getByText('Copied to 2 class periods.')).toBeVisible();
  expect(
    (await held(school, page, 'R5')).filter((s) => s.date === '2026-10-21').map((s) => s.time),
  ).toEqual(['13:20', '13:20']);
  await page.keyboard.press('u');
  await expect
    .poll(
      async () => (await held(school, page, 'R5')).filter((s) => s.date === '2026-10-21').length,
    )
    .toBe(1);
});

test('bad input in a series is said beside its field, and a great many are asked about once more', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page
    .getByLabel('Or type it')
    .fill('every day incl. weekends 16:00 for 30 minutes until 30 Sep 2027 even on holidays');
  await expect(margin(page)).toContainText('sessions are many');
  await page.getByRole('button', { name: /^Schedule \d{3} sessions$/ }).click();
  await expect(page.getByText(/^That is \d{3} sessions\. Press once more/)).toBeVisible();
  await page.getByLabel('Or type it').fill('every second week on Thursday 16:00 x5');
  await page.getByLabel('Sessions held').fill('0');
  await expect(
    page.getByRole('alert').filter({ hasText: 'Give a whole number from 1 to 1000.' }),
  ).toBeVisible();
  await page.getByLabel('Or type it').fill('every Sat in period 3 until term ends');
  await expect(margin(page)).toContainText('no teaching on Saturdays');
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: 'No session would be held. All 9 dates are skipped' }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'No session to schedule' })).toBeDisabled();
});

test('a draft without a date waits on the plan for one', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page.getByLabel('Title').fill('Guest talk');
  await page.getByRole('button', { name: 'Draft without a date' }).click();
  await expect(page.getByText('Kept as a draft: Guest talk, without a date')).toBeVisible();
  await page.goto(`${school.url}/plan`);
  await page
    .getByRole('region', { name: 'Without a date' })
    .getByRole('link', { name: 'Guest talk' })
    .click();
  await expect(page.getByText('This is a draft without a date')).toBeVisible();
  await page.getByRole('button', { name: /^Schedule/ }).click();
  await expect(page.getByText('Scheduled.')).toBeVisible();
  await page.goto(`${school.url}/plan`);
  await expect(page.getByRole('region', { name: 'Without a date' })).toHaveCount(0);
});

test('a single session becomes a series and a single one again', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  const harbour = school.classOf('HE');
  const open = async (): Promise<void> => {
    await page.goto(`${school.url}/classes/${harbour.id}/sessions`);
    await page.getByRole('link', { name: 'Change Harbour Evening, Thu 5 Nov' }).click();
    await expect(page.getByRole('heading', { name: 'Change a session' })).toBeVisible();
  };
  await open();
  await page.getByRole('combobox', { name: 'How often' }).click();
  await page.getByRole('option', { name: 'every second week' }).click();
  await page.getByRole('combobox', { name: 'Until when' }).click();
  await page.getByRole('option', { name: 'for some weeks' }).click();
  await page.getByLabel('Weeks', { exact: true }).fill('6');
  await page.getByRole('button', { name: 'Make it 3 sessions' }).click();
  await expect(page.getByText('Changed.')).toBeVisible();
  expect(
    (await held(school, page, 'HE'))
      .filter((s) => s.title === 'Harbour Evening')
      .map((s) => s.date),
  ).toEqual(['2026-11-05', '2026-11-19', '2026-12-03']);
  await open();
  await page.getByRole('combobox', { name: 'Which of them' }).click();
  await page.getByRole('option', { name: 'the whole series' }).click();
  await page.getByRole('combobox', { name: 'How often' }).click();
  await page.getByRole('option', { name: 'once', exact: true }).click();
  await page.getByRole('button', { name: 'Save the change' }).click();
  await expect(page.getByText('Changed.').first()).toBeVisible();
  await expect
    .poll(
      async () =>
        (await held(school, page, 'HE')).filter((s) => s.title === 'Harbour Evening').length,
    )
    .toBe(1);
});

test('two people at one series: the second sees both plans in words, and saves over it only if they say so', async ({
  school,
}) => {
  const [ottoline, tomas] = [
    await school.open('Ottoline Marsh'),
    await school.open('Tomas Verhage'),
  ];
  for (const page of [ottoline, tomas]) {
    await page.goto(`${school.url}/classes/${school.classOf('N6').id}/sessions`);
    await page
      .getByRole('link', { name: 'Change Coastal Navigation, period 6, Wed 21 Oct' })
      .click();
    await page.getByRole('combobox', { name: 'Which of them' }).click();
    await page.getByRole('option', { name: 'the whole series' }).click();
    await page.getByRole('combobox', { name: 'Bell period or time' }).click();
    await page
      .getByRole('option', { name: page === ottoline ? 'in period 4' : 'in period 5' })
      .click();
  }
  await ottoline.getByRole('button', { name: /^Change \d+ sessions$/ }).click();
  await expect(ottoline.getByText('Changed.')).toBeVisible();
  await tomas.getByRole('button', { name: /^Change \d+ sessions$/ }).click();
  const both = tomas.getByRole('alert').filter({ hasText: 'Somebody changed this' });
  await expect(both.getByRole('row', { name: /When/ })).toContainText('period 5');
  await expect(both.getByRole('row', { name: /When/ })).toContainText('period 4');
  await both.getByRole('button', { name: 'Save mine over it' }).click();
  await expect(tomas.getByText('Changed.')).toBeVisible();
  expect((await held(school, tomas, 'N6')).find((s) => s.date === '2026-10-28')!.time).toBe(
    '13:20',
  );
});
