import { createHash, randomBytes } from 'node:crypto';
import { z } from 'zod';
import { ownPath, signOnTroubleInWords } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import type { KeptCookie } from '../../http/keptCookie.js';
import type { Who } from '../../http/who.js';
import {
  SignOnError,
  type SignOnBegun,
  type SignOnProvider,
} from '../../outside/signOnProvider.js';

/** So long may somebody take at the provider. */
const MINUTES = 15;
const SECRET_BYTES = 32;
const SEALED_FOR = 'sign-on';

const fresh = (): string => randomBytes(SECRET_BYTES).toString('base64url');

/**
 * What a browser keeps while somebody is at a provider: sealed, so that nobody reads or makes one, and found again by its
 * state alone. Only the browser that began can end it (RFC 6749, 10.12).
 */
const begunShape = z.object({
  provider: z.string(),
  state: z.string(),
  nonce: z.string(),
  verifier: z.string(),
  next: z.string(),
  /** The account becomes another of this person, who is signed in. */
  joins: z.number().nullable(),
  /** By machine time. */
  until: z.string(),
});

export type Begun = z.infer<typeof begunShape> & SignOnBegun;

/** Several may be under way in one browser, each in a tab of its own. */
export const cookieOf = (state: string): string =>
  `glen_sign_on_${createHash('sha256').update(state).digest('hex').slice(0, 16)}`;

/** What was begun with a state, if this browser began it, here, and not too long ago. */
export function begunWith(
  { tokens, clock }: Pick<Glen, 'tokens' | 'clock'>,
  sealed: string | undefined,
  { state, provider }: { state: string; provider: string },
): Begun | undefined {
  if (sealed === undefined) return undefined;
  try {
    const begun = begunShape.parse(JSON.parse(tokens.open(SEALED_FOR, sealed)));
    const fits = begun.state === state && begun.provider === provider;
    return fits && begun.until > clock.machine() ? begun : undefined;
  } catch {
    return undefined;
  }
}

export function providerOf({ signOn }: Pick<Glen, 'signOn'>, id: string): SignOnProvider {
  const provider = signOn.get(id);
  if (!provider) throw notFound('This provider of accounts');
  return provider;
}

/** Begins a sign-on: where the browser goes, and what it keeps until it comes back. */
export async function beginSignOn(
  glen: Glen,
  { id, who }: { id: string; who: Who },
  { next, anew, join }: Body<'beginSignOn'>,
): Promise<{ answer: Answer<'beginSignOn'>; cookie: KeptCookie }> {
  const provider = providerOf(glen, id);
  if (join && !who.person) throw new HttpProblem(401, 'Sign in first.');
  const begun: Begun = {
    provider: id,
    state: fresh(),
    nonce: fresh(),
    verifier: fresh(),
    next: ownPath(next),
    joins: join ? who.person!.id : null,
    until: glen.clock.machine(MINUTES * 60),
  };
  try {
    const address = await provider.address(begun, { anew });
    const value = glen.tokens.seal(SEALED_FOR, JSON.stringify(begun));
    return {
      answer: { address },
      cookie: { name: cookieOf(begun.state), value, seconds: MINUTES * 60 },
    };
  } catch (error) {
    if (!(error instanceof SignOnError)) throw error;
    glen.log.warn({ provider: id, detail: error.detail }, 'sign-on cannot be begun');
    const words = signOnTroubleInWords(error.fault, { name: provider.name, help: '' });
    throw new HttpProblem(503, words);
  }
}
