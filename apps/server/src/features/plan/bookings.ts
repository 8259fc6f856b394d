import { placeWallTime } from '@glen/core';
import type { Answer, Query } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { readableTo } from '../entry/privateTitles.js';
import { joinedOf, type JoinedRow } from '../link/joined.sql.js';
import { linkById } from '../link/store.js';
import { mainLinks } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { heldElsewhere } from './sessions.js';
import { checkDates } from './strip.js';
import { rulesOfLink } from '../entry/layers.js';
import { bookingsOf, peopleInCommon, peopleOfLinks, type NotchRow } from './strip.sql.js';

type Common = Awaited<ReturnType<typeof peopleInCommon>>[number];

/** A session, as far as it is asked whom it holds. */
type Holding = Pick<NotchRow, 'id' | 'class_id' | 'link_id' | 'for_class'>;

/** What is known of people when it is asked whom a session holds. */
interface Holders {
  /** The link that is asked about. */
  linkId: number;
  classId: number;
  people: Map<number, number[]>;
  staff: Map<number, number[]>;
  /** Whom links for a part of their class period are for. */
  narrow: { link_id: number; person_id: number }[];
  shared: JoinedRow[];
}

function idsByClass(people: Common[]): Map<number, number[]> {
  const byClass = new Map<number, number[]>();
  for (const p of people)
    byClass.set(p.class_id, [...(byClass.get(p.class_id) ?? []), p.person_id]);
  return byClass;
}

/** Whom a session holds: all of its class period, or its teachers and those whom its link is for; and the link itself. */
function holdsOf(row: Holding, of: Holders): string[] {
  const joining = of.shared
    .filter((j) => j.occurrence_id === row.id)
    .flatMap((j) => of.people.get(j.joining) ?? []);
  const common = new Set(of.people.get(of.classId));
  const meant = of.narrow
    .filter((n) => n.link_id === row.link_id && common.has(n.person_id))
    .map((n) => n.person_id);
  const own = row.for_class
    ? (of.people.get(row.class_id) ?? [])
    : [...(of.staff.get(row.class_id) ?? []), ...meant];
  return [
    ...(row.link_id === of.linkId ? [`link:${of.linkId}`] : []),
    ...new Set([...own, ...joining].map((id) => `person:${id}`)),
  ];
}

const bookingItem = (row: NotchRow, holders: Holders): Answer<'bookings'>['bookings'][number] => ({
  id: `session ${row.id}`,
  seriesId: row.series_id,
  classId: row.class_id,
  title: row.title,
  date: row.local_date,
  time: row.local_time,
  minutes: row.minutes,
  start: row.start_at,
  end: row.end_at,
  holds: holdsOf(row, holders),
});

/** What the dry run calls those who are held. */
function namesOf(people: Common[], linkId: number, personId: number): Record<string, string> {
  const staff = people.map((p) => [
    `person:${p.person_id}`,
    p.person_id === personId ? 'you' : p.name,
  ]);
  return { [`link:${linkId}`]: 'this link', ...Object.fromEntries(staff) };
}

/**
 * What a class period's people, students and link have on the books; of the people of other class periods only those in
 * common. Asked about one of its links that is for a part of it, only those whom that link is for. Drop-in hours may overlap
 * and count for nothing; what is held at another's door counts there alone.
 */
export async function bookingsFor(
  glen: Glen,
  classId: number,
  personId: number,
  { from, to, except, link: asked }: Query<'bookings'>,
): Promise<Answer<'bookings'>> {
  checkDates(from, to);
  if (asked !== undefined && (await linkById(glen.db, asked))?.class_id !== classId)
    throw wrongField('link', 'This link belongs to another class period.');
  const { calendar } = await readSchool(glen.db);
  const common = await peopleInCommon(glen.db, classId);
  const people = idsByClass(common);
  const all = await mainLinks(glen.db, [classId, ...people.keys()]);
  const own = all.find((c) => c.class_id === classId)!;
  const linkId = asked ?? own.id;
  const staff = common.filter((p) => p.staff === 1);
  const names = namesOf(
    staff.filter((p) => p.class_id === classId),
    linkId,
    personId,
  );
  const { capacity } = (await rulesOfLink(glen.db, linkId)).rules;
  if (own.kind === 'help') return { holds: [], names, bookings: [], capacity };

  const counted = all.filter((c) => c.kind !== 'help' && c.put_away_at === null);
  const classIds = [...new Set([classId, ...counted.map((c) => c.class_id)])];
  const booked = await bookingsOf(glen.db, { from, to, classIds, exceptSeries: except ?? 0 });
  const [rows, shared] = await Promise.all([
    readableTo(glen.db, booked, personId),
    joinedOf(glen.db, classIds, placeWallTime(from, '00:00', 0, calendar.zone).start),
  ]);
  const isForAll = linkId === own.id;
  const narrowLinks = rows.filter((row) => !row.for_class).map((row) => row.link_id);
  const holders: Holders = {
    linkId,
    classId,
    people,
    staff: idsByClass(staff),
    narrow: await peopleOfLinks(glen.db, [...narrowLinks, ...(isForAll ? [] : [linkId])]),
    shared,
  };
  const asIfPlanned = { id: 0, class_id: classId, link_id: linkId, for_class: isForAll ? 1 : 0 };
  return {
    holds: holdsOf(asIfPlanned, holders),
    names,
    capacity,
    bookings: rows
      .filter((row) => heldElsewhere(row, shared) === undefined)
      .map((row) => bookingItem(row, holders)),
  };
}
