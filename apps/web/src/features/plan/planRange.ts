import {
  addDays,
  countDays,
  dateInWords,
  dateOf,
  dayNumber,
  mondayOf,
  type SchoolCalendar,
} from '@glen/core';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Term = SchoolCalendar['terms'][number];

/** How many days are shown where the school has no term yet: about four months. */
const WITHOUT_TERMS = 120;

/** What the plan shows: a week, a term or the whole year. */
export interface PlanRange {
  view: 'week' | 'term' | 'year';
  title: string;
  from: string;
  to: string;
  /** The Monday of the week that is shown, or would be. */
  monday: string;
  term: Term | undefined;
}

export const mondayBefore = (date: string): string => dateOf(mondayOf(dayNumber(date, 'date')));

/** The term of a date: the one that holds it, else the next, else the last. */
const termOf = (school: SchoolCalendar, date: string): Term | undefined =>
  school.terms.find((t) => t.last >= date) ?? school.terms.at(-1);

/** What an address asks to see; without a wish, the term around a date. */
export function rangeAsked(
  search: URLSearchParams,
  school: SchoolCalendar,
  around: string,
): PlanRange {
  const show = search.get('show');
  const term = school.terms.find((t) => t.name === show) ?? termOf(school, around);
  const monday = mondayBefore(search.get('week') ?? around);
  const shared = { monday, term };
  if (search.get('view') === 'week') {
    const title = fill(say.weekOf, { date: dateInWords(monday) });
    return { view: 'week', title, from: monday, to: addDays(monday, 6), ...shared };
  }
  if (!term) {
    const to = addDays(monday, WITHOUT_TERMS);
    return { view: 'term', title: say.plan, from: monday, to, ...shared };
  }
  if (show === 'year') {
    const { first } = school.terms[0]!;
    const { last } = school.terms.at(-1)!;
    return { view: 'year', title: say.theSchoolYear, from: first, to: last, ...shared };
  }
  const title = fill(say.term, { term: term.name });
  return { view: 'term', title, from: term.first, to: term.last, ...shared };
}

const dayAndMonth = (date: string): string => dateInWords(date).slice(4);

export function rangeInWords(school: SchoolCalendar, from: string, to: string): string {
  const { weeks, teachingDays } = countDays(school, from, to);
  return fill(say.weeksTeachingDays, {
    first: dayAndMonth(from),
    last: dayAndMonth(to),
    weeks,
    teachingDays,
  });
}
