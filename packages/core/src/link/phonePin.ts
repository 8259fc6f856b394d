/** Digits behind a link's own number that only its pin has: whoever guesses is right once in a million times. */
const PROOF_DIGITS = 6;
/** No link has a longer number. */
const LONGEST_NUMBER = 10;

/** The digits that prove a pin, from bytes that depend on a secret and on the link. Throws RangeError for fewer than six bytes. */
function proofFrom(bytes: Uint8Array): string {
  if (bytes.length < 6) throw new RangeError('A pin is made from six bytes at least.');
  const number = bytes.subarray(0, 6).reduce((sum, byte) => sum * 256 + byte, 0);
  return String(number % 10 ** PROOF_DIGITS).padStart(PROOF_DIGITS, '0');
}

/**
 * The pin that callers key in for a link: its number, and six digits that prove it, so that a pin leads to one link
 * without being kept anywhere, and stops with the code that it was made from.
 */
export const makePhonePin = (linkId: number, bytes: Uint8Array): string =>
  `${linkId}${proofFrom(bytes)}`;

/** Which link a keyed pin claims to be for; null where it can be none. Signs that are no digits are passed over, as on a telephone. */
export function linkOfPin(keyed: string): { linkId: number; pin: string } | null {
  const pin = keyed.replace(/\D/g, '');
  const number = pin.slice(0, -PROOF_DIGITS);
  if (number === '' || number.length > LONGEST_NUMBER || number.startsWith('0')) return null;
  return { linkId: Number(number), pin };
}

/** A pin in groups of three from its end, as it is read and said: `12 483 920`. */
export const pinInGroups = (pin: string): string =>
  pin.replace(/\D/g, '').replace(/\B(?=(\d{3})+$)/g, ' ');
