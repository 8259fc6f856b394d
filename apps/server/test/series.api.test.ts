import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, Session } from '@glen/contract';
import { NINE, WEEKLY, type Made, seriesTools, type SeriesTools } from './seriesTools.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let of: SeriesTools['of'];
let add: SeriesTools['add'];
let rows: SeriesTools['rows'];
let change: SeriesTools['change'];
let takeBack: SeriesTools['takeBack'];
let edit: SeriesTools['edit'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ of, add, rows, change, takeBack, edit } = seriesTools(school, host));
});
afterAll(() => school.stop());

describe('a series', () => {
  it('stands on the books with every date, and shows its next one', async () => {
    const { session } = await add();
    expect(await rows(session.seriesId)).toEqual(NINE);
    expect(session).toMatchObject({ date: '2026-10-15', plan: WEEKLY });
    expect(
      (await host.get(`/api/series/${session.seriesId}?on=2026-10-29`)).body.session.date,
    ).toBe('2026-10-29');
  });
  it('keeps skipped dates on the books as skipped, and nowhere else', async () => {
    const { session } = await add({
      ...WEEKLY,
      repeat: { every: 'week', on: ['WE'], until: '2026-11-18' },
    });
    expect(await rows(session.seriesId)).toContain('2026-11-11 16:00 skipped');
    const { notches } = (await host.get('/api/strip?from=2026-11-11&to=2026-11-11'))
      .body as Answer<'strip'>;
    expect(notches.some((n) => n.seriesId === session.seriesId)).toBe(false);
  });
  it('leaves dates out as if they had never been meant, and lets them be held after all', async () => {
    const left = { ...WEEKLY, except: ['2026-10-22'] };
    const { session } = await add(left);
    expect(await rows(session.seriesId)).toEqual(NINE.filter((row) => !row.includes('10-22')));
    expect(session.plan).toMatchObject(left);
    const { version } = session;
    const { body } = await edit(session.seriesId, { version, scope: 'whole', plan: WEEKLY });
    expect(body.session.plan.except).toBeUndefined();
    expect(await rows(session.seriesId)).toEqual(NINE);
    const both = { ...left, alsoOn: ['2026-10-22'] };
    const refused = await host.post(`/api/classes/${of('N1').id}/sessions`, {
      title: 'x',
      description: '',
      plan: both,
    });
    expect(refused.body.errors[0].path).toBe('plan.except');
  });
  it('is refused beside the field at fault', async () => {
    const pathOf = async (plan: object) =>
      (
        await host.post(`/api/classes/${of('N1').id}/sessions`, {
          title: 'x',
          description: '',
          plan,
        })
      ).body.errors?.[0]?.path;
    expect(await pathOf({ ...WEEKLY, repeat: { every: 'week', until: '2026-10-01' } })).toBe(
      'plan.repeat.until',
    );
    expect(await pathOf({ ...WEEKLY, repeat: { every: 'week', times: 3, weeks: 2 } })).toBe(
      'plan.repeat.weeks',
    );
    expect(
      await pathOf({
        ...WEEKLY,
        repeat: { every: 'week', on: ['SA'], cycleDays: ['Ebb'], times: 3 },
      }),
    ).toBe('plan.repeat');
    expect(
      await pathOf({ ...WEEKLY, at: { period: '3' }, repeat: { every: 'week', on: ['SA'] } }),
    ).toBe('plan.at');
    expect(await pathOf({ ...WEEKLY, at: { period: '3' }, zone: 'Europe/Oslo' })).toBe('plan.zone');
    expect(await pathOf({ ...WEEKLY, repeat: { rrule: 'FREQ=HOURLY' } })).toBe('plan.repeat.rrule');
  });
  it('keeps a raw rule, and a zone of its own, told on the school’s clock', async () => {
    const { session } = await add({
      first: '2026-10-15',
      at: { time: '16:00', minutes: 30 },
      zone: 'Europe/Oslo',
      closures: 'keep',
      repeat: { rrule: 'FREQ=MONTHLY;BYMONTHDAY=15,-1;COUNT=4' },
    });
    expect(await rows(session.seriesId)).toEqual([
      '2026-10-15 11:00',
      '2026-10-31 12:00',
      '2026-11-15 11:00',
      '2026-11-30 11:00',
    ]);
    expect(session.start).toBe('2026-10-15T14:00:00Z');
    const moved = await edit(session.seriesId, {
      version: 1,
      scope: 'one',
      key: '2026-10-31',
      plan: { first: '2026-11-02', at: { time: '09:00', minutes: 30 } },
    });
    expect(moved.body.session).toMatchObject({
      date: '2026-11-02',
      time: '09:00',
      start: '2026-11-02T13:00:00Z',
      was: { date: '2026-10-31', time: '12:00' },
    });
  });
});

