import { readGuests } from '@glen/core';

/** How many guests’ addresses can be read in what is typed so far. */
export function guestsReadSoFar(text: string): string {
  const { guests, unread } = readGuests(text);
  if (guests.length === 0) return 'Such as: Rasmus Vane <rasmus@home.example>';
  const count = guests.length === 1 ? 'One guest' : `${guests.length} guests`;
  return unread.length === 0 ? `${count}.` : `${count}; no address in line ${unread[0]!.line}.`;
}
