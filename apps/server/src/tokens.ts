import {
  createCipheriv,
  createDecipheriv,
  createHash,
  createHmac,
  hkdfSync,
  randomBytes,
} from 'node:crypto';

/** What a token lets its bearer do; tokens of one use are worth nothing in the place of another's. */
const USES = [
  'session',
  'device',
  'feed',
  'one-time',
  'ticket',
  'press',
  'pin',
  'caller',
  'stop-letters',
  'return-address',
  'told-code',
  'choose',
  'appointments',
  'check',
] as const;
type Use = (typeof USES)[number];

const KEY_BYTES = 32;

/** A key of its own for each use, from the installation's secret (HKDF, RFC 5869, without salt: the secret is random). */
const keyFor = (secret: string, use: Use): Buffer =>
  Buffer.from(hkdfSync('sha256', secret, '', `glen ${use}`, KEY_BYTES));

/** AES-GCM as NIST SP 800-38D has it: a nonce of 12 bytes and a tag of 16. */
const CIPHER = 'aes-256-gcm';
const NONCE_BYTES = 12;
const TAG_BYTES = 16;

/** Tokens as the database keeps them: whoever reads its tables can use none, and whoever writes to them can make none. */
export class Tokens {
  private readonly keys: Record<Use, Buffer>;

  /** From the installation's secret. */
  constructor(private readonly secret: string) {
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

  /** A text that can be read again only with the key that it was sealed under, which is kept nowhere, and the secret. */
  seal(key: string, text: string): string {
    const nonce = randomBytes(NONCE_BYTES);
    const cipher = createCipheriv(CIPHER, this.sealKey(key), nonce);
    const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
    return Buffer.concat([nonce, cipher.getAuthTag(), sealed]).toString('base64');
  }

  /** The text that was sealed; throws where it was not sealed so. */
  open(key: string, sealed: string): string {
    const bytes = Buffer.from(sealed, 'base64');
    const decipher = createDecipheriv(CIPHER, this.sealKey(key), bytes.subarray(0, NONCE_BYTES));
    decipher.setAuthTag(bytes.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
    const text = decipher.update(bytes.subarray(NONCE_BYTES + TAG_BYTES));
    return Buffer.concat([text, decipher.final()]).toString('utf8');
  }

  private sealKey(key: string): Buffer {
    return Buffer.from(hkdfSync('sha256', this.secret, key, 'glen seal', KEY_BYTES));
  }

  /** Tells whether a database was begun with the same secret. */
  check(): string {
    return this.hash('check', 'Glen');
  }
}
