import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GlenInputError,
  nextMoment,
  planPosts,
  wallClockAt,
  type Delivery,
  type PostOccurrence,
  type PostPlan,
} from '../src/index.js';

const zone = 'America/Halifax';
const post = (more: Partial<PostPlan> = {}): PostPlan => ({
  id: '7',
  places: [{ id: 'a' }, { id: 'b' }],
  about: 'sessions',
  timing: { kind: 'before', minutes: 10 },
  zone,
  afterwards: 'down',
  withdrawn: false,
  ...more,
});
const lesson: PostOccurrence = {
  id: '31',
  date: '2026-10-14',
  start: '2026-10-14T13:45:00Z',
  closes: '2026-10-14T14:35:00Z',
  status: 'planned',
};
const wanted = (p: PostPlan, occurrences: PostOccurrence[], now: string): string[] =>
  planPosts(p, occurrences, now).map((d) => `${d.key} ${d.wanted}`);

describe('planPosts', () => {
  it('posts ten minutes before each session, at each place, and takes down when it is over', () => {
    expect(planPosts(post(), [lesson], '2026-10-14T13:34:59Z')).toEqual([
      {
        key: '7/a/31',
        place: 'a',
        occurrence: '31',
        due: '2026-10-14T13:35:00Z',
        closes: '2026-10-14T14:35:00Z',
        wanted: 'later',
      },
      {
        key: '7/b/31',
        place: 'b',
        occurrence: '31',
        due: '2026-10-14T13:35:00Z',
        closes: '2026-10-14T14:35:00Z',
        wanted: 'later',
      },
    ]);
    expect(wanted(post(), [lesson], '2026-10-14T13:35:00Z')).toEqual(['7/a/31 out', '7/b/31 out']);
    expect(wanted(post(), [lesson], '2026-10-14T14:35:00Z')).toEqual([
      '7/a/31 gone',
      '7/b/31 gone',
    ]);
    expect(wanted(post({ afterwards: 'strike' }), [lesson], '2026-10-14T14:35:00Z')[0]).toBe(
      '7/a/31 struck',
    );
    expect(wanted(post({ afterwards: 'stay' }), [lesson], '2026-10-14T14:35:00Z')[0]).toBe(
      '7/a/31 kept',
    );
  });
  it('keeps the key of a session that is moved, and times it anew', () => {
    const moved: PostOccurrence = {
      ...lesson,
      date: '2026-10-15',
      start: '2026-10-15T17:00:00Z',
      closes: '2026-10-15T17:50:00Z',
      status: 'moved',
    };
    expect(planPosts(post(), [moved], '2026-10-14T13:40:00Z')[0]).toMatchObject({
      key: '7/a/31',
      due: '2026-10-15T16:50:00Z',
      wanted: 'later',
    });
  });
  it('says where a cancelled one stood that it is, until it would have been over; a skipped one has none', () => {
    const off: PostOccurrence = { ...lesson, status: 'cancelled' };
    expect(wanted(post(), [off], '2026-10-14T10:00:00Z')[0]).toBe('7/a/31 off');
    const over = '2026-10-14T14:35:00Z';
    expect(wanted(post(), [off], over)[0]).toBe('7/a/31 gone');
    expect(wanted(post({ afterwards: 'strike' }), [off], over)[0]).toBe('7/a/31 struck');
    expect(wanted(post({ afterwards: 'stay' }), [off], over)[0]).toBe('7/a/31 kept');
    expect(wanted(post({ withdrawn: true }), [off], '2026-10-14T10:00:00Z')[0]).toBe('7/a/31 gone');
    expect(planPosts(post(), [{ ...lesson, status: 'skipped' }], '2026-10-14T10:00:00Z')).toEqual(
      [],
    );
  });
  it('that morning, by the wall clock across a clock change, and by the start for a session before it', () => {
    const morning = post({ timing: { kind: 'morning', time: '07:30' } });
    // Clocks go back on 1 November 2026 in Halifax.
    const due = (date: string, start: string): string | null =>
      planPosts(
        morning,
        [{ ...lesson, date, start, closes: '2026-11-09T00:00:00Z' }],
        '2026-10-01T00:00:00Z',
      )[0]!.due;
    expect([
      due('2026-10-30', '2026-10-30T13:45:00Z'),
      due('2026-11-02', '2026-11-02T14:45:00Z'),
      due('2026-11-02', '2026-11-02T11:00:00Z'),
    ]).toEqual(['2026-10-30T10:30:00Z', '2026-11-02T11:30:00Z', '2026-11-02T11:00:00Z']);
  });
  it('one standing post at each place for the lasting link; a draft waits; a time that has passed is due', () => {
    const standing = post({ about: 'link', timing: { kind: 'now' } });
    expect(wanted(standing, [lesson], '2026-10-14T13:00:00Z')).toEqual([
      '7/a/link out',
      '7/b/link out',
    ]);
    expect(
      planPosts({ ...standing, timing: { kind: 'draft' } }, [], '2026-10-14T13:00:00Z')[0],
    ).toMatchObject({ due: null, wanted: 'later' });
    expect(
      wanted(
        { ...standing, timing: { kind: 'at', at: '2026-10-01T00:00:00Z' } },
        [],
        '2026-10-14T13:00:00Z',
      )[0],
    ).toBe('7/a/link out');
    expect(wanted({ ...standing, withdrawn: true }, [], '2026-10-14T13:00:00Z')[0]).toBe(
      '7/a/link gone',
    );
  });
  it('goes out at once where somebody asks for it, and never for a session that is over', () => {
    expect(wanted(post(), [{ ...lesson, early: true }], '2026-10-14T09:00:00Z')[0]).toBe(
      '7/a/31 out',
    );
    expect(wanted(post(), [{ ...lesson, early: true }], '2026-10-14T15:00:00Z')[0]).toBe(
      '7/a/31 gone',
    );
  });
  it('fills a calendar beforehand, though the stream waits for its minute', () => {
    expect(
      wanted(
        post({ places: [{ id: 'a' }, { id: 'b', beforehand: true }] }),
        [lesson],
        '2026-10-01T09:00:00Z',
      ),
    ).toEqual(['7/a/31 later', '7/b/31 out']);
    expect(
      wanted(
        post({ places: [{ id: 'b', beforehand: true }], timing: { kind: 'draft' } }),
        [lesson],
        '2026-10-01T09:00:00Z',
      ),
    ).toEqual(['7/b/31 later']);
  });
  it('refuses what has no meaning', () => {
    for (const [path, bad] of [
      ['timing.kind', { about: 'link' }],
      ['timing.minutes', { timing: { kind: 'before', minutes: -1 } }],
      ['timing.time', { timing: { kind: 'morning', time: '25:00' } }],
      ['places', { places: [{ id: 'a' }, { id: 'a' }] }],
      ['afterwards', { afterwards: 'burn' as never }],
    ] as [string, Partial<PostPlan>][]) {
      try {
        planPosts(post(bad), [], '2026-10-14T13:00:00Z');
        expect.unreachable();
      } catch (error) {
        expect([(error as GlenInputError).name, (error as GlenInputError).path]).toEqual([
          'GlenInputError',
          path,
        ]);
      }
    }
  });
});

