import type { Page } from '@playwright/test';
import { expect, test, type School } from './support.js';

const WIDTHS = { wide: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } };

/** The list of people, found by what is typed. */
async function find(page: Page, school: School, typed: string): Promise<void> {
  await page.goto(`${school.url}/school/people`);
  await page.getByLabel('Find by name or address').fill(typed);
}

for (const [width, viewport] of Object.entries(WIDTHS)) {
  test(`the office finds, takes in, renames and retires people, ${width}`, async ({ school }) => {
    const page = await school.open('Perpetua Lund', { viewport });
    await page.goto(`${school.url}/school/people`);
    await expect(page.getByText('120 people')).toBeVisible();
    await page.getByRole('radio', { name: 'Teachers' }).click();
    await expect(page.getByText('5 people')).toBeVisible();
    await page.getByRole('button', { name: 'by last name' }).click();
    await expect(page.getByRole('row').nth(1)).toContainText('Signe Aalto');

    await page.getByRole('button', { name: 'Take somebody in' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Runa Stad');
    await page.getByLabel('Address', { exact: true }).fill('o.marsh@merrow.example');
    await page.getByRole('button', { name: 'Take them in' }).click();
    await expect(page.getByText('This is the address of Ottoline Marsh already.')).toBeVisible();
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Runa Stad');
    await page.getByLabel('Address', { exact: true }).fill('runa@merrow.example');
    await page.getByRole('checkbox', { name: /^Office/ }).check();
    await page.getByRole('button', { name: 'Take them in' }).click();
    const way = await page.getByText(`${school.url}/password/`).textContent();

    const runa = await school.open(undefined, { viewport });
    await runa.goto(way!);
    await runa.getByLabel('Your new password').fill('salt and tar');
    await runa.getByRole('button', { name: 'Set it and go in' }).click();
    await expect(runa.getByRole('link', { name: 'Today' })).toBeVisible();
    await runa.goto(`${school.url}/school/people`);
    await expect(runa.getByText('121 people')).toBeVisible();

    await page.getByRole('link', { name: 'Runa Stad' }).first().click();
    await expect(page.getByText('Teaches nothing yet')).toHaveCount(1);
    await page.getByLabel('Name', { exact: true }).fill('Runa Stad-Lie');
    await page.getByRole('button', { name: 'Save the changes' }).click();
    await expect(page.getByRole('heading', { name: 'Runa Stad-Lie' })).toBeVisible();
    await page.getByRole('button', { name: 'Retire…' }).click();
    await page.getByRole('button', { name: 'Retire Runa Stad-Lie' }).click();
    await expect(page.getByRole('button', { name: 'Bring Runa Stad-Lie back' })).toBeVisible();
    // Whoever is signed in is out at once, without a press.
    await expect(runa.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await find(page, school, 'stad');
    await expect(page.getByText('Nobody fits')).toBeVisible();
    await page.getByRole('radio', { name: 'Retired' }).click();
    await expect(page.getByRole('link', { name: 'Runa Stad-Lie' })).toBeVisible();
  });

  test(`two records are made one, and what was done is written down, ${width}`, async ({
    school,
  }) => {
    const page = await school.open('Perpetua Lund', { viewport });
    await find(page, school, 'ansel grue');
    await page.getByRole('link', { name: 'Ansel Grue' }).click();
    await page.getByRole('button', { name: 'Make two records one…' }).click();
    await page.getByLabel('The other record, by name or address').fill('ansel sorley');
    await page.getByRole('button', { name: 'Ansel Sorley' }).click();
    await expect(page.getByText('ansel.sorley@merrow.example').last()).toBeVisible();
    await page.getByRole('button', { name: 'Make them one' }).click();
    const accounts = page.getByRole('region', { name: 'Accounts' });
    await expect(accounts.getByText('ansel.sorley@merrow.example')).toBeVisible();
    await page.getByRole('link', { name: 'What they did, and what was done to them' }).click();
    const log = page.getByRole('list', { name: 'What happened' });
    await expect(log.getByRole('listitem').first()).toContainText('made two records one');
    await log.getByText('What it said before and after').first().click();
    await expect(log.getByText('Ansel Sorley').first()).toBeVisible();
    await page.getByRole('button', { name: 'Show everybody’s' }).click();
    await page.getByRole('radio', { name: 'Links' }).click();
    await expect(log.getByText('Talks with Birgit of Coastal Navigation').first()).toBeVisible();
  });

  test(`a lost password is renewed by a host, where the school leaves it to hosts, ${width}`, async ({
    school,
  }) => {
    const host = await school.open('Ottoline Marsh', { viewport });
    const page = `${school.url}/school/people/${school.person('Ansel Grue')}`;
    await host.goto(page);
    await expect(host.getByText('school account, has a password')).toBeVisible();
    await expect(host.getByRole('button', { name: /way in/ })).toHaveCount(0);
    const office = await school.open('Perpetua Lund', { viewport });
    await office.goto(`${school.url}/school/about`);
    await office.getByRole('combobox', { name: 'Who gives a new way in' }).click();
    await office.getByRole('option', { name: 'the office or a host of theirs' }).click();
    await office.getByRole('button', { name: 'Save the changes' }).click();
    await expect(office.getByText('It is changed.')).toBeVisible();

    await host.reload();
    await host.getByRole('button', { name: /a way in for ansel.grue@merrow/ }).click();
    const way = await host.getByText(`${school.url}/password/`).textContent();
    const student = await school.openPhone('Ansel Grue');
    await student.goto(way!);
    await student.getByLabel('Your new password').fill('salt and tar');
    await student.getByRole('button', { name: 'Set it and go in' }).click();
    await expect(student.getByRole('heading', { name: 'Your doors' })).toBeVisible();
    await student.goto(way!);
    await expect(student.getByText('This address does not work any more.')).toBeVisible();
  });

  test(`what one is called, sees and is told is one’s own, ${width}`, async ({ school }) => {
    const page = await school.open('Tomas Verhage', { viewport });
    await page.goto(`${school.url}/today`);
    await page.getByRole('button', { name: /Tomas Verhage/ }).click();
    await page.getByRole('link', { name: 'Your account' }).click();
    await page.getByLabel('What you are called').fill('Tomas V.');
    await page.getByRole('radio', { name: 'dark', exact: true }).click();
    await page.getByRole('button', { name: 'Save the changes' }).click();
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
    const ground = () =>
      page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
    expect(await ground()).toBe('rgb(22, 33, 30)');
    await page.reload();
    await expect(page.getByLabel('What you are called')).toHaveValue('Tomas V.');
    expect(await ground()).toBe('rgb(22, 33, 30)');

    await page.getByLabel('The password now').fill('not this one');
    await page.getByLabel('The new password').fill('short');
    await page.getByRole('button', { name: 'Change it' }).first().click();
    await expect(page.getByText('At least 10 characters.')).toBeVisible();
    await page.getByLabel('The new password').fill('a longer one');
    await page.getByRole('button', { name: 'Change it' }).first().click();
    await expect(page.getByText('This is not the password of the account in use.')).toBeVisible();
    await expect(page.getByLabel('The new password')).toHaveValue('a longer one');
  });
}

test('a student sees their account, and is called what the school says', async ({ school }) => {
  const page = await school.openPhone('Ansel Grue');
  await page.goto(`${school.url}/account`);
  await expect(page.getByText('You are called Ansel Grue; the school says so.')).toBeVisible();
  await expect(page.getByText('The school says by which address it knows you.')).toBeVisible();
});

test('somebody who hosts alone is not retired before another hosts there', async ({ school }) => {
  const page = await school.open('Perpetua Lund');
  await page.goto(`${school.url}/school/people/${school.person('Bram Osterholt')}`);
  await page.getByRole('button', { name: 'Retire…' }).click();
  await expect(page.getByText('Nobody else hosts these; hand them over first:')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Retire Bram Osterholt' })).toBeDisabled();
  await page.getByRole('listitem').getByRole('link', { name: 'Signals, period 4' }).last().click();
  await page.getByLabel('Somebody more').fill('Tomas');
  await page.getByRole('button', { name: /Tomas Verhage/ }).click();
  await page.getByRole('combobox', { name: 'As what Tomas Verhage is here' }).click();
  await page.getByRole('option', { name: 'hosts', exact: true }).click();
  await page.goto(`${school.url}/school/people/${school.person('Bram Osterholt')}`);
  await page.getByRole('button', { name: 'Retire…' }).click();
  await page.getByRole('button', { name: 'Retire Bram Osterholt' }).click();
  await expect(page.getByText('Bram Osterholt is retired.')).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByRole('link', { name: 'Signals, period 4' })).toBeVisible();
});
