import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  describePlan,
  editSeries,
  expandPlan,
  fromRRule,
  isHeld,
  nextOccurrences,
  toRRule,
  wholeWindow,
  type SessionPlan,
} from '../src/index.js';
import { WIDE, oncePlan, school } from './school.js';

/** Mondays at a clock time, in the autumn. */
const mondays: SessionPlan = {
  ...oncePlan('2026-10-19'),
  closures: 'keep',
  repeat: { every: 'week', on: ['MO'], times: 5 },
};
const keys = (plan: SessionPlan): string[] =>
  expandPlan(plan, school, WIDE).map((o) => `${o.key}${isHeld(o) ? '' : ` ${o.status}`}`);

describe('dates that are left out of a plan', () => {
  it('are none of it: no row, not counted, no change of theirs counts', () => {
    const plan: SessionPlan = {
      ...mondays,
      except: ['2026-10-26'],
      changes: [{ key: '2026-10-26', kind: 'move', date: '2026-10-27' }],
    };
    expect(keys(plan)).toEqual([
      '2026-10-19',
      '2026-11-02',
      '2026-11-09',
      '2026-11-16',
      '2026-11-23',
    ]);
  });

  it('are counted by a raw rule, as RFC 5545 counts what EXDATE takes away', () => {
    const repeat = { rrule: 'FREQ=WEEKLY;BYDAY=MO;COUNT=3' };
    expect(keys({ ...mondays, repeat, except: ['2026-10-26'] })).toEqual([
      '2026-10-19',
      '2026-11-02',
    ]);
  });

  it('are ignored where the pattern does not give them, and refused where they are added as well', () => {
    expect(keys({ ...mondays, except: ['2026-10-27'] })).toEqual(keys(mondays));
    const both = { ...mondays, alsoOn: ['2026-12-01'], except: ['2026-12-01'] };
    expect(() => keys(both)).toThrow(expect.objectContaining({ path: 'except' }));
    expect(() => keys({ ...mondays, except: ['26 Oct'] })).toThrow(
      expect.objectContaining({ path: 'except.0' }),
    );
  });

  it('are said, where they are few by name', () => {
    const until: SessionPlan = {
      ...mondays,
      repeat: { every: 'week', on: ['MO'], until: '2026-12-14' },
    };
    const said = (except: string[]): string => describePlan({ ...until, except }, school);
    expect(said(['2026-11-09'])).toMatch(/19 Oct – 14 Dec 2026, except 9 Nov$/);
    expect(said(['2026-11-16', '2026-11-09'])).toMatch(/, except 9 Nov and 16 Nov$/);
    expect(said(['2026-11-10'])).not.toContain('except');
    const five = ['2026-10-26', '2026-11-02', '2026-11-09', '2026-11-16', '2026-11-30'];
    expect(said(five)).toMatch(/, except 5 dates$/);
  });

  it('are no next ones', () => {
    const plan = { ...mondays, except: ['2026-10-19'] };
    expect(nextOccurrences(plan, school, '2026-10-14T12:00:00Z', 1)[0]!.key).toBe('2026-10-26');
  });

  it('stand among the dates that a rule leaves out, and are read so; an added one that is left out is none', () => {
    const plan: SessionPlan = {
      ...mondays,
      repeat: { every: 'week', on: ['MO'], until: '2026-12-14' },
      except: ['2026-11-09'],
    };
    const rules = toRRule(plan, school, wholeWindow(plan, school));
    expect(rules.exdates).toEqual(['2026-11-09']);
    const { changes, ...back } = fromRRule(rules, plan);
    expect(back.except).toEqual(['2026-11-09']);
    expect(changes).toBeUndefined();
    expect(keys(back)).toEqual(keys(plan));
    const counted = fromRRule({ rrule: 'FREQ=WEEKLY;COUNT=3', exdates: ['2026-10-26'] }, mondays);
    expect(keys(counted)).toEqual(['2026-10-19', '2026-11-02']);
    const added = { rrule: 'FREQ=WEEKLY;COUNT=1', rdates: ['2026-10-27'], exdates: ['2026-10-27'] };
    expect(keys(fromRRule(added, mondays))).toEqual(['2026-10-19']);
  });

  it('go to their side of a cut; each side keeps what it held', () => {
    const plan = { ...mondays, except: ['2026-10-26', '2026-11-16'] };
    const series = { title: 'Lesson', description: '', plan };
    const change = { kind: 'set', title: 'Later' } as const;
    const { keep, add } = editSeries(
      series,
      { scope: 'onwards', key: '2026-11-09', change },
      school,
    );
    expect(keep!.plan.except).toEqual(['2026-10-26']);
    expect(add!.plan.except).toEqual(['2026-11-16']);
    expect([...keys(keep!.plan), ...keys(add!.plan)]).toEqual(keys(plan));
  });

  it('whatever is left out, the rest stands as it did', () => {
    const pattern: SessionPlan = {
      ...mondays,
      repeat: { every: 'week', on: ['MO', 'TH'], weeks: 12 },
    };
    const all = expandPlan(pattern, school, WIDE);
    fc.assert(
      fc.property(fc.subarray(all.map((o) => o.key)), (except) => {
        const left = expandPlan({ ...pattern, except }, school, WIDE);
        expect(left).toEqual(all.filter((o) => !except.includes(o.key)));
      }),
    );
  });
});
