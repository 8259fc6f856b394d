import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { USUAL_SLOTS } from '@glen/core';
import { lookAfterSlots } from '../src/features/desk/slotTurns.js';
import { postTools } from './postTools.js';
import { moves, roomOf } from './roomTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

// Sessions that are cut into slots: who signs up, who has which, whose turn it is at the door.

let school: School;
let host: Browser;
let ansel: Browser;
let link: { id: number; code: string };
let clinic: { seriesId: number; key: string };

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ansel = await school.as('Ansel Grue');
  const { id, link: own } = school.classes.get('C')!;
  link = own;
  const { sessions } = (await host.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
  clinic = sessions.find(({ date }) => date === '2026-10-14')!;
  // 11:40 to 12:40 in quarters of an hour: 11:40, 11:55, 12:10, 12:25.
  await cut(null);
  await cut();
});
afterEach(() => school.stop());

type Ways = typeof USUAL_SLOTS;
const series = (): string => `/api/series/${clinic.seriesId}/slots`;
const kept = async (): Promise<Answer<'seriesSlots'>> => (await host.get(series())).body;
const cut = async (ways: Partial<Ways> | null = {}): ReturnType<Browser['post']> => {
  const { version } = await kept();
  const body = { version, ways: ways && { ...USUAL_SLOTS, ...ways } };
  return host.post(series(), body);
};
const there = async (by: Browser): Promise<Answer<'signUps'>> =>
  (await by.get(`/api/sign-up/${link.code}`)).body;
const todays = async (by: Browser) =>
  (await there(by)).sessions.find(({ on }) => on === clinic.key)!;
const states = async (by: Browser): Promise<string[]> =>
  (await todays(by)).slots.map(({ state }) => state);
const take = (by: Browser, nth: number | null, more: object = {}) =>
  by.post(`/api/sign-up/${link.code}`, { seriesId: clinic.seriesId, on: clinic.key, nth, ...more });
const look = (): Promise<void> => lookAfterSlots(school.running.glen, clinic.seriesId);
const words = async (by: Browser): Promise<string[]> =>
  ((await by.get('/api/words')).body as Answer<'words'>).words.map(({ text }) => text);
/** Some of those on the clinic's roll beside Ansel Grue. */
const others = async (count: number): Promise<Browser[]> => {
  const { people } = await kept();
  const names = people.map(({ name }) => name).filter((name) => name !== 'Ansel Grue');
  return Promise.all(names.slice(0, count).map((name) => school.as(name)));
};

describe('cutting a series into slots', () => {
  it('is its hosts’, kept from a stale edit, and refused out of bounds beside the field', async () => {
    expect((await kept()).ways).toEqual(USUAL_SLOTS);
    expect((await cut({ gap: 5 })).body).toMatchObject({ version: 2, ways: { gap: 5 } });
    const stale = await host.post(series(), { version: 1, ways: USUAL_SLOTS });
    expect([stale.status, stale.body.current.version]).toEqual([409, 2]);
    const path = async (ways: Partial<Ways>): Promise<string> =>
      (await cut(ways)).body.errors[0].path;
    expect(await path({ minutes: 1 })).toBe('ways.minutes');
    expect(await path({ gap: -1 })).toBe('ways.gap');
    expect(await path({ most: 1.5 })).toBe('ways.most');
    expect((await ansel.post(series(), { version: 2, ways: null })).status).toBe(403);
  });

  it('tells who had a slot where there are none any more', async () => {
    await take(ansel, 1);
    expect((await cut(null)).body).toMatchObject({ version: null, ways: null, sessions: [] });
    expect((await there(ansel)).sessions).toEqual([]);
    expect((await words(ansel))[0]).toContain('Your slot is off on Wed 14 Oct');
  });
});

