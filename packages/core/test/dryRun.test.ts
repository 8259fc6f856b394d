import { describe, expect, it } from 'vitest';
import {
  dryRun,
  freePeriod,
  planClashes,
  planForClass,
  planForNextTerm,
  placeWallTime,
  type DryRunContext,
  type KnownBooking,
  type Note,
  type SessionPlan,
} from '../src/index.js';
import { oncePlan, school } from './school.js';

const context: DryRunContext = {
  school,
  now: '2026-10-14T13:31:00Z',
  linkCode: 'heron-7k3m9qvd2xt',
  classId: 1,
  holds: ['link:3', 'person:1', 'person:2', 'person:90', 'person:91'],
  bookings: [],
  names: { 'link:3': 'this link', 'person:1': 'you', 'person:2': 'Tomas Verhage' },
};
const titles = (notes: Note[]): string[] => notes.map((n) => n.title);
const booking = (
  date: string,
  time: string,
  minutes: number,
  holds: string[],
  more: Partial<KnownBooking> = {},
): KnownBooking => {
  const { start, end } = placeWallTime(date, time, minutes, school.zone);
  return {
    id: `${date} ${time}`,
    seriesId: 9,
    classId: 2,
    title: 'Ropework',
    date,
    time,
    minutes,
    start,
    end,
    holds,
    ...more,
  };
};
const mondays: SessionPlan = oncePlan('2026-10-19', {
  at: { period: 'P1' },
  closures: 'skip',
  repeat: { every: 'week', on: ['MO'], until: 'term-end' },
});

describe('a dry run of a single session', () => {
  it('says where it falls, what day that is, and that the link stays', () => {
    const { rows, day, notes } = dryRun(oncePlan('2026-10-15'), context);
    expect(rows[0]!.start).toBe('2026-10-15T13:00:00Z');
    expect(day).toMatchObject({ teaching: true, cycleDay: 'Ebb' });
    expect(titles(notes)).toEqual(['Thu 15 Oct, a school day', 'Same link as always']);
    expect(notes[0]!.text).toBe('Regular bells, Ebb day, week 6 of Autumn.');
  });
  it('warns of a clash, of a closure and of the past, worst first', () => {
    const { notes } = dryRun(oncePlan('2026-10-12', { closures: 'keep' }), {
      ...context,
      bookings: [booking('2026-10-12', '10:30', 30, ['person:1'])],
    });
    expect(titles(notes)).toEqual([
      'Mon 12 Oct clashes',
      'That is in the past',
      'The school is closed then',
      'Same link as always',
    ]);
    expect(notes[0]!.text).toBe('Ropework, 10:30–11:00, has you too.');
  });
  it('says when nothing would be held', () => {
    expect(
      dryRun(oncePlan('2026-10-19', { at: { period: 'P3' }, closures: 'keep' }), context).notes[0],
    ).toMatchObject({ severity: 'wrong', text: 'Mon 19 Oct: no period P3 on Fog bells.' });
  });
  it('gives the reader’s own time where their device keeps another zone', () => {
    const run = dryRun(oncePlan('2026-10-15'), { ...context, readerZone: 'Europe/Oslo' });
    expect(run.local).toEqual({ zone: 'Europe/Oslo', date: '2026-10-15', time: '15:00' });
    expect(titles(run.notes)).toContain('15:00 on your clock');
    expect(
      dryRun(oncePlan('2026-10-15'), { ...context, readerZone: school.zone }).local,
    ).toBeUndefined();
  });
  it('warns of an empty roll', () =>
    expect(titles(dryRun(oncePlan('2026-10-15'), { ...context, rollSize: 0 }).notes)).toContain(
      'Nobody is on the roll',
    ));
});

