import { classTitle } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import {
  deletePresenter,
  insertPresenter,
  presentersAt,
  type NamedPresenter,
} from '../audience/presenterStore.js';
import { staffOfSchool } from '../group/store.js';
import { classById } from '../school/classes.sql.js';
import { mustNotNameThemselves } from '../school/naming.js';
import { tellOnce } from '../school/tell.js';
import { announceLink } from './announce.js';
import { describeLink } from './describe.js';
import { wordsOf } from './presentersShown.js';
import { mustMeetAt } from './meetsAt.js';
import { heldLink, type LinkRow } from './store.js';

/** Whoever is named, or no longer, is told once: when they look at their day. */
async function tell(
  glen: Glen,
  { link, who, personId }: { link: LinkRow; who: Who; personId: number },
  { title, when }: { title: string; when: string },
): Promise<void> {
  const { id: by, name } = who.person!;
  if (personId === by) return;
  const period = classTitle((await classById(glen.db, link.class_id, by))!);
  const text = `By ${name}: at ${period}, ${link.label}, ${when}.`;
  await tellOnce(glen, personId, { title, text });
}

/** Throws beside the field where somebody is not of the staff, or a series or date does not meet at the link. */
async function checkNaming(
  glen: Glen,
  linkId: number,
  { personId, seriesId, key }: Body<'addPresenter'>,
): Promise<void> {
  if (!(await staffOfSchool(glen.db)).some((one) => one.id === personId))
    throw wrongField(
      'personId',
      'A presenter is one of the school’s staff; whoever else is to speak comes as a guest.',
    );
  await mustMeetAt(glen, linkId, { seriesId, key });
}

const namedIn = (body: Body<'addPresenter'>): NamedPresenter => ({
  personId: body.personId,
  seriesId: body.seriesId ?? 0,
  key: body.key ?? '',
  weekday: body.weekday ?? '',
  from: body.from ?? '',
  until: body.until ?? '',
  takesOver: body.takesOver,
});

/** Names somebody who presents at a link: always, at the dates of a series or at one of them; on one weekday, or between dates. */
export async function addPresenter(
  glen: Glen,
  linkId: number,
  who: Who,
  body: Body<'addPresenter'>,
): Promise<Answer<'addPresenter'>> {
  await glen.db.transaction(async () => {
    const link = await heldLink(glen.db, linkId);
    if (!link) throw notFound('This link');
    await checkNaming(glen, linkId, body);
    const named = namedIn(body);
    const naming = { by: who.person!.id, named: [named.personId], path: 'personId' };
    await mustNotNameThemselves(glen.db, { classId: link.class_id, ...naming });
    if (!(await insertPresenter(glen.db, linkId, named)))
      throw wrongField('personId', 'They are named for this already.');
    const by = who.person!.id;
    await glen.audit({ by, action: 'add-presenter', subject: `link:${linkId}`, after: named });
    const made = (await presentersAt(glen.db, linkId)).at(-1)!;
    const when = wordsOf(made);
    await tell(
      glen,
      { link, who, personId: named.personId },
      { title: 'You are to present', when },
    );
    await announceLink(glen, link);
  });
  return describeLink(glen, linkId, who);
}

/** Somebody presents there no longer, as they were named. */
export async function removePresenter(
  glen: Glen,
  linkId: number,
  who: Who,
  { presenterId }: Body<'removePresenter'>,
): Promise<Answer<'removePresenter'>> {
  await glen.db.transaction(async () => {
    const link = await heldLink(glen.db, linkId);
    const named = (await presentersAt(glen.db, linkId)).find((one) => one.id === presenterId);
    if (!link || !named) throw notFound('This presenter');
    const before = await deletePresenter(glen.db, linkId, presenterId);
    const by = who.person!.id;
    await glen.audit({ by, action: 'remove-presenter', subject: `link:${linkId}`, before });
    const told = { title: 'You present no longer', when: wordsOf(named) };
    await tell(glen, { link, who, personId: named.personId }, told);
    await announceLink(glen, link);
  });
  return describeLink(glen, linkId, who);
}
