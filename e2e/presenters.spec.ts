import { expectNoViolations } from './seen.js';
import { choose, expect, test } from './support.js';

test('somebody is named to present at one date, is told once, and finds it in their day', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await host.goto(`${school.url}/classes/${n3.id}/links/${n3.link.id}`);
  await choose(host, 'Who presents', 'Idris Kellaway');
  await choose(host, 'When they present', /^on Wed 14 Oct, 10:45/);
  await host.getByRole('button', { name: 'Name the presenter' }).click();
  const named = host.getByRole('list', { name: 'Who presents here' });
  await expect(named.getByRole('listitem')).toContainText('Idris Kellaway, on Wed 14 Oct');
  await host.getByRole('button', { name: 'Name the presenter' }).click();
  await expect(host.getByText('They are named for this already.')).toBeVisible();
  await expectNoViolations(host);

  const visiting = await school.openPhone('Idris Kellaway');
  await visiting.goto(`${school.url}/today`);
  await expect(visiting.getByText('Coastal Navigation, period 3').first()).toBeVisible();
  await visiting
    .getByRole('button', { name: /In the margin|Open/ })
    .first()
    .click();
  await expect(visiting.getByText('You are to present').first()).toBeVisible();
  await expect(
    visiting.getByText('By Ottoline Marsh: at Coastal Navigation, period 3').first(),
  ).toBeVisible();

  await visiting.goto(`${school.url}/today`);
  await visiting
    .getByRole('link', { name: 'To the door of Coastal Navigation, period 3, 10:45' })
    .click();
  await expect(visiting.getByRole('heading', { name: 'The door opens at 10:40' })).toBeVisible();
  await visiting.goto(`${school.url}/today`);

  await host
    .getByRole('button', { name: 'Idris Kellaway, on Wed 14 Oct: present no longer' })
    .click();
  await expect(named.getByRole('listitem')).toHaveCount(0);
  await visiting.reload();
  await expect(visiting.getByText('Coastal Navigation, period 3').first()).toBeHidden();
});

test('somebody is named for a weekday, shown at a glance, and takes over where no host comes', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await host.goto(`${school.url}/classes/${n3.id}/links/${n3.link.id}`);
  await choose(host, 'Who presents', 'Idris Kellaway');
  await choose(host, 'When they present', 'on Wednesdays');
  await host.getByLabel('The first day they present').fill('16 Oct 2026');
  await host.getByLabel('The last day they present').fill('14 Oct 2026');
  await choose(host, 'Whether they take over', 'takes over while no host is in');
  await host.getByRole('button', { name: 'Name the presenter' }).click();
  await expect(host.getByText('That is before it begins.')).toBeVisible();
  await host.getByLabel('The first day they present').fill('');
  await host.getByLabel('The last day they present').fill('28 Oct 2026');
  await host.getByRole('button', { name: 'Name the presenter' }).click();
  await expect(
    host.getByRole('list', { name: 'Who presents here' }).getByRole('listitem'),
  ).toContainText('on Wednesdays until Wed 28 Oct; takes over while no host is in');

  await host.goto(`${school.url}/classes/${n3.id}/about`);
  const glance = host.getByRole('region', { name: 'Who presents when' });
  await expect(glance.getByRole('listitem')).toHaveCount(3);
  await expect(glance.getByRole('listitem').first()).toContainText('Wed 14 Oct, 10:45');
  await expectNoViolations(host);
  await host.goto(`${school.url}/classes/${n3.id}/entry`);
  await expect(host.getByText('whoever takes over is host')).toContainText('Idris Kellaway');

  await school.setTime('10:46');
  const visiting = await school.openPhone('Idris Kellaway');
  await visiting.goto(`${school.url}/door/${n3.link.code}`);
  await visiting.getByRole('button', { name: /^(Go in|Open)/ }).click();
  await visiting.waitForURL(/room/);
  await visiting.goto(`${school.url}/desk/${n3.link.id}`);
  await expect(visiting.getByRole('heading', { name: /Coastal Navigation/ }).first()).toBeVisible();
});
