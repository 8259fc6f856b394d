import { addDays, dateInWords, dayInfo, type SchoolCalendar } from '@glen/core';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface StripProps {
  school: SchoolCalendar;
  dates: string[];
}

interface Column {
  date: string;
  isTaught: boolean;
  isHeld: boolean;
}

/** The days on which the school may teach, from the first to the last session's term. */
function columnsOf({ school, dates }: StripProps): Column[] {
  const held = new Set(dates);
  const [first, last] = [dates[0]!, dates.at(-1)!];
  const from = school.terms.findLast((t) => t.first <= first)?.first ?? first;
  const to = school.terms.find((t) => t.last >= last)?.last ?? last;
  const columns: Column[] = [];
  for (let date = from; date <= to; date = addDays(date, 1)) {
    const { teaching, bell } = dayInfo(school, date);
    const isHeld = held.has(date);
    if (bell !== undefined || isHeld) columns.push({ date, isTaught: teaching, isHeld });
  }
  return columns;
}

const HATCHED =
  'bg-[repeating-linear-gradient(135deg,var(--edge)_0_2px,transparent_2px_5px)] opacity-70';

/** The school days of a plan at a glance, a column each; closed ones hatched, a notch where it meets. */
export function YearStrip(props: StripProps) {
  const columns = columnsOf(props);
  const [first, last] = [columns[0]!.date, columns.at(-1)!.date];
  return (
    <figure className="mt-3">
      <div
        role="img"
        aria-label={fill(say.sessionsFromTo, {
          datesCount: props.dates.length,
          from: dateInWords(first),
          until: dateInWords(last),
        })}
        className="flex h-11 gap-px"
      >
        {columns.map(({ date, isTaught, isHeld }) => (
          <span
            key={date}
            title={dateInWords(date)}
            className={`flex min-w-0 flex-1 items-center rounded-mark ${isTaught ? 'bg-shade' : HATCHED}`}
          >
            {isHeld && <span className="h-4 w-full rounded-mark bg-loch" />}
          </span>
        ))}
      </div>
      <figcaption className="mt-1 flex justify-between font-mono text-sm text-soft">
        <span>{dateInWords(first)}</span>
        <span>{dateInWords(last)}</span>
      </figcaption>
    </figure>
  );
}
