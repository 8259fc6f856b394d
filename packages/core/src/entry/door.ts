import { utcOf, secondsOf } from '../time/seconds.js';
import type { Occurrence } from '../plan/plan.js';
import type { EntryRules } from './rules.js';

type Timed = Pick<Occurrence, 'start' | 'end'>;
type Widening = Pick<EntryRules, 'opensBefore' | 'closesAfter'>;
/** One widening for all, or each occurrence's own. */
type WideningOf<O> = Widening | ((occurrence: O) => Widening);
const wideningOf = <O>(rules: WideningOf<O>, occurrence: O): Widening =>
  typeof rules === 'function' ? rules(occurrence) : rules;

/** When the door of one occurrence opens and closes: its times widened by the rules. */
export function doorFor(occurrence: Timed, rules: Widening): { opens: string; closes: string } {
  return {
    opens: utcOf(secondsOf(occurrence.start, 'start') - rules.opensBefore * 60),
    closes: utcOf(secondsOf(occurrence.end, 'end') + rules.closesAfter * 60),
  };
}

export interface AtDoor<O> {
  occurrence: O;
  opens: string;
  closes: string;
}

interface Ranked<O> {
  row: AtDoor<O>;
  /** 0: it is running; 1: its door is open; 2: it is still to come. */
  rank: number;
  /** Seconds between its start and now. */
  distance: number;
}

/** How well an occurrence answers what a link stands for at a second; null where it is called off, or its door has closed. */
function rankAt<O extends Timed & Pick<Occurrence, 'status'>>(
  occurrence: O,
  widening: Widening,
  at: number,
): Ranked<O> | null {
  if (occurrence.status !== 'planned' && occurrence.status !== 'moved') return null;
  const row = { occurrence, ...doorFor(occurrence, widening) };
  const start = secondsOf(occurrence.start, 'start');
  const distance = Math.abs(start - at);
  if (at < secondsOf(row.opens, 'opens')) return { row, rank: 2, distance };
  if (at >= secondsOf(row.closes, 'closes')) return null;
  const isRunning = start <= at && at < secondsOf(occurrence.end, 'end');
  return { row, rank: isRunning ? 0 : 1, distance };
}

/**
 * What a link stands for at `now`, of the planned and moved ones: the one whose door is open (of several
 * the one running, else the nearest start), else the next to come, else null. Where single sessions have rules of
 * their own, `rules` gives each its own widening.
 */
export function sessionAtDoor<O extends Timed & Pick<Occurrence, 'status'>>(
  occurrences: O[],
  rules: WideningOf<O>,
  now: string,
): AtDoor<O> | null {
  const at = secondsOf(now, 'now');
  let best: Ranked<O> | null = null;
  for (const occurrence of occurrences) {
    const found = rankAt(occurrence, wideningOf(rules, occurrence), at);
    if (!found) continue;
    const isNearer = best && found.rank === best.rank && found.distance < best.distance;
    if (!best || found.rank < best.rank || isNearer) best = found;
  }
  return best?.row ?? null;
}

/** Minutes before a door's own time from which opening it by hand means that session, not a new one. */
export const EARLY_OPENING_MINUTES = 60;

interface Running {
  hostInside: boolean;
  /** People are in its room still. */
  lives: boolean;
}

/**
 * The session that a link stands for, with what happens behind the door taken into account: the one whose room people
 * are still in, so that a link never has two rooms; else the one whose door is open; else one that a host was in a moment
 * ago, past its end or before its time; else the next to come.
 */
export function doorSession<O extends Timed & Pick<Occurrence, 'status'> & Running>(
  occurrences: O[],
  rules: WideningOf<O>,
  now: string,
): AtDoor<O> | null {
  const scheduled = sessionAtDoor(occurrences, rules, now);
  if (scheduled?.occurrence.lives) return scheduled;
  const living = occurrences.find((o) => o.lives);
  if (!living && scheduled && scheduled.opens <= now) return scheduled;
  const running = living ?? occurrences.find((o) => o.hostInside);
  return running
    ? { occurrence: running, ...doorFor(running, wideningOf(rules, running)) }
    : scheduled;
}

/**
 * What a host opens at `now`: the session at the door where people are in its room, where it is open, running or opens
 * within the hour; else null, and a session is put on the books on the spot.
 */
export function sessionToOpen<O extends Timed & Pick<Occurrence, 'status'> & Running>(
  occurrences: O[],
  rules: WideningOf<O>,
  now: string,
): AtDoor<O> | null {
  const next = doorSession(occurrences, rules, now);
  if (!next || next.occurrence.lives) return next;
  const wait = secondsOf(next.opens, 'opens') - secondsOf(now, 'now');
  return wait <= EARLY_OPENING_MINUTES * 60 ? next : null;
}
