import { fail } from '../input.js';
import { readLinkCode } from './linkCode.js';

/** The ICAO spelling alphabet (published), for the letters that codes have; digits are said as such. */
const SAID: Record<string, string> = Object.fromEntries(
  `Alfa Bravo Charlie Delta Echo Foxtrot Golf Hotel Juliett Kilo Mike November Papa Quebec Romeo Sierra Tango Victor Whiskey X-ray Yankee Zulu`
    .split(' ')
    .map((word) => [word[0]!.toLowerCase(), word]),
);
const DIGITS = 'zero one two three four five six seven eight nine'.split(' ');

/**
 * A code as it is read out over the phone: its word, then the rest sign by sign in groups of at most four.
 * Throws GlenInputError where it is no code.
 */
export function spellCode(typed: string): { word: string; groups: string[][] } {
  const code = readLinkCode(typed);
  if (code === null) fail('code', 'This is no code of a door.');
  const [word, chance] = code.split('-') as [string, string];
  const said = [...chance].map((sign) => SAID[sign] ?? DIGITS[Number(sign)]!);
  return { word, groups: [said.slice(0, 4), said.slice(4, 8), said.slice(8)] };
}
