import { dateInWords } from '@glen/core/light';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface Movable {
  date: string;
  time: string;
  minutes: number;
  was: { date: string; time: string; minutes: number } | null;
}

/** What moved, from where a session stands now: `Moved from Thu 15 Oct, 15:10`, `Moved from 11:40`, `10 min longer`. */
export function movedInWords({ date, time, minutes, was }: Movable): string {
  if (!was) return '';
  if (was.date !== date)
    return fill(say.movedFrom, { date: dateInWords(was.date), time: was.time });
  if (was.time !== time) return fill(say.movedFromTime, { time: was.time });
  const longer = minutes - was.minutes;
  return longer > 0
    ? fill(say.longerMinLonger, { longer })
    : fill(say.whatMinShorter, { what: -longer });
}
