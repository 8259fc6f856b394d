import {
  addDays,
  countStood,
  classTitle,
  dateOf,
  dayNumber,
  mondayOf,
  wallClockAt,
  type StandingRow,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import type { Who } from '../../http/who.js';
import { readSchool } from '../school/store.js';
import { countMany } from './counted.js';
import { personOfKey } from './measure.js';
import { namesOf, type DateToMeasure } from './measureStore.js';
import { readableBy } from './readable.js';
import { classIdsAfter, classesByIds, hostsByClass } from './store.js';
import { peopleOfDays, weekDates, type Days, type OfWhom, type WeekDateRow } from './weekStore.js';

type Week = Answer<'weekRegisters'>;
type Session = Week['classes'][number]['sessions'][number];
type Counts = NonNullable<Session['counts']>;

/** Class periods at a time. */
const PAGE = 100;

const DAYS_OF_WEEK = 6;

/** Monday to Sunday: of the week of a day, or of this one. */
export async function weekOf(glen: Glen, day: string | undefined): Promise<Days> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const within = day ?? wallClockAt(glen.clock.school(), zone).date;
  const from = dateOf(mondayOf(dayNumber(within, 'week')));
  return { from, until: addDays(from, DAYS_OF_WEEK) };
}

/** Whose sessions somebody may ask about. */
export const askedBy = (who: Who): Pick<OfWhom, 'hostId'> => ({
  hostId: isOffice(who) ? null : who.person!.id,
});

/** A date as it is measured. */
export const toBeMeasured = (row: WeekDateRow): DateToMeasure => ({
  id: row.id,
  seriesId: row.series_id,
  key: row.key_date,
  classId: row.class_id,
  linkId: row.link_id,
  date: row.local_date,
  start: row.start_at,
  end: row.end_at,
  sittingId: row.sitting.id,
});

/** Whose register is not settled, and to which somebody could have come. */
export const isOpenStill = (row: WeekDateRow, now: string): boolean =>
  row.settled_at === null && row.sitting.opened_at !== null && row.start_at < now;

/** How many stood as what, and how many guests there were. */
export const countsOf = (rows: readonly StandingRow[]): Counts => ({
  ...countStood(rows.filter(({ stands }) => stands !== 'guest')),
  guests: rows.filter(({ stands }) => stands === 'guest').length,
});

export const settledCounts = ({ counts, guests }: WeekDateRow): Counts => ({ ...counts, guests });

function stateOf(row: WeekDateRow, now: string): Session['state'] {
  if (row.held || row.sitting.opened_at !== null) return row.end_at > now ? 'running' : 'held';
  return row.end_at > now ? 'to-come' : 'not-opened';
}

/** A session of the week with how many came; nothing is counted where nobody could have come. */
function sessionOf(row: WeekDateRow, open: Map<number, StandingRow[]>, now: string): Session {
  const state = stateOf(row, now);
  const measured = open.get(row.id);
  const counted = measured ? countsOf(measured) : settledCounts(row);
  return {
    seriesId: row.series_id,
    key: row.key_date,
    title: row.title,
    date: row.local_date,
    time: row.local_time,
    minutes: row.minutes,
    state,
    isSettled: row.settled_at !== null,
    counts: state === 'held' || state === 'running' ? counted : null,
  };
}

/** Which week, and of one class period perhaps. */
export interface Asked {
  week?: string | undefined;
  classId?: number | undefined;
  after?: number | undefined;
}

/** Of which class periods: one, a page of the school's, or all that somebody hosts. */
async function pageOf(glen: Glen, who: Who, { classId, after = 0 }: Asked) {
  if (classId !== undefined) return [classId];
  return isOffice(who) ? classIdsAfter(glen.db, after, PAGE) : undefined;
}

/**
 * The class periods that somebody may ask about, so many at a time that no question to the database names a whole school;
 * undefined: all that they host, at once.
 */
export async function* pagesOf(
  db: Db,
  { hostId }: Pick<OfWhom, 'hostId'>,
): AsyncGenerator<number[] | undefined> {
  if (hostId !== null) return yield undefined;
  for (let after = 0; ;) {
    const page = await classIdsAfter(db, after, PAGE);
    if (page.length > 0) yield page;
    if (page.length < PAGE) return;
    after = page.at(-1)!;
  }
}

/** Who came in a week: by session for a page of class periods, and by person for one. */
export async function weekRegisters(glen: Glen, who: Who, asked: Asked): Promise<Week> {
  const days = await weekOf(glen, asked.week);
  const page = await pageOf(glen, who, asked);
  const now = glen.clock.school();
  const dates = await weekDates(glen.db, days, { ...askedBy(who), classIds: page });
  const rows = await readableBy(glen.db, dates, who.person!.id);
  const ids = [...new Set(rows.map((row) => row.class_id))];
  const open = await countMany(
    glen.db,
    rows.filter((row) => isOpenStill(row, now)).map(toBeMeasured),
    now,
  );
  const [classes, hosts] = await Promise.all([
    classesByIds(glen.db, ids),
    hostsByClass(glen.db, ids),
  ]);
  return {
    week: days.from,
    until: days.until,
    ofSchool: isOffice(who),
    more: page?.length === PAGE ? page.at(-1)! : null,
    classes: classes.map((one) => ({
      id: one.id,
      title: classTitle(one),
      pennant: one.pennant,
      hosts: hosts.get(one.id) ?? [],
      sessions: rows
        .filter((row) => row.class_id === one.id)
        .map((row) => sessionOf(row, open, now)),
    })),
    people: asked.classId === undefined ? null : await peopleOf(glen, { rows, open }),
  };
}

interface Known {
  rows: WeekDateRow[];
  open: Map<number, StandingRow[]>;
}

/** Each person of a class period with how they stood, session by session. */
async function peopleOf(glen: Glen, { rows, open }: Known): Promise<NonNullable<Week['people']>> {
  const marks = (await peopleOfDays(glen.db, rows)).map(({ date, personId, stands, late }) => ({
    ...{ personId, stands, late },
    seriesId: date.series_id,
    key: date.key_date,
  }));
  const measured = rows.flatMap((row) =>
    (open.get(row.id) ?? []).flatMap(({ person, stands, late }) => {
      const personId = personOfKey(person);
      if (personId === null || stands === 'guest') return [];
      return [{ personId, seriesId: row.series_id, key: row.key_date, stands, late }];
    }),
  );
  const all = [...marks, ...measured];
  const names = await namesOf(glen.db, [...new Set(all.map(({ personId }) => personId))]);
  return [...names]
    .map(([id, name]) => ({
      id,
      name,
      marks: all.filter(({ personId }) => personId === id).map(({ personId: _, ...mark }) => mark),
    }))
    .sort((a, b) => a.name.localeCompare(b.name) || a.id - b.id);
}
