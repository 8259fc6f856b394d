import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail } from '@glen/contract';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let coTeacher: Browser;
let tools: LinkTools;
let ottoline: number;
let tomas: number;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  coTeacher = await school.as('Tomas Verhage');
  tools = linkTools(school, host);
  ottoline = school.person('Ottoline Marsh').id;
  tomas = school.person('Tomas Verhage').id;
});
afterAll(() => school.stop());

/** A one-to-one of a student’s with the host alone. */
const alone = (more: object = {}): Promise<LinkDetail> =>
  tools.make('N3', {
    kind: 'one-to-one',
    preset: 'one-to-one',
    audience: {
      ...none,
      personIds: [school.person('Ansel Grue').id],
      hostIds: [ottoline],
      hostedBy: 'named',
      ...more,
    },
  });

const setHosts = (link: LinkDetail, audience: object, by = host) =>
  by.put(`/api/links/${link.id}/audience`, { ...none, version: link.version, ...audience });

describe('a link that is hosted by those alone who are named at it', () => {
  it('lets in no other teacher of its class period, and is not theirs to open or change', async () => {
    const link = await alone();
    await tools.openAndBeIn(link.id);
    const door = await tools.door(coTeacher, link.code);
    expect(door.hosts).toBe(false);
    expect(door.decision.role).not.toBe('host');
    const visiting = await tools.door(await school.as('Signe Aalto'), link.code);
    expect(visiting.decision.role).not.toBe('presenter');
    const tries: [method: 'get' | 'post' | 'put', path: string][] = [
      ['get', `/api/links/${link.id}/desk`],
      ['post', `/api/links/${link.id}/open`],
      ['post', `/api/links/${link.id}/let-all-in`],
      ['put', `/api/links/${link.id}/rules`],
      ['get', `/api/links/${link.id}/guests`],
      ['post', `/api/links/${link.id}/stop`],
    ];
    for (const [method, path] of tries) {
      const answer = await coTeacher[method](path, {});
      expect([path, answer.status]).toEqual([path, 403]);
      expect(answer.body.title).toBe('This link is hosted by those alone who are named at it.');
    }
    expect((await setHosts(link, { hostIds: [tomas] }, coTeacher)).status).toBe(403);
    expect((await host.get(`/api/links/${link.id}/desk`)).status).toBe(200);
    await tools.end(link.id);
  });
  it('is planned, changed, ruled and posted by nobody who is left out', async () => {
    const link = await alone();
    const { id } = tools.of('N3');
    const plan = { first: '2026-10-20', at: { time: '15:40', minutes: 20 } };
    const talk = { title: 'A talk apart', description: '', linkId: link.id, plan, anyway: true };
    const theirs = await coTeacher.post(`/api/classes/${id}/sessions`, talk);
    expect([theirs.status, theirs.body.errors[0].path]).toEqual([422, 'linkId']);
    const made = await host.post(`/api/classes/${id}/sessions`, talk);
    const { seriesId, version, key } = (made.body as Answer<'addSession'>).session;
    const rules = { version, rules: { whoMayEnter: 'anyone', straightIn: 'everyone' } };
    expect((await coTeacher.put(`/api/series/${seriesId}/rules`, rules)).status).toBe(403);
    const change = { seriesId, version, key, scope: 'one', change: { kind: 'cancel' } };
    const called = await coTeacher.post('/api/sessions/change', { changes: [change] });
    expect(called.status).toBe(403);
    const posted = await coTeacher.post(`/api/classes/${id}/posts`, {
      words: 'Come',
      linkWords: 'Join {title}',
      places: [{ classId: id, linkId: link.id, kind: 'stream' }],
    });
    expect([posted.status, posted.body.errors[0].path]).toEqual([422, 'places.0.linkId']);
    expect((await host.post('/api/sessions/change', { changes: [change] })).status).toBe(200);
  });
  it('is told so: who hosts it, and that nobody presents by the class period', async () => {
    const link = await alone();
    expect(link).toMatchObject({ hostedBy: 'named', mayEdit: true });
    const seen = (await coTeacher.get(`/api/links/${link.id}`)).body as LinkDetail;
    expect(seen).toMatchObject({ hostedBy: 'named', mayEdit: false });
    const rules = (await host.get(`/api/links/${link.id}/rules`)).body as Answer<'rules'>;
    expect([rules.hosts, rules.presenters]).toEqual([['Ottoline Marsh'], []]);
    expect(rules.leftOut.toSorted()).toEqual(['Signe Aalto', 'Tomas Verhage']);
    expect(rules.setting.namedCount).toBe(0);
    const theirs = await coTeacher.get(`/api/links/${link.id}/rules`);
    expect([rules.mayEdit, (theirs.body as Answer<'rules'>).mayEdit]).toEqual([true, false]);
    const tried = await host.post(`/api/links/${link.id}/try`, {
      accountId: school.person('Tomas Verhage').accounts[0]!.id,
    });
    expect((tried.body as Answer<'tryDoor'>).hosts).toBe(false);
  });
  it('stands in no day but theirs', async () => {
    const link = await alone();
    const { id } = tools.of('N3');
    const plan = { first: '2026-10-14', at: { time: '15:40', minutes: 20 } };
    const body = { title: 'A talk', description: '', linkId: link.id, plan, anyway: true };
    expect((await host.post(`/api/classes/${id}/sessions`, body)).status).toBe(200);
    const titles = async (who: Browser) =>
      ((await who.get('/api/today')).body as Answer<'today'>).sessions.map((s) => s.title);
    expect(await titles(host)).toContain('A talk');
    expect(await titles(coTeacher)).not.toContain('A talk');
  });
  it('is its class period’s again when nobody who hosts that is named any more', async () => {
    const link = await alone({ hostIds: [tomas] });
    expect((await host.get(`/api/links/${link.id}/desk`)).status).toBe(403);
    const office = await school.as('Perpetua Lund');
    const { version } = ((await office.get(`/api/people/${tomas}`)).body as Answer<'person'>)
      .person;
    const retired = await office.post(`/api/people/${tomas}/retire`, { version });
    expect(retired.status).toBe(200);
    expect((await host.get(`/api/links/${link.id}/desk`)).status).toBe(200);
    expect((await tools.door(host, link.code)).hosts).toBe(true);
    const back = { version: (retired.body as Answer<'retirePerson'>).person.version };
    expect((await office.post(`/api/people/${tomas}/bring-back`, back)).status).toBe(200);
    expect((await host.get(`/api/links/${link.id}/desk`)).status).toBe(403);
    coTeacher = await school.as('Tomas Verhage');
  });
  it('names one of its class period’s hosts, and is never the whole class period’s own', async () => {
    const link = await alone();
    const wrong = async (at: LinkDetail, audience: object): Promise<string> => {
      const answer = await setHosts(at, { hostedBy: 'named', ...audience });
      expect(answer.status).toBe(422);
      return answer.body.errors[0].path;
    };
    expect(await wrong(link, { hostIds: [] })).toBe('hostIds');
    expect(await wrong(link, { hostIds: [school.person('Idris Kellaway').id] })).toBe('hostIds');
    const main = await tools.read(tools.of('N3').link.id);
    const everybody = { classIds: [tools.of('N3').id], hostIds: [ottoline] };
    expect(await wrong(main, everybody)).toBe('hostedBy');
    const given = await setHosts(link, { hostIds: [], hostedBy: 'class' });
    expect(given.status).toBe(200);
    expect((await tools.door(coTeacher, link.code)).hosts).toBe(true);
  });
});
