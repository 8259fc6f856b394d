import { areStaff } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { notFound } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { signOnsOf } from '../accounts/signOnsStore.js';
import { rolesOfPerson, whoResets } from '../accounts/store.js';
import { learnerDay } from '../plan/learnerDay.js';
import { accountsOf, guardedBy, guardiansOf, personRecord } from './store.js';
import { classesLearned, classesTaught, codesTaught } from './places.js';
import { titled } from './titled.js';

type Detail = Answer<'person'>;

/** The doors of somebody's day, as they see them; for a host those of their own class periods alone. */
async function doorsOf(glen: Glen, personId: number, who: Who): Promise<Detail['person']['doors']> {
  const { doors, next } = await learnerDay(glen, personId);
  const all = doors.length === 0 && next ? [next] : doors;
  const own = isOffice(who) ? null : new Set(await codesTaught(glen.db, who.person!.id));
  const shown = own ? all.filter((door) => own.has(door.code)) : all;
  return shown.map(({ id, title, date, time, code, door }) => ({
    id,
    title,
    date,
    time,
    code,
    state: door,
  }));
}

/** Whether whoever asks may give this person a new way in though they have a password. */
async function mayReset(glen: Glen, who: Who, isOfStaff: boolean): Promise<boolean> {
  if (isOffice(who)) return true;
  return !isOfStaff && (await whoResets(glen.db)) === 'hosts';
}

/** One person, as whoever looks after them sees them. */
export async function describePerson(glen: Glen, personId: number, who: Who): Promise<Detail> {
  const kept = await personRecord(glen.db, personId);
  if (!kept) throw notFound('This person');
  const [roles, accounts, teaches, learns, guardians, guards, doors] = await Promise.all([
    rolesOfPerson(glen.db, personId),
    accountsOf(glen.db, personId, glen.clock.machine()),
    classesTaught(glen.db, personId),
    classesLearned(glen.db, personId),
    guardiansOf(glen.db, personId),
    guardedBy(glen.db, personId),
    doorsOf(glen, personId, who),
  ]);
  const signOns = await signOnsOf(
    glen,
    accounts.map((a) => a.id),
  );
  return {
    person: {
      id: kept.id,
      version: kept.version,
      name: kept.name,
      roles,
      accounts: accounts.map((a) => ({ ...a, signOns: signOns(a.id) })),
      retiredAt: kept.retiredAt,
      teaches: teaches.map((c) => ({ ...titled(c), as: c.as })),
      learns: learns.map(titled),
      doors,
      guardians,
      guards: guards.map(({ id, name }) => ({ id, name })),
      may: { keep: isOffice(who), reset: await mayReset(glen, who, areStaff(roles)) },
    },
  };
}
