import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  editSeries,
  expandPlan,
  isHeld,
  type EditableSeries,
  type PlanRepeat,
  type SeriesChange,
  type SessionPlan,
} from '../src/index.js';
import { oncePlan, school } from './school.js';

const YEAR = { from: '2026-09-01', to: '2027-09-01' };
const series = (repeat: PlanRepeat | undefined, more: Partial<SessionPlan> = {}) => ({
  title: 'Tides',
  description: '',
  linkId: 3,
  plan: oncePlan('2026-10-14', { closures: 'keep', ...(repeat ? { repeat } : {}), ...more }),
});
const rows = (s: EditableSeries | null): string[] =>
  s
    ? expandPlan(s.plan, school, YEAR)
        .filter(isHeld)
        .map((o) => `${o.date} ${o.time}`)
    : [];
const edit = <S extends EditableSeries>(
  s: S,
  scope: 'one' | 'onwards' | 'whole',
  key: string,
  change: SeriesChange,
) => editSeries(s, { scope, key, change }, school);

describe('only that one', () => {
  it('is moved, cancelled, taken back', () => {
    const moved = edit(series({ every: 'week', times: 3 }), 'one', '2026-10-21', {
      kind: 'move',
      date: '2026-10-22',
    }).keep!;
    expect(rows(moved)).toEqual(['2026-10-14 10:00', '2026-10-22 10:00', '2026-10-28 10:00']);
    expect(rows(edit(moved, 'one', '2026-10-21', { kind: 'cancel', note: 'storm' }).keep)).toEqual([
      '2026-10-14 10:00',
      '2026-10-28 10:00',
    ]);
    expect(edit(moved, 'one', '2026-10-21', { kind: 'restore' }).keep).toEqual(
      series({ every: 'week', times: 3 }),
    );
  });
  it('keeps its move through being called off and held again, alone or with the others', () => {
    const moved = edit(series({ every: 'week', times: 3 }), 'one', '2026-10-21', {
      kind: 'move',
      date: '2026-10-22',
    }).keep!;
    for (const scope of ['one', 'onwards', 'whole'] as const) {
      const off = edit(moved, scope, '2026-10-21', { kind: 'cancel' }).keep!;
      expect(rows(off)).not.toContain('2026-10-22 10:00');
      expect(edit(off, scope, '2026-10-21', { kind: 'restore' }).keep).toEqual(moved);
    }
  });
  it('is removed as if it had never been; so are all from there on, or the whole', () => {
    const weekly = series({ every: 'week', times: 3 });
    const removed = (scope: 'one' | 'onwards' | 'whole', key: string, of = weekly) =>
      edit(of, scope, key, { kind: 'remove' }).keep;
    const one = removed('one', '2026-10-21')!;
    expect(one.plan.except).toEqual(['2026-10-21']);
    expect(rows(one)).toEqual(['2026-10-14 10:00', '2026-10-28 10:00', '2026-11-04 10:00']);
    expect(rows(removed('onwards', '2026-10-28'))).toEqual([
      '2026-10-14 10:00',
      '2026-10-21 10:00',
    ]);
    expect(removed('onwards', '2026-10-14')).toBeNull();
    expect(removed('whole', '2026-10-14')).toBeNull();
    // With its words and its move; the last date takes the series along.
    const own = edit(weekly, 'one', '2026-10-21', { kind: 'set', title: 'Quiz' }).keep!;
    expect(removed('one', '2026-10-21', own)).not.toHaveProperty('words');
    const single = { ...weekly, plan: { ...weekly.plan, repeat: undefined } as never };
    expect(removed('one', '2026-10-14', single)).toBeNull();
  });
  it('is retitled, and the others are not', () => {
    expect(
      edit(series({ every: 'week', times: 3 }), 'one', '2026-10-21', { kind: 'set', title: 'Quiz' })
        .keep,
    ).toMatchObject({ title: 'Tides', words: { '2026-10-21': { title: 'Quiz' } } });
  });
  it('warns where a move leaves the term, meets a closure, or lands on another', () => {
    const codes = (date: string) =>
      edit(series({ every: 'week' }), 'one', '2026-10-21', { kind: 'move', date }).warnings.map(
        (w) => w.code,
      );
    expect(codes('2026-12-25')).toEqual(['outside-term']);
    expect(codes('2026-11-23')).toEqual(['closed']);
    expect(codes('2026-10-28')).toEqual(['same-day']);
    expect(codes('2026-10-22')).toEqual([]);
  });
});

