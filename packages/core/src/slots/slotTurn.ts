import { plusMinutes } from '../time/seconds.js';
import type { TimeWindow } from './cutSlots.js';
import { SLOT_WARNING_MINUTES, type SlotWays } from './slotWays.js';

/** How it stands with somebody's slots in a session, at an instant. */
export type SlotTurn =
  /** They have none here, or none any more. */
  | { kind: 'none' }
  /** They wait for one to become free. */
  | { kind: 'waits' }
  /** `before` others are still to come before them, whoever is in aside. */
  | { kind: 'ahead'; start: string; before: number }
  | { kind: 'now'; end: string }
  | { kind: 'over' };

/**
 * How it stands with somebody's slots. `slots` of the session in order, `taken` the indices of those that somebody has, `mine` of one's own,
 * `waits` whether one waits for one.
 */
export function slotTurn({
  slots,
  taken,
  mine,
  waits,
  now,
}: {
  slots: TimeWindow[];
  taken: number[];
  mine: number[];
  waits: boolean;
  now: string;
}): SlotTurn {
  const own = mine.filter((nth) => slots[nth] !== undefined).sort((a, b) => a - b);
  const next = own.find((nth) => slots[nth]!.end > now);
  if (next === undefined) {
    if (waits) return { kind: 'waits' };
    return { kind: own.length > 0 ? 'over' : 'none' };
  }
  const { start, end } = slots[next]!;
  if (start <= now) return { kind: 'now', end };
  const before = taken.filter((nth) => nth < next && (slots[nth]?.start ?? '') > now).length;
  return { kind: 'ahead', start, before };
}

/** The next instant after `now` at which something in the line of slots changes; null: nothing any more. */
export function nextSlotMoment(slots: TimeWindow[], ways: SlotWays, now: string): string | null {
  const moments = slots.flatMap(({ start, end }) => [
    start,
    plusMinutes(start, ways.missedAfter),
    plusMinutes(end, -SLOT_WARNING_MINUTES),
    end,
  ]);
  const ahead = moments.filter((at) => at > now);
  return ahead.length === 0 ? null : ahead.reduce((a, b) => (a < b ? a : b));
}

/** How it stands with somebody's slots, told at the door. `timeOf` gives an instant as the school's clock shows it. */
export function turnInWords(turn: SlotTurn, timeOf: (instant: string) => string): string {
  switch (turn.kind) {
    case 'none':
      return 'People come by slots here. Take one, or wait: the host may let you in between.';
    case 'waits':
      return 'You wait for a slot, and are told as soon as one is yours.';
    case 'ahead':
      return turn.before === 0
        ? `You are next, about ${timeOf(turn.start)}. Leave this page open: it lets you in by itself.`
        : `${turn.before} before you; your slot begins about ${timeOf(turn.start)}. Leave this page open: it lets you in by itself.`;
    case 'now':
      return `It is your turn, until ${timeOf(turn.end)}.`;
    case 'over':
      return 'Your slot is over. The host may let you in once more.';
  }
}
