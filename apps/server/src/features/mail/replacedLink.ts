import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { replacedLink, toldNewCode } from './replacedLinkStore.js';
import { tellEach } from './tellEach.js';

/**
 * Tells those whom a link is for that its address is new, where the one before leads nowhere any more: but whoever replaced
 * it, and those to whom a letter with the new one has gone already.
 */
export async function tellReplaced(glen: Glen, linkId: number): Promise<void> {
  const replaced = await replacedLink(glen.db, linkId);
  if (!replaced) return;
  const { code, called, by, people } = replaced;
  const known = await toldNewCode(glen.db, people, code);
  const letter = {
    subject: `A new link: ${called}`,
    says: ['The one before leads nowhere any more. From now on it is this one, all year:'],
    link: { words: called, address: linkAddress(glen, code) },
    why: 'You get this because something that you teach or attend has changed.',
  };
  await glen.db.transaction(() =>
    tellEach(
      glen,
      'changes',
      people
        .filter((personId) => personId !== by && !known.has(personId))
        .map((personId) => ({ personId, once: `replaced:${code}:${personId}`, letter })),
    ),
  );
  glen.nudge();
}
