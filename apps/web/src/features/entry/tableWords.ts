import type { EntryDecision, EntryTable, PersonKind, Way, WayChoice, WayColumn } from '@glen/core';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Who stands in the table by name. */
export interface Names {
  hosts: string[];
  presenters: string[];
  /** The class period's teachers who are left out of this link. */
  leftOut: string[];
  /** Who opens, lets in and closes while no host is in, and when. */
  takesOver: string[];
}

const KIND_WORDS: Record<PersonKind, string> = say.kindWords;

/** The same among others, in a sentence. */
const KINDS_AMONG: Record<PersonKind, string> = say.kindsAmong;

/** What an answer of the door is called in the table. */
export function outcomeInWords(
  decision: EntryDecision,
  opensAt: string | null,
): { text: string; tone: 'well' | 'careful' | 'wrong' | 'plain' } {
  const presents = decision.role === 'presenter';
  if (decision.outcome === 'enter')
    return { text: presents ? say.straightInPresents : 'enter', tone: 'well' };
  if (decision.outcome === 'lobby')
    return { text: presents ? say.lobbyThenPresents : 'lobby', tone: 'careful' };
  if (decision.reason === 'early')
    return {
      text: opensAt ? fill(say.waitsTill, { opensAt }) : say.waitsTillItOpens,
      tone: 'plain',
    };
  if (decision.reason === 'no-host') return { text: say.waitsForAHost, tone: 'plain' };
  if (decision.outcome === 'not-yet') return { text: say.waits, tone: 'plain' };
  if (decision.reason === 'use-school-account') return { text: say.askedToSwitch, tone: 'wrong' };
  if (decision.reason === 'sign-in') return { text: say.askedToSignIn, tone: 'wrong' };
  return { text: say.turnedAway, tone: 'wrong' };
}

/** A row's name: people by their own, where they are named. */
export function rowName(kind: PersonKind, names: Names): { who: string; as?: string } {
  if (kind === 'host' && names.hosts.length > 0)
    return { who: names.hosts.join(', '), as: 'hosts' };
  if (kind === 'named-presenter' && names.presenters.length > 0)
    return { who: names.presenters.join(', '), as: say.namedPresenter };
  if (kind === 'colleague' && names.leftOut.length > 0)
    return { who: names.leftOut.join(', '), as: say.leftOutAsAnyColleague };
  return { who: KIND_WORDS[kind] };
}

export const momentWords = (
  opensAt: string | null,
): Record<EntryTable['moments'][number], string> => ({
  before: opensAt ? fill(say.beforeOpensAt, { opensAt }) : say.beforeItOpens,
  'open-no-host': say.openNoHost,
  'host-in': say.hostIsIn,
  ended: say.afterTheEnd,
});

/** What a cell says, of those that can be set. */
export function wayInWords(column: WayColumn, value: Way[WayColumn]): string {
  if (column === 'comesIn') return String(value);
  if (column === 'presents') return value ? 'yes' : 'no';
  return value ? say.mayCome : 'waits';
}

/** What a cell is called when it is read out. */
export const COLUMN_WORDS: Record<WayColumn, string> = say.columnWords;

/** Only so many are named. */
const NAMED = 3;

/** Whom else a choice changes: “also the roll, colleagues”. */
export function othersInWords({ others }: WayChoice): string {
  if (others.length === 0) return '';
  const named = others.slice(0, NAMED).map((kind) => KINDS_AMONG[kind]);
  const rest = others.length - named.length;
  return fill(rest > 0 ? say.alsoNamedAndMore : say.alsoNamed, { named: named.join(', '), rest });
}
