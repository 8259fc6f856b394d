import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ClassItem, Session } from '@glen/contract';
import { changeDate, startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let n1: ClassItem;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  n1 = school.classes.get('N1')!;
});
afterAll(() => school.stop());

const body = (more: object = {}) => ({
  title: 'Tidal streams',
  description: '',
  plan: { first: '2026-10-20', at: { time: '16:00', minutes: 45 } },
  ...more,
});
const add = async (more: object = {}): Promise<Session> =>
  (await host.post(`/api/classes/${n1.id}/sessions`, body(more))).body.session;
const errorsOf = async (more: object) => {
  const { status, body: problem } = await host.post(`/api/classes/${n1.id}/sessions`, body(more));
  expect(status).toBe(422);
  return problem.errors.map((e: { path: string }) => e.path);
};

describe('scheduling', () => {
  it('puts a session on the class period’s own link, in school time', async () => {
    const session = await add();
    expect(session).toMatchObject({
      linkId: n1.link.id,
      date: '2026-10-20',
      time: '16:00',
      minutes: 45,
      start: '2026-10-20T19:00:00Z',
      status: 'planned',
      version: 1,
      opens: '2026-10-20T18:55:00Z',
      door: 'shut',
    });
    const { sessions } = (await host.get(`/api/classes/${n1.id}`)).body;
    expect(sessions.map((s: Session) => s.id)).toContain(session.id);
  });
  it('takes bell periods, also on a fog day', async () => {
    expect(await add({ plan: { first: '2026-10-19', at: { period: '3' } } })).toMatchObject({
      time: '11:05',
      minutes: 40,
    });
  });
  it('allows closures, dates outside terms and the past: the teacher was warned', async () => {
    for (const first of ['2026-10-12', '2026-12-28', '2026-09-01'])
      expect((await add({ plan: { first, at: { time: '10:00', minutes: 30 } } })).status).toBe(
        'planned',
      );
  });
  it('shows markup as the text it is', async () => {
    expect((await add({ title: '<b onclick=x>Knots & "bends"</b>' })).title).toBe(
      '<b onclick=x>Knots & "bends"</b>',
    );
  });
  it('refuses what is wrong beside its field', async () => {
    expect(await errorsOf({ title: '  ' })).toEqual(['title']);
    expect(await errorsOf({ title: 'x'.repeat(201) })).toEqual(['title']);
    expect(
      await errorsOf({ plan: { first: '2026-10-20', at: { time: '16:00', minutes: 0 } } }),
    ).toEqual(['plan.at.minutes']);
    expect(
      await errorsOf({ plan: { first: '2026-10-20', at: { time: '16:00', minutes: 1441 } } }),
    ).toEqual(['plan.at.minutes']);
    expect(
      await errorsOf({ plan: { first: '2026-10-20', at: { time: '26:00', minutes: 30 } } }),
    ).toEqual(['plan.at.time']);
    expect(
      await errorsOf({ plan: { first: '2026-02-30', at: { time: '16:00', minutes: 30 } } }),
    ).toEqual(['plan.first']);
    expect(await errorsOf({ plan: { first: '2026-10-20', at: { period: '9' } } })).toEqual([
      'plan.at.period',
    ]);
    expect(await errorsOf({ plan: { first: '2026-10-24', at: { period: '3' } } })).toEqual([
      'plan.at',
    ]);
  });
});

