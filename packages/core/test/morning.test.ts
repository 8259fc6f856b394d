import { describe, expect, it } from 'vitest';
import { isUrgent, morningInWords, quietMinutes, toldBy } from '../src/index.js';

const lesson = { title: 'Tides', of: 'Coastal Navigation, period 1', time: '08:40', minutes: 45 };

describe('what somebody is told in the morning', () => {
  it('is the day in order, and what needs thought', () => {
    const clinic = {
      title: 'Chartwork clinic',
      of: 'Chartwork clinic',
      time: '23:30',
      minutes: 60,
    };
    expect(morningInWords([lesson, clinic], ['A post failed'])).toEqual({
      subject: 'Today: 2 sessions, the first at 08:40',
      says: [
        ['08:40 to 09:25: Tides, Coastal Navigation, period 1', '23:30 to 00:30: Chartwork clinic'],
        'What needs thought:',
        ['A post failed'],
      ],
    });
    expect(morningInWords([lesson], [])!.subject).toBe('Today: one session, at 08:40');
  });
  it('is nothing on a day without sessions', () => {
    expect(morningInWords([], ['A post failed'])).toBeNull();
  });
  it('comes to nobody who has not asked for it', () => {
    expect(toldBy('mornings', {}, {})).toBe('none');
    expect(toldBy('mornings', {}, { mornings: 'glen' })).toBe('glen');
    expect(toldBy('evenings', {}, {})).toBe('mail');
  });
});

describe('quiet hours', () => {
  it.each([
    ['20:59', 0],
    ['21:00', 570],
    ['23:59', 391],
    ['00:00', 390],
    ['06:29', 1],
    ['06:30', 0],
  ])('at %s a letter that can wait waits %i minutes', (time, minutes) => {
    expect(quietMinutes(time)).toBe(minutes);
  });
  it('hold back nothing of what begins before they are well over, or would have begun', () => {
    const evening = { now: '2026-10-15T00:30:00Z', zone: 'America/Halifax' };
    const tomorrow = { date: '2026-10-15', time: '08:40', minutes: 45 };
    const later = { date: '2026-10-20', time: '08:40', minutes: 45 };
    expect(isUrgent(evening, tomorrow, null)).toBe(true);
    expect(isUrgent(evening, later, tomorrow)).toBe(true);
    expect(isUrgent(evening, later, undefined)).toBe(false);
  });
});
