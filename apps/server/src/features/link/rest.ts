import type { Glen } from '../../glen.js';
import { followClasses } from '../audience/linkPeople.js';
import { announceLink } from './announce.js';
import { refreshJoined } from './joined.sql.js';
import { linksJoinedBy } from './shareStore.js';
import { heldLinksOfClasses, restLinks, wakeLinks } from './store.js';

/** Stops the links of a class period that is put away, or lets those work again that stopped with it; it meets at others' doors no longer, or again. */
async function change(
  glen: Glen,
  classId: number,
  write: (db: Glen['db'], classId: number) => Promise<void>,
): Promise<void> {
  const links = await heldLinksOfClasses(glen.db, [classId]);
  await write(glen.db, classId);
  for (const link of links) await announceLink(glen, link);
  for (const linkId of await linksJoinedBy(glen.db, classId))
    await refreshJoined(glen.db, { linkId });
  await followClasses(glen.db, [classId]);
}

export const stopLinksOf = (glen: Glen, classId: number): Promise<void> =>
  change(glen, classId, restLinks);

export const reopenLinksOf = (glen: Glen, classId: number): Promise<void> =>
  change(glen, classId, wakeLinks);
