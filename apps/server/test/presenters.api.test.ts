import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail, Session } from '@glen/contract';
import { linkTools, type LinkTools } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

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
});
