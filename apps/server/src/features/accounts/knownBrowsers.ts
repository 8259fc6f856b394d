import { randomBytes } from 'node:crypto';
import type { Glen } from '../../glen.js';
import type { From } from '../../http/from.js';
import { countKnownTry, knowBrowser } from './slowedStore.js';

/** After so many wrong passwords from one known browser it counts as any other: somebody else may hold it. */
const MOST_FAILURES = 10;
const TOKEN_BYTES = 32;
/** What such a token looks like: anything else is not looked up. */
const TOKEN = /^[\w-]{43}$/;

/** What is kept of the token by which a browser is known; nothing where it brings none. */
export const knownHash = ({ tokens }: Pick<Glen, 'tokens'>, { known }: From): string | undefined =>
  known !== undefined && TOKEN.test(known) ? tokens.hash('device', known) : undefined;

/** The same, with a token made and given to the browser where it brings none. */
export function hashOfBrowser(glen: Pick<Glen, 'tokens'>, from: From): string {
  const hash = knownHash(glen, from);
  if (hash !== undefined) return hash;
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  from.remember(token);
  return glen.tokens.hash('device', token);
}

/**
 * Whether somebody has signed in to an account (0: none) from this browser before, and has not mistaken themselves too
 * often since. The try counts from now on, until the browser is known anew by a right password.
 */
export async function isKnownFor(glen: Glen, accountId: number, from: From): Promise<boolean> {
  const tokenHash = knownHash(glen, from);
  if (tokenHash === undefined) return false;
  return countKnownTry(glen.db, { accountId, tokenHash, most: MOST_FAILURES });
}

/** From now on this browser is known for an account. */
export const know = (glen: Glen, accountId: number, from: From): Promise<void> =>
  knowBrowser(glen.db, {
    accountId,
    tokenHash: hashOfBrowser(glen, from),
    now: glen.clock.machine(),
  });
