import { WEEKDAYS, type Weekday } from '../time/dates.js';
import type { BellTimes } from './bellsByPattern.js';
import type { SchoolCalendar } from './school.js';

/** A school year as it is first told: what is left out can be added any day. */
export interface FirstYear {
  zone: string;
  terms: { name: string; first: string; last: string }[];
  holidays: { name: string; date: string }[];
  /** None where the school has no bells: days teach all the same. */
  periods: BellTimes[];
  /** Labels of alternating days, from the first term's first day on; none or one: no cycle. */
  cycle: string[];
}

const SCHOOL_DAYS: readonly Weekday[] = WEEKDAYS.slice(0, 5);

/** The bell set of a school that moves in. */
const FIRST_BELLS = 'Regular';

/** The calendar that a first-told year comes to, Monday to Friday. It is not checked here: ask indexSchool. */
export function yearCalendar({ zone, terms, holidays, periods, cycle }: FirstYear): SchoolCalendar {
  const alternates = cycle.length > 1 && terms.length > 0;
  return {
    zone,
    terms,
    closures: holidays.map(({ name, date }) => ({
      name,
      first: date,
      last: date,
      kind: 'holiday' as const,
    })),
    bells: [{ name: FIRST_BELLS, periods }],
    bellOn: Object.fromEntries(SCHOOL_DAYS.map((day) => [day, FIRST_BELLS])),
    bellFor: [],
    ...(alternates
      ? { cycle: { labels: cycle, counts: 'teaching-days' as const, from: terms[0]!.first } }
      : {}),
  };
}
