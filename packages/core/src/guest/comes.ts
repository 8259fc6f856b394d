import { holdsAt, type HoldsFor } from '../link/holdsFor.js';

/** How a guest comes: as one of the others inside, to present, or to see and hear and nothing else. */
export const GUEST_COMES = ['inside', 'speaker', 'watcher'] as const;
export type GuestComes = (typeof GUEST_COMES)[number];

/** What allows more goes before what allows less. */
const BY_POWER: readonly GuestComes[] = ['speaker', 'inside', 'watcher'];

/** How a guest comes at a date, where some of what they were invited to holds then; undefined where nothing does. */
export function comesAt(
  invitations: readonly (HoldsFor & { comes: GuestComes })[],
  date: HoldsFor,
): GuestComes | undefined {
  const then = invitations.filter((one) => holdsAt(one, date)).map((one) => one.comes);
  return BY_POWER.find((comes) => then.includes(comes));
}
