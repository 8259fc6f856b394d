import { AxeBuilder } from '@axe-core/playwright';
import ical from 'node-ical';
import { choose, expect, test } from './support.js';

test('a holiday added by the office moves other people’s sessions and tells them; undone, they come back', async ({
  school,
}) => {
  const [office, teacher] = [
    await school.open('Perpetua Lund'),
    await school.open('Ottoline Marsh'),
  ];
  await teacher.goto(`${school.url}/today`);
  await expect(teacher.getByRole('heading', { name: 'Wednesday, 7 sessions' })).toBeVisible();
  await office.goto(`${school.url}/school`);
  await office.getByRole('button', { name: 'Another closure' }).click();
  await office.getByLabel('Name of closure 8').fill('Wharf Day');
  await office.getByLabel('First day of Wharf Day').fill('2026-10-21');
  await office.getByLabel('Last day of Wharf Day').fill('2026-10-21');
  const margin = office.getByRole('complementary', { name: 'What will happen' });
  await expect(margin).toContainText('5 sessions off the books');
  await expect(margin).toContainText('Ottoline Marsh (5), Tomas Verhage (3)');
  await office.getByRole('button', { name: 'Change it; 5 sessions follow' }).click();
  await expect(office.getByText('The calendar is changed, and 5 sessions follow.')).toBeVisible();

  const notes = teacher.getByRole('complementary', { name: 'In the margin' });
  await expect(notes).toContainText('The calendar changed 5 of your sessions');
  await expect(notes).toContainText('By Perpetua Lund.');
  await notes.getByRole('button', { name: 'Seen' }).click();
  await expect(notes).not.toContainText('The calendar changed 5');
  await teacher.goto(`${school.url}/classes/${school.classOf('N3').id}/sessions`);
  await expect(teacher.getByRole('listitem').filter({ hasText: 'Wed 21 Oct' })).toContainText(
    'Skipped: Wharf Day',
  );

  await office.getByRole('button', { name: 'Undo' }).click();
  await expect(office.getByText(/^Undone: /)).toBeVisible();
  await expect(teacher.getByRole('listitem').filter({ hasText: 'Wed 21 Oct' })).not.toContainText(
    'Skipped',
  );
});

