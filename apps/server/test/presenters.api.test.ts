import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail, Session } from '@glen/contract';
import { linkTools, type LinkTools } from './linkTools.js';
import { moves, roomOf } from './roomTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let idris: Browser;
let tools: LinkTools;
let idrisId: number;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  idris = await school.as('Idris Kellaway');
  tools = linkTools(school, host);
  idrisId = school.person('Idris Kellaway').id;
});
afterAll(() => school.stop());

const name = (link: LinkDetail, more: object = {}, by = host) =>
  by.post(`/api/links/${link.id}/presenters`, { personId: idrisId, ...more });

/** A link of its own with three days of talks from the day of the demo on, at this very time. */
async function talks(): Promise<{ link: LinkDetail; dates: [Session, Session, Session] }> {
  const { id } = tools.of('N3');
  const link = await tools.make('N3', {});
  const plan = {
    first: '2026-10-14',
    at: { time: '10:20', minutes: 60 },
    repeat: { every: 'day', times: 3 },
  };
  const body = { title: 'Talks', description: '', linkId: link.id, plan, anyway: true };
  expect((await host.post(`/api/classes/${id}/sessions`, body)).status).toBe(200);
  const page = (await host.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
  const dates = page.sessions.filter((session) => session.linkId === link.id);
  return { link, dates: dates as [Session, Session, Session] };
}

const decided = async (link: LinkDetail) => (await tools.door(idris, link.code)).decision;
const daysTalks = async (): Promise<number> => {
  const { sessions } = (await idris.get('/api/today')).body as Answer<'today'>;
  return sessions.filter((session) => session.title === 'Talks').length;
};

describe('somebody who is named to present at a link', () => {
  it('at one date presents then, and finds that date alone in their day', async () => {
    const { link, dates } = await talks();
    const [today] = dates;
    const named = await name(link, { seriesId: today.seriesId, key: today.key });
    expect((named.body as LinkDetail).presenters).toMatchObject([
      { name: 'Idris Kellaway', words: 'on Wed 14 Oct' },
    ]);
    await tools.openAndBeIn(link.id);
    expect(await decided(link)).toMatchObject({ role: 'presenter' });
    expect(await daysTalks()).toBe(1);
    await tools.end(link.id);
    await school.setTime('10:31', '2026-10-15');
    await tools.openAndBeIn(link.id);
    expect((await decided(link)).role).not.toBe('presenter');
    expect(await daysTalks()).toBe(0);
    await tools.end(link.id);
    await school.setTime('10:31', '2026-10-14');
  });
  it('is told once, and once more when they do no longer', async () => {
    const { link } = await talks();
    const made = (await name(link)).body as LinkDetail;
    const notes = async (): Promise<string> =>
      JSON.stringify(((await idris.get('/api/today')).body as Answer<'today'>).notes);
    expect(await notes()).toContain('You are to present');
    const { id: presenterId } = made.presenters[0]!;
    const gone = await host.post(`/api/links/${link.id}/presenters/remove`, { presenterId });
    expect((gone.body as LinkDetail).presenters).toEqual([]);
    expect(await notes()).toContain('You present no longer');
    await tools.openAndBeIn(link.id);
    expect((await decided(link)).role).not.toBe('presenter');
    await tools.end(link.id);
  });
  it('of a series stays so on both sides of a cut, and has it back with everything when retired for a while', async () => {
    const { link, dates } = await talks();
    const { seriesId, key, version, plan } = dates[1];
    await name(link, { seriesId });
    const words = { title: 'Other talks', description: '', linkId: link.id, anyway: true };
    const cut = { ...words, plan, version, key, scope: 'onwards' };
    expect((await host.put(`/api/series/${seriesId}`, cut)).status).toBe(200);
    const wordsNow = async () =>
      (await tools.read(link.id)).presenters.map((one) => one.words).toSorted();
    const both = ['at every date of Other talks', 'at every date of Talks'];
    expect(await wordsNow()).toEqual(both);
    const office = await school.as('Perpetua Lund');
    const versionOf = async () =>
      ((await office.get(`/api/people/${idrisId}`)).body as Answer<'person'>).person.version;
    const retire = { version: await versionOf() };
    expect((await office.post(`/api/people/${idrisId}/retire`, retire)).status).toBe(200);
    expect(await wordsNow()).toEqual([]);
    const back = { version: await versionOf() };
    expect((await office.post(`/api/people/${idrisId}/bring-back`, back)).status).toBe(200);
    expect(await wordsNow()).toEqual(both);
    idris = await school.as('Idris Kellaway');
  });
  it('is one of the staff, once for the same, of a series that meets there', async () => {
    const { link } = await talks();
    const path = async (more: object): Promise<string> => {
      const answer = await name(link, more);
      expect(answer.status).toBe(422);
      return answer.body.errors[0].path;
    };
    expect(await path({ personId: school.person('Ansel Grue').id })).toBe('personId');
    expect(await path({ seriesId: 1 })).toBe('seriesId');
    expect(await path({ key: '2026-10-14' })).toBe('seriesId');
    expect((await name(link)).status).toBe(200);
    expect(await path({})).toBe('personId');
    expect((await name(link, {}, idris)).status).toBe(403);
  });
  it('on a weekday, or between dates, presents what is held on them, and follows what is moved', async () => {
    const { link, dates } = await talks();
    const wednesdays = await name(link, { weekday: 'WE', until: '2026-10-20' });
    expect((wednesdays.body as LinkDetail).presenters).toMatchObject([
      { words: 'on Wednesdays until Tue 20 Oct', weekday: 'WE', until: '2026-10-20' },
    ]);
    const presented = async (): Promise<string[]> => {
      const { dates: all } = (await host.get(`/api/classes/${tools.of('N3').id}/presenting`))
        .body as Answer<'presenting'>;
      return all.filter((one) => one.linkId === link.id).map((one) => one.date);
    };
    expect(await presented()).toEqual(['2026-10-14']);
    await tools.openAndBeIn(link.id);
    expect(await decided(link)).toMatchObject({ role: 'presenter' });
    await tools.end(link.id);
    // Thursday's talk is held on Wednesday of the week after instead: beyond what they are named for.
    const { seriesId, version, key } = dates[1];
    const move = async (date: string, of: number) => {
      const to = { kind: 'move', date, time: '10:20', minutes: 60 };
      const changes = [{ seriesId, version: of, key, scope: 'one', change: to }];
      const moved = await host.post('/api/sessions/change', { changes, anyway: true });
      expect(moved.status).toBe(200);
    };
    await move('2026-10-21', version);
    expect(await presented()).toEqual(['2026-10-14']);
    expect((await name(link, { weekday: 'WE' })).status).toBe(200);
    expect(await presented()).toEqual(['2026-10-14', '2026-10-21']);
  });
  it('has in their calendar what they present, and nothing else of that link', async () => {
    const { link, dates } = await talks();
    await name(link, { seriesId: dates[0].seriesId, key: dates[1].key });
    const { own } = (await idris.post('/api/feeds', {})).body as Answer<'feeds'>;
    const file = await idris.get(new URL(own.address!).pathname);
    // Lines of a calendar file are folded (RFC 5545, 3.1).
    const events = file.text.replaceAll('\r\n ', '').split('BEGIN:VEVENT').slice(1);
    const here = events.filter((event) => event.includes(link.code));
    expect(here.map((event) => /DTSTART[^\r\n]*:(\d{8})/.exec(event)?.[1])).toEqual(['20261015']);
  });
  it('is named by dates that can be, once for the same', async () => {
    const { link } = await talks();
    const bounds = { from: '2026-10-20', until: '2026-10-14' };
    const backwards = await name(link, bounds);
    expect([backwards.status, backwards.body.errors[0].path]).toEqual([422, 'until']);
    expect((await name(link, { weekday: 'XX' })).status).toBe(422);
    expect((await name(link, { weekday: 'TH' })).status).toBe(200);
    const again = await name(link, { weekday: 'TH', takesOver: true });
    expect([again.status, again.body.errors[0].path]).toEqual([422, 'personId']);
  });
});

describe('somebody who takes over', () => {
  const enter = (browser: Browser, link: LinkDetail) =>
    browser.post(`/api/door/${link.code}/enter`, {});
  const desk = (link: LinkDetail) => idris.get(`/api/links/${link.id}/desk`);

  it('opens, lets in and closes while no host is in, and stays host when one comes', async () => {
    const { link } = await talks();
    expect((await desk(link)).status).toBe(403);
    await name(link, { weekday: 'WE', takesOver: true });
    const rules = (await host.get(`/api/links/${link.id}/rules`)).body as Answer<'rules'>;
    expect(rules.takesOver).toEqual(['Idris Kellaway, on Wednesdays']);
    expect(await decided(link)).toMatchObject({ outcome: 'enter', role: 'host' });
    const room = roomOf((await enter(idris, link)).body.go);
    await moves(school, { room, type: 'arrived', name: 'Idris Kellaway' });
    expect((await desk(link)).status).toBe(200);
    const pupil = await school.as('Ansel Grue');
    expect((await enter(pupil, link)).body.decision.outcome).toBe('lobby');
    const { waiting } = (await desk(link)).body as Answer<'desk'>;
    expect((await idris.post(`/api/visitors/${waiting[0]!.id}/let-in`, {})).status).toBe(200);
    await enter(host, link);
    await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
    expect(await decided(link)).toMatchObject({ role: 'host' });
    expect((await idris.post(`/api/links/${link.id}/close-room`)).status).toBe(200);
    // Whoever ends it has ended it; the class period's own hosts may open it again.
    expect((await desk(link)).status).toBe(403);
    expect(await decided(link)).toMatchObject({ outcome: 'refused', reason: 'ended' });
  });
  it('does so from within, once the hosts have been gone for longer than a dropped line takes', async () => {
    const { link, dates } = await talks();
    const [{ seriesId, key }] = dates;
    await name(link, { seriesId, key, takesOver: true });
    const room = roomOf((await host.post(`/api/links/${link.id}/open`, { anyway: true })).body.go);
    await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
    expect((await enter(idris, link)).body.decision).toMatchObject({ role: 'presenter' });
    await moves(school, { room, type: 'arrived', name: 'Idris Kellaway' });
    await moves(school, { room, type: 'left', name: 'Ottoline Marsh' });
    expect((await desk(link)).status).toBe(403);
    await school.setTime('10:35');
    const { inside } = await until(
      async () => (await desk(link)).body as Partial<Answer<'desk'>>,
      (now) => now.inside !== undefined,
    );
    expect(inside).toMatchObject([{ name: 'Idris Kellaway', role: 'host' }]);
    const happened = await school.running.glen.db.rows<{ action: string }>(
      `SELECT action FROM audit_log ORDER BY id DESC LIMIT 1`,
    );
    expect(happened[0]!.action).toBe('take-over');
    await tools.end(link.id);
    await school.setTime('10:31');
  });
  it('does so in their hours alone, and nobody does who is only named to present', async () => {
    const { link } = await talks();
    await name(link, { weekday: 'TH', takesOver: true });
    expect((await decided(link)).role).not.toBe('host');
    await name(link);
    expect((await decided(link)).role).not.toBe('host');
    expect((await idris.post(`/api/links/${link.id}/open`, {})).status).toBe(403);
  });
});
