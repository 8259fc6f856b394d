import { found, type Reader } from './items.js';
import { readAmount } from './readLength.js';
import type { Tokens } from './tokens.js';
import { MINUTE_WORDS } from './vocabulary.js';

const SLOT_WORDS = ['slot', 'slots'];
const BETWEEN_WORDS = ['between', 'apart'];

interface Read {
  minutes: number;
  next: number;
  /** The word for minutes stood there. */
  hasUnit?: boolean;
}

/** `15`, `15 minutes`, `15-minute`, `fifteen`: the word for minutes may be left out. */
function readMinutes(tokens: Tokens, i: number): Read | undefined {
  const amount = readAmount(tokens, i);
  if (!amount) return undefined;
  const unit = tokens.is(amount.next, '-') ? amount.next + 1 : amount.next;
  const hasUnit = tokens.is(unit, ...MINUTE_WORDS);
  return { minutes: amount.amount, next: hasUnit ? unit + 1 : amount.next, hasUnit };
}

/** `in 15s`, as it is often said. */
function readShort(tokens: Tokens, i: number, isLed: boolean): Read | undefined {
  const minutes = tokens.number(i);
  const isShort = tokens.is(i + 1, 's') && tokens.isGlued(i + 1);
  return isLed && isShort && minutes !== undefined ? { minutes, next: i + 2 } : undefined;
}

/** `slots of 15 minutes`, `15-minute slots`. */
function readLength(tokens: Tokens, i: number): Read | undefined {
  if (tokens.is(i, ...SLOT_WORDS)) {
    if (!tokens.is(i + 1, 'of')) return undefined;
    return readMinutes(tokens, i + 2);
  }
  const read = readMinutes(tokens, i);
  // `4 slots` says how many, not how long.
  const isSlots = read?.hasUnit && tokens.is(read.next, ...SLOT_WORDS);
  return isSlots ? { ...read, next: read.next + 1 } : undefined;
}

/** `with 5 between`, `5 minutes apart`; no time where nothing is said of it. */
function readGap(tokens: Tokens, i: number): Read {
  const comma = tokens.is(i, ',') ? i + 1 : i;
  const at = tokens.is(comma, 'with', 'and') ? comma + 1 : comma;
  const read = readMinutes(tokens, at);
  if (!read) return { minutes: 0, next: i };
  const word = tokens.is(read.next, 'in') ? read.next + 1 : read.next;
  return tokens.is(word, ...BETWEEN_WORDS)
    ? { minutes: read.minutes, next: word + 1 }
    : { minutes: 0, next: i };
}

/** That a session is cut into slots, and how: `in slots of 15 minutes with 5 between`, `cut into 20-minute slots`, `in 15s`. */
export const readSlots: Reader = (tokens, i) => {
  const cut = tokens.is(i, 'cut') ? i + 1 : i;
  const isLed = tokens.is(cut, 'in', 'into');
  const at = isLed ? cut + 1 : cut;
  const length = readLength(tokens, at) ?? readShort(tokens, at, isLed);
  if (!length) return undefined;
  const gap = readGap(tokens, length.next);
  const isRight = length.minutes >= 2 && length.minutes <= 240 && gap.minutes <= 120;
  if (!isRight || !Number.isInteger(length.minutes) || !Number.isInteger(gap.minutes))
    return found(gap.next, {
      kind: 'wrong',
      why: 'A slot has 2 to 240 minutes, and up to 120 between.',
    });
  return found(gap.next, { kind: 'slots', minutes: length.minutes, gap: gap.minutes });
};
