import type { Tokens } from '../tokens.js';

/** What comes back: a report that a letter failed, or a calendar's answer to an invitation. */
export const RETURN_KINDS = ['report', 'answer'] as const;
export type ReturnKind = (typeof RETURN_KINDS)[number];

export interface Returned {
  kind: ReturnKind;
  /** Of the letter, or of the entry in somebody's calendar. */
  id: number;
}

/** Signs of a proof: of hexadecimal ones, as mail services may change an address's capitals (RFC 5321 §2.4 warns of it). */
const PROOF_SIGNS = 32;

/** Addresses at a domain of Glen's own, each for one thing, that nobody else can make. */
export class ReturnAddresses {
  constructor(
    private readonly tokens: Tokens,
    private readonly domain: string,
  ) {}

  addressFor({ kind, id }: Returned): string {
    return `${kind}-${id}-${this.proofOf({ kind, id })}@${this.domain}`;
  }

  /** What an address is for; null for one that Glen did not make. */
  read(address: string): Returned | null {
    const read = /^(report|answer)-([1-9]\d{0,9})-[\da-f]+@(.+)$/.exec(address.toLowerCase());
    if (!read) return null;
    const returned = { kind: read[1] as ReturnKind, id: Number(read[2]) };
    return this.addressFor(returned).toLowerCase() === address.toLowerCase() ? returned : null;
  }

  private proofOf({ kind, id }: Returned): string {
    const hash = this.tokens.hash('return-address', `${kind} ${id}`);
    return Buffer.from(hash, 'base64url').toString('hex').slice(0, PROOF_SIGNS);
  }
}
