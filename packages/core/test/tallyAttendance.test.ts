import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GlenInputError, tallyAttendance, utcOf, type Visit } from '../src/index.js';

const at = (time: string): string => `2026-10-14T${time}Z`;
const visit = (person: string, from: string, to: string | null): Visit => ({
  person,
  from: at(from),
  to: to === null ? null : at(to),
});
const lesson = { start: at('13:45:00'), end: at('14:35:00'), now: at('15:00:00'), roll: ['a'] };
const of = (visits: Visit[], more: object = {}) =>
  tallyAttendance({ ...lesson, visits, ...more })[0]!;

describe('tallyAttendance', () => {
  it('tells who was in, partly in and absent, in the order of the roll', () => {
    const rows = tallyAttendance({
      ...lesson,
      roll: ['b', 'a', 'c'],
      visits: [visit('a', '13:44:00', '14:36:00'), visit('b', '14:20:00', '14:35:00')],
    });
    expect(rows).toEqual([
      {
        person: 'b',
        status: 'partly',
        late: true,
        leftEarly: false,
        minutes: 15,
        spans: [{ from: at('14:20:00'), to: at('14:35:00') }],
      },
      {
        person: 'a',
        status: 'present',
        late: false,
        leftEarly: false,
        minutes: 50,
        spans: [{ from: at('13:45:00'), to: at('14:35:00') }],
      },
      { person: 'c', status: 'absent', late: false, leftEarly: false, minutes: 0, spans: [] },
    ]);
  });
  it('is late after more than five minutes, and leaves early more than five before the end', () => {
    expect(of([visit('a', '13:50:00', '14:30:00')])).toMatchObject({
      late: false,
      leftEarly: false,
    });
    expect(of([visit('a', '13:50:01', '14:29:59')])).toMatchObject({ late: true, leftEarly: true });
    expect(
      of([visit('a', '13:50:01', '14:29:59')], { lateAfter: 10, earlyBefore: 10 }),
    ).toMatchObject({ late: false, leftEarly: false });
  });
  it('takes two devices for one, and a line that dropped for a minute for none', () => {
    const two = of([
      visit('a', '13:45:00', '14:05:00'),
      visit('a', '14:00:00', '14:20:00'),
      visit('a', '14:21:00', '14:35:00'),
    ]);
    expect(two.spans).toEqual([{ from: at('13:45:00'), to: at('14:35:00') }]);
    const gap = of([visit('a', '13:45:00', '14:20:00'), visit('a', '14:21:01', '14:35:00')]);
    expect(gap.spans).toHaveLength(2);
    expect(gap.minutes).toBe(48);
  });
  it('measures a session that runs by the time gone so far, and calls nobody early', () => {
    const now = at('14:05:00');
    expect(of([visit('a', '13:45:00', null)], { now })).toMatchObject({
      status: 'present',
      leftEarly: false,
      minutes: 20,
    });
    expect(of([visit('a', '13:56:00', null)], { now }).status).toBe('partly');
    expect(of([visit('a', '13:45:00', '13:56:00')], { now })).toMatchObject({
      status: 'present',
      leftEarly: false,
    });
  });
  it('drops what lies before, after or yet to come', () => {
    const visits = [
      visit('a', '13:00:00', '13:45:00'),
      visit('a', '14:35:00', '14:50:00'),
      visit('a', '15:10:00', null),
      visit('g', '15:10:00', null),
    ];
    expect(tallyAttendance({ ...lesson, visits })).toEqual([
      { person: 'a', status: 'absent', late: false, leftEarly: false, minutes: 0, spans: [] },
    ]);
  });
  it('tells guests after the roll, by when they came and then by who they are, without flags', () => {
    const rows = tallyAttendance({
      ...lesson,
      visits: [
        visit('z', '14:00:00', '14:01:00'),
        visit('y', '14:10:00', '14:11:00'),
        visit('x', '14:10:00', '14:11:00'),
      ],
    });
    expect(rows.slice(1).map((row) => [row.person, row.status, row.late])).toEqual([
      ['z', 'guest', false],
      ['x', 'guest', false],
      ['y', 'guest', false],
    ]);
  });
  it('names what is wrong', () => {
    const wrong = (more: object): string => {
      try {
        tallyAttendance({ ...lesson, visits: [], ...more });
      } catch (error) {
        if (error instanceof GlenInputError) return error.path;
      }
      return 'nothing';
    };
    expect(wrong({ end: lesson.start })).toBe('end');
    expect(wrong({ roll: ['a', 'b', 'a'] })).toBe('roll.2');
    expect(wrong({ visits: [visit('a', '14:00:00', '14:00:00')] })).toBe('visits.0.to');
    expect(wrong({ now: 'soon' })).toBe('now');
    expect(wrong({ presentShare: 1.5 })).toBe('presentShare');
    expect(wrong({ bridge: -1 })).toBe('bridge');
  });
});

