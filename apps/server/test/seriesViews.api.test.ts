import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  editSeries,
  expandPlan,
  isHeld,
  wholeWindow,
  type EditableSeries,
  type SessionPlan,
} from '@glen/core';
import type { Answer, Session } from '@glen/contract';
import { calendar } from '../../../demo/school.js';
import { WEEKLY, seriesTools, type SeriesTools } from './seriesTools.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let of: SeriesTools['of'];
let add: SeriesTools['add'];
let rows: SeriesTools['rows'];
let change: SeriesTools['change'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ of, add, rows, change } = seriesTools(school, host));
});
afterAll(() => school.stop());

describe('copying', () => {
  it('puts a series into other class periods, each at its own bell period and on its own link', async () => {
    const { session } = await add(
      {
        first: '2026-10-19',
        at: { period: '1' },
        closures: 'skip',
        repeat: { every: 'week', on: ['FR'], times: 3 },
      },
      'N1',
      { title: 'Coastal Navigation, period 1' },
    );
    const { body } = await host.post(`/api/series/${session.seriesId}/copy`, {
      classIds: [of('N3').id, of('W2').id],
    });
    const copies = await Promise.all(
      body.touched.map(
        async (t: { seriesId: number }) =>
          (await host.get(`/api/series/${t.seriesId}`)).body.session,
      ),
    );
    expect(copies.map((s: Session) => [s.title, s.time, s.linkId])).toEqual([
      ['Coastal Navigation, period 3', '10:45', of('N3').link.id],
      ['Marine Weather, period 2', '09:35', of('W2').link.id],
    ]);
    expect(
      (await host.post(`/api/series/${session.seriesId}/copy`, { classIds: [of('S4').id] })).status,
    ).toBe(403);
  });
  it('carries a series to the next term', async () => {
    const { session } = await add({
      first: '2026-10-15',
      at: { period: '1' },
      closures: 'skip',
      repeat: { every: 'week', until: 'term-end' },
    });
    const { body } = await host.post(`/api/series/${session.seriesId}/copy`, { nextTerm: true });
    expect(await rows(body.touched[0].seriesId)).toContain('2027-03-25 08:40');
  });
});

describe('the strip and bookings', () => {
  it('give every date of one’s class periods, shortly, and hide others’ drafts', async () => {
    const { session } = await add(WEEKLY, 'N1', { draft: true });
    const read = async (browser: Browser, query = 'of=mine'): Promise<Answer<'strip'>> =>
      (await browser.get(`/api/strip?from=2026-09-08&to=2026-12-18&${query}`)).body;
    const mine = await read(host);
    expect(mine.series.find((s) => s.id === session.seriesId)).toMatchObject({
      draft: true,
      repeats: true,
      words: 'Every Tue and Thu, 16:00 for 30 min, 15 Oct – 12 Nov 2026',
    });
    const seen = await read(await school.as('Bram Osterholt'), 'of=all');
    expect(seen.series.some((s) => s.id === session.seriesId)).toBe(false);
    expect(seen.classes.length).toBeGreaterThan(
      (await read(await school.as('Bram Osterholt'))).classes.length,
    );
  });
  it('name who is in both, leave out drop-in hours and the series in hand, and show the clash of the sound check', async () => {
    const { body } = await host.get(
      `/api/classes/${of('N3').id}/bookings?from=2026-11-02&to=2026-11-06`,
    );
    const check = body.bookings.find(
      (b: { title: string }) => b.title === 'Harbour Evening, sound check',
    );
    expect(check.holds.map((thing: string) => body.names[thing]).sort()).toEqual([
      'Tomas Verhage',
      'you',
    ]);
    expect(body.bookings.some((b: { title: string }) => b.title === 'Chartwork clinic')).toBe(
      false,
    );
    expect(
      (await host.get(`/api/classes/${of('C').id}/bookings?from=2026-11-02&to=2026-11-06`)).body,
    ).toMatchObject({ holds: [], bookings: [] });
  });
});

describe('what the server keeps', () => {
  it('is what the core computes, after a walk of random edits', async () => {
    const { session } = await add({
      ...WEEKLY,
      first: '2026-10-20',
      repeat: { every: 'week', on: ['TU', 'TH'], until: 'term-end' },
    });
    let text: EditableSeries = {
      title: 'Log keeping',
      description: '',
      plan: {
        ...WEEKLY,
        zone: calendar.zone,
        first: '2026-10-20',
        repeat: { every: 'week', on: ['TU', 'TH'], until: 'term-end' },
      } as SessionPlan,
    };
    const keys = expandPlan(text.plan, calendar, wholeWindow(text.plan, calendar))
      .filter(isHeld)
      .map((o) => o.key);
    const steps = [
      { kind: 'move', date: '2026-10-28' },
      { kind: 'cancel' },
      { kind: 'move', date: '2026-11-02', time: '08:00', minutes: 20 },
      { kind: 'restore' },
      { kind: 'cancel', note: 'fair' },
    ] as const;
    for (const [i, step] of [...steps, ...steps].entries()) {
      const key = keys[(i * 7) % keys.length]!;
      expect(
        (
          await change([
            { seriesId: session.seriesId, version: i + 1, key, scope: 'one', change: step },
          ])
        ).status,
      ).toBe(200);
      text = editSeries(text, { scope: 'one', key, change: step }, calendar).keep!;
    }
    const kept = (
      await school.running.glen.db.rows<{
        key_date: string;
        local_date: string;
        local_time: string;
        status: string;
      }>('SELECT * FROM occurrences WHERE series_id = :id ORDER BY key_date', {
        id: session.seriesId,
      })
    ).map((o) => `${o.key_date} ${o.local_date} ${o.local_time} ${o.status}`);
    expect(kept).toEqual(
      expandPlan(text.plan, calendar, wholeWindow(text.plan, calendar))
        .map((o) => `${o.key} ${o.date} ${o.time} ${o.status}`)
        .sort(),
    );
  });
});
