import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ON_BEHALF, type Answer } from '@glen/contract';
import { startSchool, type Browser, type School } from './support.js';

// Somebody acts on a teacher's behalf: in what, and as long as, the teacher lets them; both names stand under it.

let school: School;
let host: Browser;
let office: Browser;
let ids: { ottoline: number; perpetua: number; n3: number; link: number };
beforeEach(async () => {
  school = await startSchool();
  // The demo's own permission would do what these are to show.
  await school.running.glen.db.models.Helper.destroy({ where: {} });
  host = await school.as('Ottoline Marsh');
  office = await school.as('Perpetua Lund');
  const { id, link } = school.classes.get('N3')!;
  ids = {
    ottoline: school.person('Ottoline Marsh').id,
    perpetua: school.person('Perpetua Lund').id,
    n3: id,
    link: link.id,
  };
});
afterEach(() => school.stop());

const MAY = { schedules: true, posts: true, prepares: true };
const allow = (may: Partial<typeof MAY> & { until?: string } = MAY, helperId = ids.perpetua) =>
  host.post('/api/helping', {
    ...{ helperId, schedules: false, posts: false, prepares: false },
    ...may,
  });
/** The same browser, on somebody's behalf. */
const onBehalf = (browser: Browser, forId = ids.ottoline): Browser =>
  browser.with({ [ON_BEHALF]: String(forId) });

const SESSION = {
  title: 'Prepared',
  description: '',
  plan: { first: '2026-10-20', at: { time: '16:40', minutes: 20 } },
  anyway: true,
};
const schedule = (browser: Browser) => browser.post(`/api/classes/${ids.n3}/sessions`, SESSION);
const setRules = async (browser: Browser) => {
  const { version } = (await host.get(`/api/classes/${ids.n3}/rules`)).body;
  return browser.put(`/api/classes/${ids.n3}/rules`, { version, rules: { capacity: 40 } });
};
const post = (browser: Browser) =>
  browser.post(`/api/classes/${ids.n3}/posts`, {
    words: 'Bring dividers',
    linkWords: 'Join {title}',
    places: [{ classId: ids.n3, linkId: ids.link, kind: 'stream' }],
  });

