import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  expandPlan,
  inZone,
  isHeld,
  notesForZone,
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
const titleOf = () => 'Coastal Navigation';

describe('another time zone of the school', () => {
  it('has sessions begin at another moment, at the same hour on the clock', () => {
    const [effect] = zoneEffects([{ id: 7, plan: lessons }], school, 'Europe/Lisbon', NOW);
    // From memory: on 14 October 2026 Halifax is at UTC−3 and Lisbon at UTC+1.
    expect(effect).toMatchObject({ seriesId: 7, date: '2026-10-14', time: '10:45', later: -240 });
  });

  it('says what would have begun already', () => {
    const [effect] = zoneEffects([{ id: 7, plan: lessons }], school, 'Europe/Lisbon', NOW);
    expect(effect!.passed).toBe(1);
    expect(notesForZone([effect!], 'Europe/Lisbon', titleOf).map((n) => n.title)).toEqual([
      `${effect!.sessions} sessions begin at another moment`,
      '1 session would have begun already',
    ]);
  });

  it('leaves a plan alone that goes by a zone of its own', () => {
    const own = { ...lessons, zone: 'Asia/Tokyo' };
    expect(zoneEffects([{ id: 7, plan: own }], school, 'Europe/Lisbon', NOW)).toEqual([]);
    expect(inZone(own, 'America/Halifax', 'Europe/Lisbon')).toBe(own);
  });

  it('changes nothing where it is the same zone', () => {
    const effects = zoneEffects([{ id: 7, plan: lessons }], school, school.zone, NOW);
    expect(notesForZone(effects, school.zone, titleOf)).toMatchObject([{ severity: 'well' }]);
  });

  it('is refused where there is no such zone', () => {
    expect(() => zoneEffects([], school, 'Atlantis/Harbour', NOW)).toThrow('IANA name');
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
});
