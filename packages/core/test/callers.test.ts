import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  LINK_WORDS,
  callerHears,
  callerName,
  linkOfPin,
  makeEntryCode,
  makePhonePin,
  pinInGroups,
  type EntryDecision,
} from '../src/index.js';

const bytes = fc.uint8Array({ minLength: 6, maxLength: 32 });
const number = fc.integer({ min: 1, max: 4294967295 });

describe('pins', () => {
  it('are a link’s number and six digits, read in groups of three', () => {
    const pin = makePhonePin(12, new Uint8Array([0, 0, 0, 7, 98, 40]));
    expect(pin).toBe('12483880');
    expect(pinInGroups(pin)).toBe('12 483 880');
    expect(linkOfPin('12 483-880#')).toEqual({ linkId: 12, pin });
  });
  it('lead to their link however they are written', () => {
    fc.assert(
      fc.property(number, bytes, (linkId, proof) => {
        const pin = makePhonePin(linkId, proof);
        expect(linkOfPin(pin)).toEqual({ linkId, pin });
        expect(linkOfPin(` ${pinInGroups(pin)}#`)).toEqual({ linkId, pin });
      }),
    );
  });
  it('are none where no number stands before the proof', () => {
    for (const keyed of ['', '#', '483880', '0483880', 'heron', '1'.repeat(17)])
      expect(linkOfPin(keyed)).toBeNull();
  });
  it('need bytes enough', () => {
    expect(() => makePhonePin(1, new Uint8Array(5))).toThrow(RangeError);
  });
});

describe('a caller', () => {
  it('is told apart by two digits, and never by more', () => {
    expect(callerName('+1 902 555 0142')).toBe('caller …42');
    expect(callerName('(902) 555 01-07')).toBe('caller …07');
    for (const withheld of [null, '', 'anonymous', '7'])
      expect(callerName(withheld)).toBe('caller, number withheld');
  });
  const at = {
    title: 'Ropework, period 5',
    host: 'Ottoline Marsh',
    opensAt: '13:10',
    isSoon: true,
  };
  const hears = (decision: EntryDecision, more: Partial<typeof at> = {}) =>
    callerHears(decision, { ...at, ...more });
  it('goes in, waits on the line, or is told why not', () => {
    expect(hears({ outcome: 'enter', reason: 'straight-in', role: 'participant' })).toEqual({
      say: 'You are on to Ropework, period 5.',
      goes: 'in',
    });
    expect(hears({ outcome: 'lobby', reason: 'lobby', role: 'participant' })).toEqual({
      say: 'You are in the lobby of Ropework, period 5. Ottoline Marsh sees that you are waiting.',
      goes: 'waits',
    });
    expect(hears({ outcome: 'refused', reason: 'no-phone' })).toEqual({
      say: 'Ropework, period 5 takes no callers. Use its link in a browser instead. Goodbye.',
      goes: 'over',
    });
    expect(hears({ outcome: 'not-yet', reason: 'no-host' }, { host: '' }).say).toContain(
      'until a host comes',
    );
  });
  it('holds on before a door that opens soon, and calls again otherwise', () => {
    const early: EntryDecision = { outcome: 'not-yet', reason: 'early' };
    expect(hears(early)).toEqual({
      say: 'Ropework, period 5 opens at 13:10. Stay on the line.',
      goes: 'waits',
    });
    expect(hears(early, { isSoon: false }).goes).toBe('over');
  });
  it('is never left on a line that leads nowhere', () => {
    const gone = [
      'removed',
      'ended',
      'over',
      'link-retired',
      'nothing-planned',
      'sign-in',
    ] as const;
    for (const reason of gone) {
      expect(hears({ outcome: 'refused', reason })).toMatchObject({ goes: 'over' });
      expect(hears({ outcome: 'refused', reason }).say).toMatch(/Goodbye\.$/);
    }
  });
});

describe('makeEntryCode', () => {
  it('is a word and three digits that nobody misreads', () => {
    expect(makeEntryCode(new Uint8Array([0, 0, 0]))).toBe('heron 222');
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 3, maxLength: 3 }), (three) => {
        const [word, digits] = makeEntryCode(three).split(' ');
        expect(LINK_WORDS).toContain(word);
        expect(digits).toMatch(/^[2-9]{3}$/);
      }),
    );
  });
  it('differs with every bit of chance', () => {
    const codes = new Set(
      Array.from({ length: 512 }, (_, i) => makeEntryCode(new Uint8Array([5, i >> 8, i & 255]))),
    );
    expect(codes.size).toBe(512);
  });
  it('needs three bytes', () => {
    expect(() => makeEntryCode(new Uint8Array(2))).toThrow(RangeError);
  });
});
