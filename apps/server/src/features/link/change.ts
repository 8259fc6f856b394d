import type { Action } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, stale } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { announceLink } from './announce.js';
import { describeLink } from './describe.js';
import { heldLink, updateLink, type LinkColumns, type LinkRow } from './store.js';

/** Which link, as it was read, and what the log calls it. */
interface LinkChange {
  linkId: number;
  version: number;
  action: Action;
}

/** What a link's row is to say, and what the log says of it where that is more. */
interface Changed {
  columns?: LinkColumns;
  after?: unknown;
}

/** Changes a link that still has the version its editor read, in one transaction; 409 with how it stands where it has not. */
export async function changeLink(
  glen: Glen,
  who: Who,
  { linkId, version, action }: LinkChange,
  work: (link: LinkRow) => Promise<Changed>,
): Promise<Answer<'editLink'>> {
  const done = await glen.db.transaction(async () => {
    const link = await heldLink(glen.db, linkId);
    if (!link) throw notFound('This link');
    if (link.version !== version) return false;
    const { columns = {}, after } = await work(link);
    await updateLink(glen.db, linkId, version, columns);
    const { code, label, purpose, kind, state, shown, room_address } = link;
    await glen.audit({
      by: who.person!.id,
      action,
      subject: `link:${linkId}`,
      before: { code, label, purpose, kind, state, shown, room_address },
      after: after ?? columns,
    });
    await announceLink(glen, link);
    return true;
  });
  const now = await describeLink(glen, linkId, who);
  if (!done) throw stale(now);
  return now;
}
