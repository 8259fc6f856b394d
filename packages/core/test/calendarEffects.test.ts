import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  calendarEffects,
  cycleAfter,
  dayInfo,
  expandPlan,
  isHeld,
  notesForEffects,
  pairEffects,
  type SchoolCalendar,
  type SessionPlan,
} from '../src/index.js';
import { oncePlan, school } from './school.js';

const NOW = '2026-10-14T13:31:00Z';
const plan: SessionPlan = oncePlan('2026-10-12', {
  at: { period: 'P1' },
  closures: 'skip',
  repeat: { every: 'week', on: ['MO', 'WE'], until: 'term-end' },
  changes: [{ key: '2026-11-04', kind: 'move', date: '2026-11-05' }],
});
const closing = (first: string, last = first): SchoolCalendar => ({
  ...school,
  closures: [...school.closures, { name: 'Wharf Day', first, last, kind: 'holiday' }],
});
const effects = (after: SchoolCalendar) => calendarEffects([{ id: 7, plan }], school, after, NOW);

describe('what an edited calendar does', () => {
  it('takes sessions off on a new holiday, and says why', () => {
    expect(effects(closing('2026-10-28'))).toEqual([
      {
        seriesId: 7,
        key: '2026-10-28',
        kind: 'vanishes',
        from: { date: '2026-10-28', time: '08:40', minutes: 50 },
        why: 'Wharf Day',
      },
    ]);
  });
  it('moves them with other bells', () => {
    const after = { ...school, bellFor: [...school.bellFor, { date: '2026-10-28', bell: 'Fog' }] };
    expect(effects(after)).toMatchObject([
      { kind: 'moves', from: { time: '08:40' }, to: { time: '09:40', minutes: 40 } },
    ]);
  });
  it('brings them back, and carries `until term ends` along', () => {
    expect(
      effects({ ...school, closures: school.closures.filter((c) => c.name !== 'Staff days') }),
    ).toMatchObject([{ kind: 'comes-back', to: { date: '2026-11-23' } }]);
    const longer = {
      ...school,
      terms: [{ ...school.terms[0]!, last: '2026-12-21' }, school.terms[1]!],
    };
    expect(effects(longer).map((e) => [e.kind, e.to?.date])).toEqual([
      ['comes-back', '2026-12-21'],
    ]);
    const shorter = {
      ...school,
      terms: [{ ...school.terms[0]!, last: '2026-12-11' }, school.terms[1]!],
    };
    expect(effects(shorter).map((e) => [e.kind, e.from?.date, e.why])).toEqual([
      ['vanishes', '2026-12-14', 'after its end'],
      ['vanishes', '2026-12-16', 'after its end'],
    ]);
  });
  it('leaves alone what has started, and names dates changed singly that stay', () => {
    expect(effects(closing('2026-10-12', '2026-10-14'))).toEqual([]);
    expect(effects(closing('2026-11-05'))).toMatchObject([
      { kind: 'stays', to: { date: '2026-11-05' } },
    ]);
  });
  it('says when a plan cannot be followed any more', () => {
    const bells = school.bells.map((set) => ({
      ...set,
      periods: set.periods.filter((p) => p.label !== 'P1'),
    }));
    expect(effects({ ...school, bells })).toEqual([
      { seriesId: 7, key: '2026-10-12', kind: 'breaks', why: 'No bell set has a period P1.' },
    ]);
  });
  it('accounts for every difference of what is held ahead, for random closures', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 90 }),
        fc.integer({ min: 0, max: 12 }),
        fc.boolean(),
        (from, days, fog) => {
          const first = addDays('2026-10-01', from);
          const after = {
            ...closing(first, addDays(first, days)),
            bellFor: fog ? [{ date: addDays(first, 3), bell: 'Fog' }] : school.bellFor,
          };
          const held = (s: SchoolCalendar): Map<string, string> =>
            new Map(
              expandPlan(plan, s, { from: '2026-09-01', to: '2027-06-01' })
                .filter((o) => isHeld(o) && o.start > NOW)
                .map((o) => [o.key, `${o.start} ${o.minutes}`]),
            );
          const [old, fresh] = [held(school), held(after)];
          const different = [...new Set([...old.keys(), ...fresh.keys()])]
            .filter((key) => old.get(key) !== fresh.get(key))
            .sort();
          expect(
            effects(after)
              .filter((e) => e.kind !== 'stays')
              .map((e) => e.key),
          ).toEqual(different);
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe('notes about it', () => {
  it('tell each fate once, with the first few dates; or that nothing changes', () => {
    expect(
      notesForEffects(effects(closing('2026-10-26', '2026-11-20')), () => 'Tides'),
    ).toMatchObject([
      {
        severity: 'careful',
        title: '7 sessions off the books',
        text: 'Tides, Mon 26 Oct: Wharf Day. Tides, Wed 28 Oct: Wharf Day. Tides, Mon 2 Nov: Wharf Day. Tides, Mon 9 Nov: Wharf Day. And 3 more.',
      },
      { severity: 'inform', title: '1 session changed singly, and kept' },
    ]);
    expect(notesForEffects([], () => '')).toMatchObject([{ severity: 'well' }]);
  });
});

describe('a closure in mid-term', () => {
  const onEbb: SessionPlan = {
    ...plan,
    repeat: { every: 'school-day', cycleDays: ['Ebb'], until: 'term-end' },
  };
  const closed = (cycle?: 'goes-on'): SchoolCalendar => ({
    ...school,
    closures: [
      ...school.closures,
      {
        name: 'Storm',
        first: '2026-11-03',
        last: '2026-11-03',
        kind: 'holiday',
        ...(cycle ? { cycle } : {}),
      },
    ],
  });
  it('says what the next school day is, whichever way the cycle goes', () => {
    const at = school.closures.length;
    const { cycleDay: shifted } = dayInfo(closed(), '2026-11-04');
    const { cycleDay: goesOn } = dayInfo(closed('goes-on'), '2026-11-04');
    expect(shifted).not.toBe(goesOn);
    for (const either of [closed(), closed('goes-on')])
      expect(cycleAfter(either, at)).toEqual({ date: '2026-11-04', shifted, goesOn });
  });
  it('says nothing where both ways come to the same, or there is no cycle of teaching days', () => {
    const { cycle: _cycle, ...without } = closed();
    expect(cycleAfter(without, school.closures.length)).toBeUndefined();
    // Two days use up both labels.
    const two = { name: 'Gale', first: '2026-11-05', last: '2026-11-06', kind: 'staff' as const };
    expect(cycleAfter({ ...school, closures: [two] }, 0)).toBeUndefined();
  });
  it('pairs what leaves with what comes in its place, each once', () => {
    const of = (after: SchoolCalendar) =>
      calendarEffects([{ id: 7, plan: onEbb }], school, after, NOW);
    const { pairs, single } = pairEffects(of(closed()));
    expect(pairs.length).toBeGreaterThan(10);
    expect(single.length).toBeLessThanOrEqual(1);
    expect(new Set(pairs.map(({ comes }) => comes.key)).size).toBe(pairs.length);
    const [note] = notesForEffects(of(closed()), () => 'Tides');
    expect(note!.title).toBe(`${pairs.length} sessions on another day`);
    expect(note!.text).toMatch(/^Tides, \w+ \d+ Nov: instead \w+ \d+ Nov, /);
    // Where the cycle goes on, only the day itself is lost.
    expect(of(closed('goes-on')).length).toBeLessThanOrEqual(1);
  });
});
