import { expect, onRoll, test } from './support.js';

const WIDTHS = { wide: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } };

for (const [width, viewport] of Object.entries(WIDTHS)) {
  test(`a student leaves a roll with what that ends said first, comes back with it, and moves, ${width}`, async ({
    school,
  }) => {
    const page = await school.open('Ottoline Marsh', { viewport });
    const r5 = school.classOf('R5');
    await page.goto(`${school.url}/classes/${r5.id}/roll`);
    await page.getByRole('button', { name: 'Take Caspian Muise off the roll' }).click();
    const asked = page.getByRole('group', { name: 'Taking Caspian Muise off' });
    await expect(asked).toContainText('With that ends their place in Port watch.');
    await asked.getByRole('button', { name: 'Take them off' }).click();
    await expect(onRoll(page, 22)).toBeVisible();
    await page.getByText('One was taken off this roll').click();
    await page.getByRole('button', { name: 'Bring Caspian Muise back' }).click();
    await expect(page.getByRole('combobox', { name: 'Group of Caspian Muise' })).toContainText(
      'Port watch',
    );

    await page.getByRole('button', { name: 'Move Caspian Muise to another roll' }).click();
    const moving = page.getByRole('group', { name: 'Moving Caspian Muise' });
    await moving.getByRole('combobox', { name: 'Where to' }).click();
    await page.getByRole('option', { name: 'Coastal Navigation, period 1' }).click();
    await moving.getByRole('button', { name: 'Move them' }).click();
    await expect(
      page.getByText('Caspian Muise is on the roll of Coastal Navigation, period 1.'),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await expect(onRoll(page, 23)).toBeVisible();
  });

  test(`a host sees a student’s page, and names their guardians, ${width}`, async ({ school }) => {
    const page = await school.open('Ottoline Marsh', { viewport });
    await page.goto(`${school.url}/classes/${school.classOf('N3').id}/roll`);
    await page.getByRole('link', { name: 'Ansel Grue' }).click();
    const doors = page.getByRole('region', { name: 'Their doors' });
    await expect(doors.getByText('Wed 14 Oct 10:45, shut')).toBeVisible();
    await page.getByLabel('Guardian’s name').fill('Ragna Quill');
    await page.getByLabel('Their address').fill('hedda.grue@home.example');
    await page.getByRole('button', { name: 'Add them' }).click();
    await expect(page.getByText('Somebody of another name has this address.')).toBeVisible();
    await page.getByLabel('Guardian’s name').fill('Hedda Grue');
    await page.getByRole('button', { name: 'Add them' }).click();
    await expect(
      page.getByRole('button', { name: 'Hedda Grue is no guardian of theirs' }),
    ).toBeVisible();
    await page.getByRole('link', { name: 'What they see there' }).first().click();
    await expect(page.getByRole('heading', { name: 'What a student sees' })).toBeVisible();
  });

  test(`an occasion has people who are named, and no roll, ${width}`, async ({ school }) => {
    const page = await school.open('Ottoline Marsh', { viewport });
    await page.goto(`${school.url}/classes`);
    await page.getByRole('button', { name: 'Make an occasion' }).click();
    await page.getByRole('button', { name: 'Make its link' }).click();
    await expect(page.getByText('Say what it is called.')).toBeVisible();
    await page.getByLabel('What is it called?').fill('Pilots’ table');
    await page.getByRole('button', { name: 'Make its link' }).click();
    await expect(page.getByRole('heading', { name: 'Pilots’ table', level: 1 })).toBeVisible();
    await expect(page.getByRole('link', { name: /^Roll/ })).toHaveCount(0);
    const add = page.getByLabel('Add somebody by name or address');
    await add.fill('Signe');
    await page.getByRole('button', { name: /Signe Aalto/ }).click();
    await add.fill('hedda.grue@home.example');
    await page.getByRole('button', { name: /Invite hedda/ }).click();
    const people = page.getByRole('list', { name: 'Whom it is for' });
    await expect(people.getByRole('listitem')).toHaveCount(1);
    const guests = page.getByRole('list', { name: 'Guests' });
    await expect(guests.getByRole('listitem')).toHaveCount(1);
    const address = `${school.url}${await page.getByText('/door/').first().textContent()}`;

    const guest = await school.openPhone('Hedda Grue', { kinds: ['personal'] });
    await guest.goto(address);
    await expect(guest.getByText('Nothing is planned here now')).toBeVisible();
    const other = await school.openPhone('Ansel Grue');
    await other.goto(address);
    await expect(other.getByText('You are not on this door’s list')).toBeVisible();
  });
}
