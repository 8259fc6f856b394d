import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { linkTools, none } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

// Whoever leaves hands over all that they host, in one go.

let school: School;
let host: Browser;
let office: Browser;
let ids: { ottoline: number; bram: number; tomas: number };
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  office = await school.as('Perpetua Lund');
  const id = (name: string): number => school.person(name).id;
  ids = { ottoline: id('Ottoline Marsh'), bram: id('Bram Osterholt'), tomas: id('Tomas Verhage') };
});
afterEach(() => school.stop());

const hosted = async (by = host): Promise<Answer<'hosted'>> =>
  (await by.get(`/api/people/${ids.ottoline}/hosted`)).body;
const handOver = async (
  toOf: (classId: number) => number,
  { by = host, version }: { by?: Browser; version?: number } = {},
) => {
  const all = await hosted();
  const classes = all.classes.map(({ id }) => ({ classId: id, toId: toOf(id) }));
  const body = { version: version ?? all.version, classes };
  return by.post(`/api/people/${ids.ottoline}/hand-over`, body);
};

describe('all that somebody hosts', () => {
  it('goes over class period by class period, with links and groups that are theirs', async () => {
    const tools = linkTools(school, host);
    const n3 = tools.of('N3');
    const inN3 = async () => (await hosted()).classes.find((one) => one.id === n3.id)!;
    const { links } = await inN3();
    const alone = { ...none, hostIds: [ids.ottoline], hostedBy: 'named', guests: [] };
    const link = await tools.make('N3', { kind: 'one-to-one' });
    const { version } = await tools.read(link.id);
    await host.put(`/api/links/${link.id}/audience`, { version, ...alone });
    expect(await inN3()).toMatchObject({ as: 'host', links: links + 1, isOnlyHost: true });
    const done = await handOver((id) => (id === n3.id ? ids.tomas : ids.bram));
    expect([done.status, done.body.classes]).toEqual([200, []]);
    const [bram, tomas] = [await school.as('Bram Osterholt'), await school.as('Tomas Verhage')];
    const { staff } = (await tomas.get(`/api/classes/${n3.id}`)).body as Answer<'classPeriod'>;
    expect(staff.filter((one) => one.as === 'host').map((one) => one.name)).toEqual([
      'Tomas Verhage',
    ]);
    expect((await tomas.get(`/api/links/${link.id}/desk`)).status).toBe(200);
    expect((await host.get(`/api/links/${link.id}/desk`)).status).toBe(403);
    expect((await host.get(`/api/classes/${n3.id}`)).status).toBe(403);
    expect((await bram.get(`/api/links/${tools.of('W2').link.id}/desk`)).status).toBe(200);
    const told = await school.running.glen.db.models.Notice.count({
      where: { person_id: ids.bram, title: 'You host what was somebody else’s' },
    });
    expect(told).toBe(1);
    // What waits to be posted goes out in the name of whoever hosts now.
    const { posts } = (await tomas.get(`/api/classes/${n3.id}/posts`)).body as Answer<'posts'>;
    expect(JSON.stringify(posts)).not.toContain('no longer hosts');
    // Nobody is left without a host, and whoever has handed over can leave.
    const { version: now } = (await office.get(`/api/people/${ids.ottoline}`)).body.person;
    const retired = await office.post(`/api/people/${ids.ottoline}/retire`, { version: now });
    expect(retired.status).toBe(200);
  });
  it('is not given to nobody, to oneself, or twice over by two at once', async () => {
    const path = async (toId: number): Promise<unknown> => {
      const { status, body } = await handOver(() => toId);
      return status === 422 ? body.errors[0].path : status;
    };
    expect(await path(ids.ottoline)).toBe('classes.0.toId');
    expect(await path(school.person('Ansel Grue').id)).toBe('classes.0.toId');
    const { version } = await hosted();
    expect((await handOver(() => ids.bram, { by: office })).status).toBe(200);
    const late = await host.post(`/api/people/${ids.ottoline}/hand-over`, {
      version,
      classes: [{ classId: school.classes.get('N3')!.id, toId: ids.tomas }],
    });
    expect(late.status).toBe(409);
  });
  it('is handed over by themselves, the head and the office alone', async () => {
    const tomas = await school.as('Tomas Verhage');
    expect((await tomas.get(`/api/people/${ids.ottoline}/hosted`)).status).toBe(403);
    expect((await handOver(() => ids.tomas, { by: tomas })).status).toBe(403);
    const s4 = (await (await school.as('Bram Osterholt')).get('/api/classes')).body.classes.find(
      (one: { mine: string }) => one.mine === 'host',
    );
    const { version } = await hosted();
    const classes = [{ classId: s4.id, toId: ids.tomas }];
    const foreign = await host.post(`/api/people/${ids.ottoline}/hand-over`, { version, classes });
    expect([foreign.status, foreign.body.errors[0].path]).toEqual([422, 'classes.0.classId']);
  });
});
