import ICAL from 'ical.js';
import type { SchoolCalendar } from '../calendar/school.js';
import { expandPlan, isHeld } from '../plan/expandPlan.js';
import type { Occurrence, SessionPlan } from '../plan/plan.js';
import type { SessionWords } from '../plan/editSeries.js';
import { toRRule, usualTime, wholeWindow } from '../plan/toRRule.js';
import { placeWallTime, wallClockAt } from '../time/instants.js';
import { addZones, icsText, newCalendar, property } from './icsParts.js';

/** A series as a calendar file tells it. */
export interface IcsSeries extends SessionWords {
  /** The same for ever, so that a later copy replaces an earlier one. */
  uid: string;
  /** Rises with every change (RFC 5545 §3.8.7.4). */
  sequence: number;
  /** When it last changed, an instant. */
  changedAt: string;
  plan: SessionPlan;
  words: Record<string, Partial<SessionWords>>;
  /** The join link's full address. */
  address: string;
}

export interface IcsCalendar {
  name: string;
  series: IcsSeries[];
  school: SchoolCalendar;
  /** Minutes after which a reader may ask again, and before a session at which it may remind; null: not at all. */
  refreshMinutes: number;
  alarmMinutes: number | null;
  /** The VTIMEZONE of each zone in use, as a library has it. */
  timezones: Record<string, string>;
}

const compact = (text: string): string => text.replace(/[-:]/g, '');

/** A wall-clock time with its zone; in UTC where the zone is UTC. */
export function timeProperty(
  component: ICAL.Component,
  name: string,
  { date, time }: Pick<Standing, 'date' | 'time'>,
  zone: string,
): void {
  const made = new ICAL.Property(name);
  made.setParameter('tzid', zone);
  made.setValue(ICAL.Time.fromDateTimeString(`${date}T${time}:00`));
  component.addProperty(made);
}

interface Standing {
  date: string;
  time: string;
  minutes: number;
}

function eventOf(
  series: IcsSeries,
  at: Standing,
  words: Partial<SessionWords>,
  alarmMinutes: number | null,
): ICAL.Component {
  const { plan, uid, sequence, changedAt, address } = series;
  const { title, description } = {
    ...{ title: series.title, description: series.description },
    ...words,
  };
  const event = new ICAL.Component('vevent');
  event.updatePropertyWithValue('uid', uid);
  event.updatePropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(changedAt));
  event.updatePropertyWithValue('sequence', sequence);
  timeProperty(event, 'dtstart', at, plan.zone);
  const end = wallClockAt(placeWallTime(at.date, at.time, at.minutes, plan.zone).end, plan.zone);
  timeProperty(event, 'dtend', end, plan.zone);
  event.updatePropertyWithValue('summary', title);
  event.updatePropertyWithValue('description', [description, address].filter(Boolean).join('\n\n'));
  event.updatePropertyWithValue('status', 'CONFIRMED');
  property(event, 'url', address, { type: 'uri' });
  property(event, 'conference', address, {
    parameters: { feature: 'VIDEO', label: title },
    type: 'uri',
  });
  if (alarmMinutes !== null) event.addSubcomponent(alarmOf(title, alarmMinutes));
  return event;
}

function alarmOf(title: string, minutes: number): ICAL.Component {
  const alarm = new ICAL.Component('valarm');
  alarm.updatePropertyWithValue('action', 'DISPLAY');
  alarm.updatePropertyWithValue('description', title);
  alarm.updatePropertyWithValue('trigger', ICAL.Duration.fromString(`-PT${minutes}M`));
  return alarm;
}

/**
 * The master of a series with its rule and exceptions, and an event of its own for each date that stands elsewhere or is
 * called otherwise. Without minutes nobody is reminded.
 */
export function eventsOf(
  series: IcsSeries,
  school: SchoolCalendar,
  alarmMinutes: number | null,
): ICAL.Component[] {
  const { plan, words } = series;
  const window = wholeWindow(plan, school);
  const held = expandPlan(plan, school, window).filter(isHeld);
  const usual = usualTime(held);
  if (!usual) return [];
  const standing = (o: Occurrence): Standing => ({
    date: o.date,
    time: o.time,
    minutes: o.minutes,
  });
  const set = toRRule(plan, school, window);
  if (held.length === 1 && set.rrule === undefined)
    return [eventOf(series, standing(held[0]!), words[held[0]!.key] ?? {}, alarmMinutes)];

  const keys = held.map((o) => o.key).sort();
  const isRaw = plan.repeat !== undefined && 'rrule' in plan.repeat;
  const first = isRaw ? plan.first : (keys.find((key) => !plan.alsoOn?.includes(key)) ?? keys[0]!);
  const master = eventOf(series, { date: first, ...usual }, {}, alarmMinutes);
  if (set.rrule !== undefined) {
    // Beside a zone an end is told in UTC, and the last date's own start is the sharpest (RFC 5545 §3.3.10).
    const rule = set.rrule.replace(
      /UNTIL=(\d{4})(\d{2})(\d{2})T\d{6}Z/,
      (_, y: string, m: string, d: string) =>
        `UNTIL=${compact(placeWallTime(`${y}-${m}-${d}`, usual.time, usual.minutes, plan.zone).start)}`,
    );
    master.updatePropertyWithValue('rrule', ICAL.Recur.fromString(rule));
  }
  for (const date of set.exdates)
    timeProperty(master, 'exdate', { date, time: usual.time }, plan.zone);
  for (const date of set.rdates)
    if (date !== first) timeProperty(master, 'rdate', { date, time: usual.time }, plan.zone);
  const own = new Set([...set.overrides.map((o) => o.key), ...Object.keys(words)]);
  const singles = held
    .filter((o) => own.has(o.key))
    .map((o) => {
      const event = eventOf(series, standing(o), words[o.key] ?? {}, alarmMinutes);
      timeProperty(event, 'recurrence-id', { date: o.key, time: usual.time }, plan.zone);
      return event;
    });
  return [master, ...singles];
}

/**
 * An iCalendar file of series (RFC 5545) with what RFC 7986 adds: a name, how often to ask again, and the join link as
 * CONFERENCE. Days of other bells and moved sessions come as overrides by RECURRENCE-ID; lines are folded and escaped by the
 * library. Series that hold nothing are left out.
 */
export function calendarIcs({
  name,
  series,
  school,
  refreshMinutes,
  alarmMinutes,
  timezones,
}: IcsCalendar): string {
  const calendar = newCalendar();
  property(calendar, 'name', name, { type: 'text' });
  const refresh = new ICAL.Property('refresh-interval');
  refresh.resetType('duration');
  refresh.setValue(ICAL.Duration.fromString(`PT${refreshMinutes}M`));
  calendar.addProperty(refresh);
  addZones(
    calendar,
    series.map((s) => s.plan.zone),
    timezones,
  );
  for (const s of series)
    for (const event of eventsOf(s, school, alarmMinutes)) calendar.addSubcomponent(event);
  return icsText(calendar);
}