describe('a dry run of a series', () => {
  it('counts what is held, tells what is skipped and why, and which days have other bells', () => {
    const { held, words, notes } = dryRun(mondays, context);
    expect([held, words]).toEqual([8, 'Every Mon, period P1, 19 Oct – 14 Dec 2026']);
    expect(notes).toEqual(
      [
        {
          severity: 'well',
          title: '8 sessions, 1 skipped',
          text: 'Mon 19 Oct to Mon 14 Dec. Mon 23 Nov: Staff days.',
          actions: [
            {
              name: 'instead-date',
              label: 'Wed 25 Nov instead of Mon 23 Nov',
              key: '2026-11-23',
              to: { date: '2026-11-25', time: '08:40', minutes: 50 },
            },
          ],
        },
        {
          severity: 'inform',
          title: 'Other bells move period P1',
          text: 'On Mon 19 Oct it runs 09:40–10:20 instead of 08:40–09:30.',
        },
        {
          severity: 'well',
          title: 'Same link as always',
          text: 'heron-7k3m9qvd2xt stays; nothing to send again.',
        },
      ].sort((a, b) => Number(b.severity === 'inform') - Number(a.severity === 'inform')),
    );
  });
  it('names each clash with who is in both, and what would mend it', () => {
    const { clashes, notes } = dryRun(mondays, {
      ...context,
      bookings: [
        booking('2026-11-02', '09:00', 60, ['person:1', 'person:2', 'person:90', 'person:91']),
        booking('2026-11-09', '09:00', 20, ['person:90']),
      ],
    });
    expect(clashes.map((c) => c.key)).toEqual(['2026-11-02', '2026-11-09']);
    expect(notes.slice(0, 2)).toMatchObject([
      {
        severity: 'wrong',
        title: 'Mon 2 Nov clashes',
        text: 'Ropework, 09:00–10:00, has you, Tomas Verhage and 2 students too.',
        actions: [
          {
            name: 'move-date',
            label: 'Move it to period P3',
            key: '2026-11-02',
            to: { date: '2026-11-02', time: '10:45', minutes: 50 },
          },
          { name: 'instead-date', label: 'Tue 3 Nov instead of Mon 2 Nov' },
          { name: 'skip-date' },
          { name: 'keep-date' },
        ],
      },
      {
        severity: 'careful',
        title: 'Mon 9 Nov clashes',
        text: 'Ropework, 09:00–09:20, has 1 student too.',
      },
    ]);
  });
  it('offers as another day only one on which it meets neither itself nor anything else', () => {
    const offered = (bookings: KnownBooking[], plan = mondays, more: Partial<DryRunContext> = {}) =>
      dryRun(plan, { ...context, bookings, ...more })
        .notes.flatMap((note) => note.actions ?? [])
        .filter((action) => action.name === 'instead-date')
        .map((action) => action.to?.date);
    const taken = booking('2026-11-25', '08:40', 50, ['person:1']);
    expect(offered([taken])).toEqual(['2026-11-26']);
    const wednesdaysToo: SessionPlan = {
      ...mondays,
      repeat: { every: 'week', on: ['MO', 'WE', 'TH'], until: 'term-end' },
    };
    expect(offered([], wednesdaysToo)).toEqual(['2026-11-27']);
    // Of one on the books dates are moved instead.
    expect(offered([], mondays, { isEdit: true })).toEqual([]);
  });
  it('tells of a series that pauses in its stretches, and of dates between skipped ones no gap', () => {
    const long: SessionPlan = { ...mondays, repeat: { every: 'week', until: 'year-end' } };
    const twice = { ...school.closures[1]!, first: '2026-11-09', last: '2026-11-09' };
    const closures = [...school.closures, twice];
    const { notes } = dryRun(long, { ...context, school: { ...school, closures } });
    expect(notes.find((note) => note.title.includes('sessions'))!.text).toBe(
      'Mon 19 Oct to Mon 14 Dec; Mon 11 Jan to Mon 22 Mar. Mon 9 Nov: Staff days; Mon 23 Nov: Staff days.',
    );
  });
  it('counts the rolls that meet at one door against what it lets in', () => {
    const of = (coming: number) =>
      titles(dryRun(mondays, { ...context, room: { coming, capacity: 40 } }).notes);
    expect(of(41)).toContain('41 students, and the door lets 40 in');
    expect(of(40).filter((title) => title.includes('the door lets'))).toEqual([]);
  });
  it('has the reader’s own clock last, and shows how a date would stand that is left out', () => {
    const { notes, leftOut } = dryRun(
      { ...mondays, except: ['2026-11-02'] },
      { ...context, readerZone: 'Europe/Oslo' },
    );
    expect(notes.at(-1)!.title).toMatch(/on your clock$/);
    expect(leftOut).toMatchObject([{ key: '2026-11-02', time: '08:40', minutes: 50 }]);
  });
  it('shows a date that is left out also beyond so many sessions', () => {
    const three: SessionPlan = { ...mondays, repeat: { every: 'week', times: 3 } };
    const except = ['2026-10-26', '2026-11-09'];
    const { leftOut, rows } = dryRun({ ...three, except }, context);
    expect(leftOut.map((o) => o.key)).toEqual(except);
    expect(rows.map((o) => o.key)).toEqual(['2026-10-19', '2026-11-02', '2026-11-16']);
  });
  it('tells many clashes with one series at once', () => {
    const same = ['2026-10-26', '2026-11-02', '2026-11-09', '2026-11-16'].map((date) =>
      booking(date, '08:40', 50, ['link:3', 'person:1', 'person:90'], { classId: 1 }),
    );
    const { notes, clashes } = dryRun(mondays, { ...context, bookings: same });
    expect(notes[0]).toMatchObject({
      severity: 'wrong',
      title: 'The class meets then already',
      text: 'Ropework is planned on 4 of these dates, the first Mon 26 Oct, 08:40–09:30. This link, you and 1 student would be in both.',
      actions: [
        { name: 'skip-date', label: 'Skip those 4', keys: clashes.map((c) => c.key) },
        { name: 'keep-date' },
      ],
    });
    expect(notes.filter((n) => n.severity === 'wrong')).toHaveLength(1);
  });
  it('leaves those alone that the teacher keeps, and touching times', () => {
    const bookings = [
      booking('2026-11-02', '09:00', 60, ['person:1']),
      booking('2026-11-09', '09:30', 20, ['person:1']),
    ];
    expect(dryRun(mondays, { ...context, bookings, kept: ['2026-11-02'] }).clashes).toEqual([]);
  });
  it('warns of dates outside term, in examinations, and of very many', () => {
    const exams = {
      ...school,
      closures: [
        ...school.closures,
        { name: 'Examinations', first: '2026-12-14', last: '2026-12-18', kind: 'exams' as const },
      ],
    };
    const daily = dryRun(
      {
        ...mondays,
        at: { time: '10:00', minutes: 30 },
        closures: 'keep',
        repeat: { every: 'day', until: '2027-09-30' },
      },
      { ...context, school: exams },
    );
    expect(titles(daily.notes).slice(0, 4)).toEqual([
      '347 sessions are many',
      '5 sessions during examinations',
      '205 sessions outside term',
      '2 sessions on closed days',
    ]);
  });
  it('of one that is on the books leaves alone what has begun', () => {
    const begun = { ...mondays, first: '2026-09-21' };
    const { held, ahead, notes } = dryRun(begun, {
      ...context,
      isEdit: true,
      bookings: [booking('2026-09-28', '08:40', 50, ['person:1'])],
    });
    expect([held - ahead, titles(notes)[0], notes[0]!.text]).toEqual([
      3,
      'What has been stays',
      '3 sessions that have begun are left as they were.',
    ]);
    expect(titles(dryRun(begun, context).notes)).toContain('3 sessions in the past');
  });
  it('says that it has no end, and to where it is shown', () => {
    expect(
      dryRun({ ...mondays, repeat: { every: 'week', on: ['MO'] } }, context).notes.find(
        (n) => n.title === 'It has no end',
      )!.text,
    ).toContain('22 Mar 2027');
  });
  it('says why a rule yields nothing', () => {
    const none = (more: Partial<SessionPlan>): string =>
      dryRun({ ...mondays, ...more }, context).notes[0]!.text;
    expect(
      none({
        at: { time: '10:00', minutes: 30 },
        repeat: { every: 'week', on: ['SA'], cycleDays: ['Ebb'] },
      }),
    ).toBe('No Ebb day falls on a Saturday.');
    expect(
      none({ repeat: { every: 'month', nth: { n: 5, weekday: 'MO' }, until: '2026-11-01' } }),
    ).toBe('No date fits between Mon 19 Oct and its end.');
    expect(
      none({ first: '2026-12-21', repeat: { every: 'week', on: ['MO'], until: '2026-12-28' } }),
    ).toBe('All 2 dates are skipped, the first on Mon 21 Dec: outside term.');
  });
});