describe('signing up', () => {
  it('is for those whom the link is for; who has a slot is told to nobody but its hosts', async () => {
    expect((await take(ansel, 0, { about: 'A fix by two bearings' })).status).toBe(200);
    expect(await states(ansel)).toEqual(['mine', 'free', 'free', 'free']);
    const [other] = await others(1);
    expect(await states(other!)).toEqual(['taken', 'free', 'free', 'free']);
    expect(JSON.stringify(await there(other!))).not.toContain('Ansel');
    expect((await kept()).sessions[0]!.slots[0]!.signUp).toMatchObject({
      ...{ name: 'Ansel Grue', about: 'A fix by two bearings' },
    });
    expect((await there(await school.as(null))).state).toBe('sign-in');
    const stranger = await school.as('Birgit Draycott');
    expect(await there(stranger)).toMatchObject({ state: 'not-yours', sessions: [] });
    expect((await take(stranger, 1)).status).toBe(403);
    expect((await there(host)).state).toBe('host');
    expect((await take(host, 1)).status).toBe(403);
    // Who may watch only has nothing to sign up for, and learns no code.
    const { watchAddress } = (await host.post(`/api/links/${link.id}/watch-address`, { has: true }))
      .body as Answer<'setWatchAddress'>;
    const watching = await stranger.get(`/api/sign-up/${watchAddress!.split('/').at(-1)!}`);
    expect(watching.status).toBe(404);
  });

  it('may be for a group of one’s own, whose others see it as theirs and leave it to whoever took it', async () => {
    const { id } = school.classes.get('C')!;
    const { people } = await kept();
    const [mate] = await others(1);
    const members = [
      school.person('Ansel Grue').id,
      people.find((p) => p.name !== 'Ansel Grue')!.id,
    ];
    const { version } = (await host.get(`/api/classes/${id}/groups`)).body;
    const groups = [{ name: 'Pair', tutorId: null, members }];
    expect((await host.put(`/api/classes/${id}/groups`, { version, groups })).status).toBe(200);
    const [group] = (await there(ansel)).groups;
    expect((await take(ansel, 1, { groupId: group!.id })).status).toBe(200);
    const [theirs] = (await todays(mate!)).mine;
    expect(theirs).toMatchObject({ group: 'Pair', isOwn: false, nth: 1 });
    const drop = { id: theirs!.id, version: theirs!.version };
    expect((await mate!.post(`/api/sign-up/${link.code}/drop`, drop)).status).toBe(404);
    expect((await todays(ansel)).mine).toMatchObject([{ isOwn: true }]);
  });

  it('gives a slot to one, and says to who was a moment late what is free still', async () => {
    const [other] = await others(1);
    await take(ansel, 0);
    const late = await take(other!, 0);
    expect(late.status).toBe(409);
    expect(late.body.title).toContain('Somebody was a moment faster');
    expect(late.body.current.sessions[0].slots[1].state).toBe('free');
  });

  it('is taken by nobody twice, however many want the same at once', async () => {
    const many = await others(11);
    const answers = await Promise.all(many.map((by, i) => take(by, i % 4)));
    const got = answers.filter(({ status }) => status === 200).length;
    const slots = (await kept()).sessions[0]!.slots;
    expect([got, slots.filter(({ signUp }) => signUp).length]).toEqual([4, 4]);
    expect(answers.filter(({ status }) => status === 409)).toHaveLength(7);
  });

  it('holds to so many in a week, by whatever device, and to its times', async () => {
    const phone = await school.as('Ansel Grue');
    const both = await Promise.all([take(ansel, 0), take(phone, 1)]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 422]);
    expect((await kept()).sessions[0]!.slots.filter(({ signUp }) => signUp)).toHaveLength(1);
    const [other] = await others(1);
    await school.setTime('11:40');
    expect((await take(other!, 0)).body.errors?.[0].path ?? 'taken').toMatch(/nth|taken/);
    const late = await take(other!, 0);
    expect([422, 409]).toContain(late.status);
    expect((await take(other!, 3)).status).toBe(200);
  });

  it('is changed as it was read, and given up', async () => {
    const { mine } = (await take(ansel, 0)).body.sessions[0];
    const change = (nth: number, version: number, about = '') =>
      ansel.post(`/api/sign-up/${link.code}/change`, {
        ...{ id: mine[0].id, version, nth, about },
        ...{ seriesId: clinic.seriesId, on: clinic.key },
      });
    expect((await change(2, 1, 'Tides')).body.sessions[0].mine).toMatchObject([
      { nth: 2, about: 'Tides', version: 2 },
    ]);
    expect((await change(1, 1)).status).toBe(409);
    const drop = { id: mine[0].id, version: 2 };
    const [other] = await others(1);
    expect((await other!.post(`/api/sign-up/${link.code}/drop`, drop)).status).toBe(404);
    expect((await ansel.post(`/api/sign-up/${link.code}/drop`, drop)).status).toBe(200);
    expect(await states(ansel)).toEqual(['free', 'free', 'free', 'free']);
  });

  it('lets others wait where all are taken, move up in their order, and tells them', async () => {
    const five = await others(5);
    const taken = await Promise.all(five.slice(0, 4).map((by, nth) => take(by, nth)));
    expect(taken.map(({ status }) => status)).toEqual([200, 200, 200, 200]);
    expect((await todays(ansel)).mayWait).toBe(true);
    await take(ansel, null);
    await take(five[4]!, null);
    expect((await todays(ansel)).waiting).toBe(2);
    const { mine } = await todays(five[2]!);
    const drop = { id: mine[0]!.id, version: mine[0]!.version };
    await five[2]!.post(`/api/sign-up/${link.code}/drop`, drop);
    await look();
    expect((await states(ansel))[2]).toBe('mine');
    expect((await words(ansel))[0]).toContain('A slot is yours: Wed 14 Oct, 12:10.');
    expect((await todays(five[4]!)).mine).toMatchObject([{ nth: null }]);
  });

  it('is done by a host for somebody whom it is for, who is told, and taken away by a host', async () => {
    const { people } = await kept();
    const { id } = people.find(({ name }) => name === 'Ansel Grue')!;
    const give = (personId: number) =>
      host.post(`${series()}/for`, { personId, on: clinic.key, nth: 3, about: 'The log' });
    expect((await give(school.person('Birgit Draycott').id)).body.errors[0].path).toBe('personId');
    const { sessions } = (await give(id)).body as Answer<'signUpFor'>;
    expect(sessions[0]!.slots[3]!.signUp).toMatchObject({ name: 'Ansel Grue', about: 'The log' });
    await look();
    expect((await words(ansel))[0]).toContain('A slot is yours: Wed 14 Oct, 12:25.');
    // That they were told has changed nothing of what the host has read.
    const { id: given, version } = sessions[0]!.slots[3]!.signUp!;
    const dropped = await host.post(`${series()}/drop`, { id: given, version });
    expect(dropped.status).toBe(200);
    expect((await words(ansel))[0]).toContain('Your slot on Wed 14 Oct is off.');
  });
});

