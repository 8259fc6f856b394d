import { bellsOn, type SchoolCalendar } from '@glen/core';
import { api } from '../../app/api.js';
import type { Bell } from '../../ui/TimeField.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const isDate = (date: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(date);

/** When the bell periods of a day begin and end, as a field offers them. */
export const bellTimes = (school: SchoolCalendar, date: string): Bell[] =>
  isDate(date)
    ? bellsOn(school, date).flatMap(({ label, start, end }) => [
        { label: fill(say.labelBegins, { label }), time: start },
        { label: fill(say.labelEnds, { label }), time: end },
      ])
    : [];

/** The same for the school's calendar; none while it is on its way. */
export function useBells(date: string): Bell[] {
  const { data: school } = api.useSchoolQuery();
  return school ? bellTimes(school as SchoolCalendar, date) : [];
}