const START = Date.UTC(2026, 9, 14, 10) / 60000;
const utcAt = (minute: number): string =>
  `${new Date((START + minute) * 60000).toISOString().slice(0, 19)}Z`;

const cases = fc.record({
  afterwards: fc.constantFrom('stay' as const, 'down' as const, 'strike' as const),
  timing: fc.oneof(
    fc.constant({ kind: 'now' as const }),
    fc.constant({ kind: 'draft' as const }),
    fc.integer({ min: 0, max: 90 }).map((minutes) => ({ kind: 'before' as const, minutes })),
    fc.integer({ min: 0, max: 300 }).map((m) => ({ kind: 'at' as const, at: utcAt(m) })),
    fc
      .integer({ min: 7, max: 11 })
      .map((h) => ({ kind: 'morning' as const, time: `${String(h).padStart(2, '0')}:15` })),
  ),
  sessions: fc.array(
    fc.record({
      from: fc.integer({ min: 1, max: 200 }),
      lasts: fc.integer({ min: 1, max: 60 }),
      status: fc.constantFrom(
        'planned' as const,
        'moved' as const,
        'cancelled' as const,
        'skipped' as const,
      ),
      place: fc.constantFrom('a', 'b', undefined),
    }),
    { maxLength: 5 },
  ),
  withdrawnAt: fc.option(fc.integer({ min: 0, max: 300 })),
});

