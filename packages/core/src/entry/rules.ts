import { checkOneOf, checkWhole, fail } from '../input.js';

/** Who gets in, how, and what they may do. */
export interface EntryRules {
  // Glen's door holds these, whatever video service stands behind
  whoMayEnter: 'invited' | 'roll' | 'school' | 'signed-in' | 'anyone';
  /** Past the lobby; each includes those before it. */
  straightIn: 'hosts' | 'presenters' | 'roll' | 'school' | 'everyone';
  /** May people be in the room while no host is. */
  withoutHost: boolean;
  /** Minutes, 0 to 120. */
  opensBefore: number;
  closesAfter: number;
  entryCode: string | null;
  /** A watch-only way in exists. */
  watching: boolean;
  phone: 'none' | 'lobby' | 'straight-in';
  capacity: number;
  // the room holds these, where the video service can
  presenters: 'hosts' | 'named' | 'staff' | 'everyone';
  arriveMuted: boolean;
  mayUnmute: boolean;
  camera: 'off' | 'choice' | 'on';
  hostCamera: 'off' | 'choice' | 'on';
  sharing: 'hosts' | 'presenters' | 'everyone';
  chat: boolean;
  /** Comings and goings are announced. */
  chime: boolean;
  recording: 'off' | 'by-host' | 'from-start';
}

export type RuleField = keyof EntryRules;

type Check = readonly string[] | 'boolean' | 'minutes' | 'code' | 'capacity';

/** Every field in the interface's order, with what it may hold. */
const FIELDS: Record<RuleField, Check> = {
  whoMayEnter: ['invited', 'roll', 'school', 'signed-in', 'anyone'],
  straightIn: ['hosts', 'presenters', 'roll', 'school', 'everyone'],
  withoutHost: 'boolean',
  opensBefore: 'minutes',
  closesAfter: 'minutes',
  entryCode: 'code',
  watching: 'boolean',
  phone: ['none', 'lobby', 'straight-in'],
  capacity: 'capacity',
  presenters: ['hosts', 'named', 'staff', 'everyone'],
  arriveMuted: 'boolean',
  mayUnmute: 'boolean',
  camera: ['off', 'choice', 'on'],
  hostCamera: ['off', 'choice', 'on'],
  sharing: ['hosts', 'presenters', 'everyone'],
  chat: 'boolean',
  chime: 'boolean',
  recording: ['off', 'by-host', 'from-start'],
};

export const RULE_FIELDS = Object.keys(FIELDS) as RuleField[];

/** All that a rule can be, where that is a few things; none where it is a number or a code. */
export function valuesOf(field: RuleField): readonly EntryRules[RuleField][] {
  const kind = FIELDS[field];
  if (kind === 'boolean') return [false, true];
  return typeof kind === 'string' ? [] : (kind as readonly EntryRules[RuleField][]);
}

/** Checks one rule's value and gives it in its settled form (a blank code is no code). */
export function checkRule<F extends RuleField>(
  field: F,
  value: unknown,
  path: string,
): EntryRules[F] {
  const kind: Check | undefined = FIELDS[field];
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- the name may come from outside
  if (kind === undefined) fail(path, `There is no entry rule ${field}.`);
  if (kind === 'boolean') {
    if (typeof value !== 'boolean') fail(path, 'Say yes or no.');
  } else if (kind === 'minutes') checkWhole(value, 0, 120, path);
  else if (kind === 'capacity') checkWhole(value, 1, Infinity, path);
  else if (kind === 'code') {
    if (value !== null && typeof value !== 'string') fail(path, 'Give a code, or none.');
    return (value === null || value.trim() === '' ? null : value) as EntryRules[F];
  } else checkOneOf(value, kind, path);
  return value as EntryRules[F];
}
