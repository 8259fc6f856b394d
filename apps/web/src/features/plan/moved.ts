import { dateInWords } from '@glen/core/light';

interface Movable {
  date: string;
  time: string;
  minutes: number;
  was: { date: string; time: string; minutes: number } | null;
}

/** What moved, from where a session stands now: `Moved from Thu 15 Oct, 15:10`, `Moved from 11:40`, `10 min longer`. */
export function movedInWords({ date, time, minutes, was }: Movable): string {
  if (!was) return '';
  if (was.date !== date) return `Moved from ${dateInWords(was.date)}, ${was.time}`;
  if (was.time !== time) return `Moved from ${was.time}`;
  const longer = minutes - was.minutes;
  return longer > 0 ? `${longer} min longer` : `${-longer} min shorter`;
}
