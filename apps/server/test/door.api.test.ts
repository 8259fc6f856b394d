import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { dateInWords } from '@glen/core';
import type { Answer } from '@glen/contract';
import { studentName } from '../../../demo/school.js';
import { doorTools, type DoorTools } from './doorTools.js';
import { roomOf } from './roomTools.js';
import { Browser, changeDate, startSchool, until, type School } from './support.js';

let school: School;
let host: Browser;
let date: string;
let n3: DoorTools['n3'];
let door: DoorTools['door'];
let enter: DoorTools['enter'];
let desk: DoorTools['desk'];
let hostGoesIn: DoorTools['hostGoesIn'];
let nextDay: DoorTools['nextDay'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ n3, door, enter, desk, hostGoesIn, nextDay } = doorTools(school, host));
});
afterAll(() => school.stop());
beforeEach(async () => {
  date = await nextDay();
});

describe('a door before anyone is in', () => {
  it('is early till it opens, then waits for a host', async () => {
    const pupil = await school.as('Ansel Grue');
    await school.setTime('11:50', date);
    expect((await door(pupil)).decision).toEqual({
      outcome: 'not-yet',
      reason: 'early',
      until: expect.stringMatching(/T14:55:00Z$/),
    });
    await school.setTime('11:56', date);
    expect((await door(pupil)).decision.reason).toBe('no-host');
  });
  it('asks a home account for the school’s, and anyone else to sign in', async () => {
    const pupil = await school.as('Ansel Grue', 'personal');
    expect((await door(pupil)).decision.reason).toBe('use-school-account');
    expect((await door(new Browser(school.url))).decision.reason).toBe('sign-in');
    expect((await door(await school.as(studentName(60)))).decision.reason).toBe('not-on-roll');
  });
  it('writes nothing when it is looked at', async () => {
    const count = async () =>
      (await school.running.glen.db.one<{ v: number; m: number; c: number }>(
        'SELECT (SELECT COUNT(*) FROM visitors) AS v, (SELECT COUNT(*) FROM sittings) AS m, (SELECT COUNT(*) FROM changes) AS c',
      ))!;
    const before = await count();
    await door(await school.as('Birgit Tideman'));
    const after = await count();
    expect([after.v, after.m]).toEqual([before.v, before.m]);
  });
});

describe('a session that is not held', () => {
  it('is told at the door with its reason, to those alone whom the link is for', async () => {
    const { sessions } = (await host.get(`/api/classes/${n3.id}`)).body as Answer<'classPeriod'>;
    const s = sessions.find((one) => one.date === date)!;
    const { version } = (await host.get(`/api/series/${s.seriesId}`)).body.session;
    const wish = { seriesId: s.seriesId, key: s.key, version };
    await changeDate(host, wish, { kind: 'cancel', note: 'storm' });
    const [onRoll, other] = [await school.as('Ansel Grue'), await school.as(studentName(60))];
    const words = `Cancelled: Lesson, ${dateInWords(date)} 12:00 (storm)`;
    expect([(await door(onRoll)).change, (await door(other)).change]).toEqual([words, null]);
    expect((await door(await school.as(null))).change).toBeNull();
    await school.setTime('12:50', date);
    expect((await door(onRoll)).change).toBeNull();
  });
});

