import { linkOfPin, makePhonePin, pinInGroups, formerCodeLeads, type EntryRules } from '@glen/core';
import type { Glen } from '../../glen.js';
import { codesOf, linkById } from './store.js';

const pinFor = ({ tokens }: Glen, linkId: number, code: string): string =>
  makePhonePin(linkId, Buffer.from(tokens.hash('pin', `${linkId} ${code}`), 'base64url'));

interface LinkByPhone {
  id: number;
  code: string;
  room_address: string | null;
}

/** What callers dial and key in for a link; null where its rules let none come, or where its room has no telephone. */
export function byPhone(
  glen: Glen,
  { id, code, room_address }: LinkByPhone,
  rules: Pick<EntryRules, 'phone'>,
): { number: string; pin: string } | null {
  const number = glen.video?.phoneNumber ?? null;
  if (number === null || rules.phone === 'none' || room_address !== null) return null;
  return { number, pin: pinInGroups(pinFor(glen, id, code)) };
}

/** The code of the link that a keyed pin is for, by the code it has or by one that still leads to it. */
export async function codeOfPin(glen: Glen, keyed: string): Promise<string | undefined> {
  const claimed = linkOfPin(keyed);
  if (!claimed) return undefined;
  const { linkId, pin } = claimed;
  const link = await linkById(glen.db, linkId);
  if (!link) return undefined;
  const now = glen.clock.school();
  const codes = await codesOf(glen.db, linkId);
  const leads = codes.some(
    ({ code, how, until_at: until }) =>
      (code === link.code || (how !== null && formerCodeLeads({ how, until }, now))) &&
      pinFor(glen, linkId, code) === pin,
  );
  return leads ? link.code : undefined;
}
