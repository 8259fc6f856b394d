import { describe, expect, it } from 'vitest';
import { isSameLesson, type CalendarEntry } from '../src/index.js';

const entry = (title: string, more: Partial<CalendarEntry> = {}): CalendarEntry => ({
  title,
  start: '2026-10-14T13:45:00Z',
  end: '2026-10-14T14:35:00Z',
  leads: false,
  ...more,
});
const ours = entry('Coastal Navigation, period 3', { leads: true });

describe('an entry by another hand', () => {
  it('is for the same lesson by a word of its title, or an address to follow', () => {
    expect(isSameLesson(entry('NAVIGATION!'), ours)).toBe(true);
    expect(isSameLesson(entry('Lesson online', { leads: true }), ours)).toBe(true);
  });
  it('is another thing where it only falls in the lesson', () => {
    expect(isSameLesson(entry('Chart symbols quiz'), ours)).toBe(false);
    expect(isSameLesson(entry('Free period'), ours)).toBe(false);
  });
  it('is another lesson at another time; touching ends are', () => {
    const later = { start: '2026-10-14T14:35:00Z', end: '2026-10-14T15:25:00Z' };
    expect(isSameLesson(entry('Coastal Navigation', later), ours)).toBe(false);
  });
});
