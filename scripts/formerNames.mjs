import { createHash } from 'node:crypto';

/** What things went by until they got a name of our own. */
const PLAIN = /Meet on\b|whole invitation|Present no longer|\b[Mm]eetings?\b/g;

/** Those that shall stand nowhere, here neither: the beginnings of their SHA-256 in small letters, words parted by one space. */
const DIGESTS = new Set([
  '1b8ebd620430088e',
  'af2c667ebf34dab4',
  '945d581b88bf691c',
  '52805eae2b14e571',
  '8319742af8a60d49',
]);
const DIGITS = 16;
const MOST_WORDS = 4;

const digest = (phrase) => createHash('sha256').update(phrase).digest('hex').slice(0, DIGITS);

/** The former names that a text still has; none where all is well. */
export function formerNamesIn(text) {
  const words = text.toLowerCase().split(/[^a-z0-9]+/);
  const phrases = new Set();
  for (let from = 0; from < words.length; from++)
    for (let n = 2; n <= MOST_WORDS; n++) phrases.add(words.slice(from, from + n).join(' '));
  return [
    ...(text.match(PLAIN) ?? []),
    ...[...phrases].filter((phrase) => DIGESTS.has(digest(phrase))),
  ];
}
