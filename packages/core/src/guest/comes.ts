/** How a guest comes: as one of the others inside, to present, or to see and hear and nothing else. */
export const GUEST_COMES = ['inside', 'speaker', 'watcher'] as const;
export type GuestComes = (typeof GUEST_COMES)[number];

/** What something holds for: series 0: always; key '': all dates of the series. */
export interface HoldsFor {
  seriesId: number;
  key: string;
}

/** Whether what holds always, for a series or for one date holds at a date of a series. */
export const holdsAt = (its: HoldsFor, date: HoldsFor): boolean =>
  (its.seriesId === 0 || its.seriesId === date.seriesId) &&
  (its.key === '' || its.key === date.key);

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
