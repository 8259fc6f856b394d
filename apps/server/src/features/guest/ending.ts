import { GUEST_KEPT_DAYS, guestPseudonym, invitationEnded, isGuestAlone } from '@glen/core';
import type { Glen } from '../../glen.js';
import { signOutElsewhere } from '../../http/browserSessions.js';
import { dropInvitingLetters } from '../mail/store.js';
import { dropEntries } from './calendarStore.js';
import {
  clearLog,
  endPerson,
  heldInvitation,
  invitationsAfter,
  isKnownGuest,
  lastEndsOf,
  withdrawnBefore,
} from './endingStore.js';
import { dropAddresses, knownGuest } from './store.js';

const DAY_SECONDS = 86400;
const AT_ONCE = 200;

/**
 * Ends the account of whoever has no invitation left, and was never more than a guest. Whoever is anything else at the
 * school keeps their account: only their invitation has gone.
 */
async function endAccount(glen: Glen, email: string, number: number): Promise<void> {
  if (await isKnownGuest(glen.db, email)) return;
  const known = await knownGuest(glen.db, email);
  const isMore = !known || known.owner.isMore || !isGuestAlone(known.owner.roles);
  if (isMore || known.owner.kind !== 'personal') return;
  await signOutElsewhere(glen, [known.accountId]);
  await endPerson(glen.db, known, {
    pseudonym: guestPseudonym(number),
    now: glen.clock.machine(),
  });
}

/** Takes name and address out of one invitation that has ended, and what the log says of it. */
async function endInvitation(glen: Glen, id: number): Promise<void> {
  await glen.db.transaction(async () => {
    const guest = await heldInvitation(glen.db, id);
    if (!guest || guest.state === 'ended') return;
    const { link_id: linkId, email } = guest;
    const pseudonym = guestPseudonym(id);
    // Of who was withdrawn nothing is left to count.
    if (guest.state === 'withdrawn') await guest.destroy();
    else await guest.update({ ...pseudonym, state: 'ended', left_at: glen.clock.machine() });
    await dropAddresses(glen.db, { linkId, email });
    await dropEntries(glen.db, { linkId, email });
    await clearLog(glen.db, { linkId, email }, pseudonym);
    if (!(await isKnownGuest(glen.db, email))) await dropInvitingLetters(glen.db, email);
    await endAccount(glen, email, id);
  });
}

/** Those whose last session is over for long enough. */
async function overAlready(glen: Glen, keptSince: string): Promise<number[]> {
  const over: number[] = [];
  let after = 0;
  for (;;) {
    const rows = await invitationsAfter(glen.db, after, AT_ONCE);
    const lastEnd = await lastEndsOf(glen.db, rows);
    const ended = rows.filter((row) => invitationEnded(lastEnd(row), keptSince));
    over.push(...ended.map((row) => row.id));
    if (rows.length < AT_ONCE) return over;
    after = rows.at(-1)!.id;
  }
}

/**
 * Ends what guests were invited to by itself, some days after the last session, and what was withdrawn as long ago: a number
 * is left of it. Gives how many. May be cut off anywhere: what is left is ended the next time.
 */
export async function endGuests(glen: Glen): Promise<number> {
  const ago = -GUEST_KEPT_DAYS * DAY_SECONDS;
  const withdrawn = await withdrawnBefore(glen.db, glen.clock.machine(ago), AT_ONCE);
  const over = await overAlready(glen, glen.clock.school(ago));
  const ids = [...withdrawn.map((guest) => guest.id), ...over];
  for (const id of ids) await endInvitation(glen, id);
  return ids.length;
}
