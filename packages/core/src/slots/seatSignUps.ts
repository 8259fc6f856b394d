import { checkWhole } from '../input.js';

/** One who has signed up: for a slot, or to wait for one. */
export interface SignUp {
  id: number;
  /** The slot, counted from 0 in its window; null: they wait. */
  nth: number | null;
}

/**
 * Who has which slot of a window of `count` slots, of which those before `first` can no longer be had. Whoever has one that there is keeps it;
 * whoever had one that there is no more goes before all who wait; and who waits moves up, in their order, into what is free. Sign-ups stand
 * in the order in which they were made. Throws GlenInputError at `count`, `first`.
 */
export function seatSignUps({
  signUps,
  count,
  first,
}: {
  signUps: SignUp[];
  count: number;
  first: number;
}): SignUp[] {
  checkWhole(count, 0, Infinity, 'count');
  checkWhole(first, 0, Infinity, 'first');
  const isThere = ({ nth }: SignUp): boolean => nth !== null && nth < count;
  const taken = new Set(signUps.filter(isThere).map(({ nth }) => nth!));
  const free = Array.from({ length: count }, (_, nth) => nth).filter(
    (nth) => nth >= first && !taken.has(nth),
  );
  const lost = signUps.filter((one) => one.nth !== null && !isThere(one));
  const inSlotOrder = [...lost].sort((a, b) => a.nth! - b.nth!);
  const waiting = [...inSlotOrder, ...signUps.filter(({ nth }) => nth === null)];
  const moved = new Map(waiting.map(({ id }, i) => [id, free[i] ?? null]));
  return signUps.map((one) => (moved.has(one.id) ? { ...one, nth: moved.get(one.id)! } : one));
}
