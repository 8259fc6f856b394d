import { readGuests } from '@glen/core';
import { wrongField } from '../../http/problem.js';

/** Guests as they are typed or pasted, read; throws beside the field where a line holds no address, and where there is none. */
export function readTypedGuests(
  text: string,
  field: string,
): ReturnType<typeof readGuests>['guests'] {
  const { guests, unread } = readGuests(text);
  const [first] = unread;
  if (first)
    throw wrongField(field, `Line ${first.line} holds no address that can be read: ${first.text}`);
  if (guests.length === 0) throw wrongField(field, 'Give an address such as name@home.example.');
  return guests;
}
