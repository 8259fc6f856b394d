import type { Page } from '@playwright/test';
import type { Answer } from '@glen/contract';
import { addPlace, compose, row } from './composing.js';
import { inLetter, letterFor } from './letters.js';
import { expectNoViolations } from './seen.js';
import { expect, test, type School } from './support.js';

// Letters as people meet them: in their mailbox, and in Glen.

test('a guest proves who they are by the letter that the host sends by one press', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  await host.goto(`${school.url}/classes/${school.classOf('HE').id}/people`);
  const address = 'rasmus.vane@home.example';
  await host.getByRole('button', { name: `Mail the way in to ${address}` }).click();
  await expect(host.getByText(`Their way in is on its way to ${address}.`)).toBeVisible();
  const guest = await school.openPhone();
  await letterFor(school, guest, { address, subject: 'You are invited: Harbour Evening' });
  const way = inLetter(guest).getByRole('link', { name: 'My way in' });
  await expect(way).toBeVisible();
  await guest.goto((await way.getAttribute('href'))!);
  await expect(
    guest.getByRole('heading', { name: 'You are invited: Harbour Evening' }),
  ).toBeVisible();
});

test('a reminder comes an hour before, and no more after one press in it', async ({ school }) => {
  const host = await school.open('Ottoline Marsh');
  await host.goto(`${school.url}/account`);
  const wish = host.getByRole('radiogroup', {
    name: 'An hour before what you teach or attend begins',
  });
  await wish.getByRole('radio', { name: 'by mail, and in Glen', exact: true }).click();
  await host.getByRole('button', { name: 'Save the changes' }).click();
  await expect(host.getByRole('button', { name: 'Save the changes' })).toBeDisabled();
  await school.setTime('07:45', '2026-10-16');
  const mailbox = await school.openPhone();
  const address = 'o.marsh@merrow.example';
  const subject = 'At 08:40: Coastal Navigation, period 1';
  await letterFor(school, mailbox, { address, subject });
  await expect(inLetter(mailbox).getByRole('link', { name: 'To the door' })).toBeVisible();
  const stop = inLetter(mailbox).getByRole('link', { name: 'No more of these letters' });
  await mailbox.goto((await stop.getAttribute('href'))!);
  await expect(mailbox.getByText('You get letters before what you teach')).toBeVisible();
  await expectNoViolations(mailbox);
  await mailbox.getByRole('button', { name: 'No more of these' }).click();
  await expect(mailbox.getByText('You get no letters before what you teach')).toBeVisible();
  await host.goto(`${school.url}/word`);
  await host.getByRole('button', { name: `I have read it: ${subject}` }).click();
  await expect(host.getByRole('button', { name: `I have read it: ${subject}` })).toHaveCount(0);
  await host.reload();
  await expect(host.getByText(subject)).toBeVisible();
  await host.goto(`${school.url}/account`);
  await expect(wish.getByRole('radio', { name: 'in Glen alone', exact: true })).toBeChecked();
});

test('a student finds on the phone what they were told', async ({ school }) => {
  const pupil = await school.openPhone('Ansel Grue');
  await pupil.goto(`${school.url}/`);
  await pupil.getByRole('button', { name: 'Ansel Grue' }).click();
  await pupil.getByRole('link', { name: 'Word for you' }).click();
  await expect(pupil.getByText('No word for you yet')).toBeVisible();
  await expectNoViolations(pupil);
});

