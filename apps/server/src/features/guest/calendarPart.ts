import { createHash } from 'node:crypto';
import {
  calendarIcs,
  dateInWords,
  invitationIcs,
  isUrgent,
  type CalendarPart,
  type IcsSeries,
  type SchoolCalendar,
} from '@glen/core';
import { linkAddress } from '../../addresses.js';
import type { CalendarEntryRow } from '../../db/models/CalendarEntry.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SeriesRow } from '../../db/models/Series.js';
import type { Glen } from '../../glen.js';
import type { Mailbox } from '../../outside/mail.js';
import { timezonesOf } from '../plan/timezones.js';
import { readCalendar } from '../school/store.js';
import { dateOf, datesAhead, openSeries, type Target } from './calendarStore.js';

/** What guests are invited to, as it stands. */
export interface Standing {
  /** Null where it is off the books; whose entry it is names it. */
  series: IcsSeries | null;
  /** Of all that calendars are told of it; the same as long as nothing in it changes. */
  digest: string;
  /** The dates ahead that are held, in words, the nearest first. */
  dates: string[];
  /** Something of it is to come, be it held or cancelled. */
  isAhead: boolean;
  /** Before the next night is over, as it stands or stood. */
  isSoon: boolean;
  school: SchoolCalendar;
  /** What happens to the calendar of the school raises the number of the message, too. */
  sequence: number;
}

/** One date of a series, as a plan of its own. */
async function aloneAt(glen: Glen, target: Target, series: IcsSeries): Promise<IcsSeries | null> {
  const row = await dateOf(glen.db, target);
  if (!row || row.status === 'skipped') return null;
  const { local_date: first, local_time: time, minutes, title, description, status } = row;
  const { zone } = series.plan;
  const at = { time, minutes };
  const changes =
    status === 'cancelled' ? { changes: [{ key: first, kind: 'cancel' as const }] } : {};
  return {
    ...series,
    title,
    description,
    words: {},
    plan: { first, at, zone, closures: 'keep', ...changes },
  };
}

/**
 * The same for ever: of a series the one that it has in subscribed calendars, too; a date may come to belong to another
 * series.
 */
export function uidOf({ config }: Glen, entry: CalendarEntryRow): string {
  const { host } = new URL(config.publicUrl);
  const { id, series_id: seriesId, key_date: key } = entry;
  return `${key === '' ? `series-${seriesId}` : `invitation-${id}`}@${host}`;
}

function wholeOf(glen: Glen, row: SeriesRow): IcsSeries {
  const { title, description, plan, words, changed_at: changedAt } = row;
  return {
    uid: '',
    sequence: 0,
    changedAt,
    title,
    description,
    plan,
    words,
    address: linkAddress(glen, row.link!.code),
  };
}

/** Without what changes each time that it is told. */
function digestOf(series: IcsSeries | null, school: SchoolCalendar): string {
  const told = series && {
    name: '',
    series: [{ ...series, changedAt: '2000-01-01T00:00:00Z' }],
    school,
    refreshMinutes: 60,
    alarmMinutes: 10,
    timezones: {},
  };
  return createHash('sha256')
    .update(told ? calendarIcs(told) : '')
    .digest('base64url');
}

const standingOfRow = ({ local_date: date, local_time: time, minutes }: OccurrenceRow) => ({
  date,
  time,
  minutes,
});

const wasOfRow = ({ was_date: date, was_time: time, was_minutes: minutes }: OccurrenceRow) =>
  date === null ? null : { date, time: time!, minutes: minutes! };

/** How what guests are invited to stands now. */
export async function standingOf(glen: Glen, target: Target): Promise<Standing> {
  const [row, { calendar: school, version }, ahead] = await Promise.all([
    openSeries(glen.db, target.seriesId),
    readCalendar(glen.db),
    datesAhead(glen.db, target, glen.clock.school()),
  ]);
  const whole = row && wholeOf(glen, row);
  const series = whole && target.key !== '' ? await aloneAt(glen, target, whole) : whole;
  const at = { now: glen.clock.school(), zone: school.zone };
  const held = ahead.filter(({ status }) => status === 'planned' || status === 'moved');
  return {
    series,
    digest: digestOf(series, school),
    dates: held.map((date) => `${dateInWords(date.local_date)}, ${date.local_time}`),
    isAhead: ahead.length > 0,
    isSoon: ahead.some((date) => isUrgent(at, standingOfRow(date), wasOfRow(date))),
    school,
    sequence: row ? row.version + version - 2 : 0,
  };
}

interface Parties {
  organizer: Mailbox;
  attendee: Mailbox;
  isWithdrawn: boolean;
  /** Where they find the door. */
  address: string;
}

/** Makes the part of a letter for somebody's calendar, and notes that they were told. */
export async function tellCalendar(
  glen: Glen,
  entry: CalendarEntryRow,
  { series, digest, school, sequence: least }: Standing,
  { address, ...parties }: Parties,
): Promise<CalendarPart> {
  const isFirst = entry.digest === '' && entry.sequence === 0;
  const sequence = Math.max(least, isFirst ? 0 : entry.sequence + 1);
  const gone = {
    uid: '',
    changedAt: glen.clock.machine(),
    title: entry.title,
    description: '',
    plan: null,
    words: {},
  };
  const part = invitationIcs(
    {
      ...parties,
      series: { ...(series ?? gone), uid: uidOf(glen, entry), sequence, address },
      timezones: await timezonesOf(series ? [series.plan.zone] : []),
      madeAt: glen.clock.machine(),
    },
    school,
  );
  await entry.update({
    sequence,
    digest: parties.isWithdrawn ? '' : digest,
    method: part.method,
    title: series?.title ?? entry.title,
  });
  return part;
}
