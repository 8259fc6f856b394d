import { describe, expect, it } from 'vitest';
import { changeInWords, changeToTell, type ChangedSession } from '../src/index.js';

const zone = 'America/Halifax';
const session = (more: Partial<ChangedSession> = {}): ChangedSession => ({
  title: 'Coastal Navigation',
  status: 'cancelled',
  date: '2026-10-14',
  time: '10:45',
  minutes: 50,
  was: null,
  note: null,
  ...more,
});
const moved = (date: string, time: string, more: Partial<ChangedSession> = {}): ChangedSession =>
  session({
    status: 'moved',
    date,
    time,
    was: { date: '2026-10-14', time: '10:45', minutes: 50 },
    ...more,
  });

describe('what is said where a link stood', () => {
  it('names the session, when it was to be and why it is not', () => {
    expect(changeInWords(session({ note: ' storm\n' }))).toBe(
      'Cancelled: Coastal Navigation, Wed 14 Oct 10:45 (storm)',
    );
    expect(changeInWords(session())).toBe('Cancelled: Coastal Navigation, Wed 14 Oct 10:45');
  });
  it('says of a moved one from where to where, the date once', () => {
    expect(changeInWords(moved('2026-10-15', '09:00', { note: 'regatta' }))).toBe(
      'Moved: Coastal Navigation, from Wed 14 Oct 10:45 to Thu 15 Oct 09:00 (regatta)',
    );
    expect(changeInWords(moved('2026-10-14', '14:00'))).toBe(
      'Moved: Coastal Navigation, Wed 14 Oct, from 10:45 to 14:00',
    );
  });
});

describe('what a door tells of a change', () => {
  // School time is three hours behind until 1 November 2026.
  const told = (changed: ChangedSession[], now: string): string | undefined =>
    changeToTell(changed, { now, zone })?.status;
  it('on the day, until it would have been over', () => {
    expect(told([session()], '2026-10-14T03:00:00Z')).toBe('cancelled');
    expect(told([session()], '2026-10-14T14:34:59Z')).toBe('cancelled');
    expect(told([session()], '2026-10-14T14:35:00Z')).toBeUndefined();
  });
  it('the evening before an early one, and not days before', () => {
    const early = session({ time: '07:00' });
    expect(told([early], '2026-10-14T00:00:00Z')).toBe('cancelled');
    expect(told([early], '2026-10-13T20:00:00Z')).toBeUndefined();
  });
  it('of a moved one at its old time and at its new, and not between', () => {
    const later = moved('2026-10-16', '09:00');
    expect(told([later], '2026-10-14T13:40:00Z')).toBe('moved');
    expect(told([later], '2026-10-15T13:40:00Z')).toBeUndefined();
    expect(told([later], '2026-10-16T12:00:00Z')).toBe('moved');
  });
  it('of the first of several, and of none where none is near', () => {
    const two = [session({ time: '14:00' }), session({ title: 'Ropework', time: '11:40' })];
    expect(changeToTell(two, { now: '2026-10-14T13:00:00Z', zone })?.title).toBe('Ropework');
    expect(told([], '2026-10-14T13:00:00Z')).toBeUndefined();
  });
});
