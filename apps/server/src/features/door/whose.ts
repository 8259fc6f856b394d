import { isPrivate } from '@glen/core';
import { isOnRoll, type DoorFacts } from './facts.js';

/** Whether a link is for whoever asks, or they host there. */
export function isTheirs(facts: DoorFacts): boolean {
  const { row, who, isHost } = facts;
  if (isHost || row.class_host || row.class_presenter) return true;
  if (who.account === null) return false;
  if (facts.comes !== undefined) return true;
  return row.link_invited || (who.account.kind === 'school' && isOnRoll(facts));
}

/** Whether whoever asks is not to read what a door's session is called: it is private, and not theirs. */
export function isKeptFrom(facts: DoorFacts): boolean {
  const { row, rules, at } = facts;
  const link = {
    kind: row.kind_of_link,
    isForNamed: Boolean(row.for_named),
    whoMayEnter: rules.whoMayEnter,
  };
  if (!isPrivate(link)) return false;
  const isBroughtIn = at?.occurrence.invited || at?.occurrence.joined_named;
  return !isTheirs(facts) && !isBroughtIn;
}
