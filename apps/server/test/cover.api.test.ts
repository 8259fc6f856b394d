import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { followCovers } from '../src/features/cover/follow.js';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { moves, roomOf } from './roomTools.js';
import { startSchool, type Browser, type School } from './support.js';

// Somebody covers for a teacher: host wherever they are, from a day to a day, and no longer.

const TODAY = '2026-10-14';
const TOMORROW = '2026-10-15';

let school: School;
let host: Browser;
let bram: Browser;
let office: Browser;
let tools: LinkTools;
const idOf = (name: string): number => school.person(name).id;
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  bram = await school.as('Bram Osterholt');
  office = await school.as('Perpetua Lund');
  tools = linkTools(school, host);
});
afterEach(() => school.stop());

interface Saying {
  absent?: string;
  covering?: string;
  first?: string;
  last?: string;
  anyway?: boolean;
}
const bodyOf = ({
  absent = 'Ottoline Marsh',
  covering = 'Bram Osterholt',
  first = TODAY,
  last = first,
}: Saying) => ({ absentId: idOf(absent), coveringId: idOf(covering), first, last });
const cover = (saying: Saying = {}, by = host) =>
  by.post('/api/covers', { ...bodyOf(saying), anyway: saying.anyway ?? true });
/** Without the demo's own, of a day to come. */
const ours = (covers: Answer<'covers'>['covers']) =>
  covers.filter((one) => one.first !== '2026-10-20');
const coversOf = async (browser: Browser): Promise<Answer<'covers'>['covers']> =>
  ours((await browser.get('/api/covers')).body.covers);

const n3 = () => tools.of('N3');
const desk = async (browser: Browser): Promise<number> =>
  (await browser.get(`/api/links/${n3().link.id}/desk`)).status;
/** The clock of the school, and whatever covers make of it. */
async function at(date: string, time = '10:31'): Promise<void> {
  await school.setTime(time, date);
  await followCovers(school.running.glen);
}

