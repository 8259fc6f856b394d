import { afterAll, describe, it } from 'vitest';
import type { OccurrenceRow } from '../src/db/models/Occurrence.js';
import type { ShareRow } from '../src/db/models/Share.js';
import { joinedOf, joiningTitles } from '../src/features/link/joined.sql.js';
import {
  sessionRowById,
  sessionRowOfSeries,
  sessionRowsOfClass,
  sessionsBetween,
  sessionsOfLearner,
  type SessionRow,
} from '../src/features/plan/sessions.sql.js';
import {
  bookingsOf,
  notchesBetween,
  peopleInCommon,
  peopleOfLinks,
  seriesOfClasses,
} from '../src/features/plan/strip.sql.js';
import { randomSchool } from './randomSchool.js';
import { idsOf, inOrder, lookupsOf, sortedIds } from './schoolLookups.js';

// Questions by hand about sessions, in days, weeks, on the strip and at others' doors, held against the models' rows of a
// school at random.

const school = await randomSchool();
const look = lookupsOf(school);
afterAll(() => school.close());

const everybody = (): number[] => idsOf(school.rows.Person);

const inTime = (dates: OccurrenceRow[]): OccurrenceRow[] =>
  inOrder(dates, (date) => [date.start_at, date.id]);

const isHeld = (date: OccurrenceRow): boolean => ['planned', 'moved'].includes(date.status);

/** Spans of local dates: one day, a few, all of them, and none. */
function spans(): [string, string][] {
  const { days } = school;
  const [first, second, third] = days as [string, string, string];
  return [
    [second, second],
    [third, days[6]!],
    [first, days.at(-1)!],
    ['2027-01-01', '2027-01-02'],
  ];
}

const falls = (date: OccurrenceRow, from: string, to: string): boolean =>
  [date.local_date, date.was_date ?? ''].some((day) => from <= day && day <= to);

/** Those of the roll, or taken for somebody of it, who came; each once. */
function cameTo(sittingId: number): number {
  const came = school.rows.Visitor.filter(
    (visitor) =>
      visitor.sitting_id === sittingId &&
      (visitor.on_roll || visitor.taken_for !== null) &&
      school.rows.Visit.some((visit) => visit.visitor_id === visitor.id),
  );
  const who = came.map((visitor) => visitor.taken_for ?? visitor.person_id);
  return new Set(who.filter((id) => id !== null)).size;
}

function wanted(date: OccurrenceRow) {
  const sitting = look.sittingOf(date.id);
  const inside = school.rows.Visitor.filter((v) => v.sitting_id === sitting?.id && v.inside);
  return {
    id: date.id,
    start_at: date.start_at,
    link_code: look.byId(school.rows.Link, date.link_id).code,
    for_class: Number(look.isForClass(date.link_id, date.class_id)),
    sitting_id: sitting?.id ?? null,
    opened_at: sitting?.opened_at ?? null,
    ended_at: sitting?.ended_at ?? null,
    inside: inside.length,
    came: sitting ? cameTo(sitting.id) : 0,
  };
}

const told = (row: SessionRow) => ({
  id: row.id,
  start_at: row.start_at,
  link_code: row.link_code,
  for_class: row.for_class,
  sitting_id: row.sitting_id,
  opened_at: row.opened_at,
  ended_at: row.ended_at,
  inside: row.inside,
  came: row.came,
});

/** Whether somebody is meant at this very date as one of these. */
const isMeant = (date: OccurrenceRow, personId: number, as: string[]): boolean =>
  look
    .meantAt(date.link_id, personId, as)
    .some(
      (row) =>
        [0, date.series_id].includes(row.series_id) && ['', date.key_date].includes(row.key_date),
    );

