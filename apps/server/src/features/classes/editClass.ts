import type { Action } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { stale } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { describeClass } from '../plan/classPeriod.js';
import { classItem } from '../school/classItem.js';
import { classById } from '../school/classes.sql.js';
import { announceClass } from './announceClass.js';
import { bumpClass, type ClassColumns } from './store.js';

interface Change {
  classId: number;
  version: number;
  action: Action;
  /** What its own row is to say. */
  columns?: ClassColumns;
}

/** What the log says was before and after, and what whoever asked is told. */
interface Done<T> {
  before: unknown;
  after: unknown;
  answer: T;
}

/**
 * Changes a class period that still has the version its editor read, in one transaction; 409 with how it stands where
 * it has not. `work` does what is not in its own row.
 */
export async function changeClass<T>(
  glen: Glen,
  who: Who,
  { classId, version, action, columns = {} }: Change,
  work: () => Promise<Done<T>>,
): Promise<T> {
  const by = who.person!.id;
  const done = await glen.db.transaction(async () => {
    if (!(await bumpClass(glen.db, classId, version, columns))) return null;
    const { before, after, answer } = await work();
    await glen.audit({ by, action, subject: `class:${classId}`, before, after });
    await announceClass(glen, classId, [by]);
    return { answer };
  });
  if (!done) throw stale(await describeClass(glen, classId, by));
  return done.answer;
}

/** What a class period is called, where it stands in the timetable, and its pennant; its link stays as it is. */
export async function editClass(
  glen: Glen,
  classId: number,
  who: Who,
  { version, title, period, pennant }: Body<'editClass'>,
): Promise<Answer<'editClass'>> {
  const columns = { title, period: period || null, pennant };
  const by = who.person!.id;
  const {
    title: oldTitle,
    period: oldPeriod,
    pennant: old,
  } = (await classById(glen.db, classId, by))!;
  const before = { title: oldTitle, period: oldPeriod, pennant: old };
  const change: Change = { classId, version, action: 'edit-class', columns };
  await changeClass(glen, who, change, async () => ({ before, after: columns, answer: undefined }));
  const now = (await classById(glen.db, classId, by))!;
  return { class: classItem(glen, now), version: now.version };
}
