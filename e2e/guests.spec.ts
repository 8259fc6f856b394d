import { expectNoViolations } from './seen.js';
import { choose, clipboard, copied, enterRoom, expect, test } from './support.js';

const RASMUS = 'rasmus.vane@home.example';

test('a guest speaker comes to the Harbour Evening by a one-time address, presents, and is withdrawn', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const evening = school.classOf('HE');
  await host.goto(`${school.url}/classes/${evening.id}/people`);
  await expect(host.getByText('We expect 5; 3 said yes, 1 said no.')).toBeVisible();
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
  await guest.getByRole('button', { name: 'Yes, I will' }).click();
  await expect(host.getByText('We expect 5; 4 said yes, 1 said no.')).toBeVisible();
  await guest.getByLabel('What you are called').fill('');
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
  await expect(host.getByRole('listitem').filter({ hasText: 'Rasmus' })).toHaveCount(0);
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
  const invited = guest.getByRole('region', { name: 'Your invitations' });
  const evening = invited.getByRole('listitem').filter({ hasText: 'Harbour Evening' });
  await expect(evening).toContainText(
    'invites you to speak: Harbour Evening, on Thu 5 Nov, 19:00.',
  );
  await evening.getByRole('button', { name: 'No' }).click();
  await expect(evening.getByRole('button', { name: 'No' })).toHaveAttribute('aria-pressed', 'true');
  await expectNoViolations(guest);
  await expect(
    guest.getByRole('link', { name: 'To the door of Coastal Navigation, period 3' }),
  ).toBeVisible();
  await expect(guest.getByRole('link', { name: /^To the door of/ })).toHaveCount(1);
  await guest.getByRole('link', { name: 'To the door of Coastal Navigation, period 3' }).click();
  await expect(guest.getByRole('heading', { name: 'The door opens at 10:40' })).toBeVisible();
});

test('guests are pasted for one date, and whoever is to watch is given an address without a seat', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  const rules = `${school.url}/api/links/${n3.link.id}/rules`;
  const { version } = (await (await host.request.get(rules)).json()) as { version: number };
  await host.request.put(rules, {
    headers: { Origin: school.url },
    data: { version, rules: { watching: true } },
  });
  await host.goto(`${school.url}/classes/${n3.id}/links/${n3.link.id}`);
  const outside = host.getByRole('region', { name: 'From outside the school' });
  await outside.getByRole('button', { name: 'Invite guests' }).click();
  const typed = outside.getByLabel('Names and addresses, a line each');
  await typed.fill('Nia Hall <nia.hall@home.example>\nBo Wend');
  await expect(outside.getByText('One guest; no address in line 2.')).toBeVisible();
  await choose(host, 'How they come', /^only watch/);
  await choose(host, 'What they are invited to', /^on Wed 14 Oct, 10:45/);
  await outside.getByRole('button', { name: 'Invite them' }).click();
  await expect(
    outside.getByText('Line 2 holds no address that can be read: Bo Wend'),
  ).toBeVisible();
  await expectNoViolations(host);
  await typed.fill('Nia Hall <nia.hall@home.example>\nBo Wend, bo@home.example');
  await outside.getByRole('button', { name: 'Invite them' }).click();
  await expect(outside.getByRole('listitem').filter({ hasText: 'Nia Hall' })).toContainText(
    'nia.hall@home.exampleon Wed 14 Oct, 10:45',
  );
  await expect(outside.getByText('We expect 2; nobody has said yes or no yet.')).toBeVisible();
  await outside.getByRole('button', { name: 'Copy this address' }).click();
  const { plain: watch } = await copied(host, /\/watch\//);
  await outside.getByRole('button', { name: 'Copy the way in for nia.hall@home.example' }).click();
  await expect(host.getByText('send it to nia.hall@home.example alone')).toBeVisible();
  const { plain: address } = await clipboard(host);

  await host.goto(`${school.url}/desk/${n3.link.id}`);
  await enterRoom(host, 'Open the door now');
  const guest = await school.openPhone();
  await guest.goto(address);
  await guest.getByRole('button', { name: 'This is me: to the door' }).click();
  await expect(guest).toHaveURL(watch);
  await expect(guest.getByRole('heading', { name: 'The door is open to watch' })).toBeVisible();
  await expectNoViolations(guest);
  await guest.getByRole('button', { name: 'Go in to watch' }).click();
  await expect(guest.locator('#you')).toContainText('You are Nia Hall');
  await expect(guest.locator('#seats')).toContainText('watching');

  // Somebody of the roll who follows the same address has no more there than anybody.
  const student = await school.open('Ansel Grue');
  await student.goto(watch);
  await expect(student.getByRole('button', { name: 'Go in to watch' })).toBeVisible();
  await expect(student.getByRole('button', { name: 'Go in', exact: true })).toHaveCount(0);

  await host.goto(`${school.url}/classes/${n3.id}/links/${n3.link.id}`);
  await outside.getByRole('button', { name: 'Stop this address' }).click();
  await expect(outside.getByRole('button', { name: 'Make an address to watch at' })).toBeVisible();
  await student.reload();
  await expect(student.getByText('No door has this code')).toBeVisible();
});
