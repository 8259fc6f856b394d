import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hostsAs, isOffice } from '../../http/access.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { someAreStaff } from '../accounts/store.js';
import { announceLink } from '../link/announce.js';
import { classById } from '../school/classes.sql.js';
import { announceClass } from './announceClass.js';
import { refuseUnlessOnRoll } from './onRoll.js';
import {
  giveGroupsAndLinks,
  groupsOfStudents,
  leaveGroupsAndLinks,
  leftOf,
  linksOfStudents,
  noteLeft,
  raiseGroups,
} from './leftStore.js';
import { putOnRoll, rollIds, takeOff } from './store.js';
import { endKnocking } from './untilRoll.js';

type Changed = Answer<'takeOffRoll'>;

/** What taking somebody off a roll would end; nothing is written. */
export async function touchedByLeaving(
  glen: Glen,
  classId: number,
  personId: number,
): Promise<Answer<'rollTouched'>> {
  await refuseUnlessOnRoll(glen.db, classId, [personId]);
  const [groups, links] = await Promise.all([
    groupsOfStudents(glen.db, classId, [personId]),
    linksOfStudents(glen.db, classId, [personId]),
  ]);
  return {
    groups: groups.map(({ id, name }) => ({ id, name })),
    links: links.map(({ id, label }) => ({ id, label })),
  };
}

async function rollNow(glen: Glen, classId: number, personIds: number[]): Promise<Changed> {
  return { rollSize: (await rollIds(glen.db, classId)).length, personIds };
}

/** Takes students off a roll, out of its groups and private links, and keeps what each had; within a transaction. */
async function leave(glen: Glen, classId: number, by: number, personIds: number[]): Promise<void> {
  const [groups, links] = await Promise.all([
    groupsOfStudents(glen.db, classId, personIds),
    linksOfStudents(glen.db, classId, personIds),
  ]);
  const at = glen.clock.machine();
  for (const personId of personIds) {
    const theirs = <T extends { id: number; person_id: number }>(rows: T[]): number[] =>
      rows.filter((row) => row.person_id === personId).map((row) => row.id);
    const had = { groups: theirs(groups), links: theirs(links) };
    await noteLeft(glen.db, { classId, personId, at, by, had });
  }
  await takeOff(glen.db, classId, personIds);
  await leaveGroupsAndLinks(glen.db, classId, personIds);
  for (const id of new Set(links.map((link) => link.id)))
    await announceLink(glen, { id, class_id: classId });
  await announceClass(glen, classId, personIds);
}

/** Takes people off the roll; their account and what they did stay. */
export async function takeOffRoll(
  glen: Glen,
  classId: number,
  by: number,
  { personIds: sent }: Body<'takeOffRoll'>,
): Promise<Changed> {
  const personIds = [...new Set(sent)];
  await glen.db.transaction(async () => {
    await refuseUnlessOnRoll(glen.db, classId, personIds);
    await leave(glen, classId, by, personIds);
    const subject = `class:${classId}`;
    await glen.audit({ by, action: 'take-off-roll', subject, before: personIds });
  });
  return rollNow(glen, classId, personIds);
}

/** Who was taken off the roll and is not back, the latest first. */
export const whoLeft = async (glen: Glen, classId: number): Promise<Answer<'rollLeft'>> => ({
  left: (await leftOf(glen.db, classId)).map(({ id, name, left_at: leftAt }) => ({
    id,
    name,
    leftAt,
  })),
});

/** Brings people back to the roll, with their groups and private links as far as those are still there. */
export async function bringBackToRoll(
  glen: Glen,
  classId: number,
  by: number,
  { personIds: sent }: Body<'bringBackToRoll'>,
): Promise<Changed> {
  const personIds = [...new Set(sent)];
  await glen.db.transaction(async () => {
    const left = new Map((await leftOf(glen.db, classId)).map((row) => [row.id, row.had]));
    if (personIds.some((id) => !left.has(id)))
      throw wrongField('personIds', 'One of these was not taken off this roll.');
    if (await someAreStaff(glen.db, personIds))
      throw wrongField('personIds', 'Whoever teaches here stands on no roll.');
    await putOnRoll(glen.db, classId, personIds);
    for (const personId of personIds)
      await giveGroupsAndLinks(glen.db, personId, left.get(personId)!);
    await raiseGroups(glen.db, classId);
    await endKnocking(glen, classId, by);
    const subject = `class:${classId}`;
    await glen.audit({ by, action: 'bring-back-to-roll', subject, after: personIds });
    await announceClass(glen, classId, personIds);
  });
  return rollNow(glen, classId, personIds);
}

/** Throws 422 beside `toClassId` unless whoever asks keeps that class period's roll too, and it goes on. */
async function refuseUnlessKeeps(glen: Glen, who: Who, toClassId: number): Promise<void> {
  const there = await classById(glen.db, toClassId, who.person!.id);
  if (!there || !(hostsAs(there.as_what) || isOffice(who)))
    throw wrongField('toClassId', 'Choose a class period of your own.');
  if (there.is_occasion) throw wrongField('toClassId', 'An occasion has no roll.');
  if (there.put_away_at !== null)
    throw wrongField('toClassId', 'This class period has been put away; bring it back first.');
}

/** Moves people to another class period's roll; what they had here ends, and is kept in case they come back. */
export async function moveOnRoll(
  glen: Glen,
  classId: number,
  who: Who,
  { personIds: sent, toClassId }: Body<'moveOnRoll'>,
): Promise<Changed> {
  if (toClassId === classId) throw new HttpProblem(409, 'They stand on this roll already.');
  const by = who.person!.id;
  const personIds = [...new Set(sent)];
  await glen.db.transaction(async () => {
    await refuseUnlessKeeps(glen, who, toClassId);
    await refuseUnlessOnRoll(glen.db, classId, personIds);
    await leave(glen, classId, by, personIds);
    await putOnRoll(glen.db, toClassId, personIds);
    await endKnocking(glen, toClassId, by);
    const moved = { before: { classId }, after: { classId: toClassId, personIds } };
    await glen.audit({ by, action: 'move-on-roll', subject: `class:${classId}`, ...moved });
    await announceClass(glen, toClassId, personIds);
  });
  return rollNow(glen, classId, personIds);
}
