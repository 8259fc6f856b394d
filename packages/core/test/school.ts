import type { EntryRules, SchoolCalendar, SessionPlan } from '../src/index.js';

/** A small school year with one of everything: two terms, closures, two bell sets, cycle days. */
export const school: SchoolCalendar = {
  zone: 'America/Halifax',
  terms: [
    { name: 'Autumn', first: '2026-09-08', last: '2026-12-18' },
    { name: 'Winter', first: '2027-01-05', last: '2027-03-26' },
  ],
  closures: [
    { name: 'Thanksgiving', first: '2026-10-12', last: '2026-10-12', kind: 'holiday' },
    { name: 'Staff days', first: '2026-11-23', last: '2026-11-24', kind: 'staff' },
    { name: 'Long weekend', first: '2026-10-10', last: '2026-10-12', kind: 'holiday' },
  ],
  bells: [
    {
      name: 'Regular',
      periods: [
        { label: 'P1', start: '08:40', end: '09:30' },
        { label: 'P2', start: '09:35', end: '10:25' },
        { label: 'P3', start: '10:45', end: '11:35' },
      ],
    },
    {
      name: 'Fog',
      periods: [
        { label: 'P1', start: '09:40', end: '10:20' },
        { label: 'P2', start: '10:25', end: '11:00' },
      ],
    },
  ],
  bellOn: { MO: 'Regular', TU: 'Regular', WE: 'Regular', TH: 'Regular', FR: 'Regular' },
  bellFor: [
    { date: '2026-10-19', bell: 'Fog' },
    { date: '2026-10-17', bell: 'Fog' },
  ],
  cycle: { labels: ['Ebb', 'Flood'], counts: 'teaching-days', from: '2026-09-08' },
};

export const oncePlan = (first: string, more: Partial<SessionPlan> = {}): SessionPlan => ({
  first,
  at: { time: '10:00', minutes: 50 },
  zone: 'America/Halifax',
  closures: 'skip',
  ...more,
});

/** The whole window that plans of these tests live in. */
export const WIDE = { from: '2026-01-01', to: '2028-01-01' };

export const lesson: EntryRules = {
  whoMayEnter: 'roll',
  straightIn: 'hosts',
  withoutHost: false,
  opensBefore: 5,
  closesAfter: 0,
  entryCode: null,
  watching: false,
  phone: 'none',
  capacity: 100,
  presenters: 'named',
  arriveMuted: true,
  mayUnmute: true,
  camera: 'choice',
  hostCamera: 'choice',
  sharing: 'presenters',
  chat: true,
  chime: true,
  recording: 'off',
};
