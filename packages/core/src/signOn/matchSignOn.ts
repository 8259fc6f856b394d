import { cleanName } from '../people/typedName.js';
import type { PersonRole } from '../people/roles.js';
import { mayUseWay, signersOf, type ProviderKind, type ShutWays } from './ways.js';

/** What a provider says of whoever signed on (OpenID Connect Core 1.0, 5.1). */
export interface SignOnClaims {
  /** `sub`: never given to anybody else, and the same for ever; of the provider alone. */
  subject: string;
  /** In small letters; nothing where it says none. */
  email: string | null;
  /** `email_verified`: the provider has seen that the address is theirs. */
  isProven: boolean;
  name: string | null;
}

/** An account that Glen knows. */
export interface KnownAccount {
  id: number;
  kind: 'school' | 'personal';
  email: string;
  roles: PersonRole[];
  isRetired: boolean;
  /** Whether it is bound to a subject of this provider already. */
  isBound: boolean;
}

export const SIGN_ON_REFUSALS = [
  'retired',
  'way-shut',
  'no-address',
  'not-proven',
  'unknown',
  'other-kind',
  'other-subject',
] as const;
export type SignOnRefusal = (typeof SIGN_ON_REFUSALS)[number];

export type SignOnMatch =
  /** In by an account that is bound to the subject; its address follows where the provider now proves another. */
  | { as: 'bound'; accountId: number; newAddress: string | null }
  /** In by the account whose address is proven; it is bound to the subject from now on. */
  | { as: 'to-bind'; accountId: number }
  /** Somebody new, who is given an account. */
  | { as: 'new'; name: string; email: string; roles: PersonRole[] }
  | { as: 'refused'; why: SignOnRefusal };

/** Longer names are nobody's; what a provider claims may be any length. */
const LONGEST_NAME = 120;

interface Asked {
  provider: ProviderKind;
  claims: SignOnClaims;
  /** The account that is bound to the subject. */
  bySubject: KnownAccount | null;
  /** The account that has the address, whether it is proven or not. */
  byAddress: KnownAccount | null;
  shut: ShutWays;
  /** What the school's own map makes of the claims; nothing where it maps none of them. */
  mapped: PersonRole[];
}

const refused = (why: SignOnRefusal): SignOnMatch => ({ as: 'refused', why });

/** Why an account may not be used by a provider, though it is theirs. */
function whyNot({ provider, shut }: Asked, account: KnownAccount): SignOnRefusal | null {
  if (account.isRetired) return 'retired';
  const who = signersOf(account.kind, account.roles);
  return mayUseWay(shut, who, `sign-on:${provider.id}`) ? null : 'way-shut';
}

function bySubject(asked: Asked, account: KnownAccount): SignOnMatch {
  const why = whyNot(asked, account);
  if (why) return refused(why);
  const { email, isProven } = asked.claims;
  const isFree = asked.byAddress === null;
  const follows = isProven && email !== null && email !== account.email && isFree;
  return { as: 'bound', accountId: account.id, newAddress: follows ? email : null };
}

function byAddress(asked: Asked, account: KnownAccount): SignOnMatch {
  if (account.kind !== asked.provider.kind) return refused('other-kind');
  // An address that is given to somebody else at the provider is not the account's any more.
  if (account.isBound) return refused('other-subject');
  const why = whyNot(asked, account);
  return why ? refused(why) : { as: 'to-bind', accountId: account.id };
}

/** As much of a name as is kept, in whole characters. */
function shortened(name: string): string {
  let kept = '';
  for (const character of name) {
    if (kept.length + character.length > LONGEST_NAME) break;
    kept += character;
  }
  return kept.trim();
}

function newcomer(asked: Asked, email: string): SignOnMatch {
  const { provider, claims, mapped, shut } = asked;
  const roles: PersonRole[] = provider.kind === 'personal' ? ['guest'] : mapped;
  if (roles.length === 0) return refused('unknown');
  if (!mayUseWay(shut, signersOf(provider.kind, roles), `sign-on:${provider.id}`))
    return refused('way-shut');
  const name = shortened(cleanName(claims.name ?? '')) || shortened(email.split('@')[0]!);
  return { as: 'new', name, email, roles };
}

/**
 * Whose account somebody comes in by who signed on at a provider: by subject, then by an address that the provider has
 * proven, of the provider's own kind of account. Whoever is nobody yet is let in with a home account by a private
 * provider, and by the school's own only as its map says: what a provider claims makes nobody anything of itself.
 */
export function matchSignOn(asked: Asked): SignOnMatch {
  if (asked.bySubject) return bySubject(asked, asked.bySubject);
  const { email, isProven } = asked.claims;
  if (email === null) return refused('no-address');
  if (!isProven) return refused('not-proven');
  return asked.byAddress ? byAddress(asked, asked.byAddress) : newcomer(asked, email);
}
