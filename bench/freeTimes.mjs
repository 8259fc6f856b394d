// Times in a term at which twelve people are free, on steps of five minutes; beside it sorting the same busy times.
import { builtCore, inTurns } from './core.mjs';
import { numbersFrom } from './numbers.mjs';

const PEOPLE = 12;
const WEEKS = 15;
const SCHOOL_DAYS = 5;
/** Lessons of 50 minutes in a day of eight hours, for each. */
const LESSONS = 5;
const MOST_TIMES = 10;
const DAY = 86400;
/** Seconds since 1970 of a Monday's first bell. */
const TERM_BEGINS = 1788782400;
const SCHOOL_HOURS = 8 * 3600;

const schoolDays = () =>
  Array.from(
    { length: WEEKS * SCHOOL_DAYS },
    (_, i) => TERM_BEGINS + (Math.floor(i / SCHOOL_DAYS) * 7 + (i % SCHOOL_DAYS)) * DAY,
  );

/** When one of them is busy: as it comes from the books, in no order. */
function busyTimes(days, below, utcOf) {
  return days.flatMap((day) =>
    Array.from({ length: LESSONS }, () => {
      const start = day + below(90) * 300;
      return { start: utcOf(start), end: utcOf(start + 3000) };
    }),
  );
}

function question(utcOf) {
  const below = numbersFrom(20261014);
  const days = schoolDays();
  const ids = Array.from({ length: PEOPLE }, (_, i) => `person:${i}`);
  return {
    busy: Object.fromEntries(ids.map((id) => [id, busyTimes(days, below, utcOf)])),
    required: ids.slice(0, 3),
    optional: ids.slice(3),
    within: days.map((day) => ({ start: utcOf(day), end: utcOf(day + SCHOOL_HOURS) })),
    minutes: 45,
    step: 5,
  };
}

function byStart(a, b) {
  if (a.start !== b.start) return a.start < b.start ? -1 : 1;
  if (a.end === b.end) return 0;
  return a.end < b.end ? -1 : 1;
}

/** Milliseconds to find the best 20 times of a term; beside it sorting the same busy times once. */
export const freeTimes = async () => {
  const { findFreeTimes, utcOf } = await builtCore();
  const asked = question(utcOf);
  const spans = Object.values(asked.busy).flat();
  const finding = () => findFreeTimes(asked).length;
  const sorting = () => [...spans].sort(byStart).length;
  const [value, reference] = inTurns([finding, sorting], 7, [5, 5]);
  return {
    value,
    unit: `ms for ${spans.length} busy times`,
    reference,
    target: `≤ ${MOST_TIMES} times the reference`,
    ok: value <= MOST_TIMES * reference,
  };
};