describe('a cover', () => {
  it('makes whoever covers host everywhere that the absent teacher is, for its days', async () => {
    expect(await desk(bram)).toBe(403);
    expect((await cover({ last: TOMORROW })).status).toBe(200);
    expect(await desk(bram)).toBe(200);
    expect((await bram.post(`/api/links/${n3().link.id}/open`, { anyway: true })).status).toBe(200);
    const { sessions } = (await bram.get('/api/today')).body as Answer<'today'>;
    expect(sessions.filter((session) => session.classId === n3().id)).toHaveLength(1);
    const rules = (await host.get(`/api/classes/${n3().id}/rules`)).body as Answer<'rules'>;
    expect(rules.hosts).toContain('Bram Osterholt');
    await at(TOMORROW);
    expect(await desk(bram)).toBe(200);
    await at('2026-10-16');
    expect(await desk(bram)).toBe(403);
    expect(await desk(host)).toBe(200);
  });
  it('is of no day before its first, and ends when its end is said', async () => {
    await cover({ first: TOMORROW });
    expect(await desk(bram)).toBe(403);
    await at(TOMORROW, '00:00');
    expect(await desk(bram)).toBe(200);
    const [one] = await coversOf(host);
    expect(one).toMatchObject({ isOn: true, mayEnd: true, covering: { name: 'Bram Osterholt' } });
    expect((await bram.post(`/api/covers/${one!.id}/end`)).status).toBe(403);
    expect(ours((await host.post(`/api/covers/${one!.id}/end`)).body.covers)).toEqual([]);
    expect(await desk(bram)).toBe(403);
  });
  it('has whoever is in as host when it ends stay host until that session’s end', async () => {
    await cover();
    const { id: linkId } = n3().link;
    const room = roomOf((await bram.post(`/api/links/${linkId}/open`, { anyway: true })).body.go);
    await moves(school, { room, type: 'arrived', name: 'Bram Osterholt' });
    const [one] = await coversOf(host);
    await host.post(`/api/covers/${one!.id}/end`);
    expect(await desk(bram)).toBe(200);
    expect((await bram.get(`/api/classes/${n3().id}`)).status).toBe(403);
    expect((await bram.post(`/api/links/${linkId}/close-room`)).status).toBe(200);
    expect(await desk(bram)).toBe(403);
  });
  it('reaches what a link’s own hosts host alone', async () => {
    const link = await tools.make('N3', { kind: 'one-to-one' });
    const { version } = await tools.read(link.id);
    const alone = { ...none, hostIds: [idOf('Ottoline Marsh')], hostedBy: 'named', guests: [] };
    const set = await host.put(`/api/links/${link.id}/audience`, { version, ...alone });
    expect(set.status).toBe(200);
    await cover();
    expect((await bram.get(`/api/links/${link.id}/desk`)).status).toBe(200);
    // By name it is hosted as it was.
    expect((await tools.read(link.id)).hosts.map((one) => one.name)).toEqual(['Ottoline Marsh']);
    await at('2026-10-16');
    expect((await bram.get(`/api/links/${link.id}/desk`)).status).toBe(403);
  });
  it('leaves what was posted meanwhile to the class period’s host, so that it goes out later', async () => {
    await cover();
    const { id, link } = n3();
    const post = await bram.post(`/api/classes/${id}/posts`, {
      words: 'For Friday',
      linkWords: 'Join {title}',
      places: [{ classId: id, linkId: link.id, kind: 'stream' }],
      timing: { at: { date: '2026-10-16', time: '08:00' } },
    });
    expect(post.status).toBe(200);
    await at('2026-10-16', '07:00');
    const row = await school.running.glen.db.models.Post.findOne({
      where: { words: 'For Friday' },
    });
    expect(row!.made_by).toBe(idOf('Ottoline Marsh'));
  });
  it('is no way to stay: whoever covers names nobody less than themselves, and changes nothing that lasts', async () => {
    await cover();
    const { id, link } = n3();
    const me = idOf('Bram Osterholt');
    const pathOf = ({ status, body }: { status: number; body: Answer<'me'> | object }): unknown =>
      status === 422 ? (body as { errors: { path: string }[] }).errors[0]!.path : status;
    const groups = [{ name: 'Port', tutorId: me, members: [] }];
    const { version: ofGroups } = (await bram.get(`/api/classes/${id}/groups`)).body;
    const own = { label: 'Mine', purpose: 'Talks', kind: 'lesson', shown: true };
    const audience = { ...none, guests: [], hostIds: [me], hostedBy: 'class', classIds: [id] };
    expect(
      [
        await bram.post(`/api/links/${link.id}/presenters`, { personId: me, takesOver: true }),
        await bram.post(`/api/classes/${id}/links`, { ...own, audience }),
        await bram.put(`/api/classes/${id}/groups`, { version: ofGroups, groups }),
        await bram.put(`/api/classes/${id}/staff`, { version: 1, staff: [] }),
        await bram.post(`/api/classes/${id}/put-away`, { version: 1 }),
        await bram.post(`/api/links/${link.id}/share`, {}),
      ].map(pathOf),
    ).toEqual(['personId', 'audience.hostIds', 'groups', 403, 403, 403]);
  });
  it('of a cover covers for both', async () => {
    await cover({ absent: 'Bram Osterholt', covering: 'Idris Kellaway' }, office);
    const idris = await school.as('Idris Kellaway');
    expect(await desk(idris)).toBe(403);
    await cover();
    expect([await desk(bram), await desk(idris)]).toEqual([200, 200]);
  });
  it('of whoever presents there makes them host meanwhile, and presenter again', async () => {
    const signe = await school.as('Signe Aalto');
    expect(await desk(signe)).toBe(403);
    await cover({ covering: 'Signe Aalto' });
    expect(await desk(signe)).toBe(200);
    await at('2026-10-16');
    const { staff } = (await host.get(`/api/classes/${n3().id}`)).body as Answer<'classPeriod'>;
    expect(staff.find((one) => one.name === 'Signe Aalto')).toMatchObject({
      as: 'presenter',
      covers: null,
    });
  });
  it('leaves the class period’s own teachers as they are, whoever changes them meanwhile', async () => {
    await cover({ last: '2026-10-21' });
    const page = async () =>
      (await host.get(`/api/classes/${n3().id}`)).body as Answer<'classPeriod'>;
    const { staff, version } = await page();
    expect(staff.find((one) => one.name === 'Bram Osterholt')).toMatchObject({
      as: 'co-teacher',
      covers: { name: 'Ottoline Marsh', until: '2026-10-21', own: null },
    });
    const own = staff.filter((one) => one.covers === null);
    const next = own.filter((one) => one.as !== 'presenter');
    const body = { version, staff: next.map(({ id, as }) => ({ personId: id, as })) };
    expect((await host.put(`/api/classes/${n3().id}/staff`, body)).status).toBe(200);
    expect(await desk(bram)).toBe(200);
    expect((await page()).staff).toHaveLength(next.length + 1);
    await at('2026-10-22');
    expect((await page()).staff.map((one) => one.name)).not.toContain('Bram Osterholt');
  });
});

