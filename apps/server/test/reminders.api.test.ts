import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { addDays } from '@glen/core';
import type { Answer } from '@glen/contract';
import { remind } from '../src/features/mail/remind.js';
import { beginMorning, tellMorning } from '../src/features/myDay/morning.js';
import { insertNotice } from '../src/features/school/store.js';
import { gathered, mailTrouble, mailsCome, mailsFor, tell, wish } from './mailTools.js';
import { changeDate, startSchool, until, type Browser, type School } from './support.js';

// Who is reminded of what and when, and what waits for the morning.

let school: School;
let host: Browser;
const OTTOLINE = 'o.marsh@merrow.example';
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
});
afterEach(() => school.stop());

/** A day on which nothing has begun, nor been reminded of, as the school's clock is moved there. */
const FRIDAY = '2026-10-16';

/** So many letters have been tried once, and none of them is under way. */
const allTried = (count: number): Promise<unknown> =>
  until(
    () =>
      school.running.glen.db.rows(
        "SELECT id FROM outbox WHERE kind = 'letter' AND tries > 0 AND state = 'queued'",
      ),
    (jobs) => jobs.length === count,
  );

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
    await allTried(1);
    await school.setTime('08:40', FRIDAY);
    await mailTrouble(school, 'none');
    await db.change("UPDATE outbox SET due_at = '2020-01-01 00:00:00' WHERE kind = 'letter'");
    school.running.glen.nudge();
    await until(states, ([letter]) => letter!.state === 'dropped');
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
  });
});

describe('an evening', () => {
  it('is reminded of a week before, once, those who come to it; a lesson is not', async () => {
    const { link } = school.classes.get('HE')!;
    const { sessions } = (await host.get(`/api/classes/${school.classes.get('HE')!.id}`))
      .body as Answer<'classPeriod'>;
    const evening = sessions.find((one) => one.date > '2026-10-14') ?? sessions[0]!;
    const [week, day] = [addDays(evening.date, -7), addDays(evening.date, -6)];
    await school.setTime(evening.time, week);
    await Promise.all([remind(school.running.glen), remind(school.running.glen)]);
    await school.setTime(evening.time, day);
    await remind(school.running.glen);
    const [letter, ...more] = await mailsCome(school, OTTOLINE, 1);
    expect(more).toEqual([]);
    expect(letter!.subject).toBe('In a week: Harbour Evening');
    expect(letter!.text).toContain(link.address);
  });
});

describe('a guest', () => {
  const CIAN = 'cian.orr@home.example';
  const invite = async (comes: string): Promise<Answer<'guests'>> => {
    const { link } = school.classes.get('N1')!;
    const guests = await host.post(`/api/links/${link.id}/guests`, { text: CIAN, comes });
    const made = await host.post(`/api/links/${link.id}/guest-address`, { email: CIAN });
    const token = (made.body as Answer<'guestAddress'>).address!.split('/').at(-1)!;
    const guest = await school.as(null);
    expect((await guest.post(`/api/guest/${token}`, { name: 'Cian Orr' })).status).toBe(200);
    await wish(guest, { reminders: 'mail' });
    return guests.body as Answer<'guests'>;
  };
  it('is reminded as they wish, of what they come to', async () => {
    await invite('inside');
    await school.setTime('07:41', FRIDAY);
    await remind(school.running.glen);
    const [letter] = await mailsCome(school, CIAN, 1);
    expect(letter!.text).toContain(school.classes.get('N1')!.link.address);
  });
  it('who only watches is led where there is no seat', async () => {
    const { watchAddress } = await invite('watcher');
    await school.setTime('07:41', FRIDAY);
    await remind(school.running.glen);
    const [letter] = await mailsCome(school, CIAN, 1);
    expect(letter!.text).toContain(watchAddress);
    expect(letter!.text).not.toContain(school.classes.get('N1')!.link.code);
  });
});

