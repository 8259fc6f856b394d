import { HELPS, type Answer, type Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, wrongField } from '../../http/problem.js';
import { schoolDate } from '../../http/helperStore.js';
import type { Who } from '../../http/who.js';
import { staffOfSchool } from '../group/store.js';
import { tellOnce } from '../school/tell.js';
import { endHelper, endOlderHelp, helpingOf, insertHelper } from './helpersStore.js';

/** Whom one lets act on one's behalf, and on whose behalf one may. */
export async function listHelping(glen: Glen, who: Who): Promise<Answer<'helping'>> {
  const { id } = who.person!;
  const all = await helpingOf(glen.db, id, await schoolDate(glen));
  const staff = await staffOfSchool(glen.db);
  return {
    forMe: all.filter((one) => one.teacher.id === id),
    byMe: all.filter((one) => one.helper.id === id),
    staff: staff.filter((one) => one.id !== id),
  };
}

/** Lets somebody act on one's behalf. */
export async function allowHelp(
  glen: Glen,
  who: Who,
  body: Body<'allowHelp'>,
): Promise<Answer<'allowHelp'>> {
  const { id: forId, name } = who.person!;
  const { helperId, until = '', ...may } = body;
  if (helperId === forId || !(await staffOfSchool(glen.db)).some((one) => one.id === helperId))
    throw wrongField('helperId', 'Another of the school’s staff can act on your behalf.');
  if (!HELPS.some((what) => may[what])) throw wrongField('schedules', 'Say what they may do.');
  if (until !== '' && until < (await schoolDate(glen)))
    throw wrongField('until', 'That day is over.');
  await glen.db.transaction(async () => {
    await endOlderHelp(glen.db, { forId, helperId, now: glen.clock.school() });
    await insertHelper(glen.db, { forId, helperId, until, ...may });
    const after = { helperId, until, ...may };
    await glen.audit({ by: forId, action: 'allow-help', subject: `person:${helperId}`, after });
    const title = `You may act for ${name}`;
    await tellOnce(glen, helperId, { title, text: 'See School, Who covers.' });
  });
  return listHelping(glen, who);
}

/** Ends it: by the teacher, or by whoever acts on their behalf. The other is told. */
export async function endHelp(glen: Glen, who: Who, helpId: number): Promise<Answer<'endHelp'>> {
  const { id: by, name } = who.person!;
  const all = await helpingOf(glen.db, by, await schoolDate(glen));
  const one = all.find(({ id }) => id === helpId);
  if (!one) throw notFound('This permission');
  const other = one.teacher.id === by ? one.helper : one.teacher;
  await glen.db.transaction(async () => {
    await endHelper(glen.db, helpId, glen.clock.school());
    await glen.audit({ by, action: 'end-help', subject: `person:${other.id}` });
    const isTeacher = one.teacher.id === by;
    const title = isTeacher ? `You no longer act for ${name}` : `${name} no longer acts for you`;
    await tellOnce(glen, other.id, { title, text: '' });
  });
  return listHelping(glen, who);
}