describe('a free bell period', () => {
  const row = (date: string) =>
    dryRun({ ...mondays, first: date, repeat: { every: 'week', times: 1 } }, context).rows[0]!;
  const free = (bookings: KnownBooking[], now = context.now) =>
    freePeriod(row('2026-11-02'), { school, holds: context.holds, bookings, held: [], now });
  it('is the nearest of that day, else of the week, never in the past', () => {
    expect(free([])).toEqual({ date: '2026-11-02', time: '08:40', minutes: 50, period: 'P1' });
    expect(free([booking('2026-11-02', '08:00', 300, ['person:1'])])).toMatchObject({
      date: '2026-11-03',
      period: 'P1',
    });
    expect(free([], '2026-11-05T15:00:00Z')).toMatchObject({ date: '2026-11-06' });
    expect(free([], '2026-11-09T00:00:00Z')).toBeNull();
  });
  it('clashes with nothing', () => {
    const bookings = ['2026-11-02', '2026-11-03', '2026-11-04'].map((date) =>
      booking(date, '08:00', 300, ['person:2']),
    );
    const found = free(bookings)!;
    const { start, end } = placeWallTime(found.date, found.time, found.minutes, school.zone);
    expect(planClashes([{ ...row('2026-11-02'), start, end }], context.holds, bookings)).toEqual(
      [],
    );
  });
});