describe('where the link stands', () => {
  it('a slot is taken, with how many are free, in stream and calendar, and that follows', async () => {
    const { post, pageShows } = postTools(school, host);
    const { id } = school.classes.get('C')!;
    await post('C', {
      ...{ words: 'Come with your chart.', linkWords: '{title}', about: 'sessions', timing: 'now' },
      places: [
        { classId: id, kind: 'calendar' },
        { classId: id, kind: 'stream' },
      ],
    });
    const page = await pageShows('clinic', (text) => text.includes('4 of 4 slots free'));
    expect(page).toContain(`/sign-up/${link.code}`);
    await take(ansel, 1);
    await pageShows('clinic', (text) => text.includes('3 of 4 slots free'));
  });
});

describe('a session that changes', () => {
  it('keeps the order of those who have signed up, and tells each their new time', async () => {
    const [other] = await others(1);
    await take(ansel, 0);
    await take(other!, 2);
    await school.running.glen.db.models.Occurrence.update(
      { start_at: '2026-10-14T15:40:00Z', end_at: '2026-10-14T16:40:00Z', local_time: '12:40' },
      { where: { series_id: clinic.seriesId, key_date: clinic.key } },
    );
    await look();
    expect((await words(ansel))[0]).toContain('Your slot has moved: Wed 14 Oct, 12:40');
    expect((await words(other!))[0]).toContain('Your slot has moved: Wed 14 Oct, 13:10');
    expect((await states(ansel))[0]).toBe('mine');
  });

  it('has whoever’s slot falls out wait before all others', async () => {
    const [other] = await others(1);
    await take(other!, 3);
    await cut({ minutes: 30 });
    await look();
    // Two slots are left, both free: they move up at once.
    expect((await todays(other!)).mine).toMatchObject([{ nth: 0 }]);
    expect((await words(other!))[0]).toContain('Your slot has moved: Wed 14 Oct, 11:40, not');
  });

  it('frees the slot of whoever leaves the roll', async () => {
    await take(ansel, 0);
    const { id } = school.classes.get('C')!;
    const personIds = [school.person('Ansel Grue').id];
    const off = await host.post(`/api/classes/${id}/roll/take-off`, { personIds });
    expect(off.status).toBe(200);
    await look();
    expect((await kept()).sessions[0]!.slots[0]!.signUp).toBeNull();
  });

  it('tells those whose session is cancelled, and gives them back what they had with it', async () => {
    await take(ansel, 1);
    const { Occurrence } = school.running.glen.db.models;
    const where = { series_id: clinic.seriesId, key_date: clinic.key };
    await Occurrence.update({ status: 'cancelled' }, { where });
    await look();
    expect((await words(ansel))[0]).toContain('is off: the session is not held');
    await Occurrence.update({ status: 'planned' }, { where });
    await look();
    expect((await words(ansel))[0]).toContain('A slot is yours: Wed 14 Oct, 11:55.');
  });
});

