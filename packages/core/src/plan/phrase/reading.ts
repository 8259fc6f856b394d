import type { Weekday } from '../../time/dates.js';
import type { SchoolCalendar } from '../../calendar/school.js';
import type { PlanTime, SessionPlan } from '../plan.js';
import type { FieldRepeat } from '../repeat.js';

/** A class period as a phrase may name it. */
export interface PhraseClass {
  id: number;
  title: string;
  period: string | null;
  letters: string;
}

export interface PhraseContext {
  school: SchoolCalendar;
  /** Local date and time now. */
  today: string;
  classes?: PhraseClass[];
  /** Minutes of a session whose phrase names only its start; 50 where left out. */
  minutes?: number;
}

export interface ReadPhrase {
  plan: SessionPlan;
  /** The class period that was named, where exactly one fits. */
  classId?: number;
  /** What could not be read, with its place in the text (`from ≤ i < to`). */
  unclear: { text: string; from: number; to: number }[];
}

/** The text while it is read: what has been understood is blanked, so that every place stays where it was. */
export class Reading {
  rest: string;
  constructor(text: string) {
    this.rest = text.toLowerCase();
  }
  /** Takes the first match out; `use` may refuse it. */
  take(pattern: RegExp, use: (match: string[]) => boolean | void): boolean {
    const found = pattern.exec(this.rest);
    if (!found || use(([...found] as (string | undefined)[]).map((part) => part ?? '')) === false)
      return false;
    this.rest =
      this.rest.slice(0, found.index) +
      ' '.repeat(found[0].length) +
      this.rest.slice(found.index + found[0].length);
    return true;
  }
}

/** What has been understood so far. `start`: minutes after midnight. */
export interface Parts {
  repeat?: FieldRepeat;
  at?: PlanTime;
  start?: number;
  minutes?: number;
  first?: string;
  weekday?: Weekday;
  closures: SessionPlan['closures'];
}
