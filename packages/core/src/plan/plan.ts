import type { Weekday } from '../time/dates.js';

/** When a session stands within its day. Times are wall clock, lengths minutes. */
export type PlanTime =
  | { time: string; minutes: number }
  | { period: string }
  | { bell: { period: string; edge: 'start' | 'end'; offset: number }; minutes: number };

export type PlanRepeat =
  | {
      every: 'day' | 'school-day' | 'week' | 'month';
      interval?: number;
      on?: Weekday[];
      monthDay?: number;
      nth?: { n: 1 | 2 | 3 | 4 | 5 | -1; weekday: Weekday };
      cycleDays?: string[];
      until?: string;
      times?: number;
      weeks?: number;
    }
  | { rrule: string };

export type PlanChange =
  | { key: string; kind: 'cancel'; note?: string }
  | { key: string; kind: 'move'; date: string; time?: string; minutes?: number; note?: string };

/** A session, once or repeating, as its teacher said it. */
export interface SessionPlan {
  /** First date that may be used. */
  first: string;
  at: PlanTime;
  zone: string;
  closures: 'skip' | 'keep';
  repeat?: PlanRepeat;
  alsoOn?: string[];
  /** Dates of the pattern that were never meant: they are none of the plan's, and nobody is told of them. */
  except?: string[];
  changes?: PlanChange[];
}

export interface Occurrence {
  /** The date the pattern gave it, for ever. */
  key: string;
  /** Where it stands now, wall clock in the plan's zone. */
  date: string;
  time: string;
  minutes: number;
  /** Instants. */
  start: string;
  end: string;
  status: 'planned' | 'moved' | 'cancelled' | 'skipped';
  /** Why the calendar skips it. */
  reason?: 'closure' | 'outside-term' | 'no-bells' | 'no-period';
  /** Skipped: the reason in words; cancelled or moved: the note. */
  why?: string;
  /** No bell gives its time: time 00:00, minutes 0, both instants the first of that date. */
  untimed?: true;
  /** Where a moved one would stand without the move. */
  was?: { date: string; time: string; minutes: number };
}
