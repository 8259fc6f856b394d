import { expectNoViolations } from './seen.js';
import { choose, expect, test } from './support.js';

test('a one-to-one is hosted by its teacher alone, said in the sentence, the table and by the door', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await host.goto(`${school.url}/classes/${n3.id}/links?new=One-to-one`);
  const made = host.getByRole('region', { name: 'New link' });
  await expect(made.getByRole('combobox', { name: 'Who hosts it' })).toContainText('nobody but');
  await expect(
    made.getByRole('button', { name: 'Hosts of its own: Ottoline Marsh' }),
  ).toBeVisible();
  await made.getByRole('button', { name: /^Whom it is for/ }).click();
  await host.getByLabel('Add somebody by name or address').fill('ansel');
  await host.getByRole('button', { name: /^Ansel Grue/ }).click();
  await host.keyboard.press('Escape');
  await made.getByLabel('Name', { exact: true }).fill('Talks with Ansel');
  await made.getByRole('button', { name: 'Make the link' }).click();
  await expect(host.getByRole('heading', { name: 'Talks with Ansel' })).toBeVisible();
  const leftOut = host.getByRole('row').filter({ hasText: 'left out, as any colleague' });
  await expect(leftOut).toContainText('Tomas Verhage');
  await expectNoViolations(host);
  const code = (await host.getByText(/^\/door\//).textContent())!;

  const other = await school.openPhone('Tomas Verhage');
  await other.goto(`${school.url}${code}`);
  await expect(other.getByRole('heading', { name: /^A private session/ })).toBeVisible();
  await expect(other.getByRole('link', { name: 'To the desk' })).toHaveCount(0);

  await choose(host, 'Who hosts it', /^the class period’s hosts and/);
  await expect(leftOut).toHaveCount(0);
  await other.reload();
  await expect(other.getByRole('heading', { name: 'Talks with Ansel' })).toBeVisible();
});
