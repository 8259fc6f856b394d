import type { LinkRow } from '@glen/contract';
import { RULE_WORDS } from '../entry/sentences.js';
import { audienceInWords } from './noted.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const choiceInWords = (field: 'whoMayEnter' | 'straightIn', value: string): string =>
  RULE_WORDS[field].choices.find((c) => c.value === value)?.label ?? value;

/** A link's entry rules as far as they tell links apart, in a few words. */
export function rulesInWords({ rules }: LinkRow): string {
  const who = choiceInWords('whoMayEnter', rules.whoMayEnter);
  const straightIn = choiceInWords('straightIn', rules.straightIn);
  return [
    fill(say.straightIn, { who, straightIn }),
    ...(rules.asksCode ? [say.withACode] : []),
    ...(rules.withoutHost ? [say.standsOpen] : []),
  ].join(', ');
}

/** Everything of a link that somebody may look for. */
const haystack = (link: LinkRow): string =>
  [
    link.label,
    link.purpose,
    link.classTitle,
    link.code,
    link.pennant.letters,
    audienceInWords(link),
    rulesInWords(link),
    link.room ?? say.schoolsVideoService,
    ...link.hosts.map((h) => h.name),
  ]
    .join(' ')
    .toLowerCase();

/** Whether every typed word stands somewhere in the link's row. */
export const fits = (link: LinkRow, typed: string): boolean =>
  typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => haystack(link).includes(word));
