import { addDays } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { readCalendar } from './store.js';

/** The data set is large and seldom asked: it is loaded when it first is. */
const library = async () => new (await import('date-holidays')).default();

const NAMES = new Intl.DisplayNames('en', { type: 'region' });

/** Every country of the data set, and the regions of the country that a code such as `CA-NS` lies in. */
async function regionsAround(
  region: string | undefined,
): Promise<{ code: string; name: string }[]> {
  const all = await library();
  const country = region?.split('-')[0];
  const countries = Object.keys(all.getCountries('en'))
    .map((code) => ({ code, name: nameOf(code) }))
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  const states = country
    ? Object.entries(
        (all.getStates(country, 'en') as Record<string, string> | undefined) ?? {},
      ).map(([code, name]) => ({ code: `${country}-${code}`, name: `${nameOf(country)}, ${name}` }))
    : [];
  return [...states, ...countries];
}

function nameOf(code: string): string {
  try {
    return NAMES.of(code) ?? code;
  } catch {
    return code;
  }
}

type Holidays = Answer<'holidays'>;

interface Span {
  first: string;
  last: string;
}

/** Public holidays of a region between two dates, both counted; of an unknown one none, and all that are known. */
export async function holidaysBetween(
  region: string | undefined,
  { first, last }: Span,
): Promise<Holidays> {
  const regions = await regionsAround(region);
  if (!region || !regions.some((r) => r.code === region)) return { regions, holidays: [] };
  const [country = '', state] = region.split('-');
  const all = await library();
  if (state) all.init(country, state);
  else all.init(country);
  const found: Holidays['holidays'] = [];
  for (let year = Number(first.slice(0, 4)); year <= Number(last.slice(0, 4)); year++)
    for (const day of all.getHolidays(year, 'en'))
      if (day.type === 'public') found.push(...datesOf(day));
  return { regions, holidays: found.filter((h) => h.date >= first && h.date <= last) };
}

/** A holiday's dates: the data set gives a beginning and an end; most last a day. */
function datesOf(day: {
  name: string;
  date: string;
  start: Date;
  end: Date;
}): Holidays['holidays'] {
  const days = Math.max(1, Math.round((day.end.getTime() - day.start.getTime()) / 86400000));
  const name = day.name.replace(/ \(substitute day\)$/, '');
  return Array.from({ length: days }, (_, i) => ({
    name,
    date: addDays(day.date.slice(0, 10), i),
  }));
}

/** Public holidays of a region, else of the school's, while the school year lasts. */
export async function holidaysOf(glen: Glen, region: string | undefined): Promise<Holidays> {
  const { calendar, region: ownRegion } = await readCalendar(glen.db);
  const year = { first: calendar.terms[0]!.first, last: calendar.terms.at(-1)!.last };
  return holidaysBetween(region ?? ownRegion ?? undefined, year);
}
