import type { PersonRole } from '../people/roles.js';

/** Known to the school for no more than having an account, or being somebody's guest. */
export const isGuestAlone = (roles: readonly PersonRole[]): boolean =>
  roles.every((role) => role === 'guest');

/** Whoever has an address already, as far as it bears on whether a host's word is enough for it. */
export interface AddressOwner {
  kind: 'school' | 'personal';
  roles: readonly PersonRole[];
  /** They have a password, a passkey or a provider. */
  hasWayIn: boolean;
  /** There is something else to their name: another account, a link or a session that is for them, a child. */
  isMore: boolean;
}

interface Asked {
  /** Nobody's yet: null. */
  owner: AddressOwner | null;
  /** The class periods at whose links the address is a guest's. */
  invitedBy: readonly number[];
  /** The class periods that the host who passes the address on hosts. */
  hosted: ReadonlySet<number>;
  /** It was written to that mailbox and shown to nobody else. */
  isMailed: boolean;
}

/**
 * Whether a one-time address is enough for whoever brings it. A host's word is, for a guest and nothing else, of that host's
 * own class periods alone: for anybody more, whoever passes the address on could come in as them. What was written to a
 * mailbox and shown to nobody shows whose it is without a host's word, whoever else invites them; but whoever has a way in,
 * or is more to the school than a guest, comes by that.
 */
export function mayVouch({ owner, invitedBy, hosted, isMailed }: Asked): boolean {
  if (!isMailed && !invitedBy.every((classId) => hosted.has(classId))) return false;
  if (!owner) return true;
  if (owner.kind !== 'personal' || owner.hasWayIn || !isGuestAlone(owner.roles)) return false;
  return isMailed || !owner.isMore;
}
