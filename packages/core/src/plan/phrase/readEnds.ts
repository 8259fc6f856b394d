import { found, type Found, type Reader, type Role } from './items.js';
import { readAmount } from './readLength.js';
import type { Tokens } from './tokens.js';
import { WEEK_WORDS } from './vocabulary.js';

type Ways = [string[], Role][];

/** Words that say which part the dates behind them play; the longest that fits counts. */
const MARKERS: Ways = [
  [['starting', 'on'], 'from'],
  [['starting', 'from'], 'from'],
  [['starting'], 'from'],
  [['beginning', 'on'], 'from'],
  [['beginning'], 'from'],
  [['from'], 'from'],
  [['as', 'of'], 'from'],
  [['since'], 'from'],
  [['up', 'to', 'and', 'including'], 'until'],
  [['up', 'to'], 'until'],
  [['until'], 'until'],
  [['till'], 'until'],
  [['til'], 'until'],
  [["'", 'til'], 'until'],
  [['through'], 'until'],
  [['thru'], 'until'],
  [['to'], 'until'],
  [['ending', 'on'], 'until'],
  [['ending'], 'until'],
  [['ends', 'on'], 'until'],
  [['ends'], 'until'],
  [['before'], 'before'],
  [['except', 'for'], 'except'],
  [['except', 'on'], 'except'],
  [['except'], 'except'],
  [['but'], 'except'],
  [['but', 'not', 'on'], 'except'],
  [['but', 'not'], 'except'],
  [['not', 'on'], 'except'],
  [['not'], 'except'],
  [['but', 'skip'], 'except'],
  [['but', 'skipping'], 'except'],
  [['skip'], 'except'],
  [['skipping'], 'except'],
  [['leaving', 'out'], 'except'],
  [['leave', 'out'], 'except'],
  [['without'], 'except'],
  [['excluding'], 'except'],
  [['apart', 'from'], 'except'],
  [['other', 'than'], 'except'],
  [['also', 'on'], 'also'],
  [['also'], 'also'],
  [['and', 'also'], 'also'],
  [['plus'], 'also'],
];

function longest<T>(
  tokens: Tokens,
  i: number,
  ways: [string[], T][],
): { value: T; next: number } | undefined {
  const fits = ways.filter(([words]) => tokens.are(i, ...words));
  const best = fits.sort((a, b) => b[0].length - a[0].length)[0];
  return best && { value: best[1], next: i + best[0].length };
}

export const readMarker: Reader = (tokens, i) => {
  const way = longest(tokens, i, MARKERS);
  return way && found(way.next, { kind: 'marker', role: way.value });
};

const TERM: string[][] = [
  ['term'],
  ['term', 'ends'],
  ['term', 'end'],
  ['term', 'is', 'over'],
  ['end', 'of', 'term'],
  ['end', 'of', 'the', 'term'],
  ['end', 'of', 'this', 'term'],
];
const EXAMS: string[][] = ['exams', 'exam', 'examinations'].flatMap((word) => [
  [word],
  [word, 'begin'],
  [word, 'start'],
  ['start', 'of', word],
]);
const YEAR: string[][] = [
  ['year', 'ends'],
  ['year', 'end'],
  ['school', 'year', 'ends'],
  ['end', 'of', 'year'],
  ['end', 'of', 'the', 'year'],
  ['end', 'of', 'school', 'year'],
  ['end', 'of', 'the', 'school', 'year'],
];
type NamedEnd = 'term-end' | 'exams' | 'year-end';
const NAMED: [string[], NamedEnd][] = [
  ...TERM.map((words): [string[], NamedEnd] => [words, 'term-end']),
  ...EXAMS.map((words): [string[], NamedEnd] => [words, 'exams']),
  ...YEAR.map((words): [string[], NamedEnd] => [words, 'year-end']),
];

/** `the end of term`, `exams`, behind `until`. */
export const readNamedEnd: Reader = (tokens, i) => {
  const way = longest(tokens, tokens.is(i, 'the') ? i + 1 : i, NAMED);
  return way && found(way.next, { kind: 'named-end', until: way.value });
};

const WHOLE: [string[], NamedEnd][] = [
  [['all', 'year'], 'year-end'],
  [['all', 'school', 'year'], 'year-end'],
  [['the', 'whole', 'year'], 'year-end'],
  [['rest', 'of', 'the', 'year'], 'year-end'],
  [['all', 'term'], 'term-end'],
  [['this', 'term'], 'term-end'],
  [['the', 'whole', 'term'], 'term-end'],
  [['rest', 'of', 'term'], 'term-end'],
  [['rest', 'of', 'the', 'term'], 'term-end'],
];