describe('sessions', () => {
  it('of a class period, and one alone', async () => {
    for (const { id } of school.rows.ClassPeriod) {
      const dates = inTime(school.rows.Occurrence.filter((date) => date.class_id === id));
      const answer = await sessionRowsOfClass(school.db, id);
      look.same(answer.map(told), dates.map(wanted), `class ${id}`);
    }
    for (const date of school.rows.Occurrence.slice(0, 20))
      look.same(told((await sessionRowById(school.db, date.id))!), wanted(date), `date ${date.id}`);
  });

  it('of a series: by its key, or the next that is not over', async () => {
    const { db, rows, now } = school;
    const away = (date: OccurrenceRow): number =>
      Math.abs(Date.parse(date.start_at) - Date.parse(now));
    for (const { id } of rows.Series) {
      const dates = rows.Occurrence.filter((date) => date.series_id === id);
      const [next] = inOrder(dates, (date) => [
        date.status === 'skipped',
        date.end_at <= now,
        away(date),
        date.id,
      ]);
      look.same((await sessionRowOfSeries(db, id, { now }))?.id, next?.id, `series ${id}`);
      for (const { id: dateId, key_date: key } of dates)
        look.same((await sessionRowOfSeries(db, id, { key, now }))?.id, dateId, `${id} on ${key}`);
    }
  });

  it('of who teaches, visits or hosts, from day to day', async () => {
    const hosting = ['host', 'presenter', 'tutor', 'joining-host'];
    // Drafts are for the hosts of the class period; whoever visits or hosts otherwise sees the dates that mean them.
    const shows = (date: OccurrenceRow, personId: number): boolean =>
      (look.hostsClass(date.class_id, personId) && !look.isLeftOut(date.link_id, personId)) ||
      (!date.draft && isMeant(date, personId, hosting));
    for (const personId of everybody())
      for (const [from, to] of spans()) {
        const answer = await sessionsBetween(school.db, from, to, personId);
        const dates = school.rows.Occurrence.filter(
          (date) => falls(date, from, to) && date.status !== 'skipped' && shows(date, personId),
        );
        look.same(answer.map(told), inTime(dates).map(wanted), `person ${personId} ${from} ${to}`);
      }
  });

  it('of who learns: meant by a link that shows, with a class period of theirs, or brought in', async () => {
    const { rows, db } = school;
    const shows = (date: OccurrenceRow, personId: number): boolean => {
      const link = look.byId(rows.Link, date.link_id);
      const broughtIn = rows.Invited.some(
        (row) => row.occurrence_id === date.id && row.person_id === personId,
      );
      const bySelf = link.shown && isMeant(date, personId, ['member']);
      const withClass = isMeant(date, personId, ['joining-member']);
      const addresses = rows.Account.filter((a) => a.person_id === personId).map((a) => a.email);
      const asGuest = rows.Guest.some(
        (guest) =>
          guest.link_id === date.link_id &&
          guest.state === 'invited' &&
          addresses.includes(guest.email) &&
          [0, date.series_id].includes(guest.series_id) &&
          ['', date.key_date].includes(guest.key_date),
      );
      return link.state === 'live' && (bySelf || withClass || broughtIn || asGuest);
    };
    for (const personId of everybody())
      for (const [from, to] of spans()) {
        const answer = await sessionsOfLearner(db, from, to, personId);
        const dates = rows.Occurrence.filter(
          (date) =>
            falls(date, from, to) &&
            date.status !== 'skipped' &&
            !date.draft &&
            shows(date, personId),
        );
        const hosts = dates.map((date) => look.firstHost(date.class_id)?.name ?? null);
        const asked = `person ${personId} ${from} ${to}`;
        look.same(answer.map(told), inTime(dates).map(wanted), asked);
        look.same(answer.map((row) => row.host_name).toSorted(), hosts.toSorted(), asked);
      }
  });
});