describe('from there on', () => {
  it('ends the old series the day before and begins a new one on the same link, with later changes', () => {
    const s = {
      ...series(
        { every: 'week', times: 6 },
        {
          changes: [
            { key: '2026-10-14', kind: 'cancel' },
            { key: '2026-11-11', kind: 'move', date: '2026-11-12' },
          ],
          alsoOn: ['2026-10-16', '2026-11-20'],
        },
      ),
      words: { '2026-10-21': { title: 'a' }, '2026-11-04': { title: 'b' } },
    };
    const { keep, add } = edit(s, 'onwards', '2026-11-04', {
      kind: 'set',
      title: 'Streams',
      plan: { at: { time: '11:00', minutes: 40 } },
    });
    expect(rows(keep)).toEqual(['2026-10-16 10:00', '2026-10-21 10:00', '2026-10-28 10:00']);
    expect(rows(add)).toEqual([
      '2026-11-04 11:00',
      '2026-11-12 11:00',
      '2026-11-18 11:00',
      '2026-11-20 11:00',
    ]);
    expect([keep!.title, add!.title, add!.linkId, keep!.words, add!.words]).toEqual([
      'Tides',
      'Streams',
      3,
      { '2026-10-21': { title: 'a' } },
      { '2026-11-04': { title: 'b' } },
    ]);
  });
  it('is the whole series where nothing lies before', () => {
    const { keep, add } = edit(series({ every: 'week', times: 3 }), 'onwards', '2026-10-14', {
      kind: 'set',
      title: 'x',
    });
    expect([keep!.title, add]).toEqual(['x', null]);
  });
  it('keeps every second week in step, and a raw rule’s count', () => {
    const { keep, add } = edit(
      series({ every: 'week', interval: 2, on: ['MO', 'WE'], times: 8 }),
      'onwards',
      '2026-11-09',
      { kind: 'set', title: 'x' },
    );
    expect([...rows(keep), ...rows(add)]).toEqual(
      rows(series({ every: 'week', interval: 2, on: ['MO', 'WE'], times: 8 })),
    );
    const raw = series({ rrule: 'FREQ=MONTHLY;BYMONTHDAY=14,-1;COUNT=7' });
    const cut = edit(raw, 'onwards', '2026-11-30', { kind: 'set', title: 'x' });
    expect([...rows(cut.keep), ...rows(cut.add)]).toEqual(rows(raw));
  });
  it('cancels what is still to come, and leaves it on the books as called off', () => {
    const { keep, add } = edit(series({ every: 'week', times: 4 }), 'onwards', '2026-10-28', {
      kind: 'cancel',
    });
    expect([rows(keep), add]).toEqual([['2026-10-14 10:00', '2026-10-21 10:00'], null]);
    expect(rows(edit(keep!, 'onwards', '2026-10-28', { kind: 'restore' }).keep)).toHaveLength(4);
  });
  it('drags: weekdays turn with the date that was dragged', () => {
    const { keep, add } = edit(
      series({ every: 'week', on: ['MO', 'WE'], times: 6 }, { first: '2026-10-14' }),
      'onwards',
      '2026-10-21',
      { kind: 'move', date: '2026-10-22', time: '12:00' },
    );
    expect(rows(keep)).toEqual(['2026-10-14 10:00', '2026-10-19 10:00']);
    expect(rows(add)).toEqual([
      '2026-10-22 12:00',
      '2026-10-27 12:00',
      '2026-10-29 12:00',
      '2026-11-03 12:00',
    ]);
  });
  it('at any key, changing nothing, gives the same sessions as before', () => {
    const repeats = fc.constantFrom<PlanRepeat>(
      { every: 'week', on: ['MO', 'WE'], until: 'term-end' },
      { every: 'week', weeks: 9 },
      { every: 'day', interval: 3, times: 20 },
      { every: 'school-day', cycleDays: ['Ebb'], times: 12 },
      { every: 'month', monthDay: 31, until: 'year-end' },
      { every: 'month' },
    );
    fc.assert(
      fc.property(
        repeats,
        fc.constantFrom<'skip' | 'keep'>('skip', 'keep'),
        fc.nat(60),
        (repeat, closures, pick) => {
          const whole = series(repeat, {
            closures,
            alsoOn: ['2026-10-12', '2026-11-28'],
            changes: [{ key: '2026-11-02', kind: 'move', date: '2026-11-03' }],
          });
          const keys = expandPlan(whole.plan, school, YEAR).map((o) => o.key);
          const { keep, add } = edit(whole, 'onwards', keys[pick % keys.length]!, { kind: 'set' });
          expect([...rows(keep), ...rows(add)].sort()).toEqual(rows(whole).sort());
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('the whole series', () => {
  it('makes a series of a single session, and the other way round', () => {
    const made = edit(series(undefined), 'whole', '2026-10-14', {
      kind: 'set',
      plan: { repeat: { every: 'week', times: 3 } },
    }).keep!;
    expect(rows(made)).toHaveLength(3);
    expect(
      edit(made, 'whole', '2026-10-14', { kind: 'set', plan: { repeat: undefined as never } }).keep,
    ).toEqual(series(undefined));
  });
  it('moves with one of its dates, single changes staying', () => {
    const s = series(
      { every: 'week', times: 3 },
      { changes: [{ key: '2026-10-21', kind: 'cancel' }] },
    );
    expect(
      rows(
        edit(s, 'whole', '2026-10-14', { kind: 'move', date: '2026-10-14', time: '08:00' }).keep,
      ),
    ).toEqual(['2026-10-14 08:00', '2026-10-28 08:00']);
  });
  it('cannot turn a monthly series by its weekday', () => {
    expect(() =>
      edit(series({ every: 'month' }), 'whole', '2026-10-14', {
        kind: 'move',
        date: addDays('2026-10-14', 1),
      }),
    ).toThrow(expect.objectContaining({ path: 'change.date' }));
  });
});
