import { describe, expect, it } from 'vitest';
import { longerFromNow, sessionsOfNow } from '../src/index.js';

const at = (time: string): string => `2026-10-14T${time}:00Z`;

describe('the sessions that matter now', () => {
  const session = (title: string, start: string, end: string, more: object = {}) => ({
    title,
    status: 'planned' as const,
    draft: false,
    door: 'shut' as 'shut' | 'open' | 'ended',
    start: at(start),
    end: at(end),
    opens: at(start),
    inside: 0,
    ...more,
  });
  const titles = (sessions: ReturnType<typeof session>[], now: string): string[] =>
    sessionsOfNow(sessions, at(now)).map((s) => s.title);

  it('is the next to come where nothing runs', () => {
    const day = [session('one', '08:00', '09:00'), session('two', '10:00', '11:00')];
    expect(titles(day, '07:00')).toEqual(['one']);
    expect(titles(day, '09:30')).toEqual(['two']);
    expect(titles(day, '11:00')).toEqual([]);
  });
  it('is one that is due and waits for its host, though another runs over', () => {
    const day = [
      session('over', '08:00', '09:00', { door: 'open', inside: 2 }),
      session('due', '09:00', '10:00'),
    ];
    expect(titles(day, '09:05')).toEqual(['over', 'due']);
  });
  it('is none whose room stands empty past its end', () => {
    const day = [
      session('left', '08:00', '09:00', { door: 'open' }),
      session('next', '10:00', '11:00'),
    ];
    expect(titles(day, '08:30')).toEqual(['left']);
    expect(titles(day, '09:05')).toEqual(['next']);
  });
  it('is none that is called off, a draft, or ended', () => {
    const day = [
      session('off', '08:00', '09:00', { status: 'cancelled' }),
      session('draft', '08:00', '09:00', { draft: true }),
      session('ended', '08:00', '09:00', { door: 'ended' }),
    ];
    expect(titles(day, '08:30')).toEqual([]);
  });
});

describe('running longer', () => {
  const lesson = { start: at('08:00'), minutes: 50 };
  it('counts from the end while that is ahead', () => {
    expect(longerFromNow(lesson, 10, at('08:20'))).toBe(60);
    expect(longerFromNow(lesson, 10, at('08:50'))).toBe(60);
  });
  it('counts from now past the end, a begun minute whole', () => {
    expect(longerFromNow(lesson, 10, at('09:05'))).toBe(75);
    expect(longerFromNow(lesson, 10, '2026-10-14T09:05:01Z')).toBe(76);
  });
  it('counts from the end where it was opened before its time', () => {
    expect(longerFromNow(lesson, 10, at('07:40'))).toBe(60);
  });
});