describe('the door of a session in slots', () => {
  let other: Browser;
  let room: string;
  const enter = (by: Browser) => by.post(`/api/door/${link.code}/enter`, {});
  const turn = async (by: Browser) =>
    ((await by.get(`/api/door/${link.code}`)).body as Answer<'door'>).turn;
  const outcome = async (by: Browser): Promise<string> => (await enter(by)).body.decision.outcome;

  beforeEach(async () => {
    [other] = (await others(1)) as [Browser];
    await take(ansel, 0);
    await take(other, 1, { about: 'Tides' });
    await school.setTime('11:38');
    const { go } = (await host.post(`/api/links/${link.id}/open`, { anyway: true })).body;
    room = roomOf(go);
    await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
  });
  const nameOf = async (by: Browser): Promise<string> => (await by.get('/api/me')).body.person.name;
  const isIn = async (by: Browser, type: 'arrived' | 'left' = 'arrived') =>
    moves(school, { room, type, name: await nameOf(by) });

  it('lets nobody in early, says who is next, and lets each in from their start', async () => {
    expect(await outcome(ansel)).toBe('lobby');
    expect(await turn(ansel)).toMatchObject({ kind: 'ahead', before: 0 });
    expect(await turn(other)).toMatchObject({ kind: 'ahead', before: 1 });
    await school.setTime('11:40');
    expect(await turn(ansel)).toMatchObject({ kind: 'now' });
    expect((await enter(ansel)).body.go).not.toBeNull();
    expect(await outcome(other)).toBe('lobby');
    await isIn(ansel);
    // The one before is in still, and the next one walks in all the same.
    await school.setTime('11:55');
    expect((await enter(other)).body.go).not.toBeNull();
  });

  it('has whoever has had their slot knock again, once they are out', async () => {
    await school.setTime('11:40');
    await enter(ansel);
    await isIn(ansel);
    await school.setTime('11:56');
    await look();
    expect(await outcome(ansel)).toBe('enter');
    await isIn(ansel, 'left');
    await look();
    expect(await outcome(ansel)).toBe('lobby');
    await host.post(`/api/links/${link.id}/let-all-in`);
    expect(await outcome(ansel)).toBe('enter');
  });

  it('has them make way by themselves where that is the rule, and only for somebody', async () => {
    await cut({ leaves: 'by-itself' });
    await school.setTime('11:40');
    await enter(ansel);
    await isIn(ansel);
    await school.setTime('11:56');
    await look();
    expect(await outcome(ansel)).toBe('lobby');
    await enter(other);
    await isIn(other);
    await school.setTime('12:11');
    await look();
    expect(await outcome(other)).toBe('enter');
  });

  it('offers a slot on to which nobody came, to who waits first', async () => {
    const [, third, fourth, fifth] = await others(4);
    await take(third!, 2);
    await take(fourth!, 3);
    await take(fifth!, null);
    await school.setTime('11:46');
    await look();
    expect((await kept()).sessions[0]!.slots[0]).toMatchObject({
      ...{ missed: ['Ansel Grue'], signUp: { name: await nameOf(fifth!) } },
    });
    expect(await outcome(fifth!)).toBe('enter');
    expect((await words(fifth!))[0]).toContain('A slot is yours: Wed 14 Oct, 11:40.');
  });

  it('shows its hosts the line of slots, with what each is about', async () => {
    await school.setTime('11:41');
    const { slots } = (await host.get(`/api/links/${link.id}/desk`)).body as Answer<'desk'>;
    expect(slots!.slots.map(({ state, about }) => [state, about])).toEqual([
      ['now', ''],
      ['ahead', 'Tides'],
      ['ahead', ''],
      ['ahead', ''],
    ]);
    expect(slots!.slots[0]!.name).toBe('Ansel Grue');
  });

  it('warns whoever is in two minutes before the next one comes, once', async () => {
    await school.setTime('11:40');
    await enter(ansel);
    await isIn(ansel);
    await school.setTime('11:53');
    await look();
    await look();
    const told = await until(
      () => school.running.glen.db.models.OutboxJob.count({ where: { kind: 'room-word' } }),
      (count) => count > 0,
    );
    expect(told).toBe(1);
  });
});
