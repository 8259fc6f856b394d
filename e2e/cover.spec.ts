import { expectNoViolations } from './seen.js';
import { choose, expect, test } from './support.js';

test('a teacher has a day covered in one sentence, clashes first; whoever covers hosts it, and no longer', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  await host.goto(`${school.url}/school/cover`);
  await choose(host, 'Who covers', 'Bram Osterholt');
  const toCover = host.getByRole('region', { name: 'What is to be covered' });
  await expect(toCover.getByText('Wed 14 Oct, 10:45')).toBeVisible();
  await expectNoViolations(host);
  await host.getByRole('button', { name: /^Have Bram Osterholt cover/ }).click();
  const on = host.getByRole('region', { name: 'On and to come' });
  await expect(
    on.getByRole('listitem').filter({ hasText: 'Bram Osterholt covers for you on Wed 14 Oct' }),
  ).toBeVisible();

  const covering = await school.openPhone('Bram Osterholt');
  await covering.goto(`${school.url}/today`);
  await expect(covering.getByText('For Ottoline Marsh').first()).toBeVisible();
  await covering.getByRole('button', { name: 'Open the door now' }).click();
  await covering.waitForURL(/\/desk\//);
  await expect(
    covering.getByRole('heading', { name: 'Coastal Navigation, period 3' }),
  ).toBeVisible();
  await covering.goto(`${school.url}/school/cover`);
  await expect(covering.getByText('You cover for Ottoline Marsh on Wed 14 Oct')).toBeVisible();
  await expect(covering.getByRole('button', { name: /^End the cover/ })).toHaveCount(0);

  await host.getByRole('button', { name: /^End the cover: Bram Osterholt/ }).click();
  await expect(on.getByText('Bram Osterholt covers')).toHaveCount(0);
  // As the demo school has it: a day to come.
  await expect(on.getByText('Tomas Verhage covers for you on Tue 20 Oct')).toBeVisible();
  await covering.goto(`${school.url}/today`);
  await expect(covering.getByText('For Ottoline Marsh')).toHaveCount(0);
});

test('the office says it of anybody; what cannot be is said and nothing chosen is lost', async ({
  school,
}) => {
  const office = await school.open('Perpetua Lund');
  await office.goto(`${school.url}/school/cover`);
  await choose(office, 'Who is away', 'Ottoline Marsh');
  await choose(office, 'Who covers', 'Tomas Verhage');
  await office.getByLabel('The first day', { exact: true }).fill('12 Oct 2026');
  await office.getByLabel('The last day', { exact: true }).fill('13 Oct 2026');
  await office.getByRole('button', { name: /^Have Tomas Verhage cover/ }).click();
  await expect(office.getByText('These days are over.')).toBeVisible();
  await office.getByLabel('The last day', { exact: true }).fill('16 Oct 2026');
  await expect(office.getByText('theirs anyway').first()).toBeVisible();
  await office.getByRole('button', { name: /^Have Tomas Verhage cover/ }).click();
  await expect(
    office.getByText('Tomas Verhage covers for Ottoline Marsh from Mon 12 Oct to Fri 16 Oct'),
  ).toBeVisible();

  const told = await school.open('Ottoline Marsh');
  await told.goto(`${school.url}/today`);
  await expect(told.getByText('Tomas Verhage covers for you')).toBeVisible();
  const n3 = school.classOf('N3');
  await told.goto(`${school.url}/classes/${n3.id}/about`);
  await expect(told.getByRole('region', { name: 'Who teaches it' })).toContainText('Tomas Verhage');
});

test('whoever leaves hands over all that they host in one sheet, and then can be retired', async ({
  school,
}) => {
  const office = await school.open('Perpetua Lund');
  await office.goto(`${school.url}/school/people/${school.person('Bram Osterholt')}`);
  await office.getByRole('button', { name: 'Retire…' }).click();
  await expect(office.getByText('Nobody else hosts these; hand them over first:')).toBeVisible();
  await office.getByRole('button', { name: 'Leave it' }).click();
  await office.getByRole('button', { name: 'Hand over what they host…' }).click();
  const sheet = office.getByRole('form', { name: 'Hand over' });
  await expect(sheet.getByText('Signals, period 4')).toBeVisible();
  await expectNoViolations(office);
  await expect(sheet.getByRole('button', { name: 'Hand it all over' })).toBeDisabled();
  await choose(office, 'Who takes all of it over', 'Tomas Verhage');
  await sheet.getByRole('button', { name: 'Hand it all over' }).click();
  await expect(sheet).toHaveCount(0);
  await office.getByRole('button', { name: 'Retire…' }).click();
  await expect(office.getByRole('button', { name: 'Retire Bram Osterholt' })).toBeEnabled();

  const next = await school.openPhone('Tomas Verhage');
  await next.goto(`${school.url}/classes`);
  await expect(next.getByText('Signals, period 4').first()).toBeVisible();
  await next.goto(`${school.url}/school/cover`);
  await next.getByRole('button', { name: 'Hand over what I host…' }).click();
  await expect(
    next.getByRole('combobox', { name: 'Who takes over Signals, period 4' }),
  ).toBeVisible();
});
