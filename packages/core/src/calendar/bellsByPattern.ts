import { checkWhole, fail } from '../input.js';
import { minuteOfDay, timeOf } from '../time/dates.js';

/** A day's bell periods as one says them: “6 periods of 50 minutes from 08:40, 5 between, 20 after the 2nd”. */
export interface BellPattern {
  count: number;
  /** How long each period lasts, in minutes. */
  minutes: number;
  /** When the first begins, wall clock. */
  first: string;
  /** Minutes between one and the next. */
  between: number;
  /** Longer pauses: so many minutes after the n-th period, instead of those between. */
  breaks: { after: number; minutes: number }[];
}

export interface BellTimes {
  label: string;
  start: string;
  end: string;
}

const MOST_PERIODS = 30;
const DAY = 1440;

/** The periods that a pattern comes to, labelled 1, 2, 3 … Throws GlenInputError with the pattern's field. */
export function bellsByPattern({
  count,
  minutes,
  first,
  between,
  breaks,
}: BellPattern): BellTimes[] {
  checkWhole(count, 1, MOST_PERIODS, 'count');
  checkWhole(minutes, 1, DAY, 'minutes');
  checkWhole(between, 0, DAY, 'between');
  breaks.forEach((pause, i) => {
    checkWhole(pause.after, 1, count, `breaks.${i}.after`);
    checkWhole(pause.minutes, 0, DAY, `breaks.${i}.minutes`);
  });
  const periods: BellTimes[] = [];
  let start = minuteOfDay(first, 'first');
  for (let n = 1; n <= count; n++) {
    const end = start + minutes;
    if (end >= DAY) fail('count', `Period ${n} would end after midnight.`);
    periods.push({ label: String(n), start: timeOf(start), end: timeOf(end) });
    start = end + (breaks.find((pause) => pause.after === n)?.minutes ?? between);
  }
  return periods;
}
