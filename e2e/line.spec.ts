import { expectNoViolations } from './seen.js';
import { expect, test } from './support.js';

test('before a full room people wait in a line that their pages keep, and go in in their order', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  const rules = `${school.url}/api/classes/${n3.id}/rules`;
  const { version } = (await (await host.request.get(rules)).json()) as { version: number };
  await host.request.put(rules, {
    data: { version, rules: { straightIn: 'everyone', capacity: 2, watching: true } },
    headers: { Origin: school.url },
  });
  await school.setTime('10:46');
  await host.goto(`${school.url}/desk/${n3.link.id}`);
  await host.getByRole('button', { name: /^Open/ }).first().click();
  const door = `${school.url}/door/${n3.link.code}`;
  await host.goto(door);
  await host.getByRole('button', { name: 'Go in' }).click();
  await host.waitForURL(/room/);
  const first = await school.open('Ansel Grue');
  await first.goto(door);
  await first.getByRole('button', { name: 'Go in' }).click();
  await first.waitForURL(/room/);

  const second = await school.openPhone('Birgit Tideman');
  await second.goto(door);
  await expect(second.getByRole('heading', { name: 'The room is full' })).toBeVisible();
  await expectNoViolations(second);
  await second.getByRole('button', { name: 'Wait in line' }).click();
  await expect(second.getByRole('heading', { name: 'You are next' })).toBeVisible();
  const third = await school.openPhone('Caspian Holloway');
  await third.goto(door);
  await third.getByRole('button', { name: 'Wait in line' }).click();
  await expect(
    third.getByRole('heading', { name: 'The room is full; 1 goes before you' }),
  ).toBeVisible();
  await expect(third.getByRole('button', { name: 'Only watch' })).toBeVisible();

  const desk = await school.open('Ottoline Marsh');
  await desk.goto(`${school.url}/desk/${n3.link.id}`);
  await expect(desk.getByText('2 wait for a seat')).toBeVisible();

  await first.close();
  await second.waitForURL(/room/);
  await expect(third.getByRole('heading', { name: 'You are next' })).toBeVisible();
});
