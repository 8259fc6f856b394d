import ICAL from 'ical.js';
import ical, { type VEvent } from 'node-ical';
import { RRuleTemporal } from 'rrule-temporal';
import { tzlib_get_ical_block as zoneBlock } from 'timezones-ical-library';
import { describe, expect, it } from 'vitest';
import {
  calendarIcs,
  expandPlan,
  isHeld,
  wholeWindow,
  type IcsSeries,
  type SessionPlan,
} from '../src/index.js';
import { oncePlan, school } from './school.js';

const ADDRESS = 'https://glen.merrow.example/door/heron-7k3m9qvd2xt';
const lessons: SessionPlan = oncePlan('2026-10-12', {
  at: { period: 'P1' },
  closures: 'skip',
  repeat: { every: 'week', on: ['MO', 'WE'], until: 'term-end' },
  alsoOn: ['2026-10-30'],
  changes: [
    { key: '2026-11-04', kind: 'move', date: '2026-11-05', time: '12:00', minutes: 30 },
    { key: '2026-11-09', kind: 'cancel' },
  ],
});
const series = (plan: SessionPlan, more: Partial<IcsSeries> = {}): IcsSeries => ({
  uid: 'series-7@glen.merrow.example',
  sequence: 3,
  changedAt: '2026-10-01T12:00:00Z',
  title: 'Tides; streams, and "sets"',
  description: 'Bring\ndividers',
  plan,
  words: {},
  address: ADDRESS,
  ...more,
});
const file = (...all: IcsSeries[]): string =>
  calendarIcs({
    name: 'Ottoline Marsh, Merrow',
    school,
    series: all,
    refreshMinutes: 60,
    alarmMinutes: 10,
    timezones: { [school.zone]: [zoneBlock(school.zone)].flat()[0]! },
  });
const lines = (text: string): string[] => text.replace(/\r\n[ \t]/g, '').split('\r\n');

/** What stands in a file, read by a library that did not write it: start and end of each session, as instants. */
function readBack(text: string): string[] {
  const events = Object.values(ical.sync.parseICS(text)).filter(
    (c): c is VEvent => c?.type === 'VEVENT',
  );
  const iso = (date: Date): string => `${date.toISOString().slice(0, 19)}Z`;
  return events
    .flatMap((event) => {
      const length = event.end!.getTime() - event.start.getTime();
      const own = new Map(
        Object.values((event.recurrences ?? {}) as Record<string, VEvent>).map((r) => [
          (r.recurrenceid as unknown as Date).getTime(),
          r,
        ]),
      );
      const raw = lines(text.slice(text.lastIndexOf('END:VTIMEZONE')));
      const rule = raw.find((l) => l.startsWith('RRULE'));
      const dtstart =
        raw.find((l) => l.startsWith('DTSTART;TZID') && l.endsWith(`T${local(event.start)}`)) ?? '';
      const starts = rule
        ? new RRuleTemporal({
            rruleString: [dtstart, rule, ...raw.filter((l) => /^(EXDATE|RDATE)/.test(l))].join(
              '\n',
            ),
          })
            .all()
            .map((z) => new Date(z.epochMilliseconds))
        : [event.start];
      return [...new Map(starts.map((s) => [s.getTime(), s])).values()].map((start) => {
        const single = own.get(start.getTime());
        return single
          ? `${iso(single.start)} ${iso(single.end!)}`
          : `${iso(start)} ${iso(new Date(start.getTime() + length))}`;
      });
    })
    .sort();
}
const local = (date: Date): string =>
  new Intl.DateTimeFormat('en-GB', {
    timeZone: school.zone,
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
  })
    .format(date)
    .replaceAll(':', '');
const held = (plan: SessionPlan): string[] =>
  expandPlan(plan, school, wholeWindow(plan, school))
    .filter(isHeld)
    .map((o) => `${o.start} ${o.end}`)
    .sort();

describe('a calendar file', () => {
  it('read by another library gives the very sessions: fog days, moves, extra and cancelled dates', () => {
    expect(readBack(file(series(lessons)))).toEqual(held(lessons));
  });
  it.each<[string, SessionPlan]>([
    ['a single session', oncePlan('2026-10-15')],
    [
      'a series over the change of clocks',
      oncePlan('2026-10-05', { closures: 'keep', repeat: { every: 'week', times: 8 } }),
    ],
    [
      'every second week',
      oncePlan('2026-10-14', {
        closures: 'skip',
        repeat: { every: 'week', interval: 2, on: ['WE', 'FR'], until: 'term-end' },
      }),
    ],
    [
      'cycle days',
      oncePlan('2026-10-14', {
        closures: 'skip',
        at: { period: 'P2' },
        repeat: { every: 'school-day', cycleDays: ['Ebb'], times: 12 },
      }),
    ],
    [
      'an evening, whose end in UTC is another day',
      oncePlan('2026-10-14', {
        closures: 'keep',
        at: { time: '21:30', minutes: 45 },
        repeat: { every: 'week', until: '2026-11-18' },
      }),
    ],
    [
      'a raw rule with a count',
      oncePlan('2026-10-14', {
        closures: 'keep',
        repeat: { rrule: 'FREQ=MONTHLY;BYMONTHDAY=14,-1;COUNT=6' },
      }),
    ],
  ])('%s', (_name, plan) => expect(readBack(file(series(plan)))).toEqual(held(plan)));

  it('bears what RFC 5545 and RFC 7986 ask for', () => {
    const text = file(series(lessons));
    for (const line of [
      'BEGIN:VTIMEZONE',
      `TZID:${school.zone}`,
      'REFRESH-INTERVAL;VALUE=DURATION:PT60M',
      'UID:series-7@glen.merrow.example',
      'SEQUENCE:3',
      `URL:${ADDRESS}`,
      'TRIGGER:-PT10M',
      'SUMMARY:Tides\\; streams\\, and "sets"',
      `DESCRIPTION:Bring\\ndividers\\n\\n${ADDRESS}`,
      'EXDATE;TZID=America/Halifax:20261109T084000',
      'RECURRENCE-ID;TZID=America/Halifax:20261019T084000',
    ])
      expect(lines(text)).toContain(line);
    // The type may be told of a property whose default it is (RFC 5545 §3.2.20).
    expect(lines(text)).toContain('NAME;VALUE=TEXT:Ottoline Marsh\\, Merrow');
    expect(
      lines(text).some(
        (l) => l.startsWith('CONFERENCE;') && l.includes('FEATURE=VIDEO') && l.endsWith(ADDRESS),
      ),
    ).toBe(true);
    // RFC 5545 §3.1: no line longer than 75 octets, every line ended by CRLF.
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(
      text.split('\n').every((line, i, all) => i === all.length - 1 || line.endsWith('\r')),
    ).toBe(true);
  });
  it('is named anew on single dates where they have words of their own', () => {
    const text = file(series(lessons, { words: { '2026-10-28': { title: 'Quiz' } } }));
    const events = new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vevent');
    expect(
      events
        .filter((e) => e.getFirstPropertyValue('summary') === 'Quiz')
        .map((e) => String(e.getFirstPropertyValue('recurrence-id'))),
    ).toEqual(['2026-10-28T08:40:00']);
  });
  it('leaves out what holds nothing', () => {
    expect(file(series(oncePlan('2026-10-12')))).not.toContain('VEVENT');
  });
});
