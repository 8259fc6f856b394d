import { describe, expect, it } from 'vitest';
import { whatCounts, type AttendanceRow } from '../src/index.js';

const row = (person: string, status: AttendanceRow['status'], late = false): AttendanceRow => ({
  person,
  status,
  late,
  leftEarly: false,
  minutes: 0,
  spans: [],
});
const DIED = { person: 'ada', status: 'present' as const, reason: 'Phone died, was in the room' };
const ILL = { person: 'ada', reason: 'ill' };

describe('what counts in a register', () => {
  it('is what was measured', () => {
    expect(whatCounts([row('ada', 'partly', true)], [], [])).toMatchObject([
      { stands: 'partly', late: true, correction: null, excuse: null },
    ]);
  });

  it('is what a host says against it; late and left early are said no more, and both stay beside', () => {
    expect(whatCounts([row('ada', 'partly', true)], [DIED], [])).toMatchObject([
      { status: 'partly', stands: 'present', late: false, correction: DIED },
    ]);
  });

  it('excuses whoever is known to be away and did not come', () => {
    expect(whatCounts([row('ada', 'absent')], [], [ILL])).toMatchObject([
      { stands: 'excused', excuse: ILL },
    ]);
    expect(whatCounts([row('ada', 'present')], [], [ILL])).toMatchObject([
      { stands: 'present', excuse: ILL },
    ]);
  });

  it('takes a host’s word before an excuse, and none for a guest', () => {
    const absent = { ...DIED, status: 'absent' as const };
    expect(whatCounts([row('ada', 'absent')], [absent], [ILL])).toMatchObject([
      { stands: 'absent' },
    ]);
    expect(whatCounts([row('ada', 'guest')], [DIED], [ILL])).toMatchObject([{ stands: 'guest' }]);
  });
});
