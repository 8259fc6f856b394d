import { parse } from 'csv-parse/sync';
import { expectNoViolations, sideways } from './seen.js';
import type { Page } from '@playwright/test';
import { choose, expect, saved, test, type School } from './support.js';

/** The register of the day's first session, opened from its host's run sheet. */
async function openRegister(school: School): Promise<Page> {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/today`);
  await page
    .getByRole('link', { name: /^\d+ of \d+ came$/ })
    .first()
    .click();
  return page;
}

test('who came is a register: one row each, counted at the top, reached from the run sheet', async ({
  school,
}) => {
  const page = await openRegister(school);
  await expect(page.getByRole('heading', { name: 'Who came' })).toBeVisible();
  const register = page.getByRole('list', { name: 'The register' });
  const { rollSize } = school.classOf('N1');
  await expect(register.getByRole('listitem')).toHaveCount(rollSize);
  await expect(page.getByText(new RegExp(`^\\d+ of ${rollSize} present`))).toBeVisible();
  await expect(register.getByRole('img', { name: /^In from / }).first()).toBeVisible();
  await expectNoViolations(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(register.getByRole('listitem').first()).toBeVisible();
  const isTooWide = await page.evaluate(
    () => document.documentElement.scrollWidth > document.documentElement.clientWidth,
  );
  expect(isTooWide).toBe(false);
});

test('a host says that somebody was there, and why; the office excuses beforehand; a register is settled', async ({
  school,
}) => {
  const page = await openRegister(school);
  const register = page.getByRole('list', { name: 'The register' });
  const absent = register.getByRole('listitem').filter({ hasText: 'absent' }).first();
  const name = (await absent.locator('span').first().textContent())!;
  const row = register.getByRole('listitem').filter({ hasText: name });
  await row.getByRole('button', { name: `Correct ${name}` }).click();
  await row.getByRole('button', { name: 'Save the correction' }).click();
  await expect(row.getByText('Say why, in a few words.')).toBeVisible();
  await row.getByLabel('because').fill('Phone died, was in the room');
  await row.getByRole('button', { name: 'Save the correction' }).click();
  await expect(row).toContainText('Ottoline Marsh: “Phone died, was in the room”');
  await expect(row).toContainText('present');
  await expect(row).toContainText('measured: not in');
  await page.getByRole('button', { name: 'Settle the register' }).click();
  await expect(page.getByText(/^Settled by Ottoline Marsh on Wed 14 Oct, 10:3/)).toBeVisible();
  await page.reload();
  await row.getByRole('button', { name: `Correct ${name}` }).click();
  await expectNoViolations(page);
  await row.getByRole('button', { name: 'Let what was measured count' }).click();
  await expect(row).toContainText('absent');
});

test('the week is a picture by session, a table by person, a file and a sheet of paper', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/classes`);
  await page.getByRole('link', { name: 'Who came' }).click();
  await expect(page.getByText('2 registers are not settled.')).toBeVisible();
  await page.getByRole('link', { name: 'Week before' }).click();
  await expect(page.getByText('Mon 5 Oct to Sun 11 Oct')).toBeVisible();
  const file = await saved(page, 'Save as CSV', 'link');
  expect(file.name).toBe('who-came-2026-10-05.csv');
  const rows: Record<string, string>[] = parse(file.bytes, { columns: true, bom: true });
  expect(new Set(rows.map((row) => row['Class period']))).toContain('Marine Weather, period 2');
  await page.emulateMedia({ media: 'print' });
  const pdf = (await page.pdf({ format: 'A4', landscape: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('link', { name: 'Coastal Navigation, period 3, person by person' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'Ansel Grue' })).toContainText('present');
  await page.getByRole('link', { name: 'The whole term' }).click();
  await expect(page.getByRole('img', { name: /^Ansel Grue: week of / })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await expect.poll(() => sideways(page)).toBe(0);
  await page.goto(`${school.url}/registers?week=2026-10-05`);
  await expect(page.getByText('Mon 5 Oct to Sun 11 Oct')).toBeVisible();
  await expect.poll(() => sideways(page)).toBe(0);
  await expectNoViolations(page);
});

test('a student sees their term while the school shows it; the office excuses them beforehand', async ({
  school,
}) => {
  const office = await school.open('Perpetua Lund');
  await office.goto(`${school.url}/term/${school.person('Ansel Grue')}`);
  await office.getByLabel('because').fill('at a regatta');
  await office.getByRole('button', { name: 'Excuse them' }).click();
  await expect(office.getByRole('listitem').filter({ hasText: 'at a regatta' })).toContainText(
    'all lessons, says Perpetua Lund',
  );
  await expectNoViolations(office);

  const phone = await school.openPhone('Ansel Grue');
  await phone.goto(school.url);
  await phone.getByRole('link', { name: 'My term: when I came' }).click();
  await expect(phone.getByRole('img', { name: /^Ansel Grue: week of / })).toBeVisible();
  expect(await sideways(phone)).toBe(0);
  await expectNoViolations(phone);

  await office.goto(`${school.url}/school/registers`);
  await choose(office, 'What students see', 'do not see theirs');
  await office.getByLabel('Days that arrivals are kept').fill('3');
  await office.getByRole('button', { name: 'Save the changes' }).click();
  await expect(office.getByText('A week at the least')).toBeVisible();
  await office.getByLabel('Days that arrivals are kept').fill('30');
  await office.getByRole('button', { name: 'Save the changes' }).click();
  await expect(office.getByText('It is changed.')).toBeVisible();
  await phone.reload();
  await expect(phone.getByText('Your school does not show registers to students.')).toBeVisible();
});
