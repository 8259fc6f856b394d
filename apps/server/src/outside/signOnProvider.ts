import type { SignOnClaims } from '@glen/core';

/** A provider of accounts, as it is set up. */
export interface ProviderSettings {
  /** Its name in addresses: small letters, digits and hyphens. */
  id: string;
  /** What people call it; it stands on the button. */
  name: string;
  /** Whose accounts it knows: the school's, or private ones. */
  kind: 'school' | 'personal';
  /** Its address as it says it itself (OpenID Connect Discovery 1.0, 3). */
  issuer: string;
  clientId: string;
  clientSecret: string;
  /** It gives an address to nobody else than whose it is, though it does not claim to have seen that. */
  provesAddresses: boolean;
}

/** What a sign-on is begun with, and found again by. */
export interface SignOnBegun {
  state: string;
  nonce: string;
  /** The secret behind the challenge (RFC 7636, 4.1). */
  verifier: string;
}

/** Who has signed on, and what lets them be signed out there again. */
export interface SignedOn {
  claims: SignOnClaims;
  /** All that was claimed, for the school's own map. */
  all: Readonly<Record<string, unknown>>;
  idToken: string;
  /** The provider's own session, where it tells of one. */
  session: string | null;
}

/** Somebody has signed out at the provider: everywhere (`subject`), or of one of its sessions. */
export interface SignedOutThere {
  subject: string | null;
  session: string | null;
  /** The token's own number: each counts once. */
  number: string;
}

/** Why nobody has signed on: it does not answer; it answers late; it refused or they gave up; what it says cannot be right; its clock is another; it was done before. */
export type SignOnFault = 'down' | 'slow' | 'refused' | 'wrong' | 'clock' | 'used';

export class SignOnError extends Error {
  constructor(
    readonly fault: SignOnFault,
    /** For the log: never shown to whoever signs on. */
    readonly detail: string,
  ) {
    super(`sign-on: ${fault}: ${detail}`);
  }
}

/** A provider of accounts. Failures throw SignOnError. */
export interface SignOnProvider extends Pick<ProviderSettings, 'id' | 'name' | 'kind' | 'issuer'> {
  /** Where somebody is sent to sign on; `anew`: they are asked who they are though the provider knows them already. */
  address(begun: SignOnBegun, options: { anew: boolean }): Promise<string>;
  /** Who has signed on, from the address that they came back to. */
  finish(cameBackTo: URL, begun: SignOnBegun): Promise<SignedOn>;
  /** Where somebody signs out there, coming back to Glen; nothing where it has no such place. */
  endAddress(idToken: string): Promise<string | null>;
  /** What a token says by which it tells that somebody has signed out; throws where it is none of its own. */
  readSignedOut(token: string): Promise<SignedOutThere>;
}
