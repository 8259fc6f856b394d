import { execFileSync } from 'node:child_process';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GlenInputError,
  addDays,
  expandPlan,
  isHeld,
  type Occurrence,
  type PlanTime,
  type SessionPlan,
} from '../src/index.js';
import { WIDE, oncePlan, school } from './school.js';

const one = (plan: SessionPlan, s: typeof school | null = school): Occurrence =>
  expandPlan(plan, s, WIDE)[0]!;
const errorPath = (plan: unknown, s: typeof school | null = school, window = WIDE): string => {
  try {
    expandPlan(plan as SessionPlan, s, window);
    return 'no error';
  } catch (e) {
    expect(e).toBeInstanceOf(GlenInputError);
    return (e as GlenInputError).path;
  }
};

describe('a plan for one date', () => {
  it('stands at its wall-clock time, as instants in UTC', () => {
    expect(expandPlan(oncePlan('2026-10-14'), school, WIDE)).toEqual([
      {
        key: '2026-10-14',
        date: '2026-10-14',
        time: '10:00',
        minutes: 50,
        start: '2026-10-14T13:00:00Z',
        end: '2026-10-14T13:50:00Z',
        status: 'planned',
      },
    ]);
  });
  it('follows the bells in force that day', () => {
    expect(one(oncePlan('2026-10-14', { at: { period: 'P1' } }))).toMatchObject({
      time: '08:40',
      minutes: 50,
    });
    expect(one(oncePlan('2026-10-19', { at: { period: 'P1' } }))).toMatchObject({
      time: '09:40',
      minutes: 40,
    });
  });
  it('stands some minutes from a bell', () => {
    const after = (period: string, edge: 'start' | 'end', offset: number): PlanTime => ({
      bell: { period, edge, offset },
      minutes: 30,
    });
    expect(one(oncePlan('2026-10-14', { at: after('last', 'end', 10) }))).toMatchObject({
      time: '11:45',
      minutes: 30,
    });
    expect(one(oncePlan('2026-10-19', { at: after('last', 'end', 10) }))).toMatchObject({
      time: '11:10',
    });
    expect(one(oncePlan('2026-10-14', { at: after('first', 'start', -40) }))).toMatchObject({
      time: '08:00',
    });
  });
  it('is skipped on a closed day, with the reason, unless closures are kept', () => {
    expect(one(oncePlan('2026-10-12'))).toMatchObject({
      status: 'skipped',
      reason: 'closure',
      why: 'Thanksgiving',
      time: '10:00',
    });
    expect(one(oncePlan('2026-12-25'))).toMatchObject({
      status: 'skipped',
      reason: 'outside-term',
      why: 'outside term',
    });
    expect(one(oncePlan('2026-10-12', { closures: 'keep' }))).toMatchObject({ status: 'planned' });
    expect(one(oncePlan('2026-10-12'), null)).toMatchObject({ status: 'planned' });
  });
  it('is held at a wall-clock time on a Saturday: somebody meant it', () => {
    expect(one(oncePlan('2026-10-03'))).toMatchObject({ status: 'planned' });
  });
  it('is skipped and untimed where no bell gives its time', () => {
    expect(one(oncePlan('2026-10-19', { at: { period: 'P3' } }))).toEqual({
      key: '2026-10-19',
      date: '2026-10-19',
      time: '00:00',
      minutes: 0,
      start: '2026-10-19T03:00:00Z',
      end: '2026-10-19T03:00:00Z',
      untimed: true,
      status: 'skipped',
      reason: 'no-period',
      why: 'no period P3 on Fog bells',
    });
    expect(one(oncePlan('2026-10-03', { at: { period: 'P3' }, closures: 'keep' }))).toMatchObject({
      reason: 'no-bells',
      why: 'no teaching on Saturdays',
      untimed: true,
    });
    expect(one(oncePlan('2026-10-11', { at: { period: 'P3' } }))).toMatchObject({
      reason: 'closure',
      why: 'Long weekend',
      untimed: true,
    });
    expect(one(oncePlan('2026-10-12', { at: { period: 'P3' } }))).toMatchObject({
      reason: 'closure',
      time: '10:45',
    });
  });
});

