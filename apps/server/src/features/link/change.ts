import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, stale } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { announceLink } from './announce.js';
import { describeLink } from './describe.js';
import { heldLink, updateLink, type LinkRow } from './store.js';

/** Changes a link that still has the version its editor read, in one transaction; 409 with how it stands where it has not. */
export async function changeLink(
  glen: Glen,
  linkId: number,
  who: Who,
  { version, action }: { version: number; action: string },
  work: (
    link: LinkRow,
  ) => Promise<{ columns?: Record<string, string | number | null>; after?: unknown }>,
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
