import type { Page } from '@playwright/test';
import type { Answer } from '@glen/contract';
import { expectNoViolations } from './seen.js';
import { choose, clipboard, enterRoom, expect, test, type School } from './support.js';

// By telephone: dialled, keyed in, waiting as "caller …77", let in, muted, put out.

test('a caller waits in the lobby by the number and pin of the invitation, and is let in', async ({
  school,
}) => {
  const head = await school.open('Noor Achterberg');
  await head.goto(`${school.url}/school/entry`);
  await head.getByRole('button', { name: 'Phone callers: fixed for everyone' }).click();
  await expect(
    head.getByRole('button', { name: 'Phone callers: fixed for everyone', pressed: false }),
  ).toBeVisible();

  await school.setTime('10:46');
  const host = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await host.goto(`${school.url}/classes/${n3.id}/entry`);
  await choose(host, 'By phone: comes in', /^lobby/);
  await expect(host.getByRole('combobox', { name: 'By phone: comes in' })).toHaveText(/lobby/);

  await host.goto(`${school.url}/classes/${n3.id}/links/${n3.link.id}`);
  await expect(host.getByText('By phone: +1 902 555 0142, pin')).toBeVisible();
  await host.getByRole('button', { name: 'Copy number and pin' }).click();
  await expect(host.getByText('Number and pin are copied.')).toBeVisible();
  const { plain } = await clipboard(host);
  const pin = /^\+1 902 555 0142, pin ([\d ]+)$/.exec(plain)![1]!;

  await host.goto(`${school.url}/desk/${n3.link.id}`);
  await enterRoom(host, 'Open the door now');
  const phone = await school.openPhone();
  await phone.goto(`${school.demo.video}/phone`);
  await expectNoViolations(phone);
  await phone.getByLabel('Your number').fill('+1 902 555 0177');
  await phone.getByLabel('Pin').fill('7 777 777');
  await phone.getByRole('button', { name: 'Call' }).click();
  const heard = phone.getByRole('status');
  await expect(heard).toHaveText(/^No door has this pin\./);
  await phone.getByLabel('Pin').fill(pin);
  await phone.getByRole('button', { name: 'Call' }).click();
  await expect(heard).toHaveText(
    'You are in the lobby of Coastal Navigation, period 3. Ottoline Marsh sees that you are waiting.',
  );

  const lobby = host.getByRole('region', { name: 'In the lobby' });
  await expect(lobby.getByText('caller …77')).toBeVisible();
  await expect(lobby.getByText('by phone · not on the roll')).toBeVisible();
  await expect(lobby.getByText(/callers wait$/)).toBeVisible();
  await expectNoViolations(host);
  await host.getByRole('button', { name: 'Let caller …77 in' }).click();
  await expect(heard).toHaveText('You are on to Coastal Navigation, period 3.');
  const inside = host.getByRole('region', { name: 'Inside' });
  await expect(inside.getByText('caller …77')).toBeVisible();
  await expect(host.getByRole('button', { name: 'Let caller …77 present' })).toHaveCount(0);

  await speakWhileAnOlderAnswerIsLate(phone);
  await host.getByRole('button', { name: 'Put caller …77 out' }).click();
  await expect(heard).toHaveText('A host has put you out. Goodbye.');
  await phone.getByRole('button', { name: 'Call' }).click();
  await expect(heard).toHaveText('The host has not let you in. Goodbye.');
});

/** What the microphone was before arrives only after what it is now: what is drawn is what it is now. */
async function speakWhileAnOlderAnswerIsLate(phone: Page): Promise<void> {
  const late: (() => Promise<void>)[] = [];
  const isAskedFor = (url: URL): boolean => url.pathname.endsWith('/mic');
  await phone.route(isAskedFor, async (route) => {
    if (route.request().method() !== 'GET' || late.length > 0) return route.fallback();
    late.push(() => route.fulfill({ json: { on: false } }));
  });
  const speak = phone.getByRole('button', { name: 'Speak' });
  const mute = phone.getByRole('button', { name: 'Mute yourself' });
  await speak.click();
  await expect.poll(() => late.length).toBe(1);
  await expect(mute).toBeVisible();
  const older = phone.waitForResponse((response) => isAskedFor(new URL(response.url())));
  await late[0]!();
  await (await older).finished();
  await phone.evaluate(() => new Promise(requestAnimationFrame));
  await expect(mute).toBeVisible();
  await phone.unroute(isAskedFor);
}

/** The school fixes nothing about phones, and its callers wait; gives the pin of a class period's link. */
async function allowCallers(school: School, letters: string): Promise<string> {
  const { request } = await school.open('Noor Achterberg');
  const { version, layers } = (await (
    await request.get(`${school.url}/api/school/rules`)
  ).json()) as Answer<'schoolRules'>;
  const rules = { ...layers[0]!.rules, phone: 'lobby' };
  await request.put(`${school.url}/api/school/rules`, {
    data: { version, rules, locked: [] },
    headers: { Origin: school.url },
  });
  const { id } = school.classOf(letters).link;
  const told = await request.get(`${school.url}/api/links/${id}/invitation`);
  return ((await told.json()) as Answer<'invitation'>).phonePin!;
}

test('a caller who hangs up in the lobby is gone from the desk', async ({ school }) => {
  const pin = await allowCallers(school, 'N3');
  await school.setTime('10:46');
  const host = await school.open('Ottoline Marsh');
  await host.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  await enterRoom(host, 'Open the door now');
  const phone = await school.openPhone();
  await phone.goto(`${school.demo.video}/phone`);
  await phone.getByLabel('Pin').fill(pin);
  await phone.getByRole('button', { name: 'Call' }).click();
  const lobby = host.getByRole('region', { name: 'In the lobby' });
  await expect(lobby.getByText('caller, number withheld')).toBeVisible();
  await phone.getByRole('button', { name: 'Hang up' }).click();
  await expect(phone.getByRole('status')).toHaveText('You have hung up.');
  await expect(lobby.getByText('Nobody knocks.')).toBeVisible();
});