describe('a copied plan', () => {
  it('meets in the other class period’s own bell period, without single changes', () => {
    const copied = planForClass(
      { ...mondays, changes: [{ key: '2026-10-19', kind: 'cancel' }] },
      'P2',
      school,
    );
    expect(copied).toEqual({ ...mondays, at: { period: 'P2' } });
    expect(
      planForClass({ ...mondays, at: { time: '10:00', minutes: 30 } }, 'P2', school).at,
    ).toEqual({ time: '10:00', minutes: 30 });
    expect(planForClass(mondays, null, school)).toEqual(mondays);
    // From a day on, in the same rhythm, and without some of its dates.
    const other: SessionPlan = { ...mondays, repeat: { every: 'week', interval: 2, times: 4 } };
    const later = planForClass(other, 'P2', school, { from: '2026-10-27', except: ['2026-11-16'] });
    expect(later).toMatchObject({
      first: '2026-11-02',
      at: { period: 'P2' },
      except: ['2026-11-16'],
    });
    expect(later.repeat).toMatchObject({ interval: 2, times: 3 });
    expect(() => planForClass(mondays, null, school, { from: '2027-06-01' })).toThrow(
      'Nothing of it lies on that day or after it.',
    );
  });
  it('begins with the next term and ends with it', () => {
    expect(planForNextTerm(mondays, school)).toEqual({ ...mondays, first: '2027-01-05' });
    expect(
      planForNextTerm({ ...mondays, repeat: { every: 'week', until: '2026-12-01' } }, school)
        .repeat,
    ).toEqual({ every: 'week', on: ['MO'], until: 'term-end' });
    expect(() => planForNextTerm({ ...mondays, first: '2027-02-01' }, school)).toThrow(
      expect.objectContaining({ path: 'first' }),
    );
  });
});
