import { WEEKDAY_NAMES, dayNumber, weekdayOf } from '@glen/core';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

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
  isDate(first) ? WEEKDAY_NAMES[weekdayOf(dayNumber(first, 'date'))] : say.theDay;

/** The name of the sheet's main button: its result. */
export function saveLabel(s: Saving): string {
  if (s.holdsNothing) return say.noSessionToSchedule;
  if (s.askedOnce) return fill(say.yesScheduleSessions, { held: s.held });
  const isMany = s.held > 1;
  if (s.isNew && s.held > 0 && s.ahead === 0)
    return isMany ? fill(say.scheduleInThePast, { held: s.held }) : say.scheduleItInThePast;
  if (s.isNew)
    return isMany
      ? fill(say.scheduleSessions, { held: s.held })
      : fill(say.scheduleSSession, { day: dayOf(s.first) });
  if (!s.isSeries) return isMany ? fill(say.makeItSessions, { held: s.held }) : say.saveTheChange;
  return s.isOne ? say.saveTheChange : fill(say.changeSessions, { ahead: s.ahead });
}

/** The name of the button that cancels. */
export function cancelLabel(isSeries: boolean, scope: 'one' | 'onwards' | 'whole'): string {
  if (!isSeries || scope === 'one') return say.cancelTheSession;
  return scope === 'whole' ? say.cancelTheWholeSeries : say.cancelFromHereOn;
}
