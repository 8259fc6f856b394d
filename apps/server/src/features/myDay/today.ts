import {
  bellsOn,
  classTitle,
  dayInfo,
  notesForToday,
  postsOfDay,
  reviewRules,
  wallClockAt,
  type TodayClass,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { rulesOfClass } from '../entry/layers.js';
import { settingOf } from '../entry/setting.js';
import { postsFor } from '../post/describe.js';
import { classItem } from '../school/classItem.js';
import { classesOf, noticesOf, readSchool } from '../school/store.js';
import { sessionsFor } from '../plan/sessions.js';
import { sessionsActedIn, sessionsTutored } from '../plan/store.js';

/** A teacher's day: the run sheet, the bells, and what needs thought. */
export async function todayFor(glen: Glen, personId: number): Promise<Answer<'today'>> {
  const { calendar } = await readSchool(glen.db);
  const now = glen.clock.school();
  const { date } = wallClockAt(now, calendar.zone);
  const [sessions, rows, acting, notices] = await Promise.all([
    sessionsFor(glen, date, date, personId),
    classesOf(glen.db, personId, false),
    sessionsActedIn(glen.db, personId),
    noticesOf(glen.db, personId),
  ]);
  const placed = await postsFor(
    glen,
    rows.filter((row) => row.as_what !== null).map((row) => row.id),
    personId,
  );
  const { placements, posts, hand, marks } = postsOfDay(
    placed,
    new Set(
      rows
        .filter((row) => row.as_what === 'host' || row.as_what === 'co-teacher')
        .map((row) => row.id),
    ),
    date,
  );
  const hosted = rows.filter(
    (row) =>
      (row.as_what === 'host' || row.as_what === 'co-teacher') &&
      sessions.some((s) => s.classId === row.id),
  );
  const classes = await Promise.all(
    hosted.map(async (row): Promise<TodayClass> => {
      const [{ rules, locked }, setting] = await Promise.all([
        rulesOfClass(glen.db, row.id),
        settingOf(glen, row.link_id),
      ]);
      return {
        id: row.id,
        title: classTitle(row),
        findings: reviewRules(rules, setting),
        locked,
        linkStands: placements.some((p) => p.classId === row.id && p.state !== 'draft'),
      };
    }),
  );
  const here = sessions.filter((s) => s.date === date);
  return {
    date,
    day: dayInfo(calendar, date),
    bells: bellsOn(calendar, date),
    classes: rows.map((row) => classItem(glen, row)),
    sessions,
    placements,
    hand: marks,
    acting: [
      ...acting,
      ...(await sessionsTutored(
        glen.db,
        personId,
        sessions.map((s) => s.id),
      )),
    ],
    notes: notesForToday({
      school: calendar,
      date,
      now,
      sessions: here.flatMap((s) => {
        const row = hosted.find((h) => h.id === s.classId);
        return row ? [{ ...s, dropIn: row.kind === 'help' }] : [];
      }),
      posts,
      hand,
      classes,
      notices,
    }),
  };
}
