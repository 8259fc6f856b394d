import type { TimeWindow } from '../slots/cutSlots.js';
import { meet } from '../slots/meet.js';
import { fitAppointments } from './fitAppointments.js';

/** A slot (instants) by its number. */
export interface NumberedSlot extends TimeWindow {
  nth: number;
}

/** Somebody whom a guest wants to see: their free slots, and the one that was chosen by hand; null: whichever fits. */
interface Wished {
  free: NumberedSlot[];
  nth: number | null;
}

/** What a wish comes to. */
interface Fitted {
  /** Null: none fits. */
  slot: NumberedSlot | null;
  /** What can be had beside the other wishes and what is taken. */
  others: NumberedSlot[];
}

const meetsAny = (slot: TimeWindow, others: TimeWindow[]): boolean =>
  others.some((other) => meet(slot, other));

/**
 * When a guest would see everybody whom they want to: what was chosen by hand stays, as long as it is free; the rest is fitted
 * in around it and around what they have already (`taken`), over as early as can be. In the order of the wishes.
 * Throws GlenInputError at `wanted`, where more are to be fitted in than MOST_WANTED.
 */
export function fitWishes({ wishes, taken }: { wishes: Wished[]; taken: TimeWindow[] }): Fitted[] {
  const chosen = wishes.map(({ free, nth }) => free.find((slot) => slot.nth === nth) ?? null);
  const byHand = chosen.filter((slot) => slot !== null);
  const rest = wishes.filter((_, i) => chosen[i] === null).map(({ free }) => free);
  const fitted = fitAppointments({ wanted: rest, taken: [...taken, ...byHand] });
  const inTurn = fitted.map((at, i) => (at === null ? null : rest[i]![at]!)).values();
  const slots = chosen.map((slot) => slot ?? inTurn.next().value ?? null);
  return wishes.map(({ free }, i) => {
    const beside = slots.filter((slot, other) => slot !== null && other !== i) as TimeWindow[];
    const others = free.filter((slot) => !meetsAny(slot, [...taken, ...beside]));
    return { slot: slots[i]!, others };
  });
}
