import { USUAL_SLOTS, type SlotPattern } from '@glen/core';
import { wholeOf } from './wholeOf.js';

/** What the sheet holds of a new session's slots: whether it is cut, and its numbers as typed. */
export interface SlotsDraft {
  inSlots: boolean;
  slotMinutes: string;
  slotGap: string;
}

/** How its sessions are to be cut into slots, where they are. */
export const slotsOfDraft = ({
  inSlots,
  slotMinutes,
  slotGap,
}: SlotsDraft): { slots?: { minutes: number; gap: number } } =>
  inSlots ? { slots: { minutes: wholeOf(slotMinutes), gap: wholeOf(slotGap) } } : {};

/** The same, as far as what is typed makes sense, to try it with. */
export function tryableSlots(d: SlotsDraft): SlotPattern | undefined {
  const { slots } = slotsOfDraft(d);
  const isWhole = (n: number, least: number): boolean => Number.isInteger(n) && n >= least;
  if (!slots || !isWhole(slots.minutes, 1) || !isWhole(slots.gap, 0)) return undefined;
  return { ...USUAL_SLOTS, ...slots };
}

/** What the sheet holds of slots where nothing is said of them. */
export const NO_SLOTS: SlotsDraft = {
  inSlots: false,
  slotMinutes: String(USUAL_SLOTS.minutes),
  slotGap: String(USUAL_SLOTS.gap),
};