describe('before somebody covers', () => {
  it('it is shown what they would cover, and what of it they have no time for', async () => {
    const tried = (await host.post('/api/covers/try', bodyOf({}))).body as Answer<'tryCover'>;
    const times = tried.sessions.map((session) => session.time);
    expect(times).toContain('10:45');
    expect(times).toEqual(times.toSorted());
    const clashing = tried.sessions.filter((session) => session.clashes.length > 0);
    const refused = await cover({ anyway: false });
    expect(refused.status).toBe(clashing.length > 0 ? 409 : 200);
  });
  it('a session at the very hour of one of theirs clashes, and nothing of it is written unless it is said to', async () => {
    const own = [...school.classes.values()];
    const theirs = (await bram.get('/api/classes')).body.classes.find(
      (one: { mine: string }) => one.mine === 'host',
    );
    expect(own.length).toBeGreaterThan(0);
    const body = {
      title: 'At the same hour',
      description: '',
      plan: { first: TODAY, at: { time: '10:50', minutes: 30 } },
      anyway: true,
    };
    const made = await bram.post(`/api/classes/${theirs.id}/sessions`, body);
    expect(made.status).toBe(200);
    const tried = (await host.post('/api/covers/try', bodyOf({}))).body as Answer<'tryCover'>;
    const clash = tried.sessions.find((session) => session.time === '10:45')!;
    expect(clash.clashes.some((words) => words.endsWith(', 10:50'))).toBe(true);
    const refused = await cover({ anyway: false });
    expect([refused.status, refused.body.title]).toEqual([409, expect.stringContaining('clash')]);
    expect(await coversOf(host)).toEqual([]);
    expect((await cover()).status).toBe(200);
  });
  it('it is said by the teacher, the head or the office, of teachers, for days to come, once', async () => {
    const pathOf = async (saying: Saying, by = host): Promise<unknown> => {
      const { status, body } = await cover(saying, by);
      return status === 422 ? body.errors[0].path : status;
    };
    expect(await pathOf({}, bram)).toBe(403);
    expect(await pathOf({ covering: 'Ansel Grue' })).toBe('coveringId');
    expect(await pathOf({ absent: 'Ansel Grue' }, office)).toBe('absentId');
    expect(await pathOf({ covering: 'Ottoline Marsh' })).toBe('coveringId');
    expect(await pathOf({ first: TOMORROW, last: TODAY })).toBe('last');
    expect(await pathOf({ first: '2026-10-13' })).toBe('last');
    expect(await pathOf({}, office)).toBe(200);
    expect(await pathOf({ last: TOMORROW })).toBe('coveringId');
    expect((await bram.post('/api/covers/try', bodyOf({}))).status).toBe(403);
  });
  it('said twice at once it is one, and a draft of theirs is told to nobody', async () => {
    const both = await Promise.all([cover(), cover({}, office)]);
    expect(both.map(({ status }) => status).toSorted()).toEqual([200, 422]);
    expect(await coversOf(host)).toHaveLength(1);
    const theirs = (await bram.get('/api/classes')).body.classes.find(
      (one: { mine: string }) => one.mine === 'host',
    );
    const plan = { first: TODAY, at: { time: '11:50', minutes: 30 } };
    const draft = { title: 'A draft', description: '', draft: true, plan, anyway: true };
    expect((await bram.post(`/api/classes/${theirs.id}/sessions`, draft)).status).toBe(200);
    const tried = (await host.post('/api/covers/try', bodyOf({}))).body as Answer<'tryCover'>;
    expect(JSON.stringify(tried)).not.toContain('11:50');
  });
  it('those whom it is about know of it, and whom it is not about do not', async () => {
    await cover({ first: TOMORROW }, office);
    expect(await coversOf(bram)).toHaveLength(1);
    expect(await coversOf(office)).toHaveLength(1);
    const idris = await school.as('Idris Kellaway');
    expect(await coversOf(idris)).toEqual([]);
    const [one] = await coversOf(host);
    expect((await idris.post(`/api/covers/${one!.id}/end`)).status).toBe(404);
    const told = async (browser: Browser): Promise<string> =>
      JSON.stringify(((await browser.get('/api/today')).body as Answer<'today'>).notes);
    expect(await told(bram)).toContain('You cover for Ottoline Marsh');
    expect(await told(host)).toContain('Bram Osterholt covers for you');
  });
});
