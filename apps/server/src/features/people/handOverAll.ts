import { classTitle } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { announceClass } from '../classes/announceClass.js';
import { followCovers } from '../cover/follow.js';
import { staffOfSchool } from '../group/store.js';
import { tellOnce } from '../school/tell.js';
import { handOverClass, hostedBy, type Hosted } from './handOverStore.js';
import { bumpPerson, heldPerson, personRecord } from './store.js';

/** Whoever leaves hands over what they host; the head and the office do it for anybody. */
function mustHandOver(who: Who, personId: number): void {
  if (who.person!.id !== personId && !isOffice(who))
    throw new HttpProblem(
      403,
      'What somebody hosts is handed over by themselves, the head or the office.',
    );
}

const titled = ({ id, title, period, as, links, groups, isOnlyHost }: Hosted) => ({
  ...{ id, title: classTitle({ title, period }), as, links, groups, isOnlyHost },
});

/** All that somebody hosts, and who could take it. */
export async function describeHosted(
  glen: Glen,
  personId: number,
  who: Who,
): Promise<Answer<'hosted'>> {
  mustHandOver(who, personId);
  const person = await personRecord(glen.db, personId);
  if (!person) throw notFound('This person');
  const staff = await staffOfSchool(glen.db);
  return {
    version: person.version,
    classes: (await hostedBy(glen.db, personId)).map(titled),
    staff: staff.filter((one) => one.id !== personId),
  };
}

interface Handing {
  from: number;
  who: Who;
}

/** Hands over class period by class period; gives what each who takes over has got. */
async function handOver(
  glen: Glen,
  { from, who }: Handing,
  classes: Body<'handOverAll'>['classes'],
): Promise<Map<number, string[]>> {
  const hosted = new Map((await hostedBy(glen.db, from)).map((one) => [one.id, one]));
  const staff = new Set((await staffOfSchool(glen.db)).map((one) => one.id));
  const got = new Map<number, string[]>();
  for (const [i, { classId, toId }] of classes.entries()) {
    const one = hosted.get(classId);
    if (!one) throw wrongField(`classes.${i}.classId`, 'They do not host this class period.');
    if (toId === from || !staff.has(toId))
      throw wrongField(`classes.${i}.toId`, 'Another of the school’s teachers takes it over.');
    await handOverClass(glen.db, { classId, from, to: toId, as: one.as });
    const by = who.person!.id;
    const after = { from, to: toId };
    await glen.audit({ by, action: 'hand-over-class', subject: `class:${classId}`, after });
    await announceClass(glen, classId, [from, toId]);
    got.set(toId, [...(got.get(toId) ?? []), classTitle(one)]);
  }
  return got;
}

/** Who takes over is told once, whatever it is. */
async function tell(glen: Glen, { from, who }: Handing, got: Map<number, string[]>): Promise<void> {
  const { name } = (await personRecord(glen.db, from))!;
  for (const [personId, titles] of got) {
    if (personId === who.person!.id) continue;
    const text = `From ${name}: ${titles.join('; ')}.`;
    await tellOnce(glen, personId, { title: 'You host what was somebody else’s', text });
    await glen.announce(`person:${personId}`, { thing: 'classes', id: personId });
  }
}

/** Hands over all that somebody hosts, in one transaction: class periods with the links and groups that were theirs in them. */
export async function handOverAll(
  glen: Glen,
  personId: number,
  who: Who,
  { version, classes }: Body<'handOverAll'>,
): Promise<Answer<'handOverAll'>> {
  mustHandOver(who, personId);
  const isDone = await glen.db.transaction(async () => {
    const person = await heldPerson(glen.db, personId);
    if (!person) throw notFound('This person');
    if (person.version !== version) return false;
    await bumpPerson(glen.db, personId, version, {});
    const handing = { from: personId, who };
    await tell(glen, handing, await handOver(glen, handing, classes));
    await glen.announce(`person:${personId}`, { thing: 'classes', id: personId });
    return true;
  });
  const now = await describeHosted(glen, personId, who);
  if (!isDone) throw stale(now);
  await followCovers(glen);
  return now;
}
