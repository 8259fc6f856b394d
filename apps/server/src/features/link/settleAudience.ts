import type { Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import { wrongField } from '../../http/problem.js';
import type { StandingGuest } from '../audience/guestStore.js';
import type { Audience } from '../audience/store.js';
import { groupsOf, staffOfSchool } from '../group/store.js';
import { classesOf } from '../school/classes.sql.js';
import { knownPeople } from './store.js';

const asAddress = (typed: string): string => typed.trim().toLowerCase();

/** Each address once, as it was said last. */
const onceEach = (guests: StandingGuest[]): StandingGuest[] => [
  ...new Map(guests.map((guest) => [guest.email, guest])).values(),
];

/** Whom a link may be for and who may be host there, checked against the database; gives it without doubles. */
export async function settleAudience(
  glen: Glen,
  classId: number,
  sent: Body<'setAudience'> | NonNullable<Body<'addLink'>['audience']>,
  by: number,
): Promise<Audience & { hostIds: number[] }> {
  const once = <T>(list: T[]): T[] => [...new Set(list)];
  const [groups, mine, staff] = await Promise.all([
    groupsOf(glen.db, classId),
    classesOf(glen.db, by, false),
    staffOfSchool(glen.db),
  ]);
  const hosted = new Set(mine.filter((c) => hostsAs(c.as_what)).map((c) => c.id));
  if (sent.classIds.some((id) => id !== classId && !hosted.has(id)))
    throw wrongField('classIds', 'A link can be for class periods that you host.');
  if (sent.groupIds.some((id) => !groups.some((g) => g.id === id)))
    throw wrongField('groupIds', 'One of these groups is no longer there.');
  const personIds = once(sent.personIds);
  const known = await knownPeople(glen.db, personIds);
  if (known.length < personIds.length)
    throw wrongField('personIds', 'One of these people is not known.');
  if (sent.hostIds.some((id) => !staff.some((s) => s.id === id)))
    throw wrongField('hostIds', 'A host is one of the school’s staff, with a school account.');
  return {
    classIds: once(sent.classIds),
    groupIds: once(sent.groupIds),
    personIds,
    guests: onceEach(sent.guests.map((guest) => ({ ...guest, email: asAddress(guest.email) }))),
    hostIds: once(sent.hostIds),
  };
}
