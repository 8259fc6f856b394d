interface Answered {
  said: 'yes' | 'no' | null;
}

interface GuestCount {
  asked: number;
  yes: number;
  no: number;
  silent: number;
  /** Who has not said no. */
  expected: number;
}

/** How many of a guest list said what. */
function countGuests(guests: readonly Answered[]): GuestCount {
  const yes = guests.filter((guest) => guest.said === 'yes').length;
  const no = guests.filter((guest) => guest.said === 'no').length;
  const asked = guests.length;
  return { asked, yes, no, silent: asked - yes - no, expected: asked - no };
}

/** `We expect 60; 43 said yes, 2 said no.` in whole words; nothing for nobody. */
export function guestCountInWords(guests: readonly Answered[]): string {
  const { asked, yes, no, expected } = countGuests(guests);
  if (asked === 0) return '';
  const said = [yes > 0 && `${yes} said yes`, no > 0 && `${no} said no`].filter(Boolean);
  return `We expect ${expected}; ${said.length > 0 ? said.join(', ') : 'nobody has said yes or no yet'}.`;
}

/** So many days after the last session of what a guest was invited to, name and address are kept no longer. */
export const GUEST_KEPT_DAYS = 14;

/**
 * Whether an invitation has ended by itself: the last session that it holds for, past or to come, is over for long enough
 * that a host has looked back at who came. What never had one goes on. (UTC)
 */
export const invitationEnded = (lastEnd: string | null, keptSince: string): boolean =>
  lastEnd !== null && lastEnd < keptSince;

/**
 * What stands in the place of a guest whose invitations are all over: their number keeps what they did together, and leads
 * to nobody. The address is one that can never be (RFC 2606, 2).
 */
export const guestPseudonym = (number: number): { name: string; email: string } => ({
  name: `Guest ${number}`,
  email: `guest-${number}@ended.invalid`,
});
