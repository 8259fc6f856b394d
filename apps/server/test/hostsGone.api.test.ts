import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, ClassItem } from '@glen/contract';
import { RoomWatch } from '../src/features/desk/roomWatch.js';
import { moves as tellMoves, roomOf } from './roomTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

// A lesson is never left alone: what becomes of a room that its hosts have left, of which the desk always tells.

let school: School;
let host: Browser;
let pupil: Browser;
let n3: ClassItem;
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  pupil = await school.as('Ansel Grue');
  n3 = school.classes.get('N3')!;
});
afterEach(() => school.stop());

const desk = async (): Promise<Answer<'desk'>> =>
  (await host.get(`/api/links/${n3.link.id}/desk`)).body;
const reasonAt = async (browser: Browser): Promise<string> =>
  (await browser.get(`/api/door/${n3.link.code}`)).body.decision.reason;
const open = async (): Promise<string> =>
  roomOf((await host.post(`/api/links/${n3.link.id}/open`)).body.go);

const moves = (room: string, type: 'arrived' | 'left', name: string): Promise<number> =>
  tellMoves(school, { room, type, name });

/** The lesson of period 3, 10:45 to 11:35, with its host and one of the roll in the room; then the host leaves. */
async function leftAlone(): Promise<string> {
  await school.setTime('10:46');
  const room = await open();
  await moves(room, 'arrived', 'Ottoline Marsh');
  await pupil.post(`/api/door/${n3.link.code}/enter`, {});
  await host.post(`/api/links/${n3.link.id}/let-all-in`);
  await pupil.post(`/api/door/${n3.link.code}/enter`, {});
  await moves(room, 'arrived', 'Ansel Grue');
  await moves(room, 'left', 'Ottoline Marsh');
  return room;
}

const insideNow = async (): Promise<string[]> => (await desk()).inside.map((v) => v.name);
const isEmptied = () => until(insideNow, (names) => names.length === 0);
const jobs = (): Promise<{ kind: string; subject: string }[]> =>
  school.running.glen.db.rows(
    `SELECT kind, subject FROM outbox WHERE kind = 'end-room' AND state <> 'done'`,
  );

async function setRules(sent: object): Promise<number> {
  const { version } = (await host.get(`/api/classes/${n3.id}/rules`)).body;
  return (await host.put(`/api/classes/${n3.id}/rules`, { version, ...sent })).status;
}

describe('hosts are gone', () => {
  it('and the desk and the day say so, with when the room is closed', async () => {
    await leftAlone();
    const { alone, inside } = await desk();
    expect(inside.map((v) => v.name)).toEqual(['Ansel Grue']);
    expect(alone!.since).toMatch(/^2026-10-14T13:46:\d\dZ$/);
    expect(alone!.closesAt.slice(0, 16)).toBe('2026-10-14T13:51');
    const { sessions, notes } = (await host.get('/api/today')).body as Answer<'today'>;
    expect(sessions.find((s) => s.linkId === n3.link.id)!.alone).toEqual(alone);
    expect(notes.filter((n) => n.title.startsWith('No host is in'))).toEqual([]);
    await school.setTime('10:50');
    const later = (await host.get('/api/today')).body as Answer<'today'>;
    expect(later.notes[0]).toMatchObject({
      severity: 'wrong',
      title: expect.stringMatching(/^No host is in: /) as string,
      actions: [{ name: 'go-to-desk', subject: n3.link.id }],
    });
  });

  it('for five minutes: everybody is out, and the door waits for its host again', async () => {
    const room = await leftAlone();
    await school.setTime('10:50');
    expect(await insideNow()).toEqual(['Ansel Grue']);
    await school.setTime('10:52');
    await isEmptied();
    expect(await desk()).toMatchObject({ door: 'shut', alone: null });
    expect(await reasonAt(pupil)).toBe('no-host');
    await until(jobs, (all) => all.every((job) => job.subject !== room));
    const again = await open();
    expect(again).not.toBe(room);
    await moves(again, 'arrived', 'Ottoline Marsh');
    expect(await reasonAt(pupil)).toBe('straight-in');
  });

  it('for as long as the class period’s rules say', async () => {
    expect(await setRules({ rules: {}, hostsGone: 20 })).toBe(200);
    await leftAlone();
    await school.setTime('11:05');
    expect((await desk()).alone!.closesAt.slice(0, 16)).toBe('2026-10-14T14:06');
    await school.setTime('11:07');
    await isEmptied();
  });

  it('where people may be in without one: they stay until the door closes', async () => {
    expect(await setRules({ rules: { withoutHost: true } })).toBe(200);
    await leftAlone();
    await school.setTime('11:30');
    expect((await desk()).alone!.closesAt).toBe('2026-10-14T14:35:00Z');
    expect(await insideNow()).toEqual(['Ansel Grue']);
    await school.setTime('11:36');
    await until(
      async () => school.running.glen.db.rows('SELECT 1 FROM visitors WHERE inside = 1'),
      (rows) => rows.length === 0,
    );
    expect(await reasonAt(pupil)).not.toBe('straight-in');
  });

  it('past its end a room with a host in it runs on, and is the one the desk shows though another session is due', async () => {
    await school.setTime('10:46');
    const room = await open();
    await moves(room, 'arrived', 'Ottoline Marsh');
    await school.setTime('12:30');
    expect(await desk()).toMatchObject({ door: 'open', alone: null });
    expect(await open()).toBe(room);
  });

  it('is found out by a server that was down meanwhile, and done once by two', async () => {
    await leftAlone();
    // Nobody has looked meanwhile; now two do at the same time.
    await school.setTime('11:10');
    const { glen } = school.running;
    await Promise.all([new RoomWatch(glen).look(), new RoomWatch(glen).look()]);
    await isEmptied();
    const times = await school.running.glen.db.rows<{ n: number }>(
      `SELECT COUNT(*) AS n FROM audit_log WHERE action = 'close-by-itself'`,
    );
    expect(times[0]!.n).toBe(1);
  });
});

