import ICAL from 'ical.js';
import { icsText, newCalendar, property } from './icsParts.js';

/** One session, as a calendar file tells it. */
export interface IcsSession {
  /** The same for ever, so that a later copy replaces an earlier one. */
  uid: string;
  /** Rises with every change (RFC 5545 §3.8.7.4). */
  sequence: number;
  title: string;
  description: string;
  /** Instants. */
  start: string;
  end: string;
  cancelled: boolean;
  /** The join link's full address. */
  address: string;
  /** The entry code, where whoever takes the file along asked for it; else it is not in it. */
  entryCode?: string | null;
  /** When this copy was made, an instant. */
  madeAt: string;
}

const codeLine = ({ entryCode }: IcsSession): string =>
  entryCode ? `Entry code: ${entryCode}` : '';

/**
 * An iCalendar file of one session (RFC 5545), with its join link as URL and as CONFERENCE (RFC 7986 §5.11).
 * Times are UTC, which a single session needs no zone for; lines are folded and escaped by the library.
 */
export function sessionIcs(session: IcsSession): string {
  const calendar = newCalendar();
  const event = new ICAL.Component('vevent');
  const time = (instant: string) => ICAL.Time.fromDateTimeString(instant);
  event.updatePropertyWithValue('uid', session.uid);
  event.updatePropertyWithValue('dtstamp', time(session.madeAt));
  event.updatePropertyWithValue('dtstart', time(session.start));
  event.updatePropertyWithValue('dtend', time(session.end));
  event.updatePropertyWithValue('sequence', session.sequence);
  event.updatePropertyWithValue('summary', session.title);
  event.updatePropertyWithValue(
    'description',
    [session.description, session.address, codeLine(session)].filter(Boolean).join('\n\n'),
  );
  event.updatePropertyWithValue('status', session.cancelled ? 'CANCELLED' : 'CONFIRMED');
  property(event, 'url', session.address, { type: 'uri' });
  const parameters = { feature: 'VIDEO', label: session.title };
  property(event, 'conference', session.address, { parameters, type: 'uri' });
  calendar.addSubcomponent(event);
  return icsText(calendar);
}
