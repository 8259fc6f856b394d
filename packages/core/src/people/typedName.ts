/** Controls, and marks that turn the direction of what follows: a name that holds them can look like another's. */
const HIDDEN = /[\p{Cc}\u061c\u200e\u200f\u2028-\u202e\u2060-\u2069\ufeff\ufff9-\ufffb]/gu;
const SPACES = /\s+/gu;
/** More marks above and below one letter than any script writes grow over what stands beside it. */
const STACKED_MARKS = /(\p{M}{4})\p{M}+/gu;

/** A name as somebody typed it, without what cannot be seen, and with single spaces. */
export const cleanName = (typed: string): string =>
  typed
    .normalize('NFC')
    .replace(SPACES, ' ')
    .replace(HIDDEN, '')
    .replace(STACKED_MARKS, '$1')
    .trim();

/**
 * A name by which two that read alike are found to be the same: without case, accents, spaces, punctuation and what
 * cannot be seen, compatible forms as one (Unicode NFKD, published). Letters that only look alike stay apart.
 */
export function foldedName(name: string): string {
  const letters = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '');
  // Of signs alone: two of them are two.
  return letters === '' ? name.normalize('NFKC') : letters;
}
