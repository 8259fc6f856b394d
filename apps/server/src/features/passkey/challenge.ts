import { createHash, randomBytes } from 'node:crypto';
import { z } from 'zod';
import type { Glen } from '../../glen.js';
import type { KeptCookie } from '../../http/keptCookie.js';
import { HttpProblem } from '../../http/problem.js';
import { isFirst } from '../../http/onceStore.js';

const MINUTES = 5;
const CHALLENGE_BYTES = 32;
const SEALED_FOR = 'passkey';
export const COOKIE = 'glen_passkey';

const shape = z.object({
  challenge: z.string(),
  purpose: z.enum(['add', 'sign-in', 'confirm']),
  /** The account that it is about; nothing before anybody is signed in. */
  accountId: z.number().nullable(),
  /** The name of the account on its owner's device, where one is added. */
  handle: z.string().nullable(),
  /** By machine time. */
  until: z.string(),
});
export type Challenge = z.infer<typeof shape>;

/** A fresh challenge (Web Authentication level 2, 13.4.3), which the browser keeps sealed until it is answered. */
export function freshChallenge(
  { tokens, clock }: Pick<Glen, 'tokens' | 'clock'>,
  about: Pick<Challenge, 'purpose' | 'accountId' | 'handle'>,
): { challenge: string; cookie: KeptCookie } {
  const seconds = MINUTES * 60;
  const challenge = randomBytes(CHALLENGE_BYTES).toString('base64url');
  const kept: Challenge = { ...about, challenge, until: clock.machine(seconds) };
  const value = tokens.seal(SEALED_FOR, JSON.stringify(kept));
  return { challenge, cookie: { name: COOKIE, value, seconds } };
}

const late = (): HttpProblem =>
  new HttpProblem(409, 'That took too long, or was done already. Begin again.');

function read({ tokens }: Pick<Glen, 'tokens'>, sealed: string | undefined): Challenge {
  try {
    return shape.parse(JSON.parse(tokens.open(SEALED_FOR, sealed ?? '')));
  } catch {
    throw late();
  }
}

/** The challenge that is answered now; each can be answered once, here, in time, for what it was made. 409 otherwise. */
export async function takeChallenge(
  glen: Glen,
  sealed: string | undefined,
  { purpose, accountId }: Pick<Challenge, 'purpose' | 'accountId'>,
): Promise<Challenge> {
  const kept = read(glen, sealed);
  const now = glen.clock.machine();
  const fits = kept.purpose === purpose && kept.accountId === accountId && kept.until > now;
  if (!fits) throw late();
  const digest = createHash('sha256').update(kept.challenge).digest('base64url');
  if (!(await isFirst(glen.db, `passkey ${digest}`, now))) throw late();
  return kept;
}
