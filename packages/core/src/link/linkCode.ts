import { fail } from '../input.js';
import { LINK_WORDS } from './words.js';

/** Crockford's base 32 (published): no i, l, o or u. */
const ALPHABET = '0123456789abcdefghjkmnpqrstvwxyz';
const CHANCE_LENGTH = 11;

/** Random bytes that makeLinkCode needs: 8 bits choose the word, 55 the rest; one bit is left over. */
export const LINK_CODE_BYTES = 8;

/** How letters that are misread for digits count: o as 0, i and l as 1. */
const fold = (text: string): string => text.replace(/o/g, '0').replace(/[il]/g, '1');

const wordByFold = new Map(LINK_WORDS.map((word) => [fold(word), word]));

/** A link code such as `heron-7k3m9qvd2xt` from 8 random bytes: 63 bits. */
export function makeLinkCode(bytes: Uint8Array): string {
  if (bytes.length !== LINK_CODE_BYTES) fail('bytes', `Give ${LINK_CODE_BYTES} random bytes.`);
  let rest = 0n;
  for (const byte of bytes.subarray(1)) rest = (rest << 8n) | BigInt(byte);
  let chance = '';
  for (let i = 0; i < CHANCE_LENGTH; i++) {
    chance = ALPHABET[Number(rest & 31n)]! + chance;
    rest >>= 5n;
  }
  return `${LINK_WORDS[bytes[0]!]!}-${chance}`;
}

/**
 * The code that somebody typed or read out, in its one written form, or null where it can be none:
 * any case, without or with the hyphen or spaces, o for 0, i or l for 1.
 */
export function readLinkCode(text: string): string | null {
  const plain = fold(text.toLowerCase().replace(/[\s-]+/g, ''));
  const word = wordByFold.get(plain.slice(0, -CHANCE_LENGTH));
  const chance = plain.slice(-CHANCE_LENGTH);
  if (
    word === undefined ||
    chance.length !== CHANCE_LENGTH ||
    [...chance].some((c) => !ALPHABET.includes(c))
  )
    return null;
  return `${word}-${chance}`;
}

/** The path of a join link on Glen's own address. */
export const doorPath = (code: string): string => `/door/${code}`;

/** Where a link can be watched, by a code of its own, on the site's address. */
export const watchPath = (code: string): string => `/watch/${code}`;
