import { utcOf, secondsOf } from '../time/seconds.js';
import { decideEntry, type Door, type EntryDecision, type Visitor } from './decideEntry.js';
import type { EntryRules } from './rules.js';

/** The kinds of people that the table asks for, from the nearest to the class to the farthest. */
export const PERSON_KINDS = [
  'host',
  'named-presenter',
  'on-roll',
  'on-roll-home-account',
  'other-student',
  'colleague',
  'signed-in-guest',
  'stranger',
  'phone',
] as const;
export type PersonKind = (typeof PERSON_KINDS)[number];

export const DOOR_MOMENTS = ['before', 'open-no-host', 'host-in', 'ended'] as const;
export type DoorMoment = (typeof DOOR_MOMENTS)[number];

const nobody: Visitor = {
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

/** A visitor of each kind; everyone is taken to know the entry code, where one is asked. */
export function visitorOfKind(kind: PersonKind, rules: Pick<EntryRules, 'entryCode'>): Visitor {
  const known = { ...nobody, ...(rules.entryCode === null ? {} : { code: rules.entryCode }) };
  switch (kind) {
    case 'host':
      return { ...known, account: 'school', staff: true, host: true };
    case 'named-presenter':
      return { ...known, account: 'school', staff: true, named: true };
    case 'on-roll':
      return { ...known, account: 'school', onRoll: true };
    case 'on-roll-home-account':
      return { ...known, account: 'personal', onRoll: true };
    case 'other-student':
      return { ...known, account: 'school' };
    case 'colleague':
      return { ...known, account: 'school', staff: true };
    case 'signed-in-guest':
      return { ...known, account: 'personal' };
    case 'stranger':
      return known;
    case 'phone':
      return { ...known, account: 'phone' };
  }
}

export interface EntryTable {
  moments: DoorMoment[];
  rows: { kind: PersonKind; answers: EntryDecision[] }[];
}

/**
 * decideEntry asked for each kind of person at each moment of one session's door: before it opens, open
 * with no host, with a host in, and after a host ended it. `times` are instants, already widened.
 */
export function entryTable(
  rules: EntryRules,
  times: { opens: string; closes: string },
  kinds: readonly PersonKind[] = PERSON_KINDS,
): EntryTable {
  const door: Door = {
    link: 'live',
    ...times,
    openedByHost: false,
    hostInside: false,
    ended: false,
    inside: 0,
  };
  const at: Record<DoorMoment, { door: Door; now: string }> = {
    before: { door, now: utcOf(secondsOf(times.opens, 'opens') - 60) },
    'open-no-host': { door, now: times.opens },
    'host-in': {
      door: { ...door, openedByHost: true, hostInside: true, inside: 1 },
      now: times.opens,
    },
    ended: { door: { ...door, ended: true }, now: times.closes },
  };
  return {
    moments: [...DOOR_MOMENTS],
    rows: kinds.map((kind) => ({
      kind,
      answers: DOOR_MOMENTS.map((moment) =>
        decideEntry({ rules, visitor: visitorOfKind(kind, rules), ...at[moment] }),
      ),
    })),
  };
}
