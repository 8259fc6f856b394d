import { withoutKnocking } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import { classItem } from '../school/classItem.js';
import { classById } from '../school/classes.sql.js';
import { refuseUnlessMayMake, writeClass } from './makeClass.js';
import { heldRules, putOnRoll, rollIds, staffEntries, writeStaff } from './store.js';

/**
 * Makes another class period like one that there is, with a link of its own; whoever makes it hosts it. Its lessons and
 * posts stay where they are: they meet at another time.
 */
export async function copyClass(
  glen: Glen,
  fromId: number,
  who: Who,
  { title, period, takes }: Body<'copyClass'>,
): Promise<Answer<'copyClass'>> {
  await refuseUnlessMayMake(glen, who);
  const by = who.person!.id;
  const classId = await glen.db.transaction(async () => {
    const from = await heldRules(glen.db, fromId);
    const { id } = await writeClass(glen, by, {
      title,
      period,
      rules: takes.rules ? withoutKnocking(from.rules) : {},
      isKnocking: from.isKnocking && !takes.roll,
    });
    if (takes.roll) await putOnRoll(glen.db, id, await rollIds(glen.db, fromId));
    if (takes.teachers) await takeTeachers(glen, { from: fromId, to: id, host: by });
    const after = { from: fromId, title, period, takes };
    await glen.audit({ by, action: 'copy-class', subject: `class:${id}`, after });
    for (const { person_id: person } of await staffEntries(glen.db, id))
      await glen.announce(`person:${person}`, { thing: 'classes', id });
    return id;
  });
  return { class: classItem(glen, (await classById(glen.db, classId, by))!) };
}

/** Everybody teaches as they do there, and whoever makes it is host in any case. */
async function takeTeachers(
  glen: Glen,
  { from, to, host }: { from: number; to: number; host: number },
): Promise<void> {
  const others = (await staffEntries(glen.db, from)).filter((entry) => entry.person_id !== host);
  await writeStaff(glen.db, to, [{ person_id: host, as_what: 'host' }, ...others]);
}