describe('extra dates', () => {
  it('are held whatever the closures, one row a date, sorted', () => {
    const rows = expandPlan(
      oncePlan('2026-10-14', { alsoOn: ['2026-10-12', '2026-10-14', '2026-10-07', '2026-10-12'] }),
      school,
      WIDE,
    );
    expect(rows.map((r) => [r.key, r.status])).toEqual([
      ['2026-10-07', 'planned'],
      ['2026-10-12', 'planned'],
      ['2026-10-14', 'planned'],
    ]);
  });
  it('are still skipped without their bell period, for the bell’s reason', () => {
    const rows = expandPlan(
      oncePlan('2026-10-14', { at: { period: 'P3' }, alsoOn: ['2026-10-19', '2026-10-11'] }),
      school,
      WIDE,
    );
    expect(rows.map((r) => r.reason)).toEqual(['no-bells', undefined, 'no-period']);
  });
  it('hold a date of the pattern that a closure skipped', () => {
    expect(one(oncePlan('2026-10-12', { alsoOn: ['2026-10-12'] })).status).toBe('planned');
  });
});

describe('changes', () => {
  it('cancel with a note, keeping the time', () => {
    expect(
      one(
        oncePlan('2026-10-14', { changes: [{ key: '2026-10-14', kind: 'cancel', note: 'storm' }] }),
      ),
    ).toMatchObject({ status: 'cancelled', why: 'storm', time: '10:00' });
  });
  it('leave a skipped date skipped when cancelled, hold it when moved', () => {
    expect(
      one(oncePlan('2026-10-12', { changes: [{ key: '2026-10-12', kind: 'cancel' }] })),
    ).toMatchObject({ status: 'skipped', why: 'Thanksgiving' });
    const moved = one(
      oncePlan('2026-10-12', {
        changes: [
          { key: '2026-10-12', kind: 'move', date: '2026-10-13', note: 'after the holiday' },
        ],
      }),
    );
    expect(moved).toEqual({
      key: '2026-10-12',
      date: '2026-10-13',
      time: '10:00',
      minutes: 50,
      start: '2026-10-13T13:00:00Z',
      end: '2026-10-13T13:50:00Z',
      status: 'moved',
      why: 'after the holiday',
      was: { date: '2026-10-12', time: '10:00', minutes: 50 },
    });
  });
  it('take what a move leaves out from the bells of the new date, else of the old one', () => {
    const move = (date: string, more = {}): Occurrence =>
      one(
        oncePlan('2026-10-14', {
          at: { period: 'P3' },
          changes: [{ key: '2026-10-14', kind: 'move', date, ...more }],
        }),
      );
    expect(move('2026-10-19')).toMatchObject({
      status: 'moved',
      date: '2026-10-19',
      time: '10:45',
      minutes: 50,
    });
    expect(move('2026-10-17', { time: '14:00' })).toMatchObject({ time: '14:00', minutes: 50 });
    const p1 = one(
      oncePlan('2026-10-14', {
        at: { period: 'P1' },
        changes: [{ key: '2026-10-14', kind: 'move', date: '2026-10-19' }],
      }),
    );
    expect(p1).toMatchObject({ time: '09:40', minutes: 40 });
  });
  it('leave a row skipped as it was where neither date gives the time', () => {
    const plan = oncePlan('2026-10-03', {
      at: { period: 'P3' },
      changes: [{ key: '2026-10-03', kind: 'move', date: '2026-10-19', time: '09:00' }],
    });
    expect(one(plan)).toMatchObject({ status: 'skipped', reason: 'no-bells', date: '2026-10-03' });
    const whole = oncePlan('2026-10-03', {
      at: { period: 'P3' },
      changes: [
        { key: '2026-10-03', kind: 'move', date: '2026-10-19', time: '09:00', minutes: 20 },
      ],
    });
    expect(one(whole)).toMatchObject({
      status: 'moved',
      time: '09:00',
      minutes: 20,
      was: { time: '00:00', minutes: 0 },
    });
    expect(one(whole).untimed).toBeUndefined();
  });
  it('count the last for a key, and ignore those for dates that nothing gives', () => {
    const changes: SessionPlan['changes'] = [
      { key: '2026-10-14', kind: 'cancel' },
      { key: '2026-10-14', kind: 'move', date: '2026-10-15' },
      { key: '2026-10-20', kind: 'cancel' },
    ];
    expect(
      expandPlan(oncePlan('2026-10-14', { changes }), school, WIDE).map((r) => [
        r.key,
        r.date,
        r.status,
      ]),
    ).toEqual([['2026-10-14', '2026-10-15', 'moved']]);
  });
  it('are asked about by the date where they stand now', () => {
    const plan = oncePlan('2026-10-14', {
      changes: [{ key: '2026-10-14', kind: 'move', date: '2026-11-02' }],
    });
    expect(expandPlan(plan, school, { from: '2026-10-01', to: '2026-11-01' })).toEqual([]);
    expect(expandPlan(plan, school, { from: '2026-11-02', to: '2026-11-03' })).toHaveLength(1);
    expect(expandPlan(plan, school, { from: '2026-11-02', to: '2026-11-02' })).toEqual([]);
  });
});

