import type { Weekday } from '../../time/dates.js';
import type { FieldRepeat } from '../repeat.js';
import type { Tokens } from './tokens.js';

/** A class period, one of its groups or one of its links that a phrase may mean. */
export interface ClassFit {
  classId: number;
  groupId?: number;
  linkId?: number;
  /** Its own bell period stood beside it. */
  byPeriod?: true;
}

/** A date as it was said, before it is known which year, or which series, it means. */
export type DateWords =
  | {
      month: number;
      day: number;
      year?: number;
      /** Day and month could be the other way round. */ isEither?: true;
    }
  /** The 27th. */
  | { day: number; month?: undefined }
  /** So many days after today. */
  | { ahead: number }
  /** `coming`: the next one, `this`: this week's, `next`: next week's, `week-on`: a week after the next one. */
  | { weekday: Weekday; which: 'coming' | 'this' | 'next' | 'week-on' }
  /** A day of the calendar by its name: the first day of a closure. */
  | { closure: string }
  | { monthEnd: number };

/** A clock time as it was said. */
export interface Clock {
  /** 0 to 24, as written. */
  hour: number;
  minute: number;
  half?: 'am' | 'pm';
  /** Written so that it can be no other half of the day. */
  isExact: boolean;
  /** Written with two figures and minutes, `10:30`: read as it stands, unless something else says otherwise. */
  isPlain?: true;
}

export interface DateStretch {
  first: DateWords;
  /** Its last day, where it is a stretch of days. */
  last?: DateWords;
  /** The word between the two, and where the last begins. */
  joined?: { by: string; from: number };
  /** A weekday that was said beside it. */
  weekday?: Weekday;
}

export type Role = 'day' | 'from' | 'until' | 'before' | 'except' | 'also';

/** What some words of the phrase mean. */
export type Meaning =
  | { kind: 'filler' }
  | { kind: 'class'; fits: ClassFit[] }
  | { kind: 'days'; days: Weekday[]; repeats: boolean; interval?: number }
  | { kind: 'repeat'; repeat: FieldRepeat; isEveryDay?: true }
  | { kind: 'cycle'; labels: string[] }
  | { kind: 'weekends' }
  | { kind: 'dates'; stretches: DateStretch[] }
  | { kind: 'week'; ahead: number }
  | { kind: 'marker'; role: Role }
  | { kind: 'named-end'; until: 'term-end' | 'exams' | 'year-end' }
  | {
      kind: 'end';
      end: { until: string } | { weeks: number } | { times: number } | { months: number };
    }
  | { kind: 'clock'; start: Clock; end?: Clock; /** `9.30` may be a date. */ asDate?: DateWords }
  | { kind: 'number'; number: number; isAt: boolean }
  | { kind: 'day-part'; half: 'am' | 'pm'; isToday?: true }
  | { kind: 'length'; minutes: number }
  | { kind: 'slots'; minutes: number; gap: number }
  | { kind: 'period'; label: string | 'first' | 'last' }
  | { kind: 'bell'; period: string; edge: 'start' | 'end'; offset: number }
  | { kind: 'closures'; closures: 'skip' | 'keep' }
  | { kind: 'wrong'; why: string }
  | { kind: 'unknown' };

/** A meaning and the token after its last. */
export interface Found {
  meaning: Meaning;
  next: number;
}
/** Reads what stands at a token; nothing where it is none of its own. */
export type Reader = (tokens: Tokens, i: number) => Found | undefined;

/** A meaning with its place in the text, and the part that its date plays. */
export type Item = Meaning & { from: number; to: number; role?: Role };

export const found = (next: number, meaning: Meaning): Found => ({ meaning, next });
