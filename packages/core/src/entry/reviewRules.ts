import { RULE_FIELDS, type EntryRules, type RuleField } from './rules.js';

/** What the rules are for, and where their link stands. */
export interface RuleSetting {
  kind: 'lesson' | 'one-to-one' | 'help' | 'event' | 'project';
  /** People come without a personal invitation, such as parents by a shared link. */
  guests: boolean;
  namedCount: number;
  roll: number;
  /** The room rules that the video service behind the door can hold. */
  holds: RuleField[];
  /** Places where the link stands or is about to. */
  placements: { hasCode: boolean; readersBeyondAudience: boolean }[];
}

export type FindingCode =
  | 'open-door'
  | 'crowd-alone'
  | 'nobody-to-admit'
  | 'one-to-one-open'
  | 'guests-shut-out'
  | 'named-cannot-present'
  | 'named-wait'
  | 'everyone-presents'
  | 'code-not-sent'
  | 'link-in-public'
  | 'lobby-crowd'
  | 'phone-straight-in'
  | 'room-cannot-hold';

export interface Finding {
  code: FindingCode;
  severity: 'high' | 'medium' | 'info';
  message: string;
  /** Applied, it removes the finding (or lowers it, where the message says so) and adds none that is high. */
  fix?: Partial<EntryRules>;
}

/** What a room does of itself, when nobody tells it otherwise. */
const BARE_ROOM = {
  presenters: 'everyone',
  arriveMuted: false,
  mayUnmute: true,
  camera: 'choice',
  hostCamera: 'choice',
  sharing: 'everyone',
  chat: true,
  chime: false,
  recording: 'by-host',
} as const satisfies Partial<EntryRules>;

const ROOM_WORDS: Record<keyof typeof BARE_ROOM, string> = {
  presenters: 'who presents',
  arriveMuted: 'muted on arrival',
  mayUnmute: 'who may speak',
  camera: 'cameras',
  hostCamera: 'cameras of hosts',
  sharing: 'who shares a screen',
  chat: 'chat',
  chime: 'announced arrivals',
  recording: 'recording',
};

type Ask = (rules: EntryRules, setting: RuleSetting) => Omit<Finding, 'code'> | undefined | false;

const hasCode = (rules: EntryRules): boolean =>
  rules.entryCode !== null && rules.entryCode.trim() !== '';
const anyAccount = (rules: EntryRules): boolean =>
  rules.whoMayEnter === 'signed-in' || rules.whoMayEnter === 'anyone';
const mostStraightIn = (rules: EntryRules): boolean =>
  rules.straightIn === 'roll' || rules.straightIn === 'school' || rules.straightIn === 'everyone';

