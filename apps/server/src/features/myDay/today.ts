import {
  addDays,
  bellsOn,
  classTitle,
  dayInfo,
  isOfDay,
  notesForToday,
  placeWallTime,
  postsOfDay,
  reviewRules,
  wallClockAt,
  type TodayClass,
} from '@glen/core';
import type { Answer, Session } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import { rulesOfClass } from '../entry/layers.js';
import { settingOf } from '../entry/setting.js';
import { postsFor } from '../post/describe.js';
import { classItem } from '../school/classItem.js';
import { classesOf } from '../school/classes.sql.js';
import { noticesOf, readSchool } from '../school/store.js';
import { leftToDo } from './left.js';
import { codesOfLinks } from './store.js';
import { sessionsFor } from '../plan/sessions.js';
import { sessionsActedIn, sessionsTutored } from '../plan/store.js';

type ClassRow = Awaited<ReturnType<typeof classesOf>>[number];
type PostsToday = ReturnType<typeof postsOfDay>;

const isHosted = (row: ClassRow): boolean => hostsAs(row.as_what);

/** Posts at the class periods that one teaches, as far as the day has to do with them. */
async function postsToday(
  glen: Glen,
  rows: ClassRow[],
  personId: number,
  date: string,
): Promise<PostsToday> {
  const taught = rows.filter((row) => row.as_what !== null);
  const hosted = rows.filter(isHosted);
  const posts = await postsFor(
    glen,
    taught.map((row) => row.id),
    personId,
  );
  return postsOfDay(posts, new Set(hosted.map((row) => row.id)), date);
}

/** What the margin looks at of one class period: its rules. */
async function lookedAt(glen: Glen, row: ClassRow): Promise<TodayClass> {
  const [{ rules, locked }, setting] = await Promise.all([
    rulesOfClass(glen.db, row.id),
    settingOf(glen, row.link_id),
  ]);
  return {
    id: row.id,
    title: classTitle(row),
    findings: reviewRules(rules, setting),
    locked,
  };
}

/** The sessions of a day, those moved away from it too; first those of the evening before that run past midnight into it. */
async function sessionsOfDay(
  glen: Glen,
  { date, zone }: { date: string; zone: string },
  personId: number,
): Promise<Session[]> {
  const midnight = placeWallTime(date, '00:00', 0, zone).start;
  const near = await sessionsFor(glen, addDays(date, -1), date, personId);
  return near.filter((s) => isOfDay(s, { date, midnight }));
}

/** A teacher's day: the run sheet, the bells, and what needs thought. */
export async function todayFor(glen: Glen, personId: number): Promise<Answer<'today'>> {
  const { calendar: school } = await readSchool(glen.db);
  const now = glen.clock.school();
  const { date } = wallClockAt(now, school.zone);
  const [sessions, rows, acting, notices] = await Promise.all([
    sessionsOfDay(glen, { date, zone: school.zone }, personId),
    classesOf(glen.db, personId, false),
    sessionsActedIn(glen.db, personId),
    noticesOf(glen.db, personId),
  ]);
  const posted = await postsToday(glen, rows, personId, date);
  const hosted = rows.filter((row) => isHosted(row) && sessions.some((s) => s.classId === row.id));
  const classes = await Promise.all(hosted.map((row) => lookedAt(glen, row)));
  const sessionIds = sessions.map((s) => s.id);
  const tutored = await sessionsTutored(glen.db, personId, sessionIds);
  const own = sessions.flatMap((s) => {
    const row = s.date <= date && hosted.find((h) => h.id === s.classId);
    return row ? [{ ...s, dropIn: row.kind === 'help' }] : [];
  });
  const { posts, hand, placements, marks } = posted;
  return {
    date,
    day: dayInfo(school, date),
    bells: bellsOn(school, date),
    classes: rows.map((row) => classItem(glen, row)),
    sessions,
    placements,
    hand: marks,
    acting: [...acting, ...tutored],
    doors: await codesOfLinks(glen.db, [...new Set(sessions.map((s) => s.linkId))]),
    left: await leftToDo(glen, rows.filter(isHosted), placements),
    notes: notesForToday({ school, date, now, sessions: own, posts, hand, classes, notices }),
  };
}