test('what changes is one letter, and its calendar part answers for the guest', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const address = 'rasmus.vane@home.example';
  await host.goto(`${school.url}/classes/${school.classOf('HE').id}/people`);
  await host.getByRole('button', { name: `Mail the way in to ${address}` }).click();
  const mailbox = await school.openPhone();
  await letterFor(school, mailbox, { address, subject: 'You are invited: Harbour Evening' });
  await mailbox.getByRole('button', { name: 'Yes' }).click();
  await expect(host.getByText('will come').first()).toBeVisible();
  // Two changes of one hand, within the time in which they are gathered.
  await host.goto(`${school.url}/classes/${school.classOf('HE').id}/sessions`);
  for (const minutes of [10, 20])
    await host.request
      .post(`${school.url}/api/sessions/change`, {
        headers: { Origin: school.url },
        data: { changes: [await lengthened(school, host, minutes)] },
      })
      .then((answer) => expect(answer.status()).toBe(200));
  await letterFor(school, mailbox, { address, subject: 'Changed: Harbour Evening' });
  await mailbox.goto(`${school.demo.mail}/boxes/${address}`);
  await expect(mailbox.getByRole('link', { name: 'Changed: Harbour Evening' })).toHaveCount(1);
});

/** The evening, moved by some minutes, as its page does it. */
async function lengthened(school: School, host: Page, later: number) {
  const { id } = school.classOf('HE');
  const answer = await host.request.get(`${school.url}/api/classes/${id}`);
  const { sessions } = (await answer.json()) as Answer<'classPeriod'>;
  // The one to which the guest is invited.
  const { seriesId, version, key, date, minutes } = sessions.find(
    (session) => session.date === '2026-11-05',
  )!;
  const time = `18:${30 + later}`;
  return { seriesId, version, key, scope: 'one', change: { kind: 'move', date, time, minutes } };
}

test('a post goes by mail to each of a class period, and what has become of it is seen', async ({
  school,
}) => {
  const page = await compose(school, 'Bring a marlinspike.');
  await addPlace(page, /mail to everybody/, /Coastal Navigation, period 3/);
  await page
    .getByRole('button', { name: /Take away: the class stream of Coastal Navigation, period 1/ })
    .click();
  await page.getByLabel('Subject').fill('Rope on {date}');
  const margin = page.getByRole('complementary', { name: 'In the margin' });
  await expect(margin.getByText('24 letters')).toBeVisible();
  const preview = page.getByRole('region', { name: 'As students will see it' });
  await expect(preview.getByText('Rope on Wed 14 Oct')).toBeVisible();
  await page.getByRole('button', { name: 'Show the plain form' }).click();
  await expect(preview.getByText(school.door('N3'))).toBeVisible();
  await page.getByRole('button', { name: 'Post it now' }).click();
  const posted = row(page, 'Bring a marlinspike.');
  await posted.getByRole('button', { name: 'Where it stands' }).click();
  await expect(posted.getByText('24 letters sent')).toBeVisible();
  const mailbox = await school.openPhone();
  await mailbox.goto(school.demo.mail);
  await expect(mailbox.getByRole('link', { name: /@merrow\.example/ })).toHaveCount(24);
});

test('a browser that is asked to tells of knocks while its page is not looked at, and asks nobody before', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh', {
    permissions: ['notifications', 'clipboard-read', 'clipboard-write'],
  });
  await page.addInitScript(() => {
    const told: string[] = [];
    Object.assign(window, { told });
    class Told {
      static permission: NotificationPermission = 'default';
      static requestPermission = (): Promise<NotificationPermission> => {
        told.push('asked');
        Told.permission = 'granted';
        return Promise.resolve('granted');
      };
      constructor(title: string) {
        told.push(title);
      }
    }
    Object.assign(window, { Notification: Told });
    Object.defineProperty(document, 'hidden', { get: () => true });
  });
  const told = (): Promise<string[]> =>
    page.evaluate(() => (window as unknown as { told: string[] }).told);
  await page.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  await page.getByRole('button', { name: 'Open the door' }).click();
  expect(await told()).toEqual([]);
  await page.getByRole('button', { name: 'Tell me elsewhere too' }).click();
  await expect(page.getByRole('button', { name: 'Tell me elsewhere too' })).toHaveCount(0);
  expect(await told()).toEqual(['asked']);
  await school.setTime('10:44');
  const stranger = await school.openPhone('Ansel Grue');
  await stranger.goto(school.door('N3'));
  await stranger.getByRole('button', { name: /knock/i }).click();
  await expect.poll(told).toContainEqual(expect.stringMatching(/^Knock: /));
});
