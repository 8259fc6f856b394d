import { describe, expect, it } from 'vitest';
import type { Session } from '@glen/contract';
import { NINE, WEEKLY, withSeries, type Made } from './seriesTools.js';

const a = withSeries();

describe('a date that was moved', () => {
  it('is called off where it had been moved to, and held there again', async () => {
    const { session } = await a.add();
    const { seriesId } = session;
    const key = '2026-10-22';
    const send = async (asked: object) => {
      const { version } = (await a.host.get(`/api/series/${seriesId}?on=${key}`)).body.session;
      await a.change([{ seriesId, version, key, scope: 'one', change: asked }]);
      return (await a.host.get(`/api/series/${seriesId}?on=${key}`)).body.session as Session;
    };
    const there = { date: '2026-10-23', time: '15:30', was: { date: key, time: '16:00' } };
    expect(
      await send({ kind: 'move', date: '2026-10-23', time: '15:30', minutes: 30 }),
    ).toMatchObject(there);
    // What students read of it is the time they knew.
    expect(await send({ kind: 'cancel' })).toMatchObject({ ...there, status: 'cancelled' });
    expect(await send({ kind: 'restore' })).toMatchObject({ ...there, status: 'moved' });
    expect(await send({ kind: 'restore' })).toMatchObject({ date: key, time: '16:00', was: null });
  });
  it('has not moved where nobody knew of another time', async () => {
    const moves = [
      { key: '2026-10-22', kind: 'move', date: '2026-10-23', time: '15:30', minutes: 30 },
    ];
    const { session } = await a.add({ ...WEEKLY, changes: moves });
    const read = async () =>
      (await a.host.get(`/api/series/${session.seriesId}?on=2026-10-22`)).body.session as Session;
    expect(await read()).toMatchObject({ date: '2026-10-23', was: null });
    // Nor after an edit of something else.
    const { version } = session;
    const plan = { ...WEEKLY, changes: moves };
    await a.edit(session.seriesId, { version, scope: 'whole', title: 'Knots', plan });
    expect(await read()).toMatchObject({ date: '2026-10-23', title: 'Knots', was: null });
  });
});

describe('a series that was a mistake', () => {
  it('is removed as if it had never been, and back with what takes that back', async () => {
    const { session } = await a.add();
    const { seriesId } = session;
    const remove = async (key: string, scope: string, version: number) =>
      a.change([{ seriesId, version, key, scope, change: { kind: 'remove' } }]);
    const one = await remove('2026-10-22', 'one', session.version);
    expect(await a.rows(seriesId)).toEqual(NINE.filter((row) => !row.includes('10-22')));
    const later = await remove('2026-11-03', 'onwards', one.body.touched[0].version);
    expect(await a.rows(seriesId)).toEqual(
      ['2026-10-15', '2026-10-20', '2026-10-27', '2026-10-29'].map((d) => `${d} 16:00`),
    );
    const whole = await remove('2026-10-15', 'whole', later.body.touched[0].version);
    expect(await a.rows(seriesId)).toEqual([]);
    expect((await a.host.get(`/api/series/${seriesId}`)).status).toBe(404);
    // What the log has of it stays.
    const { glen } = a.school.running;
    const [entry] = await glen.db.rows<{ action: string }>(
      'SELECT action FROM audit_log WHERE subject = :subject ORDER BY id DESC LIMIT 1',
      { subject: `series:${seriesId}` },
    );
    expect(entry!.action).toBe('remove-series');
    await a.takeBack(whole.body.touched);
    expect(await a.rows(seriesId)).toHaveLength(4);
  });
  it('stays where a door of it was opened or it has begun, with what is before', async () => {
    const { session } = await a.add({ ...WEEKLY, first: '2026-10-06' });
    const { seriesId, version } = session;
    const remove = (key: string, scope: string) =>
      a.change([{ seriesId, version, key, scope, change: { kind: 'remove' } }]);
    const past = await remove('2026-10-08', 'one');
    expect([past.status, past.body.errors[0].message]).toEqual([
      422,
      'It has begun already, so it stays on the plan; it can be cancelled.',
    ]);
    expect((await remove('2026-10-06', 'onwards')).status).toBe(422);
    expect((await remove('2026-10-06', 'whole')).status).toBe(200);
    expect(await a.rows(seriesId)).toEqual(
      ['2026-10-06', '2026-10-08', '2026-10-13'].map((date) => `${date} 16:00`),
    );
  });
  it('stays with what was held though that is no longer in its plan', async () => {
    const { session } = await a.add({ ...WEEKLY, first: '2026-10-06' });
    const { seriesId, version } = session;
    const plan = { ...WEEKLY, first: '2026-10-20' };
    const edited = await a.edit(seriesId, { version, scope: 'whole', plan });
    const before = await a.rows(seriesId);
    expect(before).toContain('2026-10-06 16:00');
    const removed = await a.change([
      {
        seriesId,
        version: edited.body.touched[0].version,
        key: '2026-10-20',
        scope: 'whole',
        change: { kind: 'remove' },
      },
    ]);
    expect(removed.status).toBe(422);
    expect(await a.rows(seriesId)).toEqual(before);
  });
});

describe('a copy of a series', () => {
  it('is copied from a day on, never from before today, and without some of its dates', async () => {
    const { session } = await a.add({ ...WEEKLY, first: '2026-09-15' });
    const copy = async (more: object) => {
      const asked = { classIds: [a.of('W2').id], ...more };
      const { body } = await a.host.post(`/api/series/${session.seriesId}/copy`, asked);
      return a.rows((body as Made).touched[0]!.seriesId);
    };
    expect(await copy({})).toEqual(NINE);
    expect(await copy({ from: '2026-09-01' })).toEqual(NINE);
    expect(await copy({ from: '2026-10-28', except: ['2026-11-03'] })).toEqual(
      NINE.slice(4).filter((row) => !row.includes('11-03')),
    );
    const nothing = await a.host.post(`/api/series/${session.seriesId}/copy`, {
      classIds: [a.of('W2').id],
      from: '2026-12-01',
    });
    expect([nothing.status, nothing.body.errors[0].message]).toEqual([
      422,
      'Nothing of it lies on that day or after it.',
    ]);
  });
});
