import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { classById } from '../school/classes.sql.js';
import { isForAllOf } from '../audience/store.js';
import { announceLink } from './announce.js';
import { describeLink } from './describe.js';
import { refreshJoined } from './joined.sql.js';
import { mustMeetAt } from './meetsAt.js';
import {
  boundTo,
  deleteShare,
  insertShare,
  lockShares,
  sameShare,
  shareById,
} from './shareStore.js';
import { heldLinksOfClasses, heldLink, type LinkRow } from './store.js';

/** Whoever looks at the class period that joins, or at one of its doors, hears of it too. */
async function announceJoining(glen: Glen, classId: number): Promise<void> {
  for (const link of await heldLinksOfClasses(glen.db, [classId])) await announceLink(glen, link);
}

interface Meeting {
  linkId: number;
  classId: number;
  seriesId?: number | undefined;
  key?: string | undefined;
  ownDoor: 'leads' | 'shut';
}

/** Throws where the class period at `classId` cannot be brought to a link, beside the field at fault. */
async function checkGuest(glen: Glen, link: LinkRow, classId: number, by: number): Promise<void> {
  if (link.state === 'retired')
    throw new HttpProblem(409, 'This link has been stopped; let it work again first.');
  if (classId === link.class_id) throw wrongField('classId', 'That is its own class period.');
  const klass = await classById(glen.db, classId, by);
  if (!klass) throw wrongField('classId', 'There is no such class period.');
  if (klass.put_away_at) throw wrongField('classId', 'That class period has been put away.');
  if (!hostsAs(klass.as_what))
    throw wrongField(
      'classId',
      'You can bring class periods that you host; for another, ask its host to put you down as co-teacher.',
    );
}

/** Throws where the link is not one to share, or one of the two class periods meets elsewhere already. */
async function checkDoors(glen: Glen, link: LinkRow, classId: number): Promise<void> {
  if (!(await isForAllOf(glen.db, link.id, link.class_id)))
    throw wrongField(
      'classId',
      'This link is for a part of its class period. Share the link that the whole class period goes by.',
    );
  const elsewhere = await boundTo(glen.db, link.class_id, classId);
  if (!elsewhere) return;
  const { out, title } = elsewhere;
  const goesThere = `This class period goes to the door of ${title} itself at times.`;
  const comesHere = `${title} comes to that class period’s door at times.`;
  throw wrongField('classId', `${out ? goesThere : comesHere} Bring them together there.`);
}

/**
 * Has another class period meet at a door, within a transaction: always, at every date of a series, or at one. A class period
 * that goes to another's door has no guests at its own, and the other way round, so that nobody is led on twice and never in a circle.
 */
export async function bringTogether(glen: Glen, meeting: Meeting, by: number): Promise<void> {
  const { linkId, classId, seriesId, key, ownDoor } = meeting;
  await lockShares(glen.db);
  const link = await heldLink(glen.db, linkId);
  if (!link) throw notFound('This link');
  await checkGuest(glen, link, classId, by);
  await checkDoors(glen, link, classId);
  await mustMeetAt(glen, linkId, { seriesId, key });
  const share = { linkId, classId, seriesId: seriesId ?? null, key: key ?? null };
  if (await sameShare(glen.db, share)) throw wrongField('classId', 'They meet here already.');
  await insertShare(glen.db, { ...share, ownDoor, by });
  await refreshJoined(glen.db, { linkId });
  await glen.audit({
    by,
    action: 'share-link',
    subject: `link:${linkId}`,
    after: { classId, seriesId, key, ownDoor },
  });
  await announceLink(glen, link);
  await announceJoining(glen, classId);
}

export async function shareLink(
  glen: Glen,
  linkId: number,
  who: Who,
  body: Body<'shareLink'>,
): Promise<Answer<'shareLink'>> {
  await glen.db.transaction(() => bringTogether(glen, { linkId, ...body }, who.person!.id));
  return describeLink(glen, linkId, who);
}

export async function unshareLink(
  glen: Glen,
  linkId: number,
  who: Who,
  shareId: number,
): Promise<Answer<'unshareLink'>> {
  await glen.db.transaction(async () => {
    const link = await heldLink(glen.db, linkId);
    const share = await shareById(glen.db, shareId, linkId);
    if (!link || !share) throw notFound('This arrangement');
    await deleteShare(glen.db, shareId, linkId);
    await refreshJoined(glen.db, { linkId });
    await glen.audit({
      by: who.person!.id,
      action: 'unshare-link',
      subject: `link:${linkId}`,
      before: share,
    });
    await announceLink(glen, link);
    await announceJoining(glen, share.class_id);
  });
  return describeLink(glen, linkId, who);
}