describe('changes of clocks', () => {
  it('move a time that does not exist forward by the gap', () => {
    expect(
      one(oncePlan('2027-03-14', { at: { time: '02:30', minutes: 60 }, closures: 'keep' })),
    ).toMatchObject({ time: '03:30', start: '2027-03-14T06:30:00Z', end: '2027-03-14T07:30:00Z' });
  });
  it('take the earlier of a time that exists twice, and elapsed minutes', () => {
    expect(
      one(oncePlan('2026-11-01', { at: { time: '01:30', minutes: 120 }, closures: 'keep' })),
    ).toMatchObject({ start: '2026-11-01T04:30:00Z', end: '2026-11-01T06:30:00Z' });
  });
  it('carry a time before midnight onto the next date where the gap does', () => {
    // America/Scoresbysund changed at 00:00 of 31 March 2024 in reverse sense; Beirut skips midnight itself.
    const plan: SessionPlan = {
      first: '2026-03-29',
      at: { time: '00:30', minutes: 30 },
      zone: 'Asia/Beirut',
      closures: 'keep',
    };
    expect(expandPlan(plan, null, WIDE)[0]).toMatchObject({
      key: '2026-03-29',
      date: '2026-03-29',
      time: '01:30',
    });
  });
  it('agree with the transitions that zdump prints from the system’s tz database', () => {
    const printed = execFileSync('zdump', ['-v', '-c', '2026,2028', 'America/Halifax'], {
      encoding: 'utf8',
    });
    const changes = [
      ...printed.matchAll(/(\w{3}) +(\d+) (\d\d):(\d\d):(\d\d) (\d{4}) UTC? *= .*isdst=(\d)/g),
    ].filter((m) => m[5] === '00');
    const months = [
      'Jan',
      'Feb',
      'Mar',
      'Apr',
      'May',
      'Jun',
      'Jul',
      'Aug',
      'Sep',
      'Oct',
      'Nov',
      'Dec',
    ];
    expect(changes.length).toBeGreaterThanOrEqual(4);
    for (const [, month, day, hour, , , year, dst] of changes) {
      const instant = `${year}-${String(months.indexOf(month!) + 1).padStart(2, '0')}-${day!.padStart(2, '0')}T${hour}:00:00Z`;
      const local = dst === '1' ? '03:00' : '01:00';
      const date = instant.slice(0, 10);
      const row = one(
        {
          first: date,
          at: { time: local, minutes: 60 },
          zone: 'America/Halifax',
          closures: 'keep',
        },
        null,
      );
      // In spring 03:00 is the very instant of the change; in autumn 01:00 comes an hour before it, the first time.
      expect(dst === '1' ? row.start : row.end).toBe(instant);
    }
  });
});

