import { WEEKDAY_NAMES, dayNumber, weekdayOf } from '@glen/core';

/** What the main button of the sheet is about to do. */
export interface Saving {
  /** Sessions that would be held, and those of them that are still ahead. */
  held: number;
  ahead: number;
  holdsNothing: boolean;
  /** The teacher has been asked whether so many are meant. */
  askedOnce: boolean;
  /** Put on the books for the first time: new, or a draft until now. */
  isNew: boolean;
  isSeries: boolean;
  /** One date alone is changed, or the plan has only one. */
  isOne: boolean;
  /** The first local date, as it is typed. */
  first: string;
}

const isDate = (typed: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(typed);
const dayOf = (first: string): string =>
  isDate(first) ? WEEKDAY_NAMES[weekdayOf(dayNumber(first, 'date'))] : 'the day';

/** The name of the sheet's main button: its result. */
export function saveLabel(s: Saving): string {
  if (s.holdsNothing) return 'No session to schedule';
  if (s.askedOnce) return `Yes, schedule ${s.held} sessions`;
  const isMany = s.held > 1;
  if (s.isNew && s.held > 0 && s.ahead === 0)
    return isMany ? `Schedule ${s.held} in the past` : 'Schedule it in the past';
  if (s.isNew)
    return isMany ? `Schedule ${s.held} sessions` : `Schedule ${dayOf(s.first)}’s session`;
  if (!s.isSeries) return isMany ? `Make it ${s.held} sessions` : 'Save the change';
  return s.isOne ? 'Save the change' : `Change ${s.ahead} sessions`;
}

/** The name of the button that cancels. */
export function cancelLabel(isSeries: boolean, scope: 'one' | 'onwards' | 'whole'): string {
  if (!isSeries || scope === 'one') return 'Cancel the session';
  return scope === 'whole' ? 'Cancel the whole series' : 'Cancel from here on';
}
