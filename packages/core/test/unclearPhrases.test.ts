import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readPhrase } from '../src/index.js';
import { smallContext, unclearOf } from './phraseSchool.js';

const read = (text: string) => readPhrase(text, smallContext);

describe('what of a phrase is unclear', () => {
  it('gives back what it cannot read, with its place', () => {
    expect(read('Mondays 10:00 with biscuits').unclear).toEqual([
      { text: 'biscuits', from: 19, to: 27, why: 'Not understood.' },
    ]);
    expect(unclearOf('from 31 November 10:00')).toEqual(['31 November']);
  });
  it.each([
    ['thu p7', ['p7']],
    ['thu 13pm', ['13pm']],
    ['thu 2:75', ['2:75']],
    ['today 9am', ['today']],
    ['thu P1 2pm', ['P1', '2pm']],
    ['thu 2pm for 0 min', ['0 min']],
    ['thu 2-3pm for 45 min', ['45 min']],
    ['mondays P1 x0', ['x0']],
    ['mondays P1 for 100 weeks', ['100 weeks']],
    ['mondays P1 until 1 oct', ['1 oct']],
    ['mondays P1 until yesterday', ['until yesterday']],
    ['mondays P1 until 9 Nov x5', ['9 Nov', 'x5']],
    ['mondays P1 until exams', ['exams']],
    ['mondays P1 except 10 Nov', ['10 Nov']],
    ['mon 2pm 20 Oct', ['mon', '20 Oct']],
    ['16-20 oct 2pm', ['16-20 oct']],
    ['until 10 Dec 2pm', ['10 Dec']],
    ['friday afternoon', ['afternoon', '']],
    ['mondays', ['']],
    ['Mr Verhage fri 2pm', ['Mr Verhage']],
    ['fri before P1', ['before']],
    ['daily P1 weekly', ['weekly']],
    ['3 July 10:00', ['3 July']],
  ])('%s: %j is unclear', (text, unclear) => {
    expect(unclearOf(text)).toEqual(unclear);
  });
  it('says which part is missing', () => {
    const why = 'At what time?';
    expect(read('mondays').unclear).toEqual([{ text: '', from: 7, to: 7, why, missing: 'time' }]);
  });
  it('agrees to what is said twice alike', () => {
    for (const text of ['thu P3 10:45', 'thu 2-3pm for 1 hour', 'nav P3 thu period P3'])
      expect(unclearOf(text)).toEqual([]);
  });
  it('uses every word or gives it back, each place once and as it was typed', () => {
    const word = fc.constantFrom(
      ...'every Mon and Fridays x5 for 8 weeks until term ends 10:00 N3 period P1 31 Feb last bell except the 27th fog 🎉 C++ - / .'.split(
        ' ',
      ),
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 12 }), (typed) => {
        const text = typed.join(' ');
        const { unclear } = read(text);
        for (const place of unclear) expect(text.slice(place.from, place.to)).toBe(place.text);
        for (const odd of ['fog', '🎉', 'C++'].filter((w) => typed.includes(w)))
          expect(unclear.some((place) => place.text.includes(odd))).toBe(true);
      }),
    );
  });
});
