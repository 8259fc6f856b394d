import type { LetterText } from '@glen/core';
import { linkAddress } from '../../addresses.js';
import type { LinkRow } from '../../db/models/Link.js';
import type { Glen } from '../../glen.js';
import { rulesOfLinks } from '../entry/layers.js';
import { linksToldOf, writeToldCode } from './askedCodeStore.js';
import { calledLink } from './calledLinkStore.js';
import { meantAt } from './meantStore.js';
import { tellEach } from './tellEach.js';

/** A link's door that asks for another code than its people have heard of. */
interface News {
  link: LinkRow;
  hash: string;
  /** Null where it asks for none any more, or nobody could have come before it did. */
  code: string | null;
}

/** What is new at the doors of a class period, noted as told. */
export async function noteCodes(glen: Glen, classId: number): Promise<News[]> {
  const links = await linksToldOf(glen.db, classId);
  const rules = await rulesOfLinks(
    glen.db,
    links.map(({ link }) => link.id),
  );
  const news: News[] = [];
  for (const { link, told } of links) {
    const code = rules.get(link.id)?.rules.entryCode ?? null;
    const hash = code === null ? '' : glen.tokens.hash('told-code', `${link.id} ${code}`);
    if (hash === told) continue;
    await writeToldCode(glen.db, link.id, hash);
    // What a link has asked from its first day is told with the link.
    news.push({ link, hash, code: told === undefined ? null : code });
  }
  return news;
}

const letterOf = (called: string, code: string, address: string): Omit<LetterText, 'stop'> => ({
  subject: `The door asks for a code: ${called}`,
  says: [`From now on the door of ${called} asks for a code: ${code}`],
  link: { words: 'To the door', address },
  why: 'You get this because something that you teach or attend has changed.',
});

/** Tells those whom the links of a class period are for, but their hosts, of the code that the door asks for from now on. */
export async function gatherCodes(glen: Glen, classId: number): Promise<void> {
  await glen.db.transaction(async () => {
    for (const { link, hash, code } of await noteCodes(glen, classId)) {
      if (code === null) continue;
      const letter = letterOf(await calledLink(glen.db, link), code, linkAddress(glen, link.code));
      // A code that is set once more is heard of once more.
      const about = `code:${hash}:${glen.clock.school()}`;
      const everybody = await meantAt(glen.db, { linkId: link.id, seriesId: 0, key: '' });
      await tellEach(
        glen,
        'changes',
        everybody
          .filter(({ hosts, watches }) => !hosts && !watches)
          .map(({ personId }) => ({ personId, once: `${about}:${personId}`, letter })),
      );
    }
  });
  glen.nudge();
}
