import {
  createHash,
  createSign,
  generateKeyPairSync,
  randomBytes,
  type KeyObject,
} from 'node:crypto';
import { encodeCBOR, type CBORType } from '@levischuck/tiny-cbor';

// A passkey in software, as a device makes one (Web Authentication level 2, 6.1 and 6.5): what a browser would send.

const PRESENT = 0x01;
const VERIFIED = 0x04;
const HAS_CREDENTIAL = 0x40;

const sha256 = (data: string | Buffer): Buffer => createHash('sha256').update(data).digest();
const base64url = (data: Buffer): string => data.toString('base64url');

interface Where {
  /** The site that it thinks it is at. */
  origin: string;
  /** What the passkey is bound to. */
  host?: string;
  /** Whether its owner has shown that it is them. */
  isVerified?: boolean;
}

export class SoftKey {
  readonly id = randomBytes(32);
  private readonly privateKey: KeyObject;
  private readonly publicKey: KeyObject;
  /** What the account is kept apart by on the device. */
  handle: string | undefined;
  counter = 0;

  constructor() {
    const pair = generateKeyPairSync('ec', { namedCurve: 'P-256' });
    ({ privateKey: this.privateKey, publicKey: this.publicKey } = pair);
  }

  /** COSE_Key of an ES256 key (RFC 8152, 13.1.1). */
  private cose(): Buffer {
    const { x, y } = this.publicKey.export({ format: 'jwk' });
    const bytes = (part: string): Uint8Array => new Uint8Array(Buffer.from(part, 'base64url'));
    const key = new Map<number, CBORType>([
      [1, 2],
      [3, -7],
      [-1, 1],
      [-2, bytes(x!)],
      [-3, bytes(y!)],
    ]);
    return Buffer.from(encodeCBOR(key as CBORType));
  }

  private authenticatorData(
    { origin, host = new URL(origin).hostname, isVerified = true }: Where,
    credential: Buffer = Buffer.alloc(0),
  ): Buffer {
    const flags =
      PRESENT | (isVerified ? VERIFIED : 0) | (credential.length > 0 ? HAS_CREDENTIAL : 0);
    const counter = Buffer.alloc(4);
    counter.writeUInt32BE(this.counter);
    return Buffer.concat([sha256(host), Buffer.from([flags]), counter, credential]);
  }

  private clientData(type: string, challenge: string, { origin }: Where): Buffer {
    return Buffer.from(JSON.stringify({ type, challenge, origin, crossOrigin: false }));
  }

  /** What comes of making it (5.1.3). */
  made(challenge: string, where: Where) {
    const length = Buffer.alloc(2);
    length.writeUInt16BE(this.id.length);
    const credential = Buffer.concat([Buffer.alloc(16), length, this.id, this.cose()]);
    const attestation = new Map<string, CBORType>([
      ['fmt', 'none'],
      ['attStmt', new Map<string, CBORType>()],
      ['authData', new Uint8Array(this.authenticatorData(where, credential))],
    ]);
    return {
      ...this.named(),
      response: {
        clientDataJSON: base64url(this.clientData('webauthn.create', challenge, where)),
        attestationObject: base64url(Buffer.from(encodeCBOR(attestation as CBORType))),
        transports: ['internal'],
      },
    };
  }

  /** What comes of using it (5.1.4). */
  used(challenge: string, where: Where) {
    this.counter += 1;
    const data = this.authenticatorData(where);
    const client = this.clientData('webauthn.get', challenge, where);
    const signed = createSign('sha256').update(Buffer.concat([data, sha256(client)]));
    return {
      ...this.named(),
      response: {
        clientDataJSON: base64url(client),
        authenticatorData: base64url(data),
        signature: base64url(signed.sign(this.privateKey)),
        ...(this.handle === undefined ? {} : { userHandle: this.handle }),
      },
    };
  }

  private named() {
    const id = base64url(this.id);
    return { id, rawId: id, type: 'public-key' as const, clientExtensionResults: {} };
  }
}
