/** The mark of a class period: letters on a pattern in two tones of a hue. */
export interface PennantMark {
  letters: string;
  pattern: string;
  hue: string;
}

export const PENNANT_PATTERNS = [
  'halves',
  'diagonal',
  'stripes',
  'pales',
  'saltire',
  'cross',
  'border',
  'chevron',
] as const;
export const PENNANT_HUES = ['loch', 'moss', 'gorse', 'berry', 'plum', 'bracken'] as const;

const MOST_LETTERS = 2;

/** The first letters of a title's words, of one word its first two; a period stands last. */
function lettersFor(title: string, period: string | null): string {
  const words = title.match(/[\p{L}\p{N}]+/gu) ?? ['?'];
  const initials = words.map((word) => [...word][0]!).join('');
  const own = words.length > 1 ? initials : words[0]!;
  const tail = period && [...period].length === 1 ? period : '';
  const letters = [...own].slice(0, MOST_LETTERS - tail.length).join('') + tail;
  return letters.toLocaleUpperCase('en');
}

/** Every pattern in every hue, so that neighbours differ in both. */
const LOOKS = PENNANT_HUES.flatMap((_, turn) =>
  PENNANT_PATTERNS.map((pattern, i) => ({
    pattern,
    hue: PENNANT_HUES[(i + turn) % PENNANT_HUES.length]!,
  })),
);

/** A pennant for a new class period that looks like none of those taken, as long as there are any left. */
export function proposePennant(
  { title, period }: { title: string; period: string | null },
  taken: PennantMark[],
): PennantMark {
  const isFree = (look: (typeof LOOKS)[number]): boolean =>
    !taken.some((p) => p.pattern === look.pattern && p.hue === look.hue);
  const look = LOOKS.find(isFree) ?? LOOKS[taken.length % LOOKS.length]!;
  return { letters: lettersFor(title, period), ...look };
}
