import { randomBytes } from 'node:crypto';
import type { Glen } from '../../glen.js';
import { writePasswordAddress } from './store.js';

const TOKEN_BYTES = 18;
/** How long such an address works. */
const VALID_HOURS = 72;

interface OneTimeAddress {
  address: string;
  /** Until when it works, in UTC by the machine's clock. */
  until: string;
}

/** A fresh one-time address by which an account's owner sets its password; told once, and never again. */
export async function makeAddress(
  glen: Glen,
  accountId: number,
  by: number,
): Promise<OneTimeAddress> {
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  const until = glen.clock.machine(VALID_HOURS * 3600);
  await writePasswordAddress(glen.db, {
    accountId,
    tokenHash: glen.tokens.hash('one-time', token),
    until,
    by,
  });
  return { address: `${glen.config.publicUrl}/password/${token}`, until };
}
