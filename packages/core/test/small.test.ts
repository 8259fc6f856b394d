import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  classTitle,
  lobbyReason,
  rememberMove,
  type EntryRules,
  type Standing,
} from '../src/index.js';
import * as light from '../src/light.js';

describe('rememberMove', () => {
  const noon: Standing = { date: '2026-10-14', time: '12:00', minutes: 50 };
  it('keeps the first standing through any number of moves, and forgets it on the way back', () => {
    const standing = fc.record({
      date: fc.constantFrom('2026-10-14', '2026-10-15'),
      time: fc.constantFrom('12:00', '13:00'),
      minutes: fc.constantFrom(50, 60),
    });
    fc.assert(
      fc.property(fc.array(standing, { minLength: 1 }), (moves) => {
        let row = { ...noon, was: null as Standing | null };
        for (const next of moves) row = { ...next, was: rememberMove(row, next) };
        const last = moves.at(-1)!;
        const back =
          last.date === noon.date && last.time === noon.time && last.minutes === noon.minutes;
        expect(row.was).toEqual(back ? null : noon);
      }),
    );
  });
});

describe('lobbyReason', () => {
  const why = (
    straightIn: EntryRules['straightIn'],
    account: 'school' | 'personal' | 'none' | 'phone',
    onRoll = false,
  ) => lobbyReason({ straightIn }, { account, onRoll });
  it('says why somebody waits, by the rule that holds them', () => {
    expect(why('hosts', 'school', true)).toBe('only hosts go straight in');
    expect(why('presenters', 'school')).toBe('only hosts and presenters go straight in');
    expect(why('roll', 'school')).toBe('not on the roll, which goes straight in');
    expect(why('school', 'personal')).toBe('not with a school account');
    expect(why('everyone', 'phone')).toBe('callers wait');
  });
  it('has a reason for those whom newer rules would let pass', () => {
    expect(why('roll', 'school', true)).toContain('before');
    expect(why('school', 'school')).toContain('before');
    expect(why('everyone', 'none')).toContain('before');
  });
});

describe('classTitle', () => {
  it('names the period where there is one', () => {
    expect(classTitle({ title: 'Ropework', period: '5' })).toBe('Ropework, period 5');
    expect(classTitle({ title: 'Chartwork clinic', period: null })).toBe('Chartwork clinic');
    expect(light.classTitle).toBe(classTitle);
  });
});
