import fc from 'fast-check';

import { decideEntry, type Door, type EntryRules, type Visitor } from '../src/index.js';
import { lesson } from './school.js';

export const nobody: Visitor = {
  account: 'none',
  host: false,
  staff: false,
  named: false,
  onRoll: false,
  invited: false,
  letIn: false,
  watchOnly: false,
  removed: false,
};

export const pupil: Visitor = { ...nobody, account: 'school', onRoll: true };

export const open: Door = {
  link: 'live',
  opens: '2026-10-14T13:40:00Z',
  closes: '2026-10-14T14:35:00Z',
  openedByHost: true,
  hostInside: true,
  ended: false,
  inside: 1,
};

export const NOW = '2026-10-14T13:50:00Z';

export const at = (
  visitor: Partial<Visitor>,
  door: Partial<Door> = {},
  rules: Partial<EntryRules> = {},
  now = NOW,
) =>
  decideEntry({
    rules: { ...lesson, ...rules },
    visitor: { ...nobody, ...visitor },
    door: { ...open, ...door },
    now,
  });

export const anyRules = fc.record({
  whoMayEnter: fc.constantFrom('invited', 'roll', 'school', 'signed-in', 'anyone'),
  straightIn: fc.constantFrom('hosts', 'presenters', 'roll', 'school', 'everyone'),
  withoutHost: fc.boolean(),
  opensBefore: fc.integer({ min: 0, max: 120 }),
  closesAfter: fc.integer({ min: 0, max: 120 }),
  entryCode: fc.constantFrom(null, 'tide', ' '),
  watching: fc.boolean(),
  phone: fc.constantFrom('none', 'lobby', 'straight-in'),
  capacity: fc.integer({ min: 1, max: 5 }),
  presenters: fc.constantFrom('hosts', 'named', 'staff', 'everyone'),
  arriveMuted: fc.boolean(),
  mayUnmute: fc.boolean(),
  camera: fc.constantFrom('off', 'choice', 'on'),
  hostCamera: fc.constantFrom('off', 'choice', 'on'),
  sharing: fc.constantFrom('hosts', 'presenters', 'everyone'),
  chat: fc.boolean(),
  chime: fc.boolean(),
  recording: fc.constantFrom('off', 'by-host', 'from-start'),
}) as fc.Arbitrary<EntryRules>;

export const anyVisitor = fc.record({
  account: fc.constantFrom('school', 'personal', 'none', 'phone'),
  host: fc.constant(false),
  staff: fc.boolean(),
  named: fc.boolean(),
  onRoll: fc.boolean(),
  invited: fc.boolean(),
  letIn: fc.boolean(),
  code: fc.constantFrom(undefined, 'tide', 'ebb'),
  watchOnly: fc.boolean(),
  removed: fc.boolean(),
}) as fc.Arbitrary<Visitor>;

export const anyDoor = fc.record({
  openedByHost: fc.boolean(),
  hostInside: fc.boolean(),
  ended: fc.boolean(),
  inside: fc.integer({ min: 0, max: 6 }),
});
