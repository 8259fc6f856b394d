import { expect, test } from './support.js';
import { held } from './stripSteps.js';

test('what I changed is taken back over reloads, as long as nobody has changed the same since', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  const isHeld = async (): Promise<boolean> =>
    (await held(school, page, 'N1')).some((s) => s.date === '2026-10-16');
  await page.goto(`${school.url}/plan?view=week`);
  const block = page.getByRole('button', { name: /^Fri 16 Oct, 08:40–09:30/ });
  await block.click();
  const chosen = page.getByRole('region', { name: 'The chosen session' });
  await chosen.getByRole('button', { name: 'Cancel it' }).click();
  const said = 'Cancelled: Coastal Navigation, period 1, Fri 16 Oct';
  await expect(page.getByText(said)).toBeVisible();
  // A while later it stands in the margin, when nothing else says it any more.
  await school.setTime('10:40');
  await page.goto(`${school.url}/today`);
  const lately = page.getByRole('complementary').getByRole('region', { name: 'Lately' });
  await expect(lately.getByText(said)).toBeVisible();
  // Another day, another page.
  await page.goto(`${school.url}/lately`);
  await page.getByRole('button', { name: `Take it back: ${said}` }).click();
  await expect(page.getByText(`Taken back: ${said}`)).toBeVisible();
  await expect(page.getByText('taken back', { exact: true })).toHaveCount(1);
  expect(await isHeld()).toBe(true);

  // Once more, and somebody else is at the same series meanwhile.
  await page.goto(`${school.url}/plan?view=week`);
  await block.click();
  await chosen.getByRole('button', { name: 'Cancel it' }).click();
  await expect(page.getByText(said)).toBeVisible();
  const other = await school.open('Tomas Verhage');
  await other.goto(`${school.url}/plan?view=week`);
  await other
    .getByRole('button', { name: /^Mon 12 Oct|^Wed 14 Oct, 08:40/ })
    .first()
    .waitFor();
  await other.getByRole('button', { name: /^Fri 16 Oct, 08:40–09:30/ }).click();
  await other
    .getByRole('region', { name: 'The chosen session' })
    .getByRole('button', { name: 'Hold it after all' })
    .click();
  await expect(other.getByText(/^Held after all/)).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('lately');
  await expect(page.getByRole('option', { name: /^Lately/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Lately' })).toBeVisible();
  await page.getByRole('button', { name: `Take it back: ${said}` }).click();
  await expect(page.getByText('It was changed again in the meantime')).toBeVisible();
  await expect(page.getByText('taken back', { exact: true })).toHaveCount(1);
});

test('rules, links and posts have their way back there too', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await page.goto(`${school.url}/classes/${n3.id}/entry`);
  await page.getByRole('combobox', { name: /^Chat/ }).click();
  await page.getByRole('option', { selected: false }).first().click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('lately');
  await expect(page.getByRole('option', { name: /^Lately/ })).toBeVisible();
  await page.keyboard.press('Enter');
  const back = page.getByRole('button', { name: /^Take it back: / });
  await expect(back).toHaveCount(1);
  await back.click();
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
});
