import ICAL from 'ical.js';

/** What somebody's calendar says of an invitation (RFC 5546 §3.2.3). */
export interface CalendarReply {
  uid: string;
  /** The address of whoever answers, in small letters. */
  attendee: string;
  /** Null where they have not made up their mind, or somebody else is to come for them. */
  said: 'yes' | 'no' | null;
  /** Of which state of the invitation it speaks. */
  sequence: number;
  /** When it was said, an instant as the calendar has it. */
  at: string;
}

const SAID: Record<string, 'yes' | 'no'> = { ACCEPTED: 'yes', DECLINED: 'no' };

/** A calendar reader of the library throws whatever it likes at what is no calendar. */
function parsed(text: string): ICAL.Component | null {
  try {
    return new ICAL.Component(ICAL.parse(text) as never);
  } catch {
    return null;
  }
}

const textOf = (event: ICAL.Component, name: string): string =>
  String(event.getFirstPropertyValue(name) ?? '');

/** Reads an answer to an invitation; null for what is none, and for one of more than one person, which no calendar sends. */
export function readReply(text: string): CalendarReply | null {
  const calendar = parsed(text);
  if (calendar?.name !== 'vcalendar') return null;
  if (String(calendar.getFirstPropertyValue('method')).toUpperCase() !== 'REPLY') return null;
  const event = calendar.getFirstSubcomponent('vevent');
  const attendees = event?.getAllProperties('attendee') ?? [];
  const [attendee] = attendees;
  if (!event || !attendee || attendees.length > 1) return null;
  const address = String(attendee.getFirstValue()).replace(/^mailto:/i, '');
  const partstat = attendee.getFirstParameter('partstat').toUpperCase();
  return {
    uid: textOf(event, 'uid'),
    attendee: address.toLowerCase(),
    said: SAID[partstat] ?? null,
    sequence: Number(textOf(event, 'sequence')) || 0,
    at: textOf(event, 'dtstamp'),
  };
}
