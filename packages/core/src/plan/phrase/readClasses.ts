import { found, type ClassFit, type Found, type Reader } from './items.js';
import type { PhraseClass } from './phraseTypes.js';
import { tokensOf, type Tokens } from './tokens.js';
import { PERIOD_WORDS, isFiller, monthOf, weekdayWord } from './vocabulary.js';

/** Something that a phrase may name: a class period by its title, a group or a link by its label. */
interface Name {
  words: string[];
  fit: ClassFit;
  /** The class period's own bell period, in words, that may stand behind its title. */
  period?: string[];
}

const wordsOf = (text: string): string[] =>
  tokensOf(text)
    .filter((token) => token.kind !== 'sign')
    .map((token) => token.text);

/** The bell period without a leading `p`. */
function periodWords(period: string): string[] {
  const words = wordsOf(period);
  return words.length > 1 && PERIOD_WORDS.includes(words[0]!) ? words.slice(1) : words;
}

function namesOf({ id: classId, title, period, groups, links }: PhraseClass): Name[] {
  return [
    {
      words: wordsOf(title),
      fit: { classId },
      ...(period === null ? {} : { period: periodWords(period) }),
    },
    ...(groups ?? []).map((g) => ({ words: wordsOf(g.label), fit: { classId, groupId: g.id } })),
    ...(links ?? []).map((l) => ({ words: wordsOf(l.label), fit: { classId, linkId: l.id } })),
  ];
}

/** Letters that begin a word, three of them at least. */
const SHORTEST = 3;
const begins = (typed: string, word: string): boolean =>
  typed === word || (typed.length >= SHORTEST && word.startsWith(typed));

/** Words that alone say something else: weekdays, months, fillers. */
const isOfTheRules = (word: string): boolean =>
  isFiller(word) || weekdayWord(word) !== undefined || monthOf(word) !== undefined;

/** How many of the typed words name this, one after the other from there on. */
function named(tokens: Tokens, i: number, { words }: Name): number {
  let most = 0;
  for (let start = 0; start < words.length; start++) {
    let n = 0;
    while (
      start + n < words.length &&
      i + n < tokens.length &&
      begins(tokens.textAt(i + n), words[start + n]!)
    )
      n += 1;
    most = Math.max(most, n);
  }
  const typed = tokens.list.slice(i, i + most);
  return typed.every((token) => isOfTheRules(token.text)) ? 0 : most;
}

/** `3`, `p3`, `, period 3` behind a title: where it ends; nothing where it belongs to what follows it. */
function ownPeriod(tokens: Tokens, i: number, period: string[] | undefined): number | undefined {
  if (!period) return undefined;
  const comma = tokens.is(i, ',') ? i + 1 : i;
  const at = tokens.is(comma, ...PERIOD_WORDS) ? comma + 1 : comma;
  if (!tokens.are(at, ...period)) return undefined;
  const next = at + period.length;
  const isTime =
    tokens.isGlued(next) && tokens.is(next, ':', '.', 'h', '/', 'st', 'nd', 'rd', 'th');
  const isAmount = tokens.is(
    next,
    'am',
    'pm',
    'times',
    'x',
    'weeks',
    'sessions',
    'min',
    "o'clock",
    'to',
    '-',
    '–',
  );
  return isTime || isAmount || isDated(tokens, at, next) ? undefined : next;
}

/** `2 nov`: the number is a day, unless the month has one of its own behind it. */
function isDated(tokens: Tokens, at: number, next: number): boolean {
  if (tokens.number(at) === undefined || monthOf(tokens.textAt(next)) === undefined) return false;
  const day = tokens.number(next + 1);
  return day === undefined || day > 31 || tokens.is(next + 2, ':', 'am', 'pm');
}

interface Fit extends ClassFit {
  next: number;
}

function fitsOf(tokens: Tokens, i: number, names: Name[]): Fit[] {
  return names.flatMap((name) => {
    const count = named(tokens, i, name);
    if (count === 0) return [];
    const period = ownPeriod(tokens, i + count, name.period);
    return [
      { ...name.fit, next: period ?? i + count, ...(period ? { byPeriod: true as const } : {}) },
    ];
  });
}

/** By its letters: `N3`, `n 3`. */
function readLetters(tokens: Tokens, i: number, classes: PhraseClass[]): Fit[] {
  return classes.flatMap(({ id, letters }) => {
    const words = tokensOf(letters).map((token) => token.text);
    const fits = words.length > 0 && tokens.are(i, ...words);
    const next = i + words.length;
    // The C of `C, N3` is a class period, the 1 of `n1:30` is not.
    const isMore =
      tokens.isGlued(next) &&
      !tokens.is(next, ',', '.', ';', ':', '!', '?', ')', '/', '&', '+', '-');
    return fits && !isMore ? [{ classId: id, next }] : [];
  });
}

const meaningOf = (fits: Fit[]): Found => {
  const next = Math.max(...fits.map((fit) => fit.next));
  const best = fits.filter((fit) => fit.next === next);
  const fitting = best.some((fit) => fit.byPeriod) ? best.filter((fit) => fit.byPeriod) : best;
  return found(next, {
    kind: 'class',
    fits: fitting.map(({ next: _next, ...fit }) => fit),
  });
};

/** The class periods, groups and links that the words there may mean; several where they do not tell. */
export function classReader(classes: PhraseClass[]): Reader {
  const names = classes.flatMap(namesOf);
  return (tokens, i) => {
    const letters = readLetters(tokens, i, classes);
    const byName = fitsOf(tokens, i, names);
    const fits =
      letters.length > 0 && byName.every((fit) => fit.next <= letters[0]!.next) ? letters : byName;
    return fits.length > 0 ? meaningOf(fits) : undefined;
  };
}