describe('the lobby', () => {
  it('names a host who is in the room, and says that none is', async () => {
    await school.setTime('10:46');
    const room = await open();
    await moves(room, 'arrived', 'Ottoline Marsh');
    await pupil.post(`/api/door/${n3.link.code}/enter`, {});
    const seen = async () => (await pupil.get(`/api/door/${n3.link.code}`)).body as Answer<'door'>;
    expect(await seen()).toMatchObject({ knocked: true, hostIn: 'Ottoline Marsh' });
    const tomas = await school.as('Tomas Verhage');
    await tomas.post(`/api/links/${n3.link.id}/open`);
    await moves(room, 'arrived', 'Tomas Verhage');
    await moves(room, 'left', 'Ottoline Marsh');
    expect(await seen()).toMatchObject({ hostIn: 'Tomas Verhage' });
    await moves(room, 'left', 'Tomas Verhage');
    // For three minutes the door goes on as before; nobody is said to be there.
    expect(await seen()).toMatchObject({ knocked: true, hostIn: null });
  });

  it('is tried as if a host were in', async () => {
    await school.setTime('10:46');
    const tried = await host.post(`/api/links/${n3.link.id}/try`, {
      accountId: school.person('Ansel Grue').accounts[0]!.id,
      hostIn: true,
    });
    expect(tried.body).toMatchObject({
      decision: { outcome: 'lobby' },
      hostIn: 'Ottoline Marsh',
    });
  });
});

describe('what is set of hosts that are gone', () => {
  const layer = async () =>
    ((await host.get(`/api/classes/${n3.id}/rules`)).body as Answer<'rules'>).layers.at(-1)!;

  it('is kept beside the rules, stays where nothing is sent of it, and is taken away again', async () => {
    expect(await setRules({ rules: { chat: false }, hostsGone: 12 })).toBe(200);
    expect(await layer()).toEqual({ scope: 'class', rules: { chat: false }, hostsGone: 12 });
    expect(await setRules({ rules: { chat: true } })).toBe(200);
    expect(await layer()).toEqual({ scope: 'class', rules: { chat: true }, hostsGone: 12 });
    expect(await setRules({ rules: { chat: true }, hostsGone: null })).toBe(200);
    expect(await layer()).toEqual({ scope: 'class', rules: { chat: true } });
  });

  it.each([0, 121, 2.5])('is refused beside its field: %d', async (hostsGone) => {
    expect(await setRules({ rules: {}, hostsGone })).toBe(422);
  });
});
