import { describe, expect, it } from 'vitest';
import { comingsSoFar } from '../src/index.js';

const at = (time: string): string => `2026-10-14T${time}:00Z`;
const LESSON = { start: at('09:00'), end: at('09:50'), now: at('09:30'), roll: ['ansel', 'mira'] };
const visit = (person: string, from: string, to: string | null) => ({
  person,
  from: at(from),
  to: to && at(to),
});

describe('who has come so far', () => {
  it('leaves out whoever has not come, and guests', () => {
    const visits = [visit('guest', '09:00', null)];
    expect(comingsSoFar({ ...LESSON, visits })).toEqual([]);
  });

  it('says by how many minutes somebody was late', () => {
    const visits = [visit('ansel', '08:58', null), visit('mira', '09:12', null)];
    expect(comingsSoFar({ ...LESSON, visits })).toEqual([
      { person: 'ansel', lateBy: null, isBack: false, goneAt: null },
      { person: 'mira', lateBy: 12, isBack: false, goneAt: null },
    ]);
  });

  it('says so of whoever comes this very second', () => {
    const visits = [visit('ansel', '09:30', null)];
    expect(comingsSoFar({ ...LESSON, visits })).toMatchObject([{ person: 'ansel', lateBy: 30 }]);
  });

  it('says since when somebody is gone, and who is back', () => {
    const visits = [
      visit('ansel', '09:00', '09:10'),
      visit('mira', '09:00', '09:10'),
      visit('mira', '09:20', null),
    ];
    expect(comingsSoFar({ ...LESSON, visits })).toEqual([
      { person: 'ansel', lateBy: null, isBack: false, goneAt: at('09:10') },
      { person: 'mira', lateBy: null, isBack: true, goneAt: null },
    ]);
  });

  it('takes a change of devices for no leaving', () => {
    const visits = [visit('ansel', '09:00', '09:10'), visit('ansel', '09:10', null)];
    expect(comingsSoFar({ ...LESSON, visits })).toMatchObject([{ isBack: false, goneAt: null }]);
  });
});
