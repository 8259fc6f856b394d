import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { tellOnce } from '../src/features/school/tell.js';
import { remind } from '../src/features/mail/remind.js';
import { mailTrouble, mailsCome, mailsFor } from './mailTools.js';
import { changeDate, startSchool, until, type Browser, type School } from './support.js';

// What people are told, how they hear of it, and that they hear no more of it where they say so.

let school: School;
let host: Browser;
const OTTOLINE = 'o.marsh@merrow.example';
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
});
afterEach(() => school.stop());

async function wish(browser: Browser, told: object): Promise<void> {
  const { body } = await browser.get('/api/account');
  const changed = { ...body, told: { ...body.told, ...told } };
  expect((await browser.put('/api/account', changed)).status).toBe(200);
}

const tell = (name: string, title: string): Promise<void> =>
  school.running.glen.db.transaction(() =>
    tellOnce(school.running.glen, school.person(name).id, { title, text: `${title}: so it is.` }),
  );

/** The two minutes in which changes are gathered are over. */
async function gathered(): Promise<void> {
  const { db } = school.running.glen;
  await db.change("UPDATE outbox SET due_at = '2020-01-01 00:00:00' WHERE kind = 'gather'");
  school.running.glen.nudge();
}

const gathering = (): Promise<unknown[]> =>
  school.running.glen.db.rows(
    "SELECT id FROM outbox WHERE kind = 'gather' AND state = 'queued' AND subject = :subject",
    { subject: String(school.person('Ottoline Marsh').id) },
  );

describe('changes', () => {
  it('that come within two minutes are one letter, and stand in Glen', async () => {
    for (const title of ['Knots moved', 'Bowlines cancelled', 'Hitches moved'])
      await tell('Ottoline Marsh', title);
    expect(await gathering()).toHaveLength(1);
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
    await gathered();
    const [letter] = await mailsCome(school, OTTOLINE, 1);
    expect(letter!.subject).toBe('3 changes that touch you');
    for (const title of ['Knots moved', 'Bowlines cancelled', 'Hitches moved'])
      expect(letter!.text).toContain(`${title}: so it is.`);
    const { words } = (await host.get('/api/words')).body as Answer<'words'>;
    expect(words.slice(0, 3).map((word) => [word.title, word.isSeen])).toEqual([
      ['Hitches moved', false],
      ['Bowlines cancelled', false],
      ['Knots moved', false],
    ]);
    await tell('Ottoline Marsh', 'Splices moved');
    await gathered();
    const [second] = await mailsCome(school, OTTOLINE, 2);
    expect(second!.subject).toBe('Splices moved');
    expect(second!.text).not.toContain('Knots');
  });
  it('of any length are told, cut where they would not fit', async () => {
    await tell('Ottoline Marsh', 'Knots and '.repeat(40));
    const { words } = (await host.get('/api/words')).body as Answer<'words'>;
    expect(words[0]!.title).toMatch(/^Knots and .+…$/);
    expect(words[0]!.title).toHaveLength(200);
  });
  it('that were read meanwhile are not written', async () => {
    await tell('Ottoline Marsh', 'Knots moved');
    const { words } = (await host.get('/api/words')).body as Answer<'words'>;
    await host.post(`/api/notices/${words[0]!.id}/seen`);
    await tell('Ottoline Marsh', 'Hitches moved');
    await gathered();
    const [letter] = await mailsCome(school, OTTOLINE, 1);
    expect(letter!.subject).toBe('Hitches moved');
  });
  it('are heard of as one wishes: in Glen alone, or not at all; without a word, as the school has it', async () => {
    const titles = async (): Promise<string[]> =>
      ((await host.get('/api/words')).body as Answer<'words'>).words.map((word) => word.title);
    await wish(host, { changes: 'glen' });
    await tell('Ottoline Marsh', 'In Glen');
    await gathered();
    await until(gathering, (jobs) => jobs.length === 0);
    await wish(host, { changes: 'none' });
    await tell('Ottoline Marsh', 'Not at all');
    expect(await titles()).toEqual(['In Glen', ...(await titles()).slice(1)]);
    expect(await titles()).not.toContain('Not at all');
    await wish(host, { changes: null });
    const office = await school.as('Perpetua Lund');
    const { mayEdit: _, ...about } = (await office.get('/api/school/about')).body;
    await office.put('/api/school/about', { ...about, told: { ...about.told, changes: 'none' } });
    await tell('Ottoline Marsh', 'As the school');
    expect(await titles()).not.toContain('As the school');
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
  });
});

