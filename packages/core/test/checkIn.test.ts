import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  checkInCode,
  checkInMessage,
  fromOneBrowser,
  mayCheckIn,
  readCheckInCode,
} from '../src/index.js';

const OPEN = { now: '2026-10-14T09:20:00Z', closes: '2026-10-14T09:25:00Z' };
const LET_IN = { ...OPEN, isLetIn: true, hasGiven: false };

describe('the code of a check-in', () => {
  it('is four letters that are read back however they are typed', () => {
    const picks = fc.array(fc.nat(11), { minLength: 4, maxLength: 4 });
    fc.assert(
      fc.property(picks, fc.constantFrom('', ' ', '-', '. '), (numbers, between) => {
        const left = [...numbers];
        const code = checkInCode(() => left.shift()!);
        expect(code).toMatch(/^[A-Z]{4}$/);
        expect(code).not.toMatch(/[AEIOUY]/);
        expect(readCheckInCode(` ${[...code.toLowerCase()].join(between)} `)).toBe(code);
      }),
    );
  });

  it('is none where letters are missing, too many, or never part of one', () => {
    for (const typed of ['', 'KWR', 'KWRXB', 'KWRA', 'KW4X', 'ΚWRX'])
      expect(readCheckInCode(typed)).toBeNull();
  });
});

describe('what is put into the chat', () => {
  const wish = {
    code: 'KWRX',
    address: 'https://glen.merrow.example/check-in/abc',
    typeAt: 'glen.merrow.example/check-in',
    until: '10:25',
    question: '',
  };

  it('says until when, where, and what to type', () => {
    expect(checkInMessage(wish)).toBe(
      'Check in until 10:25: https://glen.merrow.example/check-in/abc\n' +
        'Or type K W R X at glen.merrow.example/check-in',
    );
  });

  it('asks the teacher’s question, where there is one', () => {
    const question = 'Which buoy is it?';
    expect(checkInMessage({ ...wish, question })).toMatch(/\nQuestion: Which buoy is it\?$/);
  });
});

describe('whoever checks in', () => {
  it('does so once, while it is open, and only if let in at the door', () => {
    expect(mayCheckIn(LET_IN)).toBe('may');
    expect(mayCheckIn({ ...LET_IN, now: OPEN.closes })).toBe('closed');
    expect(mayCheckIn({ ...LET_IN, isLetIn: false })).toBe('not-let-in');
    expect(mayCheckIn({ ...LET_IN, hasGiven: true })).toBe('given');
  });

  it('reads that it is done, also once it is over', () => {
    expect(mayCheckIn({ ...LET_IN, now: '2026-10-14T10:00:00Z', hasGiven: true })).toBe('given');
  });
});

describe('two on one device', () => {
  it('are noticed, each beside the other', () => {
    const signs = [
      { name: 'Ansel Grue', browser: 'one' },
      { name: 'Mira Tolland', browser: 'one' },
      { name: 'Jory Penhale', browser: 'two' },
    ];
    expect(fromOneBrowser(signs)).toEqual([['Mira Tolland'], ['Ansel Grue'], []]);
  });
});
