import { describe, expect, it } from 'vitest';
import { recordedInWords, seesAfterLesson, usualUntil } from '../src/index.js';

const TODAY = '2026-10-14';
const thing = { seenBy: 'everyone', until: '2026-11-11' } as const;
const student = { today: TODAY, isHost: false, isTheirs: true, came: false };

describe('what is there after a lesson', () => {
  it('is seen by those whom the lesson’s link is for, and by nobody else', () => {
    expect(seesAfterLesson(thing, student)).toBe(true);
    expect(seesAfterLesson(thing, { ...student, isTheirs: false, came: true })).toBe(false);
  });

  it('is seen by whoever came alone, where a host wishes so', () => {
    const forThose = { ...thing, seenBy: 'came' } as const;
    expect(seesAfterLesson(forThose, student)).toBe(false);
    expect(seesAfterLesson(forThose, { ...student, came: true })).toBe(true);
  });

  it('is seen by hosts whoever else sees it', () => {
    const hidden = { ...thing, seenBy: 'hosts' } as const;
    expect(seesAfterLesson(hidden, { ...student, came: true })).toBe(false);
    expect(seesAfterLesson(hidden, { ...student, isHost: true, isTheirs: false })).toBe(true);
  });

  it('is there until its last day, that one too, and then for nobody', () => {
    const last = { ...thing, until: TODAY };
    expect(seesAfterLesson(last, student)).toBe(true);
    const over = { ...thing, until: '2026-10-13' };
    expect(seesAfterLesson(over, { ...student, isHost: true })).toBe(false);
  });

  it('is there for four weeks where nobody says otherwise, over a change of clocks too', () => {
    expect(usualUntil(TODAY)).toBe('2026-11-11');
  });
});

describe('being recorded', () => {
  it('is said beforehand, and nothing is said where nothing is recorded', () => {
    expect(recordedInWords('from-start')).toBe('This session is recorded from its start.');
    expect(recordedInWords('by-host')).toContain('may record');
    expect(recordedInWords('off')).toBeNull();
  });
});
