import type { SchoolCalendar } from '../../calendar/school.js';
import type { DateWords } from './items.js';
import { tokensOf, type Tokens } from './tokens.js';

/** Regions that write the month before the day. */
const MONTH_FIRST = ['CA', 'US'];

interface ZonedLocale {
  getTimeZones?: () => string[];
  timeZones?: string[];
}

/** The zones of a region, as the platform's locale data has them (CLDR); none where it has not. */
function zonesOf(region: string): string[] {
  const locale = new Intl.Locale(`und-${region}`) as ZonedLocale;
  return locale.getTimeZones?.() ?? locale.timeZones ?? [];
}

/** Whether `12/11` is the 11th of December. */
export function isMonthFirst(region: string | undefined, zone: string): boolean {
  if (region !== undefined) return MONTH_FIRST.includes(region.toUpperCase());
  return MONTH_FIRST.some((known) => zonesOf(known).includes(zone));
}

/** The school's closures by their names in full: `until Remembrance Day`. */
export function closureReader(
  school: SchoolCalendar,
): (tokens: Tokens, i: number) => { date: DateWords; next: number } | undefined {
  const names = school.closures
    .filter((closure) => closure.kind !== 'exams')
    .map(({ name }) => ({ name, words: tokensOf(name).map((token) => token.text) }));
  return (tokens, i) => {
    const fits = names.find(({ words }) => words.length > 0 && tokens.are(i, ...words));
    return fits && { date: { closure: fits.name }, next: i + fits.words.length };
  };
}