describe('changing only one', () => {
  it('moves it, retitles it, and puts it back to where the series has it', async () => {
    const {
      session: { seriesId },
    } = await add();
    await edit(seriesId, {
      version: 1,
      scope: 'one',
      key: '2026-10-20',
      title: 'Log quiz',
      plan: { ...WEEKLY, first: '2026-10-21', at: { period: '2' }, repeat: undefined },
    });
    expect((await rows(seriesId))[1]).toBe('2026-10-20 > 2026-10-21 09:35 Log quiz');
    const back = await edit(seriesId, {
      version: 2,
      scope: 'one',
      key: '2026-10-20',
      plan: { ...WEEKLY, first: '2026-10-20', repeat: undefined },
    });
    expect(back.body.session.was).toBeNull();
    expect(await rows(seriesId)).toEqual(NINE);
  });
  it('does not touch the others’ rows', async () => {
    const {
      session: { seriesId },
    } = await add();
    const ids = () =>
      school.running.glen.db.rows<{ id: number }>(
        'SELECT id FROM occurrences WHERE series_id = :seriesId ORDER BY key_date',
        { seriesId },
      );
    const before = await ids();
    await change([
      {
        seriesId,
        version: 1,
        key: '2026-10-20',
        scope: 'one',
        change: { kind: 'move', date: '2026-10-21' },
      },
    ]);
    expect(await ids()).toEqual(before);
  });
});

describe('a draft of a series', () => {
  it('comes on the books whole', async () => {
    const { session } = await add(WEEKLY, 'N1', { draft: true });
    const { body } = await edit(session.seriesId, { version: 1, plan: WEEKLY, draft: false });
    expect(body.session.draft).toBe(false);
    expect(await rows(session.seriesId)).toEqual(NINE);
  });
});

describe('changing from there on', () => {
  it('cuts the series on the same link, with later changes, and taking it back makes it whole', async () => {
    const {
      session: { seriesId, linkId },
    } = await add();
    await change([
      {
        seriesId,
        version: 1,
        key: '2026-11-05',
        scope: 'one',
        change: { kind: 'cancel', note: 'boat day' },
      },
    ]);
    const { body } = await edit(seriesId, {
      version: 2,
      scope: 'onwards',
      key: '2026-11-03',
      title: 'Log keeping',
      plan: { ...WEEKLY, at: { time: '17:00', minutes: 45 }, first: '2026-11-03' },
    });
    expect(body.touched).toHaveLength(2);
    const second = body.touched[1].seriesId;
    expect(await rows(seriesId)).toEqual(NINE.slice(0, 5));
    expect(await rows(second)).toEqual([
      '2026-11-03 17:00',
      '2026-11-05 17:00 cancelled',
      '2026-11-10 17:00',
      '2026-11-12 17:00',
    ]);
    expect(body.session).toMatchObject({ linkId, date: '2026-11-03', was: { time: '16:00' } });
    expect((await takeBack(body.touched)).status).toBe(200);
    expect(await rows(seriesId)).toEqual(
      NINE.map((row) => (row.startsWith('2026-11-05') ? `${row} cancelled` : row)),
    );
    expect(await rows(second)).toEqual([]);
  });
  it('is refused once a door of those dates has been opened', async () => {
    const { session } = await add(
      {
        ...WEEKLY,
        first: '2026-10-14',
        at: { time: '10:30', minutes: 30 },
        repeat: { every: 'week', times: 3 },
      },
      'R5',
    );
    expect((await host.post(`/api/links/${of('R5').link.id}/open`)).status).toBe(200);
    const from = (key: string) =>
      change([
        { seriesId: session.seriesId, version: 1, key, scope: 'one', change: { kind: 'cancel' } },
      ]);
    expect((await from('2026-10-14')).status).toBe(422);
    expect((await from('2026-10-21')).status).toBe(200);
  });
});

