import { found, type Found, type Reader } from './items.js';
import type { Tokens } from './tokens.js';
import { ORDINAL_ENDINGS, monthOf, ordinalWord, weekdayWord } from './vocabulary.js';

/** `this week`, `next week`. */
export const readWeek: Reader = (tokens, i) => {
  if (!tokens.is(i, 'this', 'next') || !tokens.is(i + 1, 'week')) return undefined;
  return found(i + 2, { kind: 'week', ahead: tokens.is(i, 'next') ? 1 : 0 });
};

/** `monthly`, `every month`: where it ends, or where it would begin. */
function afterLead(tokens: Tokens, i: number): number {
  if (tokens.is(i, 'monthly')) return i + 1;
  return tokens.is(i, 'every', 'each') && tokens.is(i + 1, 'month') ? i + 2 : i;
}

/** `of every month`, `each month`, `of the month`: where it ends, or where it would begin. */
function afterTail(tokens: Tokens, i: number): number {
  const at = tokens.is(i, 'of') ? i + 1 : i;
  return tokens.is(at, 'every', 'each', 'the') && tokens.is(at + 1, 'month') ? at + 2 : i;
}

/** `15th`, `first`, `last`: a place in the month. */
function readPlace(
  tokens: Tokens,
  i: number,
): { n: number; next: number; isFigure: boolean } | undefined {
  const figure = tokens.number(i);
  const hasEnding = tokens.isGlued(i + 1) && tokens.is(i + 1, ...ORDINAL_ENDINGS);
  if (figure !== undefined) return { n: figure, next: hasEnding ? i + 2 : i + 1, isFigure: true };
  const n = ordinalWord(tokens.textAt(i));
  return n === undefined ? undefined : { n, next: i + 1, isFigure: false };
}

/** On a day of the month by its number. Where nothing else says so, `of every month` must follow. */
function byNumber(
  tokens: Tokens,
  place: { n: number; next: number },
  isLed: boolean,
): Found | undefined {
  const end = afterTail(tokens, place.next);
  const isOther = monthOf(tokens.textAt(place.next)) !== undefined || place.n < 1 || place.n > 31;
  if (isOther || (!isLed && end === place.next)) return undefined;
  return found(end, { kind: 'repeat', repeat: { every: 'month', monthDay: place.n } });
}

/** On the nth weekday of the month. */
function byWeekday(
  tokens: Tokens,
  place: { n: number; next: number },
  isLed: boolean,
): Found | undefined {
  const weekday = weekdayWord(tokens.textAt(place.next));
  const end = afterTail(tokens, place.next + 1);
  if (!weekday || place.n > 5 || (!isLed && end === place.next + 1)) return undefined;
  const nth = { n: place.n as 1, weekday: weekday.day };
  return found(end, { kind: 'repeat', repeat: { every: 'month', nth } });
}

/** `the last Friday of every month`, `monthly on the 15th`, `every month`. */
export const readMonthly: Reader = (tokens, i) => {
  const lead = afterLead(tokens, i);
  const isLed = lead > i;
  const on = tokens.is(lead, 'on') ? lead + 1 : lead;
  const hasThe = tokens.is(on, 'the', 'day');
  const place = readPlace(tokens, hasThe ? on + 1 : on);
  const isOrdinal = place !== undefined && (!place.isFigure || hasThe || place.next > on + 1);
  const read = isOrdinal
    ? (byWeekday(tokens, place, isLed) ??
      (place.isFigure ? byNumber(tokens, place, isLed) : undefined))
    : undefined;
  if (read) return read;
  return isLed ? found(lead, { kind: 'repeat', repeat: { every: 'month' } }) : undefined;
};
