import { secondsOf } from '../time/seconds.js';
import type { EntryRules } from './rules.js';

/** Who stands at the door, as far as the door is concerned. */
export interface Visitor {
  account: 'school' | 'personal' | 'none' | 'phone';
  /** Hosts, co-teachers, cover for the day, and whoever a host has handed over to. */
  host: boolean;
  staff: boolean;
  /** A named presenter. */
  named: boolean;
  /** In the audience of the link they came by, and of the session where that is narrower. */
  onRoll: boolean;
  invited: boolean;
  /** A host let them in earlier in this session, or their booked slot has begun. */
  letIn: boolean;
  code?: string;
  watchOnly: boolean;
  /** Put out, until a host lets them back. */
  removed: boolean;
}

/** The state of a door; instants, or null where nothing is scheduled on the link now or later. */
export interface Door {
  link: 'live' | 'retired';
  opens: string | null;
  closes: string | null;
  openedByHost: boolean;
  /** One is in, or the last one dropped out less than 3 minutes ago without ending it. */
  hostInside: boolean;
  /** A host ended it; cleared by the next opening. */
  ended: boolean;
  inside: number;
}

export type Role = 'host' | 'presenter' | 'participant' | 'watcher';

export type EntryReason =
  | 'link-retired'
  | 'removed'
  | 'host'
  | 'ended'
  | 'over'
  | 'no-phone'
  | 'no-watching'
  | 'sign-in'
  | 'use-school-account'
  | 'not-invited'
  | 'not-on-roll'
  | 'nothing-planned'
  | 'early'
  | 'code-needed'
  | 'code-wrong'
  | 'full'
  | 'no-host'
  | 'watch'
  | 'straight-in'
  | 'lobby';

export interface EntryDecision {
  outcome: 'enter' | 'lobby' | 'not-yet' | 'refused';
  role?: Role;
  reason: EntryReason;
  /** When the door opens, for `early`. */
  until?: string;
}

const refused = (reason: EntryReason): EntryDecision => ({ outcome: 'refused', reason });
const plainCode = (code: string | null | undefined): string =>
  (code ?? '').replace(/\s+/g, '').toLowerCase();

/** What is true of the visitor once the kind of account is taken into account. */
function standing(visitor: Visitor) {
  const school = visitor.account === 'school';
  const personal = visitor.account === 'personal';
  const invited = visitor.invited && (school || personal);
  return {
    school,
    personal,
    phone: visitor.account === 'phone',
    invited,
    staff: visitor.staff && school,
    onRoll: visitor.onRoll && school,
    named: visitor.named && (school || (personal && invited)),
  };
}
type Standing = ReturnType<typeof standing>;

function mayEnter(who: EntryRules['whoMayEnter'], v: Standing): boolean {
  if (who === 'anyone' || v.invited || v.named) return true;
  if (who === 'invited') return false;
  if (v.onRoll) return true;
  if (who === 'roll') return false;
  return v.school || (who === 'signed-in' && v.personal);
}

function goesStraightIn(rules: EntryRules, v: Standing, letIn: boolean): boolean {
  if (letIn) return true;
  if (v.phone) return rules.phone === 'straight-in';
  if (rules.straightIn === 'everyone') return true;
  if (rules.straightIn === 'hosts') return false;
  if (v.named || (v.staff && rules.presenters === 'staff')) return true;
  if (rules.straightIn === 'presenters') return false;
  if (v.onRoll || v.invited) return true;
  return rules.straightIn === 'school' && v.school;
}

function roleOf(rules: EntryRules, v: Standing): 'presenter' | 'participant' {
  if (v.phone) return 'participant';
  const presents =
    rules.presenters === 'everyone' ||
    (rules.presenters === 'named' && v.named) ||
    (rules.presenters === 'staff' && (v.staff || v.named));
  return presents ? 'presenter' : 'participant';
}

/**
 * What happens to one visitor at one door at one moment: in, to the lobby, not yet, or refused, and why.
 * The rows below are asked in order and the first that fits answers.
 */
export function decideEntry({
  rules,
  visitor,
  door,
  now,
}: {
  rules: EntryRules;
  visitor: Visitor;
  door: Door;
  now: string;
}): EntryDecision {
  const at = secondsOf(now, 'now');
  const opens = door.opens === null ? null : secondsOf(door.opens, 'door.opens');
  const closes = door.closes === null ? null : secondsOf(door.closes, 'door.closes');
  const v = standing(visitor);

  if (door.link === 'retired') return refused('link-retired');
  if (visitor.removed) return refused('removed');
  if (visitor.host) return { outcome: 'enter', role: 'host', reason: 'host' };
  if (door.ended) return refused('ended');
  if (closes !== null && at >= closes && !door.hostInside) return refused('over');
  if (v.phone && rules.phone === 'none') return refused('no-phone');
  if (visitor.watchOnly && !rules.watching) return refused('no-watching');
  if (!v.phone && !mayEnter(rules.whoMayEnter, v)) {
    if (visitor.account === 'none') return refused('sign-in');
    if (v.personal) return refused('use-school-account');
    return refused(rules.whoMayEnter === 'invited' ? 'not-invited' : 'not-on-roll');
  }
  if (!(door.openedByHost && door.hostInside)) {
    if (opens === null && !rules.withoutHost)
      return { outcome: 'not-yet', reason: 'nothing-planned' };
    if (opens !== null && at < opens)
      return { outcome: 'not-yet', reason: 'early', until: door.opens! };
  }
  const code = plainCode(rules.entryCode);
  if (!v.phone && code !== '' && !v.named) {
    const given = plainCode(visitor.code);
    if (given === '') return refused('code-needed');
    if (given !== code) return refused('code-wrong');
  }
  if (door.inside >= rules.capacity && !visitor.watchOnly && !visitor.letIn) return refused('full');

  const straight = goesStraightIn(rules, v, visitor.letIn);
  const role = roleOf(rules, v);
  if (!door.hostInside && !rules.withoutHost) {
    const setsUpAlone =
      v.named && role === 'presenter' && straight && !visitor.watchOnly && !v.phone;
    if (!setsUpAlone) return { outcome: 'not-yet', reason: 'no-host' };
  }
  if (visitor.watchOnly) return { outcome: 'enter', role: 'watcher', reason: 'watch' };
  if (straight) return { outcome: 'enter', role, reason: 'straight-in' };
  return { outcome: 'lobby', role, reason: 'lobby' };
}