/** Every finding by its code, in the order in which equals are told. */
const FINDINGS: Record<FindingCode, Ask> = {
  'open-door': (rules, { kind }) =>
    rules.whoMayEnter === 'anyone' &&
    rules.straightIn === 'everyone' &&
    !hasCode(rules) && {
      severity: kind === 'event' ? 'info' : 'high',
      message:
        kind === 'event'
          ? 'Whoever has the link walks in, as an open evening wants it.'
          : 'Whoever has the link walks straight in: no sign-in, no lobby, no code.',
      fix: { straightIn: 'presenters' },
    },
  'crowd-alone': (rules) =>
    anyAccount(rules) &&
    rules.withoutHost && {
      severity: 'high',
      message: 'People from outside the school can be in the room with no host there.',
      fix: { withoutHost: false },
    },
  'nobody-to-admit': (rules) =>
    rules.withoutHost &&
    rules.straightIn !== 'everyone' && {
      severity: 'medium',
      message:
        'People may be in without a host, but then nobody lets in those who wait in the lobby.',
      fix: { withoutHost: false },
    },
  'one-to-one-open': (rules, { kind }) =>
    kind === 'one-to-one' &&
    (mostStraightIn(rules) || rules.watching) && {
      severity: 'high',
      message: 'In a one-to-one others could walk in on you.',
      fix: {
        ...(mostStraightIn(rules) ? { straightIn: 'hosts' as const } : {}),
        ...(rules.watching ? { watching: false } : {}),
      },
    },
  'guests-shut-out': (rules, { kind, guests }) =>
    guests &&
    !anyAccount(rules) && {
      severity: 'high',
      message: 'Guests come by this link, and the rules turn them away.',
      fix: {
        whoMayEnter: kind === 'event' ? 'anyone' : 'signed-in',
        ...(rules.withoutHost ? { withoutHost: false } : {}),
      },
    },
  'named-cannot-present': (rules, { namedCount }) =>
    namedCount > 0 &&
    rules.presenters === 'hosts' && {
      severity: 'medium',
      message:
        namedCount === 1
          ? 'You have named a presenter, and only hosts may present.'
          : `You have named ${namedCount} presenters, and only hosts may present.`,
      fix: { presenters: 'named' },
    },
  'named-wait': (rules, { namedCount }) =>
    namedCount > 0 &&
    rules.straightIn === 'hosts' && {
      severity: 'info',
      message: 'Named presenters wait in the lobby until somebody lets them in.',
      fix: { straightIn: 'presenters' },
    },
  'everyone-presents': (rules, { kind }) =>
    rules.presenters === 'everyone' &&
    kind !== 'project' &&
    kind !== 'one-to-one' && {
      severity: 'medium',
      message: 'Everyone in the room may present and take over the screen.',
      fix: { presenters: 'named' },
    },
  'code-not-sent': (rules, { placements }) =>
    hasCode(rules) &&
    placements.some((p) => !p.hasCode) && {
      severity: 'high',
      message:
        'The door asks for a code that a post with the link does not give. Put {entryCode} into the post.',
    },
  'link-in-public': (rules, { placements }) =>
    placements.some((p) => p.readersBeyondAudience) &&
    (rules.straightIn === 'hosts' || rules.straightIn === 'presenters'
      ? {
          severity: 'medium',
          message:
            'The link stands where people outside its audience read it. The lobby holds them.',
        }
      : {
          severity: 'high',
          message:
            'The link stands where people outside its audience read it, and no lobby holds them. With a lobby it is less of a worry.',
          fix: { straightIn: 'presenters' },
        }),
  'lobby-crowd': (rules, { kind, guests }) =>
    kind === 'event' &&
    guests &&
    rules.straightIn !== 'everyone' && {
      severity: 'info',
      message:
        'Every guest will wait in the lobby until somebody lets them in. With many guests that is a queue.',
    },
  'phone-straight-in': (rules) =>
    rules.phone === 'straight-in' &&
    rules.straightIn !== 'everyone' && {
      severity: 'medium',
      message: 'Phone callers, whom nobody can see, go past the lobby in which others wait.',
      fix: { phone: 'lobby' },
    },
  'room-cannot-hold': (rules, { holds }) => {
    const lost = rulesToSetByHand(rules, holds);
    return (
      lost.length > 0 && {
        severity: 'medium',
        message: `The room behind this door does not keep: ${lost.map((field) => ROOM_WORDS[field]).join(', ')}. Set these in the room yourself.`,
      }
    );
  },
};

/** The rules that a room does not keep by itself and that differ from what a bare room does: the teacher's to set in the room. */
export function rulesToSetByHand(
  rules: EntryRules,
  holds: readonly RuleField[],
): (keyof typeof BARE_ROOM)[] {
  return RULE_FIELDS.filter(
    (field): field is keyof typeof BARE_ROOM =>
      field in BARE_ROOM &&
      !holds.includes(field) &&
      rules[field] !== BARE_ROOM[field as keyof typeof BARE_ROOM],
  );
}

const RANK = { high: 0, medium: 1, info: 2 } as const;

/**
 * What is unsafe or self-defeating in a set of rules for what they are for: worst first, then in a fixed order.
 * Common practice (no published source): at least one of lobby and code is on where strangers could come; a code
 * that is on is in what is sent.
 */
export function reviewRules(rules: EntryRules, setting: RuleSetting): Finding[] {
  return (Object.entries(FINDINGS) as [FindingCode, Ask][])
    .flatMap(([code, ask]): Finding[] => {
      const found = ask(rules, setting);
      return found ? [{ code, ...found }] : [];
    })
    .sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}