/** `all year`, `for the rest of the term`. */
function readWhole(tokens: Tokens, i: number): Found | undefined {
  const at = tokens.is(i, 'for') ? i + 1 : i;
  const way =
    longest(tokens, at, WHOLE) ??
    (tokens.is(at, 'the') ? longest(tokens, at + 1, WHOLE) : undefined);
  return way && found(way.next, { kind: 'end', end: { until: way.value } });
}

const nothing = (next: number, what: string): Found =>
  found(next, { kind: 'wrong', why: `${what} is no time at all.` });
const MOST_WEEKS = 60;
const MOST_TIMES = 1000;

/** `8 weeks`, `a fortnight`, `2 months`. */
function readSpan(tokens: Tokens, i: number): Found | undefined {
  const amount = readAmount(tokens, i);
  if (!amount) return undefined;
  const { amount: n, next } = amount;
  const isWeeks = tokens.is(next, ...WEEK_WORDS);
  const isFortnights = tokens.is(next, 'fortnight', 'fortnights');
  const isMonths = tokens.is(next, 'month', 'months');
  if (!isWeeks && !isFortnights && !isMonths) return undefined;
  if (n === 0) return nothing(next + 1, `For 0 ${tokens.textAt(next)}`);
  const weeks = isFortnights ? 2 * n : n;
  if (!Number.isInteger(weeks) || weeks > MOST_WEEKS)
    return found(next + 1, {
      kind: 'wrong',
      why: `A series goes on for 1 to ${MOST_WEEKS} weeks.`,
    });
  return found(next + 1, { kind: 'end', end: isMonths ? { months: n } : { weeks } });
}

const SESSION_WORDS = ['sessions', 'session', 'lessons', 'lesson', 'classes', 'times', 'days'];

/** `x5`, `5x`, `5 times`, `3 sessions`, `twice`. */
function readTimes(tokens: Tokens, i: number): Found | undefined {
  const make = (n: number, next: number): Found => {
    if (n === 0) return nothing(next, '0 times');
    return n > MOST_TIMES
      ? found(next, { kind: 'wrong', why: `A series holds ${MOST_TIMES} sessions at most.` })
      : found(next, { kind: 'end', end: { times: n } });
  };
  if (tokens.is(i, 'x', '×') && tokens.number(i + 1) !== undefined)
    return make(tokens.number(i + 1)!, i + 2);
  if (tokens.is(i, 'twice') && !tokens.is(i + 1, 'a', 'every', 'each')) return make(2, i + 1);
  if (tokens.is(i, 'a', 'an')) return undefined;
  const amount = readAmount(tokens, i);
  if (!amount || !Number.isInteger(amount.amount)) return undefined;
  const { amount: n, next } = amount;
  if (tokens.is(next, 'x', '×')) return make(n, next + 1);
  // "the first two lessons" is told by no rule.
  return tokens.is(next, ...SESSION_WORDS) ? make(n, next + 1) : undefined;
}

/** Where a series ends, said as an amount or as a whole: never behind `until`. */
export const readEnd: Reader = (tokens, i) =>
  readWhole(tokens, i) ?? readSpan(tokens, i) ?? readTimes(tokens, i);

const CLOSED = [['closures'], ['holidays'], ['closed', 'days'], ['days', 'off']];

/** Where words for closed days end. */
function closedAt(tokens: Tokens, i: number): number | undefined {
  const word = CLOSED.find((words) => tokens.are(i, ...words));
  return word && i + word.length;
}

/** `even on holidays`, `keep closures`, `including holidays`, `closures too`. */
function readKept(tokens: Tokens, i: number): number | undefined {
  if (tokens.is(i, 'also', 'even') && tokens.is(i + 1, 'on', 'in', 'during'))
    return closedAt(tokens, i + 2);
  if (tokens.is(i, 'keep', 'keeping', 'including', 'incl')) return closedAt(tokens, i + 1);
  const alone = closedAt(tokens, i);
  return alone && tokens.is(alone, 'too') ? alone + 1 : undefined;
}

/** Whether closed days are kept or skipped: `even on holidays`, `except holidays`. */
export const readClosures: Reader = (tokens, i) => {
  const kept = readKept(tokens, i);
  if (kept) return found(kept, { kind: 'closures', closures: 'keep' });
  const marker = longest(tokens, i, MARKERS);
  const skipped = marker?.value === 'except' ? closedAt(tokens, marker.next) : undefined;
  return skipped ? found(skipped, { kind: 'closures', closures: 'skip' }) : undefined;
};
