import { createHash, createHmac, hkdfSync } from 'node:crypto';

/** What a token lets its bearer do; tokens of one use are worth nothing in the place of another's. */
const USES = ['session', 'device', 'feed', 'one-time', 'ticket', 'check'] as const;
type Use = (typeof USES)[number];

const KEY_BYTES = 32;

/** A key of its own for each use, from the installation's secret (HKDF, RFC 5869, without salt: the secret is random). */
const keyFor = (secret: string, use: Use): Buffer =>
  Buffer.from(hkdfSync('sha256', secret, '', `glen ${use}`, KEY_BYTES));

/** Tokens as the database keeps them: whoever reads its tables can use none, and whoever writes to them can make none. */
export class Tokens {
  private readonly keys: Record<Use, Buffer>;

  /** From the installation's secret. */
  constructor(secret: string) {
    this.keys = Object.fromEntries(USES.map((use) => [use, keyFor(secret, use)])) as Record<
      Use,
      Buffer
    >;
  }

  /** What is kept of a token, in 43 characters. */
  hash(use: Use, token: string): string {
    return this.keyed(use, createHash('sha256').update(token).digest('hex'));
  }

  /** The same from a token's plain SHA-256. */
  keyed(use: Use, unkeyed: string): string {
    return createHmac('sha256', this.keys[use]).update(unkeyed).digest('base64url');
  }

  /** Tells whether a database was begun with the same secret. */
  check(): string {
    return this.hash('check', 'Glen');
  }
}
