import type { SchoolCalendar } from '../../calendar/school.js';
import { found, type Found, type Reader } from './items.js';
import { readAmount } from './readLength.js';
import { tokensOf, type Tokens } from './tokens.js';
import {
  HOUR_WORDS,
  MINUTE_WORDS,
  ORDINAL_ENDINGS,
  PERIOD_WORDS,
  numberWord,
  ordinalWord,
} from './vocabulary.js';

/** A bell period's label in the ways it may be typed. */
interface Label {
  label: string;
  /** As it is written. */
  words: string[];
  /** Without a leading `p` or `period`. */
  bare: string[];
}

function labelsOf(school: SchoolCalendar): Label[] {
  const labels = new Set(school.bells.flatMap((set) => set.periods.map((p) => p.label)));
  return [...labels].map((label) => {
    const words = tokensOf(label).map((token) => token.text);
    const bare = words.length > 1 && PERIOD_WORDS.includes(words[0]!) ? words.slice(1) : words;
    return { label, words, bare };
  });
}

/** `p3`, `P 3`, `period 3`, `3rd period`, `first period`, `last period`, or a label that is a word of its own. */
export function periodReader(school: SchoolCalendar): Reader {
  const labels = labelsOf(school);
  return (tokens, i) => readPeriod(tokens, i, labels);
}

function labelled(tokens: Tokens, i: number, labels: Label[]): Found | undefined {
  const isNamed = tokens.is(i, ...PERIOD_WORDS);
  const at = isNamed && tokens.is(i + 1, 'p', '.') ? i + 2 : i + 1;
  if (isNamed) {
    const fits = labels.find(({ bare }) => tokens.are(at, ...bare));
    if (fits) return found(at + fits.bare.length, { kind: 'period', label: fits.label });
    const inWords = numberWord(tokens.textAt(at));
    const byWord = labels.find(({ bare }) => bare.length === 1 && bare[0] === String(inWords));
    if (byWord) return found(at + 1, { kind: 'period', label: byWord.label });
    if (tokens.number(at) !== undefined)
      return found(at + 1, {
        kind: 'wrong',
        why: `The school has no period ${tokens.textAt(at)}.`,
      });
  }
  const own = labels.find(({ words }) => /\p{L}/u.test(words.join('')) && tokens.are(i, ...words));
  return own && own.words.join('').length > 1
    ? found(i + own.words.length, { kind: 'period', label: own.label })
    : undefined;
}

/** `1st period`, `last lesson`. */
function ordinalPeriod(tokens: Tokens, i: number, labels: Label[]): Found | undefined {
  const number = tokens.number(i);
  const isFigure =
    number !== undefined && tokens.isGlued(i + 1) && tokens.is(i + 1, ...ORDINAL_ENDINGS);
  const n = isFigure ? number : ordinalWord(tokens.textAt(i));
  const at = isFigure ? i + 2 : i + 1;
  if (n === undefined || !tokens.is(at, 'period')) return undefined;
  if (n === -1) return found(at + 1, { kind: 'period', label: 'last' });
  const fits = labels.find(({ bare }) => bare.length === 1 && bare[0] === String(n));
  if (fits) return found(at + 1, { kind: 'period', label: fits.label });
  return n === 1
    ? found(at + 1, { kind: 'period', label: 'first' })
    : found(at + 1, { kind: 'wrong', why: `The school has no period ${n}.` });
}

const readPeriod = (tokens: Tokens, i: number, labels: Label[]): Found | undefined =>
  ordinalPeriod(tokens, i, labels) ?? labelled(tokens, i, labels);

/** Minutes before or after: `10 min`, `half an hour`, `an hour`. */
function readOffset(tokens: Tokens, i: number): { minutes: number; next: number } | undefined {
  if (tokens.are(i, 'half', 'an', 'hour')) return { minutes: 30, next: i + 3 };
  if (tokens.is(i, 'right', 'straight', 'just') && tokens.is(i + 1, 'after'))
    return { minutes: 0, next: i + 1 };
  const amount = readAmount(tokens, i);
  if (!amount) return tokens.is(i, 'after') ? { minutes: 0, next: i } : undefined;
  const unit = tokens.is(amount.next, '-') ? amount.next + 1 : amount.next;
  if (tokens.is(unit, ...MINUTE_WORDS)) return { minutes: amount.amount, next: unit + 1 };
  return tokens.is(unit, ...HOUR_WORDS)
    ? { minutes: amount.amount * 60, next: unit + 1 }
    : undefined;
}

/** `first bell`, `the last lesson`, `p3`: which bell is meant. */
function readWhichBell(
  tokens: Tokens,
  i: number,
  labels: Label[],
): { period: string; next: number } | undefined {
  const at = tokens.is(i, 'the') ? i + 1 : i;
  if (tokens.is(at, 'first', 'last') && tokens.is(at + 1, 'bell', 'lesson', 'period'))
    return { period: tokens.textAt(at), next: at + 2 };
  const read = readPeriod(tokens, at, labels);
  return read?.meaning.kind === 'period'
    ? { period: read.meaning.label, next: read.next }
    : undefined;
}

/** `10 min after last bell`, `5 minutes before period 3`, `first bell`. */
export function bellReader(school: SchoolCalendar): Reader {
  const labels = labelsOf(school);
  return (tokens, i) => {
    const offset = readOffset(tokens, i);
    const side = offset?.next ?? i;
    if (offset && tokens.is(side, 'after', 'before')) {
      const bell = readWhichBell(tokens, side + 1, labels);
      if (!bell) return undefined;
      const isAfter = tokens.is(side, 'after');
      if (!Number.isInteger(offset.minutes) || offset.minutes > 240)
        return found(bell.next, { kind: 'wrong', why: 'At most 240 minutes from a bell.' });
      return found(bell.next, {
        kind: 'bell',
        period: bell.period,
        edge: isAfter ? 'end' : 'start',
        offset: isAfter ? offset.minutes : -offset.minutes || 0,
      });
    }
    const isBell = tokens.is(i, 'first', 'last') && tokens.is(i + 1, 'bell', 'lesson');
    return isBell ? found(i + 2, { kind: 'period', label: tokens.textAt(i) }) : undefined;
  };
}
