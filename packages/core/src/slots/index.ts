// Sessions that are cut into slots, and who has which.
export { cutSession, slotOffsets, slotsInWords } from './cutSession.js';
export { cutSlots, type Slot, type TimeWindow } from './cutSlots.js';
export { mayTakeSlot, mayWaitForSlot, noSlotInWords, type NoSlot } from './mayTakeSlot.js';
export { seatSignUps, type SignUp } from './seatSignUps.js';
export { nextSlotMoment, slotTurn, turnInWords, type SlotTurn } from './slotTurn.js';
export { SLOT_WARNING_MINUTES, USUAL_SLOTS, type SlotPattern, type SlotWays } from './slotWays.js';
export { meet } from './meet.js';
