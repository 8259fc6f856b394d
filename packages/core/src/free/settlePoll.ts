/** A time that was offered to choose from. */
export interface OfferedTime {
  id: number;
  /** An instant. */
  start: string;
  /** How many have said that it suits them. */
  chosen: number;
  /** Those who must come are still free then. */
  isFree: boolean;
}

/**
 * Which of some offered times it becomes: one that is still ahead and free, and suits somebody; most of those asked, then the
 * earliest. Null: none of them.
 */
export function settlePoll(times: OfferedTime[], now: string): number | null {
  const possible = times.filter(({ start, chosen, isFree }) => start > now && chosen > 0 && isFree);
  const [best] = possible.sort((a, b) => b.chosen - a.chosen || (a.start < b.start ? -1 : 1));
  return best?.id ?? null;
}
