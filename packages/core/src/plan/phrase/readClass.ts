import type { PhraseClass, Reading } from './reading.js';
import { escaped, words } from './vocabulary.js';

/** A class period's letters, where they are those of no other. */
function readLetters(reading: Reading, classes: PhraseClass[]): PhraseClass | undefined {
  const named = classes.filter((c) => words(escaped(c.letters)).test(reading.rest));
  const [only] = named;
  if (!only || named.length > 1) return undefined;
  reading.take(words(`(?:teach\\s+)?${escaped(only.letters)}`), () => true);
  return only;
}

/** A word or its beginning, from its third letter on: "nav" for "navigation". */
function beginningsOf(word: string): string {
  const shortest = escaped(word.slice(0, 3));
  const rest = word.slice(3);
  const longestFirst = [...rest].map((_, i) => escaped(rest.slice(0, i + 1))).reverse();
  return longestFirst.length === 0 ? shortest : `${shortest}(?:${longestFirst.join('|')})?`;
}

/** A title by its last words or by one of them, with the class period's own period where it is named too. */
function patternOf({ title, period }: PhraseClass): RegExp {
  const starts = title.toLowerCase().split(/\s+/).map(beginningsOf);
  const endings = starts.map((_, i) => starts.slice(i).join('\\s+'));
  const named = [...endings, ...starts].join('|');
  const own = period === null ? '(?!)' : escaped(period);
  return new RegExp(
    `(?<![\\w-])(?:teach\\s+)?(?:${named})(?:,?\\s+(?:p(?:eriod)?\\s?)?(${own})(?![\\w:.]))?(?![\\w-])`,
  );
}

/** The one class period that the phrase's words name: its letters, or the beginnings of its words with its period. */
export function readClass(reading: Reading, classes: PhraseClass[]): PhraseClass | undefined {
  const byLetters = readLetters(reading, classes);
  if (byLetters) return byLetters;
  const [best, next] = classes
    .flatMap((c) => {
      const pattern = patternOf(c);
      const match = pattern.exec(reading.rest);
      if (!match) return [];
      return [{ c, pattern, withPeriod: match[1] !== undefined, length: match[0].length }];
    })
    .sort((a, b) => Number(b.withPeriod) - Number(a.withPeriod) || b.length - a.length);
  const isTie = next && next.withPeriod === best?.withPeriod && next.length === best.length;
  if (!best || isTie) return undefined;
  reading.take(best.pattern, () => true);
  return best.c;
}
