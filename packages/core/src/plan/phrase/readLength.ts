import { found, type Reader } from './items.js';
import type { Tokens } from './tokens.js';
import { HOUR_WORDS, MINUTE_WORDS, numberWord } from './vocabulary.js';

interface Amount {
  amount: number;
  next: number;
}

/** `45`, `1.5`, `an`, `two`. */
export function readAmount(tokens: Tokens, i: number): Amount | undefined {
  const whole = tokens.number(i);
  const fraction = tokens.number(i + 2);
  const isDecimal =
    tokens.is(i + 1, '.', ',') && tokens.isGlued(i + 1) && tokens.isGlued(i + 2) && fraction;
  if (whole !== undefined && isDecimal)
    return { amount: Number(`${whole}.${tokens.textAt(i + 2)}`), next: i + 3 };
  if (whole !== undefined) return { amount: whole, next: i + 1 };
  if (tokens.is(i, 'a', 'an')) return { amount: 1, next: i + 1 };
  const amount = numberWord(tokens.textAt(i));
  return amount === undefined ? undefined : { amount, next: i + 1 };
}

const joined = (tokens: Tokens, i: number): number => (tokens.is(i, '-') ? i + 1 : i);

/** Minutes told as so many minutes: `45 min`, `45-minute`. */
function readMinutes(tokens: Tokens, i: number): Amount | undefined {
  const amount = readAmount(tokens, i);
  const unit = amount && joined(tokens, amount.next);
  if (unit === undefined || !tokens.is(unit, ...MINUTE_WORDS)) return undefined;
  return { amount: amount!.amount, next: unit + 1 };
}

/** What follows whole hours: `and a half`, `30`, `and 20 minutes`. */
function readRest(tokens: Tokens, i: number): Amount {
  if (tokens.are(i, 'and', 'a', 'half')) return { amount: 30, next: i + 3 };
  const at = tokens.is(i, 'and') ? i + 1 : i;
  const minutes = readMinutes(tokens, at);
  if (minutes) return minutes;
  const isBare = tokens.number(i) !== undefined && tokens.isGlued(i);
  return isBare ? { amount: tokens.number(i)!, next: i + 1 } : { amount: 0, next: i };
}

/** `an hour`, `1.5 hours`, `1h30`, `two and a half hours`. */
function readHours(tokens: Tokens, i: number): Amount | undefined {
  const amount = readAmount(tokens, i);
  if (!amount) return undefined;
  const isHalfMore = tokens.are(amount.next, 'and', 'a', 'half');
  const unit = joined(tokens, isHalfMore ? amount.next + 3 : amount.next);
  if (!tokens.is(unit, ...HOUR_WORDS)) return undefined;
  const hours = amount.amount + (isHalfMore ? 0.5 : 0);
  const rest = readRest(tokens, unit + 1);
  return { amount: Math.round(hours * 60) + rest.amount, next: rest.next };
}

/** `half an hour`, `a quarter of an hour`, `three quarters of an hour`. */
function readPartOfHour(tokens: Tokens, i: number): Amount | undefined {
  const ways: [string[], number][] = [
    [['half', 'an', 'hour'], 30],
    [['half', 'a', 'hour'], 30],
    [['half', 'hour'], 30],
    [['half', '-', 'hour'], 30],
    [['a', 'half', 'hour'], 30],
    [['quarter', 'of', 'an', 'hour'], 15],
    [['a', 'quarter', 'of', 'an', 'hour'], 15],
    [['three', 'quarters', 'of', 'an', 'hour'], 45],
  ];
  const way = ways.find(([words]) => tokens.are(i, ...words));
  return way && { amount: way[1], next: i + way[0].length };
}

/** How long: minutes from any of the ways to say it. `9h30` is a time, but not after `for`. */
export const readLength: Reader = (tokens, i) => {
  const at = tokens.is(i, 'for') ? i + 1 : i;
  const read = readPartOfHour(tokens, at) ?? readMinutes(tokens, at) ?? readHours(tokens, at);
  if (!read) return undefined;
  const isClock =
    at === i && tokens.is(i + 1, 'h') && tokens.isGlued(i + 1) && (tokens.number(i) ?? 0) > 4;
  if (isClock) return undefined;
  if (!Number.isInteger(read.amount) || read.amount < 1 || read.amount > 1440)
    return found(read.next, { kind: 'wrong', why: 'A session lasts 1 minute to 24 hours.' });
  return found(read.next, { kind: 'length', minutes: read.amount });
};
