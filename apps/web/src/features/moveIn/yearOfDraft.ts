import {
  GlenInputError,
  bellsByPattern,
  indexSchool,
  yearCalendar,
  type BellTimes,
  type SchoolCalendar,
} from '@glen/core';
import type { Draft, YearDraft } from './firstDraft.js';

const number = (typed: string): number => (typed.trim() === '' ? NaN : Number(typed));

/** The bell periods of a typed pattern. Throws GlenInputError with the pattern's field. */
export const periodsOf = (bells: YearDraft['bells']): BellTimes[] =>
  bells === null
    ? []
    : bellsByPattern({
        count: number(bells.count),
        minutes: number(bells.minutes),
        first: bells.first.trim(),
        between: number(bells.between),
        breaks: bells.breaks.map((pause) => ({
          after: number(pause.after),
          minutes: number(pause.minutes),
        })),
      });

const labelsOf = (typed: string): string[] =>
  typed
    .split(',')
    .map((label) => label.trim())
    .filter(Boolean);

export interface WrongField {
  /** Such as `bells.count`, `terms.1.first`, `cycle`. */
  path: string;
  message: string;
}

/** A path of the calendar in the words of the form. */
const ofForm = (path: string): string =>
  path.replace(/^school\./, '').replace(/^cycle\..*/, 'cycle');

/** The school year that has been typed, or what is wrong with it. */
export function yearOfDraft({
  school,
  year,
}: Draft): { calendar: SchoolCalendar } | { wrong: WrongField } {
  try {
    const calendar = yearCalendar({
      zone: school.zone,
      terms: year.terms,
      holidays: year.holidays,
      periods: bellsWithin(year.bells),
      cycle: labelsOf(year.cycle),
    });
    indexSchool(calendar);
    return { calendar };
  } catch (error) {
    if (error instanceof GlenInputError)
      return { wrong: { path: ofForm(error.path), message: error.message } };
    throw error;
  }
}

/** The same, with what is wrong named below `bells`. */
function bellsWithin(bells: YearDraft['bells']): BellTimes[] {
  try {
    return periodsOf(bells);
  } catch (error) {
    if (error instanceof GlenInputError)
      throw new GlenInputError(`bells.${error.path}`, error.message);
    throw error;
  }
}
