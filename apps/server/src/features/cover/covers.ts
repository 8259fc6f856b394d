import { capital, coverDays, type Cover } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import { schoolDate } from '../../http/helperStore.js';
import type { Who } from '../../http/who.js';
import { staffOfSchool } from '../group/store.js';
import { tellOnce } from '../school/tell.js';
import { followCovers } from './follow.js';
import { coversFrom, endCover, holdTeacher, insertCover, type KnownCover } from './store.js';
import { tryCover } from './tryCover.js';

/** Whether somebody may say who covers for a teacher: themselves, the head and the office. */
const maySay = (who: Who, absentId: number): boolean =>
  who.person!.id === absentId || isOffice(who);

function mustSay(who: Who, absentId: number): void {
  if (!maySay(who, absentId))
    throw new HttpProblem(
      403,
      'Who covers for somebody is said by themselves, the head or the office.',
    );
}

const isAbout = (cover: Cover, personId: number): boolean =>
  cover.absentId === personId || cover.coveringId === personId;

/** The covers that are on or to come: all of them for the head and the office, else those that are about oneself. */
export async function listCovers(glen: Glen, who: Who): Promise<Answer<'covers'>> {
  const today = await schoolDate(glen);
  const { id } = who.person!;
  const all = await coversFrom(glen.db, today);
  const staff = await staffOfSchool(glen.db);
  return {
    today,
    covers: all
      .filter((cover) => isOffice(who) || isAbout(cover, id))
      .map(({ absentId, coveringId: _, ...cover }) => ({
        ...cover,
        isOn: cover.first <= today,
        mayEnd: maySay(who, absentId),
      })),
    absent: isOffice(who) ? staff : staff.filter((one) => one.id === id),
    staff,
  };
}

/** Throws beside the field for what is no cover: people who teach, one who is not the other, days that are to come. */
async function checkCover(
  glen: Glen,
  { absentId, coveringId, first, last }: Omit<Cover, 'id'>,
): Promise<void> {
  const staff = new Set((await staffOfSchool(glen.db)).map((one) => one.id));
  if (!staff.has(absentId)) throw wrongField('absentId', 'This is none of the school’s teachers.');
  if (!staff.has(coveringId))
    throw wrongField('coveringId', 'This is none of the school’s teachers.');
  if (absentId === coveringId) throw wrongField('coveringId', 'Nobody covers for themselves.');
  if (last < first) throw wrongField('last', 'That is before it begins.');
  if (last < (await schoolDate(glen))) throw wrongField('last', 'These days are over.');
}

/** What a cover would be of, and what it would clash with. */
export async function triedCover(
  glen: Glen,
  who: Who,
  body: Body<'tryCover'>,
): Promise<Answer<'tryCover'>> {
  mustSay(who, body.absentId);
  await checkCover(glen, body);
  return tryCover(glen, body);
}

async function mustBeFresh(glen: Glen, body: Body<'addCover'>): Promise<void> {
  const same = (await coversFrom(glen.db, body.first)).some(
    (cover) =>
      cover.absentId === body.absentId &&
      cover.coveringId === body.coveringId &&
      cover.first <= body.last,
  );
  if (same) throw wrongField('coveringId', 'They cover for them on some of these days already.');
}

async function mustNotClash(glen: Glen, body: Body<'addCover'>): Promise<void> {
  if (body.anyway) return;
  const { sessions } = await tryCover(glen, body);
  const clashing = sessions.filter((session) => session.clashes.length > 0);
  if (clashing.length > 0)
    throw new HttpProblem(
      409,
      `${clashing.length === 1 ? 'One session clashes' : `${clashing.length} sessions clash`} with what they have planned.`,
    );
}

/** Both are told once, where they did not do it themselves. */
async function tell(
  glen: Glen,
  by: number,
  cover: KnownCover,
  { toCovering, toAbsent }: { toCovering: string; toAbsent: string },
): Promise<void> {
  const told = [
    { personId: cover.coveringId, title: toCovering },
    { personId: cover.absentId, title: toAbsent },
  ];
  for (const { personId, title } of told) {
    if (personId === by) continue;
    await tellOnce(glen, personId, { title, text: `${capital(coverDays(cover))}.` });
  }
}

/** Somebody covers for a teacher from a day to a day: host wherever they are. It ends by itself. */
export async function addCover(
  glen: Glen,
  who: Who,
  body: Body<'addCover'>,
): Promise<Answer<'addCover'>> {
  mustSay(who, body.absentId);
  await checkCover(glen, body);
  const by = who.person!.id;
  await glen.db.transaction(async () => {
    await holdTeacher(glen.db, body.absentId);
    await mustBeFresh(glen, body);
    await mustNotClash(glen, body);
    const { absentId, coveringId, first, last } = body;
    const id = await insertCover(glen.db, { absentId, coveringId, first, last, by });
    const cover = (await coversFrom(glen.db, first)).find((one) => one.id === id)!;
    await glen.audit({
      by,
      action: 'add-cover',
      subject: `person:${absentId}`,
      after: { absentId, coveringId, first, last },
    });
    await tell(glen, by, cover, {
      toCovering: `You cover for ${cover.absent.name}`,
      toAbsent: `${cover.covering.name} covers for you`,
    });
  });
  await followCovers(glen);
  return listCovers(glen, who);
}

/** Ends a cover before its time. */
export async function stopCover(
  glen: Glen,
  who: Who,
  coverId: number,
): Promise<Answer<'endCover'>> {
  const by = who.person!.id;
  const cover = (await coversFrom(glen.db, await schoolDate(glen))).find(
    (one) => one.id === coverId,
  );
  if (!cover || !(isOffice(who) || isAbout(cover, by))) throw notFound('This cover');
  mustSay(who, cover.absentId);
  await glen.db.transaction(async () => {
    if (!(await endCover(glen.db, coverId, glen.clock.school()))) return;
    await glen.audit({
      by,
      action: 'end-cover',
      subject: `person:${cover.absentId}`,
      before: coverId,
    });
    await tell(glen, by, cover, {
      toCovering: `You no longer cover for ${cover.absent.name}`,
      toAbsent: `${cover.covering.name} no longer covers for you`,
    });
  });
  await followCovers(glen);
  return listCovers(glen, who);
}
