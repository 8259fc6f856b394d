import { WEEKDAYS, WEEKDAY_NAMES, dateInWords, dayNumber, weekdayOf } from '@glen/core/light';
import type { Weekday } from '@glen/core';
import type { LinkDetail } from '@glen/contract';
import type { ClassPeriod } from '../school/classPeriod.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** At any time. */
export const ALWAYS = 'always';
/** Only so many of the next dates are offered one by one. */
const MOST_DATES = 12;

export interface When {
  value: string;
  label: string;
  body: { seriesId?: number; key?: string; weekday?: Weekday };
}

/** Sessions of a link that are still to come. */
const toCome = (link: Pick<LinkDetail, 'id'>, sessions: ClassPeriod['sessions']) =>
  sessions.filter(
    (s) =>
      s.linkId === link.id &&
      (s.status === 'planned' || s.status === 'moved') &&
      s.door !== 'ended',
  );

/** When it can be: always, at a whole series of this link, or at one of the next dates. */
export function whensOf(link: Pick<LinkDetail, 'id'>, sessions: ClassPeriod['sessions']): When[] {
  const here = toCome(link, sessions);
  const series = new Map(here.filter((s) => s.plan.repeat).map((s) => [s.seriesId, s]));
  return [
    { value: ALWAYS, label: say.always, body: {} },
    ...[...series.values()].map((s) => ({
      value: `series ${s.seriesId}`,
      label: fill(say.atEveryDateOf, { title: s.title }),
      body: { seriesId: s.seriesId },
    })),
    ...here.slice(0, MOST_DATES).map((s) => ({
      value: `date ${s.seriesId} ${s.key}`,
      label: fill(say.onDateTime, { date: dateInWords(s.date), time: s.time }),
      body: { seriesId: s.seriesId, key: s.key },
    })),
  ];
}

/** The same for whoever presents: on a weekday too, of those on which something is held at this link. */
export function presentingWhens(
  link: Pick<LinkDetail, 'id'>,
  sessions: ClassPeriod['sessions'],
): When[] {
  const held = new Set(
    toCome(link, sessions).map((session) => weekdayOf(dayNumber(session.date, 'date'))),
  );
  const [always, ...others] = whensOf(link, sessions);
  const weekdays = WEEKDAYS.filter((day) => held.has(day)).map((weekday) => ({
    value: `weekday ${weekday}`,
    label: fill(say.onWeekdayNameS, { weekdayName: WEEKDAY_NAMES[weekday] }),
    body: { weekday },
  }));
  return [always!, ...weekdays, ...others];
}
