import { describe, expect, it } from 'vitest';
import { weekInWords } from '../src/index.js';

const session = (more: object = {}) => ({
  date: '2026-10-14',
  time: '10:45',
  came: 22,
  of: 24,
  isSettled: true,
  ...more,
});

describe('what somebody is told of the week’s registers', () => {
  it('is how many came, what is open, and each session by class period', () => {
    const classes = [
      { title: 'Ropework, period 5', sessions: [session(), session({ came: null })] },
      { title: 'Marine Weather, period 2', sessions: [session({ isSettled: false })] },
    ];
    expect(weekInWords(classes)).toEqual({
      subject: 'Who came this week: 2 sessions',
      says: [
        '2 sessions were held, and 44 of 48 came.',
        '1 door was never opened; 1 register is not settled; a day after their sessions they settle by themselves.',
        'Ropework, period 5:',
        ['Wed 14 Oct 10:45: 22 of 24 came', 'Wed 14 Oct 10:45: its door was never opened'],
        'Marine Weather, period 2:',
        ['Wed 14 Oct 10:45: 22 of 24 came'],
      ],
    });
  });

  it('leaves the single class periods to the page where there are many', () => {
    const classes = Array.from({ length: 13 }, (_, i) => ({
      title: `Class ${i}`,
      sessions: [session()],
    }));
    expect(weekInWords(classes)!.says).toEqual(['13 sessions were held, and 286 of 312 came.']);
  });

  it('is nothing in a week without sessions', () => {
    expect(weekInWords([{ title: 'Ropework', sessions: [] }])).toBeNull();
  });
});
