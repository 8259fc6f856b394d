import { classTitle, dayNumber, wallClockAt } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { readSchool } from '../school/store.js';
import { absencesOf, dropAbsence, keepAbsence } from './absenceStore.js';
import { hostedClasses } from './store.js';

/** The day that it is at the school. */
async function today(glen: Glen): Promise<string> {
  const { zone } = (await readSchool(glen.db)).calendar;
  return wallClockAt(glen.clock.school(), zone).date;
}

/** When somebody is known to be away, from today on. Whoever hosts other class periods sees what is said for theirs. */
export async function absencesFor(
  glen: Glen,
  personId: number,
  who: Who,
): Promise<Answer<'absences'>> {
  const hosted = await hostedClasses(glen.db, who.person!.id);
  const titles = new Map(hosted.map((one) => [one.id, classTitle(one)]));
  const kept = await absencesOf(glen.db, personId, await today(glen));
  const seen = kept.filter(
    ({ classId }) => isOffice(who) || classId === null || titles.has(classId),
  );
  return {
    absences: seen.map(({ madeBy: _, classId, ...away }) => ({
      ...away,
      classTitle: classId === null ? null : (titles.get(classId) ?? 'one class period'),
      mayEnd: isOffice(who) || classId !== null,
    })),
  };
}

/** Excuses somebody beforehand. */
export async function excuse(
  glen: Glen,
  personId: number,
  who: Who,
  { classId, from, until, reason }: Body<'addAbsence'>,
): Promise<Answer<'absences'>> {
  const by = who.person!.id;
  // Days that are none are refused beside their fields.
  dayNumber(from, 'from');
  dayNumber(until, 'until');
  if (classId === null && !isOffice(who))
    throw new HttpProblem(403, 'From all lessons the head and the office excuse people.');
  if (classId !== null && !(await hostedClasses(glen.db, by)).some(({ id }) => id === classId))
    throw wrongField('classId', 'You do not host this class period.');
  if (until < (await today(glen))) throw wrongField('until', 'This is over; correct the register.');
  await glen.db.transaction(async () => {
    const at = glen.clock.school();
    await keepAbsence(glen.db, { personId, classId, from, until, reason, by, at });
    await glen.audit({
      by,
      action: 'excuse',
      subject: `person:${personId}`,
      after: { from, until, reason, ...(classId === null ? {} : { classId }) },
    });
  });
  return absencesFor(glen, personId, who);
}

/** Takes an excuse away again: what it has done to registers that are settled stays. */
export async function unexcuse(
  glen: Glen,
  personId: number,
  who: Who,
  absenceId: number,
): Promise<void> {
  const { absences } = await absencesFor(glen, personId, who);
  const away = absences.find(({ id }) => id === absenceId);
  if (!away) throw notFound('This excuse');
  if (!away.mayEnd)
    throw new HttpProblem(403, 'From all lessons the head and the office excuse people.');
  await glen.db.transaction(async () => {
    if (!(await dropAbsence(glen.db, absenceId))) throw notFound('This excuse');
    const { from, until, reason } = away;
    const before = { from, until, reason };
    const subject = `person:${personId}`;
    await glen.audit({ by: who.person!.id, action: 'excuse-no-longer', subject, before });
  });
}
