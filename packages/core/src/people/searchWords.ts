const LONGEST_WORD = 64;
/** Of more words than these nobody is told apart any better. */
const MOST_ASKED = 5;

const wordsIn = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

const each = (words: string[]): string[] => [
  ...new Set(words.map((word) => word.slice(0, LONGEST_WORD))),
];

/**
 * What somebody is found by: each word of their name, each of their addresses, and each word before its @. In lower
 * case, each once, none longer than 64 characters.
 */
export function searchWords(name: string, emails: string[]): string[] {
  const ofAddress = (email: string): string[] => [email, ...wordsIn(email.split('@')[0] ?? '')];
  return each([...wordsIn(name), ...emails.map((e) => e.toLowerCase()).flatMap(ofAddress)]);
}

/** What somebody who looks for a person has typed, as beginnings of such words; an address stays whole. */
export function wordsAsked(typed: string): string[] {
  const parts = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return each(parts.flatMap((part) => (part.includes('@') ? [part] : wordsIn(part)))).slice(
    0,
    MOST_ASKED,
  );
}