const START = 1_790_000_000;
const LENGTH = 3000;
const question = (visits: Visit[], now = LENGTH + 600) => ({
  start: utcOf(START),
  end: utcOf(START + LENGTH),
  now: utcOf(START + now),
  roll: ['a', 'b'],
  visits,
});
const anyVisit = fc
  .record({
    person: fc.constantFrom('a', 'b', 'c', 'd'),
    from: fc.integer({ min: -600, max: LENGTH + 600 }),
    length: fc.option(fc.integer({ min: 1, max: LENGTH })),
  })
  .map(({ person, from, length }): Visit => ({
    person,
    from: utcOf(START + from),
    to: length === null ? null : utcOf(START + from + length),
  }));
const visits = fc.array(anyVisit, { maxLength: 12 });

describe('whatever is told', () => {
  it('the order of visits does not matter', () => {
    fc.assert(
      fc.property(
        visits,
        fc.integer({ min: -60, max: LENGTH + 600 }),
        fc.infiniteStream(fc.nat()),
        (all, now, keys) => {
          const shuffled = all
            .map((one) => ({ one, key: keys.next().value }))
            .sort((a, b) => a.key - b.key)
            .map(({ one }) => one);
          expect(tallyAttendance(question(shuffled, now))).toEqual(
            tallyAttendance(question(all, now)),
          );
        },
      ),
    );
  });
  it('a visit cut in two at a moment is the same visit', () => {
    fc.assert(
      fc.property(visits, fc.nat(), fc.nat(), (all, which, where) => {
        fc.pre(all.length > 0);
        const i = which % all.length;
        const { person, from, to } = all[i]!;
        const [began, left] = [Date.parse(from) / 1000, to === null ? null : Date.parse(to) / 1000];
        fc.pre(left !== null && left - began > 1);
        const cut = utcOf(began + 1 + (where % (left! - began - 1)));
        const halves = [
          { person, from, to: cut },
          { person, from: cut, to },
        ];
        const parted = [...all.slice(0, i), ...halves, ...all.slice(i + 1)];
        expect(tallyAttendance(question(parted))).toEqual(tallyAttendance(question(all)));
      }),
    );
  });
  it('minutes never exceed the session, spans are apart, and the roll is told whole', () => {
    fc.assert(
      fc.property(visits, fc.integer({ min: -60, max: LENGTH + 600 }), (all, now) => {
        const rows = tallyAttendance(question(all, now));
        expect(rows.slice(0, 2).map((row) => row.person)).toEqual(['a', 'b']);
        for (const { minutes, spans, status } of rows) {
          expect(minutes).toBeLessThanOrEqual(LENGTH / 60);
          expect(spans.length === 0).toBe(status === 'absent');
          spans.slice(1).forEach((span, i) => {
            const apart = (Date.parse(span.from) - Date.parse(spans[i]!.to)) / 1000;
            expect(apart).toBeGreaterThan(60);
          });
        }
      }),
    );
  });
});