test('a term’s end moved carries “until term ends” along, and what is wrong is said beside its field', async ({
  school,
}) => {
  const office = await school.open('Noor Achterberg');
  await office.goto(`${school.url}/school`);
  await office.getByLabel('Last day of Autumn').fill('2026-09-01');
  await expect(
    office.getByRole('alert').filter({ hasText: 'Autumn ends before it begins.' }),
  ).toBeVisible();
  await expect(office.getByRole('button', { name: /^Change/ })).toBeDisabled();
  // What cannot be read stays until the calendar is put back as it was.
  await office.getByLabel('Last day of Autumn').fill('soon');
  await office.getByLabel('Last day of Autumn').blur();
  await expect(office.getByText(/^No date; write it like/)).toBeVisible();
  await office.getByRole('button', { name: 'As it was' }).click();
  await expect(office.getByLabel('Last day of Autumn')).toHaveValue('Fri 18 Dec 2026');
  await office.getByLabel('Last day of Autumn').fill('2026-12-11');
  await expect(office.getByRole('complementary')).toContainText('sessions off the books');
  await office.getByRole('button', { name: /^Change it; \d+ sessions follow$/ }).click();
  await expect(office.getByText(/^The calendar is changed/)).toBeVisible();
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/plan`);
  await expect(teacher.getByText(/8 Sep – 11 Dec/)).toBeVisible();
  await teacher.getByRole('grid').focus();
  await teacher.keyboard.press('ArrowDown');
  await teacher.keyboard.press('ArrowDown');
  await teacher.keyboard.press('Enter');
  await expect(teacher.getByRole('region', { name: 'The chosen session' })).toContainText(
    'Every Mon and Wed, period 3, 9 Sep – 9 Dec 2026',
  );
});

test('two at once: the second sees that the calendar changed and loses nothing', async ({
  school,
}) => {
  const [office, head] = [await school.open('Perpetua Lund'), await school.open('Noor Achterberg')];
  for (const page of [office, head]) {
    await page.goto(`${school.url}/school`);
    await page.getByLabel('Name of term 1').fill(page === office ? 'Fall' : 'First');
  }
  await office.getByRole('button', { name: 'Change the calendar' }).click();
  await expect(office.getByText('The calendar is changed.')).toBeVisible();
  await head.getByRole('button', { name: 'Change the calendar' }).click();
  await expect(
    head.getByRole('alert').filter({ hasText: 'Somebody changed the calendar' }),
  ).toBeVisible();
  await expect(head.getByLabel('Name of term 1')).toHaveValue('First');
  await head.getByRole('button', { name: 'Save mine over it' }).click();
  await expect(office.getByLabel('Name of term 1')).toHaveValue('First');
});

test('public holidays of a region are offered, those that fall on school days', async ({
  school,
}) => {
  const office = await school.open('Perpetua Lund');
  await office.goto(`${school.url}/school`);
  await office.getByRole('button', { name: 'Public holidays…' }).click();
  await choose(office, 'Region', 'Germany');
  await expect(
    office.getByRole('checkbox', { name: /Ascension Day, Thu 6 May 2027/ }),
  ).toBeVisible();
  await office.getByRole('button', { name: /^Add \d+$/ }).click();
  await expect(office.getByLabel('First day of Ascension Day')).toHaveValue('Thu 6 May 2027');
});

test('a closure in mid-term begins today or on the day that was pressed, and shifts the cycle or lets it go on', async ({
  school,
}) => {
  const office = await school.open('Perpetua Lund');
  await office.goto(`${school.url}/school`);
  await office.getByRole('button', { name: 'Another closure' }).click();
  await expect(office.getByLabel('First day of Closed')).toHaveValue('Wed 14 Oct 2026');
  await office.getByRole('button', { name: 'As it was' }).click();
  const line = office.getByRole('img', { name: /^The school year/ });
  const box = (await line.boundingBox())!;
  await line.click({ position: { x: box.width / 2, y: box.height / 2 } });
  await expect(office.getByLabel('First day of Closed')).toHaveValue(/ 2027$/);
  await office.getByRole('button', { name: 'As it was' }).click();

  await office.getByRole('button', { name: 'Another closure' }).click();
  await office.getByLabel('First day of Closed').fill('2026-11-03');
  await office.getByLabel('Last day of Closed').fill('2026-11-03');
  const cycle = office.getByRole('combobox', { name: 'Cycle days after Closed' });
  await expect(cycle).toHaveText(/^cycle shifts: Wed 4 Nov is (Ebb|Flood)$/);
  await cycle.click();
  await office.getByRole('option', { name: /^cycle goes on: Wed 4 Nov is (Ebb|Flood)$/ }).click();
  await office.getByRole('button', { name: /^Change it|^Change the calendar/ }).click();
  await expect(office.getByText(/^The calendar is changed/)).toBeVisible();
  await office.reload();
  await expect(office.getByRole('combobox', { name: 'Cycle days after Closed' })).toHaveText(
    /^cycle goes on/,
  );
});

for (const colorScheme of ['light', 'dark'] as const) {
  test(`the calendar as it is edited breaks no rule of accessibility, ${colorScheme}`, async ({
    school,
  }) => {
    const office = await school.open('Perpetua Lund', { colorScheme, reducedMotion: 'reduce' });
    await office.goto(`${school.url}/school`);
    await office.getByRole('button', { name: 'Another closure' }).click();
    await expect(office.getByRole('button', { name: 'As it was' })).toBeVisible();
    const { violations } = await new AxeBuilder({ page: office }).analyze();
    expect(
      violations.map((v) => ({
        id: v.id,
        where: v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)),
      })),
    ).toEqual([]);
  });
}

test('a feed, read back by another library, equals the strip', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan`);
  await page.getByRole('button', { name: 'Calendar feeds' }).click();
  await page
    .getByRole('dialog', { name: 'Calendar feeds' })
    .getByRole('listitem')
    .filter({ hasText: 'Coastal Navigation, period 3' })
    .getByRole('button', { name: 'Make an address' })
    .click();
  const address = (await page
    .getByRole('dialog', { name: 'Calendar feeds' })
    .locator('code')
    .first()
    .textContent())!;
  const text = await (await fetch(address)).text();
  const [event] = Object.values(ical.sync.parseICS(text)).filter(
    (c) => c?.type === 'VEVENT',
  ) as ical.VEvent[];
  const iso = (date: Date): string => `${date.toISOString().slice(0, 19)}Z`;
  const from = new Date('2026-09-01T00:00:00Z');
  const read = ical
    .expandRecurringEvent(event!, { from, to: new Date('2027-01-01T00:00:00Z') })
    .map((o) => `${iso(o.start)} ${iso(o.end)}`)
    .sort();
  const { classes, series, notches } = (await (
    await page.request.get(`${school.url}/api/strip?from=2026-09-08&to=2026-12-18`)
  ).json()) as {
    classes: { id: number }[];
    series: { id: number; classId: number }[];
    notches: { seriesId: number; start: string; end: string; status: string }[];
  };
  expect(classes.length).toBe(7);
  const own = new Set(series.filter((s) => s.classId === school.classOf('N3').id).map((s) => s.id));
  expect(read).toEqual(
    notches
      .filter((n) => own.has(n.seriesId) && n.status !== 'cancelled')
      .map((n) => `${n.start} ${n.end}`)
      .sort(),
  );
});
