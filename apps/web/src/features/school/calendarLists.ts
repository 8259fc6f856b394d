import type { SchoolCalendar } from '@glen/core';

/** What each part of the calendar's page is given: the calendar, and how it changes it. */
export interface CalendarPartProps {
  calendar: SchoolCalendar;
  change: (part: Partial<SchoolCalendar>) => void;
}

/** A list with one of its things changed in part. */
export const put = <T>(list: T[], at: number, thing: Partial<T>): T[] =>
  list.map((old, i) => (i === at ? { ...old, ...thing } : old));

/** A list without the thing at this place. */
export const drop = <T>(list: T[], at: number): T[] => list.filter((_, i) => i !== at);
