import { expectNoViolations } from './seen.js';
import { choose, clipboard, enterRoom, expect, test } from './support.js';

const RASMUS = 'rasmus.vane@home.example';

test('a guest speaker comes to the Harbour Evening by a one-time address, presents, and is withdrawn', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const evening = school.classOf('HE');
  await host.goto(`${school.url}/classes/${evening.id}/people`);
  await host.getByLabel('Add somebody by name or address').fill(RASMUS);
  await host.getByRole('button', { name: `Invite ${RASMUS}, as a guest` }).click();
  await choose(host, `How ${RASMUS} comes`, /^speaks/);
  await expect(host.getByRole('combobox', { name: `How ${RASMUS} comes` })).toContainText('speaks');
  await host.getByRole('button', { name: `Copy the way in for ${RASMUS}` }).click();
  await expect(host.getByText(`send it to ${RASMUS} alone`)).toBeVisible();
  const { plain: address } = await clipboard(host);

  await school.setTime('18:55', '2026-11-05');
  const guest = await school.openPhone();
  await guest.goto(address);
  await expect(
    guest.getByRole('heading', { name: 'You are invited: Harbour Evening' }),
  ).toBeVisible();
  await expectNoViolations(guest);
  await guest.getByRole('button', { name: 'This is me: to the door' }).click();
  await expect(guest.getByText('Say what you are called.')).toBeVisible();
  await expectNoViolations(guest);
  await guest.getByLabel('What you are called').fill('Rasmus Vane');
  await guest.getByRole('button', { name: 'This is me: to the door' }).click();
  await expect(guest).toHaveURL(school.door('HE'));
  await host.goto(`${school.url}/desk/${evening.link.id}`);
  await enterRoom(host, 'Open the door now');
  await guest.getByRole('button', { name: 'Go in' }).click();
  await expect(guest.locator('#you')).toContainText('You are Rasmus Vane');
  await expect(guest.locator('#you')).toContainText('presenter');

  // Whoever it was forwarded to comes too late.
  const other = await school.openPhone();
  await other.goto(address);
  await expect(other.getByText('This address does not work any more.')).toBeVisible();

  await host.goto(`${school.url}/classes/${evening.id}/people`);
  await host.getByRole('button', { name: `Invite ${RASMUS} no longer` }).click();
  await expect(host.getByText('Nobody is named yet')).toBeVisible();
  await guest.goto(school.door('HE'));
  await expect(guest.getByRole('heading', { name: 'You were put out' })).toBeVisible();
});

test('a guest who signs on at a private provider needs no address, and sees their own door alone', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await host.goto(`${school.url}/classes/${n3.id}/links/${n3.link.id}`);
  await host.getByRole('button', { name: /^Whom it is for/ }).click();
  await host.getByLabel('Add somebody by name or address').fill(RASMUS);
  await host.getByRole('button', { name: `Invite ${RASMUS}, as a guest` }).click();
  await host.keyboard.press('Escape');
  const outside = host.getByRole('region', { name: 'From outside the school' });
  await expect(outside.getByText(RASMUS)).toBeVisible();
  await expectNoViolations(host);
  const guest = await school.openPhone();
  await guest.goto(school.url);
  await guest.getByRole('button', { name: /^Use Homeport/ }).click();
  await guest.getByRole('button', { name: 'Rasmus Vane', exact: true }).click();
  await expect(
    guest.getByRole('link', { name: 'To the door of Coastal Navigation, period 3' }),
  ).toBeVisible();
  await expect(guest.getByRole('listitem').filter({ hasText: 'Coastal' })).toHaveCount(1);
  await guest.getByRole('link', { name: 'To the door of Coastal Navigation, period 3' }).click();
  await expect(guest.getByRole('heading', { name: 'The door opens at 10:40' })).toBeVisible();
});
