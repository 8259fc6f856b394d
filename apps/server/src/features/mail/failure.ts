import { readReport } from '@glen/core';
import type { Glen } from '../../glen.js';
import { tellPlacement } from './letters.js';
import { noteFailed } from './store.js';

/**
 * Takes what a mail service reports of a letter that it had taken: whoever it was for counts as not reached where it failed
 * for good. Whatever else comes there (holiday notices, delays) says nothing, and nobody is answered.
 */
export async function takeReport(
  glen: Glen,
  letterId: number,
  report: string | null,
): Promise<void> {
  const read = report === null ? null : readReport(report);
  if (!read?.hasFailed) return;
  const placementId = await noteFailed(glen.db, letterId, `The mail came back: ${read.why}`);
  await tellPlacement(glen, placementId);
}