describe('the morning', () => {
  it('tells those who wish of their day, once, with what needs thought', async () => {
    await wish(host, { mornings: 'mail' });
    const { roll } = (await host.get(`/api/classes/${school.classes.get('N1')!.id}`))
      .body as Answer<'classPeriod'>;
    const pupil = await school.as(roll[0]!.name);
    await wish(pupil, { mornings: 'glen' });
    await school.setTime('06:29', FRIDAY);
    await beginMorning(school.running.glen);
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
    await school.setTime('06:31', FRIDAY);
    await Promise.all([beginMorning(school.running.glen), beginMorning(school.running.glen)]);
    const [letter] = await mailsCome(school, OTTOLINE, 1);
    expect(letter!.subject).toMatch(/^Today: \d+ sessions, the first at 08:40$/);
    expect(letter!.text).toContain('08:40 to ');
    expect(letter!.text).toContain('/today');
    const told = await until(
      async () => ((await pupil.get('/api/words')).body as Answer<'words'>).words,
      (words) => words.some((word) => word.title.startsWith('Today: ')),
    );
    expect(told.filter((word) => word.title.startsWith('Today: '))).toHaveLength(1);
    // A day that is under way is told of no more, and no day twice.
    await tellMorning(school.running.glen, `${FRIDAY}:0`);
    expect(await mailsFor(school, OTTOLINE)).toHaveLength(1);
  });
});

describe('by night', () => {
  it('what can wait waits for the morning; what begins before does not', async () => {
    await school.setTime('22:00', FRIDAY);
    await tell(school, 'Ottoline Marsh', 'Next month moved');
    await gathered(school);
    const { db } = school.running.glen;
    const waiting = await until(
      () =>
        db.rows<{ seconds: number }>(
          "SELECT TIMESTAMPDIFF(SECOND, UTC_TIMESTAMP(), o.due_at) AS seconds FROM outbox o JOIN letters l ON l.id = o.subject WHERE o.kind = 'letter' AND o.state = 'queued' AND l.email = :email",
          { email: OTTOLINE },
        ),
      (jobs) => jobs.length > 0,
    );
    // From 22:00 until 06:30.
    expect(Number(waiting[0]!.seconds)).toBeGreaterThan(8 * 3600);
    expect(await mailsFor(school, OTTOLINE)).toEqual([]);
    const { db: _, ...glen } = school.running.glen;
    await school.running.glen.db.transaction(() =>
      insertNotice(db, {
        personId: school.person('Ottoline Marsh').id,
        title: 'Tomorrow cancelled',
        text: '',
        madeAt: glen.clock.school(),
        urgent: true,
      }),
    );
    await school.running.glen.enqueue({
      kind: 'gather',
      subject: String(school.person('Ottoline Marsh').id),
    });
    school.running.glen.nudge();
    const [letter] = await mailsCome(school, OTTOLINE, 1);
    expect(letter!.text).toContain('Tomorrow cancelled');
    expect(letter!.text).not.toContain('Next month');
  });
});

describe('a reminder that could not be sent in time', () => {
  it('is not sent where its session has been moved meanwhile; of where it is now there is another', async () => {
    await wish(host, { reminders: 'mail' });
    await mailTrouble(school, 'busy');
    await school.setTime('07:41', FRIDAY);
    await remind(school.running.glen);
    const { sessions } = (await host.get(`/api/classes/${school.classes.get('N1')!.id}`))
      .body as Answer<'classPeriod'>;
    const lesson = sessions.find((one) => one.date === FRIDAY)!;
    const { minutes } = lesson;
    const moved = { kind: 'move', date: FRIDAY, time: '08:35', minutes } as const;
    expect((await changeDate(host, lesson, moved)).status).toBe(200);
    await remind(school.running.glen);
    await allTried(2);
    await mailTrouble(school, 'none');
    const { db } = school.running.glen;
    await db.change("UPDATE outbox SET due_at = '2020-01-01 00:00:00' WHERE kind = 'letter'");
    school.running.glen.nudge();
    await until(
      () => db.rows("SELECT id FROM letters WHERE state = 'waiting'"),
      (waiting) => waiting.length === 0,
    );
    const subjects = (await mailsFor(school, OTTOLINE)).map((letter) => letter.subject);
    expect(subjects).toEqual(['At 08:35: Coastal Navigation, period 1']);
  });
});
