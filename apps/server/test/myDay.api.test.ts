import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, Session } from '@glen/contract';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
});
afterEach(() => school.stop());

const dayOf = async (
  name: string,
  kind: 'school' | 'personal' = 'school',
): Promise<Answer<'myDay'>> => (await (await school.as(name, kind)).get('/api/my-day')).body;
const weather = async (title: string): Promise<Session> =>
  (await host.get('/api/today')).body.sessions.find((s: Session) => s.title === title);

describe('a student’s day', () => {
  it('shows their doors in order, when each opens, and the next one after today', async () => {
    const day = await dayOf('Ansel Grue');
    expect(day.doors.map((d) => [d.time, d.title, d.opens.slice(11, 16)])).toEqual([
      ['10:45', 'Coastal Navigation, period 3', '13:40'],
      ['11:40', 'Chartwork clinic', '14:40'],
    ]);
    expect(day.next).toMatchObject({
      title: 'Coastal Navigation, period 3',
      date: '2026-10-19',
      time: '11:05',
    });
    expect(day.classes.map((c) => c.title)).toEqual([
      'Coastal Navigation, period 3',
      'Chartwork clinic',
    ]);
    expect(day.doors.every((d) => d.host === 'Ottoline Marsh' && d.was === null)).toBe(true);
  });
  it('shows what was cancelled, with the reason, and what moved, from where', async () => {
    const name = school.people.find((p) => p.learns.includes('weather-2'))!.name;
    expect((await dayOf(name)).doors.find((d) => d.title === 'Cloud walk')).toMatchObject({
      status: 'cancelled',
      why: 'Rain; next week instead.',
    });
    const rope = school.people.find((p) => p.learns.includes('ropework'))!.name;
    expect((await dayOf(rope)).doors.find((d) => d.title.startsWith('Rigging'))).toMatchObject({
      date: '2026-10-14',
      was: { date: '2026-10-15', time: '15:10', minutes: 40 },
    });
    // On the day it left it still stands, as moved away.
    await school.setTime('08:00', '2026-10-15');
    expect((await dayOf(rope)).doors.find((d) => d.title.startsWith('Rigging'))).toMatchObject({
      date: '2026-10-14',
      was: { date: '2026-10-15' },
    });
    await school.setTime('10:31');
  });
  it('shows no drafts; once on the books they are there, and their door opens', async () => {
    const n3 = school.classes.get('N3')!;
    const body = {
      title: 'Night sailing',
      description: 'Warm clothes.',
      plan: { first: '2026-10-14', at: { time: '20:00', minutes: 60 } },
    };
    const { session } = (
      await host.post(`/api/classes/${n3.id}/sessions`, { ...body, draft: true })
    ).body;
    expect(session.draft).toBe(true);
    const names = async () => (await dayOf('Ansel Grue')).doors.map((d) => d.title);
    expect(await names()).not.toContain('Night sailing');
    await school.setTime('19:58');
    const pupil = await school.as('Ansel Grue');
    const door = async () => (await pupil.get(`/api/door/${n3.link.code}`)).body;
    expect((await door()).decision.reason).toBe('early');
    expect((await door()).session.title).not.toBe('Night sailing');
    expect(
      (await (await school.as('Signe Aalto')).get('/api/today')).body.sessions.map(
        (s: Session) => s.title,
      ),
    ).not.toContain('Night sailing');
    const moved = (
      await host.put(`/api/series/${session.seriesId}`, {
        ...body,
        plan: { first: '2026-10-14', at: { time: '20:30', minutes: 60 } },
        version: 1,
        draft: false,
      })
    ).body.session;
    // Nobody knew of the draft's time, so for them nothing moved.
    expect(moved).toMatchObject({ draft: false, was: null, time: '20:30' });
    expect(await names()).toContain('Night sailing');
    await school.setTime('20:31');
    expect((await door()).session.title).toBe('Night sailing');
    await school.setTime('10:31');
  });
  it('is nobody’s without an account, and empty for who learns nothing here', async () => {
    expect((await (await school.as(null)).get('/api/my-day')).status).toBe(401);
    expect(await dayOf('Hedda Grue', 'personal')).toMatchObject({
      doors: [],
      next: null,
      classes: [],
    });
  });
});

