import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { mailTrouble, mailsCome, mailsFor } from './mailTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

// Letters: that they are sent, once, in a form that any program reads, and what becomes of those that are not.

let school: School;
let host: Browser;
let link: { id: number; code: string };
const RASMUS = 'rasmus.vane@home.example';

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ link } = school.classes.get('HE')!);
});
afterEach(() => school.stop());

const mailWayIn = (email = RASMUS) =>
  host.post(`/api/links/${link.id}/guest-address`, { email, by: 'mail' });

const letters = (): Promise<{ state: string; why: string | null; sealed: string }[]> =>
  school.running.glen.db.rows('SELECT state, why, sealed FROM letters ORDER BY id');

describe('a guest’s way in by mail', () => {
  it('comes to the guest alone, leads in once, and answers go to the host', async () => {
    const told = (await mailWayIn()).body as Answer<'guestAddress'>;
    expect(told.address).toBeNull();
    const [letter] = await mailsCome(school, RASMUS, 1);
    expect(letter!.subject).toBe('You are invited: Harbour Evening');
    expect(letter!.from!.text).toBe('"Merrow Sound School of Seamanship" <glen@merrow.example>');
    expect(letter!.replyTo!.text).toBe('"Ottoline Marsh" <o.marsh@merrow.example>');
    const [address] = /http:\S+\/guest\/\S+/.exec(letter!.text!)!;
    expect(letter!.html).toContain(`<a href="${address}"`);
    const guest = await school.as(null);
    const token = address.split('/').at(-1)!;
    expect((await guest.get(`/api/guest/${token}`)).body.email).toBe(RASMUS);
  });
  it('was asked for, so that there is nothing to stop', async () => {
    await mailWayIn();
    const [letter] = await mailsCome(school, RASMUS, 1);
    expect(letter!.headers.get('list-unsubscribe')).toBeUndefined();
  });
  it('is kept sealed until it is sent, and not at all after that', async () => {
    await mailTrouble(school, 'busy');
    await mailWayIn();
    await until(
      () =>
        school.running.glen.db.rows<{ tries: number }>(
          "SELECT tries FROM outbox WHERE kind = 'letter'",
        ),
      ([job]) => job!.tries > 0,
    );
    const [waiting] = await letters();
    expect(waiting!.state).toBe('waiting');
    expect(Buffer.from(waiting!.sealed, 'base64').toString('latin1')).not.toContain('guest/');
    await mailTrouble(school, 'none');
    await mailsCome(school, RASMUS, 1);
    await until(letters, ([letter]) => letter!.state === 'sent' && letter!.sealed === '');
    expect(await mailsFor(school, RASMUS)).toHaveLength(1);
  });
  it('that is refused for good is not tried again, and why is kept', async () => {
    await host.post(`/api/links/${link.id}/guests`, {
      text: 'nobody@home.example',
      comes: 'inside',
    });
    const asked = await mailWayIn('nobody@home.example');
    expect(asked.status).toBe(200);
    const [letter] = await until(letters, ([one]) => one!.state === 'refused');
    expect(letter!.why).toBe('The mail service refused: 550 No such mailbox here');
    const { guests } = (await host.get(`/api/links/${link.id}/guests`)).body as Answer<'guests'>;
    const refused = guests.filter((guest) => guest.refused !== null);
    expect(refused.map((guest) => [guest.email, guest.refused])).toEqual([
      ['nobody@home.example', letter!.why],
    ]);
  });
  it('is not sent again and again: five within the hour', async () => {
    for (let i = 0; i < 5; i++) expect((await mailWayIn()).status).toBe(200);
    const sixth = await mailWayIn();
    expect([sixth.status, sixth.body.errors[0].path]).toEqual([422, 'email']);
    expect(await mailsCome(school, RASMUS, 5)).toHaveLength(5);
  });
  it('that was sealed under a secret which is gone is dropped', async () => {
    await mailTrouble(school, 'busy');
    await mailWayIn();
    const { db } = school.running.glen;
    await until(letters, (all) => all.length === 1);
    await db.change("UPDATE letters SET once = 'another'");
    await mailTrouble(school, 'none');
    await db.change("UPDATE outbox SET due_at = '2020-01-01 00:00:00' WHERE kind = 'letter'");
    school.running.glen.nudge();
    await until(letters, ([letter]) => letter!.state === 'dropped');
    expect(await mailsFor(school, RASMUS)).toEqual([]);
  });
  it('is asked for by the host alone, for a guest of theirs', async () => {
    expect((await mailWayIn('somebody.else@home.example')).status).toBe(422);
    const bram = await school.as('Bram Osterholt');
    const body = { email: RASMUS, by: 'mail' };
    expect((await bram.post(`/api/links/${link.id}/guest-address`, body)).status).toBe(403);
  });
});