describe('the window', () => {
  it('cut in two gives the same occurrences', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 200 }),
        fc.array(fc.integer({ min: 0, max: 200 }), { maxLength: 6 }),
        fc.integer({ min: 0, max: 210 }),
        fc.constantFrom<PlanTime>({ time: '23:50', minutes: 30 }, { period: 'P2' }),
        (first, also, cut, at) => {
          const day = (n: number): string => addDays('2026-09-01', n);
          const plan = oncePlan(day(first), {
            at,
            alsoOn: also.map(day),
            changes: also
              .slice(0, 2)
              .map((n, i) => ({ key: day(n), kind: 'move', date: day(n + i + 1) })),
          });
          const whole = expandPlan(plan, school, { from: '2026-08-01', to: '2027-06-01' });
          const parts = [
            ...expandPlan(plan, school, { from: '2026-08-01', to: day(cut) }),
            ...expandPlan(plan, school, { from: day(cut), to: '2027-06-01' }),
          ];
          expect(parts).toEqual(whole);
          expect(whole.every((r) => !isHeld(r) || r.minutes > 0)).toBe(true);
        },
      ),
    );
  });
});

describe('wrong input', () => {
  it('is refused with the path of the field', () => {
    const bell = (offset: number, period = 'P1') => ({
      bell: { period, edge: 'end', offset },
      minutes: 30,
    });
    expect(errorPath(oncePlan('2026-13-01'))).toBe('first');
    expect(errorPath(oncePlan('2026-10-14', { at: { time: '25:00', minutes: 5 } }))).toBe(
      'at.time',
    );
    expect(errorPath(oncePlan('2026-10-14', { at: { time: '10:00', minutes: 1441 } }))).toBe(
      'at.minutes',
    );
    expect(errorPath(oncePlan('2026-10-14', { at: { time: '10:00', minutes: 0.5 } }))).toBe(
      'at.minutes',
    );
    expect(errorPath(oncePlan('2026-10-14', { at: { period: 'P9' } }))).toBe('at.period');
    expect(errorPath(oncePlan('2026-10-14', { at: { period: 'first' } }))).toBe('at.period');
    expect(errorPath(oncePlan('2026-10-14', { at: { period: 'P1' } }), null)).toBe('at.period');
    expect(errorPath(oncePlan('2026-10-14', { at: bell(241) as PlanTime }))).toBe('at.bell.offset');
    expect(errorPath(oncePlan('2026-10-14', { at: bell(10, 'P9') as PlanTime }))).toBe(
      'at.bell.period',
    );
    expect(errorPath(oncePlan('2026-10-14', { at: { period: 'P1' }, zone: 'Europe/Oslo' }))).toBe(
      'zone',
    );
    expect(errorPath(oncePlan('2026-10-14', { zone: '+03:00' }))).toBe('zone');
    expect(errorPath({ ...oncePlan('2026-10-14'), closures: 'maybe' })).toBe('closures');
    expect(errorPath(oncePlan('2026-10-14', { alsoOn: ['2026-10-14', 'soon'] }))).toBe('alsoOn.1');
    expect(
      errorPath(
        oncePlan('2026-10-14', {
          changes: [{ key: '2026-10-14', kind: 'move', date: '2026-10-15', minutes: 0 }],
        }),
      ),
    ).toBe('changes.0.minutes');
    expect(
      errorPath(oncePlan('2026-10-14'), school, { from: '2026-02-01', to: '2026-01-01' }),
    ).toBe('window.from');
    expect(
      errorPath(oncePlan('2026-10-14'), school, { from: '2026-01-01', to: '2037-01-01' }),
    ).toBe('window.to');
  });
  it('knows an offset that would leave the day', () => {
    const late = {
      ...school,
      bells: [
        ...school.bells,
        { name: 'Evening', periods: [{ label: 'E', start: '21:00', end: '22:30' }] },
      ],
    };
    expect(
      errorPath(
        oncePlan('2026-10-14', {
          at: { bell: { period: 'E', edge: 'end', offset: 90 }, minutes: 30 },
        }),
        late,
      ),
    ).toBe('at.bell.offset');
  });
});
