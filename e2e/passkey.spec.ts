import type { Page } from '@playwright/test';
import { expectNoViolations } from './seen.js';
import { expect, test, type School } from './support.js';

/** Has people reach the school by a name, where there can be passkeys; gives its address. */
async function byName(school: School): Promise<string> {
  const url = school.url.replace('127.0.0.1', 'localhost');
  await school.demo.restartServer('SIGTERM', { GLEN_PUBLIC_URL: url });
  return url;
}

/** Signs in as one of the demo's people at that address, on a device that has passkeys of its own. */
async function openWithDevice(school: School, url: string, name: string | null): Promise<Page> {
  const page = await school.open();
  const device = await page.context().newCDPSession(page);
  await device.send('WebAuthn.enable');
  await device.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  if (name !== null)
    await page.context().request.post(`${url}/api/demo/sign-in`, {
      data: { accountId: school.account(name).id },
      headers: { Origin: url },
    });
  return page;
}

async function addPasskey(page: Page, url: string, called: string): Promise<void> {
  await page.goto(`${url}/account`);
  const mine = page.getByRole('region', { name: 'Passkeys' });
  await mine.getByLabel('A passkey on this device, called').fill(called);
  await mine.getByRole('button', { name: 'Add the passkey' }).click();
  await expect(mine.getByText(called, { exact: true })).toBeVisible();
}

test('a passkey is added, renamed, signs in, and is taken away', async ({ school }) => {
  const url = await byName(school);
  const page = await openWithDevice(school, url, 'Tomas Verhage');
  await page.goto(`${url}/account`);
  const mine = page.getByRole('region', { name: 'Passkeys' });
  await mine.getByRole('button', { name: 'Add the passkey' }).click();
  await expect(mine.getByText('Say what you call it.')).toBeVisible();
  await addPasskey(page, url, 'Chart room laptop');
  await expectNoViolations(page);
  await mine.getByRole('button', { name: 'Rename Chart room laptop' }).click();
  await mine.getByLabel('What you call it').fill('Bridge laptop');
  await mine.getByRole('button', { name: 'Save the name' }).click();
  await expect(mine.getByText('Bridge laptop')).toBeVisible();
  // One device makes one passkey for one account.
  await mine.getByLabel('A passkey on this device, called').fill('The same again');
  await mine.getByRole('button', { name: 'Add the passkey' }).click();
  await expect(mine.getByText('No passkey was made.')).toBeVisible();
  await expect(mine.getByLabel('A passkey on this device, called')).toHaveValue('The same again');
  await page.getByRole('button', { name: 'Tomas Verhage school account' }).click();
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await page.getByRole('button', { name: 'Use a passkey' }).click();
  await expect(page.getByRole('button', { name: 'Tomas Verhage school account' })).toBeVisible();
  await expect(mine.getByText(/last used/)).toBeVisible();
  await mine.getByRole('button', { name: 'Take away Bridge laptop' }).click();
  await expect(mine.getByText('Bridge laptop')).toHaveCount(0);
});

test('the office is asked for its passkey before it changes everybody, and what it pressed is done', async ({
  school,
}) => {
  const url = await byName(school);
  const office = await openWithDevice(school, url, 'Perpetua Lund');
  const ways = `${url}/school/sign-in`;
  const ask = office.getByLabel(/Head and office show a passkey/);
  await office.goto(ways);
  await ask.check();
  await office.getByRole('button', { name: 'Save the changes' }).click();
  await expect(office.getByText('Show a passkey of your own first')).toBeVisible();
  await office.getByRole('button', { name: 'As it was' }).click();
  await addPasskey(office, url, 'Office key');
  await office.goto(ways);
  await ask.check();
  await office.getByRole('button', { name: 'Save the changes' }).click();
  await expect(office.getByRole('button', { name: 'Save the changes' })).toBeDisabled();
  // Signed in anew by other means, the passkey is asked for as it is saved, and it is saved.
  await office.context().request.post(`${url}/api/demo/sign-in`, {
    data: { accountId: school.account('Perpetua Lund').id },
    headers: { Origin: url },
  });
  await office.goto(`${url}/school/about`);
  await office.getByLabel(/Whom do students ask/).fill('the harbour master');
  await office.getByRole('button', { name: 'Save the changes' }).click();
  await expect(office.getByRole('button', { name: 'Save the changes' })).toBeDisabled();
  // Whoever has none is told what to do, and loses nothing typed.
  const head = await openWithDevice(school, url, 'Noor Achterberg');
  await head.goto(`${url}/school/about`);
  await head.getByLabel(/Whom do students ask/).fill('the head');
  await head.getByRole('button', { name: 'Save the changes' }).click();
  await expect(head.getByText('This account has no passkey yet')).toBeVisible();
  await expect(head.getByLabel(/Whom do students ask/)).toHaveValue('the head');
});

test('where people reach Glen by a number there are none, and it says why', async ({ school }) => {
  const page = await school.open('Perpetua Lund');
  await page.goto(`${school.url}/account`);
  const mine = page.getByRole('region', { name: 'Passkeys' });
  await expect(mine.getByText(/a passkey belongs to a name/)).toBeVisible();
  await expect(mine.getByRole('button')).toHaveCount(0);
  await page.goto(`${school.url}/school/sign-in`);
  await expect(page.getByText(/there are none at this address/)).toBeVisible();
  const nobody = await school.open();
  await nobody.goto(school.url);
  await expect(nobody.getByRole('button', { name: /^Use Merrow/ })).toBeVisible();
  await expect(nobody.getByRole('button', { name: 'Use a passkey' })).toHaveCount(0);
});
