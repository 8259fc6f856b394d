import { plusMinutes, waitAfterFailures, waitInWords } from '@glen/core';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { forgetSlowed, heldSlowed, writeSlowed } from './slowedStore.js';

/** Failures older than this are forgotten: it is not the same attempt any more. */
const FORGOTTEN_MINUTES = 24 * 60;

const secondsBetween = (from: string, to: string): number =>
  (Date.parse(to) - Date.parse(from)) / 1000;

const tooSoon = (seconds: number): HttpProblem =>
  new HttpProblem(429, `Too many tries. Wait ${waitInWords(seconds)}, then try again.`);

/**
 * Counts a try before its outcome is known, so that many at once are no way around it; 429 with how long to wait where
 * too many came before. Whoever succeeds says so by `succeeded`.
 */
export async function countTry(glen: Glen, bucket: string): Promise<void> {
  const now = glen.clock.machine();
  const wait = await glen.db.transaction(async () => {
    const held = await heldSlowed(glen.db, bucket, now);
    const isOld = plusMinutes(held.lastAt, FORGOTTEN_MINUTES) < now;
    const failures = isOld ? 0 : held.failures;
    const left = waitAfterFailures(failures) - secondsBetween(held.lastAt, now);
    if (failures > 0 && left > 0) return left;
    await writeSlowed(glen.db, bucket, { failures: failures + 1, lastAt: now });
    return 0;
  });
  if (wait > 0) throw tooSoon(wait);
}

/** What was tried is right: nothing is counted against the next. */
export const succeeded = (glen: Glen, bucket: string): Promise<void> =>
  forgetSlowed(glen.db, bucket);
