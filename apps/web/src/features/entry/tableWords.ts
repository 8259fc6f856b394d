import type { EntryDecision, EntryTable, PersonKind, Way, WayChoice, WayColumn } from '@glen/core';

/** Who stands in the table by name. */
export interface Names {
  hosts: string[];
  presenters: string[];
  /** The class period's teachers who are left out of this link. */
  leftOut: string[];
  /** Who opens, lets in and closes while no host is in, and when. */
  takesOver: string[];
}

const KIND_WORDS: Record<PersonKind, string> = {
  host: 'Hosts',
  'named-presenter': 'A named presenter',
  'on-roll': 'Student on the roll',
  'on-roll-home-account': 'Same student, home account',
  'other-student': 'Student of another class',
  colleague: 'A colleague',
  'signed-in-guest': 'Guest with a home account',
  stranger: 'Anyone with the link',
  phone: 'By phone',
};

/** The same among others, in a sentence. */
const KINDS_AMONG: Record<PersonKind, string> = {
  host: 'hosts',
  'named-presenter': 'named presenters',
  'on-roll': 'the roll',
  'on-roll-home-account': 'home accounts of the roll',
  'other-student': 'other students',
  colleague: 'colleagues',
  'signed-in-guest': 'guests',
  stranger: 'anyone with the link',
  phone: 'phones',
};

/** What an answer of the door is called in the table. */
export function outcomeInWords(
  decision: EntryDecision,
  opensAt: string | null,
): { text: string; tone: 'well' | 'careful' | 'wrong' | 'plain' } {
  const presents = decision.role === 'presenter';
  if (decision.outcome === 'enter')
    return { text: presents ? 'straight in, presents' : 'enter', tone: 'well' };
  if (decision.outcome === 'lobby')
    return { text: presents ? 'lobby, then presents' : 'lobby', tone: 'careful' };
  if (decision.reason === 'early')
    return { text: opensAt ? `waits till ${opensAt}` : 'waits till it opens', tone: 'plain' };
  if (decision.reason === 'no-host') return { text: 'waits for a host', tone: 'plain' };
  if (decision.outcome === 'not-yet') return { text: 'waits', tone: 'plain' };
  if (decision.reason === 'use-school-account') return { text: 'asked to switch', tone: 'wrong' };
  if (decision.reason === 'sign-in') return { text: 'asked to sign in', tone: 'wrong' };
  return { text: 'turned away', tone: 'wrong' };
}

/** A row's name: people by their own, where they are named. */
export function rowName(kind: PersonKind, names: Names): { who: string; as?: string } {
  if (kind === 'host' && names.hosts.length > 0)
    return { who: names.hosts.join(', '), as: 'hosts' };
  if (kind === 'named-presenter' && names.presenters.length > 0)
    return { who: names.presenters.join(', '), as: 'named presenter' };
  if (kind === 'colleague' && names.leftOut.length > 0)
    return { who: names.leftOut.join(', '), as: 'left out, as any colleague' };
  return { who: KIND_WORDS[kind] };
}

export const momentWords = (
  opensAt: string | null,
): Record<EntryTable['moments'][number], string> => ({
  before: opensAt ? `before ${opensAt}` : 'before it opens',
  'open-no-host': 'open, no host',
  'host-in': 'host is in',
  ended: 'after the end',
});

/** What a cell says, of those that can be set. */
export function wayInWords(column: WayColumn, value: Way[WayColumn]): string {
  if (column === 'comesIn') return String(value);
  if (column === 'presents') return value ? 'yes' : 'no';
  return value ? 'may come' : 'waits';
}

/** What a cell is called when it is read out. */
export const COLUMN_WORDS: Record<WayColumn, string> = {
  comesIn: 'comes in',
  presents: 'presents',
  withoutHost: 'without a host',
};

/** Only so many are named. */
const NAMED = 3;

/** Whom else a choice changes: “also the roll, colleagues”. */
export function othersInWords({ others }: WayChoice): string {
  if (others.length === 0) return '';
  const named = others.slice(0, NAMED).map((kind) => KINDS_AMONG[kind]);
  const rest = others.length - named.length;
  return `also ${named.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}`;
}
