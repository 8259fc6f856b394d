import { classTitle, registerCsv, type ReturnedRow, type StandingRow } from '@glen/core';
import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import { countMany } from './counted.js';
import { personOfKey } from './measure.js';
import { namesOf } from './measureStore.js';
import { readableBy } from './readable.js';
import { classesByIds } from './store.js';
import { askedBy, isOpenStill, pagesOf, toBeMeasured, weekOf, type Asked } from './week.js';
import { dateKey, peopleOfDays, weekDates, type Days, type PersonAtDate } from './weekStore.js';

/** How somebody stood, whether that is settled or not. */
type Stood = Pick<
  ReturnedRow,
  'stands' | 'status' | 'late' | 'leftEarly' | 'minutes' | 'reason'
> & {
  personId: number;
};

const settled = ({ date: _, reason, ...row }: PersonAtDate): Stood => ({
  ...row,
  reason: reason ?? '',
});

const measured = (rows: readonly StandingRow[]): Stood[] =>
  rows.flatMap(({ person, correction, excuse, ...row }) => {
    const personId = personOfKey(person);
    if (personId === null || row.stands === 'guest') return [];
    return [{ ...row, personId, reason: correction?.reason ?? excuse?.reason ?? '' }];
  });

/** Everybody at the sessions of some days that were held, settled or not. */
async function stoodIn(glen: Glen, who: Who, days: Days, classIds: number[] | undefined) {
  const of = { ...askedBy(who), classIds };
  const now = glen.clock.school();
  const dates = await readableBy(glen.db, await weekDates(glen.db, days, of), who.person!.id);
  const people = await peopleOfDays(glen.db, dates);
  const open = dates.filter((row) => isOpenStill(row, now) && row.end_at <= now);
  const counted = await countMany(glen.db, open.map(toBeMeasured), now);
  const stood = new Map<string, Stood[]>();
  for (const row of people) {
    const so = stood.get(dateKey(row.date));
    if (so) so.push(settled(row));
    else stood.set(dateKey(row.date), [settled(row)]);
  }
  for (const row of open) stood.set(dateKey(row), measured(counted.get(row.id) ?? []));
  return { dates, stood };
}

/** A line for each person and session of some class periods. */
async function linesOf(
  glen: Glen,
  who: Who,
  days: Days,
  classIds: number[] | undefined,
): Promise<ReturnedRow[]> {
  const { dates, stood } = await stoodIn(glen, who, days, classIds);
  const ids = [...new Set([...stood.values()].flat().map(({ personId }) => personId))];
  const [names, classes] = await Promise.all([
    namesOf(glen.db, ids),
    classesByIds(glen.db, [...new Set(dates.map((row) => row.class_id))]),
  ]);
  const titles = new Map(classes.map((one) => [one.id, classTitle(one)]));
  return dates.flatMap((date) =>
    (stood.get(dateKey(date)) ?? []).map(({ personId, ...how }): ReturnedRow => ({
      date: date.local_date,
      time: date.local_time,
      classTitle: titles.get(date.class_id) ?? '',
      session: date.title,
      name: names.get(personId) ?? '',
      ...how,
      isSettled: date.settled_at !== null,
    })),
  );
}

const inOrder = (a: ReturnedRow, b: ReturnedRow): number =>
  `${a.date} ${a.time}`.localeCompare(`${b.date} ${b.time}`) ||
  a.classTitle.localeCompare(b.classTitle);

/** A week's registers as comma-separated values, a line for each person and session. */
export async function weekFile(
  glen: Glen,
  who: Who,
  { week, classId }: Asked,
): Promise<{ text: string; name: string }> {
  const days = await weekOf(glen, week);
  const rows: ReturnedRow[] = [];
  const pages = classId === undefined ? pagesOf(glen.db, askedBy(who)) : [[classId]];
  for await (const page of pages) rows.push(...(await linesOf(glen, who, days, page)));
  return { text: registerCsv(rows.sort(inOrder)), name: `who-came-${days.from}.csv` };
}
