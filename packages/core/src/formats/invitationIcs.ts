import ICAL from 'ical.js';
import type { SchoolCalendar } from '../calendar/school.js';
import { headerText } from '../mail/letter.js';
import { isHeld, expandPlan } from '../plan/expandPlan.js';
import type { Occurrence, SessionPlan } from '../plan/plan.js';
import { wholeWindow } from '../plan/toRRule.js';
import { eventsOf, timeProperty, type IcsSeries } from './calendarIcs.js';
import { addZones, icsText, newCalendar, property } from './icsParts.js';

interface Party {
  name: string;
  address: string;
}

/** What somebody is invited to, so that their calendar can keep it. */
export interface IcsInvitation {
  /**
   * Its sequence is higher than in whatever they were sent of it before (RFC 5546 §2.1.4). Of what is off the books there is
   * no plan any more.
   */
  series: Omit<IcsSeries, 'plan'> & { plan: SessionPlan | null };
  /** Answers by calendars go there. */
  organizer: Party;
  attendee: Party;
  /** They are invited no more, whatever becomes of it. */
  isWithdrawn: boolean;
  /** The VTIMEZONE of the series' zone. */
  timezones: Record<string, string>;
  /** When this message is made, an instant: that is what DTSTAMP tells beside a method (RFC 5545 §3.8.7.2). */
  madeAt: string;
}

/** A part of a letter that calendars read. */
export interface CalendarPart {
  method: 'REQUEST' | 'CANCEL';
  ics: string;
}

const party = ({ name, address }: Party): [value: string, parameters: Record<string, string>] => [
  `mailto:${address}`,
  name.trim() === '' ? {} : { cn: headerText(name) },
];

/** Whom it is from and for: in each event of the message (RFC 5546 §3.2.2, §3.2.5). */
function addParties(event: ICAL.Component, { organizer, attendee }: IcsInvitation): void {
  const [from, fromNamed] = party(organizer);
  property(event, 'organizer', from, { parameters: fromNamed });
  const [to, toNamed] = party(attendee);
  const asked = { role: 'REQ-PARTICIPANT', partstat: 'NEEDS-ACTION', rsvp: 'TRUE' };
  property(event, 'attendee', to, { parameters: { ...toNamed, ...asked } });
}

/** All of it is off: the event by its name alone, with the time at which people have it (RFC 5546 §3.2.5). */
function cancelled({ series }: IcsInvitation, school: SchoolCalendar): ICAL.Component {
  const { plan, uid, sequence, title } = series;
  const event = new ICAL.Component('vevent');
  event.updatePropertyWithValue('uid', uid);
  event.updatePropertyWithValue('sequence', sequence);
  event.updatePropertyWithValue('summary', title);
  event.updatePropertyWithValue('status', 'CANCELLED');
  const [first] = plan ? datesOf(plan, school) : [];
  if (plan && first) timeProperty(event, 'dtstart', first, plan.zone);
  return event;
}

const datesOf = (plan: SessionPlan, school: SchoolCalendar): Occurrence[] =>
  expandPlan(plan, school, wholeWindow(plan, school));

/** The series as it stands, where any of it is held for them. */
function heldSeries(
  { series, isWithdrawn }: IcsInvitation,
  school: SchoolCalendar,
): IcsSeries | null {
  const { plan } = series;
  if (isWithdrawn || !plan || !datesOf(plan, school).some(isHeld)) return null;
  return { ...series, plan };
}

/**
 * The part of a letter by which a calendar takes an invitation in, changes what it has of it, or gives it up: REQUEST with
 * all dates as they stand, or CANCEL where none is held any more or the guest is invited no longer (RFC 5546 §3.2). No
 * reminders: those are the reader's own.
 */
export function invitationIcs(invitation: IcsInvitation, school: SchoolCalendar): CalendarPart {
  const { series, timezones, madeAt } = invitation;
  const held = heldSeries(invitation, school);
  const method = held ? 'REQUEST' : 'CANCEL';
  const calendar = newCalendar();
  calendar.updatePropertyWithValue('method', method);
  if (series.plan) addZones(calendar, [series.plan.zone], timezones);
  const events = held ? eventsOf(held, school, null) : [cancelled(invitation, school)];
  for (const event of events) {
    event.updatePropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(madeAt));
    addParties(event, invitation);
    calendar.addSubcomponent(event);
  }
  return { method, ics: icsText(calendar) };
}
