import { classTitle } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { announceLink } from '../link/announce.js';
import { linkById } from '../link/store.js';
import { classesHeld, invitationsFor, whenInWords, writeSaid } from './listStore.js';

/** What somebody is invited to as a guest, by the address of the account that they use. */
export async function describeInvitations(glen: Glen, who: Who): Promise<Answer<'invitations'>> {
  const rows = await invitationsFor(glen.db, [who.account!.email]);
  const [classes, when] = await Promise.all([
    classesHeld(glen.db, [...new Set(rows.map((row) => row.link!.class_id))]),
    whenInWords(glen.db, rows),
  ]);
  return {
    invitations: rows.map((row) => {
      const period = classes.get(row.link!.class_id)!;
      return {
        guestId: row.id,
        title: classTitle(period),
        host: period.host,
        when: when(row),
        comes: row.comes,
        said: row.said,
      };
    }),
  };
}

/** Says whether one will come to what one is invited to; hosts who look see it. */
export async function answerInvitation(
  glen: Glen,
  who: Who,
  { guestId, said }: Body<'answerInvitation'>,
): Promise<Answer<'answerInvitation'>> {
  const { email } = who.account!;
  await glen.db.transaction(async () => {
    const [row] = await writeSaid(glen.db, { id: guestId, email }, said);
    if (!row) throw notFound('This invitation');
    await noteSaid(glen, { linkId: row.link_id, by: who.person!.id }, said);
  });
  return describeInvitations(glen, who);
}

/** Says the same without an account, by a one-time address: of all that its guest is invited to at that link. */
export async function sayByAddress(
  glen: Glen,
  { linkId, email }: { linkId: number; email: string },
  said: 'yes' | 'no' | null,
): Promise<void> {
  await glen.db.transaction(async () => {
    await writeSaid(glen.db, { link_id: linkId, email }, said);
    await noteSaid(glen, { linkId, by: null }, said);
  });
}

export async function noteSaid(
  glen: Glen,
  { linkId, by }: { linkId: number; by: number | null },
  said: 'yes' | 'no' | null,
): Promise<void> {
  await glen.audit({ by, action: 'say-as-guest', subject: `link:${linkId}`, after: { said } });
  await announceLink(glen, (await linkById(glen.db, linkId))!);
}
