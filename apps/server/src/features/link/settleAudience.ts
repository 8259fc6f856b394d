import type { Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import { wrongField } from '../../http/problem.js';
import type { StandingGuest } from '../audience/guestStore.js';
import type { Audience, LinkHosts } from '../audience/store.js';
import { groupsOf, staffOfSchool } from '../group/store.js';
import { classesOf } from '../school/classes.sql.js';
import { staffOf } from '../school/store.js';
import { knownPeople } from './store.js';

const asAddress = (typed: string): string => typed.trim().toLowerCase();

/** Each address once, as it was said last. */
const onceEach = (guests: StandingGuest[]): StandingGuest[] => [
  ...new Map(guests.map((guest) => [guest.email, guest])).values(),
];

/** A link that its class period's teachers are left out of is hosted by one of them at least: who else would look after it? */
async function mustHaveHost(
  glen: Glen,
  classId: number,
  { hostedBy, hostIds }: LinkHosts,
): Promise<void> {
  if (hostedBy === 'class') return;
  const hosts = (await staffOf(glen.db, classId)).filter((s) => hostsAs(s.as));
  if (!hosts.some((host) => hostIds.includes(host.id)))
    throw wrongField('hostIds', 'Name one at least of those who host the class period.');
}

/** Whom a link may be for and who may be host there, checked against the database; gives it without doubles. */
export async function settleAudience(
  glen: Glen,
  classId: number,
  sent: Body<'setAudience'> | NonNullable<Body<'addLink'>['audience']>,
  by: number,
): Promise<Audience & LinkHosts> {
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
  await mustHaveHost(glen, classId, sent);
  return {
    classIds: once(sent.classIds),
    groupIds: once(sent.groupIds),
    personIds,
    guests: onceEach(sent.guests.map((guest) => ({ ...guest, email: asAddress(guest.email) }))),
    hostIds: once(sent.hostIds),
    hostedBy: sent.hostedBy,
  };
}