describe('changing the whole series', () => {
  it('leaves what has started as it was', async () => {
    const lessons = (await host.get(`/api/classes/${of('N6').id}`)).body.sessions as Session[];
    const { seriesId, version } = lessons[0]!;
    const before = lessons
      .filter((s) => s.start <= '2026-10-14T13:31:00Z')
      .map((s) => `${s.date} ${s.time}`);
    const { body } = await host.put(`/api/series/${seriesId}`, {
      version,
      scope: 'whole',
      title: 'Later lessons',
      description: '',
      plan: { ...lessons[0]!.plan, at: { period: '5' } },
    });
    expect(body.session).toMatchObject({ title: 'Later lessons', time: '13:20' });
    const after = (await host.get(`/api/classes/${of('N6').id}`)).body.sessions as Session[];
    expect(
      after.filter((s) => s.start <= '2026-10-14T13:31:00Z').map((s) => `${s.date} ${s.time}`),
    ).toEqual(before);
    expect(
      after
        .filter((s) => s.start <= '2026-10-14T13:31:00Z')
        .every((s) => s.title === 'Coastal Navigation, period 6'),
    ).toBe(true);
    expect((await takeBack(body.touched)).status).toBe(200);
  });
  it('makes a series of a single session and the other way round, on the row that was there', async () => {
    const { session } = await add({ first: '2026-10-15', at: { time: '16:00', minutes: 30 } });
    const made = (await edit(session.seriesId, { version: 1, plan: WEEKLY })).body.session;
    expect([made.id, await rows(session.seriesId)]).toEqual([session.id, NINE]);
    await edit(session.seriesId, { version: 2, plan: { first: '2026-10-15', at: WEEKLY.at } });
    expect(await rows(session.seriesId)).toEqual(NINE.slice(0, 1));
  });
});

describe('many at once', () => {
  it('are changed all or none, and taken back together', async () => {
    const [a, b] = [
      await add(),
      await add({ ...WEEKLY, at: { time: '18:00', minutes: 30 } }, 'N3'),
    ];
    const cancel = (made: Made, version: number, key: string) => ({
      seriesId: made.session.seriesId,
      version,
      key,
      scope: 'one',
      change: { kind: 'cancel' },
    });
    expect(
      (
        await change([
          cancel(a, 1, '2026-10-20'),
          cancel(a, 1, '2026-10-22'),
          cancel(b, 9, '2026-10-20'),
        ])
      ).status,
    ).toBe(409);
    expect(await rows(a.session.seriesId)).toEqual(NINE);
    const { body } = await change([
      cancel(a, 1, '2026-10-20'),
      cancel(a, 1, '2026-10-22'),
      cancel(b, 1, '2026-10-20'),
    ]);
    expect(
      (await rows(a.session.seriesId)).filter((row) => row.endsWith('cancelled')),
    ).toHaveLength(2);
    expect((await takeBack(body.touched)).status).toBe(200);
    expect(await rows(a.session.seriesId)).toEqual(NINE);
  });
  it('are refused where one belongs to somebody else', async () => {
    const { session } = await add();
    const bram = await school.as('Bram Osterholt');
    expect(
      (
        await change(
          [
            {
              seriesId: session.seriesId,
              version: 1,
              key: '2026-10-20',
              scope: 'one',
              change: { kind: 'cancel' },
            },
          ],
          bram,
        )
      ).status,
    ).toBe(403);
    expect((await takeBack([{ seriesId: session.seriesId, version: 1 }], bram)).status).toBe(403);
  });
  it('drags a series: its weekdays turn with the date', async () => {
    const {
      session: { seriesId },
    } = await add();
    await change([
      {
        seriesId,
        version: 1,
        key: '2026-10-20',
        scope: 'whole',
        change: { kind: 'move', date: '2026-10-21', time: '15:00', minutes: 30 },
      },
    ]);
    expect(await rows(seriesId)).toEqual(
      [
        '2026-10-16',
        '2026-10-21',
        '2026-10-23',
        '2026-10-28',
        '2026-10-30',
        '2026-11-04',
        '2026-11-06',
        '2026-11-11',
        '2026-11-13',
      ]
        .slice(0, 8)
        .map((date) => `${date} 15:00${date === '2026-11-11' ? ' skipped' : ''}`),
    );
  });
});

describe('taking back', () => {
  it('takes a new series off the books', async () => {
    const { session, touched } = await add();
    expect((await takeBack(touched)).status).toBe(200);
    expect((await host.get(`/api/series/${session.seriesId}`)).status).toBe(404);
  });
  it('is refused once somebody changed it again', async () => {
    const {
      session: { seriesId },
      touched,
    } = await add();
    await change([
      { seriesId, version: 1, key: '2026-10-20', scope: 'one', change: { kind: 'cancel' } },
    ]);
    expect((await takeBack(touched)).status).toBe(409);
    expect(await rows(seriesId)).toHaveLength(9);
  });
});