describe('the lobby', () => {
  it('knock, let in, enter with a ticket; who is let in is in, who is missing is counted', async () => {
    await hostGoesIn();
    const pupil = await school.as('Ansel Grue');
    expect(await enter(pupil)).toEqual({
      decision: { outcome: 'lobby', role: 'participant', reason: 'lobby' },
      go: null,
    });
    const { waiting, missing, rollSize } = await desk();
    expect(waiting).toMatchObject([
      { name: 'Ansel Grue', account: 'school', onRoll: true, state: 'waiting' },
    ]);
    expect(missing).toHaveLength(rollSize - 1);
    await host.post(`/api/visitors/${waiting[0]!.id}/let-in`);
    const { decision, go } = await enter(pupil);
    expect(decision.reason).toBe('straight-in');
    await school.videoEvent({ room: roomOf(go!), type: 'arrived', visitor: waiting[0]!.id });
    const after = await desk();
    expect(after.inside.map((v) => v.name).sort()).toEqual(['Ansel Grue', 'Ottoline Marsh']);
    expect(after.waiting).toEqual([]);
  });
  it('is walked past by nobody who came to watch only', async () => {
    const { version } = (await host.get(`/api/classes/${n3.id}/rules`)).body;
    const watching = { version, rules: { watching: true } };
    const set = (await host.put(`/api/classes/${n3.id}/rules`, watching)).body;
    await hostGoesIn();
    const pupil = await school.as('Ansel Grue');
    expect(await door(pupil)).toMatchObject({ mayWatch: true, decision: { outcome: 'lobby' } });
    const watched = await enter(pupil, { watchOnly: true });
    expect(watched.decision).toEqual({ outcome: 'enter', role: 'watcher', reason: 'watch' });
    expect(watched.go).not.toBeNull();
    expect((await door(pupil)).decision.outcome).toBe('lobby');
    expect((await enter(pupil)).decision.outcome).toBe('lobby');
    expect((await desk()).waiting).toMatchObject([{ name: 'Ansel Grue', role: 'participant' }]);
    await host.put(`/api/classes/${n3.id}/rules`, { version: set.version, rules: {} });
    expect((await door(await school.as('Birgit Tideman'))).mayWatch).toBe(false);
  });
  it('turn away, put out and let back; the put-out one is refused until then', async () => {
    const { room } = await hostGoesIn();
    const pupil = await school.as('Birgit Tideman');
    await enter(pupil);
    const id = (await desk()).waiting[0]!.id;
    await host.post(`/api/visitors/${id}/turn-away`);
    expect(await door(pupil)).toMatchObject({ decision: { reason: 'removed' }, turnedAway: true });
    await host.post(`/api/visitors/${id}/let-back`);
    expect((await enter(pupil)).go).not.toBeNull();
    await school.videoEvent({ room, type: 'arrived', visitor: id });
    await host.post(`/api/visitors/${id}/put-out`);
    expect((await enter(pupil)).decision.reason).toBe('removed');
    expect((await desk()).away).toMatchObject([{ id, state: 'put-out' }]);
    expect((await host.post(`/api/visitors/${id}/let-in`)).status).toBe(409);
    await host.post(`/api/visitors/${id}/let-back`);
    expect((await door(pupil)).decision.outcome).toBe('enter');
  });
  it('lets back in without knocking whoever dropped out', async () => {
    const { room } = await hostGoesIn();
    const pupil = await school.as('Ansel Grue');
    await enter(pupil);
    await host.post(`/api/links/${n3.link.id}/let-all-in`);
    await enter(pupil);
    const id = (await school.running.glen.db.one<{ id: number }>(
      `SELECT v.id FROM visitors v JOIN sittings m ON m.id = v.sitting_id WHERE m.room = :room AND v.role = 'participant'`,
      { room },
    ))!.id;
    await school.videoEvent({ room, type: 'arrived', visitor: id });
    await school.videoEvent({ room, type: 'left', visitor: id });
    expect((await door(pupil)).decision).toEqual({
      outcome: 'enter',
      role: 'participant',
      reason: 'straight-in',
    });
  });
  it('holds one place for a person who knocks many times at once', async () => {
    await hostGoesIn();
    const pupil = await school.as('Ansel Grue');
    await Promise.all(Array.from({ length: 8 }, () => enter(pupil)));
    expect((await desk()).waiting).toHaveLength(1);
  });
  it('asks a guest for a name, and keeps one guest apart from another', async () => {
    await hostGoesIn();
    const { version } = (await host.get(`/api/classes/${n3.id}/rules`)).body;
    const set = (
      await host.put(`/api/classes/${n3.id}/rules`, { version, rules: { whoMayEnter: 'anyone' } })
    ).body;
    const guests = [new Browser(school.url), new Browser(school.url)];
    const nameless = await guests[0]!.post(`/api/door/${n3.link.code}/enter`);
    expect(nameless.body.errors).toMatchObject([{ path: 'name' }]);
    for (const [i, guest] of guests.entries())
      expect((await enter(guest, { name: `Guest ${i}` })).decision.reason).toBe('lobby');
    expect((await desk()).waiting.map((v) => [v.name, v.account])).toEqual([
      ['Guest 0', 'none'],
      ['Guest 1', 'none'],
    ]);
    expect((await door(guests[1]!)).knocked).toBe(true);
    await host.put(`/api/classes/${n3.id}/rules`, { version: set.version, rules: {} });
  });
});

