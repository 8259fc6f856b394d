import { readGuests } from '@glen/core';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

/** How many guests’ addresses can be read in what is typed so far. */
export function guestsReadSoFar(text: string): string {
  const { guests, unread } = readGuests(text);
  if (guests.length === 0) return say.suchAsRasmusVaneRasmus;
  const count = many(say.guestsCounted, guests.length);
  return unread.length === 0
    ? `${count}.`
    : fill(say.noAddressInLine, { count, line: unread[0]!.line });
}
