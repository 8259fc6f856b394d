import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { mayChange } from '../school/classItem.js';
import { classById } from '../school/classes.sql.js';
import { mustNotNameThemselves } from '../school/naming.js';
import { rollOf } from '../school/store.js';
import {
  deleteGroup,
  groupsOf,
  groupsVersion,
  heldGroupsVersion,
  linksOfGroups,
  membersOf,
  passHosting,
  raiseVersion,
  staffOfSchool,
  writeGroup,
} from './store.js';

/** The groups of a class period, who is in them, and the links that are for them. */
export async function describeGroups(
  glen: Glen,
  classId: number,
  who: Who,
): Promise<Answer<'groups'>> {
  const [version, rows, members, links, staff, klass] = await Promise.all([
    groupsVersion(glen.db, classId),
    groupsOf(glen.db, classId),
    membersOf(glen.db, classId),
    linksOfGroups(glen.db, classId),
    staffOfSchool(glen.db),
    classById(glen.db, classId, who.person!.id),
  ]);
  return {
    version,
    mayEdit: mayChange(klass) || (isOffice(who) && klass?.put_away_at === null),
    staff,
    groups: rows.map((g) => ({
      id: g.id,
      name: g.name,
      tutorId: g.tutor_id,
      tutor: g.tutor,
      members: members.filter((m) => m.group_id === g.id).map((m) => m.person_id),
      links: links
        .filter((l) => l.group_id === g.id && l.state === 'live')
        .map(({ id, label }) => ({ id, label })),
    })),
  };
}

/** What is wrong with groups as they were sent, beside the field; nothing where they are fine. */
function check(
  { groups }: Body<'setGroups'>,
  roll: Set<number>,
  staff: Set<number>,
  own: Set<number>,
): void {
  const names = new Map<string, number>();
  const seen = new Map<number, string>();
  groups.forEach((group, i) => {
    const key = group.name.toLowerCase();
    if (names.has(key))
      throw wrongField(`groups.${i}.name`, `There are two groups called ${group.name}.`);
    names.set(key, i);
    if (group.id !== undefined && !own.has(group.id))
      throw wrongField(`groups.${i}`, 'This group is no longer there. Look again.');
    if (group.tutorId !== null && !staff.has(group.tutorId))
      throw wrongField(
        `groups.${i}.tutorId`,
        'A tutor is one of the school’s staff, with a school account.',
      );
    for (const person of group.members) {
      if (!roll.has(person))
        throw wrongField(
          `groups.${i}.members`,
          `Somebody in ${group.name} is not on the roll of this class period.`,
        );
      const other = seen.get(person);
      if (other !== undefined)
        throw wrongField(`groups.${i}.members`, `Somebody is in ${other} and in ${group.name}.`);
      seen.set(person, group.name);
    }
  });
}

/** Sets the groups of a class period whole. A group that a link is for stays, emptied if need be, until the link is for others. */
export async function setGroups(
  glen: Glen,
  classId: number,
  who: Who,
  body: Body<'setGroups'>,
): Promise<Answer<'groups'>> {
  const [before, roll, staff] = await Promise.all([
    describeGroups(glen, classId, who),
    rollOf(glen.db, classId),
    staffOfSchool(glen.db),
  ]);
  check(
    body,
    new Set(roll.map((p) => p.id)),
    new Set(staff.map((p) => p.id)),
    new Set(before.groups.map((g) => g.id)),
  );
  const tutors = new Set(before.groups.map((group) => group.tutorId));
  const named = body.groups.flatMap(({ tutorId }) =>
    tutorId === null || tutors.has(tutorId) ? [] : [tutorId],
  );
  const naming = { classId, by: who.person!.id, named, path: 'groups' };
  await mustNotNameThemselves(glen.db, naming);
  const written = await glen.db.transaction(async () => {
    if ((await heldGroupsVersion(glen.db, classId)) !== body.version) return false;
    const kept = new Set(body.groups.map((g) => g.id));
    const links = await linksOfGroups(glen.db, classId);
    for (const group of (await groupsOf(glen.db, classId)).filter((g) => !kept.has(g.id))) {
      const link = links.find((l) => l.group_id === group.id);
      if (link)
        throw wrongField(
          'groups',
          `The link “${link.label}” is for ${group.name}. Give that link another audience first, or leave the group empty.`,
        );
      await deleteGroup(glen.db, group.id);
    }
    for (const [place, group] of body.groups.entries()) {
      await writeGroup(glen.db, classId, place, group);
      // A group's tutor is host at its links: another tutor takes that over.
      const old = before.groups.find((g) => g.id === group.id);
      if (old && old.tutorId !== group.tutorId)
        await passHosting(glen.db, group.id!, old.tutorId, group.tutorId);
    }
    await raiseVersion(glen.db, classId);
    await glen.audit({
      by: who.person!.id,
      action: 'set-groups',
      subject: `class:${classId}`,
      before: before.groups,
      after: body.groups,
    });
    await glen.announce(`class:${classId}`, { thing: 'class', id: classId });
    for (const link of links)
      await glen.announce(`door:${link.id}`, { thing: 'door', id: link.id });
    return true;
  });
  const now = await describeGroups(glen, classId, who);
  if (!written) throw stale(now);
  return now;
}
