import { fail } from '../input.js';
import { readLinkCode } from './linkCode.js';

const LONGEST = 500;
/** Signs that nobody sees and that come along when an address is copied out of a document or a chat. */
const INVISIBLE = /[\u00ad\u200b-\u200f\u2028-\u202e\u2060-\u2064\ufeff]/g;

/**
 * The address of a room that somebody pasted, settled: https, without a user name or password, not Glen's own and no other
 * Glen door. Space around it and invisible signs in it are taken off. `own`: Glen's own address.
 * Throws GlenInputError at `address` with what is wrong.
 */
export function readRoomAddress(pasted: string, own: string): string {
  const text = pasted.replace(INVISIBLE, '').trim();
  if (text === '') fail('address', 'Paste the room’s address.');
  if (text.length > LONGEST) fail('address', `At most ${LONGEST} characters.`);
  if (/\s/.test(text))
    fail(
      'address',
      'There is a space in it. Paste the address alone, without the words around it.',
    );
  let url: URL;
  try {
    url = new URL(text);
  } catch {
    return fail(
      'address',
      'This is no address. It begins with https://, as the browser shows it when you are in the room.',
    );
  }
  if (url.protocol !== 'https:')
    fail('address', 'It has to begin with https://, so that nobody can listen in on the way.');
  if (url.username !== '' || url.password !== '')
    fail(
      'address',
      'There is a user name or a password in it (before the @). Everyone let in would read it; take it out.',
    );
  if (url.host === new URL(own).host)
    fail(
      'address',
      'This is an address of Glen itself. Paste the address of the room behind the door.',
    );
  const door = url.pathname.match(/^\/door\/([^/]+)\/?$/);
  if (door && readLinkCode(decodeURIComponent(door[1]!)) !== null)
    fail(
      'address',
      'This is another door of Glen’s kind, not a room: people would go from door to door.',
    );
  return url.href;
}
