import { plusSeconds } from '../time/seconds.js';

// Whether a service outside is asked: one that has not answered several times is left alone for a while, and then tried
// by one alone (common practice: a circuit breaker).

/** What is known of a service: how often in a row it has not answered, and until when it is left alone. Instants. */
export interface Breaker {
  failures: number;
  until: string | null;
}

/** A service that answers. */
export const ANSWERING: Breaker = { failures: 0, until: null };

/** So many times in a row, and it counts as away. */
const MANY = 3;
const FIRST_PAUSE_SECONDS = 5;
/** However long it has been away, it is tried twice a minute: an end is noticed by itself. */
const LONGEST_PAUSE_SECONDS = 30;

/** What is known after a try at `now`. Each further failure doubles the pause. */
export function afterTry({ failures }: Breaker, hasAnswered: boolean, now: string): Breaker {
  if (hasAnswered) return ANSWERING;
  const inRow = failures + 1;
  if (inRow < MANY) return { failures: inRow, until: null };
  const pause = Math.min(LONGEST_PAUSE_SECONDS, FIRST_PAUSE_SECONDS * 2 ** (inRow - MANY));
  return { failures: inRow, until: plusSeconds(now, pause) };
}

/** How many may ask it at `now`, of so many as could: none while it is left alone, then one until it answers. */
export function mayAsk({ failures, until }: Breaker, many: number, now: string): number {
  if (failures < MANY) return many;
  return until !== null && now < until ? 0 : 1;
}
