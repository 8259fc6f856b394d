import { toldBy, type LetterText } from '@glen/core';
import type { Glen } from '../../glen.js';
import { stopAddress } from './stop.js';
import { mailAddressOf, toldWishesOf, unmailedNotices, type UnmailedNotice } from './store.js';
import { writeLetters } from './letters.js';

/** One letter for all that somebody is told within two minutes: five edits of one hand are one thing to read. */
const letterOf = (notices: UnmailedNotice[], stop: string, site: string): LetterText => ({
  subject: notices.length === 1 ? notices[0]!.title : `${notices.length} changes that touch you`,
  says: notices.map(({ title, text }) => `${title}\n${text}`),
  link: { words: 'Read it in Glen', address: `${site}/word` },
  why: 'You get this because something that you teach or attend has changed.',
  stop,
});

/** Writes to somebody what they have been told since the last letter, where they wish for letters. */
export async function gatherWords(glen: Glen, personId: number): Promise<void> {
  await glen.db.transaction(async () => {
    const notices = await unmailedNotices(glen.db, personId);
    const person = await toldWishesOf(glen.db, personId);
    const address = await mailAddressOf(glen.db, personId);
    if (notices.length === 0 || !person || address === null) return;
    if (toldBy('changes', person.told, person.schoolTold) !== 'mail') return;
    await writeLetters(glen, [
      {
        kind: 'changes',
        isUrgent: notices.some((notice) => notice.urgent),
        once: `notice:${notices[0]!.id}`,
        to: { personId, name: person.name, address },
        letter: letterOf(notices, stopAddress(glen, personId, 'changes'), glen.config.publicUrl),
      },
    ]);
  });
}