/** A day on which nothing has begun, nor been reminded of, as the school's clock is moved there. */
const FRIDAY = '2026-10-16';

describe('reminders', () => {
  it('come once to those who wish for them, within the hour before, however often it is looked', async () => {
    const { id, link } = school.classes.get('N1')!;
    const { roll } = (await host.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
    const pupil = await school.as(roll[0]!.name);
    await wish(host, { reminders: 'mail' });
    await wish(pupil, { reminders: 'glen' });
    await school.setTime('07:39', FRIDAY);
    await remind(school.running.glen);
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
    await school.setTime('07:41', FRIDAY);
    await Promise.all([remind(school.running.glen), remind(school.running.glen)]);
    const [letter] = await mailsCome(school, OTTOLINE, 1);
    expect(letter!.subject).toBe('At 08:40: Coastal Navigation, period 1');
    expect(letter!.text).toContain(link.address);
    const told = (await pupil.get('/api/words')).body as Answer<'words'>;
    expect(told.words.map((word) => word.title)).toEqual([
      'At 08:40: Coastal Navigation, period 1',
    ]);
    // The demo's clock goes back.
    await school.setTime('07:00', FRIDAY);
    await school.setTime('07:41', FRIDAY);
    await remind(school.running.glen);
    expect(await mailsFor(school, OTTOLINE)).toHaveLength(1);
    expect(await mailsFor(school, roll[0]!.accounts[0]!.email)).toEqual([]);
  });
  it('never come after the fact', async () => {
    await wish(host, { reminders: 'mail' });
    await mailTrouble(school, 'busy');
    await school.setTime('08:00', FRIDAY);
    await remind(school.running.glen);
    const { db } = school.running.glen;
    const states = () => db.rows<{ state: string }>('SELECT state FROM letters');
    await until(states, (letters) => letters.length === 1);
    await school.setTime('08:40', FRIDAY);
    await mailTrouble(school, 'none');
    await db.change("UPDATE outbox SET due_at = '2020-01-01 00:00:00' WHERE kind = 'letter'");
    school.running.glen.nudge();
    await until(states, ([letter]) => letter!.state === 'dropped');
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
  });
});

describe('no more letters', () => {
  const stopOf = async (): Promise<{ address: string; token: string }> => {
    await tell('Ottoline Marsh', 'Knots moved');
    await gathered();
    const [letter] = await mailsCome(school, OTTOLINE, 1);
    expect(letter!.headers.get('list')).toMatchObject({ 'unsubscribe-post': expect.anything() });
    const [address] = /http:\S+\/letters\/stop\/[^\s)]+/.exec(letter!.text!)!;
    return { address, token: address.split('/').at(-1)! };
  };
  it('by one press of the mail program: no cookie, no origin (RFC 8058)', async () => {
    const { address, token } = await stopOf();
    const before = (await host.get('/api/account')).body;
    const answer = await fetch(address, {
      method: 'POST',
      body: new URLSearchParams({ 'List-Unsubscribe': 'One-Click' }),
    });
    expect(answer.status).toBe(200);
    const nobody = await school.as(null);
    const path = `/api/letters/stop/${token}`;
    expect((await nobody.get(path)).body).toEqual({ kind: 'changes', mails: false });
    await tell('Ottoline Marsh', 'Hitches moved');
    await gathered();
    await until(gathering, (jobs) => jobs.length === 0);
    expect(await mailsFor(school, OTTOLINE)).toHaveLength(1);
    // Whoever has their account open meanwhile is shown that it changed.
    const stale = await host.put('/api/account', before);
    expect([stale.status, stale.body.current.told.changes]).toEqual([409, 'glen']);
    // Begun again on the page, by the same address.
    expect((await nobody.post(path, { mails: true })).body).toEqual({
      kind: 'changes',
      mails: true,
    });
  });
  it('is said for whom the letter was for alone', async () => {
    const { token } = await stopOf();
    const other = school.person('Tomas Verhage').id;
    const nobody = await school.as(null);
    const [, kind, proof] = token.split('.');
    for (const forged of [`${other}.${kind}.${proof}`, `${token}x`, 'x', `1.reminders.${proof}`])
      expect((await nobody.get(`/api/letters/stop/${forged}`)).status).toBe(404);
    expect((await fetch(`${school.url}/letters/stop/x`, { method: 'POST' })).status).toBe(404);
  });
});

