import { LINK_WORDS } from '../link/words.js';

/** Random bytes that makeEntryCode needs. */
export const ENTRY_CODE_BYTES = 3;
const DIGITS = 3;

/** Digits that nobody takes for a letter, on paper or on a board. */
const CLEAR_DIGITS = '23456789';

/**
 * An entry code to be said aloud and typed on a phone, such as `heron 472`: a word and three digits, of 131,072. It keeps
 * out whoever only has the link; the door counts wrong tries.
 */
export function makeEntryCode(bytes: Uint8Array): string {
  if (bytes.length !== ENTRY_CODE_BYTES)
    throw new RangeError(`Give ${ENTRY_CODE_BYTES} random bytes.`);
  const word = LINK_WORDS[bytes[0]!]!;
  let rest = bytes[1]! * 256 + bytes[2]!;
  let digits = '';
  for (let i = 0; i < DIGITS; i++) {
    digits += CLEAR_DIGITS[rest % CLEAR_DIGITS.length];
    rest = Math.floor(rest / CLEAR_DIGITS.length);
  }
  return `${word} ${digits}`;
}
