import { secondsOf } from '../time/seconds.js';

/**
 * How many minutes a session lasts in all that is to run some minutes longer: from its end on, or, where that is past, from
 * now on. `start` and `now` are instants; a begun minute counts whole.
 */
export function longerFromNow(
  { start, minutes }: { start: string; minutes: number },
  more: number,
  now: string,
): number {
  const gone = Math.ceil((secondsOf(now, 'now') - secondsOf(start, 'start')) / 60);
  return Math.max(minutes, gone) + more;
}
