import type { Page } from '@playwright/test';
import { expect, test } from './support.js';

/** Says at a provider who one is. */
const be = (page: Page, name: string): Promise<void> =>
  page.getByRole('button', { name, exact: true }).click();

test('a visiting teacher signs on at the school’s provider, and out at both', async ({
  school,
}) => {
  const page = await school.open();
  await page.goto(`${school.url}/plan`);
  await page.getByRole('button', { name: /^Use Merrow/ }).click();
  await be(page, 'Signe Aalto');
  await expect(page).toHaveURL(`${school.url}/plan`);
  const menu = page.getByRole('button', { name: 'Signe Aalto school account' });
  await menu.click();
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(page.getByText('Merrow may still be signed in at this browser')).toBeVisible();
  await page.getByRole('link', { name: 'Sign out of Merrow too' }).click();
  await be(page, 'Sign out');
  await expect(page.getByRole('button', { name: /^Use Merrow/ })).toBeVisible();
  // The provider knows nobody any more, and asks.
  await page.getByRole('button', { name: /^Use Merrow/ }).click();
  await be(page, 'Not now');
  await expect(page.getByRole('alert')).toContainText('Nobody signed on at Merrow.');
});

test('at a door on a phone: from the wrong account to the right one in one press, the link kept', async ({
  school,
}) => {
  await school.setTime('10:45');
  const page = await school.openPhone();
  // The provider knows him already, as browsers at school do; Glen has him by his home account.
  await page.goto(school.url);
  await page.getByRole('button', { name: /^Use Merrow/ }).click();
  await be(page, 'Ansel Grue');
  await expect(page.getByText('Coastal Navigation, period 3').first()).toBeVisible();
  const { request } = page.context();
  const headers = { Origin: school.url };
  await request.post(`${school.url}/api/sign-out`, { headers });
  const { id: accountId } = school.account('Ansel Grue', 'personal');
  await request.post(`${school.url}/api/demo/sign-in`, { data: { accountId }, headers });
  await page.goto(school.door('N3'));
  await expect(
    page.getByRole('heading', { name: 'This door needs your school account' }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Use Merrow/ }).click();
  await expect(page.getByRole('heading', { name: 'Ottoline Marsh is not in yet' })).toBeVisible();
  await expect(page).toHaveURL(school.door('N3'));
  // The one that was wrong here is not offered here again.
  await expect(page.getByText('ansel.grue@merrow.example')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use ansel.grue@home.example' })).toHaveCount(0);
});

test('a wrong account that the provider keeps offering is remembered as wrong at this door', async ({
  school,
}) => {
  await school.setTime('10:45');
  const page = await school.openPhone();
  await page.goto(school.door('N3'));
  await page.getByRole('button', { name: /^Use Merrow/ }).click();
  await be(page, 'Perpetua Lund');
  await expect(
    page.getByRole('heading', { name: 'You are not on this door’s list' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Come in as somebody else' }).click();
  // The provider would let Perpetua Lund through at once; it asks instead.
  await page.getByRole('button', { name: /^Use Merrow/ }).click();
  await be(page, 'Ansel Grue');
  await expect(page).toHaveURL(school.door('N3'));
  await expect(page.getByRole('heading', { name: 'Ottoline Marsh is not in yet' })).toBeVisible();
});

test('what goes wrong at a provider is said, nothing is lost, and there is help', async ({
  school,
}) => {
  const page = await school.openPhone();
  await school.signOn('school', 'down');
  await page.goto(school.door('N3'));
  await page.getByRole('button', { name: /^Use Merrow/ }).click();
  await expect(page.getByText('Merrow does not answer just now.')).toBeVisible();
  await expect(page.getByText(/No school account, or lost your way in\? Ask/)).toBeVisible();
  await school.signOn('school', 'none');
  await page.getByRole('button', { name: /^Use Merrow/ }).click();
  await be(page, 'Fenna Ostrow');
  await expect(page.getByRole('alert')).toContainText('The school does not know this account');
  await page.getByRole('button', { name: 'Try Merrow again' }).click();
  await be(page, 'Ansel Grue');
  await expect(page).toHaveURL(school.door('N3'));
  await expect(page.getByText('Ansel Grue')).toBeVisible();
});

test('an account of one’s own is joined by signing on with it, and ended again', async ({
  school,
}) => {
  const page = await school.open('Signe Aalto');
  await page.goto(`${school.url}/account`);
  const mine = page.getByRole('region', { name: 'One more account of mine' });
  await mine.getByRole('button', { name: /^Use Homeport/ }).click();
  await be(page, 'Rasmus Vane');
  const addresses = page.getByRole('region', { name: 'Addresses' });
  await expect(addresses.getByText('rasmus.vane@home.example')).toBeVisible();
  await mine.getByRole('button', { name: /^Use Homeport/ }).click();
  await be(page, 'Ottoline Marsh');
  await expect(page.getByRole('alert')).toContainText('its office makes the two one');
  await addresses.getByRole('button', { name: 'Sign on at Homeport no longer' }).click();
  await expect(addresses.getByText(/^This is the only way in/)).toBeVisible();
});

test('the office opens and shuts ways in, and takes newcomers in by what is claimed', async ({
  school,
}) => {
  const office = await school.open('Perpetua Lund');
  await office.goto(`${school.url}/school/sign-in`);
  await office.getByLabel('Students: Address and password').uncheck();
  await office.getByLabel('Students: Merrow').uncheck();
  await office.getByRole('button', { name: 'Save the changes' }).click();
  await expect(office.getByText('Leave students one way in besides passkeys.')).toBeVisible();
  await office.getByLabel('Students: Merrow').check();
  await office.getByRole('button', { name: 'Take newcomers in by what is claimed' }).click();
  await office.getByLabel('Claim', { exact: true }).fill('groups');
  await office.getByRole('button', { name: 'Save the changes' }).click();
  await expect(office.getByText('Say what it has to say.')).toBeVisible();
  await office.getByLabel('What it holds').fill('cadets');
  await office.getByRole('combobox', { name: 'Another roll' }).click();
  await office.getByRole('option', { name: 'Coastal Navigation, period 3' }).click();
  await office.getByRole('button', { name: 'Save the changes' }).click();
  await expect(office.getByRole('button', { name: 'Save the changes' })).toBeDisabled();
  const student = await school.openPhone();
  await student.goto(school.url);
  await student.getByLabel('Address').fill('ansel.grue@merrow.example');
  await student.getByLabel('Password').fill('fair-winds-2026');
  await student.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(student.getByText('The school has you sign on at Merrow.')).toBeVisible();
  await student.getByRole('button', { name: /^Use Merrow/ }).click();
  await be(student, 'Fenna Ostrow');
  await expect(student.getByText('Coastal Navigation, period 3').first()).toBeVisible();
});
