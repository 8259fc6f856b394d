import { randomBytes } from 'node:crypto';
import {
  KNOCK_UNTIL_ROLL,
  classTitle,
  occasionRules,
  proposePennant,
  type RuleSetting,
  type KeptRules,
} from '@glen/core';
import type { Answer, Body, Pennant } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { makeLink } from '../link/make.js';
import { settledRoom } from '../link/replace.js';
import { putRoomBehind } from '../link/store.js';
import { addSession } from '../plan/addSession.js';
import { classItem } from '../school/classItem.js';
import { classById } from '../school/classes.sql.js';
import { insertOwnClass, pennantsTaken, whoMakesClasses } from './store.js';

type NewClass = Body<'addClass'>;

/** What a course site would know it by; nobody reads it. */
const freshRef = (): string => `class-${randomBytes(6).toString('hex')}`;

export async function refuseUnlessMayMake(glen: Glen, who: Who): Promise<void> {
  if ((await whoMakesClasses(glen.db)) === 'office' && !isOffice(who))
    throw new HttpProblem(403, 'At this school the office makes class periods.');
}

interface Written {
  /** What a course site knows it by; left out: a fresh one. */
  ref?: string;
  title: string;
  /** Left out: a class. */
  kind?: 'class' | 'occasion';
  period: string | null;
  /** Left out: one that looks like no other. */
  pennant?: Pennant | undefined;
  rules: KeptRules;
  /** Anyone with the link knocks until the roll is filled. */
  isKnocking?: boolean;
  /** What its link is called and for; left out: for lessons. */
  link?: { label: string; kind: RuleSetting['kind'] };
}

const LESSONS: NonNullable<Written['link']> = { label: 'Lessons', kind: 'lesson' };

/** A class period with its host and its lasting link, within a transaction. */
export async function writeClass(
  glen: Glen,
  hostId: number,
  {
    ref,
    title,
    kind = 'class',
    period,
    pennant,
    rules,
    isKnocking = false,
    link = LESSONS,
  }: Written,
): Promise<{ id: number; linkId: number }> {
  const id = await insertOwnClass(glen.db, hostId, {
    ref: ref ?? freshRef(),
    title,
    kind,
    period: period || null,
    pennant: pennant ?? proposePennant({ title, period }, await pennantsTaken(glen.db)),
    rules: isKnocking ? { ...rules, ...KNOCK_UNTIL_ROLL } : rules,
    knock_until_roll: isKnocking,
  });
  return { id, linkId: (await makeLink(glen, id, link)).id };
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

const classOf = (body: NewClass): Written => ({
  ...body,
  rules: {},
  isKnocking: body.anyoneKnocks,
});

/** No period, no roll: whom its link is for is named there. */
const occasionOf = ({ title, pennant, comes }: NewClass): Written => ({
  title,
  kind: 'occasion',
  period: null,
  pennant,
  rules: occasionRules(comes),
  link: { label: title.slice(0, 80), kind: 'event' },
});

/**
 * Makes a class period with its lasting link, hosted by whoever makes it; its room and its lessons in the same breath
 * where they are given.
 */
export async function makeClass(glen: Glen, who: Who, body: NewClass): Promise<Answer<'addClass'>> {
  await refuseUnlessMayMake(glen, who);
  const by = who.person!.id;
  const room = body.room.trim() === '' ? null : roomOf(glen, body.room);
  const classId = await glen.db.transaction(async () => {
    const written = body.kind === 'occasion' ? occasionOf(body) : classOf(body);
    const { id, linkId } = await writeClass(glen, by, written);
    if (room !== null) await putRoomBehind(glen.db, linkId, room);
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
