import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { heldLinkOfSeries, seriesHasDate } from './shareStore.js';

/** Throws beside the field where a series, or a date of it, is not one that meets at a link. The series is held meanwhile. */
export async function mustMeetAt(
  glen: Glen,
  linkId: number,
  { seriesId, key }: { seriesId?: number | undefined; key?: string | undefined },
): Promise<void> {
  if (seriesId === undefined) return;
  if ((await heldLinkOfSeries(glen.db, seriesId)) !== linkId)
    throw wrongField('seriesId', 'This series does not meet at this link.');
  if (key !== undefined && !(await seriesHasDate(glen.db, seriesId, key)))
    throw wrongField('key', 'The series has no such date.');
}