describe('planPosts against a slow walk, minute by minute', () => {
  /** Somebody who looks at the clock every minute and pins up, strikes and takes down by hand. */
  const walk = (
    c: typeof cases extends fc.Arbitrary<infer T> ? T : never,
    minutes: number,
  ): Map<string, string> => {
    const board = new Map<string, string>();
    for (let minute = 0; minute <= minutes; minute++) {
      for (const place of ['a', 'b']) {
        c.sessions.forEach((s, i) => {
          if (s.status === 'skipped' || (s.place !== undefined && s.place !== place)) return;
          const key = `7/${place}/${i}`;
          const over = minute >= s.from + s.lasts;
          const { timing: t } = c;
          // The clock on the wall in Halifax shows three hours less all that day.
          const clock = 10 * 60 + minute - 180;
          const isTime =
            t.kind === 'now' ||
            (t.kind === 'before' && minute >= s.from - t.minutes) ||
            (t.kind === 'at' && utcAt(minute) >= t.at) ||
            (t.kind === 'morning' &&
              (clock >= Number(t.time.slice(0, 2)) * 60 + 15 || minute >= s.from));
          const withdrawn = c.withdrawnAt !== null && minute >= c.withdrawnAt;
          if (withdrawn || s.status === 'cancelled') {
            if (board.has(key))
              board.set(key, withdrawn || c.afterwards === 'down' ? 'gone' : 'struck');
          } else if (over) {
            if (board.has(key) && c.afterwards !== 'stay')
              board.set(key, c.afterwards === 'down' ? 'gone' : 'struck');
          } else if (isTime) board.set(key, 'out');
        });
      }
    }
    return board;
  };
  it('comes to the same board when followed at its own moments alone', () => {
    fc.assert(
      fc.property(cases, fc.integer({ min: 0, max: 300 }), (c, end) => {
        const occurrences = c.sessions.map((s, i): PostOccurrence => ({
          id: String(i),
          date: '2026-10-14',
          start: utcAt(s.from),
          closes: utcAt(s.from + s.lasts),
          status: s.status,
          ...(s.place ? { place: s.place } : {}),
        }));
        const board = new Map<string, string>();
        let now = utcAt(0);
        for (let looks = 0; ; looks++) {
          const deliveries = planPosts(
            post({
              afterwards: c.afterwards,
              timing: c.timing,
              withdrawn: c.withdrawnAt !== null && now >= utcAt(c.withdrawnAt),
            }),
            occurrences,
            now,
          );
          for (const d of deliveries)
            if (
              d.wanted === 'out' ||
              (board.has(d.key) && d.wanted !== 'later' && d.wanted !== 'kept')
            )
              board.set(d.key, d.wanted);
          const moments = [
            nextMoment(deliveries, now),
            c.withdrawnAt === null ? null : utcAt(c.withdrawnAt),
          ]
            .filter((m): m is string => m !== null && m > now && m <= utcAt(end))
            .sort();
          if (moments.length === 0) break;
          expect(looks).toBeLessThan(40);
          now = moments[0]!;
        }
        expect([...board].sort()).toEqual([...walk(c, end)].sort());
      }),
      { numRuns: 600 },
    );
  });
  it('knows the wall clock that the walk assumes', () => {
    expect(wallClockAt(utcAt(0), zone).time).toBe('07:00');
  });
  it('gives each key once, and none that depends on the time asked', () => {
    fc.assert(
      fc.property(
        cases,
        fc.integer({ min: 0, max: 300 }),
        fc.integer({ min: 0, max: 300 }),
        (c, m, n) => {
          const occurrences = c.sessions.map((s, i): PostOccurrence => ({
            id: String(i),
            date: '2026-10-14',
            start: utcAt(s.from),
            closes: utcAt(s.from + s.lasts),
            status: s.status,
          }));
          const keys = (minute: number): string[] =>
            planPosts(post({ timing: c.timing }), occurrences, utcAt(minute)).map(
              (d: Delivery) => d.key,
            );
          expect(new Set(keys(m)).size).toBe(keys(m).length);
          expect(keys(m)).toEqual(keys(n));
        },
      ),
    );
  });
});
