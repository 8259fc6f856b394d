import { expect, test } from './support.js';

const SIZES = [
  ['wide', { width: 1280, height: 800 }],
  ['phone', { width: 390, height: 844 }],
] as const;

for (const [width, viewport] of SIZES) {
  test(`one signs out at another browser, and everywhere, ${width}`, async ({ school }) => {
    const here = await school.open('Ottoline Marsh', { viewport });
    const there = await school.open('Ottoline Marsh');
    await there.goto(`${school.url}/plan`);
    await here.goto(`${school.url}/account`);
    const browsers = here.getByRole('region', { name: 'Where you are signed in' });
    await expect(browsers.getByText('this one', { exact: true })).toBeVisible();
    await browsers.getByRole('button', { name: 'Sign out there' }).first().click();
    await expect(there.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await expect(browsers.getByRole('button', { name: 'Sign out there' })).toHaveCount(0);
    await browsers.getByRole('button', { name: 'Sign out everywhere' }).click();
    await browsers.getByRole('button', { name: 'Yes, sign out here too' }).click();
    await expect(here.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  });

  test(`a calendar address is shown once, and switched off, ${width}`, async ({ school }) => {
    const page = await school.open('Ottoline Marsh', { viewport });
    await page.goto(`${school.url}/plan`);
    await page.getByRole('button', { name: 'Calendar feeds' }).click();
    const own = page
      .getByRole('dialog', { name: 'Calendar feeds' })
      .getByRole('listitem')
      .filter({ hasText: 'All that is mine' });
    await own.getByRole('button', { name: 'Make an address' }).click();
    const address = (await own.locator('code').textContent())!;
    expect((await page.request.get(address)).status()).toBe(200);
    await page.reload();
    await page.getByRole('button', { name: 'Calendar feeds' }).click();
    await expect(own.getByText(/^An address made on .* works\.$/)).toBeVisible();
    await expect(own.locator('code')).toHaveCount(0);
    await own.getByRole('button', { name: 'Switch it off' }).click();
    await own.getByRole('button', { name: 'Yes, switch it off' }).click();
    await expect(own.getByRole('button', { name: 'Make an address' })).toBeVisible();
    expect((await page.request.get(address)).status()).toBe(404);
  });

  test(`a host hears of many strangers, and asks for accounts at one press, ${width}`, async ({
    school,
  }) => {
    const host = await school.open('Ottoline Marsh', { viewport });
    const { id, link } = school.classOf('N3');
    const { version } = await (
      await host.request.get(`${school.url}/api/classes/${id}/rules`)
    ).json();
    await host.request.put(`${school.url}/api/classes/${id}/rules`, {
      data: { version, rules: { whoMayEnter: 'anyone', straightIn: 'hosts', withoutHost: true } },
      headers: { Origin: school.url },
    });
    await school.setTime('10:42');
    await host.goto(`${school.url}/desk/${link.id}`);
    const stranger = await school.openPhone();
    await stranger.goto(school.door('N3'));
    await stranger.getByLabel('Your name').fill('ottoline marsh');
    await stranger.getByRole('button', { name: 'Knock' }).click();
    await expect(host.getByText('not signed in: this name is not proven')).toBeVisible();
    for (let i = 0; i < 5; i++) {
      const other = await school.open();
      await other.request.post(`${school.url}/api/door/${link.code}/enter`, {
        data: { name: `Guest ${i}` },
        headers: { Origin: school.url },
      });
    }
    await expect(host.getByText('Many strangers knock').first()).toBeVisible();
    // On a phone the margin is a line that opens.
    if (width === 'phone') await host.getByRole('button', { name: /^In the margin/ }).click();
    await host.getByRole('button', { name: 'Ask for an account from now on' }).click();
    await expect(stranger.getByRole('heading', { name: /[Ss]ign in/ }).first()).toBeVisible();
    await expect(host.getByText('Nobody knocks.').last()).toBeVisible();
  });
}

test('an answer that is lost on the way is asked for again, and the press is done once', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/plan/new`);
  await page.getByLabel('Or type it').fill('Nav 3 tomorrow 19:00 for 30 minutes');
  let lost = 0;
  await page.route('**/api/classes/*/sessions', async (route) => {
    if (lost > 0) return route.continue();
    lost += 1;
    // The server does it, and the line drops before it can tell.
    await route.fetch();
    await route.abort('connectionreset');
  });
  await page.getByRole('button', { name: /^Schedule/ }).click();
  await expect(page).not.toHaveURL(/plan\/new/);
  expect(lost).toBe(1);
  await page.goto(`${school.url}/classes/${school.classOf('N3').id}/sessions`);
  await expect(page.getByText('19:00')).toHaveCount(1);
});
