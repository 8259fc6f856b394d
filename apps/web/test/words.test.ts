import { describe, expect, it } from 'vitest';

const FILES = import.meta.glob<Record<string, unknown>>('../src/**/words.ts', { eager: true });

interface Sentence {
  at: string;
  text: string;
}

/** What is said under a name: one sentence, or several of a kind. */
const sentencesOf = (at: string, said: unknown): Sentence[] =>
  typeof said === 'string'
    ? [{ at, text: said }]
    : Object.entries(said as object).flatMap(([key, inner]) => sentencesOf(`${at}.${key}`, inner));

const WORDS = Object.entries(FILES).flatMap(([file, said]) => {
  const feature = file.split('/').at(-2)!;
  return Object.entries(said).map(([name, value]) => ({ at: `${feature}.${name}`, value }));
});
const SENTENCES = WORDS.flatMap(({ at, value }) => sentencesOf(at, value));

/** Which word is said for a thing; the others are not. The glossary is in docs/architecture.md. */
const ONE_WORD: [word: string, others: RegExp][] = [
  ['schedule', /\bon the books\b/i],
  ['lobby', /\bwaiting (room|area)\b/i],
  ['turn away', /\b(reject|deny|denied)\b/i],
  ['put out', /\b(kick|eject|remove them from the room)\b/i],
  ['cancel', /\bcall(ed)? off\b/i],
  ['undo, take back', /\b(revert|roll back|rollback)\b/i],
  ['link', /\bURLs?\b/],
  ['address', /\be-?mail addresses?\b/i],
  ['sign in', /\blog ?in\b|\blogin\b/i],
  ['new, once more', /\banew\b/i],
];

const EDGES = /^[\s,;]|[\s,]$/;
const placesOf = (text: string): string[] => text.match(/\{\w+\}/g) ?? [];

describe('what the interface says', () => {
  it('is all there: every feature that says something', () => {
    expect(SENTENCES.length).toBeGreaterThan(2500);
  });
  it.each(ONE_WORD)('says “%s”, and no other word for it', (_, others) => {
    expect(SENTENCES.filter(({ text }) => others.test(text))).toEqual([]);
  });
  it('is made of no halves: nothing begins with a comma or ends with a blank', () => {
    const halves = SENTENCES.filter(({ text }) => EDGES.test(text)).map(({ at }) => at);
    expect(halves).toEqual([
      // Pauses of a day, each a part of its own between two controls.
      'moveIn.afterPeriod',
    ]);
  });
  it('counts in every language’s own forms: all but one say the number', () => {
    const counted = WORDS.filter(
      ({ value }) => Object.keys(value as object).join() === 'one,other',
    );
    expect(counted.length).toBeGreaterThan(40);
    for (const { at, value } of counted)
      expect([at, placesOf((value as { other: string }).other)]).toEqual([
        at,
        expect.arrayContaining(['{n}']),
      ]);
  });
  it('closes every mark that it opens', () => {
    const unclosed = SENTENCES.filter(({ text }) =>
      (text.match(/<(\w+)>/g) ?? []).some((tag) => !text.includes(tag.replace('<', '</'))),
    );
    expect(unclosed).toEqual([]);
  });
});
