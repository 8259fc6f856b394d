import {
  addDays,
  classTitle,
  describePlan,
  placeWallTime,
  repeats,
  slotsInWords,
  type SlotPattern,
  type SessionPlan,
} from '@glen/core';
import type { Answer, Query } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { readableTo } from '../entry/privateTitles.js';
import { joinedOf, type JoinedRow } from '../link/joined.sql.js';
import { classItem } from '../school/classItem.js';
import { classesOf, pageOfClasses } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { waysOfSeries } from '../slot/waysStore.js';
import { heldElsewhere } from './sessions.js';
import { notchesBetween, seriesOfClasses, type NotchRow } from './strip.sql.js';

const LONGEST_DAYS = 400;
/** Refuses a span that nobody's screen shows. */
export function checkDates(from: string, to: string): void {
  if (from > to || addDays(from, LONGEST_DAYS) < to)
    throw wrongField('to', `Ask for up to ${LONGEST_DAYS} days, the first before the last.`);
}

/** Class periods (one's own and shared ones, or a page of all the school's) with every date of their series on local dates `from ≤ date ≤ to`. */
export async function stripFor(
  glen: Glen,
  personId: number,
  { from, to, of, after }: Query<'strip'>,
): Promise<Answer<'strip'>> {
  checkDates(from, to);
  const { calendar } = await readSchool(glen.db);
  const { rows: classes, hasMore } =
    of === 'all'
      ? await pageOfClasses(glen.db, personId, after)
      : { rows: await classesOf(glen.db, personId, false), hasMore: false };
  const ids = classes.map((c) => c.id);
  if (ids.length === 0)
    return { classes: [], series: [], notches: [], undated: [], hasMore: false };
  const found = await Promise.all([
    notchesBetween(glen.db, { from, to, classIds: ids, personId }),
    seriesOfClasses(glen.db, ids, personId),
  ]);
  const [rows, series] = await Promise.all([
    readableTo(glen.db, found[0], personId),
    readableTo(glen.db, found[1], personId),
  ]);
  const shared = await joinedOf(glen.db, ids, placeWallTime(from, '00:00', 0, calendar.zone).start);
  const titles = new Map(series.map((s) => [s.id, s.title]));
  const isShown = new Set(rows.map((row) => row.series_id));
  const ways = await waysOfSeries(glen.db, [...isShown]);
  return {
    classes: classes.map((row) => classItem(glen, row)),
    hasMore,
    undated: series
      .filter((s) => s.undated === 1)
      .map((s) => ({ seriesId: s.id, classId: s.class_id, title: s.title })),
    series: series
      .filter((s) => isShown.has(s.id))
      .map((s) => ({
        id: s.id,
        classId: s.class_id,
        linkId: s.link_id,
        version: s.version,
        title: s.title,
        words: wordsOf(describePlan(s.plan as SessionPlan, calendar), ways.get(s.id)),
        draft: Boolean(s.draft),
        repeats: repeats(s.plan),
        ...slotsOf(ways.get(s.id)),
      })),
    notches: rows.map((row) => ({
      ...notchOf(row),
      ...(row.title === titles.get(row.series_id) ? {} : { title: row.title }),
      ...heldAtOf(heldElsewhere(row, shared)),
    })),
  };
}

const wordsOf = (plan: string, slots: SlotPattern | undefined): string =>
  slots ? `${plan}, ${slotsInWords(slots)}` : plan;

function slotsOf(ways: SlotPattern | undefined): { slots?: SlotPattern } {
  if (!ways) return {};
  const { minutes, gap, breakEvery, breakMinutes } = ways;
  return { slots: { minutes, gap, breakEvery, breakMinutes } };
}

const notchOf = (row: NotchRow): Answer<'strip'>['notches'][number] => ({
  id: row.id,
  seriesId: row.series_id,
  key: row.key_date,
  date: row.local_date,
  time: row.local_time,
  minutes: row.minutes,
  start: row.start_at,
  end: row.end_at,
  status: row.status,
  ...(row.was_date === null
    ? {}
    : { was: { date: row.was_date, time: row.was_time!, minutes: row.was_minutes! } }),
  ...(row.why === null ? {} : { why: row.why }),
});

const heldAtOf = (elsewhere: JoinedRow | undefined): { heldAt?: string } =>
  elsewhere
    ? { heldAt: classTitle({ title: elsewhere.class_title, period: elsewhere.period }) }
    : {};
