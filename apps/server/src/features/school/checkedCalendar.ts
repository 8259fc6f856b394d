import { GlenInputError, indexSchool, type SchoolCalendar } from '@glen/core';
import type { Calendar } from '@glen/contract';
import { wrongField } from '../../http/problem.js';

/**
 * The calendar in the core's type: what came in differs only in fields that may be left out. 422 with the field
 * where it cannot be.
 */
export function checkedCalendar(calendar: Calendar): SchoolCalendar {
  try {
    indexSchool(calendar as SchoolCalendar);
    return calendar as SchoolCalendar;
  } catch (error) {
    if (error instanceof GlenInputError)
      throw wrongField(error.path.replace(/^school/, 'calendar'), error.message);
    throw error;
  }
}
