import { presentsInWords } from '@glen/core';
import type { LinkDetail } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { presentersAt, type PresenterAt } from '../audience/presenterStore.js';

/** What somebody presents at a link, after their name. */
export const wordsOf = (named: PresenterAt): string =>
  presentsInWords(named, { series: named.seriesTitle });

/** Who presents at a link beside the class period's own presenters. */
export async function describePresenters(
  glen: Glen,
  linkId: number,
): Promise<LinkDetail['presenters']> {
  return (await presentersAt(glen.db, linkId)).map((named) => ({
    id: named.id,
    personId: named.personId,
    name: named.name,
    seriesId: named.seriesId || null,
    key: named.key || null,
    weekday: named.weekday || null,
    from: named.from || null,
    until: named.until || null,
    takesOver: named.takesOver,
    words: wordsOf(named),
  }));
}
