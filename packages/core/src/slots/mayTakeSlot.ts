import { dayNumber, mondayOf } from '../time/dates.js';
import { plusMinutes } from '../time/seconds.js';
import type { TimeWindow } from './cutSlots.js';
import type { SlotWays } from './slotWays.js';

/** Why somebody cannot have a slot. */
export type NoSlot = 'over' | 'too-late' | 'too-early' | 'enough';

/** A slot that somebody has, by its day: a wall-clock date. */
interface OnDay {
  date: string;
}

const weekOf = (date: string): number => mondayOf(dayNumber(date, 'date'));

/** Whether somebody has as many slots as they may in the week of a date. */
const hasEnough = (date: string, theirs: OnDay[], { most }: SlotWays): boolean =>
  most > 0 && theirs.filter((one) => weekOf(one.date) === weekOf(date)).length >= most;

/**
 * Why somebody cannot take a slot now; null: they can. `theirs` are the slots that they have, without one that they would give for this.
 * One that is offered on, as whoever had it did not come, can be had until it ends. `today` is the school's date.
 */
export function mayTakeSlot(
  slot: TimeWindow & OnDay & { isOfferedOn: boolean },
  {
    now,
    today,
    ways,
    theirs,
  }: {
    now: string;
    today: string;
    ways: SlotWays;
    theirs: OnDay[];
  },
): NoSlot | null {
  if (slot.end <= now) return 'over';
  if (!slot.isOfferedOn && plusMinutes(slot.start, -ways.closesMinutes) <= now) return 'too-late';
  if (dayNumber(slot.date, 'date') - dayNumber(today, 'today') > ways.opensDays) return 'too-early';
  return hasEnough(slot.date, theirs, ways) ? 'enough' : null;
}

/** Why somebody cannot wait for a slot of a day on which all are taken; null: they can. */
export function mayWaitForSlot(
  day: OnDay & { end: string },
  asked: { now: string; today: string; ways: SlotWays; theirs: OnDay[] },
): NoSlot | null {
  return mayTakeSlot({ ...day, start: day.end, isOfferedOn: true }, asked);
}

const WORDS: Record<NoSlot, (ways: SlotWays) => string> = {
  over: () => 'This slot is over.',
  'too-late': ({ closesMinutes }) =>
    closesMinutes === 0
      ? 'This slot has begun.'
      : `It could be taken until ${closesMinutes} minutes before it begins.`,
  'too-early': ({ opensDays }) => `It can be taken from ${opensDays} days before.`,
  enough: ({ most }) =>
    most === 1 ? 'You have a slot in this week already.' : `You have ${most} slots in this week.`,
};

export const noSlotInWords = (why: NoSlot, ways: SlotWays): string => WORDS[why](ways);
