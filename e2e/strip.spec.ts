import { expect, test } from './support.js';
import { strip, cell, planAt, ROW, held } from './stripSteps.js';

test('on the strip a session is moved by keys, with a live look at what it would meet, and back', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await planAt(school, page, ROW.N3, 'Wed 21 Oct');
  await expect(cell(page)).toHaveAttribute(
    'aria-label',
    'Coastal Navigation, period 3. Wed 21 Oct, 10:45–11:35: Coastal Navigation, period 3, planned',
  );
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'The chosen session' })).toContainText(
    'Every Mon and Wed, period 3',
  );
  await page.keyboard.press('m');
  await page.keyboard.press('ArrowRight');
  await expect(
    page.getByText('Thu 22 Oct, 10:45: free. Enter puts it down, Escape leaves it.'),
  ).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(
    page.getByText(/clashes with Coastal Navigation, period 3, 10:45|The series meets/),
  ).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Moved: Coastal Navigation, period 3, to Fri 23 Oct')).toBeVisible();
  await expect
    .poll(async () => (await held(school, page, 'N3')).some((s) => s.date === '2026-10-23'))
    .toBe(true);
  await page.keyboard.press('u');
  await expect
    .poll(async () => (await held(school, page, 'N3')).some((s) => s.date === '2026-10-21'))
    .toBe(true);
});

test('on the strip a session is dragged, days are swept, and all in them called off together', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await planAt(school, page, ROW.N6, 'Mon 26 Oct');
  const from = (await cell(page).boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height * 0.7);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width * 1.5, from.y + from.height * 0.7, { steps: 4 });
  await expect(page.getByText('Tue 27 Oct, 14:15: free.')).toBeVisible();
  await page.mouse.up();
  await expect(page.getByText('Moved: Coastal Navigation, period 6, to Tue 27 Oct')).toBeVisible();
  await expect
    .poll(async () =>
      (await held(school, page, 'N6')).some((s) => s.date === '2026-10-27' && s.time === '14:15'),
    )
    .toBe(true);

  // From an empty place on Monday 2 November over to Wednesday.
  const box = (await strip(page).boundingBox())!;
  const monday = from.x + from.width * 5.5;
  await page.mouse.move(monday, box.y + box.height - 12);
  await page.mouse.down();
  await page.mouse.move(monday + from.width * 2, box.y + box.height - 12, { steps: 5 });
  await page.mouse.up();
  const days = page.getByRole('region', { name: 'The chosen days' });
  await expect(days).toContainText('Mon 2 Nov to Wed 4 Nov');
  const count = Number(/: (\d+) sessions/.exec((await days.textContent())!)![1]);
  await days.getByLabel('Days to move them by').fill('14');
  await days.getByRole('button', { name: `Move ${count} sessions` }).click();
  await expect(
    page.getByText(`Moved by 14 days: ${count} sessions, Mon 2 Nov to Wed 4 Nov`),
  ).toBeVisible();
  await expect
    .poll(
      async () => (await held(school, page, 'W2')).filter((s) => s.date === '2026-11-16').length,
    )
    .toBe(2);
  await page.keyboard.press('u');
  await expect
    .poll(
      async () => (await held(school, page, 'W2')).filter((s) => s.date === '2026-11-16').length,
    )
    .toBe(1);
  await page.mouse.move(monday, box.y + box.height - 12);
  await page.mouse.down();
  await page.mouse.move(monday + from.width * 2, box.y + box.height - 12, { steps: 5 });
  await page.mouse.up();
  await days.getByRole('button', { name: `Cancel ${count} sessions` }).click();
  await expect(
    page.getByText(`Cancelled: ${count} sessions, Mon 2 Nov to Wed 4 Nov`),
  ).toBeVisible();
  await expect
    .poll(async () => (await held(school, page, 'N3')).some((s) => s.date === '2026-11-02'))
    .toBe(false);
  await page.keyboard.press('u');
  await expect
    .poll(async () => (await held(school, page, 'N3')).some((s) => s.date === '2026-11-02'))
    .toBe(true);
});

test('in the week a session is moved to another day and time', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan?view=week`);
  const block = page.getByRole('button', {
    name: /^Fri 16 Oct, 08:40–09:30: Coastal Navigation, period 1/,
  });
  await block.focus();
  await page.keyboard.press('m');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowUp');
  await expect(
    page.getByText('Thu 15 Oct, 08:35: free. Enter puts it down, Escape leaves it.'),
  ).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('button', {
      name: /^Thu 15 Oct, 08:35–09:25: Coastal Navigation, period 1, moved/,
    }),
  ).toBeVisible();
});

test('a session that is moved a little clashes with nothing of its own', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan?view=week`);
  await page
    .getByRole('button', { name: /^Fri 16 Oct, 08:40–09:30: Coastal Navigation, period 1/ })
    .focus();
  await page.keyboard.press('m');
  await page.keyboard.press('ArrowUp');
  await expect(
    page.getByText('Fri 16 Oct, 08:35: free. Enter puts it down, Escape leaves it.'),
  ).toBeVisible();
});

test('everybody’s plan goes on to the next class periods where there are more than one page shows', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  for (let i = 1; i <= 25; i++)
    await page.request.post(`${school.url}/api/classes`, {
      data: { title: `Knots, group ${i}` },
      headers: { Origin: school.url },
    });
  await page.goto(`${school.url}/plan?of=all`);
  const pages = page.getByRole('navigation', { name: 'Pages of the plan' });
  await expect(pages).toContainText('30 class periods of the school on this page');
  await expect(pages.getByRole('button', { name: 'From the first' })).toHaveCount(0);
  await pages.getByRole('button', { name: 'The next ones' }).click();
  await expect(pages).toContainText(/^\d class periods of the school on this page/);
  await expect(pages.getByRole('button', { name: 'The next ones' })).toHaveCount(0);
  await pages.getByRole('button', { name: 'From the first' }).click();
  await expect(pages).toContainText('30 class periods of the school on this page');
});

test('a session is cancelled with a reason, or removed once it is said who could have seen it', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan?view=week`);
  const block = page.getByRole('button', { name: /^Fri 16 Oct, 08:40–09:30/ });
  const chosen = page.getByRole('region', { name: 'The chosen session' });
  await block.click();
  await chosen.getByLabel('Why it is cancelled').fill('storm');
  await chosen.getByRole('button', { name: 'Cancel it' }).click();
  await expect(
    page.getByRole('button', { name: /^Fri 16 Oct, 08:40–09:30.*cancelled: storm/ }),
  ).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText(/^Undone: /)).toBeVisible();

  await block.click();
  await chosen.getByRole('button', { name: 'Remove…' }).click();
  const asked = page.getByRole('dialog', { name: 'Remove the session' });
  await expect(asked).toContainText('22 people have it in their day');
  await expect(asked).toContainText('Better cancel it');
  await asked.getByRole('button', { name: 'Remove it, as if it had never been' }).click();
  await expect(page.getByText(/^Removed: Coastal Navigation, period 1, Fri 16 Oct/)).toBeVisible();
  await expect(block).toHaveCount(0);
  expect((await held(school, page, 'N1')).some((s) => s.date === '2026-10-16')).toBe(false);
  await page.keyboard.press('u');
  await expect(block).toBeVisible();
});
