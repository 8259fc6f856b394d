import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  expandPlan,
  inZone,
  isHeld,
  notesForZone,
  occurrencesInZone,
  plusMinutes,
  wholeWindow,
  zoneEffects,
  type SessionPlan,
} from '../src/index.js';
import { school } from './school.js';

const NOW = '2026-10-14T13:31:00Z';
const lessons: SessionPlan = {
  first: '2026-09-08',
  at: { time: '10:45', minutes: 50 },
  zone: 'America/Halifax',
  closures: 'skip',
  repeat: { every: 'week', on: ['WE'], until: 'term-end' },
};
const to = (zone: string) => ({ school, zone, now: NOW });
const titleOf = () => 'Coastal Navigation';

describe('another time zone of the school', () => {
  it('has sessions begin at another moment, at the same hour on the clock', () => {
    const [effect] = zoneEffects([{ id: 7, plan: lessons }], to('Europe/Lisbon'));
    // From memory: on 21 October 2026 Halifax is at UTC−3 and Lisbon at UTC+1.
    expect(effect).toMatchObject({ seriesId: 7, date: '2026-10-21', time: '10:45', later: -240 });
  });

  it('leaves what would have begun already where it is', () => {
    const [effect] = zoneEffects([{ id: 7, plan: lessons }], to('Europe/Lisbon'));
    expect(effect!.stays).toBe(1);
    const on = (date: string) =>
      occurrencesInZone(lessons, to('Europe/Lisbon')).find((o) => o.key === date);
    expect(on('2026-10-14')).toMatchObject({ start: '2026-10-14T13:45:00Z', time: '14:45' });
    expect(on('2026-10-21')).toMatchObject({ start: '2026-10-21T09:45:00Z', time: '10:45' });
    expect(notesForZone([effect!], 'Europe/Lisbon', titleOf).map((n) => n.title)).toEqual([
      `${effect!.sessions} sessions begin at another moment`,
      '1 session stays where it is',
    ]);
  });

  it('leaves a plan alone that goes by a zone of its own', () => {
    const own = { ...lessons, zone: 'Asia/Tokyo' };
    expect(zoneEffects([{ id: 7, plan: own }], to('Europe/Lisbon'))).toEqual([]);
    expect(inZone(own, 'America/Halifax', 'Europe/Lisbon')).toBe(own);
  });

  it('changes nothing where it is the same zone', () => {
    const effects = zoneEffects([{ id: 7, plan: lessons }], to(school.zone));
    expect(notesForZone(effects, school.zone, titleOf)).toMatchObject([{ severity: 'well' }]);
  });

  it('is refused where there is no such zone', () => {
    expect(() => zoneEffects([], to('Atlantis/Harbour'))).toThrow('IANA name');
  });

  it('keeps every date and time on the clock, whatever the two zones are', () => {
    const zones = fc.constantFrom('America/Halifax', 'Europe/Lisbon', 'Asia/Kolkata', 'UTC');
    const clockOf = (plan: SessionPlan, zone: string) => {
      const there = { ...school, zone };
      return expandPlan(plan, there, wholeWindow(plan, there))
        .filter(isHeld)
        .map((o) => `${o.date} ${o.time}`);
    };
    fc.assert(
      fc.property(zones, zones, (from, to) => {
        const plan = { ...lessons, zone: from };
        expect(clockOf(inZone(plan, from, to), to)).toEqual(clockOf(plan, from));
      }),
    );
  });

  it('moves nothing that is still ahead into the past', () => {
    const zones = fc.constantFrom('Asia/Tokyo', 'Europe/Lisbon', 'Pacific/Honolulu', 'UTC');
    const hours = fc.integer({ min: 0, max: 400 * 24 });
    fc.assert(
      fc.property(zones, hours, (zone, hour) => {
        const now = plusMinutes('2026-09-01T00:00:00Z', hour * 60);
        const before = expandPlan(lessons, school, wholeWindow(lessons, school));
        const after = occurrencesInZone(lessons, { school, zone, now });
        const ahead = before.filter((o) => isHeld(o) && o.start > now).map((o) => o.key);
        expect(after.filter((o) => o.start > now && isHeld(o)).map((o) => o.key)).toEqual(
          expect.arrayContaining(ahead),
        );
      }),
    );
  });
});
