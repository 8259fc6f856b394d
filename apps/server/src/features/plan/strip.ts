import {
  addDays,
  classTitle,
  describePlan,
  placeWallTime,
  repeats,
  type SessionPlan,
} from '@glen/core';
import type { Answer, Query } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { joinedOf, type JoinedRow } from '../link/shareStore.js';
import { linkById } from '../link/store.js';
import { classItem } from '../school/routes.js';
import { classesOf, readSchool } from '../school/store.js';
import { heldElsewhere } from './sessions.js';
import {
  bookingsOf,
  notchesBetween,
  peopleInCommon,
  peopleOfLinks,
  seriesOfClasses,
} from './stripStore.js';

const LONGEST_DAYS = 400;
function checkDates(from: string, to: string): void {
  if (from > to || addDays(from, LONGEST_DAYS) < to)
    throw wrongField('to', `Ask for up to ${LONGEST_DAYS} days, the first before the last.`);
}

/** Class periods (one's own and shared ones, or all of the school's) with every date of their series on local dates `from ≤ date ≤ to`. */
export async function stripFor(
  glen: Glen,
  personId: number,
  { from, to, of }: Query<'strip'>,
): Promise<Answer<'strip'>> {
  checkDates(from, to);
  const { calendar } = await readSchool(glen.db);
  const classes = await classesOf(glen.db, personId, of === 'all');
  const ids = classes.map((c) => c.id);
  if (ids.length === 0) return { classes: [], series: [], notches: [], undated: [] };
  const [rows, series] = await Promise.all([
    notchesBetween(glen.db, from, to, ids, personId),
    seriesOfClasses(glen.db, ids, personId),
  ]);
  const shared = await joinedOf(glen.db, ids, placeWallTime(from, '00:00', 0, calendar.zone).start);
  const titles = new Map(series.map((s) => [s.id, s.title]));
  const isShown = new Set(rows.map((row) => row.series_id));
  return {
    classes: classes.map((row) => classItem(glen, row)),
    undated: series
      .filter((s) => s.undated === 1)
      .map((s) => ({ seriesId: s.id, classId: s.class_id, title: s.title })),
    series: series
      .filter((s) => isShown.has(s.id))
      .map((s) => ({
        id: s.id,
        classId: s.class_id,
        version: s.version,
        title: s.title,
        words: describePlan(s.plan as SessionPlan, calendar),
        draft: Boolean(s.draft),
        repeats: repeats(s.plan),
      })),
    notches: rows.map((row) => ({
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
      ...(row.title === titles.get(row.series_id) ? {} : { title: row.title }),
      ...heldAtOf(heldElsewhere(row, shared)),
    })),
  };
}

const heldAtOf = (elsewhere: JoinedRow | undefined): { heldAt?: string } =>
  elsewhere
    ? { heldAt: classTitle({ title: elsewhere.class_title, period: elsewhere.period }) }
    : {};

/**
 * What a class period's people, students and link have on the books; of the people of other class periods only those in
 * common. Asked about one of its links that is for a part of it, only those whom that link is for. Drop-in hours may overlap
 * and count for nothing; what is held at another's door counts there alone.
 */
export async function bookingsFor(
  glen: Glen,
  classId: number,
  personId: number,
  { from, to, except, link: linkId }: Query<'bookings'>,
): Promise<Answer<'bookings'>> {
  checkDates(from, to);
  const { calendar } = await readSchool(glen.db);
  const all = await classesOf(glen.db, personId, true);
  const own = all.find((c) => c.id === classId)!;
  if (linkId !== undefined && (await linkById(glen.db, linkId))?.class_id !== classId)
    throw wrongField('link', 'This link belongs to another class period.');
  const people = await peopleInCommon(glen.db, classId);
  const staff = people.filter((p) => p.class_id === classId && p.staff === 1);
  const on = linkId ?? own.link_id;
  const names = {
    [`link:${on}`]: 'this link',
    ...Object.fromEntries(
      staff.map((p) => [`person:${p.person_id}`, p.person_id === personId ? 'you' : p.name]),
    ),
  };
  if (own.kind === 'help') return { holds: [], names, bookings: [] };
  const peopleOf = new Map<number, number[]>();
  const staffOf = new Map<number, number[]>();
  for (const p of people) {
    peopleOf.set(p.class_id, [...(peopleOf.get(p.class_id) ?? []), p.person_id]);
    if (p.staff === 1) staffOf.set(p.class_id, [...(staffOf.get(p.class_id) ?? []), p.person_id]);
  }
  const others = [...new Set([classId, ...peopleOf.keys()])].filter(
    (id) => id === classId || all.some((c) => c.id === id && c.kind !== 'help'),
  );
  const [rows, shared] = await Promise.all([
    bookingsOf(glen.db, from, to, others, except ?? 0),
    joinedOf(glen.db, others, placeWallTime(from, '00:00', 0, calendar.zone).start),
  ]);
  const narrow = await peopleOfLinks(glen.db, [
    ...new Set([
      ...rows.filter((row) => !row.for_class).map((row) => row.link_id),
      ...(on === own.link_id ? [] : [on]),
    ]),
  ]);
  const common = new Set(peopleOf.get(classId));
  /** Whom a session of a class period holds at a link: all of it, or its teachers and those whom the link is for. */
  const holdsAt = (row: {
    id: number;
    class_id: number;
    link_id: number;
    for_class: number;
  }): string[] => {
    const joining = shared
      .filter((j) => j.occurrence_id === row.id)
      .flatMap((j) => peopleOf.get(j.joining) ?? []);
    const ids = row.for_class
      ? (peopleOf.get(row.class_id) ?? [])
      : [
          ...(staffOf.get(row.class_id) ?? []),
          ...narrow
            .filter((n) => n.link_id === row.link_id && common.has(n.person_id))
            .map((n) => n.person_id),
        ];
    return [
      ...(row.link_id === on ? [`link:${on}`] : []),
      ...new Set([...ids, ...joining].map((id) => `person:${id}`)),
    ];
  };
  return {
    holds: holdsAt({
      id: 0,
      class_id: classId,
      link_id: on,
      for_class: on === own.link_id ? 1 : 0,
    }),
    names,
    bookings: rows
      .filter((row) => heldElsewhere(row, shared) === undefined)
      .map((row) => ({
        id: `session ${row.id}`,
        seriesId: row.series_id,
        classId: row.class_id,
        title: row.title,
        date: row.local_date,
        time: row.local_time,
        minutes: row.minutes,
        start: row.start_at,
        end: row.end_at,
        holds: holdsAt(row),
      })),
  };
}
