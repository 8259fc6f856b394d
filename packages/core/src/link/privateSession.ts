import type { RuleSetting } from '../entry/reviewRules.js';
import type { EntryRules } from '../entry/rules.js';

/** What strangers read in the place of a private session's title. */
export const PRIVATE_SESSION = 'A private session';

interface AskedLink {
  kind: RuleSetting['kind'];
  /** For people by name alone: neither for a class period nor for a group of one. */
  isForNamed: boolean;
  /** By the rules in force, those of the session itself among them. */
  whoMayEnter: EntryRules['whoMayEnter'];
}

/**
 * Whether what is held on a link is a matter between those whom it is for, so that others are not to read what it is
 * called: a one-to-one, what is for people by name, or what only the invited may enter. (Common practice, no source.)
 */
export const isPrivate = ({ kind, isForNamed, whoMayEnter }: AskedLink): boolean =>
  kind === 'one-to-one' || isForNamed || whoMayEnter === 'invited';
