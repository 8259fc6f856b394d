import { dayNumber } from '../time/dates.js';

interface Term {
  name: string;
  first: string;
  last: string;
}

/** Countries whose school year goes with the calendar year (common practice, no published source). */
const BY_THE_CALENDAR_YEAR = ['AU', 'NZ', 'ZA', 'AR', 'BR', 'CL', 'UY', 'SG', 'KR', 'JP'];

/** The month from which on people plan the school year to come. */
const PLANNED_FROM_MONTH = 7;

const inCalendarYear = (year: number): Term[] => [
  { name: 'Term 1', first: `${year}-01-29`, last: `${year}-04-10` },
  { name: 'Term 2', first: `${year}-04-27`, last: `${year}-07-03` },
  { name: 'Term 3', first: `${year}-07-20`, last: `${year}-09-25` },
  { name: 'Term 4', first: `${year}-10-12`, last: `${year}-12-16` },
];

const fromAutumn = (year: number): Term[] => [
  { name: 'Autumn', first: `${year}-09-01`, last: `${year}-12-18` },
  { name: 'Winter', first: `${year + 1}-01-05`, last: `${year + 1}-03-26` },
  { name: 'Spring', first: `${year + 1}-04-06`, last: `${year + 1}-06-25` },
];

/**
 * Likely terms of the school year that a date lies in, or that is planned then: something to change, not to trust.
 * `region` is a country, or a part of one (`CA-NS`), or blank.
 */
export function likelyTerms(today: string, region: string): Term[] {
  dayNumber(today, 'today');
  const year = Number(today.slice(0, 4));
  const month = Number(today.slice(5, 7));
  const country = region.split('-')[0]!;
  if (BY_THE_CALENDAR_YEAR.includes(country)) return inCalendarYear(month === 12 ? year + 1 : year);
  return fromAutumn(month >= PLANNED_FROM_MONTH ? year : year - 1);
}
