import {
  GlenInputError,
  addDays,
  describePlan,
  expandPlan,
  isHeld,
  readPhrase,
  wholeWindow,
  type SchoolCalendar,
  type SessionPlan,
} from '@glen/core';
import { many } from '../../ui/fill.js';
import * as say from './words.js';

/** When a class period meets, as it was typed. */
export interface Meets {
  plan: SessionPlan;
  /** The plan in a sentence, with how many sessions it comes to. */
  words: string;
  /** The dates on which it is held. */
  dates: string[];
}

interface Moment {
  school: SchoolCalendar;
  /** Local date and time now. */
  today: string;
}

/** A plan without an end is shown, and this far. */
const FAR_DAYS = 370;

function read(typed: string, { school, today }: Moment): Meets {
  const { plan, unclear } = readPhrase(typed, { school, today });
  const [first] = unclear;
  if (first) {
    const asks = first.text === '' ? first.why : `“${first.text}”: ${first.why}`;
    throw new GlenInputError('when', asks);
  }
  const whole = wholeWindow(plan, school);
  const far = addDays(plan.first, FAR_DAYS);
  const window = { from: whole.from, to: whole.to < far ? whole.to : far };
  const dates = expandPlan(plan, school, window)
    .filter(isHeld)
    .map((o) => o.date);
  if (dates.length === 0) throw new GlenInputError('when', say.noDayFitsThat);
  const count = many(say.sessions, dates.length);
  return { plan, words: `${describePlan(plan, school)}: ${count}.`, dates };
}

/** What was typed, read; or why it cannot be. Nothing typed is nothing planned. */
export function readMeets(typed: string, moment: Moment): { meets?: Meets; wrong?: string } {
  if (typed.trim() === '') return {};
  try {
    return { meets: read(typed, moment) };
  } catch (error) {
    if (error instanceof GlenInputError) return { wrong: error.message };
    throw error;
  }
}