describe('what becomes of a session', () => {
  /** The next Friday's date of a class period's series. */
  async function fridayOf(letters: string) {
    const { id } = school.classes.get(letters)!;
    const { sessions, roll } = (await host.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
    const { seriesId, version, key } = sessions.find((s) => s.date === FRIDAY)!;
    return { date: { seriesId, version, key }, classId: id, roll };
  }
  const followed = async (classId: number): Promise<void> => {
    const { db } = school.running.glen;
    const ofClass = `kind = 'gather' AND subject = 'class:${classId}'`;
    const queued = () => db.rows(`SELECT id FROM outbox WHERE ${ofClass} AND state = 'queued'`);
    expect(await queued()).toHaveLength(1);
    await db.change(`UPDATE outbox SET due_at = '2020-01-01 00:00:00' WHERE ${ofClass}`);
    school.running.glen.nudge();
    await until(queued, (jobs) => jobs.length === 0);
  };
  const titlesOf = async (browser: Browser): Promise<string[]> =>
    ((await browser.get('/api/words')).body as Answer<'words'>).words.map((word) => word.title);

  it('is heard by those who come to it, once, as it stands after two minutes; and that it is held after all', async () => {
    const { date, classId, roll } = await fridayOf('N1');
    const pupil = await school.as(roll[0]!.name);
    await followed(classId).catch(() => {});
    const before = await titlesOf(pupil);
    const cancelled = await changeDate(host, date, { kind: 'cancel', note: 'fog' });
    expect(cancelled.status).toBe(200);
    await followed(classId);
    const word = 'Cancelled: Coastal Navigation, period 1, Fri 16 Oct 08:40 (fog)';
    await until(
      () => titlesOf(pupil),
      (titles) => titles.length > before.length,
    );
    expect(await titlesOf(pupil)).toEqual([word, ...before]);
    expect(await titlesOf(host)).not.toContain(word);
    expect(await titlesOf(await school.as('Perpetua Lund'))).not.toContain(word);
    const [letter] = await mailsCome(school, roll[0]!.accounts[0]!.email, 1);
    expect(letter!.text).toContain(word);
    const again = await fridayOf('N1');
    await changeDate(host, again.date, { kind: 'restore' });
    await followed(classId);
    const held = 'Held after all: Coastal Navigation, period 1, Fri 16 Oct 08:40';
    await until(
      () => titlesOf(pupil),
      (titles) => titles[0] === held,
    );
    // What is taken back before anybody was told leaves nothing to say.
    const third = await fridayOf('N1');
    await changeDate(host, third.date, { kind: 'cancel' });
    const fourth = await fridayOf('N1');
    await changeDate(host, fourth.date, { kind: 'restore' });
    await followed(classId);
    expect(await titlesOf(pupil)).toEqual([held, word, ...before]);
  });
});
