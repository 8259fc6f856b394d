import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { postTools } from './postTools.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let student: Browser;

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  student = await school.as('Caspian Holloway');
});
afterEach(() => school.stop());

const n3 = () => school.classes.get('N3')!;
const page = async (): Promise<Answer<'classPeriod'>> =>
  (await host.get(`/api/classes/${n3().id}`)).body;
const putAway = async (version?: number) =>
  host.post(`/api/classes/${n3().id}/put-away`, { version: version ?? (await page()).version });
const bringBack = async () =>
  host.post(`/api/classes/${n3().id}/bring-back`, { version: (await page()).version });
const door = async (browser: Browser) =>
  (await browser.get(`/api/door/${n3().link.code}`)).body as Answer<'door'>;
const toCome = async () =>
  (await page()).sessions.filter((s) => s.date > '2026-10-14').map((s) => `${s.date} ${s.time}`);
const listed = async (): Promise<{ on: boolean; away: boolean }> => {
  const { classes, putAway: away } = (await host.get('/api/classes')).body as Answer<'classes'>;
  const has = (list: { id: number }[]) => list.some((c) => c.id === n3().id);
  return { on: has(classes), away: has(away) };
};

describe('a class period that is put away', () => {
  it('says first what that touches', async () => {
    const { body } = await host.get(`/api/classes/${n3().id}/put-away`);
    expect(body).toMatchObject({ isRunning: false });
    expect(body.sessions).toBeGreaterThan(10);
    expect(body.links).toBeGreaterThan(0);
  });

  it('is off the lists and the plan, its door is over, and what was held stays', async () => {
    const held = (await page()).sessions.filter((s) => s.date < '2026-10-14').length;
    expect((await putAway()).status).toBe(200);
    expect(await listed()).toEqual({ on: false, away: true });
    expect(await toCome()).toEqual([]);
    expect((await page()).sessions.filter((s) => s.date < '2026-10-14')).toHaveLength(held);
    expect(await door(student)).toMatchObject({
      isOver: true,
      decision: { outcome: 'refused', reason: 'link-retired' },
    });
    const { doors } = (await student.get('/api/my-day')).body;
    expect(JSON.stringify(doors)).not.toContain(n3().link.code);
  });

  it('comes back with its link, its lessons and its own words for single dates', async () => {
    const [before, code] = [await toCome(), n3().link.code];
    await putAway();
    expect((await bringBack()).body.class.link).toMatchObject({ code, state: 'live' });
    expect(await listed()).toEqual({ on: true, away: false });
    expect(await toCome()).toEqual(before);
    expect((await door(student)).isOver).toBe(false);
  });

  it('keeps a link stopped that had been stopped before', async () => {
    const { links } = (await host.get(`/api/classes/${n3().id}/links`)).body;
    const other = links.find((l: { id: number }) => l.id !== n3().link.id);
    await host.post(`/api/links/${other.id}/stop`, { version: other.version });
    await putAway();
    await bringBack();
    expect((await host.get(`/api/links/${other.id}`)).body.state).toBe('retired');
  });

  it('takes its posts down, and puts them back with it', async () => {
    const posts = postTools(school, host);
    const { id } = await posts.post('N3', {
      words: 'All year: {link}',
      linkWords: 'our door',
      places: [posts.stream('N3')],
    });
    await posts.reach(id, (p) => p.state === 'out' && posts.settled(p));
    await putAway();
    await posts.pageShows('nav-3', (text) => !text.includes('All year'));
    await bringBack();
    await posts.pageShows('nav-3', (text) => text.includes('All year'));
  });

  it('takes no change until it is brought back', async () => {
    const [{ version }, { id }] = [await page(), n3()];
    await putAway();
    const plan = { first: '2026-10-20', at: { time: '16:00', minutes: 30 } };
    const refused = [
      await host.post(`/api/classes/${id}/sessions`, { title: 'X', description: '', plan }),
      await host.put(`/api/classes/${id}/rules`, { version, rules: {} }),
      await host.post(`/api/links/${n3().link.id}/reopen`, { version: 1 }),
      await host.post(`/api/links/${n3().link.id}/open`),
      await putAway(),
    ];
    expect(refused.map((r) => r.status)).toEqual([409, 409, 409, 409, 409]);
    expect(refused[0]!.body.title).toContain('bring it back first');
  });

  it('is shown as it was, with nothing to change, and its links are on no list', async () => {
    await putAway();
    const { id, link } = n3();
    const shown = await Promise.all(
      ['rules', 'groups', 'links'].map((what) => host.get(`/api/classes/${id}/${what}`)),
    );
    expect(shown.map((r) => r.body.mayEdit)).toEqual([false, false, false]);
    expect((await host.get(`/api/links/${link.id}`)).body.mayEdit).toBe(false);
    const { links } = (await host.get('/api/links')).body as Answer<'links'>;
    expect(links.some((l) => l.classId === id)).toBe(false);
  });

  it('still tells at its door what it is, and lets its posts be looked after', async () => {
    await putAway();
    const tried = await host.post(`/api/links/${n3().link.id}/try`, {});
    expect(tried.body.decision.reason).toBe('link-retired');
    expect((await host.post(`/api/classes/${n3().id}/look`)).status).toBe(200);
  });

  it('is nowhere to copy a series to, or to bring to another door', async () => {
    await putAway();
    const r5 = school.classes.get('R5')!;
    const { sessions } = (await host.get(`/api/classes/${r5.id}`)).body as Answer<'classPeriod'>;
    const copied = await host.post(`/api/series/${sessions[0]!.seriesId}/copy`, {
      classIds: [n3().id],
    });
    const shared = await host.post(`/api/links/${r5.link.id}/share`, {
      classId: n3().id,
      ownDoor: 'leads',
    });
    expect([copied.status, shared.status]).toEqual([403, 422]);
  });

  it('meets at another class period’s door no longer, and again once it is back', async () => {
    const n1 = school.classes.get('N1')!;
    const share = { classId: n3().id, ownDoor: 'leads' };
    expect((await host.post(`/api/links/${n1.link.id}/share`, share)).status).toBe(200);
    await school.setTime('08:41', '2026-10-16');
    const there = async () =>
      ((await student.get(`/api/door/${n1.link.code}`)).body as Answer<'door'>).decision.reason;
    const before = await there();
    expect(before).not.toBe('not-on-roll');
    await putAway();
    expect(await there()).toBe('not-on-roll');
    await bringBack();
    expect(await there()).toBe(before);
  });

  it('cannot be while its door is open', async () => {
    await school.setTime('10:46');
    await host.post(`/api/links/${n3().link.id}/open`);
    const { body: facts } = await host.get(`/api/classes/${n3().id}/put-away`);
    expect(facts.isRunning).toBe(true);
    const { status, body } = await putAway();
    expect({ status, title: body.title }).toEqual({
      status: 409,
      title: 'Its door is open just now. End the session first.',
    });
    await host.post(`/api/links/${n3().link.id}/close-room`);
    expect((await putAway()).status).toBe(200);
  });

  it('can be the day after, though a room never said that its people have left', async () => {
    await school.setTime('10:46');
    await host.post(`/api/links/${n3().link.id}/open`);
    const { body: desk } = await host.get(`/api/links/${n3().link.id}/desk`);
    await school.running.glen.db.change(
      'UPDATE visitors SET inside = 1 WHERE sitting_id IN (SELECT id FROM sittings WHERE link_id = :id)',
      { id: desk.link.id },
    );
    await school.setTime('20:00');
    expect((await putAway()).status).toBe(409);
    await school.setTime('08:00', '2026-10-15');
    expect((await putAway()).status).toBe(200);
  });

  it('is put away by one of two, and the other is shown how it stands', async () => {
    const { version } = await page();
    await host.put(`/api/classes/${n3().id}`, {
      version,
      title: 'Navigation by the stars',
      period: '3',
      pennant: n3().pennant,
    });
    const { status, body } = await putAway(version);
    expect(status).toBe(409);
    expect(body.current.class.title).toBe('Navigation by the stars');
  });

  it('follows a calendar that was changed meanwhile as it comes back', async () => {
    await putAway();
    const head = await school.as('Noor Achterberg');
    const { version, calendar, region } = (await head.get('/api/school/calendar')).body;
    const closed = {
      name: 'Spring tide',
      first: '2026-10-19',
      last: '2026-10-23',
      kind: 'holiday',
    };
    const changed = await head.put('/api/school/calendar', {
      version,
      region,
      calendar: { ...calendar, closures: [...calendar.closures, closed] },
    });
    expect(changed.status).toBe(200);
    await bringBack();
    const inWeek = (await page()).sessions.filter(
      (s) => s.date >= closed.first && s.date <= closed.last && s.status !== 'skipped',
    );
    expect(inWeek).toEqual([]);
  });
});

