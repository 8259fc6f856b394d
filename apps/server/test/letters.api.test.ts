import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { allGathered, gathered, mailsCome, mailsFor, tell, wish } from './mailTools.js';
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

const gathering = (): Promise<unknown[]> =>
  school.running.glen.db.rows(
    "SELECT id FROM outbox WHERE kind = 'gather' AND state = 'queued' AND subject = :subject",
    { subject: String(school.person('Ottoline Marsh').id) },
  );

/** A day to come. */
const FRIDAY = '2026-10-16';

describe('changes', () => {
  it('that come within two minutes are one letter, and stand in Glen', async () => {
    for (const title of ['Knots moved', 'Bowlines cancelled', 'Hitches moved'])
      await tell(school, 'Ottoline Marsh', title);
    expect(await gathering()).toHaveLength(1);
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
    await gathered(school);
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
    await tell(school, 'Ottoline Marsh', 'Splices moved');
    await gathered(school);
    const [second] = await mailsCome(school, OTTOLINE, 2);
    expect(second!.subject).toBe('Splices moved');
    expect(second!.text).not.toContain('Knots');
  });
  it('of any length are told, cut where they would not fit', async () => {
    await tell(school, 'Ottoline Marsh', 'Knots and '.repeat(40));
    const { words } = (await host.get('/api/words')).body as Answer<'words'>;
    expect(words[0]!.title).toMatch(/^Knots and .+…$/);
    expect(words[0]!.title).toHaveLength(200);
  });
  it('that were read meanwhile are not written', async () => {
    await tell(school, 'Ottoline Marsh', 'Knots moved');
    const { words } = (await host.get('/api/words')).body as Answer<'words'>;
    await host.post(`/api/notices/${words[0]!.id}/seen`);
    await tell(school, 'Ottoline Marsh', 'Hitches moved');
    await gathered(school);
    const [letter] = await mailsCome(school, OTTOLINE, 1);
    expect(letter!.subject).toBe('Hitches moved');
  });
  it('are heard of as one wishes: in Glen alone, or not at all; without a word, as the school has it', async () => {
    const titles = async (): Promise<string[]> =>
      ((await host.get('/api/words')).body as Answer<'words'>).words.map((word) => word.title);
    await wish(host, { changes: 'glen' });
    await tell(school, 'Ottoline Marsh', 'In Glen');
    await gathered(school);
    await until(gathering, (jobs) => jobs.length === 0);
    await wish(host, { changes: 'none' });
    await tell(school, 'Ottoline Marsh', 'Not at all');
    expect(await titles()).toEqual(['In Glen', ...(await titles()).slice(1)]);
    expect(await titles()).not.toContain('Not at all');
    await wish(host, { changes: null });
    const office = await school.as('Perpetua Lund');
    const { mayEdit: _, ...about } = (await office.get('/api/school/about')).body;
    await office.put('/api/school/about', { ...about, told: { ...about.told, changes: 'none' } });
    await tell(school, 'Ottoline Marsh', 'As the school');
    expect(await titles()).not.toContain('As the school');
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
  });
});

describe('no more letters', () => {
  const stopOf = async (): Promise<{ address: string; token: string }> => {
    await tell(school, 'Ottoline Marsh', 'Knots moved');
    await gathered(school);
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
    await tell(school, 'Ottoline Marsh', 'Hitches moved');
    await gathered(school);
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
  it('is heard by a host where another host changed it', async () => {
    const { date, classId } = await fridayOf('N1');
    const other = await school.as('Tomas Verhage');
    expect((await changeDate(other, date, { kind: 'cancel' })).status).toBe(200);
    await followed(classId);
    const word = 'Cancelled: Coastal Navigation, period 1, Fri 16 Oct 08:40';
    await until(
      () => titlesOf(host),
      (titles) => titles.includes(word),
    );
    expect(await titlesOf(other)).not.toContain(word);
  });
});

describe('a link whose old address leads nowhere', () => {
  const replace = async (how: string): Promise<number> => {
    const { id } = school.classes.get('N1')!.link;
    const { version } = (await host.get(`/api/links/${id}`)).body;
    const answer = await host.post(`/api/links/${id}/replace`, { version, why: 'leaked', how });
    expect([answer.status, answer.body.errors]).toEqual([200, undefined]);
    return id;
  };
  const pupilOfN1 = async () => {
    const { roll } = (await host.get(`/api/classes/${school.classes.get('N1')!.id}`))
      .body as Answer<'classPeriod'>;
    const { accounts } = school.person(roll[0]!.name);
    return accounts.find((account) => account.kind === 'school')!.email;
  };
  it('is told to those whom it is for with the new one, and not to whoever replaced it', async () => {
    const email = await pupilOfN1();
    const id = await replace('stop');
    await gathered(school);
    const [letter] = await mailsCome(school, email, 1);
    expect(letter!.subject).toBe('A new link: Coastal Navigation, period 1');
    const { address } = (await host.get(`/api/links/${id}`)).body;
    expect(letter!.text).toContain(address);
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
  });
  it('is not told where it still works, or was taken back', async () => {
    const email = await pupilOfN1();
    const id = await replace('stop');
    const { version } = (await host.get(`/api/links/${id}`)).body;
    expect((await host.post(`/api/links/${id}/take-back`, { version })).status).toBe(200);
    await gathered(school);
    await replace('keep');
    await allGathered(school);
    expect(await mailsFor(school, email)).toEqual([]);
  });
});

describe('a door that asks for a code from now on', () => {
  const setCode = async (entryCode: string | null): Promise<void> => {
    const { id } = school.classes.get('N1')!;
    const { version } = (await host.get(`/api/classes/${id}/rules`)).body;
    const answer = await host.put(`/api/classes/${id}/rules`, { version, rules: { entryCode } });
    expect([answer.status, answer.body.errors]).toEqual([200, undefined]);
  };
  it('is told to those whom it is for, once for each code, and not where it asks for none any more', async () => {
    const { roll } = (await host.get(`/api/classes/${school.classes.get('N1')!.id}`))
      .body as Answer<'classPeriod'>;
    const { accounts } = school.person(roll[0]!.name);
    const { email } = accounts.find((account) => account.kind === 'school')!;
    await setCode('heron 472');
    await gathered(school);
    const [letter] = await mailsCome(school, email, 1);
    expect(letter!.subject).toBe('The door asks for a code: Coastal Navigation, period 1');
    expect(letter!.text).toContain('heron 472');
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
    await setCode(null);
    await allGathered(school);
    expect(await mailsFor(school, email)).toHaveLength(1);
  });
});