describe('changing', () => {
  it('never changes the link, and keeps the row that others point to', async () => {
    const before = await add();
    const { session } = (
      await host.put(`/api/series/${before.seriesId}`, {
        ...body({ title: 'Moved', plan: { first: '2026-10-22', at: { period: '2' } } }),
        version: 1,
      })
    ).body;
    expect(session).toMatchObject({
      id: before.id,
      linkId: before.linkId,
      title: 'Moved',
      date: '2026-10-22',
      time: '09:35',
      version: 2,
    });
    expect(
      (await host.get('/api/classes')).body.classes.find((c: ClassItem) => c.id === n1.id).link,
    ).toEqual(n1.link);
  });
  it('tells the second of two teachers how it stands, and changes nothing', async () => {
    const { seriesId } = await add();
    const tomas = await school.as('Tomas Verhage');
    const edit = (browser: Browser, title: string) =>
      browser.put(`/api/series/${seriesId}`, { ...body({ title }), version: 1 });
    const answers = await Promise.all([edit(host, 'From Ottoline'), edit(tomas, 'From Tomas')]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    const [won, lost] = answers[0]!.status === 200 ? answers : [answers[1]!, answers[0]!];
    expect(lost.body.current).toEqual(won!.body.session);
    expect(won!.body.session.version).toBe(2);
  });
  it('cancels and takes back, with the audit log knowing both sides', async () => {
    const { seriesId, key } = await add();
    const read = async () => (await host.get(`/api/series/${seriesId}`)).body.session;
    await changeDate(host, { seriesId, version: 1, key }, { kind: 'cancel', note: 'storm' });
    expect(await read()).toMatchObject({ status: 'cancelled', why: 'storm', version: 2 });
    const late = await changeDate(host, { seriesId, version: 1, key }, { kind: 'cancel' });
    expect(late.status).toBe(409);
    await changeDate(host, { seriesId, version: 2, key }, { kind: 'restore' });
    expect(await read()).toMatchObject({ status: 'planned', why: null, version: 3 });
    const log = await school.running.glen.db.rows<{
      action: string;
      before_state: { title: string } | null;
    }>('SELECT action, before_state FROM audit_log WHERE subject = :subject ORDER BY id', {
      subject: `series:${seriesId}`,
    });
    expect(log.map((l) => l.action)).toEqual(['schedule', 'change-sessions', 'change-sessions']);
    expect(log[1]!.before_state).toMatchObject({ title: 'Tidal streams' });
  });
  it('leaves the time of a session alone whose door was opened', async () => {
    const { seriesId, key } = await add({
      plan: { first: '2026-10-14', at: { time: '10:30', minutes: 30 } },
    });
    expect((await host.post(`/api/links/${n1.link.id}/open`)).status).toBe(200);
    const moved = await host.put(`/api/series/${seriesId}`, {
      ...body({ plan: { first: '2026-10-14', at: { time: '12:00', minutes: 30 } } }),
      version: 1,
    });
    expect(moved.body.errors[0].path).toBe('plan.at');
    expect(
      (
        await host.put(`/api/series/${seriesId}`, {
          ...body({
            title: 'New name',
            plan: { first: '2026-10-14', at: { time: '10:30', minutes: 30 } },
          }),
          version: 1,
        })
      ).status,
    ).toBe(200);
    const late = await changeDate(host, { seriesId, version: 2, key }, { kind: 'cancel' });
    expect(late.status).toBe(422);
  });
  it('answers 404 for what is not there', async () => {
    expect((await host.get('/api/series/999999')).status).toBe(404);
    expect((await host.put('/api/series/x', body())).status).toBe(422);
  });
});

describe('entry rules of a class period', () => {
  it('lie over teacher and school, with the school’s locks', async () => {
    const w2 = school.classes.get('W2')!;
    const before = (await host.get(`/api/classes/${w2.id}/rules`)).body;
    expect(before.layers.map((l: { scope: string }) => l.scope)).toEqual([
      'school',
      'teacher',
      'class',
    ]);
    const after = await host.put(`/api/classes/${w2.id}/rules`, {
      version: before.version,
      rules: { straightIn: 'roll', opensBefore: 15 },
    });
    expect(after.body.layers[2].rules).toEqual({ straightIn: 'roll', opensBefore: 15 });
    expect(after.body.next.opens).toBe('2026-10-15T12:20:00Z');
    expect(
      (await host.put(`/api/classes/${w2.id}/rules`, { version: before.version, rules: {} }))
        .status,
    ).toBe(409);
    expect(
      (
        await host.put(`/api/classes/${w2.id}/rules`, {
          version: after.body.version,
          rules: { opensBefore: 500 },
        })
      ).body.errors[0].path,
    ).toBe('rules.opensBefore');
  });
});

describe('today', () => {
  it('is the run sheet in order, with notes that are true', async () => {
    const { body: today } = await host.get('/api/today');
    expect(today.date).toBe('2026-10-14');
    expect(today.day).toMatchObject({ cycleDay: 'Flood', bell: 'Regular', week: 6 });
    const starts = today.sessions.map((s: Session) => s.start);
    expect(starts).toEqual([...starts].sort());
    expect(today.notes).toContainEqual(
      expect.objectContaining({
        severity: 'wrong',
        title: 'Ropework, period 5 overlaps Rigging survey with Idris Kellaway',
      }),
    );
  });
  it('follows the demo’s clock', async () => {
    await school.setTime('08:00', '2026-10-19');
    const { body: today } = await host.get('/api/today');
    expect([today.date, today.day.bell]).toEqual(['2026-10-19', 'Fog']);
    await school.setTime('10:31');
  });
});

describe('two servers on one database', () => {
  it('give every class period a code of its own', async () => {
    const rows = await school.running.glen.db.rows<{ n: number; codes: number }>(
      'SELECT COUNT(*) AS n, COUNT(DISTINCT code) AS codes FROM links',
    );
    expect(Number(rows[0]!.n)).toBe(Number(rows[0]!.codes));
    await expect(
      school.running.glen.db.models.Link.create({
        code: n1.link.code,
        class_id: n1.id,
        label: 'x',
        made_at: '2026-10-14T00:00:00Z',
      }),
    ).rejects.toThrow();
  });
});
