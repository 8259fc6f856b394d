import { randomBytes } from 'node:crypto';
import type { AppointmentGuestRow } from '../../db/models/AppointmentGuest.js';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { readTypedGuests } from '../guest/typed.js';

const TOKEN_BYTES = 18;
/** So many guests are invited to one evening at the most. */
const MOST_GUESTS = 400;

/** Under which what is kept of a guest's token is sealed. */
const sealKey = (email: string): string => `appointments ${email}`;

/** Guests as they are typed, each with an address of their own; those who are known already are left out. */
export function readNewGuests(
  glen: Glen,
  { text, field }: { text: string; field: string },
  known: { email: string }[],
): Pick<AppointmentGuestRow, 'email' | 'name' | 'token_hash' | 'sealed_token'>[] {
  const emails = new Set(known.map(({ email }) => email));
  const guests = readTypedGuests(text, field).filter(({ email }) => !emails.has(email));
  if (known.length + guests.length > MOST_GUESTS)
    throw wrongField(field, `At most ${MOST_GUESTS} guests; ${known.length} are invited.`);
  return guests.map(({ email, name }) => {
    const token = randomBytes(TOKEN_BYTES).toString('base64url');
    return {
      email,
      name,
      token_hash: glen.tokens.hash('appointments', token),
      sealed_token: glen.tokens.seal(sealKey(email), token),
    };
  });
}

/** Where a guest chooses. */
export const addressOf = (
  glen: Pick<Glen, 'config' | 'tokens'>,
  { email, sealed_token: sealed }: Pick<AppointmentGuestRow, 'email' | 'sealed_token'>,
): string =>
  `${glen.config.publicUrl}/appointments/for/${glen.tokens.open(sealKey(email), sealed)}`;
