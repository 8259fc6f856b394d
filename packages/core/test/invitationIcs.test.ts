import ical, { type VEvent } from 'node-ical';
import fc from 'fast-check';
import { tzlib_get_ical_block as zoneBlock } from 'timezones-ical-library';
import { describe, expect, it } from 'vitest';
import { invitationIcs, readReply, type IcsInvitation, type SessionPlan } from '../src/index.js';
import { oncePlan, school } from './school.js';

// Rules of RFC 5546 by section, held against a reader that did not write the file.

const evening = oncePlan('2026-11-05', { at: { time: '18:30', minutes: 90 } });
const weekly = oncePlan('2026-10-12', {
  at: { time: '11:40', minutes: 45 },
  closures: 'skip',
  repeat: { every: 'week', on: ['MO'], times: 4 },
  changes: [{ key: '2026-10-19', kind: 'move', date: '2026-10-20', time: '12:00', minutes: 45 }],
});

const invited = (plan: SessionPlan, more: Partial<IcsInvitation> = {}): IcsInvitation => ({
  series: {
    uid: 'series-7@glen.merrow.example',
    sequence: 3,
    changedAt: '2026-10-01T12:00:00Z',
    title: 'Harbour Evening',
    description: 'Bring questions',
    plan,
    words: {},
    address: 'https://glen.merrow.example/door/heron-7k3m9qvd2xt',
  },
  organizer: { name: 'Ottoline Marsh', address: 'answers@glen.merrow.example' },
  attendee: { name: 'Rasmus Vane', address: 'rasmus@home.example' },
  isWithdrawn: false,
  timezones: { [school.zone]: [zoneBlock(school.zone)].flat()[0]! },
  madeAt: '2026-10-14T13:31:00Z',
  ...more,
});

const unfolded = (ics: string): string => ics.replace(/\r\n[ \t]/g, '');
const count = (ics: string, line: RegExp): number =>
  unfolded(ics)
    .split('\r\n')
    .filter((one) => line.test(one)).length;
const eventsIn = (ics: string): VEvent[] =>
  Object.values(ical.sync.parseICS(ics)).filter((c): c is VEvent => c?.type === 'VEVENT');

describe('an invitation in the form that calendars read', () => {
  it('asks, with one METHOD, UID, DTSTAMP, SEQUENCE, ORGANIZER and ATTENDEE an event (RFC 5546 §3.2.2)', () => {
    const { method, ics } = invitationIcs(invited(evening), school);
    expect(method).toBe('REQUEST');
    const [event] = eventsIn(ics);
    expect(event).toMatchObject({
      uid: 'series-7@glen.merrow.example',
      method: 'REQUEST',
      status: 'CONFIRMED',
      summary: 'Harbour Evening',
      organizer: { params: { CN: 'Ottoline Marsh' }, val: 'mailto:answers@glen.merrow.example' },
      attendee: {
        params: { CN: 'Rasmus Vane', RSVP: true, PARTSTAT: 'NEEDS-ACTION' },
        val: 'mailto:rasmus@home.example',
      },
    });
    expect(event!.start.toISOString()).toBe('2026-11-05T22:30:00.000Z');
    expect(count(ics, /^SEQUENCE:3$/)).toBe(1);
    expect(count(ics, /^DTSTAMP:20261014T133100Z$/)).toBe(1);
    expect(ics).not.toContain('VALARM');
  });
  it('tells all dates of a series, each that stands elsewhere with whom it is from and for', () => {
    const { ics } = invitationIcs(invited(weekly), school);
    const events = count(ics, /^BEGIN:VEVENT$/);
    expect(events).toBe(2);
    for (const line of [/^UID:/, /^SEQUENCE:3$/, /^ORGANIZER/, /^ATTENDEE/, /^DTSTAMP/])
      expect(count(ics, line)).toBe(events);
    expect(count(ics, /^RECURRENCE-ID/)).toBe(1);
  });
  it.each([
    ['nobody invites them any more', invited(evening, { isWithdrawn: true })],
    [
      'none of it is held',
      invited({ ...evening, changes: [{ key: '2026-11-05', kind: 'cancel' }] }),
    ],
  ])('gives it up where %s (RFC 5546 §3.2.5)', (_, invitation) => {
    const { method, ics } = invitationIcs(invitation, school);
    expect(method).toBe('CANCEL');
    expect(eventsIn(ics)[0]).toMatchObject({
      uid: 'series-7@glen.merrow.example',
      status: 'CANCELLED',
      method: 'CANCEL',
    });
    for (const line of [/^SEQUENCE:3$/, /^ORGANIZER/, /^ATTENDEE/, /^DTSTART;TZID/])
      expect(count(ics, line)).toBe(1);
    expect(ics).not.toContain('VALARM');
  });
  it('lets no name or title make a line or a parameter of its own', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), (typed) => {
        const nasty = `${typed}"\r\nATTENDEE:mailto:evil@else.example\r\n;X=1:,`;
        const invitation = invited(evening, {
          organizer: { name: nasty, address: 'a@merrow.example' },
          attendee: { name: nasty, address: 'b@home.example' },
        });
        invitation.series.title = nasty;
        const { ics } = invitationIcs(invitation, school);
        expect(count(ics, /^ATTENDEE/)).toBe(1);
        expect(eventsIn(ics)).toHaveLength(1);
      }),
    );
  });
  it('has lines of at most 75 octets (RFC 5545 §3.1)', () => {
    const invitation = invited(evening);
    invitation.series.title = 'Ætherische Häfen und Öre '.repeat(12);
    for (const line of invitationIcs(invitation, school).ics.split('\r\n'))
      expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });
});

const reply = (lines: string[]): string =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//A calendar//EN',
    ...lines,
    'END:VCALENDAR',
    '',
  ].join('\r\n');
const event = (...lines: string[]): string[] => [
  'BEGIN:VEVENT',
  'UID:series-7@glen.merrow.example',
  'SEQUENCE:3',
  'DTSTAMP:20261014T140000Z',
  ...lines,
  'END:VEVENT',
];

describe('what a calendar answers (RFC 5546 §3.2.3)', () => {
  const from = (partstat: string) =>
    readReply(
      reply(['METHOD:REPLY', ...event(`ATTENDEE;PARTSTAT=${partstat}:MAILTO:Rasmus@home.example`)]),
    );
  it('is whether they come', () => {
    expect(from('ACCEPTED')).toEqual({
      uid: 'series-7@glen.merrow.example',
      attendee: 'rasmus@home.example',
      said: 'yes',
      sequence: 3,
      at: '2026-10-14T14:00:00Z',
    });
    expect(from('DECLINED')?.said).toBe('no');
  });
  it('is neither where they may come or have sent somebody else', () => {
    expect(from('TENTATIVE')?.said).toBeNull();
    expect(from('DELEGATED')?.said).toBeNull();
  });
  it('is read from nothing else, and anything may be asked', () => {
    expect(
      readReply(reply(['METHOD:REQUEST', ...event('ATTENDEE:mailto:a@b.example')])),
    ).toBeNull();
    expect(readReply(reply(['METHOD:REPLY', ...event()]))).toBeNull();
    expect(
      readReply(
        reply([
          'METHOD:REPLY',
          ...event('ATTENDEE:mailto:a@b.example', 'ATTENDEE:mailto:c@b.example'),
        ]),
      ),
    ).toBeNull();
    fc.assert(
      fc.property(fc.string(), (typed) => {
        expect(readReply(typed)).toBeNull();
      }),
    );
  });
});