describe('on behalf of a teacher', () => {
  it('one schedules, posts and prepares as they would, and both names stand under it', async () => {
    expect((await schedule(office)).status).toBe(403);
    await allow();
    const helper = onBehalf(office);
    expect((await schedule(helper)).status).toBe(200);
    expect((await post(helper)).status).toBe(200);
    expect((await setRules(helper)).status).toBe(200);
    const { entries } = (await office.get('/api/happened')).body as Answer<'happened'>;
    const mine = entries.filter((entry) => entry.helper === 'Perpetua Lund');
    expect(mine.map((entry) => entry.by?.name)).toEqual(mine.map(() => 'Ottoline Marsh'));
    expect(mine.length).toBeGreaterThanOrEqual(3);
    // The one who teaches is host; whoever prepared it is none.
    expect((await office.get(`/api/links/${ids.link}/desk`)).status).toBe(403);
    expect((await helper.get(`/api/links/${ids.link}/desk`)).status).toBe(403);
  });
  it('one does what one is let, and nothing else', async () => {
    await allow({ schedules: true });
    const helper = onBehalf(office);
    expect((await schedule(helper)).status).toBe(200);
    const refused = [await post(helper), await setRules(helper)];
    expect(refused.map(({ status }) => status)).toEqual([403, 403]);
    expect(refused[0]!.body.title).toBe('Ottoline Marsh has not asked you to post.');
    const others = await Promise.all([
      helper.post(`/api/links/${ids.link}/open`, {}),
      helper.put(`/api/classes/${ids.n3}/staff`, { version: 1, staff: [] }),
      helper.post('/api/covers', {}),
      helper.post('/api/helping', {}),
    ]);
    expect(others.map(({ status }) => status)).toEqual([403, 403, 403, 403]);
  });
  it('what is said last counts', async () => {
    await allow();
    const again = (await allow({ posts: true })).body as Answer<'helping'>;
    expect(again.forMe).toMatchObject([{ schedules: false, posts: true, prepares: false }]);
    expect((await schedule(onBehalf(office))).status).toBe(403);
  });
  it('one names not oneself: whoever prepares is host nowhere', async () => {
    await allow();
    const helper = onBehalf(office);
    const named = { personId: ids.perpetua, takesOver: true };
    const presents = await helper.post(`/api/links/${ids.link}/presenters`, named);
    expect([presents.status, presents.body.errors[0].path]).toEqual([422, 'personId']);
    const audience = { classIds: [ids.n3], groupIds: [], personIds: [], guests: [] };
    const link = { label: 'Mine', purpose: 'Talks', kind: 'lesson', shown: true };
    const hosts = { hostIds: [ids.perpetua], hostedBy: 'class' };
    const made = await helper.post(`/api/classes/${ids.n3}/links`, {
      ...link,
      audience: { ...audience, ...hosts },
    });
    expect([made.status, made.body.errors[0].path]).toEqual([422, 'audience.hostIds']);
  });
  it('one reads what they read, as a teacher and nothing more', async () => {
    await allow();
    const { classes } = (await onBehalf(office).get('/api/classes')).body as Answer<'classes'>;
    const theirs = (await host.get('/api/classes')).body as Answer<'classes'>;
    expect(classes.map((one) => one.id)).toEqual(theirs.classes.map((one) => one.id));
    const head = school.person('Noor Achterberg').id;
    const noor = await school.as('Noor Achterberg');
    const may = { helperId: ids.ottoline, ...MAY };
    expect((await noor.post('/api/helping', may)).status).toBe(200);
    const forHead = onBehalf(host, head);
    expect((await forHead.get('/api/classes')).body.classes).not.toHaveLength(
      (await noor.get('/api/classes')).body.classes.length,
    );
    expect((await forHead.get('/api/people')).status).toBe(403);
  });
  it('one may no longer when it is taken back, or its last day is over', async () => {
    const made = await allow({ ...MAY, until: '2026-10-15' });
    const { forMe } = made.body as Answer<'helping'>;
    expect(forMe).toMatchObject([{ helper: { name: 'Perpetua Lund' }, until: '2026-10-15' }]);
    const { byMe } = (await office.get('/api/helping')).body as Answer<'helping'>;
    expect(byMe).toMatchObject([{ teacher: { name: 'Ottoline Marsh' } }]);
    const helper = onBehalf(office);
    await school.setTime('10:31', '2026-10-16');
    expect((await schedule(helper)).status).toBe(403);
    await school.setTime('10:31', '2026-10-14');
    expect((await schedule(helper)).status).toBe(200);
    await host.post(`/api/helping/${forMe[0]!.id}/end`);
    const late = await schedule(helper);
    expect([late.status, late.body.title]).toEqual([
      403,
      'You may not act on their behalf, or no longer. Nothing was changed.',
    ]);
    expect((await helper.get('/api/classes')).status).toBe(403);
  });
  it('one is let by oneself alone, of the staff, to do something, for days to come; either ends it', async () => {
    const path = async (answer: Promise<{ status: number; body: unknown }>): Promise<unknown> => {
      const { status, body } = await answer;
      return status === 422 ? (body as { errors: { path: string }[] }).errors[0]!.path : status;
    };
    expect(await path(allow(MAY, ids.ottoline))).toBe('helperId');
    expect(await path(allow(MAY, school.person('Ansel Grue').id))).toBe('helperId');
    expect(await path(allow({}))).toBe('schedules');
    expect(await path(allow({ ...MAY, until: '2026-10-13' }))).toBe('until');
    const { forMe } = (await allow()).body as Answer<'helping'>;
    const tomas = await school.as('Tomas Verhage');
    expect((await tomas.post(`/api/helping/${forMe[0]!.id}/end`)).status).toBe(404);
    expect((await office.post(`/api/helping/${forMe[0]!.id}/end`)).body.byMe).toEqual([]);
    expect((await onBehalf(tomas).get('/api/classes')).status).toBe(403);
    expect((await onBehalf(await school.as('Ansel Grue')).get('/api/me')).status).toBe(200);
  });
});
