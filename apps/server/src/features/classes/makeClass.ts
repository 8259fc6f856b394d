import { randomBytes } from 'node:crypto';
import { classTitle, proposePennant, type EntryRules } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { makeLink } from '../link/make.js';
import { settledRoom } from '../link/replace.js';
import { putRoomBehind } from '../link/store.js';
import { addSession } from '../plan/addSession.js';
import { classItem } from '../school/classItem.js';
import { classById } from '../school/store.js';
import { insertOwnClass, pennantsTaken, whoMakesClasses } from './store.js';

type NewClass = Body<'addClass'>;

/** What a course site would know it by; nobody reads it. */
const freshRef = (): string => `class-${randomBytes(6).toString('hex')}`;

/** Strangers wait in the lobby, and only hosts go straight in. */
const ANYONE_KNOCKS: Partial<EntryRules> = { whoMayEnter: 'anyone', straightIn: 'hosts' };

async function refuseUnlessMayMake(glen: Glen, who: Who): Promise<void> {
  if ((await whoMakesClasses(glen.db)) === 'office' && !isOffice(who))
    throw new HttpProblem(403, 'At this school the office makes class periods.');
}

/** The row itself, with a pennant that looks like no other. */
async function writeClass(glen: Glen, hostId: number, body: NewClass): Promise<number> {
  const { title, period, anyoneKnocks } = body;
  const pennant = body.pennant ?? proposePennant({ title, period }, await pennantsTaken(glen.db));
  return insertOwnClass(glen.db, hostId, {
    ref: freshRef(),
    title,
    period: period || null,
    pennant,
    rules: anyoneKnocks ? ANYONE_KNOCKS : {},
  });
}

/** Its lessons, where it was said when it meets; what is wrong with the plan is told beside it. */
async function planLessons(glen: Glen, classId: number, by: number, body: NewClass): Promise<void> {
  const { plan, title, period } = body;
  if (!plan) return;
  await addSession(glen, classId, by, {
    title: classTitle({ title, period: period || null }),
    description: '',
    draft: false,
    undated: false,
    plan,
  });
}

/**
 * Makes a class period with its lasting link, hosted by whoever makes it; its room and its lessons in the same breath
 * where they are given.
 */
export async function makeClass(glen: Glen, who: Who, body: NewClass): Promise<Answer<'addClass'>> {
  await refuseUnlessMayMake(glen, who);
  const by = who.person!.id;
  const room = body.room.trim() === '' ? null : roomOf(glen, body.room);
  const classId = await glen.db.transaction(async () => {
    const id = await writeClass(glen, by, body);
    const link = await makeLink(glen, id, { label: 'Lessons', kind: 'lesson' });
    if (room !== null) await putRoomBehind(glen.db, link.id, room);
    await planLessons(glen, id, by, body);
    await glen.audit({ by, action: 'make-class', subject: `class:${id}`, after: body });
    await glen.announce(`person:${by}`, { thing: 'classes', id });
    return id;
  });
  return { class: classItem(glen, (await classById(glen.db, classId, by))!) };
}

/** The room's address, settled; what is wrong with it stands beside the room's field. */
function roomOf(glen: Glen, typed: string): string {
  try {
    return settledRoom(glen, typed);
  } catch (error) {
    if (error instanceof HttpProblem && error.more.errors)
      throw wrongField('room', error.more.errors[0]!.message);
    throw error;
  }
}