describe('a class period made like another', () => {
  const copy = (takes: object) =>
    host.post(`/api/classes/${n3().id}/copy`, { title: 'Night Navigation', period: '7', takes });

  it('takes what was asked for, and has a link of its own', async () => {
    const from = await page();
    const { body } = await copy({ roll: true, teachers: true, rules: false });
    const made = (await host.get(`/api/classes/${body.class.id}`)).body as Answer<'classPeriod'>;
    expect(made.class).toMatchObject({
      title: 'Night Navigation',
      period: '7',
      mine: 'host',
      rollSize: from.class.rollSize,
    });
    expect(made.class.link.code).not.toBe(from.class.link.code);
    expect(made.staff.map((s) => `${s.id} ${s.as}`).sort()).toEqual(
      from.staff.map((s) => `${s.id} ${s.as}`).sort(),
    );
    expect(made.sessions).toEqual([]);
  });

  it('has nobody but its maker where nothing is taken', async () => {
    const { body } = await copy({ roll: false, teachers: false, rules: false });
    const made = (await host.get(`/api/classes/${body.class.id}`)).body as Answer<'classPeriod'>;
    expect(made.roll).toEqual([]);
    expect(made.staff).toMatchObject([{ name: 'Ottoline Marsh', as: 'host' }]);
  });

  it('says what is wrong beside the title', async () => {
    const { status, body } = await host.post(`/api/classes/${n3().id}/copy`, {
      title: ' ',
      period: null,
      takes: { roll: false, teachers: false, rules: false },
    });
    expect({ status, path: body.errors[0].path }).toEqual({ status: 422, path: 'title' });
  });
});
