/** In which the interface is said: how its numbers, its lists and its plurals are made. */
const LANGUAGE = 'en-GB';

const PLURALS = new Intl.PluralRules(LANGUAGE);
const NUMBERS = new Intl.NumberFormat(LANGUAGE);
const LISTS = new Intl.ListFormat(LANGUAGE, { type: 'conjunction' });

/** The names in `{name}`: places that are filled. */
export type Filled<Sentence extends string> =
  Sentence extends `${string}{${infer Name}}${infer Rest}` ? Name | Filled<Rest> : never;

/** A sentence once for each number that the language tells apart; `{n}` is the number. */
interface Counted {
  one: string;
  other: string;
}

/** “Begins in {span}” with its places filled. */
export const fill = <Sentence extends string>(
  sentence: Sentence,
  places: Record<Filled<Sentence>, string | number>,
): string =>
  sentence.replace(/\{(\w+)\}/g, (_, name: string) => String(places[name as Filled<Sentence>]));

/** “1 student”, “1,200 students”: the sentence for so many, its other places filled. */
export function many(
  sentence: Counted,
  n: number,
  places: Record<string, string | number> = {},
): string {
  const said = sentence[PLURALS.select(n) === 'one' ? 'one' : 'other'];
  return fill(said, { ...places, n: NUMBERS.format(n) });
}

/** “Ottoline, Tomas and Mina”. */
export const list = (names: string[]): string => LISTS.format(names);