describe('a host', () => {
  it('opens before the time; a line that drops leaves the room theirs for three minutes', async () => {
    await school.setTime('11:30', date);
    const { room, visitor } = await hostGoesIn();
    const pupil = await school.as('Ansel Grue');
    expect((await door(pupil)).decision.outcome).toBe('lobby');
    await school.videoEvent({ room, type: 'left', visitor });
    await school.setTime('11:32', date);
    expect((await door(pupil)).decision.outcome).toBe('lobby');
    await school.setTime('11:34', date);
    expect((await door(pupil)).decision.reason).toBe('early');
    expect(roomOf((await host.post(`/api/links/${n3.link.id}/open`)).body.go)).toBe(room);
  });
  it('ends it for all: shut at once for all but hosts, the room gone, everyone out; opening begins anew', async () => {
    const { room } = await hostGoesIn();
    const pupil = await school.as('Ansel Grue');
    await enter(pupil);
    await host.post(`/api/links/${n3.link.id}/let-all-in`);
    expect((await host.post(`/api/links/${n3.link.id}/close-room`)).status).toBe(200);
    expect((await door(pupil)).decision).toEqual({ outcome: 'refused', reason: 'ended' });
    expect(await desk()).toMatchObject({ door: 'ended', inside: [], waiting: [] });
    expect((await host.post(`/api/links/${n3.link.id}/close-room`)).status).toBe(409);
    const closed = await until(
      async () => (await fetch(`${school.video}/room/${room}`)).text(),
      (page) => page.includes('The room is closed'),
    );
    expect(closed).toContain('Everyone has left');
    const again = roomOf((await host.post(`/api/links/${n3.link.id}/open`)).body.go);
    expect(again).not.toBe(room);
    expect((await desk()).door).toBe('open');
  });
  it('runs over: whoever belongs gets in while a host is inside, and nobody after', async () => {
    const { room, visitor } = await hostGoesIn();
    await school.setTime('13:10', date);
    const pupil = await school.as('Ansel Grue');
    expect((await door(pupil)).decision.outcome).toBe('lobby');
    await school.videoEvent({ room, type: 'left', visitor });
    await school.setTime('13:14', date);
    expect((await door(pupil)).decision.outcome).not.toBe('lobby');
  });
  it('with nothing planned puts a session on the books from this minute', async () => {
    await school.setTime('20:00', date);
    const pupil = await school.as('Ansel Grue');
    expect((await door(pupil)).decision.outcome).toBe('not-yet');
    await hostGoesIn();
    expect((await desk()).session).toMatchObject({
      date,
      time: '20:00',
      title: 'Coastal Navigation, period 3',
    });
    expect((await door(pupil)).decision.outcome).toBe('lobby');
  });
});

describe('codes', () => {
  it('that do not exist are said kindly, and limited by address', async () => {
    const browser = new Browser(school.url);
    const miss = await browser.get('/api/door/heron-00000000000');
    expect(miss.status).toBe(404);
    expect(miss.body.detail).toContain('Compare it');
    let last = miss.status;
    for (let i = 0; i < 70 && last === 404; i++)
      last = (await browser.get(`/api/door/heron-0000000${String(i).padStart(4, '0')}`)).status;
    expect(last).toBe(429);
    // A class behind the same address still gets through its own door.
    expect((await door(await school.as('Ansel Grue'))).title).toBe('Lesson');
    await school.running.glen.db.change('DELETE FROM failures');
  });
  it('of entry are asked for, kept for a return, and limited', async () => {
    await hostGoesIn();
    const { version } = (await host.get(`/api/classes/${n3.id}/rules`)).body;
    const set = (
      await host.put(`/api/classes/${n3.id}/rules`, { version, rules: { entryCode: 'Tide 42' } })
    ).body;
    const pupil = await school.as('Ansel Grue');
    expect((await enter(pupil)).decision.reason).toBe('code-needed');
    const guess = (entryCode: string) =>
      pupil.post(`/api/door/${n3.link.code}/enter`, { entryCode });
    const answers: number[] = [];
    while (!answers.includes(429) && answers.length < 20) {
      answers.push((await guess(`guess${answers.length}`)).status);
      // A refusal for another reason learns nothing of the code, and makes nothing good again.
      const asWatcher = { entryCode: 'guess', watchOnly: true };
      await pupil.post(`/api/door/${n3.link.code}/enter`, asWatcher);
    }
    expect(answers.slice(0, 5)).toEqual([200, 200, 200, 200, 200]);
    expect(answers.at(-1)).toBe(429);
    const other = await school.as('Birgit Tideman');
    expect((await enter(other, { entryCode: 'TIDE42' })).decision.reason).toBe('lobby');
    expect((await door(other)).decision.reason).toBe('lobby');
    await host.put(`/api/classes/${n3.id}/rules`, { version: set.version, rules: {} });
  });
});
