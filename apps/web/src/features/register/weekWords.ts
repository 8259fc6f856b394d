import { addDays } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Week = Answer<'weekRegisters'>;
export type WeekClass = Week['classes'][number];
export type WeekSession = WeekClass['sessions'][number];

/** What is said of a session that has no counts, or has them for now alone. */
export const STATES: Record<WeekSession['state'], string> = say.states;

/** `22 of 24`: of whoever was expected. */
export function cameInWords({ counts }: WeekSession): string {
  if (!counts) return '';
  const { present, partly, excused, absent } = counts;
  return fill(say.presentOfAll, {
    present: present + partly,
    all: present + partly + excused + absent,
  });
}

/** A session's counts to read out. */
export function countsInWords({ counts }: WeekSession): string {
  if (!counts) return '';
  const { present, partly, excused, absent, late } = counts;
  return fill(say.presentPartlyExcusedAbsentLate, { present, partly, excused, absent, late });
}

const DAYS_OF_WEEK = 7;
const WORKING_DAYS = 5;

/** The days of a week on which there is something, the working days in any case. */
export const daysShown = ({ week, classes }: Week): string[] =>
  Array.from({ length: DAYS_OF_WEEK }, (_, i) => addDays(week, i)).filter(
    (day, i) =>
      i < WORKING_DAYS || classes.some(({ sessions }) => sessions.some(({ date }) => date === day)),
  );

/** What needs thought in a week: doors never opened, and registers that are not settled. */
export function openEnds({ classes }: Week): { notOpened: number; notSettled: number } {
  const sessions = classes.flatMap((one) => one.sessions);
  return {
    notOpened: sessions.filter(({ state }) => state === 'not-opened').length,
    notSettled: sessions.filter(({ state, isSettled }) => state === 'held' && !isSettled).length,
  };
}
