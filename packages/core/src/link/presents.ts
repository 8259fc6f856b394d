import { dateInWords, WEEKDAY_NAMES, type Weekday } from '../time/dates.js';
import { holdsForInWords, type HoldsFor } from './holdsFor.js';

/** What somebody is named to present at a link. Dates are those of the school's wall clock. */
export interface Presents extends HoldsFor {
  /** Empty: on any day. */
  weekday: Weekday | '';
  /** The first and last date, both included; empty: without a bound. */
  from: string;
  until: string;
  /** While no host is in they open, let in and close. */
  takesOver: boolean;
}

/** Whether they are named by dates, so that what they present follows what is held on them. */
export const isByDates = ({ weekday, from, until }: Presents): boolean =>
  weekday !== '' || from !== '' || until !== '';

function daysInWords({ seriesId, key, weekday }: Presents, series: string | null): string {
  if (weekday === '' || key !== '') return holdsForInWords({ seriesId, key }, { series });
  const days = `on ${WEEKDAY_NAMES[weekday]}s`;
  return seriesId === 0 ? days : `${days} of ${series ?? 'a series'}`;
}

function boundsInWords({ from, until }: Presents): string {
  if (from !== '' && until !== '') return ` from ${dateInWords(from)} to ${dateInWords(until)}`;
  if (from !== '') return ` from ${dateInWords(from)} on`;
  return until === '' ? '' : ` until ${dateInWords(until)}`;
}

/** The same in words: `on Thursdays of Knots from Thu 15 Oct on; takes over while no host is in`. `series`: what that is called, where it still stands. */
export function presentsInWords(named: Presents, { series }: { series: string | null }): string {
  const when = `${daysInWords(named, series)}${boundsInWords(named)}`;
  return named.takesOver ? `${when}; takes over while no host is in` : when;
}
