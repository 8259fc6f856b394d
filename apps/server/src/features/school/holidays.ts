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

/** Public holidays of a region while the school year lasts. */
export async function holidaysOf(
  glen: Glen,
  region: string | undefined,
): Promise<Answer<'holidays'>> {
  const kept = await readCalendar(glen.db);
  const code = region ?? kept.region ?? undefined;
  const regions = await regionsAround(code);
  if (!code || !regions.some((r) => r.code === code)) return { regions, holidays: [] };
  const [country = '', state] = code.split('-');
  const all = await library();
  if (state) all.init(country, state);
  else all.init(country);
  const [first, last] = [kept.calendar.terms[0]!.first, kept.calendar.terms.at(-1)!.last];
  const found: { name: string; date: string }[] = [];
  for (let year = Number(first.slice(0, 4)); year <= Number(last.slice(0, 4)); year++) {
    for (const day of all.getHolidays(year, 'en')) {
      if (day.type !== 'public') continue;
      // The data set gives a beginning and an end; most last a day.
      const days = Math.max(1, Math.round((day.end.getTime() - day.start.getTime()) / 86400000));
      for (let i = 0; i < days; i++)
        found.push({
          name: day.name.replace(/ \(substitute day\)$/, ''),
          date: addDays(day.date.slice(0, 10), i),
        });
    }
  }
  return { regions, holidays: found.filter((h) => h.date >= first && h.date <= last) };
}
