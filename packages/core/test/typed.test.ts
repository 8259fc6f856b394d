import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  dateShown,
  readTypedDate,
  readTypedTime,
  timeOf,
  timeShown,
} from '../src/index.js';

describe('a time as it is typed', () => {
  it.each([
    ['9', '09:00'],
    ['0915', '09:15'],
    ['915', '09:15'],
    ['2:15pm', '14:15'],
    ['2:15 p.m.', '14:15'],
    ['2p', '14:00'],
    ['9.15', '09:15'],
    ['9h30', '09:30'],
    ['14h', '14:00'],
    ['noon', '12:00'],
    ['midnight', '00:00'],
    ['12', '12:00'],
    ['12am', '00:00'],
    ['12:30 pm', '12:30'],
    ['23:55', '23:55'],
    [' 10:45 ', '10:45'],
  ])('%s is %s', (typed, time) => expect(readTypedTime(typed)).toBe(time));

  it('without am and pm is meant for the day, and with a 0 before it for the night', () => {
    expect(readTypedTime('2:15')).toBe('14:15');
    expect(readTypedTime('6:59')).toBe('18:59');
    expect(readTypedTime('7')).toBe('07:00');
    expect(readTypedTime('02:15')).toBe('02:15');
    expect(readTypedTime('0:05')).toBe('00:05');
  });

  it.each(['', 'soon', '24:00', '9:60', '13pm', '9:5', '12345', '-1', '9:15:30'])(
    '“%s” is none',
    (typed) => expect(readTypedTime(typed)).toBeUndefined(),
  );
});

describe('a date as it is typed', () => {
  const near = '2026-10-14';

  it.each([
    ['14 Oct', '2026-10-14'],
    ['14 October 2026', '2026-10-14'],
    ['Oct 14, 2027', '2027-10-14'],
    ['October 3rd', '2026-10-03'],
    ['2026-10-14', '2026-10-14'],
    ['14.10.', '2026-10-14'],
    ['14.10.26', '2026-10-14'],
    ['Wed 15 Oct 2026', '2026-10-15'],
    ['wednesday 15 oct', '2026-10-15'],
    ['today', '2026-10-14'],
    ['tomorrow', '2026-10-15'],
  ])('%s is %s', (typed, date) => expect(readTypedDate(typed, { order: 'dmy', near })).toBe(date));

  it('of two numbers goes by the order, unless one can be no month, and with dots by the day', () => {
    expect(readTypedDate('3/11/2026', { order: 'dmy', near })).toBe('2026-11-03');
    expect(readTypedDate('3/11/2026', { order: 'mdy', near })).toBe('2026-03-11');
    expect(readTypedDate('13/11', { order: 'mdy', near })).toBe('2026-11-13');
    expect(readTypedDate('11/13', { order: 'dmy', near })).toBe('2026-11-13');
    expect(readTypedDate('3.11.2026', { order: 'mdy', near })).toBe('2026-11-03');
    expect(readTypedDate('11-3', { order: 'ymd', near })).toBe('2026-11-03');
  });

  it('without a year is the nearest one', () => {
    expect(readTypedDate('3 Jan', { order: 'dmy', near: '2026-11-20' })).toBe('2027-01-03');
    expect(readTypedDate('20 Dec', { order: 'dmy', near: '2027-01-10' })).toBe('2026-12-20');
    expect(readTypedDate('29 Feb', { order: 'dmy', near: '2027-03-01' })).toBe('2028-02-29');
  });

  it.each(['', 'soon', '31 Feb', '32/1', '14 Octember', '14', '2026-13-01', '0 Oct', '14 Oct 026'])(
    '“%s” is none',
    (typed) => expect(readTypedDate(typed, { order: 'dmy', near })).toBeUndefined(),
  );
});

describe('as a field shows it', () => {
  it('in the order and on the clock of the school', () => {
    expect(dateShown('2026-10-04', 'dmy')).toBe('Sun 4 Oct 2026');
    expect(dateShown('2026-10-04', 'mdy')).toBe('Sun Oct 4, 2026');
    expect(dateShown('2026-10-04', 'ymd')).toBe('Sun 2026-10-04');
    expect(timeShown('14:05', '24')).toBe('14:05');
    expect(timeShown('14:05', '12')).toBe('2:05 pm');
    expect(timeShown('00:00', '12')).toBe('12:00 am');
    expect(timeShown('12:00', '12')).toBe('12:00 pm');
  });

  it('is read as what it says, whatever it stands near', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('dmy' as const, 'mdy' as const, 'ymd' as const),
        fc.nat({ max: 40000 }),
        fc.nat({ max: 40000 }),
        (order, days, other) => {
          const date = addDays('1990-01-01', days);
          const near = addDays('1990-01-01', other);
          expect(readTypedDate(dateShown(date, order), { order, near })).toBe(date);
        },
      ),
    );
    fc.assert(
      fc.property(fc.constantFrom('24' as const, '12' as const), fc.nat({ max: 1439 }), (h, m) => {
        expect(readTypedTime(timeShown(timeOf(m), h))).toBe(timeOf(m));
      }),
    );
  });
});