describe('a session that moved', () => {
  it('remembers where people knew it, however often it moves, and forgets when it is back', async () => {
    const before = await weather('Chartwork clinic');
    const edit = async (time: string, version: number): Promise<Session> =>
      (
        await host.put(`/api/series/${before.seriesId}`, {
          title: before.title,
          description: '',
          version,
          scope: 'one',
          key: '2026-10-14',
          plan: { first: '2026-10-14', at: { time, minutes: 60 } },
        })
      ).body.session;
    expect((await edit('12:00', 1)).was).toEqual({
      date: '2026-10-14',
      time: '11:40',
      minutes: 60,
    });
    expect((await edit('12:30', 2)).was).toEqual({
      date: '2026-10-14',
      time: '11:40',
      minutes: 60,
    });
    expect((await edit('11:40', 3)).was).toBeNull();
  });
});

describe('a session that runs past midnight', () => {
  it('is in the next day too until it is over, and what was over by then is not', async () => {
    const { id } = school.classes.get('N3')!;
    const plan = async (title: string, time: string, minutes: number): Promise<void> => {
      const body = { title, description: '', plan: { first: '2026-10-14', at: { time, minutes } } };
      expect((await host.post(`/api/classes/${id}/sessions`, body)).status).toBe(200);
    };
    await plan('Stars', '23:30', 60);
    await plan('Dusk', '23:00', 60);
    await school.setTime('00:10', '2026-10-15');
    const today = (await host.get('/api/today')).body as Answer<'today'>;
    expect(today.date).toBe('2026-10-15');
    const student = await dayOf('Ansel Grue');
    expect(student.doors.map((d) => [d.title, d.time])).toEqual([['Stars', '23:30']]);
    const { links } = (await host.get('/api/reach')).body as Answer<'reachOfDay'>;
    expect(links.find((l) => l.name === 'Coastal Navigation, period 3')!.session).toMatchObject({
      title: 'Stars',
      over: false,
    });
    const fromYesterday = today.sessions.filter((s) => s.date < today.date && s.was === null);
    expect(fromYesterday).toMatchObject([{ title: 'Stars', date: '2026-10-14', time: '23:30' }]);
  });
});

describe('find', () => {
  const find = async (q: string, browser = host): Promise<Answer<'find'>> =>
    (await browser.get(`/api/find?q=${encodeURIComponent(q)}`)).body;
  it('finds people of the school with one’s own classes, sessions, links', async () => {
    const people = (await find('ansel gr')).people;
    expect(people.map((p) => [p.name, p.roles.join(), p.classes.map((c) => c.title)])).toEqual([
      ['Ansel Grue', 'student', ['Coastal Navigation, period 3', 'Chartwork clinic']],
    ]);
    expect((await find('rigging')).sessions.map((s) => [s.title, s.date, s.mine])).toEqual([
      ['Rigging survey with Idris Kellaway', '2026-10-14', true],
    ]);
    const { code } = school.classes.get('N3')!.link;
    expect((await find(code.slice(0, -3).toUpperCase())).links.map((l) => l.code)).toEqual([code]);
  });
  it('keeps a teacher’s sessions and links to those who teach there', async () => {
    const bram = await school.as('Bram Osterholt');
    expect(await find('rigging', bram)).toEqual({ people: [], sessions: [], links: [] });
    expect((await find(school.classes.get('N3')!.link.code, bram)).links).toEqual([]);
    expect((await find('ansel gr', bram)).people[0]!.classes).toEqual([]);
  });
  it('takes wildcards for the letters they are, and wants two letters', async () => {
    expect((await find('%%')).people).toEqual([]);
    expect((await find('__')).people).toEqual([]);
    expect((await find('a')).people).toEqual([]);
  });
});

describe('an invitation', () => {
  it('says what the next session is, and the rules in force', async () => {
    const n3 = school.classes.get('N3')!;
    const invitation = (await host.get(`/api/links/${n3.link.id}/invitation`))
      .body as Answer<'invitation'>;
    expect(invitation).toMatchObject({
      title: 'Coastal Navigation, period 3',
      host: 'Ottoline Marsh',
      address: n3.link.address,
      phoneNumber: null,
      rules: { whoMayEnter: 'roll' },
      next: { date: '2026-10-14', time: '10:45', zone: 'America/Halifax', version: 1 },
    });
    expect(invitation.next!.uid).toMatch(/^session-\d+-2026-10-14@127\.0\.0\.1$/);
  });
  it('has no next session where none is planned', async () => {
    await school.setTime('08:00', '2027-08-01');
    expect(
      (await host.get(`/api/links/${school.classes.get('N3')!.link.id}/invitation`)).body.next,
    ).toBeNull();
    await school.setTime('10:31');
  });
});