describe('the strip', () => {
  const onStrip = (classIds: number[], [from, to]: [string, string]): OccurrenceRow[] =>
    inTime(
      school.rows.Occurrence.filter(
        (date) =>
          classIds.includes(date.class_id) && from <= date.local_date && date.local_date <= to,
      ),
    );

  const seesDraft = (row: { draft: boolean; class_id: number }, personId: number): boolean =>
    !row.draft || look.hostsClass(row.class_id, personId);

  it('sessions of class periods, drafts for their hosts alone', async () => {
    for (const personId of everybody().slice(0, 12))
      for (const [from, to] of spans()) {
        const classIds = [1, 3, 4, 7];
        const answer = await notchesBetween(school.db, { from, to, classIds, personId });
        const dates = onStrip(classIds, [from, to]).filter(
          (date) => date.status !== 'skipped' && seesDraft(date, personId),
        );
        const asked = `person ${personId} ${from} ${to}`;
        look.same(idsOf(answer), idsOf(dates), asked);
        const forClass = dates.map((date) => wanted(date).for_class);
        look.same(
          answer.map((row) => row.for_class),
          forClass,
          asked,
        );
      }
  });

  it('series of class periods', async () => {
    for (const personId of everybody().slice(0, 12)) {
      const answer = await seriesOfClasses(school.db, [1, 2, 5], personId);
      const series = school.rows.Series.filter(
        (row) => [1, 2, 5].includes(row.class_id) && seesDraft(row, personId),
      );
      look.same(idsOf(answer), sortedIds(series), `person ${personId}`);
    }
  });

  it('what is booked beside a series', async () => {
    for (const { id: exceptSeries } of school.rows.Series)
      for (const [from, to] of spans()) {
        const of = { from, to, classIds: [2, 3, 6, 9], exceptSeries };
        const dates = onStrip(of.classIds, [from, to]).filter(
          (date) => isHeld(date) && !date.draft && date.series_id !== exceptSeries,
        );
        look.same(idsOf(await bookingsOf(school.db, of)), idsOf(dates), `beside ${exceptSeries}`);
      }
  });

  it('who is in two class periods', async () => {
    const { rows, db } = school;
    const isIn = (classId: number, personId: number): boolean =>
      look.staffAs(classId, personId) !== null || look.isOnRoll(classId, personId);
    for (const { id: mine } of rows.ClassPeriod) {
      const both = rows.ClassPeriod.flatMap(({ id: class_id }) =>
        rows.Person.filter((p) => isIn(mine, p.id) && isIn(class_id, p.id)).map((p) => ({
          class_id,
          person_id: p.id,
          name: p.name,
          staff: Number(look.staffAs(class_id, p.id) !== null),
        })),
      );
      const order = (row: { class_id: number; staff: number; person_id: number }) => [
        row.class_id,
        -row.staff,
        row.person_id,
      ];
      look.same(await peopleInCommon(db, mine), inOrder(both, order), `class ${mine}`);
    }
  });

  it('whom links for a part of a class period hold', async () => {
    const { rows, db } = school;
    const linkIds = [1, 5, 5, 9];
    const held = rows.LinkPerson.filter(
      (row) => linkIds.includes(row.link_id) && ['member', 'tutor'].includes(row.as_what),
    );
    const as = (row: { link_id: number; person_id: number }): string =>
      `${row.link_id} ${row.person_id}`;
    const answer = await peopleOfLinks(db, linkIds);
    look.same(answer.map(as).toSorted(), held.map(as).toSorted(), 'links 1, 5, 9');
  });
});

describe('at others’ doors', () => {
  const covers = (share: ShareRow, date: OccurrenceRow): boolean =>
    share.link_id === date.link_id &&
    [null, date.series_id].includes(share.series_id) &&
    [null, date.key_date].includes(share.key_date);

  /** Of several that say something of one date the narrowest counts. */
  const sharing = (date: OccurrenceRow, classId: number) =>
    inOrder(
      school.rows.Share.filter((share) => share.class_id === classId && covers(share, date)),
      (share) => [share.key_date === null, share.series_id === null, share.id],
    )[0];

  it('who joins is kept date by date', () => {
    const { rows } = school;
    const goOn = rows.ClassPeriod.filter((c) => c.put_away_at === null);
    const defined = rows.Occurrence.flatMap((date) =>
      goOn.flatMap(({ id }) => {
        const share = sharing(date, id);
        return share ? [`${date.id} ${id} ${share.own_door}`] : [];
      }),
    );
    const kept = rows.Joined.map((row) => `${row.occurrence_id} ${row.class_id} ${row.own_door}`);
    look.same(kept.toSorted(), defined.toSorted(), 'joined');
  });

  it('what class periods hold there from an instant on', async () => {
    const { rows, db, days } = school;
    for (const { id: classId } of rows.ClassPeriod)
      for (const since of days.map((day) => `${day}T10:00:00Z`)) {
        const held = rows.Joined.filter((row) => row.class_id === classId)
          .map((row) => look.byId(rows.Occurrence, row.occurrence_id))
          .filter((date) => isHeld(date) && !date.draft && date.end_at > since)
          .filter((date) => look.byId(rows.Link, date.link_id).state === 'live');
        const answer = await joinedOf(db, [classId], since);
        look.same(
          answer.map((row) => row.occurrence_id),
          idsOf(inTime(held)),
          `class ${classId} since ${since}`,
        );
      }
  });

  it('which class periods join', async () => {
    const { rows, db } = school;
    const dates = idsOf(rows.Occurrence).slice(0, 60);
    const answer = await joiningTitles(db, dates);
    const joined = rows.Joined.filter((row) => dates.includes(row.occurrence_id)).map((row) => {
      const { title } = look.byId(rows.ClassPeriod, row.class_id);
      return `${row.occurrence_id} ${row.class_id} ${title}`;
    });
    const as = answer.map((row) => `${row.occurrence_id} ${row.id} ${row.title}`);
    look.same(as.toSorted(), joined.toSorted(), 'the first 60 dates');
  });
});
